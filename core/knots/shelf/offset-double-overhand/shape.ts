/**
 * Offset double overhand: both ropes side by side through one double overhand, a barrel of two strands round its own core of four: in, turned back flat, twice
 * round, and out the way they were going; the standing parts then part. Wound, because a flat one rolls up when it is drawn.
 */
import { lerp, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { bell, nodesOf, step } from '../../laying/authoring';
import { BARREL, barrel, turnsOf } from '../../laying/barrels';
import { drawnOffset } from '../../laying/drawing';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { HALF_GAP } from '../../laying/on-bight';

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

/** The winding of the strand on one side of the pair: where the ribbon turns flat, the outer strand turns later. @param side 1 or -1 */
function winding(side: 1 | -1): { before: Point3[]; turned: Point3[] } {
  const comesIn = [side * HALF_GAP, INWARD] as const;
  const [near, far] = [NEAR - side * APART, FAR - side * APART];
  return {
    before: straight([-30, ...comesIn], [far - 0.8, ...comesIn]),
    turned: barrel({
      ...BARREL,
      turns: TURNS,
      near,
      far,
      radius: RADIUS,
      comesIn,
      goesOut: [ASIDE - side * HALF_GAP, OUTWARD],
      middle: MIDDLE,
      tail: 18,
    }),
  };
}

/** Where along the winding the pair changes places in the wrong form, half over how much of it, in its steps; and how far each is lifted off the other. */
const SWAP = { at: 100, over: 22, lifted: 0.64 };

/** The strands of the pair exchanged from some place on: there one lies over the other. */
function exchanged(own: readonly Point3[], other: readonly Point3[], side: 1 | -1): Point3[] {
  return own.map((p, i) => {
    const q = other[i]!;
    const u = (i - SWAP.at) / SWAP.over;
    const share = 1 - step(u);
    const lift = side * SWAP.lifted * bell(u);
    const m: Point3 = lerp(q, p, share);
    const r = Math.hypot(m[1], m[2]);
    return [m[0], m[1] * (1 + lift / r), m[2] * (1 + lift / r)];
  });
}

function joint(crossed = false): LaidKnot {
  const both = ([1, -1] as const).map(winding);
  const [one, two] = both.map(({ before, turned }, k) =>
    nodesOf(
      [...before, ...(crossed ? exchanged(turned, both[1 - k]!.turned, k === 0 ? 1 : -1) : turned)],
      NODE_SPACING,
    ),
  ) as [Point3[], Point3[]];
  const drawing = drawnOffset();
  const onTurns = (p: Point3) => Math.hypot(p[1], p[2]) > 2.2;
  return {
    points: one,
    second: { points: two },
    drawing: {
      ...drawing,
      turns: [one, two].map((points, rope) => ({ rope, nodes: turnsOf(points, onTurns), axis: [1, 0, 0] as const })),
      stages: drawing.stages.map((s, k) => ({ ...s, friction: k < 3 ? 0.06 : s.friction, squeeze: 0.003 })),
    },
  };
}

export const forms = { right: () => joint(), 'strands-crossed': () => joint(true) } satisfies LaidForms;
