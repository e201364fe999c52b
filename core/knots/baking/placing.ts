/**
 * Knots that are shown as they were drawn up: joints of two ropes, hitches on an object, loops with two eyes. The frame is the author's; the
 * shape is turned as its presentation says, centred, its ends cut to length. Dressed, and where a wound form has no room also laid, is the tight one
 * opened evenly about its middle, or about what it lies round.
 */
import {
  add,
  arcLengths,
  distance,
  scale,
  segmentDistance,
  smallestDistance,
  subtract,
  unit,
  type Line3,
  type Point3,
} from '../../curve';
import { fault } from '../../errors';
import { contactCentre, tighten, type Tightened, type Tightening } from '../../rope';
import { crossingsSeenFrom, FRONT } from '../../topology';
import { figuresOf, ledTo, sameFigures } from './figures';
import type { LaidKnot } from '../shape/laid';
import { hullGirth } from '../shape/measures';
import type { Placed } from '../shape/presentation';
import { hard, NEIGHBOUR_ARC_ropeDiameters, rangeOver, round4, rounded, softly } from '../shape/storing';
import type { BakedForm, BakedRope, BakedShape, ShapeComponent, ShapeMarks } from '../shape/stored';
import { READABLE_ROPE_DIAMETERS, readableView, turnedBy, type LaidView } from '../shape/laidView';
import {
  eyesOf,
  TOUCHING,
  FARTHEST,
  SLACK_ropeDiameters,
  spanOf,
  widened,
  middleOfKnot,
  nearHost,
  properOf,
  HIGHER,
} from './spans';
import type { RopeSpan } from './ropeSpan';
import { EYE_TURNS_deg, eyesToSize, CLEAR } from './eyesToSize';

/** least distance of strands, and of crossings, in a laid form */
const ROOMY = 1.22;

const MOST_SPREAD = 2.4;

const READABLE = READABLE_ROPE_DIAMETERS + 0.01;

/** how far the tight form is opened where that is the laid one */
const OPENED = 1.28;

interface Run {
  readonly laid: LaidKnot;
  readonly result: Tightened;
  readonly spans: readonly RopeSpan[];
  readonly centre: Point3;
}

function run(
  laid: LaidKnot,
  p: Placed,
  change: (s: Tightening['stages']) => Tightening['stages'] = (s) => s,
  onProgress?: Parameters<typeof tighten>[2],
): Run {
  const lines = [laid.start ?? laid.points, ...(laid.second ? [laid.second.points] : [])];
  const result = tighten(
    { ...laid.drawing, ropes: lines, closed: [laid.closed ?? false], stages: change(laid.drawing.stages) },
    undefined,
    onProgress,
  );
  if (!result) throw fault('solver-passed-through');
  const { load, ropes } = result.tight;
  const loads = [load.slice(0, ropes[0]!.length), load.slice(ropes[0]!.length)];
  const most = Math.max(...load);
  // where a rope goes once round a thing in its eye is no part of the knot
  const bars =
    eyesOf(laid).length > 0
      ? []
      : (laid.objects ?? []).map((o, k) => ({
          line: result.tight.things[k] ?? o.points,
          reach: ((1 + o.diameter) / 2) * TOUCHING,
          closed: o.closed,
        }));
  const middle = contactCentre(ropes.flat(), load);
  // legs that rub on each other away from the knot are no part of it
  const near = (q: Point3) => bars.length > 0 || distance(q, middle) < (p.farthest_ropeDiameters ?? FARTHEST);
  const slack = bars.length === 0 ? Infinity : (p.slack_ropeDiameters ?? SLACK_ropeDiameters);
  const held = (q: Point3) =>
    bars.some(({ line, reach }) => line.some((at, i) => i > 0 && segmentDistance(q, q, line[i - 1]!, at) < reach));
  const spans = ropes.map((points, k): RopeSpan => {
    if (laid.closed) return { span: [0, points.length - 1], eyes: [] };
    const eyes = k === 0 ? eyesOf(laid) : laid.second?.eyeNode === undefined ? [] : [laid.second.eyeNode];
    return spanOf(points, loads[k]!, eyes, slack, most, held, near);
  });
  return {
    laid,
    result,
    spans: bars.length > 0 || laid.closed ? spans : widened(ropes, spans),
    centre: middleOfKnot(laid, result),
  };
}

type Turn = (points: readonly Point3[]) => Point3[];

