/**
 * Figure-eight bend: one flat eight doubled by offset, the second rope running it the other way, so that each tail
 * leaves beside the other rope's standing part. The offset eight is the same pair with both ropes running the same way.
 */
import { lanes, nearestIndex, type Point3 } from '../../../curve';
import { GENTLE, NODE_SPACING } from '../../../rope';
import { flatDiagram, lyingDown, nodesOf, reversed, type Control } from '../../laying/authoring';
import { drawnApart, drawnOffset } from '../../laying/drawing';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossedPair, HALF_GAP } from '../../laying/on-bight';
import { EIGHT } from '../../laying/single-paths';

const SCALE = 1.4;
/** the turn at which a crossed pair changes places */
const NEAR_TURN = [-3.8, -4.6] as const;
// prettier-ignore
const ONWARD: readonly Control[] = [[0, 20], [0, 26]];

/** The two lanes of the eight, across the page from left to right. */
function pairOfEights(crossed = false): readonly [Point3[], Point3[]] {
  const path = flatDiagram([...EIGHT, ...ONWARD], { scale: SCALE, height: 0.68, plateau: 1.9 });
  if (crossed) {
    const { standing, tail } = crossedPair(
      path,
      1,
      nearestIndex(path, [NEAR_TURN[0] * SCALE, NEAR_TURN[1] * SCALE, 0]),
    );
    return [lyingDown(standing), lyingDown(tail)];
  }
  const [left, right] = lanes(lyingDown(path), 2, 2 * HALF_GAP) as [Point3[], Point3[]];
  return [left, right];
}

function bend(crossed = false): LaidKnot {
  const [one, two] = pairOfEights(crossed);
  return {
    points: nodesOf(one, NODE_SPACING),
    second: { points: nodesOf(reversed(two), NODE_SPACING) },
    drawing: drawnApart(GENTLE),
  };
}

function offset(): LaidKnot {
  const [one, two] = pairOfEights();
  return { points: nodesOf(one, NODE_SPACING), second: { points: nodesOf(two, NODE_SPACING) }, drawing: drawnOffset() };
}

export const forms = {
  right: () => bend(),
  'offset-eight': offset,
  'pair-crossed': () => bend(true),
} satisfies LaidForms;
