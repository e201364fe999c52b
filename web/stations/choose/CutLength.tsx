/** How much rope: for a knot, a loop, a cord with two nooses, round a post. Part by part, with its spread, rounded up. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { z } from 'zod';
import type { cutLengthBody } from '../../../contract';
import { LOOP_JOINTS } from '../../../core/choose/job';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { companionsFor, usesOf, type Use } from '../../../core/knots/facts/uses';
import { across_mm } from '../../../core/knots/shape/sizes';
import { lengthText } from '../../../core/units';
import {
  refusalText,
  useCutLengthQuery,
  useKnotsQuery,
  useProfilesQuery,
  useRopeNeededQuery,
  useSessionQuery,
} from '../../store/api';
import { useApp } from '../../store';
import { KnotOptions } from '../../parts/KnotOptions';
import { LengthField, NumberField, typed, useTypedLength, within } from '../../parts/NumberField';
import { InOwnMeasures, RopeRows, upTo10 } from '../../parts/RopeRows';
import { UseField } from '../../parts/UseField';
import { CAUTION } from '../../parts/words';

type Body = z.input<typeof cutLengthBody>;
const KINDS = {
  knot: 'A knot',
  loop: 'A loop of cord',
  'eye-to-eye': 'A cord with two nooses',
  'round-a-post': 'Round a post or tree',
} as const;
type Kind = keyof typeof KINDS;

/** Rope in a knot, its eye, tail and stopper; where to start. */
function OfAKnot() {
  const { job, knot: chosen } = useApp((s) => s.job);
  const person = useSessionQuery().data?.person;
  const knots = useKnotsQuery().data;
  const profile = useProfilesQuery().data?.find((p) => p.id === job.profile);
  const [knot, setKnot] = useState(chosen ?? 'figure-eight-follow-through');
  const entry = knots?.find((k) => k.id === knot);
  const uses = usesOf(entryById(knot));
  const [asked, setUse] = useState<Use | null>(null);
  const use = uses.find((u) => u === asked) ?? uses.find((u) => u === job.purpose) ?? uses[0]!;
  const [stopper, setStopper] = useState(false);
  const rope = useTypedLength(across_mm({ family: entry?.family ?? 'end-loop' }, job.rope));
  const eye = useTypedLength(null);
  const round = useTypedLength(null);
  const given = (of: typeof eye, most: number) => of.text.trim() === '' || within(of.mm, 0, most);
  const right = within(rope.mm, 2, 40) && given(eye, 20_000) && given(round, 3000);
  const optional = (of: typeof eye, key: 'eye_mm' | 'object_diameter_mm') =>
    of.text.trim() === '' ? {} : { [key]: of.mm };
  const { data, error } = useRopeNeededQuery(
    {
      knot,
      rope_diameter_mm: rope.mm,
      profile: job.profile,
      use,
      ...(stopper && { stopper }),
      ...optional(eye, 'eye_mm'),
      ...optional(round, 'object_diameter_mm'),
    },
    { skip: !right },
  );
  return (
    <div className="what mt-3">
      <div className="form-grid align-content-start">
        <Form.Group controlId="knot" className="wide">
          <Form.Label>Knot</Form.Label>
          <Form.Select value={knot} onChange={(e) => setKnot(e.target.value)}>
            <KnotOptions knots={knots} />
          </Form.Select>
        </Form.Group>
        <UseField knot={knot} use={use} onUse={setUse} className="wide" />
        {companionsFor(entryById(knot), use).length > 0 ? (
          <Form.Check
            className="wide"
            type="checkbox"
            id="stopper"
            checked={stopper}
            onChange={(e) => setStopper(e.target.checked)}
            label="A knot behind it; where the rules ask one it is reckoned in anyway"
          />
        ) : null}
        <LengthField id="rope" label="Rope" of={rope} least={2} most={40} />
        <LengthField id="eye" label="Rope in the eye" of={eye} least={0} most={20_000} optional />
        <LengthField id="round" label="Thickness of what it goes round" of={round} least={0} most={3000} optional />
      </div>
      <div>
        {error && right ? <p className="notice no">{refusalText(error)}</p> : null}
        {data && right ? (
          <section aria-live="polite" data-testid="needed">
            <RopeRows needed={data} person={person} profile={profile} />
            <ul className="tells mt-2">
              {data.notes.map((n) => (
                <li key={n} className="care">
                  {n}
                </li>
              ))}
            </ul>
          </section>
        ) : null}
      </div>
    </div>
  );
}

