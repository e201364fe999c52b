/**
 * From an author's laid form to the stored shapes: tightened, loosened evenly for the dressed form, turned and cut to
 * length (presenting.ts), with marks, measured. Pure and deterministic. Measured over set force and friction: set softly in a rough rope, as
 * stored, and set hard.
 */
import {
  arcLengths,
  middleOf,
  resample,
  scale,
  smallestDistance,
  splineThrough,
  subtract,
  type Point3,
} from '../../curve';
import { fault } from '../../errors';
import { NODE_SPACING, tighten, type Moment, type Tightened, type Tightening } from '../../rope';
import {
  closedAtInfinity,
  crossingsSeenFrom,
  FRONT,
  invariantsOf,
  pinnedEye,
  signature,
  simplestDiagram,
} from '../../topology';
import type { ComposedKnot, LaidKnot } from '../shape/laid';
import { karabinerIn, ringIn } from '../shape/objects';
import { ballOf, loosened, presented, type Presented } from './presenting';
import { type Placed, type Presentation } from '../shape/presentation';
import { hullGirth } from '../shape/measures';
import { bakeComposed } from './composing';
import { bakePlaced, placedOnce } from './placing';
import { hard, NEIGHBOUR_ARC_ropeDiameters, rangeOver, round4, rounded, softly } from '../shape/storing';
import { pointsOf, type BakedForm, type BakedShape, type DrawnUp, type ShapeComponent } from '../shape/stored';
import { READABLE_ROPE_DIAMETERS, readableView, turnedBy } from '../shape/laidView';

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
    xyz: points.slice(start).flatMap((q) => rounded(q)),
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
function openEnded(
  points: readonly Point3[],
  { first, last }: Pick<Places, 'first' | 'last'>,
  depth: number,
  standing: number,
): BakedShape {
  const from = points[last]!;
  const at = (x: number, y: number): Point3 => [from[0] + x, from[1] - y, from[2]];
  const free = resample(
    splineThrough([
      points[last - 2]!,
      from,
      at(-0.4, depth * 0.3),
      at(-0.6, depth * 0.6),
      at(0.4, depth * 0.9),
      at(2.4, depth),
      at(4.4, depth * 0.88),
      at(5, depth * 0.55),
      at(4.6, depth * 0.2),
      at(4.4, -1.5),
      at(4.6, -4),
    ]).slice(24),
    NODE_SPACING,
  );
  return stored([...points.slice(0, last + 1), ...free.slice(1)], { first, last }, standing);
}

/** What tells whether two drawings of one open rope are the same knot. */
const figures = (points: readonly Point3[]): string =>
  signature(invariantsOf(simplestDiagram([closedAtInfinity(points)])));
/** The same with the eye held fast; only for shapes whose ends are long. */
const pinnedFigures = (points: readonly Point3[], eye: number): string =>
  signature(invariantsOf(simplestDiagram(pinnedEye(points, eye))));

type Sized = Exclude<Presentation, Placed>;

const MARGIN_NODES = 20;

/** Far point of the eye: the node laid there, or, where rope has slid through what hangs in the eye, the one that lies in it now. */
function eyeNow(laid: LaidKnot, at: Moment, presentation: Sized): number | undefined {
  if (presentation.kind !== 'noose' || laid.eyeNode === undefined) return laid.eyeNode;
  const points = at.ropes[0]!;
  return points.reduce(
    (low, p, i) => (i > MARGIN_NODES && i < points.length - MARGIN_NODES && p[1] < points[low]![1] ? i : low),
    laid.eyeNode,
  );
}

/** What the knot is tied to, where it lies now: as the solver left it, or hung anew in the eye. */
function components(laid: LaidKnot, things: readonly (readonly Point3[])[], far: Point3 | undefined): ShapeComponent[] {
  return (laid.objects ?? []).map((o, k) => {
    const solved = things[k];
    const hung = solved || !far ? o : o.name === 'karabiner' ? karabinerIn(far) : ringIn(far);
    const points = solved ?? hung.points;
    // a thing that took part has other points than its outline: the gate is found again by its share of the way round
    const gate = hung.marks?.gate?.map((i) => Math.round((i / hung.points.length) * points.length)) as
      [number, number] | undefined;
    return { ...hung, points: points.map(rounded), ...(gate && { marks: { gate } }) };
  });
}

