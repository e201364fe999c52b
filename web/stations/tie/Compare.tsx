/** Two or three knots beside each other: both faces at one scale of page, what makes the difference for this job, and what is known of each, row by row. */
import { Form } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import type { z } from 'zod';
import type { knotListReply } from '../../../contract';
import type { Job } from '../../../core/choose/job';
import { TWO_ROPES } from '../../../core/choose/forPurpose';
import { whatDecides } from '../../../core/choose/difference';
import { behaviour } from '../../../core/knots/facts/behaviour';
import { across_mm, acrossText } from '../../../core/knots/shape/sizes';
import type { Pull } from '../../../core/knots/facts/types';
import type { Profile } from '../../../core/profiles/types';
import { useChooseQuery, useKnotQuery, useKnotsQuery, useProfilesQuery, type KnotReply } from '../../store/api';
import { useApp } from '../../store';
import { KnotOptions } from '../../parts/KnotOptions';
import { KnotPicture } from '../../parts/KnotPicture';
import { PULLS } from '../../../core/knots/facts/words';
import { Failed, Loading } from '../../parts/States';
import { CAUTION, CERTAINTY_WORDS, GRADE_WORDS, pullWords, PURPOSE_WORDS } from '../../parts/words';

interface Row {
  readonly about: string;
  readonly of: (knot: KnotReply) => string;
}

const pullText = (knot: KnotReply, pull: Pull): string => {
  const b = behaviour(knot, pull);
  return b.grade === 'not-known'
    ? 'not known'
    : `${GRADE_WORDS[b.grade]}, ${b.condition}${b.grade === 'made' ? '' : `; ${b.what_happens}`}`;
};

/** The rows of a comparison: what each says, in the order in which one chooses and checks. */
function rowsFor(all: readonly KnotReply[], rope: Job['rope'], profiles: readonly Profile[]): Row[] {
  const pulls = PULLS.filter((p) => all.some((k) => behaviour(k, p).grade !== 'not-known'));
  return [
    { about: 'Family', of: (k) => k.family_name },
    { about: 'For', of: (k) => k.purposes.map((p) => PURPOSE_WORDS[p]).join(', ') || 'goes with another knot' },
    { about: 'Needs', of: (k) => k.needs.text },
    ...pulls.map((p): Row => ({
      about: pullWords(
        p,
        all.every((k) => k.family === 'bend'),
      ),
      of: (k) => pullText(k, p),
    })),
    {
      about: 'To undo',
      of: (k) =>
        k.untying
          .map(
            (u) =>
              `${u.condition.replaceAll('-', ' ')}: ${u.least === u.most ? u.least : `${u.least} to ${u.most}`} of 5, ${u.text}`,
          )
          .join('; '),
    },
    { about: 'Set by', of: (k) => k.set.text },
    { about: 'When idle', of: (k) => k.loosens.text },
    { about: 'Known to', of: (k) => k.recognised.text },
    {
      about: 'Named by',
      of: (k) =>
        profiles
          .filter((p) => p.tieIn.some((t) => t.knot === k.id && t.says === 'named'))
          .map((p) => p.name)
          .join(', ') || 'no rule set here',
    },
    {
      about: 'Only with a stopper',
      of: (k) =>
        profiles
          .filter((p) => p.tieIn.some((t) => t.knot === k.id && t.says !== 'named'))
          .map((p) => p.name)
          .join(', ') || (k.for_a_life?.only === 'with-stopper' ? k.for_a_life.text : '–'),
    },
    {
      about: 'Rope in it',
      of: (k) =>
        `${Math.ceil((k.measures.in_knot.value * across_mm(k, rope)) / 10) * 10} mm on ${acrossText(k, across_mm(k, rope))}`,
    },
    {
      about: 'Grave faults',
      of: (k) =>
        k.faults
          .filter((f) => f.verdict === 'take-out-and-retie')
          .map((f) => f.name)
          .join(', '),
    },
    { about: 'Its form', of: (k) => CERTAINTY_WORDS[k.form_certainty] },
  ];
}

