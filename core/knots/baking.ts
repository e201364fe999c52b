/**
 * From an author's laid form to the stored shapes: tightened, turned upright (standing part up, eye
 * down, front towards the viewer), cut to length, with marks. Pure and deterministic.
 */
import { add, arcLengths, cross, distance, dot, lerp, nearestIndex, resample, scale, smallestDistance, splineThrough, subtract, unit, type Point3 } from '../curve';
import { fault } from '../errors';
import { contactCentre, NODE_SPACING, tighten } from '../rope';
import { closedAtInfinity, crossingsSeenFrom, FRONT, invariantsOf, signature, simplestDiagram } from '../topology';
import type { Drawing, LaidKnot } from './laid';
import { pointsOf, type BakedForm, type BakedShape, type DrawnUp } from './stored';
import { readableView, turnedBy } from './view';

/** How a stored shape is turned and cut. */
export interface Presentation {
  /** turn about the upright axis that brings the front to the viewer, degrees */
  readonly frontYaw_deg: number;
  /** rope shown beyond the knot, diameters */
  readonly standing_ropeDiameters: number;
  readonly tail_ropeDiameters: number;
  /** the tail is led up beside the standing part, or down inside the eye, on the front */
  readonly tail: 'beside-standing' | 'inside-eye';
  /** depth of the eye below the knot's legs, diameters */
  readonly eye_ropeDiameters: number;
}

const KNOT_SHARE = 0.12;
const NEIGHBOUR_ARC = 2.5;

const round4 = (x: number) => Math.round(x * 1e4) / 1e4 + 0;

/** First and last node, on each side of the eye, of the knot proper: inside the ball round the loaded core. */
function knotSpan(points: readonly Point3[], load: readonly number[], eyeNode: number): { first: number; eyeFrom: number; eyeTo: number; last: number } {
  const centre = contactCentre(points, load);
  const most = Math.max(...load);
  // the loaded core: strong contacts; the radius reaches the farthest of them that is not beyond 5 d
  let radius = 0;
  points.forEach((p, i) => {
    const d = distance(p, centre);
    if (load[i]! > KNOT_SHARE * most && d < 5) radius = Math.max(radius, d);
  });
  radius += 0.3;
  const inside = points.map((p) => distance(p, centre) < radius);
  const first = inside.indexOf(true);
  const last = inside.lastIndexOf(true);
  let eyeFrom = eyeNode;
  while (eyeFrom > first && !inside[eyeFrom]) eyeFrom--;
  let eyeTo = eyeNode;
  while (eyeTo < last && !inside[eyeTo]) eyeTo++;
  return { first, eyeFrom, eyeTo: inside[eyeTo] ? eyeTo : last, last };
}

/** Turned so that `up` is the y axis and the eye's two legs lie side by side as seen by the viewer. */
function upright(points: readonly Point3[], centre: Point3, up: Point3, across: Point3, yaw_deg: number): Point3[] {
  const y = unit(up);
  const flat = subtract(across, scale(y, dot(across, y)));
  const x0 = unit(flat);
  const z0 = cross(x0, y);
  const a = (yaw_deg * Math.PI) / 180;
  return points.map((p): Point3 => {
    const q = subtract(p, centre);
    const [x, h, z] = [dot(q, x0), dot(q, y), dot(q, z0)];
    return [x * Math.cos(a) + z * Math.sin(a), h, -x * Math.sin(a) + z * Math.cos(a)];
  });
}

/**
 * Draws the eye to size: beyond `keep` nodes of leg on either side the long eye that the solver left is
 * replaced by a drop of the wished depth in the plane of the picture. Rope that lies in the eye alone is
 * free, so this is what working the knot's slack out by the legs does.
 */