/** Roll in the page, then pitch about the axis across, then yaw about the upright one. */
function turning({ roll_deg = 0, frontPitch_deg = 0, frontYaw_deg }: Placed): Turn {
  const [r, a, b] = [roll_deg, frontPitch_deg, frontYaw_deg].map((d) => (d * Math.PI) / 180) as [
    number,
    number,
    number,
  ];
  return (points) =>
    points.map((p) => {
      const [x, y, z] = [p[0] * Math.cos(r) - p[1] * Math.sin(r), p[0] * Math.sin(r) + p[1] * Math.cos(r), p[2]];
      const [y1, z1] = [y * Math.cos(a) - z * Math.sin(a), y * Math.sin(a) + z * Math.cos(a)];
      return [x * Math.cos(b) + z1 * Math.sin(b), y1, -x * Math.sin(b) + z1 * Math.cos(b)];
    });
}

/** One rope as stored: its ends cut, its marks. */
function ropeStored(points: readonly Point3[], { span, eyes }: RopeSpan, closed: boolean, p: Placed): BakedRope {
  const s = arcLengths(points);
  let start = closed ? 0 : span[0];
  while (start > 0 && s[span[0]]! - s[start]! < p.standing_ropeDiameters) start--;
  let end = closed ? points.length - 1 : span[1];
  while (end < points.length - 1 && s[end]! - s[span[1]]! < p.tail_ropeDiameters) end++;
  const at = (i: number) => i - start;
  const legs = eyes.map(
    (e) =>
      [
        [at(e.from), at(e.at)],
        [at(e.at), at(e.to)],
      ] as const,
  );
  const marks: ShapeMarks = {
    standing: [0, closed ? 0 : at(span[0])],
    tail: [closed ? end : at(span[1]), at(end)],
    ...(eyes[0] && { eye: at(eyes[0].at), legs: legs[0]! }),
    ...(eyes[1] && { second_eye: at(eyes[1].at), second_legs: legs[1]! }),
  };
  return {
    xyz: points.slice(start, end + 1).flatMap((q) => rounded(q)),
    marks,
    firstNode: start,
    ...(closed && { closed }),
  };
}

interface Shown {
  readonly shape: BakedShape;
  readonly ropes: readonly (readonly Point3[])[];
  readonly core: readonly Point3[];
}

/** The solution opened by a factor, turned, centred and cut. */
function shown({ laid, result, spans, centre }: Run, p: Placed, open: number): Shown & { turn: Turn } {
  const opened = (q: Point3) => add(centre, scale(subtract(q, centre), open));
  const turn = turning(p);
  const ropes = result.tight.ropes.map((rope) => turn(rope.map(opened)));
  const onHost = laid.closed ? nearHost(laid, result) : null;
  const proper = ropes.flatMap((rope, k) =>
    onHost ? rope.filter((_, i) => onHost.has(i)) : properOf(rope, spans[k]!),
  );
  const extent = (c: 0 | 1 | 2) =>
    [Math.min(...proper.map((q) => q[c])), Math.max(...proper.map((q) => q[c]))] as const;
  const middle = [0, 1, 2].map((c) => (extent(c as 0)[0] + extent(c as 0)[1]) / 2) as unknown as Point3;
  const about = (q: Point3) => subtract(q, middle);
  const sized = ropes.map((rope, k) => {
    const placed = rope.map(about);
    const asItIs = { points: placed, span: spans[k]!, grown: spans[k]!.eyes.map(() => 0) };
    // what it is tied to lies in the eye: it stays as it was drawn up
    if (spans[k]!.eyes.length === 0 || (laid.objects ?? []).length > 0) return asItIs;
    return (
      EYE_TURNS_deg.map((turn_deg) => eyesToSize(placed, spans[k]!, turn_deg)).find(
        (r) => smallestDistance([{ points: r.points, closed: false }], NEIGHBOUR_ARC_ropeDiameters) >= CLEAR,
      ) ?? asItIs
    );
  });
  const placed = sized.map((r) => r.points);
  const eye = laid.eyeNode === undefined ? centre : result.tight.ropes[0]![laid.eyeNode]!;
  const objects = (laid.objects ?? []).map((o, k): ShapeComponent => {
    const hauled = laid.drawing.rings?.some((r) => r.thing === k) ?? false;
    // what is hauled goes with the eye it hangs in, whose bend has become wider
    const down = hauled ? unit(subtract(eye, centre)) : eye;
    const shift: Point3 = hauled
      ? subtract(scale(subtract(eye, centre), open - 1), scale(down, HIGHER * (open - 1)))
      : [0, 0, 0];
    const now = result.tight.things[k] ?? o.points;
    const gate = o.marks?.gate?.map((i) => Math.round((i / o.points.length) * now.length)) as
      [number, number] | undefined;
    return {
      ...o,
      points: turn(now.map((q) => add(q, shift)))
        .map(about)
        .map(rounded),
      ...(gate && { marks: { gate } }),
    };
  });
  const [first, second] = sized.map((r, k) => ropeStored(r.points, r.span, k === 0 && (laid.closed ?? false), p));
  const [eyeGrown, secondEyeGrown] = sized[0]!.grown;
  return {
    shape: {
      ...first!,
      ...(eyeGrown && { eyeGrown }),
      ...(secondEyeGrown && { secondEyeGrown }),
      ...(second && { second }),
      ...(objects.length > 0 && { objects }),
    },
    ropes: placed,
    core: proper.map(about),
    turn: (points) => turn(points).map(about),
  };
}

