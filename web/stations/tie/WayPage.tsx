/** A way of tying, moving: played, stepped, scrubbed, slower, one step again and again; by the left hand as a mirrored shape. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import { DoubledPath, Path, slidTo } from '../../../core/knots/sliding';
import type { Point3 } from '../../../core/curve';
import { useKeys } from '../../parts/keys';
import { Rope3D, type RopeHandle } from '../../parts/rope/Rope3D';
import type { SceneComponent } from '../../parts/rope/framing';
import { Failed, Loading } from '../../parts/States';
import { useTheme } from '../../parts/theme';
import { CAUTION } from '../../parts/words';
import { useKnotQuery, useSessionQuery, useWayQuery } from '../../store/api';
import { stepsOf, type WayData } from './steps';

/** Rope that comes by in a second at full speed, diameters. */
const PACE = 14;
const SPEEDS = [1, 0.5, 0.25] as const;
const SPEED_WORDS = { 1: 'full speed', 0.5: 'half', 0.25: 'quarter' } as const;

/** The motion worked out on this device from the path that the last frame lies on: as smooth as the screen. */
function useMotion(data: WayData | undefined, mirrored: boolean) {
  return useMemo(() => {
    if (!data) return null;
    const last = data.frames.at(-1)!.components;
    const mirror = (p: Point3): Point3 => (mirrored ? [-p[0], p[1], p[2]] : p);
    const movers = last.flatMap((c) => {
      if (c.role !== 'rope' && c.role !== 'second-rope') return [];
      const points = c.points as Point3[];
      const eye = typeof c.marks?.eye === 'number' ? c.marks.eye : 0;
      const doubled = data.making === 'bight' ? new DoubledPath(points, eye) : null;
      const path = doubled ? null : new Path(points);
      return [(come: number) => (doubled ? doubled.at(come, points.length) : slidTo(path!, come, points.length))];
    });
    /** @param at key frames done, with a fraction */
    return (at: number): SceneComponent[] => {
      const i = Math.min(data.frames.length - 1, Math.floor(at));
      const [a, b] = [data.frames[i]!.come_ropeDiameters, data.frames[Math.min(data.frames.length - 1, i + 1)]!.come_ropeDiameters];
      let rope = 0;
      return last.map((c): SceneComponent => {
        const moves = c.role === 'rope' || c.role === 'second-rope';
        const points = moves ? movers[rope]!(a[rope]! + (b[rope]! - a[rope]!) * (at - i)) : (c.points as Point3[]);
        if (moves) rope++;
        return { ...(c as SceneComponent), points: points.map(mirror) };
      });
    };
  }, [data, mirrored]);
}