function withEye(points: readonly Point3[], eyeFrom: number, eyeTo: number, up: Point3, depth: number): { points: Point3[]; eye: number } {
  const keep = 4;
  const down = scale(unit(up), -1);
  const a = points[eyeFrom + keep]!;
  const b = points[eyeTo - keep]!;
  const middle = lerp(a, b, 0.5);
  const side: Point3 = [b[0] < a[0] ? -1 : 1, 0, 0];
  const half = Math.min(3.4, 1.4 + depth / 6);
  const at = (x: number, y: number): Point3 => add(middle, add(scale(side, x), scale(down, y)));
  const half0 = distance(a, b) / 2;
  const drop = splineThrough([
    points[eyeFrom + keep - 2]!, a,
    at(-(half0 + half) / 2 - 0.15, depth * 0.25), at(-half, depth * 0.55), at(-half * 0.86, depth * 0.82), at(-half * 0.45, depth * 0.96), at(0, depth),
    at(half * 0.45, depth * 0.96), at(half * 0.86, depth * 0.82), at(half, depth * 0.55), at((half0 + half) / 2 + 0.15, depth * 0.25),
    b, points[eyeTo - keep + 2]!,
  ]);
  const inner = resample(drop.slice(24, -24), NODE_SPACING);
  const before = points.slice(0, eyeFrom + keep);
  const all = [...before, ...inner, ...points.slice(eyeTo - keep + 1)];
  return { points: all, eye: nearestIndex(all, at(0, depth), before.length) };
}

/** Up and a little away from the standing part, or down and a little towards the viewer. */
function tailHeading(points: readonly Point3[], first: number, last: number, p: Presentation): Point3 {
  if (p.tail === 'inside-eye') return unit([0, -1, 0.22]);
  const exit = points[last]!;
  const beside = points.slice(0, first + 1).reduce((best, q) => (Math.abs(q[1] - exit[1] - 3) < Math.abs(best[1] - exit[1] - 3) ? q : best), points[0]!);
  const away = unit([exit[0] - beside[0], 0, exit[2] - beside[2]]);
  return unit([0.14 * away[0], 1, 0.14 * away[2]]);
}

/** The tail led straight on from where it leaves the knot, easing into `direction`. */
function withTail(points: readonly Point3[], last: number, direction: Point3, length: number): Point3[] {
  const out = points.slice(0, last + 1);
  let heading = unit(subtract(points[last]!, points[last - 2]!));
  for (let s = 0; s < length; s += NODE_SPACING) {
    heading = unit(lerp(heading, direction, 0.16));
    out.push(add(out.at(-1)!, scale(heading, NODE_SPACING)));
  }
  return out;
}

interface Places {
  readonly first: number;
  readonly last: number;
  readonly eye?: { readonly from: number; readonly at: number; readonly to: number };
  readonly collar?: readonly [number, number] | undefined;
  readonly nippingLoop?: readonly [number, number] | undefined;
}

function stored(points: readonly Point3[], places: Places, standing: number): BakedShape {
  const { first, last, eye, collar, nippingLoop } = places;
  const s = arcLengths(points);
  let start = first;
  while (start > 0 && s[first]! - s[start]! < standing) start--;
  const at = (i: number) => Math.min(i, points.length - 1) - start;
  const stretch = ([a, b]: readonly [number, number]) => [at(a), at(b)] as const;
  return {
    xyz: points.slice(start).flatMap((q) => [round4(q[0]), round4(q[1]), round4(q[2])]),
    marks: {
      standing: [0, at(first)],
      tail: [at(last), points.length - 1 - start],
      ...(eye && { eye: at(eye.at), legs: [stretch([eye.from, eye.at]), stretch([eye.at, eye.to])] as const }),
      ...(collar && { collar: stretch(collar) }),
      ...(nippingLoop && { nipping_loop: stretch(nippingLoop) }),
    },
    firstNode: start,
  };
}

