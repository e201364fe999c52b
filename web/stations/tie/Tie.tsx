import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import { useKnotQuery, useProfilesQuery, useRopeNeededQuery, useSessionQuery, useShapeQuery, useWayQuery, type KnotReply } from '../../store/api';
import { useApp, useSend } from '../../store';
import { knotTaken } from '../../store/job';
import { useKeys } from '../../parts/keys';
import { KnotPicture } from '../../parts/KnotPicture';
import { Rope3D, type RopeHandle } from '../../parts/rope/Rope3D';
import { Failed, Loading } from '../../parts/States';
import { useTheme } from '../../parts/theme';
import { CAUTION } from '../../parts/words';
import { lengthText } from '../../../core/units';

function RopeNeeded({ knot }: { knot: string }) {
  const { job } = useApp((s) => s.job);
  const person = useSessionQuery().data?.person;
  const profile = useProfilesQuery().data?.find((p) => p.id === job.profile);
  const { data, error } = useRopeNeededQuery({ knot, rope_diameter_mm: job.rope.diameter_mm, profile: job.profile });
  if (error) return <Failed error={error} />;
  if (!data) return <Loading what="Measuring" />;
  const inches = person?.length_unit === 'in';
  const text = (low: number, high: number) => {
    const up = (v: number) => Math.ceil(v / 10) * 10;
    return up(low) === up(high) ? lengthText(up(low), inches ? 'in' : 'mm') : `${lengthText(up(low), inches ? 'in' : 'mm').replace(/ (mm|m|in)$/, '')}–${lengthText(up(high), inches ? 'in' : 'mm')}`;
  };
  const row = (label: string, low: number, high: number, cls = '') => <div className={`measure ${cls}`}><span>{label}</span><b>{text(low, high)}</b></div>;
  return (
    <section className="sheet p-3 px-4" aria-labelledby="rope-needed">
      <h2 id="rope-needed">How much rope</h2>
      <p className="small quiet mb-1">on {job.rope.diameter_mm} mm, under {profile?.name ?? job.profile}; from the computed knot, set to loose</p>
      {row('in the knot', data.in_knot_mm_low, data.in_knot_mm_high)}
      {row('in the eye', data.eye_mm_low, data.eye_mm_high)}
      {row('tail', data.tail_mm_low, data.tail_mm_high)}
      {data.stopper_mm > 0 ? row('stopper', data.stopper_mm_low, data.stopper_mm_high) : null}
      {row('together', data.total_mm_low, data.total_mm_high, 'sum')}
      {row('end to first turn, once set', data.start_at_mm_low, data.start_at_mm_high)}
      {profile?.startAllowance_mm?.knots.includes(knot) ? <p className="small quiet mb-1 mt-2">In hand before tying, {profile.name}: {profile.startAllowance_mm.text}.</p> : null}
      <ul className="small quiet mb-0 ps-3">{data.notes.map((n) => <li key={n}>{n}</li>)}</ul>
    </section>
  );
}

function Steps({ knot, way, name, onBig }: { knot: string; way: string; name: string; onBig: (frame: number | null) => void }) {
  const { data } = useWayQuery({ id: knot, way });
  const [at, setAt] = useState<number | null>(null);
  const theme = useTheme();
  const count = data?.frames.length ?? 0;
  const go = (i: number | null) => {
    setAt(i);
    onBig(i);
  };
  useKeys({ ArrowRight: () => go(at === null ? 0 : Math.min(count - 1, at + 1)), ArrowLeft: () => go(at === null || at === 0 ? null : at - 1), Escape: () => go(null) });
  if (!data) return null;
  const now = at === null ? null : data.frames[at];
  return (
    <section aria-label={`Steps: ${name}`}>
      {now ? (
        <div className="sheet p-3 mt-3" aria-live="polite">
          <p className="m-0 fs-5"><b>{at! + 1}.</b> {now.caption}</p>
          <p className="m-0 mt-1 small quiet">Left hand {now.hands.left}; right hand {now.hands.right}. Moves: {now.moving}.</p>
        </div>
      ) : null}
      <div className="strip-film">
        {data.frames.map((f, i) => (
          <button key={f.caption} aria-current={at === i ? 'step' : undefined} aria-label={`Step ${i + 1}: ${f.caption}`} onClick={() => go(at === i ? null : i)}>
            <img src={`/api/v1/knots/${knot}/ways/${way}/frame.svg?frame=${i}&size=140&theme=${theme}`} alt="" />
            {i + 1}
          </button>
        ))}
      </div>
    </section>
  );
}

