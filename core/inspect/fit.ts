/**
 * How nearly a specimen lies as a stored form does: places that correspond along the rope are laid on each other by the best turn and shift
 * (Horn 1987, unit quaternions), then matched again nearby, a few times. What is compared is the knot proper. It tells forms apart that are
 * one to topology: crossed pairs, lanes, wraps, which end is loaded. Unit: rope diameters.
 */
import { add, arcLengths, distance, dot, resample, scale, smooth, subtract, unit, type Point3 } from '../curve';

/** A rope to be compared: its points from the standing end to the tail, and where its eyes' far points are. */
export interface Strand {
  readonly points: readonly Point3[];
  readonly closed: boolean;
  readonly eyes: readonly number[];
  /** point indices between which the knot proper lies, where that is known */
  readonly proper?: readonly [number, number];
}

/** A strand as it is compared: with the places by which two of them are brought together. */
export interface Gauge extends Pick<Even, 'points' | 's' | 'closed'> {
  /** arc lengths: start, first place near another part, for each eye where its legs leave the knot, last place near another part, end */
  readonly anchors: readonly number[];
  /** arc lengths between which the knot proper lies, where that is known */
  readonly proper?: readonly [number, number];
}

const STEP = 0.4;
/** rounds of smoothing that take a tenth of a diameter of noise away and leave a tight bend */
const ROUNDS = 4;
const NEIGHBOURS = 4;
/** cosine of the angle above which two strands run alongside, as pairs and the legs of an eye do: that says nothing of where the knot is */
const ALONGSIDE = 0.8;
/** so much farther than the nearest parts of a knot are, its parts still lie at each other; and how far that is at least and at most */
const AT_EACH_OTHER = { times: 1.75, least: 1.75, most: 4.2 };

/** A strand with its points at even steps, a tenth of a diameter of noise smoothed away. */
export interface Even {
  readonly points: readonly Point3[];
  readonly s: readonly number[];
  readonly closed: boolean;
  readonly eyes: readonly number[];
  readonly proper?: readonly [number, number];
}

/** Coarse lines are first made fine, so that smoothing takes as much from one as from another. */
export function evened({ points, closed, eyes, proper }: Strand): Even {
  const ring = closed ? [...points, points[0]!] : points;
  const fine = smooth(resample(ring, STEP), ROUNDS);
  const from = arcLengths(ring);
  // near the same share of the way
  const placed = (e: number): number => {
    const share = from[e]! / from.at(-1)!;
    let [best, least] = [0, Infinity];
    for (let i = Math.max(0, Math.floor((share - 0.1) * fine.length)); i < Math.min(fine.length, (share + 0.1) * fine.length); i++) {
      const d = distance(fine[i]!, points[e]!);
      if (d < least) [least, best] = [d, i];
    }
    return best;
  };
  return { points: fine, s: arcLengths(fine), closed, eyes: eyes.map(placed), ...(proper && { proper: [placed(proper[0]), placed(proper[1])] as const }) };
}

type Cell = readonly [number, number, number];
const AROUND: readonly Cell[] = [-1, 0, 1].flatMap((x) => [-1, 0, 1].flatMap((y) => [-1, 0, 1].map((z): Cell => [x, y, z])));

/** For each point of each line the distance to the nearest point of another part, Infinity where none is within `reach`. @param across only parts that run otherwise */
export function nearestParts(lines: readonly Pick<Even, 'points' | 's' | 'closed'>[], reach: number, across = false): number[][] {
  const cells = new Map<number, { line: number; i: number }[]>();
  // two cells that share a number only cost a look: every distance is taken
  const key = (p: Point3, d: Cell) => Math.imul(Math.floor(p[0] / reach) + d[0], 73_856_093) ^ Math.imul(Math.floor(p[1] / reach) + d[1], 19_349_663) ^ Math.imul(Math.floor(p[2] / reach) + d[2], 83_492_791);
  lines.forEach(({ points }, line) =>
    points.forEach((p, i) => {
      const k = key(p, [0, 0, 0]);
      const there = cells.get(k);
      if (there) there.push({ line, i });
      else cells.set(k, [{ line, i }]);
    }),
  );
  const tangent = (line: number, i: number): Point3 => {
    const { points } = lines[line]!;
    return unit(subtract(points[Math.min(points.length - 1, i + 1)]!, points[Math.max(0, i - 1)]!));
  };
  return lines.map(({ points, s, closed }, line) => {
    const total = s.at(-1)!;
    return points.map((p, i) => {
      const along = across ? tangent(line, i) : null;
      let least = Infinity;
      for (const d of AROUND)
        for (const o of cells.get(key(p, d)) ?? []) {
          if (o.line === line) {
            const arc = Math.abs(s[o.i]! - s[i]!);
            if ((closed ? Math.min(arc, total - arc) : arc) <= NEIGHBOURS) continue;
          }
          if (along && Math.abs(dot(along, tangent(o.line, o.i))) > ALONGSIDE) continue;
          const q = lines[o.line]!.points[o.i]!;
          least = Math.min(least, (q[0] - p[0]) ** 2 + (q[1] - p[1]) ** 2 + (q[2] - p[2]) ** 2);
        }
      return least <= reach * reach ? Math.sqrt(least) : Infinity;
    });
  });
}

