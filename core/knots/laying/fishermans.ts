/**
 * Fisherman's joints: each rope winds a barrel round the other and itself, going back toward the middle, and leaves through its
 * own turns. The second rope is the first turned by half a turn in the page, so that both barrels have one hand and nest.
 */
import { straight, type Point3 } from '../../curve';
import { NODE_SPACING } from '../../rope';
import { BARREL, barrel, turnsOf } from './barrels';
import { nodesOf } from './authoring';
import type { LaidKnot } from '../shape/laid';

const RADIUS = 2.15;
const PITCH = 2;
const NEAR = 0.8;
const IN = BARREL.comesIn;

interface Wrong {
  /** one barrel has a turn less */
  readonly short?: boolean;
  /** the second barrel is wound the other way round */
  readonly opposite?: boolean;
  /** the second end comes out between its own turns */
  readonly underOneOnly?: boolean;
}

export function fishermans(
  turns: 2 | 3,
  { short = false, opposite = false, underOneOnly = false }: Wrong = {},
): LaidKnot {
  const rope = (n: 1 | 2 | 3, under = false): Point3[] => {
    const far = NEAR + PITCH * n;
    return nodesOf(
      [
        ...straight([-30, ...IN], [far - 0.8, ...IN]),
        ...barrel({ ...BARREL, turns: n, radius: RADIUS, near: NEAR, far, underOneOnly: under }),
      ],
      NODE_SPACING,
    );
  };
  const first = rope(turns);
  const other = rope(short ? ((turns - 1) as 1 | 2) : turns, underOneOnly);
  // half a turn in the page; mirrored front to back as well, the barrel has the other hand
  const second = other.map((p): Point3 => [-p[0], -p[1], opposite ? -p[2] : p[2]]);
  const squeeze = 0.01;
  return {
    points: first,
    second: { points: second },
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [-1, 0, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [1, 0, 0.15], share: 0.5 },
        { rope: 1, end: 'standing', direction: [1, 0, 0], share: 1 },
        { rope: 1, end: 'tail', direction: [-1, 0, 0.15], share: 0.5 },
      ],
      eyes: [],
      turns: [first, second].map((points, which) => ({
        rope: which,
        nodes: turnsOf(points, (p) => Math.hypot(p[1], p[2] - BARREL.middle[1]) > 1.6),
        axis: [1, 0, 0] as const,
      })),
      stages: [
        { duration: 200, force: [0.1, 0.4], friction: 0.05 },
        { duration: 450, force: [0.4, 1], friction: 0.05, shares: { tail: 0.35 }, squeeze },
        { duration: 150, force: [1, 0.25], friction: 0.2, squeeze: squeeze / 2 },
      ],
    },
  };
}
