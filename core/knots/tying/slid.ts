/** A way in which rope slides along a path that stays, worked out as a motion. */
import { arcLengths, lerp, smallestDistance, unit, type Line3, type Point3 } from '../../curve';
import { crossingsSeenFrom } from '../../topology';
import { storedForm } from '../catalogue/catalogue';
import { DoubledPath, Path, slidTo } from '../moving/sliding';
import { linesOf, triples, type ShapeComponent } from '../shape/stored';
import type { MovingStep, StillStep, WayOfTying } from '../moving/way';
import { SPACING } from './motion';
import { NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters, MOST_POINTS, BETWEEN } from './motion';
import type { KeyFrame, Motion } from './motion';

/** Of the smallest distance of two parts a point moves at most so much from frame to frame; half of it would be the bound. */
const SHARE_OF_GAP = 0.42;

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

/** Of each rope the places of its crossings, in order along it, as it lies laid out. */
function passesOf(lines: readonly Line3[]): number[][] {
  const { passes } = crossingsSeenFrom(lines, [0, 0, 1]);
  return lines.map((l, rope) => {
    const s = arcLengths(l.points);
    return passes
      .filter((p) => p.line === rope)
      .map((p) => s[Math.floor(p.at)]! + (p.at % 1) * ((s[Math.floor(p.at) + 1] ?? s.at(-1)!) - s[Math.floor(p.at)]!));
  });
}

/** Where a mover stands once it has made so many of them: midway to the next. */
function comeAfter(passes: readonly number[], upTo: number, most: number): number {
  const after = passes[upTo];
  return after === undefined || after > most ? most : ((passes[upTo - 1] ?? 0) + after) / 2;
}

/** An untied rope is seen: its end stands so far before the place of the next crossing. */
const BEFORE_CROSSING = 2.5;

/** Where a mover begins: where it has made so many of its crossings, its end near the next one. */
function beginsAt(passes: readonly number[], made: number, most: number): number {
  const after = passes[made];
  return after === undefined
    ? comeAfter(passes, made, most)
    : Math.max(comeAfter(passes, made, most), after - BEFORE_CROSSING);
}

/**
 * Where key frames come between two places of what moves, so that in no frame between them a point moves farther than its share of `most`.
 * @param first how far the first is tried
 */
export function stretches(
  at: (come: number) => readonly (readonly Point3[])[],
  from: number,
  to: number,
  first: number,
  most: number,
): number[] {
  const found: number[] = [];
  const share = most / (BETWEEN + 1);
  /** the largest move of a point from one frame to the next over a stretch */
  const moved = (a: number, b: number): number => {
    let before = at(a);
    let largest = 0;
    for (let i = 1; i <= BETWEEN + 1; i++) {
      const now = at(a + ((b - a) * i) / (BETWEEN + 1));
      for (let r = 0; r < now.length; r++)
        for (let k = 0; k < now[r]!.length; k++) {
          const [p, q] = [now[r]![k]!, before[r]![k]!];
          largest = Math.max(largest, (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2);
        }
      before = now;
    }
    return Math.sqrt(largest);
  };
  let stride = first;
  for (let now = from; now < to - 1e-9;) {
    let next = Math.min(to, now + stride);
    let move = moved(now, next);
    for (let tries = 0; tries < 40 && move > share * 1.02; tries++) {
      next = now + (next - now) * Math.max(0.3, Math.min(0.9, share / move));
      move = moved(now, next);
    }
    found.push(next);
    // the next one is tried as far as this one would have borne
    stride = Math.min(first, (next - now) * Math.min(2, Math.max(1, share / Math.max(move, 1e-9))));
    now = next;
  }
  return found.length > 0 ? found : [to];
}

export const isMoving = (s: MovingStep | StillStep): s is MovingStep => typeof s.upTo === 'number';

/** How a tape lies across where it has come to: as its path lies there, before that as it begins. @param across x y z per point of the path */
function acrossAt(across: readonly number[], { most, count }: Mover, come: number): Point3[] {
  const along = triples(across);
  return Array.from({ length: count }, (_, i): Point3 => {
    const at = Math.max(0, (come / most - 1 + i / (count - 1)) * (along.length - 1));
    const k = Math.min(along.length - 2, Math.floor(at));
    return unit(lerp(along[k]!, along[k + 1]!, at - k));
  });
}

/** @param stored key frames, where they are known */
export function slid(id: string, found: WayOfTying, stored?: readonly KeyFrame[]): Motion {
  const form = storedForm(id, found.form ?? 'right');
  const lines = linesOf(form.laid);
  const eye = form.laid.marks.eye ?? 0;
  const movers = lines.map((l) => (found.making === 'bight' ? bightOf(l.points, eye) : endOf(l.points)));
  const steps = found.steps.filter(isMoving);
  const keysAnew = (): KeyFrame[] => {
    const passes = passesOf(lines);
    const byShare = found.steps.some((s) => isMoving(s) && s.by === 'share');
    const start = movers.map((m, rope) => (byShare ? 0 : beginsAt(passes[rope]!, found.start?.[rope] ?? 0, m.most)));
    const gap = smallestDistance(lines, NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters);
    const stride = Math.min(1, gap) * SHARE_OF_GAP * (BETWEEN + 1);
    const keys: KeyFrame[] = [{ step: 0, come: [...start] }];
    steps.forEach((step, k) => {
      const from = keys.at(-1)!.come;
      const moves = movers.map((_, r) => step.rope === 'both' || r === (step.rope ?? 0));
      const to = movers.map(({ most }, r) =>
        !moves[r] ? from[r]! : step.by === 'share' ? step.upTo * most : comeAfter(passes[r]!, step.upTo, most),
      );
      const farthest = Math.max(...to.map((t, r) => t - from[r]!));
      // by how far the one comes that has farthest to go
      const come = (far: number) => from.map((c, r) => c + ((to[r]! - c) * far) / (farthest || 1));
      for (const far of stretches(
        (d) => movers.flatMap((m, r) => (moves[r] ? [m.at(come(d)[r]!)] : [])),
        0,
        farthest,
        stride,
        stride,
      ))
        keys.push({ step: k, come: come(far) });
    });
    return keys;
  };
  // a mark stays with its piece of rope, in all frames
  const marks = movers.map(({ count }, rope) => {
    const baked = rope === 0 ? form.laid.marks : form.laid.second!.marks;
    const at = (i: number) => Math.round((i / (lines[rope]!.points.length - 1)) * (count - 1));
    return {
      standing: [at(baked.standing[0]), Math.max(1, at(baked.standing[1]))] as const,
      tail: [Math.min(count - 2, at(baked.tail[0])), at(baked.tail[1])] as const,
      ...(baked.eye !== undefined && { eye: at(baked.eye) }),
    };
  });
  return {
    making: found.making,
    form: found.form ?? 'right',
    path: 'stays',
    steps,
    then: found.steps.filter((s): s is StillStep => !isMoving(s)),
    keys: stored ?? keysAnew(),
    palmAt: () => null,
    jointAt: () => null,
    componentsAt: (come) => [
      ...movers.map((m, rope): ShapeComponent => {
        const name = rope === 0 ? 'rope' : 'second-rope';
        const tape = rope === 0 ? form.laid.tape : form.laid.second!.tape;
        return {
          name,
          role: name,
          closed: false,
          diameter: 1,
          points: m.at(come[rope]!),
          marks: marks[rope]!,
          ...(tape && { tape: { ...tape, across: acrossAt(tape.across, m, come[rope]!) } }),
        };
      }),
      ...form.objects,
    ],
  };
}