/** @param bars what the ropes are tied to, as points on their middle lines @param reach nearer to those than this a rope lies on them */
export function gaugesOf(even: readonly Even[], bars: readonly (readonly Point3[])[] = [], reach = 0): Gauge[] {
  let near = nearestParts(even, AT_EACH_OTHER.least);
  let nearest = Math.min(...near.flat());
  // parts that lie farther apart are looked for only where none lie near
  if (nearest * AT_EACH_OTHER.times > AT_EACH_OTHER.least) {
    near = nearestParts(even, AT_EACH_OTHER.most);
    nearest = Math.min(...near.flat());
  }
  const touching = Math.min(AT_EACH_OTHER.most, Math.max(AT_EACH_OTHER.least, AT_EACH_OTHER.times * nearest));
  const crossed = nearestParts(even, touching, true);
  // a knot all of whose strands run alongside, as far as this tells: then everything near counts
  if (crossed.flat().some((d) => d < touching)) near = crossed;
  return even.map(({ points, s, closed, eyes, proper }, k) => {
    if (closed) return { points, s, closed, anchors: [0, s.at(-1)!] };
    const touches = points.map((p, i) => near[k]![i]! < touching || bars.some((bar) => bar.some((q) => (q[0] - p[0]) ** 2 + (q[1] - p[1]) ** 2 + (q[2] - p[2]) ** 2 < reach * reach)));
    const first = Math.max(0, touches.indexOf(true));
    const last = touches.includes(true) ? touches.lastIndexOf(true) : points.length - 1;
    // where the legs of each eye leave what they lie at
    const free = eyes.filter((e) => e > first && e < last).flatMap((e) => [Math.max(first, touches.lastIndexOf(true, e)), Math.max(e, touches.indexOf(true, e))]);
    return { points, s, closed, anchors: [0, s[first]!, ...free.map((i) => s[i]!), s[last]!, s.at(-1)!], ...(proper && { proper: [s[proper[0]]!, s[proper[1]]!] as const }) };
  });
}

/** Index of the last point at or before an arc length. Steps are nearly even: it is not far from its share of the way. */
function indexAt({ s }: Gauge, x: number): number {
  const last = s.length - 2;
  let i = Math.min(last, Math.max(0, Math.floor((x / (s[last + 1]! || 1)) * (last + 1))));
  while (i > 0 && s[i]! > x) i--;
  while (i < last && s[i + 1]! <= x) i++;
  return i;
}

const within = (g: Gauge, at: number): number => {
  const total = g.s.at(-1)!;
  return g.closed ? ((at % total) + total) % total : Math.min(total, Math.max(0, at));
};

function pointAt(g: Gauge, at: number): Point3 {
  const x = within(g, at);
  const i = indexAt(g, x);
  const [a, b] = [g.points[i]!, g.points[i + 1]!];
  const t = (x - g.s[i]!) / (g.s[i + 1]! - g.s[i]! || 1);
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
}

/** Arc length of the point nearest to a target within `look` of `about`. */
function nearestArc(g: Gauge, about: number, look: number, x: number, y: number, z: number): number {
  const n = g.points.length;
  const steps = Math.ceil(look / STEP);
  const from = indexAt(g, within(g, about));
  let [least, found] = [Infinity, from];
  for (let d = -steps; d <= steps; d++) {
    let i = from + d;
    // the last point of a closed line is its first
    if (g.closed) i = ((i % (n - 1)) + n - 1) % (n - 1);
    else if (i < 0 || i >= n) continue;
    const p = g.points[i]!;
    const e = (p[0] - x) * (p[0] - x) + (p[1] - y) * (p[1] - y) + (p[2] - z) * (p[2] - z);
    if (e < least) [least, found] = [e, i];
  }
  return g.s[found]!;
}

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