/** Middle of where ropes cross each other or themselves, seen from the front. */
function middleOfCrossings(lines: readonly (readonly Point3[])[]): Point3 {
  const { passes } = crossingsSeenFrom(
    lines.map((points) => ({ points, closed: false })),
    FRONT,
  );
  const spots = passes.map((p) => lines[p.line]![Math.floor(p.at)]!);
  return scale(spots.reduce<Point3>(add, [0, 0, 0]), 1 / Math.max(1, spots.length));
}

/** Figures of the author's form, and of what came of it, its ends led on to where the author's lie. @throws solver-passed-through */
function prove(r: Run): void {
  const { laid, result } = r;
  const lines = [laid.points, ...(laid.second ? [laid.second.points] : [])];
  const closed = (k: number) => k === 0 && (laid.closed ?? false);
  const ends = lines.map((points): [Point3, Point3] => [points[0]!, points.at(-1)!]);
  // a knot may have drifted as it was drawn up: its ends are led on to where the author's lie from the knot
  const drift = subtract(contactCentre(result.tight.ropes.flat(), result.tight.load), middleOfCrossings(lines));
  const asLines = (ropes: readonly (readonly Point3[])[], by: Point3): Line3[] =>
    ropes.map((points, k) => ({
      points: closed(k) ? points : ledTo(points, [add(scale(ends[k]![0], 1.3), by), add(scale(ends[k]![1], 1.3), by)]),
      closed: closed(k),
    }));
  const eyes = eyesOf(laid).map((e) => e + 1);
  const laidEyes = laid.laidEyeNode === undefined ? eyes : [laid.laidEyeNode + 1];
  const objects = laid.objects ?? [];
  const things = (now: readonly (readonly Point3[])[]): Line3[] =>
    objects.map((o, k) => ({ points: now[k] ?? o.points, closed: o.closed }));
  const before = figuresOf({ ropes: asLines(lines, [0, 0, 0]), eyes: laidEyes, things: things([]) });
  const after = figuresOf({ ropes: asLines(result.tight.ropes, drift), eyes, things: things(result.tight.things) });
  if (!sameFigures(before, after)) throw fault('solver-passed-through');
}

/** The author's laid form, turned so that it can be read, cut, with its marks. */
function authorsLaid(
  r: Run,
  p: Placed,
): { shape: BakedShape; view: LaidView; objects: ShapeComponent[]; distance: number } {
  const { laid } = r;
  const lines = [laid.points, ...(laid.second ? [laid.second.points] : [])];
  const view = readableView(...lines);
  const turned = lines.map((points) => turnedBy(points, view));
  // the stretch of rope that bears when it is drawn up, and whatever else crosses something as laid
  const { passes } = crossingsSeenFrom(
    turned.map((points) => ({ points, closed: false })),
    FRONT,
  );
  const spans = r.spans.map(({ eyes }, k): RopeSpan => {
    const on = passes.filter((q) => q.line === k).map((q) => q.at);
    return {
      span: [
        Math.max(0, Math.floor(Math.min(...on)) - 3),
        Math.min(turned[k]!.length - 1, Math.ceil(Math.max(...on)) + 3),
      ],
      eyes: eyes.map((e) => {
        const at = laid.laidEyeNode ?? e.at;
        return {
          at,
          from: Math.ceil(on.findLast((q) => q < at) ?? e.from),
          to: Math.floor(on.find((q) => q > at) ?? e.to),
        };
      }),
    };
  });
  const proper = turned.flatMap((points, k) => properOf(points, spans[k]!));
  const middle = [0, 1, 2].map(
    (c) => (Math.min(...proper.map((q) => q[c]!)) + Math.max(...proper.map((q) => q[c]!))) / 2,
  ) as unknown as Point3;
  // spread out as far as it takes to read it
  const apartSpread = (factor: number) =>
    smallestDistance(
      lines.map((points) => ({ points: points.map((q) => scale(q, factor)), closed: false })),
      NEIGHBOUR_ARC_ropeDiameters,
    );
  let by = Math.max(1, READABLE / view.apart_ropeDiameters);
  while (apartSpread(by) < ROOMY && by < MOST_SPREAD) by *= 1.05;
  const about = (q: Point3) => scale(subtract(q, middle), by);
  const [first, second] = turned.map((points, k) => ropeStored(points.map(about), spans[k]!, false, p));
  const objects = (laid.objects ?? []).map((o) => ({ ...o, points: turnedBy(o.points, view).map(about).map(rounded) }));
  return {
    shape: { ...first!, ...(second && { second }) },
    view: { ...view, apart_ropeDiameters: round4(by * view.apart_ropeDiameters) },
    objects,
    distance: round4(apartSpread(by)),
  };
}