function Facts({ knot }: { knot: KnotReply }) {
  return (
    <section className="sheet p-3 px-4 mt-3" aria-labelledby="finished">
      <h2 id="finished">What the finished knot shows</h2>
      <dl className="facts mt-2 mb-0">
        {knot.faces.map((f) => <div key={f.face}><dt>{f.face === 'front' ? 'Front' : 'Back'}</dt><dd>{f.shows}.</dd></div>)}
        <dt>Set</dt><dd>{knot.set.text}.</dd>
        <dt>When idle</dt><dd>{knot.loosens.text}.</dd>
        <dt>To undo</dt><dd>{knot.untying.map((u) => `${u.condition.replaceAll('-', ' ')}: ${u.least === u.most ? u.least : `${u.least} to ${u.most}`} of 5, ${u.text}`).join('; ')}.</dd>
        <dt>Pulled</dt><dd>{knot.pulls.map((p) => `${p.pull.replace('-', ' to ')}: ${p.grade === 'made' ? 'made for it' : p.grade}${p.grade === 'made' ? '' : ` (${p.what_happens})`}`).join('; ')}. Other pulls: not known.</dd>
        <dt>Care</dt><dd>{knot.cautions.map((c) => c.text).join('; ')}.</dd>
        <dt>Its form</dt><dd>{knot.form_certainty === 'settled' ? 'Settled' : 'Not settled'}: {knot.form_text}.</dd>
      </dl>
    </section>
  );
}

export function Tie() {
  const { knot: id = '' } = useParams();
  const navigate = useNavigate();
  const send = useSend();
  const { data: knot, error, isLoading, refetch } = useKnotQuery(id);
  const [state, setState] = useState<'dressed' | 'tight'>('tight');
  const [face, setFace] = useState<'front' | 'back'>('front');
  const [big, setBig] = useState<number | null>(null);
  const shape = useShapeQuery({ id, state, ring: true }, { skip: !knot }).data;
  const rope = useRef<RopeHandle>(null);
  const theme = useTheme();
  useKeys({ f: () => rope.current?.flip() });
  useEffect(() => {
    if (knot) send(knotTaken(id));
  }, [knot, id, send]);
  if (isLoading) return <Loading what="Tying it" />;
  if (error || !knot) return <Failed error={error} again={refetch} />;
  const way = knot.ways.find((w) => w.right);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-3">
        <h1>{knot.names[0]}</h1>
        <span className="quiet">{knot.names.slice(1).join(', ')}</span>
        <Link to="/tie" className="ms-auto">all knots</Link>
      </div>
      <div className="tie">
        <div>
          <div className="sheet stage">
            {big === null || !way ? (
              <>
                <Rope3D ref={rope} knot={id} name={knot.names[0]} state={state} ring components={shape?.components} onFace={setFace} />
                <span className="tag">{face === 'front' ? 'Front' : 'Back'} · {state === 'tight' ? 'set' : 'dressed, not set'}</span>
              </>
            ) : (
              <div className="cold d-grid" style={{ placeItems: 'center', padding: 8 }}><img src={`/api/v1/knots/${id}/ways/${way.id}/frame.svg?frame=${big}&size=900&theme=${theme}`} alt={`Step ${big + 1}`} style={{ maxWidth: '100%', maxHeight: '100%', height: '100%', objectFit: 'contain' }} /></div>
            )}
          </div>
          <div className="stage-keys">
            <Button onClick={() => (big === null ? rope.current?.flip() : setBig(null))}>{big === null ? <>Turn it over <kbd>f</kbd></> : 'Finished knot'}</Button>
            <Button variant="outline-primary" onClick={() => setState(state === 'tight' ? 'dressed' : 'tight')} disabled={big !== null}>{state === 'tight' ? 'Show it dressed, not set' : 'Show it set'}</Button>
            <Button variant="outline-primary" onClick={() => void navigate('/check')}>Check one <kbd>c</kbd></Button>
          </div>
          {way ? <Steps knot={id} way={way.id} name={way.name} onBig={(frame) => { setBig(frame); if (frame !== null) setFace('front'); }} /> : <p className="quiet mt-3">No steps are stored for this knot yet.</p>}
          <div className="d-flex gap-3 mt-3 only-narrow">{(['front', 'back'] as const).map((f) => <KnotPicture key={f} knot={id} face={f} crop="knot" size={150} alt={`${knot.names[0]}, ${f}`} />)}</div>
        </div>
        <div>
          <RopeNeeded knot={id} />
          <Facts knot={knot} />
        </div>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
