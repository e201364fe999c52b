/**
 * Slipped eight with its half hitch: a flat eight whose end goes through as a bight, the eye; the slip is made by the running side. The running end goes on
 * round the eye's neck, under itself: without that half hitch the slip can run.
 */
import { lanes, nearestIndex, splineThrough, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, turnedUpsideDown } from '../../laying/authoring';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossingsReversed } from '../../laying/operations';
import { WIDE_EIGHT } from '../../laying/single-paths';

const SCALE = 1.5;
const WIDER = 0.8;
const NECK = 9;

function slipped(halfHitch: boolean): LaidKnot {
  const path = flatDiagram(WIDE_EIGHT(WIDER), { scale: SCALE, height: 0.68, plateau: 1.7 });
  const doubledFrom = nearestIndex(path, [(-3.6 - WIDER * 0.4) * SCALE, -1.6 * SCALE, 0]);
  const [left, right] = lanes(path, 2, 1.3) as [Point3[], Point3[]];
  const [a0, b0] = [right.at(-1)!, left.at(-1)!];
  const [a, b]: [Point3, Point3] = [
    [a0[0], a0[1] + NECK, 0],
    [b0[0], b0[1] + NECK, 0],
  ];
  const y = a[1];
  const far: Point3 = [0, y + 12, 0];
  const eye = splineThrough([
    a0,
    a,
    [a[0] + 1.6, y + 4, 0],
    [a[0] + 2.6, y + 8.6, 0],
    far,
    [b[0] - 2.6, y + 8.6, 0],
    [b[0] - 1.6, y + 4, 0],
    b,
    b0,
  ]).slice(24, -24);
  const necked = (p: Point3) => straight([p[0], p[1], p[2]], [p[0], y, 0]);
  const q = left[doubledFrom]!;
  const h = a0[1] + 3;
  const out: Point3[] = halfHitch
    ? [
        [q[0] - 1.6, q[1] - 3, 0],
        [q[0] - 3.6, q[1] - 3.6, 0],
        [q[0] - 5.4, q[1] - 1, 0],
        [q[0] - 5, 6, 0],
        [-7.4, h - 6, 0.2],
        [-4.4, h - 1, 0.9],
        [-4, h + 2.4, 1.1],
        [-2.8, h + 3.8, 1.6],
        [0, h + 4.2, 1.8],
        [2.8, h + 3.8, 1.6],
        [3.8, h + 2.2, 0],
        [2.8, h + 0.6, -1.6],
        [0, h + 0.2, -1.8],
        [-2.8, h + 0.4, -1.5],
        [-5, h + 0.6, -0.8],
        [-8, h + 0.6, 0],
        [-30, h + 0.6, 0],
      ]
    : [
        [q[0] - 2, q[1] - 3, 0],
        [q[0] - 4, q[1] - 4, 0],
        [q[0] - 9, q[1] - 4, 0],
        [q[0] - 30, q[1] - 4, 0],
      ];
  const exit = splineThrough([left[doubledFrom + 6]!, q, ...out]).slice(24);
  const points = turnedUpsideDown(
    nodesOf(
      [
        ...right,
        ...necked(a0).slice(1, -1),
        ...eye,
        ...reversed(necked(b0)).slice(1, -1),
        ...reversed(left.slice(doubledFrom + 1)),
        ...exit,
      ],
      NODE_SPACING,
      14,
    ),
  );
  const eyeNode = nearestIndex(points, [-far[0], -far[1], 0]);
  return {
    points,
    eyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [1, 0, 0], share: halfHitch ? 0.25 : 0.1 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1.6, radius: 2.1 }],
      stages: [
        { duration: 200, force: [0.1, 0.5], friction: 0.1 },
        { duration: 350, force: [0.5, 0.5], friction: 0.1 },
        { duration: 120, force: [0.5, 0.25], friction: 0.2 },
      ],
    },
  };
}

export const forms = {
  right: () => slipped(true),
  // the half hitch takes in one leg of the eye's neck only
  'half-hitch-misplaced': () => crossingsReversed(slipped(true), [9]),
  'half-hitch-missing': () => slipped(false),
} satisfies LaidForms;
