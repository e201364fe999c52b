/** A way of tying, moving: played, stepped, scrubbed, slower, one step again and again; by the left hand as a mirrored shape; tied along with; on a projector. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import { Cards } from '../../parts/Cards';
import { useKeys } from '../../parts/keys';
import type { RopeHandle } from '../../parts/rope/Rope3D';
import type { SceneComponent } from '../../parts/rope/framing';
import { Failed, Loading } from '../../parts/States';
import { useTheme } from '../../parts/theme';
import { CAUTION } from '../../parts/words';
import { useKnotQuery, useSessionQuery, useWayQuery } from '../../store/api';
import { shownAt } from './along';
import { TieAlong, useAlong } from './TieAlong';
import { DrawnUp } from './DrawnUp';
import { FinishedShows } from './FinishedShows';
import { canSpeak, useReadAloud } from './readAloud';
import { savePng } from './savePng';
import { ShowElsewhere } from './ShowElsewhere';
import { stepsOf } from './steps';
import { wayMotion } from './wayMotion';
import { WayStage } from './WayStage';

/** Rope that comes by in a second at full speed, diameters. */
const PACE = 14;
const SPEEDS = [1, 0.5, 0.25] as const;
const SPEED_WORDS = { 1: 'full speed', 0.5: 'half', 0.25: 'quarter' } as const;