function ToCut({ kind }: { readonly kind: Exclude<Kind, 'knot'> }) {
  const { job } = useApp((s) => s.job);
  const person = useSessionQuery().data?.person;
  const names = useKnotsQuery().data;
  const across = useTypedLength(6);
  const rope = useTypedLength(job.rope.diameter_mm);
  const long = useTypedLength(1200);
  const girth = useTypedLength(900);
  const [turns, setTurns] = useState('4');
  const [joint, setJoint] = useState<string>('double-fishermans');
  const [stoppers, setStoppers] = useState(true);
  const [from, setFrom] = useState<'whole_mm' | 'between_mm'>('whole_mm');
  const right =
    kind === 'round-a-post'
      ? within(rope.mm, 2, 40) && within(girth.mm, 10, 20_000) && within(typed(turns), 0.5, 20)
      : within(across.mm, 2, kind === 'loop' ? 40 : 20) && within(long.mm, 1, 20_000);
  const body: Body =
    kind === 'loop'
      ? { kind, profile: job.profile, joint, cord_diameter_mm: across.mm, round_mm: long.mm }
      : kind === 'eye-to-eye'
        ? { kind, profile: job.profile, cord_diameter_mm: across.mm, [from]: long.mm, stoppers }
        : { kind, rope_diameter_mm: rope.mm, girth_mm: girth.mm, turns: typed(turns) };
  const { data, error } = useCutLengthQuery(body, { skip: !right });
  const tell = (mm: number) => lengthText(upTo10(mm), rope.unit);
  return (
    <div className="what mt-3">
      <div className="form-grid align-content-start">
        {kind === 'round-a-post' ? (
          <>
            <LengthField id="rope" label="Rope" of={rope} least={2} most={40} />
            <LengthField id="girth" label="A string round it" of={girth} least={10} most={20_000} />
            <NumberField id="turns" label="Turns" text={turns} onChange={setTurns} least={0.5} most={20} />
          </>
        ) : (
          <>
            {kind === 'loop' ? (
              <Form.Group controlId="joint" className="wide">
                <Form.Label>Closed by</Form.Label>
                <Form.Select value={joint} onChange={(e) => setJoint(e.target.value)}>
                  {LOOP_JOINTS.map((j) => (
                    <option key={j} value={j}>
                      {names?.find((k) => k.id === j)?.names[0] ?? j}
                    </option>
                  ))}
                </Form.Select>
              </Form.Group>
            ) : null}
            <LengthField
              id="across"
              label={joint === 'water-knot' && kind === 'loop' ? 'Width of the tape' : 'Cord'}
              of={across}
              least={2}
              most={kind === 'loop' ? 40 : 20}
            />
            <LengthField
              id="long"
              label={
                kind === 'loop'
                  ? 'Once round the finished loop'
                  : from === 'whole_mm'
                    ? 'The whole cord'
                    : 'From eye to eye, set'
              }
              of={long}
              least={1}
              most={20_000}
            />
            {kind === 'eye-to-eye' ? (
              <div className="seg wide" role="group" aria-label="Which length is given">
                {(['whole_mm', 'between_mm'] as const).map((f) => (
                  <button key={f} type="button" aria-pressed={f === from} onClick={() => setFrom(f)}>
                    {f === 'whole_mm' ? 'from the whole cord' : 'from eye to eye'}
                  </button>
                ))}
              </div>
            ) : null}
            {kind === 'eye-to-eye' ? (
              <Form.Check
                className="wide"
                type="checkbox"
                id="stoppers"
                checked={stoppers}
                onChange={(e) => setStoppers(e.target.checked)}
                label="A stopper in each tail"
              />
            ) : null}
          </>
        )}
      </div>
      <div>
        {error && right ? <p className="notice no">{refusalText(error)}</p> : null}
        {data && right ? (
          <section aria-live="polite" data-testid="cut">
            {data.parts.map((p) => (
              <div className="measure" key={p.what}>
                <span>{p.what}</span>
                <b>{tell(p.mm)}</b>
              </div>
            ))}
            <div className="measure sum">
              <span>in all, at least</span>
              <b>{tell(data.high_mm)}</b>
            </div>
            {upTo10(data.high_mm) > upTo10(data.low_mm) ? (
              <p className="small quiet m-0">
                By the shapes {tell(data.low_mm)} to {tell(data.high_mm)}, by how hard it is set; the longer one is
                said.
              </p>
            ) : null}
            {data.between_mm === undefined ? null : (
              <div className="measure">
                <span>from eye to eye, set</span>
                <b>{tell(data.between_mm)}</b>
              </div>
            )}
            <InOwnMeasures mm={data.high_mm} person={person} />
            <ul className="tells mt-2">
              {data.notes.map((n) => (
                <li key={n} className="care">
                  {n}
                </li>
              ))}
            </ul>
          </section>
        ) : null}
      </div>
    </div>
  );
}

export function CutLength() {
  const [kind, setKind] = useState<Kind>('knot');
  const person = useSessionQuery().data?.person;
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>How much rope</h1>
        {person ? <Link to="/me">my measures</Link> : null}
        <Link to="/choose" className="ms-auto">
          choose a knot
        </Link>
      </div>
      <div className="seg wide mt-2" role="group" aria-label="What for">
        {Object.entries(KINDS).map(([k, words]) => (
          <button key={k} type="button" aria-pressed={k === kind} onClick={() => setKind(k as Kind)}>
            {words}
          </button>
        ))}
      </div>
      {kind === 'knot' ? <OfAKnot /> : <ToCut key={kind} kind={kind} />}
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
