/**
 * Ways of tying as motions: key frames of the same rope with what each hand does, and as many between them as are asked for. A step that leads
 * an end, or a bight, along its path is cut into so many key frames that with BETWEEN frames between each two nothing moves farther than
 * strands are apart: that is proved on exactly those frames (proving.ts). Unit: rope diameters.
 */
import { arcLengths, distance, smallestDistance, type Line3, type Point3 } from '../curve';
import { fault } from '../errors';
import { crossingsSeenFrom } from '../topology';
import { knotById, storedForm } from './catalogue';
import { DoubledPath, Path, slidTo } from './sliding';
import { linesOf, type ShapeComponent } from './stored';
import type { MovingStep, StillStep, WayOfTying } from './tying';

/** Frames between two key frames for which a way is proved. */
export const BETWEEN = 6;
/** Of the smallest distance of two parts a point moves at most so much from frame to frame; half of it would be the bound. */
const SHARE_OF_GAP = 0.42;
/** Parts nearer than this along a rope are neighbours. */
export const NEIGHBOUR_ARC = 2.5;
const SPACING = 0.75;
const MOST_POINTS = 260;

export interface Frame {
  readonly key: boolean;
  /** which step of the way it belongs to, from 0 */
  readonly step: number;
  /** how far each rope has come along its path, rope diameters */
  readonly come_ropeDiameters: readonly number[];
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
  readonly components: readonly ShapeComponent[];
}

/** What moves: the ends of the ropes, or the one bight; each by how far it has come along its path. */
interface Mover {
  readonly most: number;
  readonly count: number;
  at(come: number): Point3[];
}

const endOf = (points: readonly Point3[]): Mover => {
  const path = new Path(points);
  const count = Math.min(MOST_POINTS, Math.ceil(path.length / SPACING) + 1);
  return { most: path.length, count, at: (come) => slidTo(path, come, count) };
};
const bightOf = (points: readonly Point3[], eye: number): Mover => {
  const path = new DoubledPath(points, eye);
  const count = Math.min(MOST_POINTS, Math.ceil(path.length / SPACING) + 1);
  return { most: path.tip, count, at: (come) => path.at(come, count) };
};

export interface Motion {
  readonly making: WayOfTying['making'];
  readonly steps: readonly MovingStep[];
  /** dressing and setting, that follow */
  readonly then: readonly StillStep[];
  /** how far each rope has come at a moment: from 0, untied, to the number of key frames less one */
  readonly keys: readonly { readonly step: number; readonly come: readonly number[] }[];
  componentsAt(come: readonly number[]): ShapeComponent[];
}

/** Of each rope the places of its crossings, in order along it, as it lies laid out. */
function passesOf(lines: readonly Line3[]): number[][] {
  const { passes } = crossingsSeenFrom(lines, [0, 0, 1]);
  return lines.map((l, rope) => {
    const s = arcLengths(l.points);
    return passes.filter((p) => p.line === rope).map((p) => s[Math.floor(p.at)]! + (p.at % 1) * ((s[Math.floor(p.at) + 1] ?? s.at(-1)!) - s[Math.floor(p.at)]!));
  });
}
/** Where a mover stands once it has made so many of them: midway to the next. */
function comeAfter(passes: readonly number[], upTo: number, most: number): number {
  const after = passes[upTo];
  return after === undefined || after > most ? most : ((passes[upTo - 1] ?? 0) + after) / 2;
}

/** Where key frames come between two places of a mover, so that in no frame between them a point moves farther than its share of `stride`. */
function stretches(mover: Mover, from: number, to: number, stride: number): number[] {
  const found: number[] = [];
  const most = stride / (BETWEEN + 1);
  /** the largest move of a point from one frame to the next over a stretch */
  const moved = (a: number, b: number): number => {
    let before = mover.at(a);
    let largest = 0;
    for (let i = 1; i <= BETWEEN + 1; i++) {
      const now = mover.at(a + ((b - a) * i) / (BETWEEN + 1));
      now.forEach((p, k) => (largest = Math.max(largest, distance(p, before[k]!))));
      before = now;
    }
    return largest;
  };
  for (let at = from; at < to - 1e-9; ) {
    let next = Math.min(to, at + stride);
    for (let tries = 0; tries < 12 && moved(at, next) > most * 1.02; tries++) next = at + (next - at) * 0.8;
    found.push(next);
    at = next;
  }
  return found.length > 0 ? found : [to];
}

