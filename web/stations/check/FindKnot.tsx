import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { searchKnots, type Searched } from '../../../core/knots/facts/search';

/** So many can be looked through at a glance. */
const MOST = 6;

/** A knot by any of its names, or by a fault that it may have: what goes by it is offered, and taken by a press; never by typing alone. */
export function FindKnot({
  knots,
  onTake,
}: {
  readonly knots: readonly Pick<Searched, 'id' | 'names' | 'family'>[];
  readonly onTake: (id: string) => void;
}) {
  const [text, setText] = useState('');
  const {
    knots: ids,
    ask,
    called,
    faults,
  } = searchKnots(
    knots.map(({ id, names, family }) => ({ id, names, family, faults: entryById(id).faults })),
    text,
  );
  const offered = text.trim() === '' ? [] : ids.length > 0 ? ids : [...new Set(faults.map((f) => f.knot))];
  const found = knots.filter((k) => offered.includes(k.id));
  const faultOf = (id: string) => faults.find((f) => f.knot === id)?.name;
  const because = (id: string) =>
    ids.includes(id)
      ? (ask?.meanings.find((m) => m.knot === id)?.means ?? called.find((c) => c.knot === id)?.name)
      : `may have the fault “${faultOf(id)}”`;
  return (
    <div className="mt-2">
      <Form.Control
        type="search"
        aria-label="Or find it by any name"
        placeholder="or any name that you know it by"
        value={text}
        onChange={(e) => setText(e.target.value)}
        // enter takes nothing and begins nothing
        onKeyDown={(e) => e.key === 'Enter' && e.preventDefault()}
        maxLength={80}
        autoComplete="off"
      />
      {text.trim() === '' ? null : (
        <div className="d-flex flex-wrap gap-2 mt-2" role="group" aria-label="Goes by that name">
          {found.slice(0, MOST).map((k) => (
            <Button
              key={k.id}
              variant="outline-primary"
              onClick={() => {
                onTake(k.id);
                setText('');
              }}
            >
              <span className="text-start">
                {k.names[0]}
                {because(k.id) ? (
                  <>
                    <span className="visually-hidden">: </span>
                    <span className="d-block small fw-normal">{because(k.id)}</span>
                  </>
                ) : null}
              </span>
            </Button>
          ))}
          <p className="quiet small m-0 align-self-center" role="status">
            {found.length === 0
              ? 'No knot that can be walked through has that name.'
              : found.length > MOST
                ? `and ${found.length - MOST} more: go on typing`
                : ''}
          </p>
        </div>
      )}
    </div>
  );
}