function Pick({
  label,
  value,
  all,
  onPick,
}: {
  label: string;
  value: string;
  all: z.output<typeof knotListReply>;
  onPick: (id: string) => void;
}) {
  return (
    <Form.Group controlId={`compare-${label}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Select value={value} onChange={(e) => onPick(e.target.value)}>
        <option value="">choose a knot</option>
        <KnotOptions knots={all} />
      </Form.Select>
    </Form.Group>
  );
}

function Side({ knot }: { knot: KnotReply }) {
  return (
    <section aria-label={knot.names[0]}>
      <h2>
        <Link to={`/tie/${knot.id}`}>{knot.names[0]}</Link>
      </h2>
      <div className="two-faces">
        {knot.faces.map((f) => (
          <figure key={f.face} className="sheet">
            <div className="pic">
              <KnotPicture
                knot={knot.id}
                face={f.face}
                state="tight"
                crop="knot"
                size={300}
                alt={`${knot.names[0]}, ${f.face}, set`}
              />
            </div>
            <figcaption>
              <b>{f.face === 'front' ? 'Front' : 'Back'}</b> {f.shows}
            </figcaption>
          </figure>
        ))}
      </div>
    </section>
  );
}

function Table({ all }: { all: readonly KnotReply[] }) {
  const { job } = useApp((s) => s.job);
  const profiles = useProfilesQuery().data ?? [];
  return (
    <table className="compare mt-3">
      <thead>
        <tr>
          <td />
          {all.map((k) => (
            <th scope="col" key={k.id}>
              {k.names[0]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rowsFor(all, job.rope, profiles).map(({ about, of }) => {
          const said = all.map(of);
          const same = said.every((t) => t === said[0]);
          return (
            <tr key={about} className={same ? 'quiet' : ''}>
              <th scope="row">{about}</th>
              {same ? (
                <td colSpan={all.length}>
                  {all.length === 2 ? 'both' : 'all'}: {said[0]}
                </td>
              ) : (
                said.map((t, k) => <td key={all[k]!.id}>{t}</td>)
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** For this job: who does it, who does not and why, and the first thing that puts one before the other. */
function ForThisJob({ all }: { all: readonly KnotReply[] }) {
  const { job } = useApp((s) => s.job);
  const { data } = useChooseQuery(job);
  if (!data) return null;
  const name = (id: string) => all.find((k) => k.id === id)?.names[0] ?? id;
  const { order, decided } = whatDecides(
    data,
    all.map((k) => k.id),
  );
  return (
    <section className="sheet p-3 px-4 mt-3" aria-labelledby="for-this-job" data-testid="for-this-job">
      <h2 id="for-this-job">What makes the difference for this job</h2>
      <p className="small quiet mb-2">
        {PURPOSE_WORDS[job.purpose]}, pulled{' '}
        {job.pulls.map((p) => pullWords(p, TWO_ROPES[job.purpose] === 'joined')).join(' and ')};{' '}
        <Link to="/choose">change the job</Link>
      </p>
      <ul className="tells">
        {order.map((s) => (
          <li key={s.knot} className={s.stands === 'suited' ? '' : s.stands === 'nearly' ? 'care' : 'no'}>
            <b>{name(s.knot)}</b>{' '}
            {s.stands === 'suited' ? (
              'does it'
            ) : s.stands === 'nearly' ? (
              <>would do {s.because}</>
            ) : (
              <>does not: {s.because}</>
            )}
            {s.rule ? <span className="rule-id">{s.rule}</span> : null}
          </li>
        ))}
        {decided.map((d) => (
          <li key={d.after}>
            {name(d.before)} stands before {name(d.after)} by <b>{d.by}</b>
            {d.has[0] ? (
              <>
                : {d.has[0]}; against {d.has[1]}
              </>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Beside({ ids }: { ids: readonly string[] }) {
  const asked = [useKnotQuery(ids[0]!), useKnotQuery(ids[1]!), useKnotQuery(ids[2] ?? '', { skip: !ids[2] })].slice(
    0,
    ids.length,
  );
  const error = asked.find((q) => q.error)?.error;
  if (error) return <Failed error={error} />;
  const all = asked.flatMap((q) => (q.data ? [q.data] : []));
  if (all.length < ids.length) return <Loading what="Laying them side by side" />;
  return (
    <>
      <ForThisJob all={all} />
      <div className={`compare-faces mt-3${all.length === 3 ? ' three' : ''}`}>
        {all.map((k) => (
          <Side key={k.id} knot={k} />
        ))}
      </div>
      <Table all={all} />
    </>
  );
}

export function Compare() {
  const { data, error, isLoading, refetch } = useKnotsQuery();
  const [search, setSearch] = useSearchParams();
  if (isLoading) return <Loading what="Fetching the knots" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const known = (key: string) => (data.some((k) => k.id === search.get(key)) ? search.get(key)! : '');
  const [a, b, c] = [known('a'), known('b'), known('c')];
  const chosen = [a, b, c].filter((id) => id !== '');
  const ids = [...new Set(chosen)];
  const pick = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    setSearch(next, { replace: true });
  };
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>Knots beside each other</h1>
        <Link to="/tie" className="ms-auto">
          all knots
        </Link>
      </div>
      <Form className="shelf-find" onSubmit={(e) => e.preventDefault()}>
        <Pick label="The one" value={a} all={data} onPick={(id) => pick('a', id)} />
        <Pick label="The other" value={b} all={data} onPick={(id) => pick('b', id)} />
        <Pick label="And a third, if you like" value={c} all={data} onPick={(id) => pick('c', id)} />
      </Form>
      {ids.length > 1 && ids.length === chosen.length ? (
        <Beside key={ids.join(' ')} ids={ids} />
      ) : (
        <p className="quiet mt-3">
          {ids.length < chosen.length
            ? 'Choose different knots.'
            : 'Choose two: their faces and all that is known of them come side by side.'}
        </p>
      )}
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
