/** How long to cut a loop or a cord, and how much rope goes round a post: part by part, with its spread, rounded up. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { z } from 'zod';
import type { cutLengthBody } from '../../../contract';
import { refusalText, useCutLengthQuery, useKnotsQuery, useSessionQuery } from '../../store/api';
import { useApp } from '../../store';
import { LOOP_JOINTS } from '../../../core/choose/job';
import { lengthText } from '../../../core/units';
import { NumberField, typed, within } from '../../parts/NumberField';
import { CAUTION } from '../../parts/words';

type Body = z.input<typeof cutLengthBody>;
const KINDS = { loop: 'A loop of cord', 'eye-to-eye': 'A cord with two nooses', 'round-a-post': 'Round a post or tree' } as const;
type Kind = keyof typeof KINDS;
const upTo10 = (mm: number) => Math.ceil(mm / 10) * 10;

export function CutLength() {
  const { job } = useApp((s) => s.job);
  const person = useSessionQuery().data?.person;
  const names = useKnotsQuery().data;
  const [kind, setKind] = useState<Kind>('loop');
  const [across, setAcross] = useState('6');
  const [rope, setRope] = useState(String(job.rope.diameter_mm));
  const [long, setLong] = useState('1200');
  const [girth, setGirth] = useState('900');
  const [turns, setTurns] = useState('4');
  const [joint, setJoint] = useState<string>('double-fishermans');
  const [stoppers, setStoppers] = useState(true);
  const right = kind === 'round-a-post' ? within(rope, 2, 40) && within(girth, 10, 20_000) && within(turns, 0.5, 20) : within(across, 2, kind === 'loop' ? 40 : 20) && within(long, 1, 20_000);
  const body: Body =
    kind === 'loop' ? { kind, profile: job.profile, joint, cord_diameter_mm: typed(across), round_mm: typed(long) }
    : kind === 'eye-to-eye' ? { kind, profile: job.profile, cord_diameter_mm: typed(across), between_mm: typed(long), stoppers }
    : { kind, rope_diameter_mm: typed(rope), girth_mm: typed(girth), turns: typed(turns) };
  const { data, error } = useCutLengthQuery(body, { skip: !right });
  const unit = person?.length_unit ?? 'mm';
  const tell = (mm: number) => lengthText(upTo10(mm), unit);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3"><h1>How long to cut</h1><Link to="/choose" className="ms-auto">choose a knot</Link></div>
      <div className="seg wide mt-2" role="group" aria-label="What is cut">{Object.entries(KINDS).map(([k, words]) => <button key={k} type="button" aria-pressed={k === kind} onClick={() => setKind(k as Kind)}>{words}</button>)}</div>
      <div className="what mt-3">
        <div className="form-grid align-content-start">
          {kind === 'round-a-post' ? (
            <>
              <NumberField id="rope" label="Rope, mm" text={rope} onChange={setRope} least={2} most={40} />
              <NumberField id="girth" label="A string round it, mm" text={girth} onChange={setGirth} least={10} most={20_000} />
              <NumberField id="turns" label="Turns" text={turns} onChange={setTurns} least={0.5} most={20} />
            </>
          ) : (
            <>
              {kind === 'loop' ? <Form.Group controlId="joint" className="wide"><Form.Label>Closed by</Form.Label><Form.Select value={joint} onChange={(e) => setJoint(e.target.value)}>{LOOP_JOINTS.map((j) => <option key={j} value={j}>{names?.find((k) => k.id === j)?.names[0] ?? j}</option>)}</Form.Select></Form.Group> : null}
              <NumberField id="across" label={joint === 'water-knot' && kind === 'loop' ? 'Width of the tape, mm' : 'Cord, mm'} text={across} onChange={setAcross} least={2} most={kind === 'loop' ? 40 : 20} />
              <NumberField id="long" label={kind === 'loop' ? 'Once round the finished loop, mm' : 'From eye to eye, set, mm'} text={long} onChange={setLong} least={1} most={20_000} />
              {kind === 'eye-to-eye' ? <Form.Check className="wide" type="checkbox" id="stoppers" checked={stoppers} onChange={(e) => setStoppers(e.target.checked)} label="A stopper in each tail" /> : null}
            </>
          )}
        </div>
        <div>
          {error && right ? <p className="notice no">{refusalText(error)}</p> : null}
          {data && right ? (
            <section aria-live="polite" data-testid="cut">
              {data.parts.map((p) => <div className="measure" key={p.what}><span>{p.what}</span><b>{tell(p.mm)}</b></div>)}
              <div className="measure sum"><span>in all, at least</span><b>{tell(data.high_mm)}</b></div>
              {upTo10(data.high_mm) > upTo10(data.low_mm) ? <p className="small quiet m-0">By the shapes {tell(data.low_mm)} to {tell(data.high_mm)}, by how hard it is set; the longer one is said.</p> : null}
              {person?.calibrated && person.fist_mm ? <p className="small quiet m-0">About {Math.ceil(data.high_mm / person.fist_mm)} of your fists.</p> : null}
              <ul className="tells mt-2">{data.notes.map((n) => <li key={n} className="care">{n}</li>)}</ul>
            </section>
          ) : null}
        </div>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