export function WayPage() {
  const { knot: id = '', way = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const knot = useKnotQuery(id);
  const query = useWayQuery({ id, way });
  const hand = useSessionQuery().data?.person?.hand ?? 'right';
  const mirrored = (params.get('hand') ?? hand) === 'left';
  const data = query.data;
  const steps = useMemo(() => (data ? stepsOf(id, way, data) : []), [data, id, way]);
  const motion = useMotion(data, mirrored);
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]>(1);
  const [loop, setLoop] = useState(false);
  const [after, setAfter] = useState<number | null>(null);
  const rope = useRef<RopeHandle>(null);
  const theme = useTheme();
  const most = (data?.frames.length ?? 1) - 1;
  const nowStep = data ? data.frames[Math.min(most, Math.ceil(at))]!.step : 0;
  const shown = after ?? nowStep;
  const [from, to] = steps[nowStep]?.keys ?? [0, most];

  // keys are about as far apart in rope as they are in time
  const perSecond = data ? PACE / Math.max(0.5, Math.max(...data.frames[Math.min(1, most)]!.come_ropeDiameters.map((c, r) => Math.abs(c - data.frames[0]!.come_ropeDiameters[r]!)))) : 1;
  useEffect(() => {
    if (!playing) return;
    let before: number | null = null;
    let frame = requestAnimationFrame(function tick(now) {
      const passed = before === null ? 0 : Math.min(0.1, (now - before) / 1000);
      before = now;
      setAt((was) => {
        const next = was + passed * perSecond * speed;
        if (loop && next >= to) return from + 1e-6;
        if (next < most) return next;
        setPlaying(false);
        return most;
      });
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, perSecond, speed, loop, from, to, most]);

  const goTo = (i: number) => {
    const to = Math.max(0, Math.min(steps.length - 1, i));
    const { keys } = steps[to]!;
    setPlaying(false);
    setAfter(keys ? null : to);
    setAt(keys ? keys[1] : most);
  };
  const play = () => {
    setAfter(null);
    if (!playing && at >= most) setAt(0);
    setPlaying(!playing);
  };
  const mirror = () => setParams((p) => { p.set('hand', mirrored ? 'right' : 'left'); return p; }, { replace: true });
  useKeys({ ' ': play, ArrowRight: () => goTo(shown + 1), ArrowLeft: () => goTo(shown - 1), m: mirror, f: () => rope.current?.flip() });
  if (knot.error || query.error) return <Failed error={knot.error ?? query.error} again={query.refetch} />;
  if (!knot.data || !data || !motion) return <Loading what="Getting the motion" />;
  const told = knot.data.ways.find((w) => w.id === way)!;
  const step = steps[shown]!;
  const still = after === null ? null : steps[after]!;
  const name = knot.data.names[0];
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-2"><h1>{name}</h1><span className="quiet fs-5">{told.name}</span><Link to={`/tie/${id}`} className="ms-auto">the knot</Link></div>
      {told.right ? null : <p className="notice bad"><b>Wrong on purpose.</b> It ends in: {knot.data.faults.find((f) => f.id === told.ends_in?.fault)?.name}. For looking at and for drills; take it out.</p>}
      <div className="tie">
        <div>
          <div className="sheet stage low">
            {still ? <div className="cold d-grid" style={{ placeItems: 'center', padding: 8 }}><img src={`${still.picture(700, theme)}${mirrored ? '&hand=left' : ''}`} alt={still.caption} style={{ maxWidth: '100%', maxHeight: '100%' }} /></div> : (
              <Rope3D ref={rope} name={`${name}, being tied`} picture={{ knot: id, state: 'laid' }} components={data.frames.at(-1)!.components as SceneComponent[]} whole motion={motion(at)} onFace={() => undefined} />
            )}
            <span className="tag">Step {shown + 1} of {steps.length}{mirrored ? ' · mirrored for left-handers' : ''}</span>
            <span className="tag at-foot">Drag to turn it</span>
          </div>
          <Form.Range className="mt-2" min={0} max={most} step={0.01} value={at} aria-label="How far it is tied" aria-valuetext={`step ${shown + 1}: ${step.caption}`} onChange={(e) => { setPlaying(false); setAfter(null); setAt(Number(e.target.value)); }} />
          <div className="stage-keys">
            <Button onClick={play}>{playing ? 'Stop' : at >= most ? 'Play again' : 'Play'} <kbd>space</kbd></Button>
            <Button variant="outline-primary" disabled={shown === 0} onClick={() => goTo(shown - 1)}>Step back <kbd>←</kbd></Button>
            <Button variant="outline-primary" disabled={shown === steps.length - 1} onClick={() => goTo(shown + 1)}>Next step <kbd>→</kbd></Button>
            <Button variant="outline-primary" aria-pressed={loop} onClick={() => { setLoop(!loop); setAfter(null); setAt(from); setPlaying(true); }}>{loop ? 'Go on after this step' : 'This step again and again'}</Button>
            <Button variant="outline-primary" aria-pressed={mirrored} onClick={mirror}>Left hand <kbd>m</kbd></Button>
            <fieldset className="seg"><legend className="visually-hidden">Speed</legend>{SPEEDS.map((s) => <label key={s}><input type="radio" name="speed" checked={speed === s} onChange={() => setSpeed(s)} /><span>{SPEED_WORDS[s]}</span></label>)}</fieldset>
          </div>
        </div>
        <div>
          <section className="sheet p-3 px-4" aria-live="polite">
            <p className="eyebrow">Step {shown + 1}</p>
            <p className="fs-4 mt-1 mb-2">{step.caption}</p>
            <p className="m-0"><b>{mirrored ? 'Right' : 'Left'} hand</b> {step.hands.left}. <b>{mirrored ? 'Left' : 'Right'} hand</b> {step.hands.right}.</p>
            <p className="quiet m-0">Moves: {step.moving}.</p>
          </section>
          <ol className="rows mt-3" aria-label="Steps">
            {steps.map((s, i) => (
              <li key={s.caption}><button type="button" className="row-link way-step" aria-current={shown === i ? 'step' : undefined} onClick={() => goTo(i)}><img src={`${s.picture(120, theme)}${mirrored ? '&hand=left' : ''}`} width={60} height={60} alt="" loading="lazy" /><span>{i + 1}. {s.caption}</span><span /></button></li>
            ))}
          </ol>
        </div>
      </div>
      <p className="caution mt-4">{CAUTION} Tie along low down, with somebody who knows it.</p>
    </>
  );
}
