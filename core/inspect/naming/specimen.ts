/** From the components of a shape to a specimen: which is rope, what it is tied to, what its marks say. */
import { lengthOf, type Line3, type Point3 } from '../../curve';
import { fault } from '../../errors';
import { refuseUnfit } from '../../topology';
import type { ShapeComponent } from '../../knots/shape/stored';
import type { Specimen } from './evidence';

/** A component as it is handed in: marks where they are known, an array of two where there are two eyes. */
export interface Entered {
  readonly name?: string | undefined;
  readonly role: ShapeComponent['role'];
  readonly closed: boolean;
  readonly diameter?: number | undefined;
  readonly points: readonly Point3[];
  readonly marks?:
    | {
        readonly standing?: readonly [number, number] | undefined;
        readonly tail?: readonly [number, number] | undefined;
        readonly eye?: number | readonly number[] | undefined;
        readonly second_eye?: number | undefined;
        readonly gate?: readonly [number, number] | undefined;
      }
    | undefined;
}

export interface Laid extends Specimen {
  /** whether the eyes are known: marked, or said to be none by marks that have everything else */
  readonly eyesKnown: boolean;
  /** middle of the gate of each ring that is a karabiner */
  readonly gates: readonly Point3[];
  /** middle of what a gripped rope hangs by, where it is marked */
  readonly anchors: readonly Point3[];
  /** names of the rings, by which harness points are known */
  readonly ringNames: readonly string[];
}

const middle = (points: readonly Point3[], [a, b]: readonly [number, number]): Point3 =>
  points[Math.min(points.length - 1, Math.max(0, Math.round((a + b) / 2)))]!;

/** Longer than this no line of a knot is, rope diameters: what is longer is in another unit, and would be cut into millions of pieces. */
const LONGEST_ropeDiameters = 5000;

/** @throws shape-not-finite, too-few-points, too-many-points, strands-touch, bad-specimen where there is no rope, or more than two, or a mark points nowhere */
export function specimenOf(components: readonly Entered[]): Laid {
  const ropes = components.filter((c) => c.role === 'rope' || c.role === 'second-rope' || c.role === 'sling');
  if (ropes.length === 0) throw fault('bad-specimen', { reason: 'there is no rope in it' });
  if (ropes.length > 2) throw fault('bad-specimen', { reason: 'there are more than two ropes in it' });
  if (ropes.length === 2 && ropes.some((r) => r.closed))
    throw fault('bad-specimen', { reason: 'of two ropes none may be closed' });
  const inOrder = ropes.slice().sort((a, b) => Number(a.role === 'second-rope') - Number(b.role === 'second-rope'));
  const eyesOf = ({ marks, points }: Entered): number[] => {
    const eyes = [
      ...(marks?.eye === undefined
        ? []
        : Array.isArray(marks.eye)
          ? (marks.eye as readonly number[])
          : [marks.eye as number]),
      ...(marks?.second_eye === undefined ? [] : [marks.second_eye]),
    ];
    for (const e of eyes)
      if (!Number.isInteger(e) || e < 1 || e > points.length - 2)
        throw fault('bad-specimen', { reason: 'an eye is marked where there is no rope' });
    return eyes.sort((a, b) => a - b);
  };
  const eyes = inOrder.map(eyesOf);
  if (eyes.flat().length > 2) throw fault('bad-specimen', { reason: 'more than two eyes are marked' });
  // a rope with an eye stands first: the other follows it
  if (inOrder.length === 2 && eyes[0]!.length === 0 && eyes[1]!.length > 0) {
    inOrder.reverse();
    eyes.reverse();
  }
  const lines: Line3[] = components.map(({ points, closed }) => ({ points, closed }));
  refuseUnfit(lines);
  if (lines.some(({ points }) => lengthOf(points) > LONGEST_ropeDiameters))
    throw fault('bad-specimen', {
      reason: `a line of it is longer than ${LONGEST_ropeDiameters} rope diameters: points are in diameters of the rope`,
    });
  const rings = components.filter((c) => c.role === 'ring');
  const bars = components.filter((c) => c.role === 'post' || c.role === 'host');
  if (rings.some((r) => !r.closed)) throw fault('bad-specimen', { reason: 'a ring is not closed' });
  if (bars.some((b) => b.closed)) throw fault('bad-specimen', { reason: 'a post or a gripped rope is closed' });
  if (bars.length > 1) throw fault('bad-specimen', { reason: 'there is more than one post or gripped rope in it' });
  if (rings.length > 4) throw fault('bad-specimen', { reason: 'there are more than four rings in it' });
  const marks = inOrder[0]!.marks;
  return {
    ropes: inOrder.map(({ points, closed }) => ({ points, closed })),
    eyes: eyes[0]!,
    rings: rings.map(({ points, closed }) => ({ points, closed })),
    bars: bars.map(({ points, closed, diameter }) => ({ points, closed, diameter: diameter ?? 1 })),
    eyesKnown: inOrder[0]!.closed || eyes[0]!.length > 0 || (marks?.standing !== undefined && marks.tail !== undefined),
    gates: rings.flatMap((r) => (r.marks?.gate ? [middle(r.points, r.marks.gate)] : [])),
    anchors: bars.flatMap((b) => (b.marks?.standing ? [middle(b.points, b.marks.standing)] : [])),
    ringNames: rings.map((r) => r.name ?? ''),
  };
}