/** Nodes of the laid form between which a named part lies, from the crossings that bound it. */
function partNodes(laid: LaidKnot): { collar?: readonly [number, number]; nippingLoop?: readonly [number, number] } {
  if (!laid.parts) return {};
  const passes = crossingsSeenFrom([{ points: laid.points, closed: false }], FRONT).passes.map((p) => p.at);
  const nodes = ([a, b]: readonly [number, number]) => [Math.floor(passes[a - 1]!), Math.ceil(passes[b - 1]!)] as const;
  const { collar, nippingLoop } = laid.parts;
  return { ...(collar && { collar: nodes(collar) }), ...(nippingLoop && { nippingLoop: nodes(nippingLoop) }) };
}

/** A knot in one strand whose end goes on, round where the eye would be, and hangs free beside it. */
function openEnded(points: readonly Point3[], first: number, last: number, p: Presentation): BakedShape {
  const from = points[last]!;
  const depth = p.eye_ropeDiameters;
  const at = (x: number, y: number): Point3 => [from[0] + x, from[1] - y, from[2]];
  const free = resample(splineThrough([points[last - 2]!, from, at(-0.4, depth * 0.3), at(-0.6, depth * 0.6), at(0.4, depth * 0.9), at(2.4, depth), at(4.4, depth * 0.88), at(5, depth * 0.55), at(4.6, depth * 0.2), at(4.4, -1.5), at(4.6, -4)]).slice(24), NODE_SPACING);
  const all = [...points.slice(0, last + 1), ...free.slice(1)];
  return stored(all, { first, last }, p.standing_ropeDiameters);
}

/** What tells whether two drawings of one open rope are the same knot. */
const figures = (points: readonly Point3[]): string => signature(invariantsOf(simplestDiagram([closedAtInfinity(points)])));

/** One drawn-up state: turned upright, eye and tail drawn to size. */
function presented(points: readonly Point3[], load: readonly number[], laid: LaidKnot, eyeNode: number, p: Presentation): { shape: BakedShape; inKnot: number; standingSide: number; core: Point3[] } {
  const span = knotSpan(points, load, eyeNode);
  const s = arcLengths(points);
  const standingSide = (laid.openEnd ? s[span.last]! : s[span.eyeFrom]!) - s[span.first]!;
  const inKnot = laid.openEnd ? standingSide : standingSide + s[span.last]! - s[span.eyeTo]!;
  const legs = laid.openEnd
    ? ([points[span.last + 8]!, add(points[span.last + 8]!, [1, 0, 0])] as const)
    : ([points[span.eyeFrom + 5]!, points[span.eyeTo - 5]!] as const);
  const up = subtract(points[Math.max(0, span.first - 12)]!, lerp(legs[0], legs[1], 0.5));
  const turned = upright(points, contactCentre(points, load), up, subtract(legs[1], legs[0]), p.frontYaw_deg);
  const core = turned.filter((_, i) => (i >= span.first && i <= span.eyeFrom) || (i >= span.eyeTo && i <= span.last));
  if (laid.openEnd) return { shape: openEnded(turned, span.first, span.last, p), inKnot, standingSide, core: turned.slice(span.first, span.last + 1) };
  const sized = withEye(turned, span.eyeFrom, span.eyeTo, [0, 1, 0], p.eye_ropeDiameters);
  const last = span.last + sized.points.length - turned.length;
  // drawing eye and tail to size may not change the knot
  const tailed = withTail(sized.points, last, tailHeading(sized.points, span.first, last, p), p.tail_ropeDiameters);
  if (figures(turned) !== figures(tailed)) throw fault('solver-passed-through');
  const grown = sized.points.length - turned.length;
  const node = (i: number) => (i <= span.eyeFrom ? i : i >= span.eyeTo ? i + grown : sized.eye);
  const { collar, nippingLoop } = partNodes(laid);
  const places: Places = {
    first: span.first, last, eye: { from: span.eyeFrom, at: sized.eye, to: span.eyeTo + grown },
    collar: collar && [node(collar[0]), node(collar[1])], nippingLoop: nippingLoop && [node(nippingLoop[0]), node(nippingLoop[1])],
  };
  return { shape: { ...stored(tailed, places, p.standing_ropeDiameters), eyeGrown: grown }, inKnot, standingSide, core };
}

