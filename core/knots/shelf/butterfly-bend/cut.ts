/** A midline loop as a joint: its eye cut at the far point, both legs led straight down as tails. */
import { splineThrough, type Point3 } from '../../../curve';
import { FIRM, NODE_SPACING } from '../../../rope';
import { nodesOf, reversed } from '../../laying/authoring';
import type { LaidKnot } from '../../shape/laid';

/** nodes kept of each leg beyond where it leaves the knot */
const LEG_NODES = 16;
const TAIL_LENGTH = 16;

/** The leg's own end, then straight down on its own side. */
function withTail(half: readonly Point3[], side: number): Point3[] {
  const kept = half.slice(0, -LEG_NODES);
  const from = kept.at(-1)!;
  const down = (drop: number, aside: number): Point3 => [
    from[0] + side * aside,
    from[1] - drop,
    from[2] * (drop > 4 ? 0.4 : 1),
  ];
  return nodesOf(
    [...kept, ...splineThrough([kept.at(-4)!, from, down(3, 0.3), down(8, 0.8), down(TAIL_LENGTH, 1.2)]).slice(26)],
    NODE_SPACING,
    8,
  );
}

export function cutAtTheEye({ points, eyeNode }: LaidKnot): LaidKnot {
  const [one, two] = [points.slice(0, eyeNode! + 1), reversed(points.slice(eyeNode))];
  const side = Math.sign(one.at(-LEG_NODES)![0] - two.at(-LEG_NODES)![0]) || 1;
  const out = Math.sign(one[0]![0]);
  return {
    points: withTail(one, side),
    second: { points: withTail(two, -side) },
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [out, 0, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [side * 0.05, -1, 0], share: 0.8 },
        { rope: 1, end: 'standing', direction: [-out, 0, 0], share: 1 },
        { rope: 1, end: 'tail', direction: [-side * 0.05, -1, 0], share: 0.8 },
      ],
      eyes: [],
      // at last the tails are nearly let go, or the ropes would hang in a V
      stages: [...FIRM.slice(0, 2), { ...FIRM[2]!, duration: 250, shares: { tail: 0.12 } }],
    },
  };
}
