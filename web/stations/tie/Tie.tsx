import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import {
  useKnotQuery,
  useProfilesQuery,
  useRopeNeededQuery,
  useSessionQuery,
  useShapeQuery,
  useWayQuery,
  type KnotReply,
} from '../../store/api';
import { useApp, useSend } from '../../store';
import { knotTaken } from '../../store/job';
import { Cards } from '../../parts/Cards';
import { useKeys } from '../../parts/keys';
import { KnotPicture } from '../../parts/KnotPicture';
import { OnSight } from '../../parts/OnSight';
import { Rope3D, type RopeHandle } from '../../parts/rope/Rope3D';
import { Failed, Loading } from '../../parts/States';
import { useTheme } from '../../parts/theme';
import { CAUTION, CERTAINTY_WORDS, GRADE_WORDS, pullWords, PURPOSE_WORDS, SOURCE_WORDS } from '../../parts/words';
import { across_mm, acrossText } from '../../../core/knots/shape/sizes';
import type { ShapeState } from '../../../core/knots/facts/types';
import type { Source } from '../../../core/knots/facts/types';
import { Differs } from './Differs';
import { stepsOf } from './steps';
import { DrawnUp } from './DrawnUp';
import { Lookalikes } from './Lookalikes';
import type { SceneComponent } from '../../parts/rope/framing';
import { partOfRope, ROPE_PART_WORDS, type Picked, type RopePart } from '../../parts/rope/picking';
import { NOTHING, type Difference } from '../../parts/TouchWhatDiffers';
import { RopeRows } from '../../parts/RopeRows';
import { RightBesideWrong } from '../../parts/RightBesideWrong';
import type { ShapeQuestion } from '../../store/api';
import type { Range } from '../../../core/knots/shape/measures';

