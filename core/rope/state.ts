/**
 * What the solver knows of its ropes: flat arrays, three values a node for places, speeds and forces, ropes one
 * after another. Units: diameter of the first rope d = 1, node mass 1, full load F = 1; time follows from these.
 */
import { norm, subtract, type Point3 } from '../curve';
import { fault } from '../errors';

/** A rope, ring or host as the solver takes it. */
export interface RopeSpec {
  /** evenly spaced points (0.3 to 0.5 d); a closed rope does not repeat the first */
  readonly points: readonly Point3[];
  /** in diameters of the first rope, 1 if not said */
  readonly diameter?: number;
  readonly closed?: boolean;
  /** `whole`: a rigid thing (ring, karabiner) that moves only as a body; `ends`: its two ends stay where they are */
  readonly held?: 'whole' | 'ends';
  /** tension it is stretched to before anything else pulls, full loads */
  readonly pretension?: number;
}

export interface RopeState {
  readonly nodeCount: number;
  /** places, speeds, forces: x y z per node */
  readonly x: Float64Array;
  readonly v: Float64Array;
  readonly f: Float64Array;
  /** node after and before each node, -1 at an end */
  readonly next: Int32Array;
  readonly previous: Int32Array;
  readonly ropeOf: Int32Array;
  /** 1 where a node moves freely, 0 where it is held */
  readonly free: Uint8Array;
  /** 1 for nodes of rigid things: what bears on them is no part of the knot */
  readonly thing: Uint8Array;
  /** half the diameter of the node's rope */
  readonly radius: Float64Array;
  /** length at rest of the segment that a node begins */
  readonly rest: Float64Array;
  /** force in the segment that a node begins, full loads */
  readonly tension: Float64Array;
  /** contact force between ropes carried by each node in the last step, full loads */
  readonly load: Float64Array;
  /** first node of each rope, and one past the last */
  readonly ropeStart: readonly number[];
  readonly closed: readonly boolean[];
}

/**
 * @param stretchStiffness force per unit strain, for the pre-tension
 * @throws shape-not-finite, too-few-points
 */
export function makeState(ropes: readonly RopeSpec[], stretchStiffness: number): RopeState {
  const n = ropes.reduce((sum, r) => sum + r.points.length, 0);
  const s = {
    nodeCount: n,
    x: new Float64Array(3 * n),
    v: new Float64Array(3 * n),
    f: new Float64Array(3 * n),
    next: new Int32Array(n).fill(-1),
    previous: new Int32Array(n).fill(-1),
    ropeOf: new Int32Array(n),
    free: new Uint8Array(n).fill(1),
    thing: new Uint8Array(n),
    radius: new Float64Array(n),
    rest: new Float64Array(n),
    tension: new Float64Array(n),
    load: new Float64Array(n),
    ropeStart: [0],
    closed: ropes.map((r) => r.closed ?? false),
  };
  ropes.forEach(({ points, diameter = 1, closed = false, held, pretension = 0 }, rope) => {
    if (points.length < 3) throw fault('too-few-points', { component: `rope ${rope + 1}`, count: points.length });
    if (points.some((p) => !p.every(Number.isFinite)))
      throw fault('shape-not-finite', { component: `rope ${rope + 1}` });
    const start = s.ropeStart[rope]!;
    const last = start + points.length - 1;
    let length = 0;
    points.forEach((p, i) => {
      const node = start + i;
      s.x.set(p, 3 * node);
      s.ropeOf[node] = rope;
      s.radius[node] = diameter / 2;
      if (i > 0) length += norm(subtract(p, points[i - 1]!));
      if (node < last || closed) s.next[node] = node < last ? node + 1 : start;
      if (node > start || closed) s.previous[node] = node > start ? node - 1 : last;
      if (held === 'whole') s.thing[node] = 1;
      if (held === 'whole' || (held === 'ends' && (node === start || node === last))) s.free[node] = 0;
    });
    s.rest.fill((length / (points.length - 1)) * (1 - pretension / stretchStiffness), start, last + 1);
    s.ropeStart.push(last + 1);
  });
  return s;
}
