/** Hitches on a bar: a karabiner's, drawn plainly as a ring, or a post. The bar of the wound form is upright; here it lies across the page. Unit: rope diameters. */
import { resample, splineThrough, straight, type Point3 } from '../../curve';
import { NODE_SPACING, type Stage } from '../../rope';
import type { Drawing, LaidKnot } from '../shape/laid';
import { asThing } from '../shape/objects';
import type { ShapeComponent } from '../shape/stored';
import { onIt, type Key } from './wraps';

/** Bar of a karabiner beside a common rope. */
export const BAR_RADIUS = 0.55;
/** A post of sixteen diameters. */
export const POST_RADIUS = 8;

/** The wound form's upright bar laid across the page: what hung toward -x hangs down. */
export const barAcross = ([x, y, z]: Point3): Point3 => [-y, x, z];

/** A strand that comes straight to the bar from the side (+x of the wound form), `from` diameters away, touching it on the front. */
export function comingIn(side: 1 | -1, y: number, r: number, from = 14): Key[] {
  return Array.from({ length: 8 }, (_, k): Key => {
    const x = from * (1 - k / 8);
    return [(side * Math.atan2(x, onIt(r)) * 180) / Math.PI, y, Math.hypot(x, onIt(r))];
  });
}

/** How a hitch on a bar is drawn up: loosely at first, then with more friction under a light load. */
export const ON_BAR: readonly Stage[] = [
  { duration: 30, force: [0.05, 0.08], friction: 0.1, thickness: [0.85, 1] },
  { duration: 130, force: [0.08, 0.4], friction: 0.1 },
  { duration: 160, force: [0.4, 0.4], friction: 0.25 },
];

const BEND_RADIUS = 4.2;

/** The upright bar bent into a ring whose middle lies on the +x side: points of the rope with it. */
export const bentIntoRing = ([x, y, z]: Point3): Point3 => {
  const q = BEND_RADIUS - x;
  const turn = y / Math.max(BEND_RADIUS, q);
  return [BEND_RADIUS - q * Math.cos(turn), q * Math.sin(turn), z];
};

/** A pear-shaped karabiner hanging upside down, its wide bow below where the bent bar was; the gate is on the right. */
export function hitchKarabiner(): ShapeComponent {
  const bow = Array.from({ length: 21 }, (_, k): Point3 => {
    const a = ((k - 10) * 6.5 * Math.PI) / 180;
    return [BEND_RADIUS * Math.sin(a), BEND_RADIUS - BEND_RADIUS * Math.cos(a), 0];
  });
  const side = (x: number, y: number): Point3 => [x, y, 0];
  const outline = [
    ...bow,
    side(3.9, 5.2),
    side(3.3, 8),
    side(2.6, 10.4),
    side(1.6, 11.6),
    side(0, 12),
    side(-1.6, 11.6),
    side(-2.6, 10.4),
    side(-3.3, 8),
    side(-3.9, 5.2),
  ];
  const around = splineThrough([...outline.slice(-2), ...outline, ...outline.slice(0, 2)]).slice(48, -24);
  const points = resample(around, NODE_SPACING).slice(0, -1);
  const right = points.flatMap((p, i) => (p[0] > 0 && p[1] > 4 && p[1] < 9.6 ? [i] : []));
  return {
    name: 'karabiner',
    role: 'ring',
    closed: true,
    diameter: 2 * BAR_RADIUS,
    points,
    marks: { gate: [right[0]!, right.at(-1)!] },
  };
}

/** A hitch wound on an upright bar, bent onto the bow of a karabiner and drawn up by its two ends. @param pulls in the page */
export function onKarabiner(
  wound: readonly Point3[],
  pulls: Drawing['pulls'],
  stages: readonly Stage[] = ON_BAR,
): LaidKnot {
  const karabiner = hitchKarabiner();
  return {
    points: wound.map(bentIntoRing).map(barAcross),
    objects: [karabiner],
    drawing: { things: [asThing(karabiner)], pulls, eyes: [], stages },
  };
}

/** A hitch wound on an upright post, which lies across the page, drawn up by its two ends. */
export function onPost(
  wound: readonly Point3[],
  pulls: Drawing['pulls'],
  stages: readonly Stage[] = ON_BAR,
  half = 9,
): LaidKnot {
  const post: ShapeComponent = {
    name: 'post',
    role: 'post',
    closed: false,
    diameter: 2 * POST_RADIUS,
    points: straight([-half, 0, 0], [half, 0, 0]),
  };
  return {
    points: wound.map(barAcross),
    objects: [post],
    drawing: { posts: [{ point: [0, 0, 0], axis: [1, 0, 0], radius: POST_RADIUS }], pulls, eyes: [], stages },
  };
}