function RopeNeeded({ knot: entry }: { knot: KnotReply }) {
  const knot = entry.id;
  const { job } = useApp((s) => s.job);
  const person = useSessionQuery().data?.person;
  const profile = useProfilesQuery().data?.find((p) => p.id === job.profile);
  const { data, error } = useRopeNeededQuery({
    knot,
    rope_diameter_mm: across_mm(entry, job.rope),
    profile: job.profile,
  });
  if (error) return <Failed error={error} />;
  if (!data) return <Loading what="Measuring" />;
  return (
    <section className="sheet p-3 px-4" aria-labelledby="rope-needed">
      <h2 id="rope-needed">How much rope</h2>
      <p className="small quiet mb-1">
        on {acrossText(entry, across_mm(entry, job.rope))}, under {profile?.name ?? job.profile}; from the computed
        knot; low and high by how hard it is set
      </p>
      <RopeRows knot={knot} needed={data} person={person} profile={profile} />
      <ul className="small quiet mb-0 ps-3">
        {data.notes.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
    </section>
  );
}

function Steps({
  knot,
  way,
  name,
  onBig,
}: {
  knot: string;
  way: string;
  name: string;
  onBig: (picture: string | null) => void;
}) {
  const { data } = useWayQuery({ id: knot, way });
  const steps = useMemo(() => (data ? stepsOf(knot, way, data) : []), [data, knot, way]);
  const [at, setAt] = useState<number | null>(null);
  const theme = useTheme();
  const count = steps.length;
  const go = (i: number | null) => {
    setAt(i);
    onBig(i === null ? null : steps[i]!.picture(900, theme));
  };
  useKeys({
    ArrowRight: () => go(at === null ? 0 : Math.min(count - 1, at + 1)),
    ArrowLeft: () => go(at === null || at === 0 ? null : at - 1),
    Escape: () => go(null),
  });
  if (!data) return null;
  const now = at === null ? null : steps[at];
  return (
    <section aria-label={`Steps: ${name}`}>
      {now ? (
        <div className="sheet p-3 mt-3" aria-live="polite">
          <p className="m-0 fs-5">
            <b>{at! + 1}.</b> {now.caption}
          </p>
          <p className="m-0 mt-1 small quiet">
            Left hand {now.hands.left}; right hand {now.hands.right}. Moves: {now.moving}.
          </p>
        </div>
      ) : null}
      <div className="strip-film">
        {steps.map((f, i) => (
          <button
            key={`${i} ${f.caption}`}
            aria-current={at === i ? 'step' : undefined}
            aria-label={`Step ${i + 1}: ${f.caption}`}
            onClick={() => go(at === i ? null : i)}
          >
            <img src={f.picture(140, theme)} alt="" loading="lazy" />
            {i + 1}
          </button>
        ))}
      </div>
    </section>
  );
}

/** A fact with where it comes from: the letter stands for the words below the list. */
const From = ({ source }: { source: Source }) => (
  <abbr className="src" title={SOURCE_WORDS[source]}>
    {source === 'practice' ? 'p' : 'g'}
  </abbr>
);
const Said = ({ fact }: { fact: { text: string; source: Source } }) => (
  <>
    {fact.text} <From source={fact.source} />
  </>
);

function Facts({ knot }: { knot: KnotReply }) {
  return (
    <section className="sheet p-3 px-4 mt-3" aria-labelledby="known">
      <h2 id="known">What is known of it</h2>
      <dl className="facts mt-2 mb-0">
        <dt>For</dt>
        <dd>
          {knot.purposes.length > 0
            ? knot.purposes.map((p) => PURPOSE_WORDS[p]).join(', ')
            : 'nothing by itself: it goes with another knot'}
        </dd>
        <dt>Needs</dt>
        <dd>
          <Said fact={knot.needs} />
        </dd>
        <dt>Pulled</dt>
        <dd>
          <ul className="plain">
            {knot.pulls.map((p) => (
              <li key={p.pull}>
                <b>
                  {pullWords(p.pull, knot.family === 'bend')}: {GRADE_WORDS[p.grade]}
                </b>
                , {p.condition}
                {p.grade === 'made' ? '' : `; ${p.what_happens}`} <From source={p.source} />
              </li>
            ))}
          </ul>
          Other pulls: not known.
        </dd>
        <dt>Set</dt>
        <dd>
          <Said fact={knot.set} />
        </dd>
        <dt>To adjust</dt>
        <dd>
          <Said fact={knot.adjust} />
        </dd>
        <dt>When idle</dt>
        <dd>
          <Said fact={knot.loosens} />
        </dd>
        <dt>Look again</dt>
        <dd>
          <Said fact={knot.look_again} />
        </dd>
        <dt>To undo</dt>
        <dd>
          <ul className="plain">
            {knot.untying.map((u) => (
              <li key={u.condition}>
                {u.condition.replaceAll('-', ' ')}: {u.least === u.most ? u.least : `${u.least} to ${u.most}`} of 5,{' '}
                {u.text} <From source={u.source} />
              </li>
            ))}
          </ul>
        </dd>
        <dt>Care</dt>
        <dd>
          <ul className="plain">
            {knot.cautions.map((c) => (
              <li key={c.text}>
                <Said fact={c} />
              </li>
            ))}
          </ul>
        </dd>
        <dt>Known to</dt>
        <dd>
          <Said fact={knot.recognised} />
        </dd>
        <dt>Its form</dt>
        <dd className={knot.form_certainty === 'settled' ? '' : 'mend'}>
          {CERTAINTY_WORDS[knot.form_certainty]}: {knot.form_text}
        </dd>
      </dl>
      <p className="small quiet mb-0">
        <abbr className="src">p</abbr> {SOURCE_WORDS.practice}; <abbr className="src">g</abbr> {SOURCE_WORDS.general}
      </p>
    </section>
  );
}

/** Both faces beside each other, laid out or drawn up, and what each shows. */
function Faces({
  knot,
  wraps,
  variant,
  state,
}: {
  knot: KnotReply;
  wraps: number | undefined;
  variant: string | undefined;
  state: ShapeState;
}) {
  return (
    <div className="two-faces">
      {knot.faces.map((f) => (
        <figure key={f.face} className="sheet">
          <div className="pic">
            <KnotPicture
              knot={knot.id}
              face={f.face}
              state={state}
              wraps={wraps}
              variant={variant}
              size={440}
              lazy
              alt={`${knot.names[0]}, ${f.face}. ${knot.path_in_words}`}
            />
          </div>
          <figcaption>
            <b>{f.face === 'front' ? 'Front' : 'Back'}</b> {f.shows} <From source={f.source} />
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

const tieIn = (knot: KnotReply) => knot.purposes.includes('tie-in');

function Faults({ knot, state }: { knot: KnotReply; state: ShapeState }) {
  const order = { 'take-out-and-retie': 0, 'put-right': 1, remark: 2 } as const;
  const all = [...knot.faults].sort((a, b) => order[a.verdict] - order[b.verdict]);
  // laid out, a condition of the set knot shows nothing
  const drawn = all.filter(
    (f) =>
      knot.faults_with_shape.includes(f.id) &&
      !(state === 'laid' && ['loose', 'eye-too-large', 'tail-short', 'one-harness-point'].includes(f.id)),
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = drawn.find((f) => f.id === chosen) ?? drawn[0];
  const harness = (fault: string) =>
    tieIn(knot) && state !== 'laid' && ['one-harness-point', 'half-finished', 'eye-too-large'].includes(fault)
      ? ('both' as const)
      : undefined;
  return (
    <section className="mt-4" aria-labelledby="wrong">
      <h2 id="wrong">What goes wrong</h2>
      {shown ? (
        <>
          <div className="seg wide mb-2" role="group" aria-label="Held against">
            {drawn.map((f) => (
              <button key={f.id} type="button" aria-pressed={f === shown} onClick={() => setChosen(f.id)}>
                {f.name}
              </button>
            ))}
          </div>
          <RightBesideWrong
            key={shown.id + state}
            knot={knot.id}
            name={knot.names[0]}
            fault={shown}
            state={state}
            harness={harness(shown.id)}
            turnKey="w"
          />
        </>
      ) : null}
      <ul className="rows mt-3">
        {all.map((f) => (
          <li key={f.id} className="py-2">
            <b>{f.name}</b> <From source={f.source} />
            <br />
            <span className="quiet">
              It shows: {f.shows}. It comes about: {f.arises}.
            </span>{' '}
            {f.what_to_do}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Girth and size of the tight knot on the job's rope, rounded up to whole millimetres. */
function Size({ knot, across_mm: across }: { knot: KnotReply; across_mm: number }) {
  const mm = (r: Range) => {
    const [low, high] = [Math.ceil(r.low * across), Math.ceil(r.high * across)];
    return low === high ? `${high} mm` : `${low}–${high} mm`;
  };
  const { girth, length, width } = knot.measures;
  return (
    <p className="small quiet mb-0 mt-2">
      Set, on {acrossText(knot, across)}, it is about {mm(length)} long, {mm(width)} wide and {mm(girth)} round.
      Computed, not measured: try what it must pass.
    </p>
  );
}

/** From a touch on the turning rope to what is different there: its crossing, or the part. */
function Otherwise({
  picked: { picked, part },
  crossings,
  onChosen,
}: {
  picked: { picked: Picked; part: PartTouched };
  crossings: number;
  onChosen: (d: Difference) => void;
}) {
  const { crossing } = picked;
  if (crossing !== null && crossing <= crossings)
    return (
      <Button variant="outline-primary" onClick={() => onChosen({ ...NOTHING, crossings: [crossing] })}>
        Crossing {crossing} is the other way round on mine
      </Button>
    );
  const its = part.of === 'tail' || part.of === 'eye' ? part.of : null;
  return its ? (
    <Button variant="outline-primary" onClick={() => onChosen({ ...NOTHING, part: its })}>
      The {its} is different on mine
    </Button>
  ) : null;
}

function Wraps({ all, value, onPick }: { all: readonly number[]; value: number; onPick: (wraps: number) => void }) {
  return (
    <fieldset className="d-flex align-items-center gap-3">
      <legend className="fs-6 fw-semibold w-auto m-0">Wraps</legend>
      <span className="seg">
        {all.map((w) => (
          <label key={w}>
            <input type="radio" name="wraps" checked={w === value} onChange={() => onPick(w)} />
            <span>{w}</span>
          </label>
        ))}
      </span>
    </fieldset>
  );
}

/** Other forms that are right too: on another object, or made another way. */
function Variants({
  all,
  value,
  onPick,
}: {
  all: NonNullable<KnotReply['variants']>;
  value: string | undefined;
  onPick: (form: string | undefined) => void;
}) {
  const now = all.find((v) => v.form === value);
  return (
    <div className="mt-3">
      <span className="seg wide" role="group" aria-label="Form">
        <button type="button" aria-pressed={!now} onClick={() => onPick(undefined)}>
          usual form
        </button>
        {all.map((v) => (
          <button key={v.form} type="button" aria-pressed={v === now} onClick={() => onPick(v.form)}>
            {v.name}
          </button>
        ))}
      </span>
      {now ? (
        <p className="small quiet m-0 mt-1">
          {now.text} <From source={now.source} />
        </p>
      ) : null}
    </div>
  );
}

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

interface PartTouched {
  /** null where it is no rope */
  readonly of: RopePart | null;
  readonly said: string;
}

/** What was touched: of a rope which part of it. */
function partTouched(
  component: string,
  at: number,
  components: readonly { readonly name: string; readonly marks?: Parameters<typeof partOfRope>[1] }[] | undefined,
): PartTouched {
  if (component !== 'rope' && component !== 'second-rope')
    return { of: null, said: `the ${component.replaceAll('-', ' ')}` };
  const second = component === 'second-rope';
  const of = partOfRope(at, (second ? components?.find((c) => c.name === component) : components?.[0])?.marks);
  return { of, said: `${ROPE_PART_WORDS[of]}${second ? ', second rope' : ''}` };
}

/** What hangs in the eye in the large picture; some knots bring their own. */
function objectOf(knot: KnotReply): ShapeQuestion['object'] {
  if (tieIn(knot)) return 'ring';
  return knot.family === 'end-loop' && knot.tied_to === null ? 'clip' : undefined;
}

function KnotPage({ knot }: { knot: KnotReply }) {
  const navigate = useNavigate();
  const { id } = knot;
  const { job } = useApp((s) => s.job);
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
            <Steps
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
          <section className="sheet p-3 px-4 mt-3">
            <h2>The knot itself</h2>
            <Size knot={knot} across_mm={across_mm(knot, job.rope)} />
            <p className="small mb-0 mt-2">
              Take its shape along:{' '}
              <a href={`/api/v1/knots/${id}/shape.glb?${files}`} download={`${id}.glb`}>
                glTF
              </a>
              ,{' '}
              <a href={`/api/v1/knots/${id}/shape.obj?${files}`} download={`${id}.obj`}>
                OBJ
              </a>
              ,{' '}
              <a href={`/api/v1/knots/${id}/picture.svg?${files}&size=900&theme=print`} download={`${id}.svg`}>
                SVG
              </a>
              ,{' '}
              <a href={`/api/v1/knots/${id}/shape?${files}`} download={`${id}.json`}>
                JSON
              </a>
            </p>
            <p className="small mb-0 mt-2">
              <Cards knots={[id]} {...(way && { way: way.id })} said="A card to print (PDF)" />
            </p>
          </section>
          <Facts knot={knot} />
        </div>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
