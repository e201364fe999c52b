/**
 * How nearly a specimen lies as a stored form does: places that correspond along the rope are laid on each other by the best turn and shift,
 * then matched again nearby, a few times. What is compared is the knot proper. It tells forms apart that are one to topology: crossed pairs,
 * lanes, wraps, which end is loaded. Unit: rope diameters.
 */
import { bestTurn, distance, movedBy, type Point3, type Turn } from '../../curve';
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
    return Array.from({ length: cuts.length / 2 }, (_, k): [number, number] => [
      cuts[2 * k]! - (k > 0 ? OF_A_LEG : 0),
      cuts[2 * k + 1]! + (k < cuts.length / 2 - 1 ? OF_A_LEG : 0),
    ]);
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

/** Where places of a template's rope fall along a specimen's rope, as far as can be said before they are laid on each other. */
type Mapping = (template: Gauge, specimen: Gauge) => (s: number) => number;

/** Evenly between the anchors that both have. */
const between: Mapping = (template, specimen) => {
  const both = template.anchors.length === specimen.anchors.length;
  const outer = (a: readonly number[]) => [a[0]!, a[1]!, a.at(-2)!, a.at(-1)!];
  const [from, to] = both ? [template.anchors, specimen.anchors] : [outer(template.anchors), outer(specimen.anchors)];
  return (s) => {
    let k = 0;
    while (k < from.length - 2 && s > from[k + 1]!) k++;
    const span = from[k + 1]! - from[k]!;
    // beyond the knot the rope is as long as it is
    if (k === 0) return to[1]! - (from[1]! - s);
    if (k === from.length - 2) return to[k]! + (s - from[k]!);
    return to[k]! + (span > 0 ? ((s - from[k]!) / span) * (to[k + 1]! - to[k]!) : 0);
  };
};
/** As far along from where the knot begins. */
const fromItsBeginning: Mapping = (template, specimen) => (s) => specimen.anchors[1]! + (s - template.anchors[1]!);
/** As far along from where the legs of the eyes leave the knot: tails may be cut, and lie beside the standing part or not. */
const fromTheEyes: Mapping = (template, specimen) => {
  const [own, there] = [template.anchors.slice(2, -2), specimen.anchors.slice(2, -2)];
  if (own.length === 0 || own.length !== there.length) return fromItsBeginning(template, specimen);
  return (s) => {
    const k = own.reduce((best, a, i) => (Math.abs(a - s) < Math.abs(own[best]! - s) ? i : best), 0);
    return there[k]! + (s - own[k]!);
  };
};
const fromTheStart: Mapping = () => (s) => s;
const fromTheEnd: Mapping = (template, specimen) => (s) => specimen.s.at(-1)! - (template.s.at(-1)! - s);
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
/** where only what lies close is wanted, a beginning that is farther apart after each look is left: what lies close comes to half of these */
const LEFT_AT = [0.9, 0.6, Infinity] as const;
/** places by which beginnings are compared */
const FIRST_LOOK = 30;
/** of several beginnings so many are followed up */
const FOLLOWED = 2;
const STARTS = 24;

/** A way of beginning: where each place of a template falls along a specimen, and where those lie by which beginnings are compared. */
interface Beginning {
  readonly at: readonly number[];
  readonly looked: readonly Point3[];
}

/** Places are held against others so many parts of the way round farther on. */
const HELD_AGAINST = [3, 6, 12] as const;

/** A template's every so-manieth place, and how far those lie from others. */
interface FirstLook {
  readonly places: readonly number[];
  readonly spans: readonly { readonly by: number; readonly apart: readonly number[] }[];
}
const firstLooks = new WeakMap<Template, FirstLook>();
function firstLookOf(template: Template): FirstLook {
  const known = firstLooks.get(template);
  if (known) return known;
  const every = Math.max(1, Math.floor(template.places.length / FIRST_LOOK));
  const places = template.places.map((_, k) => k).filter((k) => k % every === 0);
  const own = places.map((k) => template.places[k]!.p);
  const look = {
    places,
    spans: HELD_AGAINST.map((parts) => {
      const by = Math.max(1, Math.floor(own.length / parts));
      return { by, apart: own.map((p, k) => distance(p, own[(k + by) % own.length]!)) };
    }),
  };
  firstLooks.set(template, look);
  return look;
}

