import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import type { ShapeState } from '../../../core/knots/facts/types';
import { useKeys } from '../../parts/keys';
import { OnSight } from '../../parts/OnSight';
import type { SceneComponent } from '../../parts/rope/framing';
import type { Picked } from '../../parts/rope/picking';
import { Rope3D, type RopeHandle } from '../../parts/rope/Rope3D';
import { Failed, Loading } from '../../parts/States';
import { NOTHING, type Difference } from '../../parts/TouchWhatDiffers';
import { CAUTION, CERTAINTY_WORDS } from '../../parts/words';
import { useSend } from '../../store';
import { useKnotQuery, useShapeQuery, type KnotReply } from '../../store/api';
import { knotTaken } from '../../store/job';
import { Differs } from './Differs';
import { DrawnUp } from './DrawnUp';
import { Faces, Variants, Wraps } from './Faces';
import { Facts } from './Facts';
import { Faults } from './Faults';
import { objectOf } from './hung';
import { Lookalikes } from './Lookalikes';
import { KnotItself, RopeNeeded } from './Measures';
import { StepFilm } from './StepFilm';
import { Otherwise, partTouched, type PartTouched } from './Touched';

export function Tie() {
  const { knot: id = '' } = useParams();
  const { data: knot, error, isLoading, refetch } = useKnotQuery(id);
  const send = useSend();
  useEffect(() => {
    if (knot) send(knotTaken(id));
  }, [knot, id, send]);
  if (isLoading) return <Loading what="Tying it" />;
  if (error || !knot) return <Failed error={error} again={refetch} />;
  return <KnotPage key={id} knot={knot} />;
}