/** Rope shown beyond the crossings of a laid form, diameters. */
const LAID_STANDING = 8;
const LAID_TAIL = 9;

/** The laid form, turned so that it can be read, cut to length, with its marks. */
function laidForm(laid: LaidKnot): Pick<BakedForm, 'laid' | 'laidDistance_ropeDiameters' | 'laidView' | 'objects'> {
  const laidView = readableView(laid.points);
  const points = turnedBy(laid.points, laidView);
  const { eyeNode } = laid;
  const passes = crossingsSeenFrom([{ points, closed: false }], FRONT).passes.map((p) => p.at);
  const first = Math.max(0, Math.floor(passes[0]!) - 3);
  const last = Math.min(points.length - 1, Math.ceil(passes.at(-1)!) + 3);
  const knot = points.filter((_, i) => i >= first && i <= last && (eyeNode === undefined || Math.abs(i - eyeNode) > 30));
  const centre = scale(knot.reduce<Point3>(add, [0, 0, 0]), 1 / knot.length);
  const about = (q: Point3) => subtract(q, centre);
  const to = Math.min(points.length, last + Math.round(LAID_TAIL / NODE_SPACING));
  const places: Places = {
    first, last, ...partNodes(laid),
    ...(eyeNode !== undefined && !laid.openEnd && { eye: { from: Math.ceil(passes.findLast((p) => p < eyeNode)!), at: eyeNode, to: Math.floor(passes.find((p) => p > eyeNode)!) } }),
  };
  return {
    laid: stored(points.slice(0, to).map(about), places, LAID_STANDING),
    laidDistance_ropeDiameters: round4(smallestDistance([{ points: laid.points, closed: false }], NEIGHBOUR_ARC)),
    laidView: { ...laidView, apart_ropeDiameters: round4(laidView.apart_ropeDiameters) },
    objects: (laid.objects ?? []).map((o) => ({ ...o, points: turnedBy(o.points, laidView).map(about).map((q): Point3 => [round4(q[0]), round4(q[1]), round4(q[2])]) })),
  };
}

function drawnUp(laid: LaidKnot, drawing: Drawing, eyeNode: number, presentation: Presentation): DrawnUp {
  const t = tighten({ ropes: [laid.points], ...drawing });
  if (!t) throw fault('solver-passed-through');
  const tight = presented(t.tight[0]!, t.load, laid, eyeNode, presentation);
  const dressed = presented(t.dressed[0]!, t.dressedLoad, laid, eyeNode, presentation);
  const extent = (axis: 0 | 1 | 2) => Math.max(...tight.core.map((q) => q[axis])) - Math.min(...tight.core.map((q) => q[axis])) + 1;
  return {
    dressed: dressed.shape,
    tight: tight.shape,
    inKnot_ropeDiameters: round4(tight.inKnot),
    inKnotStandingSide_ropeDiameters: round4(tight.standingSide),
    inKnotLoose_ropeDiameters: round4(Math.max(tight.inKnot, dressed.inKnot)),
    width_ropeDiameters: round4(Math.max(extent(0), extent(2))),
    length_ropeDiameters: round4(extent(1)),
    smallestDistance_ropeDiameters: round4(smallestDistance([{ points: pointsOf(tight.shape), closed: false }], NEIGHBOUR_ARC)),
    smallestDistanceEver_ropeDiameters: round4(t.smallestDistanceEver),
  };
}

/**
 * Bakes one form: the laid one always, the drawn-up ones where the author says how it is drawn up.
 * @param presentation how a drawn-up form is turned and cut; null for a knot stored as laid only
 * @throws solver-passed-through, strands-touch
 */
export function bakeForm(laid: LaidKnot, presentation: Presentation | null): BakedForm {
  const { drawing, eyeNode } = laid;
  return { ...laidForm(laid), ...(laid.openEnd && { openEnd: true }), set: drawing && presentation && eyeNode !== undefined ? drawnUp(laid, drawing, eyeNode, presentation) : null };
}
