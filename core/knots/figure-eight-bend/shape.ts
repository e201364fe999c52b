/**
 * Figure-eight bend: one flat eight doubled by offset, the second rope running it the other way, so that each tail
 * leaves beside the other rope's standing part. The offset eight is the same pair with both ropes running the same way.
 */
import { lanes, type Point3 } from '../../curve';
import { GENTLE, NODE_SPACING } from '../../rope';
import { flatDiagram, lyingDown, nodesOf, reversed, type Control } from '../authoring';
import { drawnApart, drawnOffset } from '../drawing';
import type { LaidForms, LaidKnot } from '../laid';
import { HALF_GAP } from '../on-bight';
import { EIGHT } from '../single-paths';

const ONWARD: readonly Control[] = [[0, 20], [0, 26]];

/** The two lanes of the eight, across the page from left to right. */
function pairOfEights(): readonly [Point3[], Point3[]] {
  const path = flatDiagram([...EIGHT, ...ONWARD], { scale: 1.4, height: 0.68, plateau: 1.9 });
  const [left, right] = lanes(lyingDown(path), 2, 2 * HALF_GAP) as [Point3[], Point3[]];
  return [left, right];
}

function bend(): LaidKnot {
  const [one, two] = pairOfEights();
  return { points: nodesOf(one, NODE_SPACING), second: { points: nodesOf(reversed(two), NODE_SPACING) }, drawing: drawnApart(GENTLE) };
}

function offset(): LaidKnot {
  const [one, two] = pairOfEights();
  return { points: nodesOf(one, NODE_SPACING), second: { points: nodesOf(two, NODE_SPACING) }, drawing: drawnOffset() };
}

export const forms = { right: bend, 'offset-eight': offset } satisfies LaidForms;