const isMoving = (s: MovingStep | StillStep): s is MovingStep => typeof s.upTo === 'number';

const known = new Map<string, Motion>();
/** Worked out once: it follows from the catalogue alone. @throws unknown-way */
export function motionOf(id: string, way: string): Motion {
  const key = `${id} ${way}`;
  const before = known.get(key);
  if (before) return before;
  const motion = workedOut(id, way);
  known.set(key, motion);
  return motion;
}

function workedOut(id: string, way: string): Motion {
  const found: WayOfTying | undefined = knotById(id).ways[way];
  if (!found) throw fault('unknown-way', { knot: id, way });
  const form = storedForm(id, found.form ?? 'right');
  const lines = linesOf(form.laid);
  const eye = form.laid.marks.eye ?? 0;
  const movers = lines.map((l) => (found.making === 'bight' ? bightOf(l.points, eye) : endOf(l.points)));
  const passes = passesOf(lines);
  const start = movers.map((m, rope) => comeAfter(passes[rope]!, found.start?.[rope] ?? 0, m.most));
  const gap = smallestDistance(lines, NEIGHBOUR_ARC);
  const stride = Math.min(1, gap) * SHARE_OF_GAP * (BETWEEN + 1);
  const steps = found.steps.filter(isMoving);
  const keys: { step: number; come: number[] }[] = [{ step: 0, come: [...start] }];
  steps.forEach((step, k) => {
    const rope = step.rope ?? 0;
    const from = keys.at(-1)!.come;
    const to = comeAfter(passes[rope]!, step.upTo, movers[rope]!.most);
    for (const at of stretches(movers[rope]!, from[rope]!, to, stride)) keys.push({ step: k, come: from.map((c, r) => (r === rope ? at : c)) });
  });
  // a mark stays with its piece of rope, in all frames
  const marks = movers.map(({ count }, rope) => {
    const baked = rope === 0 ? form.laid.marks : form.laid.second!.marks;
    const at = (i: number) => Math.round((i / (lines[rope]!.points.length - 1)) * (count - 1));
    return { standing: [at(baked.standing[0]), Math.max(1, at(baked.standing[1]))] as const, tail: [Math.min(count - 2, at(baked.tail[0])), at(baked.tail[1])] as const, ...(baked.eye !== undefined && { eye: at(baked.eye) }) };
  });
  return {
    making: found.making, steps, then: found.steps.filter((s): s is StillStep => !isMoving(s)), keys,
    componentsAt: (come) => [
      ...movers.map((m, rope): ShapeComponent => {
        const name = rope === 0 ? 'rope' : 'second-rope';
        return { name, role: name, closed: false, diameter: 1, points: m.at(come[rope]!), marks: marks[rope]! };
      }),
      ...form.objects,
    ],
  };
}

/**
 * @param between frames between each two key frames; a way is proved for BETWEEN
 * @throws unknown-way
 */
export function framesOf(id: string, way: string, between = 0): Frame[] {
  const motion = motionOf(id, way);
  return motion.keys.flatMap(({ step, come }, k): Frame[] => {
    const { caption, hands, moving } = motion.steps[step]!;
    const frame = (key: boolean, at: readonly number[]): Frame => ({ key, step, come_ropeDiameters: at, caption, hands, moving, components: motion.componentsAt(at) });
    const before = motion.keys[k - 1]?.come;
    const inner = before ? Array.from({ length: between }, (_, i) => before.map((c, r) => c + ((come[r]! - c) * (i + 1)) / (between + 1))) : [];
    return [...inner.map((at) => frame(false, at)), frame(true, come)];
  });
}
