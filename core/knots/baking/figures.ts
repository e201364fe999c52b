/**
 * What tells whether two shapes are one knot: invariants of its ropes joined far away, alone and with one another, with each eye held fast, with
 * what it is tied to. Equal figures are strong evidence, no proof: the solver's guard is the other half.
 */
import type { Line3, Point3 } from '../../curve';
import { IdiomError } from '../../errors';
import {
  closedApart,
  closedAtInfinity,
  crossJoined,
  FRONT,
  invariantsOf,
  pinnedEye,
  signature,
  simplestDiagram,
} from '../../topology';

export interface Figured {
  /** the first rope, and the second where there is one */
  readonly ropes: readonly Line3[];
  /** far points of the eyes of the first rope */
  readonly eyes: readonly number[];
  /** what it lies round or hangs in */
  readonly things: readonly Line3[];
}

const of = (lines: readonly Line3[]): string => signature(invariantsOf(simplestDiagram(lines)));

const EYE_NOT_FREE = 'eye not free';

/** With an eye held fast; where a strand lies in the way (the inner of two eyes) nothing can be said of that eye. */
function pinnedFigure(points: readonly Point3[], eye: number, front: Point3): string {
  try {
    return of(pinnedEye(points, eye, front));
  } catch (error) {
    if (error instanceof IdiomError && error.code === 'eye-not-found') return EYE_NOT_FREE;
    throw error;
  }
}

/** @param front where the shape is seen from: joins pass behind @throws what the topology throws of lines that touch or are too short */
export function figuresOf({ ropes, eyes, things }: Figured, front: Point3 = FRONT): string[] {
  const [rope] = ropes;
  const alone = ropes.filter((r) => !r.closed).map((r) => of([closedAtInfinity(r.points)]));
  const together = ropes.length > 1 ? [of(closedApart(ropes, front))] : [];
  // of two eyes each lies in the way of the other
  const pinned =
    rope!.closed || ropes.length > 1 || eyes.length > 1
      ? []
      : eyes.map((eye) => pinnedFigure(rope!.points, eye, front));
  const open = things.filter((t) => !t.closed);
  const bars = rope!.closed
    ? [of(closedApart([rope!, ...things], front))]
    : open.map((t) => of([crossJoined(rope!.points, t.points, front)]));
  const ringed = rope!.closed ? [] : things.filter((t) => t.closed).map((t) => of(closedApart([rope!, t], front)));
  return [...alone, ...together, ...pinned, ...bars, ...ringed];
}

/** An open line with both ends led on to given places farther out: so that the joins of two shapes are the same. */
export const ledTo = (points: readonly Point3[], ends: readonly [Point3, Point3]): Point3[] => [
  ends[0],
  ...points,
  ends[1],
];

/** Whether two shapes have the same figures; an eye that is not free in one of them says nothing. */
export const sameFigures = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((f, i) => f === b[i] || f === EYE_NOT_FREE || b[i] === EYE_NOT_FREE);