/** Root mean square of how much farther or nearer places lie from each other than those of the template do. */
function otherwise(looked: readonly Point3[], { by, apart }: FirstLook['spans'][number]): number {
  let sum = 0;
  for (let k = 0; k < looked.length; k++) {
    const [p, q] = [looked[k]!, looked[(k + by) % looked.length]!];
    const d = Math.sqrt((p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2) - apart[k]!;
    sum += d * d;
  }
  return Math.sqrt(sum / looked.length);
}

/**
 * Ways in which a template may be laid on a specimen, before its hand is chosen.
 * @param unless those in which places lie otherwise far from each other than this cannot be laid on one another, and are left out
 */
export function beginningsOf(template: Template, specimen: readonly Gauge[], unless = Infinity): readonly Beginning[] {
  const first = template.gauges[0]!;
  const total = specimen[0]!.s.at(-1)!;
  const own = first.s.at(-1)!;
  // a sling has no first place: several are tried either way, the best are followed up
  const mappings = first.closed
    ? Array.from({ length: 2 * STARTS }, (_, k) => [
        (s: number) => total * ((k >> 1) / STARTS + ((k % 2 ? 1 : -1) * s) / own),
      ])
    : MAPPINGS.map((mapping) => template.gauges.map((g, rope) => mapping(g, specimen[rope]!)));
  const look = firstLookOf(template);
  return mappings.flatMap((along): Beginning[] => {
    const fallsAt = ({ rope, s }: Template['places'][number]) => along[rope]!(s);
    const looked = look.places.map((k) => pointAt(specimen[template.places[k]!.rope]!, fallsAt(template.places[k]!)));
    return Number.isFinite(unless) && look.spans.some((span) => otherwise(looked, span) > unless)
      ? []
      : [{ at: template.places.map(fallsAt), looked }];
  });
}

/**
 * @param template a stored form @param specimen its ropes in the same order
 * @param mirror the template's mirror image is meant @param unless farther apart than this at first sight it is not followed up
 * @param begun as beginningsOf gives them, where they are known
 * @returns null where it was not followed up, or left
 */
export function fitOf(
  template: Template,
  specimen: readonly Gauge[],
  mirror: boolean,
  unless = Infinity,
  begun = beginningsOf(template, specimen, unless),
): Fit | null {
  const flip = (p: Point3): Point3 => (mirror ? [p[0], p[1], -p[2]] : p);
  const a = template.places.map((q) => flip(q.p));
  const pointsAt = (at: readonly number[]) => template.places.map((q, k) => pointAt(specimen[q.rope]!, at[k]!));
  const left = (turn: Turn, own: readonly Point3[], b: readonly Point3[]) => {
    const sum = own.reduce((all, p, k) => {
      const [q, there] = [movedBy(turn, p), b[k]!];
      return all + (q[0] - there[0]) ** 2 + (q[1] - there[1]) ** 2 + (q[2] - there[2]) ** 2;
    }, 0);
    return Math.sqrt(sum / own.length);
  };
  const some = firstLookOf(template).places.map((k) => a[k]!);
  const turned = begun.map(({ at, looked }) => {
    const turn = bestTurn(some, looked);
    return { at, turn, apart: left(turn, some, looked) };
  });
  turned.sort((x, y) => x.apart - y.apart);
  if (!turned[0] || turned[0].apart > unless) return null;
  let best: Fit | null = null;
  starts: for (const start of turned.slice(0, FOLLOWED)) {
    let { at, turn, apart } = start;
    for (const [round, look] of LOOK.entries()) {
      const laid = turn;
      const before = at;
      at = template.places.map((q, k) => {
        const [x, y, z] = movedBy(laid, a[k]!);
        return nearestArc(specimen[q.rope]!, before[k]!, look, x, y, z);
      });
      const b = pointsAt(at);
      turn = bestTurn(a, b);
      apart = left(turn, a, b);
      if (Number.isFinite(unless) && apart > LEFT_AT[round]!) continue starts;
    }
    const last = turn;
    if (!best || apart < best.apart) best = { apart, at, lay: (p) => movedBy(last, flip(p)) };
  }
  return best;
}
