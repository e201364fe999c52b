/**
 * Ropes made ready to be compared: evened, and marked where the knot begins and ends and where the legs of its eyes leave it, as far as
 * what lies near what tells. Unit: rope diameters.
 */
import { arcLengths, distance, dot, resample, smooth, subtract, unit, type Point3 } from '../../curve';

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

/** Spacing of an evened line, diameters. */
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
    for (
      let i = Math.max(0, Math.floor((share - 0.1) * fine.length));
      i < Math.min(fine.length, (share + 0.1) * fine.length);
      i++
    ) {
      const d = distance(fine[i]!, points[e]!);
      if (d < least) [least, best] = [d, i];
    }
    return best;
  };
  return {
    points: fine,
    s: arcLengths(fine),
    closed,
    eyes: eyes.map(placed),
    ...(proper && { proper: [placed(proper[0]), placed(proper[1])] as const }),
  };
}

/** More cells than this a grid never has: then they are wider than what is looked for. */
const MOST_CELLS = 1 << 18;

/** All points of some lines in a grid of cells no smaller than `reach`: what is within reach of a point lies in its own cell or in one beside it. */
class Grid {
  private readonly next: Int32Array;
  private readonly first: Int32Array;
  private readonly cells: readonly [number, number, number];
  private readonly low: readonly [number, number, number];
  private readonly width: number;
  /** x y z of every point, line after line */
  readonly xyz: Float64Array;
  /** of every point its line */
  readonly line: Int32Array;
  /** of every line the number of its first point */
  readonly begins: readonly number[];

  constructor(lines: readonly (readonly Point3[])[], reach: number) {
    let count = 0;
    this.begins = lines.map((points) => (count += points.length) - points.length);
    this.xyz = new Float64Array(3 * count);
    this.line = new Int32Array(count);
    const low: [number, number, number] = [Infinity, Infinity, Infinity];
    const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
    lines.forEach((points, line) =>
      points.forEach((p, i) => {
        const n = this.begins[line]! + i;
        this.line[n] = line;
        for (let c = 0; c < 3; c++) {
          const v = p[c]!;
          this.xyz[3 * n + c] = v;
          if (v < low[c]!) low[c] = v;
          if (v > high[c]!) high[c] = v;
        }
      }),
    );
    const cellsAt = (width: number) =>
      [0, 1, 2].map((c) => Math.floor((high[c]! - low[c]!) / width) + 1) as [number, number, number];
    this.low = low;
    this.width = reach;
    while (cellsAt(this.width).reduce((all, n) => all * n, 1) > MOST_CELLS) this.width *= 2;
    this.cells = cellsAt(this.width);
    this.first = new Int32Array(this.cells[0] * this.cells[1] * this.cells[2]).fill(-1);
    this.next = new Int32Array(count);
    for (let n = count - 1; n >= 0; n--) {
      const cell = this.cellOf(this.along(n, 0), this.along(n, 1), this.along(n, 2));
      this.next[n] = this.first[cell]!;
      this.first[cell] = n;
    }
  }
  private along(n: number, c: 0 | 1 | 2): number {
    return Math.floor((this.xyz[3 * n + c]! - this.low[c]) / this.width);
  }
  private cellOf(x: number, y: number, z: number): number {
    return (x * this.cells[1] + y) * this.cells[2] + z;
  }
  /**
   * Least square of the distance from a point to those that count; `most` where none is nearer.
   * @param aside numbers of the first and the last point beside it on its own line, which do not count
   * @param counts asked of the nearer ones only
   */
  nearest(n: number, most: number, aside: readonly [number, number], counts: (other: number) => boolean): number {
    const { xyz, first, next } = this;
    const px = xyz[3 * n]!,
      py = xyz[3 * n + 1]!,
      pz = xyz[3 * n + 2]!;
    const [cx, cy, cz] = [this.along(n, 0), this.along(n, 1), this.along(n, 2)];
    const [nx, ny, nz] = this.cells;
    const [from, to] = aside;
    let least = most;
    for (let x = Math.max(0, cx - 1); x <= Math.min(nx - 1, cx + 1); x++)
      for (let y = Math.max(0, cy - 1); y <= Math.min(ny - 1, cy + 1); y++)
        for (let z = Math.max(0, cz - 1); z <= Math.min(nz - 1, cz + 1); z++)
          for (let m = first[this.cellOf(x, y, z)]!; m >= 0; m = next[m]!) {
            if (m >= from && m <= to) continue;
            const dx = xyz[3 * m]! - px,
              dy = xyz[3 * m + 1]! - py,
              dz = xyz[3 * m + 2]! - pz;
            const apart = dx * dx + dy * dy + dz * dz;
            if (apart < least && counts(m)) least = apart;
          }
    return least;
  }
}

