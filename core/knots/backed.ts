/**
 * A follow-through whose tail goes on into a barrel round the standing part and itself, started a little above and butted down on the knot.
 * The barrel's axis is the standing part, upright. Unit: rope diameters.
 */
import { nearestIndex, straight, type Point3 } from '../curve';
import { NODE_SPACING } from '../rope';
import { flatDiagram, nodesOf } from './authoring';
import { BARREL, barrel } from './barrels';
import { EYE_RADIUS } from './drawing';
import type { LaidKnot } from './laid';
import { joinedByEye, pair } from './on-bight';
import { EIGHT } from './single-paths';

const SCALE = 1.4;
const PITCH = 2;
const GAP = 3;

/** @param turns of the barrel: two for a double overhand, one for a single one */
export function backedFollowThrough(turns: 1 | 2): LaidKnot {
  const path = flatDiagram(EIGHT, { scale: SCALE, height: 0.68, plateau: 1.9 });
  const { points: loop, eyeNode: laidEye } = joinedByEye(pair(path, 1));
  const eye = loop[laidEye]!;
  const top = Math.max(...loop.filter((p) => Math.abs(p[2]) > 0.1).map((p) => p[1]));
  const near = top + GAP;
  const far = near + PITCH * turns;
  // along the barrel is up, across it is to the left
  const up = ([x, y, z]: Point3): Point3 => [-y, x, z];
  const end = loop.findLastIndex((p) => p[1] < far - 0.8);
  const lane = loop[end]![0];
  const wound = barrel({ ...BARREL, turns, near, far, comesIn: [-lane, 0] }).map(up);
  const points = nodesOf([...loop.slice(0, end), ...straight([lane, far - 0.8, 0], wound[0]!).slice(0, -1), ...wound], NODE_SPACING, 10);
  const eyeNode = nearestIndex(points, eye);
  const first = points.findIndex((p, i) => i > eyeNode && p[1] > near - 1 && Math.hypot(p[0], p[2] - BARREL.middle[1]) > 1.6);
  const last = points.findLastIndex((p) => p[1] > near - 1 && Math.hypot(p[0], p[2] - BARREL.middle[1]) > 1.6);
  return {
    points, eyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [0.05, 1, 0.1], share: 0.6 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1.8, radius: EYE_RADIUS }],
      turns: [{ nodes: [first, last], axis: [0, 1, 0], along: -0.6 }],
      stages: [
        { duration: 250, force: [0.1, 0.4], friction: 0.08 },
        { duration: 400, force: [0.4, 0.5], friction: 0.06, squeeze: 0.01 },
        { duration: 250, force: [0.5, 0.5], friction: 0.06, squeeze: 0.012, shares: { tail: 0.3 } },
        { duration: 120, force: [0.5, 0.25], friction: 0.2, squeeze: 0.006 },
      ],
    },
  };
}
