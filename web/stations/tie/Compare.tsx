/** Two knots beside each other: both faces at one scale of page, and what is known of each, row by row, differences first to be seen. */
import { Form } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import type { z } from 'zod';
import type { knotListReply } from '../../../contract';
import type { Job } from '../../../core/choose/job';
import { behaviour } from '../../../core/knots/behaviour';
import { across_mm, acrossText } from '../../../core/knots/sizes';
import { FAMILIES, type Pull } from '../../../core/knots/types';
import { useKnotQuery, useKnotsQuery, type KnotReply } from '../../store/api';
import { useApp } from '../../store';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed, Loading } from '../../parts/States';
import { CAUTION, CERTAINTY_WORDS, GRADE_WORDS, PULL_WORDS, PURPOSE_WORDS } from '../../parts/words';

type Listed = z.output<typeof knotListReply>[number];

interface Row {
  readonly about: string;
  readonly of: (knot: KnotReply) => string;
}

const pullText = (knot: KnotReply, pull: Pull): string => {
  const b = behaviour(knot, pull);
  return b.grade === 'not-known' ? 'not known' : `${GRADE_WORDS[b.grade]}, ${b.condition}${b.grade === 'made' ? '' : `; ${b.what_happens}`}`;
};

/** The rows of a comparison: what both say, in the order in which one chooses and checks. */
function rowsFor(a: KnotReply, b: KnotReply, rope: Job['rope']): Row[] {
  const pulls = (Object.keys(PULL_WORDS) as Pull[]).filter((p) => [a, b].some((k) => behaviour(k, p).grade !== 'not-known'));
  return [
    { about: 'Family', of: (k) => k.family_name },
    { about: 'For', of: (k) => k.purposes.map((p) => PURPOSE_WORDS[p]).join(', ') || 'goes with another knot' },
    { about: 'Needs', of: (k) => k.needs.text },
    ...pulls.map((p): Row => ({ about: PULL_WORDS[p], of: (k) => pullText(k, p) })),
    { about: 'To undo', of: (k) => k.untying.map((u) => `${u.condition.replaceAll('-', ' ')}: ${u.least === u.most ? u.least : `${u.least} to ${u.most}`} of 5, ${u.text}`).join('; ') },
    { about: 'Set by', of: (k) => k.set.text },
    { about: 'When idle', of: (k) => k.loosens.text },
    { about: 'Known to', of: (k) => k.recognised.text },
    { about: 'Rope in it', of: (k) => `${Math.ceil((k.measures.in_knot.value * across_mm(k, rope)) / 10) * 10} mm on ${acrossText(k, across_mm(k, rope))}` },
    { about: 'Grave faults', of: (k) => k.faults.filter((f) => f.verdict === 'take-out-and-retie').map((f) => f.name).join(', ') },
    { about: 'Its form', of: (k) => CERTAINTY_WORDS[k.form_certainty] },
  ];
}

function Pick({ label, value, all, onPick }: { label: string; value: string; all: readonly Listed[]; onPick: (id: string) => void }) {
  return (
    <Form.Group controlId={`compare-${label}`}><Form.Label>{label}</Form.Label>
      <Form.Select value={value} onChange={(e) => onPick(e.target.value)}>
        <option value="">choose a knot</option>
        {Object.entries(FAMILIES).map(([family, name]) => <optgroup key={family} label={name}>{all.filter((k) => k.family === family).map((k) => <option key={k.id} value={k.id}>{k.names[0]}</option>)}</optgroup>)}
      </Form.Select>
    </Form.Group>
  );
}

function Side({ knot }: { knot: KnotReply }) {
  return (
    <section aria-label={knot.names[0]}>
      <h2><Link to={`/tie/${knot.id}`}>{knot.names[0]}</Link></h2>
      <div className="two-faces">
        {knot.faces.map((f) => (
          <figure key={f.face} className="sheet">
            <div className="pic"><KnotPicture knot={knot.id} face={f.face} state="tight" crop="knot" size={300} alt={`${knot.names[0]}, ${f.face}, set`} /></div>
            <figcaption><b>{f.face === 'front' ? 'Front' : 'Back'}</b> {f.shows}</figcaption>
          </figure>
        ))}
      </div>
    </section>
  );
}

function Table({ a, b }: { a: KnotReply; b: KnotReply }) {
  const { job } = useApp((s) => s.job);
  return (
    <table className="compare mt-3">
      <thead><tr><td /><th scope="col">{a.names[0]}</th><th scope="col">{b.names[0]}</th></tr></thead>
      <tbody>
        {rowsFor(a, b, job.rope).map(({ about, of }) => {
          const [x, y] = [of(a), of(b)];
          return <tr key={about} className={x === y ? 'quiet' : ''}><th scope="row">{about}</th>{x === y ? <td colSpan={2}>both: {x}</td> : <><td>{x}</td><td>{y}</td></>}</tr>;
        })}
      </tbody>
    </table>
  );
}

function Both({ a, b }: { a: string; b: string }) {
  const [one, two] = [useKnotQuery(a), useKnotQuery(b)];
  const error = one.error ?? two.error;
  if (error) return <Failed error={error} />;
  if (!one.data || !two.data) return <Loading what="Laying them side by side" />;
  return (
    <>
      <div className="compare-faces mt-3"><Side knot={one.data} /><Side knot={two.data} /></div>
      <Table a={one.data} b={two.data} />
    </>
  );
}

export function Compare() {
  const { data, error, isLoading, refetch } = useKnotsQuery();
  const [search, setSearch] = useSearchParams();
  if (isLoading) return <Loading what="Fetching the knots" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const known = (key: string) => (data.some((k) => k.id === search.get(key)) ? search.get(key)! : '');
  const [a, b] = [known('a'), known('b')];
  const pick = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    setSearch(next, { replace: true });
  };
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3"><h1>Two knots beside each other</h1><Link to="/tie" className="ms-auto">all knots</Link></div>
      <Form className="shelf-find" onSubmit={(e) => e.preventDefault()}>
        <Pick label="The one" value={a} all={data} onPick={(id) => pick('a', id)} />
        <Pick label="The other" value={b} all={data} onPick={(id) => pick('b', id)} />
      </Form>
      {a && b && a !== b ? <Both key={`${a} ${b}`} a={a} b={b} /> : <p className="quiet mt-3">{a && a === b ? 'Choose two different knots.' : 'Choose two: their faces and all that is known of them come side by side.'}</p>}
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