/** One drawn-up state as stored. */
function storedShape(laid: LaidKnot, shown: Presented, presentation: Sized): BakedShape {
  const { span, points, grown, before, eye } = shown;
  if (laid.openEnd)
    return openEnded(
      points,
      span,
      'eye_ropeDiameters' in presentation ? presentation.eye_ropeDiameters : 10,
      presentation.standing_ropeDiameters,
    );
  const node = (i: number) =>
    before + (span.eye && i > span.eye.from ? (i >= span.eye.to ? i + grown : eye! - before) : i);
  const stretch = (s: readonly [number, number] | undefined) => s && ([node(s[0]), node(s[1])] as const);
  const { collar, nippingLoop } = partNodes(laid);
  const places: Places = {
    first: node(span.first),
    last: node(span.last),
    ...(span.eye && eye !== undefined && { eye: { from: node(span.eye.from), at: eye, to: node(span.eye.to) } }),
    collar: stretch(collar),
    nippingLoop: stretch(nippingLoop),
  };
  const shape = stored(points, places, presentation.standing_ropeDiameters);
  const objects = components(laid, shown.things, eye === undefined ? undefined : points[eye]);
  return { ...shape, firstNode: shape.firstNode - before, eyeGrown: grown, ...(objects.length > 0 && { objects }) };
}

type OnProgress = NonNullable<Parameters<typeof tighten>[2]>;

/** What one run gives: the shapes, and the measures of the tight one. */
interface Run {
  readonly tight: Presented;
  readonly dressed: Presented;
  readonly result: Tightened;
  readonly inKnot: number;
  readonly standingSide: number;
  readonly girth: number;
  readonly width: number;
  readonly length: number;
}

function run(
  laid: LaidKnot,
  presentation: Sized,
  change: (stages: Tightening['stages']) => Tightening['stages'] = (s) => s,
  onProgress?: OnProgress,
): Run {
  const result = tighten(
    { ...laid.drawing, ropes: [laid.points], stages: change(laid.drawing.stages) },
    undefined,
    onProgress,
  );
  if (!result) throw fault('solver-passed-through');
  const ball = ballOf(result.tight);
  const eye = eyeNow(laid, result.tight, presentation);
  const tight = presented(result.tight, ball.centre, ball.radius, eye, laid.openEnd ?? false, presentation);
  const by = presentation.dressedLooseness;
  const dressed = presented(
    loosened(result.tight, ball.centre, by),
    ball.centre,
    by * ball.radius,
    eye,
    laid.openEnd ?? false,
    presentation,
  );
  const s = arcLengths(result.tight.ropes[0]!);
  const { span } = tight;
  const standingSide = s[span.eye ? span.eye.from : span.last]! - s[span.first]!;
  const inKnot = span.eye ? standingSide + s[span.last]! - s[span.eye.to]! : standingSide;
  const axis = presentation.kind === 'midline' ? 0 : 1;
  const extent = (c: 0 | 1 | 2) =>
    Math.max(...tight.core.map((q) => q[c])) - Math.min(...tight.core.map((q) => q[c])) + 1;
  return {
    tight,
    dressed,
    result,
    inKnot,
    standingSide,
    girth: hullGirth(tight.core, axis),
    width: Math.max(extent(axis === 0 ? 1 : 0), extent(2)),
    length: extent(axis),
  };
}

/** @throws solver-passed-through where a run did not end in the laid knot: alone, and with its eye held fast */
function prove(laid: LaidKnot, { result }: Run, presentation: Sized): void {
  const points = result.tight.ropes[0]!;
  const eye = laid.openEnd ? undefined : eyeNow(laid, result.tight, presentation);
  const same =
    figures(points) === figures(laid.points) &&
    (eye === undefined || pinnedFigures(points, eye) === pinnedFigures(laid.points, laid.eyeNode!));
  if (!same) throw fault('solver-passed-through');
}

/**
 * Draws a laid form up once, without measuring it: the tight shape as it is stored, and how its run was turned.
 * @param onProgress as of `tighten`
 * @throws solver-passed-through
 */
