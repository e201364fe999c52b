/**
 * The distel once more, followed the way it is tied and from the other end: out through on the right, one turn below, up in front of it, then four
 * turns as a plain helix downward, and out to the left. Nothing lies level; no generator is shared.
 */
import { resample, smooth, splineThrough, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';

const R = 2.2;
const PITCH = 1.6;

/** A place about the upright host: degrees from the front to the right, height, distance. */
const at = (angle_deg: number, y: number, r: number): Point3 => [
  r * Math.sin((angle_deg * Math.PI) / 180),
  y,
  r * Math.cos((angle_deg * Math.PI) / 180),
];

const helix = (from: number, to: number, y0: number, y1: number): Point3[] =>
  Array.from(
    { length: 12 * Math.ceil(Math.abs(to - from) / 180) + 1 },
    (_, k, all = 12 * Math.ceil(Math.abs(to - from) / 180)) =>
      at(from + ((to - from) * k) / all, y0 + ((y1 - y0) * k) / all, R),
  );

/** Solver nodes, from the leg that leaves below to the one that leaves beside the four turns. */
export function distelFollowed(): Point3[] {
  const bridge = R + 2;
  const line = [
    at(35, -24, 6),
    at(35, -12, 5),
    at(40, -6, bridge + 0.6),
    at(42, -3.4, bridge),
    // in under the bridge, one turn below, the way round that the rest goes
    ...helix(10, -300, -1.5, -2.6),
    at(-325, -2.6, R + 0.6),
    // up in front, over everything
    at(-345, -1.2, bridge),
    at(-360, 1.5, bridge + 0.4),
    at(-375, 4.6, bridge),
    at(-395, 6.4, R + 0.8),
    ...helix(-420, -360 - 360 * 4 - 20, 6.6, 6.6 - PITCH * 4),
    at(-360 * 5 - 40, -0.4, R + 1),
    at(-360 * 5 - 50, -3, bridge),
    at(-360 * 5 - 50, -8, bridge + 0.8),
    at(-360 * 5 - 45, -24, 6),
  ];
  return resample(smooth(resample(splineThrough(line), 0.1), 10), NODE_SPACING);
}
