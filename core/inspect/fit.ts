/**
 * How nearly a specimen lies as a stored form does: places that correspond along the rope are laid on each other by the best turn and shift,
 * then matched again nearby, a few times. What is compared is the knot proper. It tells forms apart that are one to topology: crossed pairs,
 * lanes, wraps, which end is loaded. Unit: rope diameters.
 */
import { bestTurn, distance, movedBy, type Point3, type Turn } from '../curve';
import { nearestArc, pointAt, type Gauge } from './gauge';

/** A stored form's places that are compared, each a rope, an arc length and a point. */
export interface Template {
  readonly gauges: readonly Gauge[];
  readonly places: readonly { readonly rope: number; readonly s: number; readonly p: Point3 }[];
}

const PLACES = 90;
/** rope compared beyond the knot proper, where that is known, and where it is only taken from what lies near what */
const BESIDE = { known: 0.5, taken: 0 };
/** rope of an eye's legs that is compared */
const OF_A_LEG = 1;

/** @param gauges of the stored form, or of a specimen */
export function templateOf(gauges: readonly Gauge[]): Template {
  const spans = gauges.map((g): [number, number][] => {
    const total = g.s.at(-1)!;
    if (g.closed) return [[0, total]];
    const beside = g.proper ? BESIDE.known : BESIDE.taken;
    const [from, to] = g.proper ?? [g.anchors[1]!, g.anchors.at(-2)!];
    const cuts = [Math.max(0, from - beside), ...g.anchors.slice(2, -2), Math.min(total, to + beside)];
    return Array.from({ length: cuts.length / 2 }, (_, k): [number, number] => [cuts[2 * k]! - (k > 0 ? OF_A_LEG : 0), cuts[2 * k + 1]! + (k < cuts.length / 2 - 1 ? OF_A_LEG : 0)]);
  });
  const total = spans.flat().reduce((sum, [a, b]) => sum + Math.max(0, b - a), 0);
  const step = Math.max(0.5, total / PLACES);
  const places = gauges.flatMap((g, rope) =>
    spans[rope]!.flatMap(([a, b]) => {
      const n = Math.max(3, Math.round((b - a) / step));
      return Array.from({ length: n + 1 }, (_, k) => {
        const s = a + ((b - a) * k) / n;
        return { rope, s, p: pointAt(g, s) };
      });
    }),
  );
  return { gauges, places };
}

/** Where places of a template fall along a specimen's rope, as far as can be said before they are laid on each other. */
type Mapping = (template: Gauge, specimen: Gauge, s: number) => number;

/** Evenly between the anchors that both have. */
const between: Mapping = (template, specimen, s) => {
  const both = template.anchors.length === specimen.anchors.length;
  const outer = (a: readonly number[]) => [a[0]!, a[1]!, a.at(-2)!, a.at(-1)!];
  const [from, to] = both ? [template.anchors, specimen.anchors] : [outer(template.anchors), outer(specimen.anchors)];
  let k = 0;
  while (k < from.length - 2 && s > from[k + 1]!) k++;
  const span = from[k + 1]! - from[k]!;
  // beyond the knot the rope is as long as it is
  if (k === 0) return to[1]! - (from[1]! - s);
  if (k === from.length - 2) return to[k]! + (s - from[k]!);
  return to[k]! + (span > 0 ? ((s - from[k]!) / span) * (to[k + 1]! - to[k]!) : 0);
};
/** As far along from where the knot begins. */
const fromItsBeginning: Mapping = (template, specimen, s) => specimen.anchors[1]! + (s - template.anchors[1]!);
/** As far along from where the legs of the eyes leave the knot: tails may be cut, and lie beside the standing part or not. */
const fromTheEyes: Mapping = (template, specimen, s) => {
  const [own, there] = [template.anchors.slice(2, -2), specimen.anchors.slice(2, -2)];
  if (own.length === 0 || own.length !== there.length) return specimen.anchors[1]! + (s - template.anchors[1]!);
  const k = own.reduce((best, a, i) => (Math.abs(a - s) < Math.abs(own[best]! - s) ? i : best), 0);
  return there[k]! + (s - own[k]!);
};
const fromTheStart: Mapping = (_template, _specimen, s) => s;
const fromTheEnd: Mapping = (template, specimen, s) => specimen.s.at(-1)! - (template.s.at(-1)! - s);
const MAPPINGS: readonly Mapping[] = [between, fromItsBeginning, fromTheEyes, fromTheStart, fromTheEnd];

