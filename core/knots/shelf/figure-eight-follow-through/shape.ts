/**
 * Figure-eight follow-through: a single flat eight whose path is doubled by offset, so that every pair
 * is parallel by construction; the two strands meet in the eye. The rope hangs down from its standing
 * part (up) into the eye (down). Faults are this path with one thing changed.
 * Of the two lanes the standing strand takes the one that is *inside* at the turn it loads first.
 */
import { nearestIndex, offsetInPlane, straight, type Point3 } from '../../../curve';
import { GENTLE, NODE_SPACING } from '../../../rope';
import { bell, flatDiagram, nodesOf, turnedUpsideDown } from '../../laying/authoring';
import { drawnAsPair, drawnStraight } from '../../laying/drawing';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossedPair, HALF_GAP, joinedByEye } from '../../laying/on-bight';
import { EIGHT } from '../../laying/single-paths';

const SCALE = 1.4;
const HEIGHT = 0.68;

interface Variant {
  /** the load strand takes the outer lane */
  readonly loadOutside?: boolean;
  /** the two strands change places at the near turn */
  readonly pairCrossed?: boolean;
  /** the tail goes to the other side of the strands it should run over, at the far turn */
  readonly wrongLane?: boolean;
}

function path(): Point3[] {
  return flatDiagram(EIGHT, { scale: SCALE, height: HEIGHT, plateau: 1.9 });
}

function followThrough({ loadOutside = false, pairCrossed = false, wrongLane = false }: Variant = {}): LaidKnot {
  const line = path();
  const nearTurn = nearestIndex(line, [-3.8 * SCALE, -4.6 * SCALE, 0]);
  const side = loadOutside ? -1 : 1;
  const right = (sense: 1 | -1) => offsetInPlane(line, () => side * sense * HALF_GAP);
  const lanes = pairCrossed ? crossedPair(line, side, nearTurn) : { standing: right(1), tail: right(-1) };
  const { standing } = lanes;
  let { tail } = lanes;
  if (wrongLane) {
    const at = nearestIndex(line, [0, 8.2 * SCALE, HEIGHT]);
    tail = tail.map((p, i): Point3 => [p[0], p[1], p[2] - (2 * HEIGHT + 1.5) * bell((i - at) / 52)]);
  }
  const { points, eyeNode } = joinedByEye({ standing, tail });
  return {
    points,
    eyeNode,
    drawing: drawnAsPair(eyeNode),
  };
}

/** The first eight only: the end has gone through the harness and was never brought back into it. */
function halfFinished(): LaidKnot {
  const line = path();
  const y = line.at(-1)![1];
  const points = nodesOf(turnedUpsideDown([...line, ...straight([0, y + 0.5, 0], [0, y + 30, 0])]), NODE_SPACING);
  return {
    points,
    eyeNode: points.length - 14,
    drawing: drawnStraight(GENTLE),
    openEnd: true,
  };
}

export const forms = {
  right: () => followThrough(),
  'load-strand-outside': () => followThrough({ loadOutside: true }),
  'half-finished': halfFinished,
  'pair-crossed': () => followThrough({ pairCrossed: true }),
  'wrong-lane': () => followThrough({ wrongLane: true }),
} satisfies LaidForms;