/** Draws a laid form up once: the tight shape as stored, and how its run was turned. @throws solver-passed-through */
export function placedOnce(
  laid: LaidKnot,
  p: Placed,
  onProgress: Parameters<typeof tighten>[2],
): { shape: BakedShape; turn: Turn } {
  const { shape, turn } = shown(run(laid, p, undefined, onProgress), p, 1);
  return { shape, turn };
}

/** Figures of each rope by itself. */
const alone = (ropes: readonly (readonly Point3[])[]): string[] =>
  ropes.flatMap((points) => figuresOf({ ropes: [{ points, closed: false }], eyes: [], things: [] }));

const linesIn = (ropes: readonly (readonly Point3[])[], laid: LaidKnot): Line3[] =>
  ropes.map((points, k) => ({ points, closed: k === 0 && (laid.closed ?? false) }));

/** Bakes a form that stays as it was drawn up. @param spread also set softly and hard @throws solver-passed-through, strands-touch */
export function bakePlaced(laid: LaidKnot, p: Placed, spread: boolean): BakedForm {
  const main = run(laid, p);
  const runs = spread ? [main, ...[softly, hard].map((change) => run(laid, p, change))] : [main];
  for (const r of runs) prove(r);
  const tight = shown(main, p, 1);
  const dressed = shown(main, p, p.dressedLooseness);
  const author = p.laidFrom === 'author' ? authorsLaid(main, p) : null;
  const opened = shown(main, p, OPENED);
  // drawing eyes to size may not change the knot
  for (const { ropes } of [tight, dressed])
    if (!laid.closed && !sameFigures(alone(main.result.tight.ropes), alone(ropes)))
      throw fault('solver-passed-through');
  const axis = p.along === 'x' ? 0 : 1;
  const measures = runs.map((r) => {
    const { core } = r === main ? tight : shown(r, p, 1);
    const extent = (c: 0 | 1 | 2) => Math.max(...core.map((q) => q[c])) - Math.min(...core.map((q) => q[c])) + 1;
    const rope = r.result.tight.ropes.map((points, k) => {
      const s = arcLengths(points);
      const { span, eyes } = r.spans[k]!;
      const whole = s[span[1]]! - s[span[0]]!;
      return {
        inKnot: whole - eyes.reduce((sum, e) => sum + s[e.to]! - s[e.from]!, 0),
        standingSide: (eyes[0] ? s[Math.min(...eyes.map((e) => e.from))]! : s[span[1]]!) - s[span[0]]!,
      };
    });
    return {
      inKnot: Math.max(...rope.map((x) => x.inKnot)),
      standingSide: rope[0]!.standingSide,
      girth: hullGirth(core, axis),
      width: Math.max(extent(axis === 0 ? 1 : 0), extent(2)),
      length: extent(axis),
      reach: [extent(0) / 2, extent(1) / 2] as const,
    };
  });
  const laidShape = author?.shape ?? opened.shape;
  const { objects: openedObjects, ...openedRopes } = opened.shape;
  return {
    laid: author ? laidShape : openedRopes,
    laidDistance_ropeDiameters:
      author?.distance ?? round4(smallestDistance(linesIn(opened.ropes, laid), NEIGHBOUR_ARC_ropeDiameters)),
    laidView: author?.view ?? { yaw_deg: 0, pitch_deg: 0, apart_ropeDiameters: 0 },
    objects: author?.objects ?? openedObjects ?? [],
    set: {
      dressed: dressed.shape,
      tight: tight.shape,
      inKnot_ropeDiameters: rangeOver(measures, (m) => m.inKnot),
      inKnotStandingSide_ropeDiameters: rangeOver(measures, (m) => m.standingSide),
      girth_ropeDiameters: rangeOver(measures, (m) => m.girth),
      width_ropeDiameters: rangeOver(measures, (m) => m.width),
      length_ropeDiameters: rangeOver(measures, (m) => m.length),
      reach_ropeDiameters: [round4(measures[0]!.reach[0]), round4(measures[0]!.reach[1])],
      smallestDistance_ropeDiameters: round4(smallestDistance(linesIn(tight.ropes, laid), NEIGHBOUR_ARC_ropeDiameters)),
      smallestDistanceEver_ropeDiameters: round4(Math.min(...runs.map((r) => r.result.smallestDistanceEver))),
    },
  };
}
