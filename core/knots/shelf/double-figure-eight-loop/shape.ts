/**
 * Double figure-eight loop: a flat eight doubled by offset, whose bight goes no further as a whole: a doubled part of it stands up as two ears, and its
 * tip is folded forward over the whole of the knot's head and lies behind it.
 */
import { lanes, nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { FIRM, NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, turnedUpsideDown } from '../../laying/authoring';
import { crossedPair } from '../../laying/on-bight';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { WIDE_EIGHT } from '../../laying/single-paths';

const SCALE = 1.4;
const WIDER = 2.4;
/** the turn at which a crossed pair changes places */
const NEAR_TURN = [-3.8, -4.6] as const;

interface Wrong {
  readonly crossed?: boolean;
  readonly earsCrossed?: boolean;
  /** how much longer one ear is */
  readonly longer?: number;
  /** the tip stays in front */
  readonly notFolded?: boolean;
}

function twoEars({ crossed = false, earsCrossed = false, longer = 0, notFolded = false }: Wrong = {}): LaidKnot {
  const path = flatDiagram(WIDE_EIGHT(WIDER), { scale: SCALE, height: 0.68, plateau: 1.9 });
  const swapped = crossedPair(path, 1, nearestIndex(path, [NEAR_TURN[0] * SCALE, NEAR_TURN[1] * SCALE, 0]), 0.65);
  const [left, right] = crossed ? [swapped.standing, swapped.tail] : (lanes(path, 2, 1.3) as [Point3[], Point3[]]);
  const side = left.at(-1)![0] < right.at(-1)![0] ? -1 : 1;
  const y = left.at(-1)![1];
  const head = (8.2 + WIDER) * SCALE;
  // from the pair's end up into an ear, down again before the head, over it and behind
  const half = (q: 1 | -1): Point3[] => {
    const more = q > 0 ? longer : 0;
    // crossed ears lie on each other's side, one in front
    const e = earsCrossed ? -q : q;
    const [inner, outer] = earsCrossed ? [0.9 * q, 2.4 * q] : [0, 0];
    const head1 = notFolded ? head - 3.8 : head;
    const fold: Point3[] = notFolded
      ? [
          [q * 2, head + 1, -0.7],
          [q * 2, head - 1.4, -0.6],
          [q * 2.2, head - 3.2, 0.2],
          [q * 2, head1 - 1.4, 1.4],
        ]
      : [
          [q * 2, head + 1, -0.7],
          [q * 2, head - 1.4, -0.6],
          [q * 2.2, head - 3.2, 0.2],
          [q * 2.9, head - 3.8, 1],
          [q * 3.5, head - 2.6, 1.8],
          [q * 3.5, head, 2],
          [q * 3.6, head + 2, 1.2],
          [q * 3.4, head + 3.4, 0],
          [q * 2.2, head + 4.4, -1],
        ];
    return [
      [q * 0.66, y, 0.2],
      [q * 1.2, y + 4, earsCrossed ? 0.5 * q : 0.6],
      [e * 4, y + 13 + more / 2, inner],
      [e * 8, y + 15 + more, (inner + outer) / 2],
      [e * 8, y + 9, outer],
      [q * 3.6, y + 4, earsCrossed ? 2 * q : 0.6],
      [q * 2.1, y, 0.4],
      ...fold,
    ];
  };
  const folded: Point3 = notFolded ? [0, head - 6, 1.8] : [0, head + 4.7, -1.2];
  const tip = splineThrough([...half(side), folded, ...reversed(half(side === 1 ? -1 : 1))]);
  const points = turnedUpsideDown(nodesOf([...left, ...tip.slice(1, -1), ...reversed(right)], NODE_SPACING, 14));
  const [eyeNode, secondEyeNode] = ([side, -side] as const).map((q) =>
    nearestIndex(points, [-q * (earsCrossed ? -6.5 : 6.5), -(y + 15.2 + (q > 0 ? longer : 0)), 0]),
  ) as [number, number];
  return {
    points,
    eyeNode,
    secondEyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0.05, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [-0.05, 1, 0], share: 1 },
      ],
      eyes: [
        { rope: 0, node: eyeNode, direction: [0.3, -1, 0], share: 1.2, radius: 2.1 },
        { rope: 0, node: secondEyeNode, direction: [-0.3, -1, 0], share: 1.2, radius: 2.1 },
      ],
      stages: FIRM,
    },
  };
}

export const forms = {
  right: () => twoEars(),
  'pair-crossed': () => twoEars({ crossed: true }),
  'ears-unequal': () => twoEars({ longer: 14 }),
  'ears-crossed': () => twoEars({ earsCrossed: true }),
  'fold-missed': () => asItLies(twoEars({ notFolded: true })),
} satisfies LaidForms;