interface Turn {
  readonly r: readonly (readonly [number, number, number])[];
  readonly from: Point3;
  readonly to: Point3;
}
const apply = ({ r, from, to }: Turn, p: Point3): Point3 => {
  const q = subtract(p, from);
  return [to[0] + dot(r[0] as unknown as Point3, q), to[1] + dot(r[1] as unknown as Point3, q), to[2] + dot(r[2] as unknown as Point3, q)];
};

/** The rotation and shift that lay `a` on `b` best. */
function bestTurn(a: readonly Point3[], b: readonly Point3[]): Turn {
  const middle = (q: readonly Point3[]) => scale(q.reduce<Point3>(add, [0, 0, 0]), 1 / q.length);
  const [ca, cb] = [middle(a), middle(b)];
  const m = [[0, 0, 0], [0, 0, 0], [0, 0, 0]];
  a.forEach((p, k) => {
    const [u, v] = [subtract(p, ca), subtract(b[k]!, cb)];
    for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) m[i]![j]! += u[i]! * v[j]!;
  });
  const [[xx, xy, xz], [yx, yy, yz], [zx, zy, zz]] = m as [[number, number, number], [number, number, number], [number, number, number]];
  const n = [
    [xx + yy + zz, yz - zy, zx - xz, xy - yx], [yz - zy, xx - yy - zz, xy + yx, zx + xz],
    [zx - xz, xy + yx, -xx + yy - zz, yz + zy], [xy - yx, zx + xz, yz + zy, -xx - yy + zz],
  ];
  const [w, x, y, z] = largestEigenvector(n);
  const r = [
    [w * w + x * x - y * y - z * z, 2 * (x * y - w * z), 2 * (x * z + w * y)], [2 * (x * y + w * z), w * w - x * x + y * y - z * z, 2 * (y * z - w * x)],
    [2 * (x * z - w * y), 2 * (y * z + w * x), w * w - x * x - y * y + z * z],
  ] as [number, number, number][];
  return { r, from: ca, to: cb };
}

/** Of a symmetric 4 by 4 matrix, by Jacobi's rotations. */
function largestEigenvector(matrix: readonly (readonly number[])[]): [number, number, number, number] {
  const a = matrix.map((row) => row.slice());
  const v: number[][] = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 1 : 0)));
  for (let sweep = 0; sweep < 24; sweep++)
    for (let p = 0; p < 3; p++)
      for (let q = p + 1; q < 4; q++) {
        const apq = a[p]![q]!;
        if (Math.abs(apq) < 1e-14) continue;
        const theta = (a[q]![q]! - a[p]![p]!) / (2 * apq);
        const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
        const c = 1 / Math.sqrt(t * t + 1);
        const s = t * c;
        for (let k = 0; k < 4; k++) {
          const [akp, akq] = [a[k]![p]!, a[k]![q]!];
          a[k]![p] = c * akp - s * akq;
          a[k]![q] = s * akp + c * akq;
        }
        for (let k = 0; k < 4; k++) {
          const [apk, aqk] = [a[p]![k]!, a[q]![k]!];
          a[p]![k] = c * apk - s * aqk;
          a[q]![k] = s * apk + c * aqk;
          const [vkp, vkq] = [v[k]![p]!, v[k]![q]!];
          v[k]![p] = c * vkp - s * vkq;
          v[k]![q] = s * vkp + c * vkq;
        }
      }
  let best: number = 0;
  for (let i = 1; i < 4; i++) if (a[i]![i]! > a[best]![best]!) best = i;
  return [v[0]![best]!, v[1]![best]!, v[2]![best]!, v[3]![best]!];
}

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
  const left = (turn: Turn, b: readonly Point3[]) => Math.sqrt(a.reduce((sum, p, k) => sum + distance(apply(turn, p), b[k]!) ** 2, 0) / a.length);
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
    return [{ at, turn, apart: Math.sqrt(some.reduce((sum, p, k) => sum + distance(apply(turn, p), b[k]!) ** 2, 0) / some.length) }];
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
        const [x, y, z] = apply(laid, a[k]!);
        return nearestArc(specimen[q.rope]!, before[k]!, look, x, y, z);
      });
      const b = pointsAt(at);
      turn = bestTurn(a, b);
      apart = left(turn, b);
    }
    const last = turn;
    if (!best || apart < best.apart) best = { apart, at, lay: (p) => apply(last, flip(p)) };
  }
  return best;
}

/** How far apart two ropes lie, all along: beyond an end of either nothing is compared. */
export interface Apart {
  /** root mean square, diameters */
  readonly mean: number;
  readonly most: number;
}

const FINE_STEP = 0.6;
const FINE_LOOK = 1.6;

