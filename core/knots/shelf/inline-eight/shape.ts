/**
 * Inline eight: a flat eight on a bight tied round the rope's own standing part: the second lane leaves the eight after it has
 * crossed the standing strand and goes on beside the eye, out of the same place as the bight.
 */
import { lanes, nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { FIRM, NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, turnedUpsideDown } from '../../laying/authoring';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { WIDE_EIGHT } from '../../laying/single-paths';

const SCALE = 1.5;
const WIDER = 1.2;

function inline(): LaidKnot {
  const path = flatDiagram(WIDE_EIGHT(WIDER), { scale: SCALE, height: 0.68, plateau: 1.7 });
  const [left, right] = lanes(path, 2, 1.3) as [Point3[], Point3[]];
  const [a, b] = [right.at(-1)!, left.at(-1)!];
  const head = (8.2 + WIDER) * SCALE;
  const far: Point3 = [-3, a[1] + 12, 0];
  const eye = splineThrough([
    a,
    [a[0] + 0.2, a[1] + 3, 0],
    [a[0] - 0.2, a[1] + 9, 0],
    far,
    [b[0] - 4, a[1] + 8, 0],
    [b[0] - 0.8, a[1] + 3, 0],
    b,
  ]);
  const leaves = nearestIndex(path, [0.1 * SCALE, -0.3 * SCALE, 0.68], path.length >> 2);
  const exit = splineThrough([
    left[leaves + 6]!,
    left[leaves]!,
    [0.5 * SCALE, 1.4 * SCALE, 0.3],
    [1.3 * SCALE, 4 * SCALE, -0.2],
    [1.7 * SCALE, 6.4 * SCALE, -0.5],
    [1.7 * SCALE, head, -0.7],
    [1.8 * SCALE, head + 3, -0.2],
    [2.2 * SCALE, head + 8, 0],
    [2.4 * SCALE, head + 30, 0],
  ]).slice(24);
  const points = turnedUpsideDown(
    nodesOf([...right, ...eye.slice(1, -1), ...reversed(left.slice(leaves + 1)), ...exit], NODE_SPACING, 14),
  );
  const eyeNode = nearestIndex(points, [-far[0], -far[1], 0]);
  return {
    points,
    eyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1, held: true },
        { rope: 0, end: 'tail', direction: [-0.25, -1, 0], share: 0.6 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [0.15, -1, 0], share: 1.4, radius: 2.1 }],
      stages: FIRM,
    },
  };
}

export const forms = { right: inline } satisfies LaidForms;
