/**
 * Offset double overhand: both ropes side by side through one double overhand, a barrel of two strands round its own core of four: in, turned back flat, twice
 * round, and out the way they were going; the standing parts then part. Wound, because a flat one rolls up when it is drawn.
 */
import { straight, type Point3 } from '../../curve';
import { NODE_SPACING } from '../../rope';
import { nodesOf } from '../authoring';
import { BARREL, barrel, turnsOf } from '../barrels';
import { drawnOffset } from '../drawing';
import type { LaidForms, LaidKnot } from '../laid';
import { HALF_GAP } from '../on-bight';

const NEAR = 0;
const FAR = 11;
const TURNS = 2;
/** the strands of the pair turn a little apart round the core as well */
const APART = HALF_GAP + ((FAR - NEAR) / (TURNS + 0.5)) * (39 / 360);
const RADIUS = 3.6;
/** the pair leaves a little aside of where it came in, so that neither hides the other */
const ASIDE = 0.35;
const INWARD = -0.8;
const OUTWARD = 0.9;
const MIDDLE: readonly [number, number] = [0, 0.05];

/** The strand on one side of the pair: where the ribbon turns flat, the outer strand turns later. @param side 1 or -1 */
function strand(side: 1 | -1): Point3[] {
  const comesIn = [side * HALF_GAP, INWARD] as const;
  const [near, far] = [NEAR - side * APART, FAR - side * APART];
  return nodesOf([...straight([-30, ...comesIn], [far - 0.8, ...comesIn]), ...barrel({ ...BARREL, turns: TURNS, near, far, radius: RADIUS, comesIn, goesOut: [ASIDE - side * HALF_GAP, OUTWARD], middle: MIDDLE, tail: 18 })], NODE_SPACING);
}

function joint(): LaidKnot {
  const [one, two] = [strand(1), strand(-1)];
  const drawing = drawnOffset();
  const onTurns = (p: Point3) => Math.hypot(p[1], p[2]) > 2.2;
  return {
    points: one, second: { points: two },
    drawing: { ...drawing, turns: [one, two].map((points, rope) => ({ rope, nodes: turnsOf(points, onTurns), axis: [1, 0, 0] as const })), stages: drawing.stages.map((s, k) => ({ ...s, friction: k < 3 ? 0.06 : s.friction, squeeze: 0.003 })) },
  };
}

export const forms = { right: joint } satisfies LaidForms;
