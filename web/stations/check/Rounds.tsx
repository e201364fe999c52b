/** Rounds: those that wait, those that can be walked, and a new one. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate } from 'react-router';
import {
  fieldMessage,
  refusalText,
  useKnotsQuery,
  useNewRoundMutation,
  useNewRoundWalkMutation,
  useRopesQuery,
  useRoundsQuery,
  useRoundWalksQuery,
  useSessionQuery,
} from '../../store/api';
import { tieable } from '../../store/tieable';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { UseField } from '../../parts/UseField';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { usesOf, type Use } from '../../../core/knots/facts/uses';
import { momentText } from '../../parts/words';

interface Stop {
  readonly key: string;
  readonly place: string;
  readonly knot: string;
  /** what it is for there, where the knot leaves a choice */
  readonly use?: Use | undefined;
  readonly rope: string;
}
/** The first of a knot's uses, where it has more than one. */
const firstUse = (knot: string): Use | undefined => {
  const uses = knot === '' ? [] : usesOf(entryById(knot));
  return uses.length > 1 ? uses[0] : undefined;
};
const freshStop = (): Stop => ({ key: newId(), place: '', knot: '', rope: '' });

function NewRound({ onDone }: { readonly onDone: () => void }) {
  const knots = (useKnotsQuery().data ?? []).filter((k) => k.can_be_checked);
  const ropes = tieable(useRopesQuery().data ?? []);
  const [add, { error, isLoading }] = useNewRoundMutation();
  const [id] = useState(newId);
  const [name, setName] = useState('');
  const [stops, setStops] = useState<readonly Stop[]>(() => [freshStop()]);
  const [tried, setTried] = useState(false);
  const change = (key: string, c: Partial<Stop>) => setStops(stops.map((s) => (s.key === key ? { ...s, ...c } : s)));
  const move = (i: number, by: number) => {
    const next = [...stops];
    const [s] = next.splice(i, 1);
    next.splice(i + by, 0, s!);
    setStops(next);
  };
  const complete = name.trim() !== '' && stops.every((s) => s.place.trim() !== '' && s.knot !== '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    if (complete)
      void add({
        id,
        name: name.trim(),
        stops: stops.map((s) => ({
          place: s.place.trim(),
          knot: s.knot,
          rope: s.rope === '' ? null : s.rope,
          ...(s.use && { use: s.use }),
        })),
      }).then((r) => r.data && onDone());
  };
  return (
    <Form noValidate onSubmit={submit} aria-label="A new round" className="sheet p-3 mt-3">
      <h2>A new round</h2>
      <Form.Group controlId="round-name" className="my-2" style={{ maxWidth: 460 }}>
        <Form.Label>Its name</Form.Label>
        <Form.Control
          value={name}
          maxLength={120}
          onChange={(e) => setName(e.target.value)}
          isInvalid={tried && name.trim() === ''}
        />
      </Form.Group>
      <p className="quiet small mb-1">
        Places in the order in which they are walked, each with the knot that is expected there.
      </p>
      <ol className="round-stops">
        {stops.map((s, i) => (
          <li key={s.key}>
            <Form.Group controlId={`place-${s.key}`}>
              <Form.Label>Place {i + 1}</Form.Label>
              <Form.Control
                value={s.place}
                maxLength={160}
                onChange={(e) => change(s.key, { place: e.target.value })}
                isInvalid={tried && s.place.trim() === ''}
              />
            </Form.Group>
            <Form.Group controlId={`knot-${s.key}`}>
              <Form.Label>Knot</Form.Label>
              <Form.Select
                value={s.knot}
                onChange={(e) => change(s.key, { knot: e.target.value, use: firstUse(e.target.value) })}
                isInvalid={tried && s.knot === ''}
              >
                <option value="">choose</option>
                {knots.map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.names[0]}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            {s.knot === '' ? null : (
              <UseField id={`use-${s.key}`} knot={s.knot} use={s.use} onUse={(use) => change(s.key, { use })} />
            )}
            <Form.Group controlId={`rope-${s.key}`}>
              <Form.Label>Rope</Form.Label>
              <Form.Select value={s.rope} onChange={(e) => change(s.key, { rope: e.target.value })}>
                <option value="">any</option>
                {ropes.map((r) => (
                  <option key={r.id} value={r.id}>
                    {r.tag}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            <div className="d-flex gap-1 align-items-end">
              <Button
                variant="outline-primary"
                disabled={i === 0}
                onClick={() => move(i, -1)}
                aria-label={`Place ${i + 1} earlier`}
              >
                ↑
              </Button>
              <Button
                variant="outline-primary"
                disabled={i === stops.length - 1}
                onClick={() => move(i, 1)}
                aria-label={`Place ${i + 1} later`}
              >
                ↓
              </Button>
              <Button
                variant="link"
                disabled={stops.length === 1}
                onClick={() => setStops(stops.filter((x) => x.key !== s.key))}
                aria-label={`Leave place ${i + 1} out`}
              >
                Out
              </Button>
            </div>
          </li>
        ))}
      </ol>
      {tried && !complete ? (
        <p className="invalid-feedback d-block">a name, and for every stop a place and a knot</p>
      ) : null}
      {error ? (
        <p className="invalid-feedback d-block" role="alert">
          {fieldMessage(error, 'name') ?? refusalText(error)}
        </p>
      ) : null}
      <div className="d-flex flex-wrap gap-2 mt-2">
        <Button variant="outline-primary" onClick={() => setStops([...stops, freshStop()])}>
          Add a place
        </Button>
        <Button type="submit" disabled={isLoading}>
          Keep this round
        </Button>
      </div>
    </Form>
  );
}

export function Rounds() {
  const rounds = useRoundsQuery();
  const walks = useRoundWalksQuery();
  const roles = useSessionQuery().data!.person!.roles;
  const [begin, { error, isLoading }] = useNewRoundWalkMutation();
  const [adding, setAdding] = useState(false);
  const navigate = useNavigate();
  const records = roles.some((r) => r !== 'learner');
  const broken = [rounds, walks].find((q) => q.error);
  if (broken) return <Failed error={broken.error} again={broken.refetch} />;
  if (!rounds.data || !walks.data) return <Loading what="Getting the rounds" />;
  const open = walks.data.items.filter((w) => w.finished_at === null);
  const done = walks.data.items.filter((w) => w.finished_at !== null);
  const start = (round: string) => {
    const id = newId();
    void begin({ id, round }).then((r) => r.data && navigate(`/check/rounds/${id}`));
  };
  const walkRow = (w: (typeof open)[number]) => (
    <li key={w.id}>
      <Link className="row-link" to={`/check/rounds/${w.id}`}>
        <b className="figure">
          {w.reached}/{w.stops_count}
        </b>
        <span>
          <b>{w.name}</b>
          <br />
          <span className="sub">
            begun {momentText(w.begun_at)} by {w.begun_by_name}
            {w.finished_at ? `, finished ${momentText(w.finished_at)}` : ''}
          </span>
        </span>
        <span className="sub">
          {w.finished_at === null
            ? 'waits'
            : w.reached < w.stops_count
              ? `${w.stops_count - w.reached} not reached`
              : 'all reached'}
        </span>
      </Link>
    </li>
  );
  return (
    <>
      <h1>Rounds</h1>
      <p className="quiet fs-5 mt-1">
        Places in walking order, with the knots expected there. A place that is not reached is not judged.
      </p>
      {error ? (
        <p className="notice bad" role="alert">
          {refusalText(error)}
        </p>
      ) : null}
      {open.length > 0 ? (
        <>
          <h2 className="mt-3 mb-2">Begun, not finished</h2>
          <ul className="rows" aria-label="Begun, not finished">
            {open.map(walkRow)}
          </ul>
        </>
      ) : null}
      <h2 className="mt-4 mb-2">To walk</h2>
      {rounds.data.items.length === 0 ? (
        <p className="quiet">None is kept yet.</p>
      ) : (
        <ul className="rows" aria-label="To walk">
          {rounds.data.items.map((r) => (
            <li key={r.id}>
              <div className="row-line">
                <b className="figure">{r.stops.length}</b>
                <span>
                  <b>{r.name}</b>
                  <br />
                  <span className="sub">
                    {r.stops
                      .slice(0, 3)
                      .map((s) => s.place)
                      .join(' · ')}
                    {r.stops.length > 3 ? ' …' : ''}
                  </span>
                </span>
                {records ? (
                  <Button disabled={isLoading} onClick={() => start(r.id)}>
                    Walk it
                  </Button>
                ) : (
                  <span />
                )}
              </div>
            </li>
          ))}
        </ul>
      )}
      {records ? (
        adding ? (
          <NewRound onDone={() => setAdding(false)} />
        ) : (
          <Button variant="outline-primary" className="mt-3" onClick={() => setAdding(true)}>
            Make a round
          </Button>
        )
      ) : null}
      {done.length > 0 ? (
        <>
          <h2 className="mt-4 mb-2">Walked</h2>
          <ul className="rows" aria-label="Walked">
            {done.map(walkRow)}
          </ul>
        </>
      ) : null}
    </>
  );
}