function KnotPage({ knot }: { knot: KnotReply }) {
  const navigate = useNavigate();
  const { id } = knot;
  const [state, setState] = useState<'dressed' | 'tight'>('tight');
  const [flat, setFlat] = useState<ShapeState>('laid');
  const [wraps, setWraps] = useState(knot.wraps[0]);
  const [variant, setVariant] = useState<string | undefined>();
  const [face, setFace] = useState<'front' | 'back'>('front');
  const [big, setBig] = useState<string | null>(null);
  const [whole, setWhole] = useState(false);
  const [motion, setMotion] = useState<readonly SceneComponent[] | null>(null);
  const [picked, setPicked] = useState<{ picked: Picked; part: PartTouched } | null>(null);
  const [differs, setDiffers] = useState<Difference>(NOTHING);
  const object = objectOf(knot);
  const asked = { object, ...(variant ? { variant } : { wraps }) };
  const shape = useShapeQuery({ id, state, ...asked }).data;
  const tight = useShapeQuery({ id, state: 'tight', ...asked }).data;
  const rope = useRef<RopeHandle>(null);
  useKeys({ f: () => rope.current?.flip() });
  const way = knot.ways.find((w) => w.right);
  const checked = knot.check_points.length > 0;
  const files = new URLSearchParams({
    state,
    ...(object && { object }),
    ...(variant ? { variant } : wraps !== undefined && { wraps: String(wraps) }),
  }).toString();
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-3">
        <h1>{knot.names[0]}</h1>
        <span className="quiet">{[knot.family_name, ...knot.names.slice(1)].join(', ')}</span>
        <Link to={`/tie/compare?a=${id}`} className="ms-auto">
          compare it
        </Link>
        <Link to="/tie">all knots</Link>
      </div>
      {knot.form_certainty === 'settled' ? null : (
        <p className="notice mend mb-3">
          <b>{CERTAINTY_WORDS[knot.form_certainty]}.</b> {knot.form_text}.
        </p>
      )}
      <div className="tie">
        <div>
          <div
            className="sheet stage"
            data-picked-component={picked?.picked.component}
            data-picked-from={picked?.picked.from}
            data-picked-to={picked?.picked.to}
            data-picked-crossing={picked?.picked.crossing ?? undefined}
          >
            {big === null || !way ? (
              <>
                <Rope3D
                  ref={rope}
                  name={knot.names[0]}
                  picture={{ knot: id, state, ...asked }}
                  components={shape?.components}
                  whole={whole}
                  motion={motion ?? undefined}
                  onFace={setFace}
                  onPick={(p, touched) =>
                    setPicked(
                      p && touched
                        ? { picked: p, part: partTouched(p.component, touched.at, shape?.components) }
                        : null,
                    )
                  }
                />
                <span className="tag">
                  {face === 'front' ? 'Front' : 'Back'} ·{' '}
                  {motion ? 'being drawn up' : state === 'tight' ? 'set' : 'dressed, not set'}
                </span>
                <span className="tag at-foot" aria-live="polite">
                  {picked && !motion
                    ? `${picked.part.said}${picked.picked.crossing === null ? '' : `, crossing ${picked.picked.crossing}`}`
                    : 'Drag to turn; touch a strand to name it'}
                </span>
              </>
            ) : (
              <div className="cold d-grid" style={{ placeItems: 'center', padding: 8 }}>
                <img
                  src={big}
                  alt="The step, as it lies then"
                  style={{ maxWidth: '100%', maxHeight: '100%', height: '100%', objectFit: 'contain' }}
                />
              </div>
            )}
          </div>
          <div className="stage-keys">
            <Button onClick={() => (big === null ? rope.current?.flip() : setBig(null))}>
              {big === null ? (
                <>
                  Turn it over <kbd>f</kbd>
                </>
              ) : (
                'Finished knot'
              )}
            </Button>
            <Button
              variant="outline-primary"
              onClick={() => {
                setState(state === 'tight' ? 'dressed' : 'tight');
                setPicked(null);
              }}
              disabled={big !== null || motion !== null}
            >
              {state === 'tight' ? 'Show it dressed, not set' : 'Show it set'}
            </Button>
            {picked && !motion ? (
              <Otherwise
                picked={picked}
                crossings={knot.crossings.count}
                onChosen={(d) => {
                  setDiffers(d);
                  document.getElementById('differs')?.scrollIntoView({ block: 'start' });
                }}
              />
            ) : null}
            {knot.family === 'stopper' || knot.family === 'bend' ? null : (
              <Button
                variant="outline-primary"
                onClick={() => setWhole(!whole)}
                disabled={big !== null || motion !== null}
              >
                {whole ? 'The knot alone' : 'All of it'}
              </Button>
            )}
            {checked ? (
              <Button variant="outline-primary" onClick={() => void navigate('/check')}>
                Check one <kbd>c</kbd>
              </Button>
            ) : null}
            {big === null && knot.drawn_up_here ? (
              <DrawnUp
                key={`${id} ${wraps} ${variant}`}
                knot={id}
                form={variant ?? (wraps === knot.wraps[0] ? 'right' : `wraps-${wraps}`)}
                stored={tight?.components[0]?.points}
                onMotion={setMotion}
              />
            ) : null}
          </div>
          {knot.variants && knot.variants.length > 0 ? (
            <Variants
              all={knot.variants}
              value={variant}
              onPick={(v) => {
                setVariant(v);
                setMotion(null);
                setPicked(null);
              }}
            />
          ) : null}
          {knot.ways.length > 0 ? (
            <div className="d-flex flex-wrap gap-2 mt-3">
              {knot.ways.map((w) => (
                <Link
                  key={w.id}
                  className={`btn ${w.right ? 'btn-primary' : 'btn-outline-primary'}`}
                  to={`/tie/${id}/ways/${w.id}`}
                >
                  {w.right ? `See it tied: ${w.name}` : w.name}
                </Link>
              ))}
            </div>
          ) : null}
          {way ? (
            <StepFilm
              knot={id}
              way={way.id}
              name={way.name}
              onBig={(picture) => {
                setBig(picture);
                if (picture !== null) setFace('front');
              }}
            />
          ) : (
            <p className="quiet mt-3">No steps are stored for this knot yet.</p>
          )}
          <section className="mt-4" aria-labelledby="faces">
            <div className="d-flex flex-wrap align-items-center gap-3 mb-2">
              <h2 id="faces">Both faces, {flat === 'laid' ? 'laid out' : 'set'}</h2>
              <Button variant="link" onClick={() => setFlat(flat === 'laid' ? 'tight' : 'laid')}>
                {flat === 'laid' ? 'Show them set' : 'Lay them out'}
              </Button>
              {knot.wraps.length > 1 ? (
                <Wraps
                  all={knot.wraps}
                  value={wraps ?? knot.wraps[0]!}
                  onPick={(w) => {
                    setWraps(w);
                    setVariant(undefined);
                    setMotion(null);
                  }}
                />
              ) : null}
            </div>
            <Faces knot={knot} wraps={wraps} variant={variant} state={flat} />
            <p className="small quiet mt-2 mb-1">Front: {knot.front_because}.</p>
            <details className="small quiet">
              <summary>The path in words</summary>
              <p className="mb-0 mt-1">{knot.path_in_words}</p>
            </details>
          </section>
          <Faults knot={knot} state={flat} />
          <Differs knot={knot} chosen={differs} onChosen={setDiffers} />
          <OnSight height_px={400}>
            <Lookalikes knot={knot} />
          </OnSight>
        </div>
        <div>
          <RopeNeeded knot={knot} />
          <KnotItself knot={knot} asked={files} way={way?.id} />
          <Facts knot={knot} />
        </div>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