/** For each point of each line the distance to the nearest point of another part, Infinity where none is within `reach`. @param across only parts that run otherwise */
export function nearestParts(
  lines: readonly Pick<Even, 'points' | 's' | 'closed'>[],
  reach: number,
  across = false,
): number[][] {
  const grid = new Grid(
    lines.map((l) => l.points),
    reach,
  );
  // which way rope runs at each point
  const runs = across
    ? lines.flatMap(({ points }) =>
        points.map((_, i) => unit(subtract(points[Math.min(points.length - 1, i + 1)]!, points[Math.max(0, i - 1)]!))),
      )
    : null;
  return lines.map(({ points, s, closed }, line) => {
    const total = s.at(-1)!;
    const begins = grid.begins[line]!;
    let [low, high] = [0, 0];
    return points.map((_, i) => {
      const along = runs?.[begins + i];
      while (s[i]! - s[low]! > NEIGHBOURS) low++;
      while (high + 1 < s.length && s[high + 1]! - s[i]! <= NEIGHBOURS) high++;
      const least = grid.nearest(begins + i, reach * reach, [begins + low, begins + high], (other) => {
        // the other way round a closed line
        if (closed && grid.line[other] === line && total - Math.abs(s[other - begins]! - s[i]!) <= NEIGHBOURS)
          return false;
        return !(along && Math.abs(dot(along, runs![other]!)) > ALONGSIDE);
      });
      return least < reach * reach ? Math.sqrt(least) : Infinity;
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
    const touches = points.map(
      (p, i) =>
        near[k]![i]! < touching ||
        bars.some((bar) =>
          bar.some((q) => (q[0] - p[0]) ** 2 + (q[1] - p[1]) ** 2 + (q[2] - p[2]) ** 2 < reach * reach),
        ),
    );
    const first = Math.max(0, touches.indexOf(true));
    const last = touches.includes(true) ? touches.lastIndexOf(true) : points.length - 1;
    // where the legs of each eye leave what they lie at
    const free = eyes
      .filter((e) => e > first && e < last)
      .flatMap((e) => [Math.max(first, touches.lastIndexOf(true, e)), Math.max(e, touches.indexOf(true, e))]);
    return {
      points,
      s,
      closed,
      anchors: [0, s[first]!, ...free.map((i) => s[i]!), s[last]!, s.at(-1)!],
      ...(proper && { proper: [s[proper[0]]!, s[proper[1]]!] as const }),
    };
  });
}

/** Index of the last point at or before an arc length. Steps are nearly even: it is not far from its share of the way. */
export function indexAt({ s }: Gauge, x: number): number {
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

export function pointAt(g: Gauge, at: number): Point3 {
  const x = within(g, at);
  const i = indexAt(g, x);
  const [a, b] = [g.points[i]!, g.points[i + 1]!];
  const t = (x - g.s[i]!) / (g.s[i + 1]! - g.s[i]! || 1);
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
}

/** Arc length of the point nearest to a target within `look` of `about`. */
export function nearestArc(g: Gauge, about: number, look: number, x: number, y: number, z: number): number {
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
