/** What a knot is tied to, as plain closed centre-lines: a karabiner with its gate, a closed ring, harness points. Unit: rope diameters. */
import { arcLengths, nearestIndex, resample, splineThrough, type Point3 } from '../../curve';
import { NODE_SPACING, type RopeSpec } from '../../rope';
import type { ShapeComponent } from './stored';

/** Bar thickness of a karabiner beside a common rope. */
const KARABINER_BAR_ROPE_DIAMETERS = 1.1;
const KARABINER_TURN_RAD = 0.95;

/**
 * A karabiner hung in an eye: its upper bend lies in the eye's far point, its gate on the right, seen from the front.
 * @param farPoint the eye's far point
 * @returns a closed component; `gate` marks the point indices between which it opens
 */
export function karabinerIn(farPoint: Point3): ShapeComponent {
  const drop = -0.5 - KARABINER_BAR_ROPE_DIAMETERS / 2 - 0.4;
  // prettier-ignore
  const outline: readonly [number, number][] = [
    [-1.6, -0.4], [0, 0], [1.7, -0.6], [2.6, -2.2], [2.8, -4.5], [2.8, -7], [2.4, -9], [1.2, -10], [-0.4, -10], [-2, -9.2], [-2.7, -7.4], [-2.9, -5], [-2.8, -2.4],
  ];
  const [c, s] = [Math.cos(KARABINER_TURN_RAD), Math.sin(KARABINER_TURN_RAD)];
  const control = outline.map(([x, y]): Point3 => [farPoint[0] + c * x, farPoint[1] - drop + y, farPoint[2] - s * x]);
  const around = splineThrough([...control.slice(-2), ...control, ...control.slice(0, 2)]).slice(48, -24);
  const points = resample(around, arcLengths(around).at(-1)! / 60).slice(0, -1);
  const height = (y: number) => farPoint[1] - drop + y;
  const side = points
    .map((p, i) => ({ i, right: p[0] > farPoint[0] && p[1] < height(-2.4) && p[1] > height(-7.2) }))
    .filter((q) => q.right)
    .map((q) => q.i);
  return {
    name: 'karabiner',
    role: 'ring',
    closed: true,
    diameter: KARABINER_BAR_ROPE_DIAMETERS,
    points,
    marks: { gate: [side[0]!, side.at(-1)!] },
  };
}

/** A closed ring whose bar lies where that of a karabiner lies in an eye. @param farPoint the eye's far point */
export function ringInPlaceOf(karabiner: ShapeComponent, farPoint: Point3): ShapeComponent {
  const bar = karabiner.points[nearestIndex(karabiner.points, farPoint)]!;
  return ringIn(
    [bar[0], bar[1] - 0.5 - RING_BAR / 2 - CLEARANCE, bar[2]],
    RING_RADIUS,
    RING_BAR,
    Math.PI / 2 + KARABINER_TURN_RAD,
  );
}

const RING_RADIUS = 2.6;
const RING_BAR = 0.9;
/** between rope and bar, so that they do not lie in one another */
const CLEARANCE = 0.1;

/**
 * A closed ring through which a rope passes twice or once, upright, hung at its top in the eye's far point.
 * @param radius to the middle of its bar
 */
export function ringIn(farPoint: Point3, radius = RING_RADIUS, bar = RING_BAR, turn_rad = 0.5): ShapeComponent {
  const hung = radius - 0.5 - bar / 2 - CLEARANCE;
  const points = Array.from({ length: 48 }, (_, k): Point3 => {
    const a = (2 * Math.PI * k) / 48;
    const across = radius * Math.sin(a);
    return [
      farPoint[0] + Math.sin(turn_rad) * across,
      farPoint[1] - hung + radius * Math.cos(a),
      farPoint[2] + Math.cos(turn_rad) * across,
    ];
  });
  return { name: 'ring', role: 'ring', closed: true, diameter: bar, points };
}

/** A ring or karabiner as the solver takes it: rigid, with evenly spaced points. */
export function asThing({ points, diameter }: ShapeComponent): RopeSpec {
  return {
    points: resample([...points, points[0]!], NODE_SPACING).slice(0, -1),
    closed: true,
    diameter,
    held: 'whole',
  };
}

const HARNESS_RADIUS = 2.3;
const HARNESS_BAR = 0.75;

/** Two harness points as plain rings hung in the eye at its far point; with 'one' the second hangs free beside it. */
export function harnessPoints(farPoint: Point3, threaded: 'both' | 'one'): ShapeComponent[] {
  const point = (name: string, x: number, drop: number, tilt: number): ShapeComponent => ({
    name,
    role: 'ring',
    closed: true,
    diameter: HARNESS_BAR,
    points: Array.from({ length: 48 }, (_, k): Point3 => {
      const a = (2 * Math.PI * k) / 48;
      const z = HARNESS_RADIUS * Math.sin(a);
      return [
        farPoint[0] + x + Math.sin(tilt) * z,
        farPoint[1] - drop + HARNESS_RADIUS * Math.cos(a),
        farPoint[2] + Math.cos(tilt) * z,
      ];
    }),
  });
  const hung = HARNESS_RADIUS - 0.5 - HARNESS_BAR / 2 - 0.05;
  return [
    point('harness-point-1', -0.75, hung, 0.5),
    threaded === 'both'
      ? point('harness-point-2', 0.75, hung, 0.5)
      : point('harness-point-2', 3.6, HARNESS_RADIUS + 1.5, 0.9),
  ];
}
