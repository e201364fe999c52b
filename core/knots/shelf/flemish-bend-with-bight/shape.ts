/**
 * Flemish bend with a bight: a flat eight in three lanes. The hanging rope runs it on a bight, in the first two, its eye beyond
 * the far end; the new rope's single end enters where the eye comes out and follows in the third.
 */
import { lanes, nearestIndex, offsetInPlane, splineThrough, straight, type Point3 } from '../../../curve';
import { GENTLE, NODE_SPACING } from '../../../rope';
import { bell, flatDiagram, lyingDown, nodesOf, reversed, step } from '../../laying/authoring';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { EIGHT } from '../../laying/single-paths';

const LANES = 2.5;
const SCALE = 2;
const HEIGHT = 0.72;
const WIDENED = 1.06;

interface Wrong {
  readonly sameWay?: boolean;
  /** the new rope and its neighbour change places at the near turn, and back at the far one */
  readonly crossed?: boolean;
  /** the new rope passes on the other side at the far turn */
  readonly wrongLane?: boolean;
}

function joint({ sameWay = false, crossed = false, wrongLane = false }: Wrong = {}): LaidKnot {
  const path = flatDiagram(
    EIGHT.map(([x, y, z]) => [x * WIDENED, y, z ?? 0] as const),
    { scale: SCALE, height: HEIGHT, plateau: 2.8 },
  );
  const [a, even, alone] = lanes(path, 3, LANES / 2) as [Point3[], Point3[], Point3[]];
  const near = nearestIndex(path, [-3.8 * WIDENED * SCALE, -4.6 * SCALE, 0]);
  const far3 = nearestIndex(path, [0, 8.2 * SCALE, HEIGHT]);
  const back = [Math.min(near, far3), Math.max(near, far3)] as const;
  const swapped = (from: 0 | 1) =>
    offsetInPlane(
      path,
      (i) => (-LANES / 2) * (from + (1 - 2 * from) * (step((i - back[0]) / 30) - step((i - back[1]) / 30))),
    ).map((p, i): Point3 => [
      p[0],
      p[1],
      p[2] + (from ? 0.66 : -0.66) * (bell((i - back[0]) / 42) + bell((i - back[1]) / 42)),
    ]);
  const b = crossed ? swapped(0) : even;
  const c = crossed
    ? swapped(1)
    : wrongLane
      ? alone.map((p, i): Point3 => [p[0], p[1], p[2] - (2 * HEIGHT + 1.5) * bell((i - far3) / 70)])
      : alone;
  const [fromA, fromB, fromC] = [a.at(-1)!, b.at(-1)!, c.at(-1)!];
  const y = fromA[1];
  const far: Point3 = [fromA[0] - 2.4, y + 13, 0];
  const eye = splineThrough([
    fromA,
    [fromA[0] - 0.8, y + 3, 0],
    [fromA[0] - 3.4, y + 9, 0],
    far,
    [fromA[0] + 0.6, y + 9, 0],
    [fromB[0] - 0.2, y + 3, 0],
    fromB,
  ]);
  const one = nodesOf(lyingDown([...a, ...eye.slice(1, -1), ...reversed(b)]), NODE_SPACING);
  const third = [...straight([fromC[0], y + 24, 0], fromC).slice(0, -1), ...reversed(c)];
  const two = nodesOf(lyingDown(sameWay ? reversed(third) : third), NODE_SPACING);
  const eyeNode = nearestIndex(one, [far[1], -far[0], 0]);
  return {
    points: one,
    eyeNode,
    second: { points: two },
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [-1, 0.08, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [-1, 0, 0], share: 1 },
        { rope: 1, end: 'standing', direction: sameWay ? [-1, -0.08, 0] : [1, -0.12, 0], share: 1 },
        { rope: 1, end: 'tail', direction: sameWay ? [1, -0.12, 0] : [-1, -0.08, 0], share: 1 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [1, 0.12, 0], share: 1.4, radius: 2.2 }],
      stages: GENTLE,
    },
  };
}

export const forms = {
  right: () => joint(),
  'offset-eight': () => joint({ sameWay: true }),
  'wrong-lane': () => joint({ wrongLane: true }),
  'strands-crossed': () => joint({ crossed: true }),
} satisfies LaidForms;
