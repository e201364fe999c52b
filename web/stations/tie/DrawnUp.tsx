/** A knot drawn up before one's eyes: computed here by the solver, in a worker, then played, stopped or taken step by step. */
import { useEffect, useRef, useState } from 'react';
import { Button, Form, ProgressBar } from 'react-bootstrap';
import type { Point3 } from '../../../core/curve';
import type { SceneComponent } from '../../parts/rope/framing';
import type { DrawnPart } from '../../../core/knots/baking/drawUp';
import type { BakedShape } from '../../../core/knots/shape/stored';
import { drawUpHere, type DrawUpRun } from '../../workers/drawUp/client';

type Marks = NonNullable<SceneComponent['marks']>;
type Stage =
  | { kind: 'idle' }
  | { kind: 'computing'; share: number }
  | { kind: 'ready'; frames: readonly Float32Array[]; parts: readonly DrawnPart[]; marks: Marks; apart: number }
  | { kind: 'failed'; thrownAway: boolean };

const FRAME_MS = 90;

/** The parts of a frame; the marks are those of the first rope. */
function asComponents(frame: Float32Array, parts: readonly DrawnPart[], marks: Marks): SceneComponent[] {
  let from = 0;
  return parts.map(({ points: count, ...part }, k) => {
    const start = from;
    from += count;
    const points = Array.from({ length: count }, (_, i): Point3 => [
      frame[3 * (start + i)]!,
      frame[3 * (start + i) + 1]!,
      frame[3 * (start + i) + 2]!,
    ]);
    return { ...part, points, ...(k === 0 && { marks }) };
  });
}

/** The marks of the tight form by the nodes of the frames: what is the knot proper, and what its eye. */
function marksOfFrames({ marks, firstNode, eyeGrown = 0 }: BakedShape, nodes: number): Marks {
  const node = (i: number) =>
    Math.min(nodes - 1, Math.max(0, firstNode + (marks.eye !== undefined && i > marks.eye ? i - eyeGrown : i)));
  const legs = marks.legs?.map(([a, b]) => [node(a), node(b)] as const);
  return {
    standing: [0, node(marks.standing[1])],
    tail: [node(marks.tail[0]), nodes - 1],
    ...(marks.eye !== undefined && { eye: node(marks.eye) }),
    ...(legs && { legs }),
  };
}

interface Props {
  readonly knot: string;
  readonly form: string;
  /** the stored tight rope, to hold the computed one against */
  readonly stored: readonly (readonly number[])[] | undefined;
  readonly onMotion: (frame: readonly SceneComponent[] | null) => void;
}

/** Largest distance of two runs of points of one rope; infinite where their numbers differ. */
function farthest(a: readonly number[], b: readonly (readonly number[])[]): number {
  if (a.length !== 3 * b.length) return Infinity;
  return b.reduce(
    (far, p, i) => Math.max(far, Math.hypot(p[0]! - a[3 * i]!, p[1]! - a[3 * i + 1]!, p[2]! - a[3 * i + 2]!)),
    0,
  );
}

export function DrawnUp({ knot, form, stored, onMotion }: Props) {
  const [stage, setStage] = useState<Stage>({ kind: 'idle' });
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const run = useRef<DrawUpRun | null>(null);
  useEffect(() => () => run.current?.stop(), []);

  const { frames, parts, marks } = stage.kind === 'ready' ? stage : { frames: null, parts: null, marks: null };
  const go = (frame: number) => {
    if (!frames) return;
    setAt(frame);
    onMotion(asComponents(frames[frame]!, parts!, marks!));
  };
  useEffect(() => {
    if (!playing || !frames) return;
    const timer = setTimeout(() => (at + 1 < frames.length ? go(at + 1) : setPlaying(false)), FRAME_MS);
    return () => clearTimeout(timer);
  });

  const begin = async () => {
    setStage({ kind: 'computing', share: 0 });
    run.current = drawUpHere(knot, form, (share) => setStage({ kind: 'computing', share }));
    try {
      const done = await run.current.result;
      if (!done) return setStage({ kind: 'idle' });
      const nodes = marksOfFrames(done.tight, done.parts[0]!.points);
      setStage({
        kind: 'ready',
        frames: done.frames,
        parts: done.parts,
        marks: nodes,
        apart: stored ? farthest(done.tight.xyz, stored) : Infinity,
      });
      setAt(0);
      onMotion(asComponents(done.frames[0]!, done.parts, nodes));
      setPlaying(!window.matchMedia('(prefers-reduced-motion: reduce)').matches);
    } catch (error) {
      setStage({ kind: 'failed', thrownAway: error instanceof Error && error.message === 'solver-passed-through' });
    }
  };
  const end = () => {
    setPlaying(false);
    setStage({ kind: 'idle' });
    onMotion(null);
  };

  if (stage.kind === 'idle')
    return (
      <Button variant="outline-primary" onClick={() => void begin()}>
        See it drawn up
      </Button>
    );
  if (stage.kind === 'failed')
    return (
      <p className="notice mend m-0" role="alert">
        {stage.thrownAway
          ? 'This run was thrown away: a strand may have passed through another.'
          : 'It could not be computed on this device.'}{' '}
        The stored form stands.{' '}
        <Button variant="link" onClick={() => void begin()}>
          Try again
        </Button>
      </p>
    );
  if (stage.kind === 'computing')
    return (
      <div className="drawn-up" role="group" aria-label="Drawing it up">
        <ProgressBar
          now={Math.round(100 * stage.share)}
          label={`${Math.round(100 * stage.share)} %`}
          aria-label="Drawing it up"
        />
        <Button variant="outline-primary" onClick={() => run.current?.stop()}>
          Stop
        </Button>
      </div>
    );
  return (
    <div className="drawn-up" role="group" aria-label="Drawn up, step by step" data-apart={stage.apart}>
      <Button
        variant="outline-primary"
        onClick={() => {
          if (!playing && at === stage.frames.length - 1) go(0);
          setPlaying(!playing);
        }}
      >
        {playing ? 'Pause' : 'Play'}
      </Button>
      <Form.Range
        min={0}
        max={stage.frames.length - 1}
        value={at}
        aria-label="From laid to set"
        onChange={(e) => {
          setPlaying(false);
          go(Number(e.target.value));
        }}
      />
      <Button variant="outline-primary" onClick={end}>
        Finished knot
      </Button>
      <span className="small quiet">
        {stage.apart <= AGREES
          ? 'Computed on this device; it is the stored form.'
          : 'Computed on this device; it came out a little otherwise than the stored form, which is the one to check by.'}
      </span>
    </div>
  );
}

/** Two runs of one plan on two machines lie no farther apart than this, rope diameters. */
const AGREES = 0.02;
