import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import type { z } from 'zod';
import type { knotListReply } from '../../../contract';
import { FAMILIES, type Family } from '../../../core/knots/facts/types';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { searchKnots, type AmbiguousName, type Found } from '../../../core/knots/facts/search';
import { useKnotsQuery } from '../../store/api';
import { Cards } from '../../parts/Cards';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed, Loading } from '../../parts/States';
import { FAMILY_HEADINGS, PURPOSE_WORDS } from '../../parts/words';

type Listed = z.output<typeof knotListReply>[number];

/** One name, several knots: which is meant? */
function Ask({ text, ask, knots }: { text: string; ask: AmbiguousName; knots: readonly Listed[] }) {
  return (
    <section className="notice mt-3" aria-labelledby="ask">
      <h2 id="ask">“{text.trim()}” is said of more than one knot. Which do you mean?</h2>
      <ul className="meanings">
        {ask.meanings.map((m) => (
          <li key={m.means}>
            {m.knot ? (
              <Link to={`/tie/${m.knot}`}>
                <KnotPicture knot={m.knot} state="laid" crop="knot" size={72} alt="" />
                <span>
                  <b>{knots.find((k) => k.id === m.knot)?.names[0] ?? m.knot}</b>
                  <br />
                  {m.means}
                </span>
              </Link>
            ) : (
              <span className="quiet none">{m.means}: not on the shelf yet</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Lines of one kind; more would be a list to read through. */
const MOST_LINES = 6;

/** What else goes by that name: a knot that is called otherwise here, a fault, a way of tying. */
function AlsoCalled({ text, found, knots }: { text: string; found: Found; knots: readonly Listed[] }) {
  const own = (knot: string) => knots.find((k) => k.id === knot)?.names[0] ?? knot;
  const { called, faults, ways } = found;
  if (called.length + faults.length + ways.length === 0) return null;
  const more = [called, faults, ways].reduce((n, all) => n + Math.max(0, all.length - MOST_LINES), 0);
  return (
    <section className="mt-3" aria-labelledby="also-called">
      <h2 id="also-called" className="eyebrow">
        “{text.trim()}” is also said of
      </h2>
      <ul className="mb-0 mt-1">
        {called.slice(0, MOST_LINES).map((c) => (
          <li key={c.knot}>
            {c.name}: here <Link to={`/tie/${c.knot}`}>{own(c.knot)}</Link>
          </li>
        ))}
        {faults.slice(0, MOST_LINES).map((f) => (
          <li key={`${f.knot} ${f.fault}`}>
            {f.name}: a fault of <Link to={`/tie/${f.knot}?fault=${f.fault}`}>{own(f.knot)}</Link>
          </li>
        ))}
        {ways.slice(0, MOST_LINES).map((w) => (
          <li key={`${w.knot} ${w.way}`}>
            <Link to={`/tie/${w.knot}/ways/${w.way}`}>{w.name}</Link>: a way of {own(w.knot)}
          </li>
        ))}
      </ul>
      {more > 0 ? <p className="quiet small mb-0">and {more} more: go on typing</p> : null}
    </section>
  );
}

/** The shelf: every knot of the catalogue, found by any of its usual names, by family and by purpose. */
export function Shelf() {
  const { data, error, isLoading, refetch } = useKnotsQuery();
  const [search, setSearch] = useSearchParams();
  const [text, setText] = useState(search.get('name') ?? '');
  if (isLoading) return <Loading what="Laying out the knots" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const family = search.get('family') ?? '';
  const purpose = search.get('purpose') ?? '';
  const sheet = search.get('show') === 'sheet';
  const keep = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value) next.set(key, value);
    else next.delete(key);
    setSearch(next, { replace: true });
  };
  const type = (value: string) => {
    setText(value);
    keep('name', value.trim());
  };
  const clear = () => {
    setText('');
    setSearch({}, { replace: true });
  };
  const found = searchKnots(
    data.map(({ id, names, family: kin }) => {
      const { faults, ways } = entryById(id);
      return { id, names, family: kin, faults, ways };
    }),
    text,
  );
  const { knots, ask } = found;
  const shown = data.filter(
    (k) =>
      knots.includes(k.id) &&
      (family === '' || k.family === family) &&
      (purpose === '' || k.purposes.includes(purpose)),
  );
  const purposes = (Object.keys(PURPOSE_WORDS) as (keyof typeof PURPOSE_WORDS)[]).filter((p) =>
    data.some((k) => k.purposes.includes(p)),
  );
  const families = (Object.keys(FAMILIES) as Family[]).filter((f) => shown.some((k) => k.family === f));
  return (
    <>
      <h1>Which knot?</h1>
      <Form className="shelf-find" role="search" onSubmit={(e) => e.preventDefault()}>
        <Form.Group controlId="shelf-name">
          <Form.Label>Name, any that you know it by</Form.Label>
          <Form.Control
            type="search"
            value={text}
            onChange={(e) => type(e.target.value)}
            maxLength={80}
            autoComplete="off"
          />
        </Form.Group>
        <Form.Group controlId="shelf-family">
          <Form.Label>Family</Form.Label>
          <Form.Select value={family} onChange={(e) => keep('family', e.target.value)}>
            <option value="">every family</option>
            {(Object.keys(FAMILIES) as Family[]).map((f) => (
              <option key={f} value={f}>
                {FAMILIES[f]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="shelf-purpose">
          <Form.Label>Purpose</Form.Label>
          <Form.Select value={purpose} onChange={(e) => keep('purpose', e.target.value)}>
            <option value="">every purpose</option>
            {purposes.map((p) => (
              <option key={p} value={p}>
                {PURPOSE_WORDS[p]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </Form>
      {ask ? <Ask text={text} ask={ask} knots={data} /> : null}
      <AlsoCalled text={text} found={found} knots={data} />
      <div className="d-flex flex-wrap align-items-center gap-3 mt-3">
        <p className="quiet mb-0" role="status">
          {shown.length === data.length
            ? `${data.length} knots, ${sheet ? 'both faces as they are when set' : 'laid out so that every crossing can be read'}`
            : `${shown.length} of ${data.length} knots`}
        </p>
        <span className="seg ms-auto" role="group" aria-label="Shown as">
          <button type="button" aria-pressed={!sheet} onClick={() => keep('show', '')}>
            laid out
          </button>
          <button type="button" aria-pressed={sheet} onClick={() => keep('show', 'sheet')}>
            sheet: both faces, set
          </button>
        </span>
        <Link to="/tie/compare">compare two</Link>
      </div>
      {shown.length > 0 ? (
        <p className="small mb-0 mt-2">
          <Cards
            knots={shown.map((k) => k.id)}
            said={
              shown.length === 1
                ? 'Its card to print (PDF)'
                : `Cards of these ${shown.length} to print, a page each (PDF)`
            }
          />
        </p>
      ) : null}
      {shown.length === 0 ? (
        <div className="mt-2">
          <p className="mb-2">No knot on the shelf has that name{family || purpose ? ' in that place' : ''}.</p>
          <Button variant="outline-primary" onClick={clear}>
            Show all knots
          </Button>
        </div>
      ) : null}
      {families.map((f) => (
        <section key={f} aria-labelledby={`family-${f}`}>
          <h2 id={`family-${f}`} className="eyebrow mt-4">
            {FAMILY_HEADINGS[f]}
          </h2>
          <div className={sheet ? 'shelf both' : 'shelf'}>
            {shown
              .filter((k) => k.family === f)
              .map((k) => (
                <Link key={k.id} to={`/tie/${k.id}`} className="sheet">
                  {sheet ? (
                    <div className="pic pair">
                      {(['front', 'back'] as const).map((face) => (
                        <KnotPicture
                          key={face}
                          knot={k.id}
                          face={face}
                          state="tight"
                          crop="knot"
                          size={150}
                          lazy
                          alt={`${k.names[0]}, ${face}, set`}
                        />
                      ))}
                    </div>
                  ) : (
                    <div className="pic">
                      <KnotPicture knot={k.id} state="laid" size={200} lazy alt={`${k.names[0]}, front, laid out`} />
                    </div>
                  )}
                  <div className="say">
                    <h3>{k.names[0]}</h3>
                    {k.names.length > 1 ? <span className="small quiet">{k.names.slice(1).join(', ')}</span> : null}
                    {k.form_certainty === 'settled' ? null : (
                      <span className="small mend d-block">its form is not settled</span>
                    )}
                  </div>
                </Link>
              ))}
          </div>
        </section>
      ))}
    </>
  );
}
