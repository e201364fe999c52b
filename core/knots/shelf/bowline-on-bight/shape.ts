/**
 * Bowline on the bight: the bowline's flat diagram with standing parts, nipping loop and exit doubled by offset; the single bight that rises is the
 * collar, and its legs run on into the two eyes.
 */
import { lanes, nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { FIRM, NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed } from '../../laying/authoring';
import { NIPPING_LOOP, RISE_AND_RETURN } from '../bowline/parts';
import { crossedPair, HALF_GAP } from '../../laying/on-bight';
import type { LaidForms, LaidKnot } from '../../shape/laid';

const SCALE = 1.7;

interface Wrong {
  readonly crossed?: boolean;
  /** how much deeper one eye hangs */
  readonly deeper?: number;
}

function onBight({ crossed = false, deeper = 0 }: Wrong = {}): LaidKnot {
  const control = [
    ...NIPPING_LOOP,
    [-6.4, -6],
    [-6, -12],
    [0, -18],
    [5, -12],
    [2.2, -5.6],
    ...RISE_AND_RETURN,
    [-0.9, -6],
    [-1.2, -10],
  ] as const;
  const path = flatDiagram(control, { scale: SCALE, height: 0.7, plateau: 1.7 });
  const at = (x: number, y: number) => nearestIndex(path, [x * SCALE, y * SCALE, 0]);
  const doubled = path.slice(0, at(-6.4, -6) + 1);
  const swapped = crossedPair(doubled, -1, at(2.6, 1));
  const [left, right] = crossed
    ? [swapped.standing, swapped.tail]
    : (lanes(doubled, 2, 2 * HALF_GAP) as [Point3[], Point3[]]);
  const collar = path.slice(at(1.6, -4.6), at(-0.85, -4.6) + 1);
  const [r, l, m0, m1] = [right.at(-1)!, left.at(-1)!, collar[0]!, collar.at(-1)!];
  const [far1, far2]: [Point3, Point3] = [
    [-2, r[1] - 22 - deeper, 0],
    [-4.6, r[1] - 18, 0],
  ];
  const eye1 = splineThrough([
    r,
    [r[0] - 0.3, r[1] - 6, 0],
    [r[0] + 2, r[1] - 17 - deeper / 2, 0],
    far1,
    [3.4, r[1] - 17 - deeper / 2, 0],
    [3.6, m0[1] - 6, 0],
    m0,
  ]);
  const eye2 = splineThrough([
    m1,
    [m1[0] + 0.2, m1[1] - 5, 0],
    [m1[0] + 0.4, r[1] - 13, 0],
    far2,
    [-8.4, r[1] - 13, 0],
    [l[0] - 0.1, l[1] - 4, 0],
    l,
  ]);
  const points = nodesOf(
    [...right, ...eye1.slice(1, -1), ...collar, ...eye2.slice(1, -1), ...reversed(left)],
    NODE_SPACING,
  );
  const [eyeNode, secondEyeNode] = [nearestIndex(points, far1), nearestIndex(points, far2)];
  return {
    points,
    eyeNode,
    secondEyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [-0.05, 1, 0], share: 1, held: true },
        { rope: 0, end: 'tail', direction: [0.05, 1, 0], share: 1 },
      ],
      eyes: [
        { rope: 0, node: eyeNode, direction: [0.25, -1, 0], share: 1.2, radius: 2.1 },
        { rope: 0, node: secondEyeNode, direction: [-0.25, -1, 0], share: 1.2, radius: 2.1 },
      ],
      stages: FIRM,
    },
  };
}

export const forms = {
  right: () => onBight(),
  'pair-crossed': () => onBight({ crossed: true }),
  'ears-unequal': () => onBight({ deeper: 14 }),
} satisfies LaidForms;
