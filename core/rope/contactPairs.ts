/**
 * Which segments of the ropes may touch: a hash grid with a skin (Verlet lists), made anew when something has
 * moved far enough. A segment is named by its first node. The tangential spring of a pair that was in contact
 * is carried over. Unit: rope diameters.
 */
import type { RopeState } from './state';

// looked up once: in a context of its own a program pays for each look
const { abs, floor, imul, max, min, sin, sqrt, PI } = Math;

/** closest index distance at which two segments of one rope may touch */
const NEIGHBOUR_SEGMENTS = 4;
/** segments of one rope nearer than this along it are a bend, not two strands; in its diameters */
const BEND_ARC = 2.5;
const FIRST_CAPACITY = 4096;

export class ContactPairs {
  /** pairs in use; the arrays may be longer */
  count = 0;
  a = new Int32Array(FIRST_CAPACITY);
  b = new Int32Array(FIRST_CAPACITY);
  /** distance at which the pair begins to bear at full thickness: the sum of radii, less for near neighbours on one rope */
  reach = new Float64Array(FIRST_CAPACITY);
  /** 1 where the two are different strands, 0 where they are one bend */
  apart = new Uint8Array(FIRST_CAPACITY);
  /** tangential spring, three values a pair */
  slip = new Float64Array(3 * FIRST_CAPACITY);
  active = new Uint8Array(FIRST_CAPACITY);
  private readonly found: Float64Array;
  /** middles of the segments, scratch for whoever goes through the pairs */
  readonly middle: Float64Array;
  private readonly cell: Int32Array;
  private readonly cellNext: Int32Array;
  private readonly cellHead: Int32Array;
  private readonly size: number;

  /** @param skin how far beyond contact pairs are kept */
  constructor(
    private readonly state: RopeState,
    skin: number,
  ) {
    const n = state.nodeCount;
    this.found = new Float64Array(3 * n);
    this.middle = new Float64Array(3 * n);
    this.cell = new Int32Array(3 * n);
    this.cellNext = new Int32Array(n);
    let buckets = 1;
    while (buckets < 2 * n) buckets <<= 1;
    this.cellHead = new Int32Array(buckets);
    this.size = 2 * max(...state.radius) + 1.1 * max(...state.rest) + skin;
  }

  /** Distance at which two segments bear on each other, and whether they are different strands; null where they never touch. */
  private bearing(a: number, b: number): { reach: number; apart: boolean } | null {
    const { ropeOf, radius, rest, free, ropeStart, closed } = this.state;
    const rope = ropeOf[a]!;
    if (rope !== ropeOf[b]) return { reach: radius[a]! + radius[b]!, apart: true };
    if (!free[a] && !free[b]) return null;
    const count = ropeStart[rope + 1]! - ropeStart[rope]!;
    const gap = closed[rope] ? min(abs(a - b), count - abs(a - b)) : abs(a - b);
    if (gap < NEIGHBOUR_SEGMENTS) return null;
    const d = 2 * radius[a]!;
    const arc = rest[a]! / d;
    return { reach: d * sin(min((gap - 1) * arc * 0.97, PI / 2)), apart: gap * arc > BEND_ARC };
  }

  /** Finds the pairs at the present places. */
  find(): void {
    const { cell, cellHead, cellNext, middle, size } = this;
    const { x, next, nodeCount: n } = this.state;
    const carried = new Map<number, number>();
    const oldSlip = this.slip.slice(0, 3 * this.count);
    for (let k = 0; k < this.count; k++) if (this.active[k]) carried.set(this.a[k]! * n + this.b[k]!, k);
    const mask = cellHead.length - 1;
    const hash = (p: number, q: number, r: number) =>
      (imul(p, 73856093) ^ imul(q, 19349663) ^ imul(r, 83492791)) & mask;
    cellHead.fill(-1);
    this.count = 0;
    for (let i = 0; i < n; i++) {
      const j = next[i]!;
      if (j < 0) continue;
      for (let c = 0; c < 3; c++) {
        middle[3 * i + c] = 0.5 * (x[3 * i + c]! + x[3 * j + c]!);
        cell[3 * i + c] = floor(middle[3 * i + c]! / size);
      }
      const cx = cell[3 * i]!,
        cy = cell[3 * i + 1]!,
        cz = cell[3 * i + 2]!;
      for (let p = -1; p <= 1; p++)
        for (let q = -1; q <= 1; q++)
          for (let r = -1; r <= 1; r++)
            for (let e = cellHead[hash(cx + p, cy + q, cz + r)]!; e >= 0; e = cellNext[e]!) {
              if (cell[3 * e] !== cx + p || cell[3 * e + 1] !== cy + q || cell[3 * e + 2] !== cz + r) continue;
              const dx = middle[3 * e]! - middle[3 * i]!;
              const dy = middle[3 * e + 1]! - middle[3 * i + 1]!;
              const dz = middle[3 * e + 2]! - middle[3 * i + 2]!;
              if (dx * dx + dy * dy + dz * dz > size * size) continue;
              const bears = this.bearing(e, i);
              if (!bears) continue;
              const old = carried.get(e * n + i);
              this.add(e, i, bears, old === undefined ? null : oldSlip.subarray(3 * old, 3 * old + 3));
            }
      const bucket = hash(cx, cy, cz);
      cellNext[i] = cellHead[bucket]!;
      cellHead[bucket] = i;
    }
    this.found.set(x);
  }

  /** Farthest that any node has moved since the pairs were found. */
  largestMoveSinceFound(): number {
    const { x } = this.state;
    let far = 0;
    for (let i = 0; i < x.length; i += 3) {
      const d =
        (x[i]! - this.found[i]!) ** 2 + (x[i + 1]! - this.found[i + 1]!) ** 2 + (x[i + 2]! - this.found[i + 2]!) ** 2;
      if (d > far) far = d;
    }
    return sqrt(far);
  }

  private add(a: number, b: number, bears: { reach: number; apart: boolean }, slip: Float64Array | null): void {
    if (this.count >= this.a.length) this.grow();
    const k = this.count++;
    this.a[k] = a;
    this.b[k] = b;
    this.reach[k] = bears.reach;
    this.apart[k] = bears.apart ? 1 : 0;
    for (let c = 0; c < 3; c++) this.slip[3 * k + c] = slip ? slip[c]! : 0;
    this.active[k] = slip ? 1 : 0;
  }

  private grow(): void {
    const size = 2 * this.a.length;
    const grown = <T extends Int32Array | Float64Array | Uint8Array>(old: T, fresh: T): T => {
      fresh.set(old);
      return fresh;
    };
    this.a = grown(this.a, new Int32Array(size));
    this.b = grown(this.b, new Int32Array(size));
    this.reach = grown(this.reach, new Float64Array(size));
    this.apart = grown(this.apart, new Uint8Array(size));
    this.slip = grown(this.slip, new Float64Array(3 * size));
    this.active = grown(this.active, new Uint8Array(size));
  }
}