export function drawnUpOnce(
  laid: LaidKnot,
  presentation: Presentation,
  onProgress: OnProgress,
): { shape: BakedShape; turn: Presented['turn'] } {
  if (presentation.kind === 'placed') return placedOnce(laid, presentation, onProgress);
  const { tight } = run(laid, presentation, undefined, onProgress);
  return { shape: storedShape(laid, tight, presentation), turn: tight.turn };
}

/**
 * Draws up a laid form.
 * @param spread also set softly and hard, for low and high
 * @throws solver-passed-through where a run, or what was drawn to size after it, is not the laid knot
 */
function drawnUp(laid: LaidKnot, presentation: Sized, spread: boolean): DrawnUp {
  const main = run(laid, presentation);
  const runs = spread ? [main, ...[softly, hard].map((change) => run(laid, presentation, change))] : [main];
  for (const r of runs) prove(laid, r, presentation);
  const shapes = [main.tight, main.dressed].map((shown) => {
    // drawing eye and ends to size may not change the knot
    if (!laid.openEnd && figures(shown.points) !== figures(laid.points)) throw fault('solver-passed-through');
    return storedShape(laid, shown, presentation);
  });
  const range = (of: (r: Run) => number) => rangeOver(runs, of);
  return {
    dressed: shapes[1]!,
    tight: shapes[0]!,
    inKnot_ropeDiameters: range((r) => r.inKnot),
    inKnotStandingSide_ropeDiameters: range((r) => r.standingSide),
    girth_ropeDiameters: range((r) => r.girth),
    width_ropeDiameters: range((r) => r.width),
    length_ropeDiameters: range((r) => r.length),
    smallestDistance_ropeDiameters: round4(
      smallestDistance([{ points: pointsOf(shapes[0]!), closed: false }], NEIGHBOUR_ARC_ropeDiameters),
    ),
    smallestDistanceEver_ropeDiameters: round4(Math.min(...runs.map((r) => r.result.smallestDistanceEver))),
  };
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
  const knot = points.filter(
    (_, i) => i >= first && i <= last && (eyeNode === undefined || Math.abs(i - eyeNode) > 30),
  );
  const centre = middleOf(knot);
  // spread out as far as it takes to read it
  const by = Math.max(1, (READABLE_ROPE_DIAMETERS + 0.01) / laidView.apart_ropeDiameters);
  const about = (q: Point3) => scale(subtract(q, centre), by);
  const to = Math.min(points.length, last + Math.round(LAID_TAIL / NODE_SPACING));
  const places: Places = {
    first,
    last,
    ...partNodes(laid),
    ...(eyeNode !== undefined &&
      !laid.openEnd && {
        eye: {
          from: Math.ceil(passes.findLast((p) => p < eyeNode)!),
          at: eyeNode,
          to: Math.floor(passes.find((p) => p > eyeNode)!),
        },
      }),
  };
  return {
    laid: stored(points.slice(0, to).map(about), places, LAID_STANDING),
    laidDistance_ropeDiameters: round4(
      smallestDistance([{ points: laid.points.map((q) => scale(q, by)), closed: false }], NEIGHBOUR_ARC_ropeDiameters),
    ),
    laidView: { ...laidView, apart_ropeDiameters: round4(by * laidView.apart_ropeDiameters) },
    objects: (laid.objects ?? []).map((o) => ({ ...o, points: turnedBy(o.points, laidView).map(about).map(rounded) })),
  };
}

/**
 * Bakes one form: laid, dressed and tight.
 * @param presentation how a drawn-up form is turned and cut
 * @param spread also set softly and hard, for low and high
 * @throws solver-passed-through, strands-touch
 */
export function bakeForm(laid: LaidKnot | ComposedKnot, presentation: Presentation, spread: boolean): BakedForm {
  if ('composed' in laid) return bakeComposed(laid);
  if (presentation.kind === 'placed') return bakePlaced(laid, presentation, spread);
  return { ...laidForm(laid), ...(laid.openEnd && { openEnd: true }), set: drawnUp(laid, presentation, spread) };
}
