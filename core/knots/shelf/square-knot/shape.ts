/**
 * Square knot: two bights, each round the legs of the other, as a flat diagram. Granny and thief are the same page with one thing
 * changed: the second half tied the same way as the first; the other leg of one rope loaded.
 */
import type { Point3 } from '../../../curve';
import { GENTLE, NODE_SPACING } from '../../../rope';
import { flatDiagrams, nodesOf, reversed, type Control } from '../../laying/authoring';
import { drawnApart } from '../../laying/drawing';
import type { LaidForms, LaidKnot } from '../../shape/laid';

/** Which leg of a bight lies above at its six crossings, in the order of the rope. */
const SQUARE = [1, -1, 1, 1, -1, 1] as const;
const GRANNY = [1, -1, 1, -1, 1, -1] as const;

/** In from its side, round the other's legs, and out again beside itself. @param order which crossings it passes above */
function bight(side: 1 | -1, order?: readonly number[]): Control[] {
  const at = (x: number, y: number, k?: number): Control => [-side * x, y, order && k !== undefined ? order[k]! : 0];
  return [
    at(-26, 0.9),
    at(-10, 0.9),
    at(-6, 0.9),
    at(-2.5, 0.82, 0),
    at(-1.4, 0.95),
    at(0, 1.5, 1),
    at(1.4, 1.9),
    at(2.5, 0.85, 2),
    at(2.7, 0),
    at(2.5, -0.85, 3),
    at(1.4, -1.9),
    at(0, -1.5, 4),
    at(-1.4, -0.95),
    at(-2.5, -0.82, 5),
    at(-6, -0.9),
    at(-10, -0.9),
    at(-26, -1.05),
  ];
}

function knot(order: readonly number[], otherLegLoaded = false): LaidKnot {
  const [one, two] = flatDiagrams([bight(1, order), bight(-1)], { scale: 1.5, height: 0.62, plateau: 0.6 }).map(
    (line) => nodesOf(line, NODE_SPACING, 10),
  ) as [Point3[], Point3[]];
  const drawing = drawnApart(GENTLE, { tail: 0.5 });
  // each rope comes back to the side it came from
  const pulls = drawing.pulls.map((p) => ({
    ...p,
    direction: p.rope === 0 ? ([1, 0, 0] as const) : ([-1, 0, 0] as const),
  }));
  return {
    points: one,
    second: { points: otherLegLoaded ? reversed(two) : two },
    drawing: { ...drawing, pulls: pulls.map((p) => ({ ...p, share: p.end === 'tail' ? 0.5 : 1 })) },
  };
}

export const forms = {
  right: () => knot(SQUARE),
  granny: () => knot(GRANNY),
  thief: () => knot(SQUARE, true),
} satisfies LaidForms;
