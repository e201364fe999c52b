/**
 * Double figure-eight loop: a flat eight doubled by offset, whose bight goes no further as a whole: a doubled part of it stands up as two ears, and its
 * tip is folded forward over the whole of the knot's head and lies behind it.
 */
import { lanes, nearestIndex, splineThrough, type Point3 } from '../../curve';
import { FIRM, NODE_SPACING } from '../../rope';
import { flatDiagram, nodesOf, reversed, turnedUpsideDown } from '../authoring';
import type { LaidForms, LaidKnot } from '../laid';
import { WIDE_EIGHT } from '../single-paths';

const SCALE = 1.4;
const WIDER = 2.4;

function twoEars(): LaidKnot {
  const [left, right] = lanes(flatDiagram(WIDE_EIGHT(WIDER), { scale: SCALE, height: 0.68, plateau: 1.9 }), 2, 1.3) as [Point3[], Point3[]];
  const y = left.at(-1)![1];
  const head = (8.2 + WIDER) * SCALE;
  // from the pair's end up into an ear, down again before the head, over it and behind
  const half = (q: 1 | -1): Point3[] => [
    [q * 0.66, y, 0.2], [q * 1.2, y + 4, 0.6], [q * 4, y + 13, 0], [q * 8, y + 15, 0], [q * 8, y + 9, 0], [q * 3.6, y + 4, 0.6], [q * 2.1, y, 0.4], [q * 2, head + 1, -0.7], [q * 2, head - 1.4, -0.6],
    [q * 2.2, head - 3.2, 0.2], [q * 2.9, head - 3.8, 1], [q * 3.5, head - 2.6, 1.8], [q * 3.5, head, 2], [q * 3.6, head + 2, 1.2], [q * 3.4, head + 3.4, 0], [q * 2.2, head + 4.4, -1],
  ];
  const tip = splineThrough([...half(-1), [0, head + 4.7, -1.2], ...reversed(half(1))]);
  const points = turnedUpsideDown(nodesOf([...left, ...tip.slice(1, -1), ...reversed(right)], NODE_SPACING, 14));
  const [eyeNode, secondEyeNode] = [-1, 1].map((q) => nearestIndex(points, [-q * 6.5, -(y + 15.2), 0])) as [number, number];
  return {
    points, eyeNode, secondEyeNode,
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

export const forms = { right: twoEars } satisfies LaidForms;
