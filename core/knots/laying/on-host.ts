/**
 * Hitches on a host rope: how they are snugged. The wound form already lies as dressed; it begins thin, hands keep the wraps
 * while the slack is drawn out with little friction, then they let go and a light load hangs on the legs. Unit: diameters of the cord.
 */
import { straight, type Point3 } from '../../curve';
import { NODE_SPACING, type RopeSpec, type Stage } from '../../rope';
import type { Drawing, LaidKnot } from '../shape/laid';
import type { ShapeComponent } from '../shape/stored';

/** The host beside the cord: 6 mm on 10 mm rope. */
export const HOST_DIAMETER = 1.667;
export const HOST_RADIUS = HOST_DIAMETER / 2;
const HOST_PRETENSION = 1;

/** An upright host rope, from `above` down to `below` the hitch. */
export function hostRope(above = 13, below = 13): { component: ShapeComponent; spec: RopeSpec } {
  const points = straight([0, -below, 0], [0, above, 0], NODE_SPACING);
  return {
    component: { name: 'host', role: 'host', closed: false, diameter: HOST_DIAMETER, points },
    spec: { points, diameter: HOST_DIAMETER, held: 'ends', pretension: HOST_PRETENSION },
  };
}

/** Nodes that lie on the host: what the hands keep. */
export const nodesOnHost = (points: readonly Point3[], r = HOST_RADIUS): number[] =>
  points.flatMap((p, i) => (Math.hypot(p[0], p[2]) < r + 0.85 ? [i] : []));

const HANDS = 0.12;
const SNUG = 0.04;
/** a dressing device, no measured friction */
const GRIP = 0.5;

/** @param load force on a leg at the end, full loads @param kept what the hands go on with at the end */
export const snugged = (load: number, kept = 0, snugFriction = SNUG): Stage[] => [
  { duration: 30, force: [0.05, 0.06], friction: snugFriction, hands: [HANDS, HANDS], thickness: [0.85, 1] },
  { duration: 130, force: [0.06, load], friction: snugFriction, hands: [HANDS, HANDS] },
  { duration: 60, force: [load, load], friction: GRIP, hands: [HANDS, kept] },
  { duration: 100, force: [load, load], friction: GRIP, hands: [kept, kept] },
];

/** A cord whose two legs hang down from its wraps. */
export function hungByLegs(points: readonly Point3[], aside: readonly [number, number], load = 0.12): LaidKnot {
  const { component, spec } = hostRope();
  const drawing: Drawing = {
    things: [spec],
    pulls: [
      { rope: 0, end: 'standing', direction: [aside[0], -1, 0.1], share: 1 },
      { rope: 0, end: 'tail', direction: [aside[1], -1, 0.1], share: 1 },
    ],
    eyes: [],
    hands: { nodes: nodesOnHost(points), along: [0, 1, 0] },
    stages: snugged(load),
  };
  return { points, objects: [component], drawing };
}