export function WayPage() {
  const { knot: id = '', way = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const knot = useKnotQuery(id);
  const query = useWayQuery({ id, way });
  const session = useSessionQuery().data;
  const mirrored = (params.get('hand') ?? session?.person?.hand ?? 'right') === 'left';
  const data = query.data;
  const steps = useMemo(() => (data ? stepsOf(id, way, data) : []), [data, id, way]);
  const motion = useMemo(() => (data ? wayMotion(data, mirrored) : null), [data, mirrored]);
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]>(1);
  const [loop, setLoop] = useState(false);
  const [after, setAfter] = useState<number | null>(null);
  const [ghost, setGhost] = useState(true);
  const [hands, setHands] = useState(true);
  const [aloud, setAloud] = useState(false);
  const [face, setFace] = useState<'front' | 'back'>('front');
  const [drawn, setDrawn] = useState<readonly SceneComponent[] | null>(null);
  const along = useAlong(id, way, steps.length);
  const rope = useRef<RopeHandle>(null);
  const stage = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  const most = motion?.most ?? 0;
  const nowStep = data ? data.frames[Math.min(most, Math.ceil(at - 1e-9))]!.step : 0;
  const shown = after ?? nowStep;
  const [from, to] = steps[nowStep]?.keys ?? [0, most];
  const help = along.on ? shownAt(along.level, shown, steps.length) : 'picture';
  const step = steps[shown];
  useReadAloud(aloud && help !== 'name', step ? step.caption : '');

  useEffect(() => {
    if (!playing || !motion) return;
    let before: number | null = null;
    let frame = requestAnimationFrame(function tick(now) {
      const passed = before === null ? 0 : Math.min(0.1, (now - before) / 1000);
      before = now;
      setAt((was) => {
        // as much rope in each second, whatever the distance of key frames
        const stride = motion.strides_ropeDiameters[Math.min(most - 1, Math.floor(was))] ?? 1;
        const next = was + (passed * PACE * speed) / Math.max(0.5, stride);
        if (loop && next >= to) return from + 1e-6;
        if (next < most) return next;
        setPlaying(false);
        return most;
      });
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, motion, speed, loop, from, to, most]);

  const goTo = useCallback(
    (i: number) => {
      const there = Math.max(0, Math.min(steps.length - 1, i));
      const { keys } = steps[there]!;
      setPlaying(false);
      setDrawn(null);
      setAfter(keys ? null : there);
      setAt(keys ? keys[1] : most);
    },
    [steps, most],
  );
  const play = () => {
    setAfter(null);
    setDrawn(null);
    if (!playing && at >= most) setAt(0);
    setPlaying(!playing);
  };
  /** The step once more, from where it begins, at the chosen speed. */
  const again = () => {
    const { keys } = steps[shown]!;
    if (!keys) return;
    setAfter(null);
    setAt(keys[0] + 1e-6);
    setPlaying(true);
  };
  const next = useCallback(() => goTo(shown + 1), [goTo, shown]);
  const mirror = () =>
    setParams(
      (p) => {
        p.set('hand', mirrored ? 'right' : 'left');
        return p;
      },
      { replace: true },
    );
  const fullScreen = () =>
    void (document.fullscreenElement ? document.exitFullscreen() : stage.current?.requestFullscreen());
  useKeys({
    ' ': along.on ? next : play,
    ArrowRight: next,
    ArrowLeft: () => goTo(shown - 1),
    PageDown: next,
    PageUp: () => goTo(shown - 1),
    m: mirror,
    f: () => rope.current?.flip(),
    g: () => setGhost(!ghost),
    h: () => setHands(!hands),
    a: again,
  });
  if (knot.error || query.error) return <Failed error={knot.error ?? query.error} again={query.refetch} />;
  // its first frame as a picture stands before the motion is there
  if (!knot.data || !data || !motion || !step)
    return (
      <div className="tie">
        <div className="sheet stage low way-stage">
          <div className="cold d-grid" style={{ gridTemplate: 'minmax(0, 1fr) / minmax(0, 1fr)', padding: 8 }}>
            <img
              src={`/api/v1/knots/${id}/ways/${way}/frame.svg?frame=0&size=700&theme=${theme}${mirrored ? '&hand=left' : ''}`}
              alt=""
              style={{ width: '100%', height: '100%', objectFit: 'contain' }}
            />
          </div>
        </div>
        <Loading what="Getting the motion" />
      </div>
    );
  const told = knot.data.ways.find((w) => w.id === way)!;
  const name = knot.data.names[0];
  const sideOf = (hand: 'left' | 'right') => ((hand === 'left') === mirrored ? 'Right' : 'Left');
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-2">
        <h1>{name}</h1>
        <span className="quiet fs-5">{told.name}</span>
        <Link to={`/tie/${id}`} className="ms-auto">
          the knot
        </Link>
      </div>
      {told.right ? null : (
        <p className="notice bad">
          <b>Wrong on purpose.</b> It ends in: {knot.data.faults.find((f) => f.id === told.ends_in?.fault)?.name}. For
          looking at and for drills; take it out.
        </p>
      )}
      <div className="tie">
        <div>
          <div ref={stage} className="sheet stage low way-stage" onClick={along.on ? next : undefined}>
            {help === 'picture' ? (
              <WayStage
                ref={rope}
                name={name}
                knot={id}
                motion={motion}
                steps={steps}
                at={at}
                shown={shown}
                mirrored={mirrored}
                ghost={ghost}
                hands={hands}
                drawn={drawn}
                onFace={setFace}
              />
            ) : (
              <div className="cold d-grid no-picture">
                <p>{help === 'caption' ? step.caption : name}</p>
              </div>
            )}
            <span className="tag">
              Step {shown + 1} of {steps.length}
              {mirrored ? ' · mirrored for left-handers' : ''}
              {face === 'back' ? ' · from opposite' : ''}
            </span>
            <span className="tag at-foot">{along.on ? 'Tap for the next step' : 'Drag to turn it'}</span>
            {help === 'picture' ? (
              <p className="said-large" aria-hidden="true">
                {step.caption}
              </p>
            ) : null}
          </div>
          <Form.Range
            className="mt-2"
            min={0}
            max={most}
            step={0.01}
            value={at}
            aria-label="How far it is tied"
            aria-valuetext={`step ${shown + 1}: ${step.caption}`}
            onChange={(e) => {
              setPlaying(false);
              setAfter(null);
              setDrawn(null);
              setAt(Number(e.target.value));
            }}
          />
          <div className="stage-keys">
            <Button onClick={play}>
              {playing ? 'Stop' : at >= most ? 'Play again' : 'Play'} <kbd>space</kbd>
            </Button>
            <Button variant="outline-primary" disabled={shown === 0} onClick={() => goTo(shown - 1)}>
              Step back <kbd>←</kbd>
            </Button>
            <Button variant="outline-primary" disabled={shown === steps.length - 1} onClick={next}>
              Next step <kbd>→</kbd>
            </Button>
            <Button variant="outline-primary" disabled={step.keys === null} onClick={again}>
              Again from this step <kbd>a</kbd>
            </Button>
            <Button
              variant="outline-primary"
              aria-pressed={loop}
              onClick={() => {
                setLoop(!loop);
                setAfter(null);
                setDrawn(null);
                setAt(from);
                setPlaying(true);
              }}
            >
              {loop ? 'Go on after this step' : 'This step again and again'}
            </Button>
            <fieldset className="seg">
              <legend className="visually-hidden">Speed</legend>
              {SPEEDS.map((s) => (
                <label key={s}>
                  <input type="radio" name="speed" checked={speed === s} onChange={() => setSpeed(s)} />
                  <span>{SPEED_WORDS[s]}</span>
                </label>
              ))}
            </fieldset>
          </div>
          <ol className="strip-film" aria-label="Steps as pictures">
            {steps.map((s, i) => (
              <li key={`${i} ${s.caption}`}>
                <button
                  type="button"
                  aria-current={shown === i ? 'step' : undefined}
                  aria-label={`Step ${i + 1}`}
                  onClick={() => goTo(i)}
                >
                  {along.on && shownAt(along.level, i, steps.length) !== 'picture' ? (
                    <span className="gone" />
                  ) : (
                    <img
                      src={`${s.picture(120, theme)}${mirrored ? '&hand=left' : ''}`}
                      width={100}
                      height={96}
                      alt=""
                      loading="lazy"
                    />
                  )}
                  <span>
                    {i + 1}
                    {along.stopped.includes(i) ? ' · stopped here' : ''}
                  </span>
                </button>
              </li>
            ))}
          </ol>
          <div className="stage-keys">
            <Button variant="outline-primary" aria-pressed={mirrored} onClick={mirror}>
              Left hand <kbd>m</kbd>
            </Button>
            <Button variant="outline-primary" aria-pressed={face === 'back'} onClick={() => rope.current?.flip()}>
              From opposite <kbd>f</kbd>
            </Button>
            <Button variant="outline-primary" aria-pressed={ghost} onClick={() => setGhost(!ghost)}>
              Where it will go <kbd>g</kbd>
            </Button>
            <Button variant="outline-primary" aria-pressed={hands} onClick={() => setHands(!hands)}>
              Hands <kbd>h</kbd>
            </Button>
            {canSpeak() ? (
              <Button variant="outline-primary" aria-pressed={aloud} onClick={() => setAloud(!aloud)}>
                Read aloud
              </Button>
            ) : null}
            <Button variant="outline-primary" onClick={fullScreen}>
              Full screen
            </Button>
          </div>
        </div>
        <div>
          <section className="sheet p-3 px-4" aria-live="polite">
            <p className="eyebrow">Step {shown + 1}</p>
            {help === 'name' ? (
              <p className="fs-4 mt-1 mb-2">{name}</p>
            ) : (
              <>
                <p className="fs-4 mt-1 mb-2">{step.caption}</p>
                <p className="m-0">
                  <b>{sideOf('left')} hand</b> {step.hands.left}. <b>{sideOf('right')} hand</b> {step.hands.right}.
                </p>
                <p className="quiet m-0">Moves: {step.moving}.</p>
              </>
            )}
          </section>
          {step.keys === null && knot.data.drawn_up_here ? (
            <section className="sheet p-3 px-4 mt-3">
              <h2 className="h5">Dressed and set, moving</h2>
              <p className="quiet">{knot.data.set.text}. The solver draws it up on this device.</p>
              <DrawnUp key={`${id} ${way}`} knot={id} form={data.form} stored={undefined} onMotion={setDrawn} />
            </section>
          ) : null}
          <TieAlong along={along} steps={steps.length} shown={shown} onNext={next} onAgain={again} />
          {session?.person ? (
            <ShowElsewhere
              state={{
                knot: id,
                way,
                at_keyFrames: at,
                then: after === null ? null : after - (steps.length - data.then.length),
                hand: mirrored ? 'left' : 'right',
                face,
                ghost,
                hands,
              }}
            />
          ) : null}
          <p className="mt-3 mb-0">
            <Cards knots={[id]} way={way} hand={mirrored ? 'left' : 'right'} said="Card of it (PDF)" /> ·{' '}
            <a
              download={`${id}-${shown + 1}.svg`}
              href={`${step.picture(1200, 'print')}${mirrored ? '&hand=left' : ''}`}
            >
              This frame as SVG
            </a>{' '}
            ·{' '}
            <Button
              variant="link"
              className="p-0 align-baseline"
              onClick={() => void savePng(stage.current, `${id}-${shown + 1}.png`)}
            >
              as PNG
            </Button>
          </p>
          <ol className="rows mt-3" aria-label="Steps">
            {steps.map((s, i) => (
              <li key={`${i} ${s.caption}`}>
                <button
                  type="button"
                  className="row-link way-step"
                  aria-current={shown === i ? 'step' : undefined}
                  onClick={() => goTo(i)}
                >
                  <span>{i + 1}.</span>
                  <span>{along.on && shownAt(along.level, i, steps.length) === 'name' ? '…' : s.caption}</span>
                  <span>{along.stopped.includes(i) ? 'stopped here' : ''}</span>
                </button>
              </li>
            ))}
          </ol>
        </div>
      </div>
      {step.keys === null && told.right ? <FinishedShows knot={knot.data} /> : null}
      <p className="caution mt-4">{CAUTION} Tie along low down, with somebody who knows it.</p>
    </>
  );
}