export interface Fit {
  /** root mean square of what is left between corresponding places, diameters of the template's rope */
  readonly apart: number;
  /** lays a point of the template where it falls in the specimen's frame */
  readonly lay: (p: Point3) => Point3;
  /** arc length along the specimen's rope at each place of the template */
  readonly at: readonly number[];
}

/** How far along the rope a place is looked for when it is matched again. */
const LOOK = [3, 2, 1.4] as const;
/** places by which beginnings are compared */
const FIRST_LOOK = 30;
/** of several beginnings so many are followed up */
const FOLLOWED = 2;
const STARTS = 24;

/**
 * @param template a stored form @param specimen its ropes in the same order
 * @param mirror the template's mirror image is meant @param unless farther apart than this at first sight it is not followed up
 * @returns null where it was not followed up
 */
export function fitOf(template: Template, specimen: readonly Gauge[], mirror: boolean, unless = Infinity): Fit | null {
  const flip = (p: Point3): Point3 => (mirror ? [p[0], p[1], -p[2]] : p);
  const a = template.places.map((q) => flip(q.p));
  const pointsAt = (at: readonly number[]) => template.places.map((q, k) => pointAt(specimen[q.rope]!, at[k]!));
  const left = (turn: Turn, b: readonly Point3[]) => Math.sqrt(a.reduce((sum, p, k) => sum + distance(movedBy(turn, p), b[k]!) ** 2, 0) / a.length);
  const first = template.gauges[0]!;
  const total = specimen[0]!.s.at(-1)!;
  // a sling has no first place: several are tried either way, the best are followed up
  const begun = first.closed
    ? Array.from({ length: 2 * STARTS }, (_, k) => template.places.map((q) => total * ((k >> 1) / STARTS + ((k % 2 ? 1 : -1) * q.s) / first.s.at(-1)!)))
    : MAPPINGS.map((mapping) => template.places.map((q) => mapping(template.gauges[q.rope]!, specimen[q.rope]!, q.s)));
  const every = Math.max(1, Math.floor(template.places.length / FIRST_LOOK));
  const looked = template.places.map((_, k) => k).filter((k) => k % every === 0);
  const some = looked.map((k) => a[k]!);
  const span = Math.max(1, Math.floor(looked.length / 3));
  const lengths = some.map((p, k) => distance(p, some[(k + span) % some.length]!));
  const turned = begun.flatMap((at) => {
    const b = looked.map((k) => pointAt(specimen[template.places[k]!.rope]!, at[k]!));
    // places that lie otherwise far from each other cannot be laid on one another
    if (Number.isFinite(unless) && Math.sqrt(b.reduce((sum, p, k) => sum + (distance(p, b[(k + span) % b.length]!) - lengths[k]!) ** 2, 0) / b.length) > unless) return [];
    const turn = bestTurn(some, b);
    return [{ at, turn, apart: Math.sqrt(some.reduce((sum, p, k) => sum + distance(movedBy(turn, p), b[k]!) ** 2, 0) / some.length) }];
  });
  turned.sort((x, y) => x.apart - y.apart);
  const nearest = turned[0];
  if (!nearest) return null;
  if (nearest.apart > unless) return null;
  let best: Fit | null = null;
  for (const start of turned.slice(0, FOLLOWED)) {
    let { at, turn, apart } = start;
    for (const look of LOOK) {
      const laid = turn;
      const before = at;
      at = template.places.map((q, k) => {
        const [x, y, z] = movedBy(laid, a[k]!);
        return nearestArc(specimen[q.rope]!, before[k]!, look, x, y, z);
      });
      const b = pointsAt(at);
      turn = bestTurn(a, b);
      apart = left(turn, b);
    }
    const last = turn;
    if (!best || apart < best.apart) best = { apart, at, lay: (p) => movedBy(last, flip(p)) };
  }
  return best;
}