/** Nearest place of a rope to a point, looked for about an arc length; null beyond its ends. */
function nearestOn(g: Gauge, about: number, target: Point3): Point3 | null {
  const total = g.s.at(-1)!;
  if (!g.closed && (about < -0.2 || about > total + 0.2)) return null;
  // on the pieces beside the nearest point
  const n = g.points.length;
  const at = indexAt(g, nearestArc(g, about, FINE_LOOK, target[0], target[1], target[2]));
  let [least, found]: [number, Point3 | null] = [Infinity, null];
  for (let d = -1; d <= 1; d++) {
    const i = g.closed ? (((at + d) % (n - 1)) + n - 1) % (n - 1) : at + d;
    if (i < 0 || i >= n - 1) continue;
    const [a, b] = [g.points[i]!, g.points[i + 1]!];
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const t = Math.min(1, Math.max(0, ((target[0] - a[0]) * ux + (target[1] - a[1]) * uy + (target[2] - a[2]) * uz) / (ux * ux + uy * uy + uz * uz || 1)));
    const p: Point3 = [a[0] + t * ux, a[1] + t * uy, a[2] + t * uz];
    const e = (p[0] - target[0]) ** 2 + (p[1] - target[1]) ** 2 + (p[2] - target[2]) ** 2;
    if (e < least) [least, found] = [e, p];
  }
  return found;
}

/** Which place of one rope corresponds to a place of the other: evenly between places that do; beyond them the rope is as long as it is. */
function across(pairs: readonly (readonly [number, number])[], x: number, from: 0 | 1, closed: boolean): number {
  const to = from === 0 ? 1 : 0;
  if (closed) {
    const way = pairs[2]![1] < pairs[1]![1] ? -1 : 1;
    const best = pairs.reduce((b, q) => (Math.abs(q[from] - x) < Math.abs(b[from] - x) ? q : b));
    return best[to] + way * (x - best[from]);
  }
  if (x <= pairs[0]![from]) return pairs[0]![to] + (x - pairs[0]![from]);
  let k = 0;
  while (k < pairs.length - 2 && x > pairs[k + 1]![from]) k++;
  const [a, b] = [pairs[k]!, pairs[k + 1]!];
  if (x > b[from]) return b[to] + (x - b[from]);
  return b[from] > a[from] ? a[to] + ((x - a[from]) / (b[from] - a[from])) * (b[to] - a[to]) : a[to];
}

const evenSteps = (g: Gauge) => Array.from({ length: Math.floor(g.s.at(-1)! / FINE_STEP) + 1 }, (_, k) => k * FINE_STEP);

/**
 * Two shapes that have been laid on each other, laid on each other once more by all that corresponds and compared along their whole ropes
 * both ways. Where no part is farther from its own place than half of what strands lie apart, one can be moved into the other straight along
 * without any strand passing another: they are one knot.
 */
export function apartAllAlong(template: Template, specimen: readonly Gauge[], fit: Fit, mirror: boolean): Apart & { readonly fit: Fit } {
  const flip = (p: Point3): Point3 => (mirror ? [p[0], p[1], -p[2]] : p);
  const ropes = template.gauges.map((own, rope) => ({ own, there: specimen[rope]!, pairs: template.places.flatMap((q, k): [number, number][] => (q.rope === rope ? [[q.s, fit.at[k]!]] : [])) }));
  const matched = (lay: (p: Point3) => Point3): [Point3, Point3][] =>
    ropes.flatMap(({ own, there, pairs }) =>
      evenSteps(own).flatMap((s): [Point3, Point3][] => {
        const p = pointAt(own, s);
        const q = nearestOn(there, across(pairs, s, 0, own.closed), lay(p));
        return q ? [[p, q]] : [];
      }),
    );
  let lay = fit.lay;
  let forward = matched(lay);
  for (let round = 0; round < 2; round++) {
    const turn = bestTurn(forward.map(([p]) => flip(p)), forward.map(([, q]) => q));
    lay = (p) => apply(turn, flip(p));
    forward = matched(lay);
  }
  const distances = forward.map(([p, q]) => distance(lay(p), q));
  for (const { own, there, pairs } of ropes) {
    if (own.closed) continue;
    const laid: Gauge = { ...own, points: own.points.map(lay) };
    for (const s of evenSteps(there)) {
      const p = pointAt(there, s);
      const q = nearestOn(laid, across(pairs, s, 1, false), p);
      if (q) distances.push(distance(p, q));
    }
  }
  return { mean: Math.sqrt(distances.reduce((sum, d) => sum + d * d, 0) / distances.length), most: Math.max(...distances), fit: { ...fit, lay } };
}
