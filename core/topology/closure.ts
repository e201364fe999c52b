/**
 * Joining loose ends far away, so that there is something to compute. Every end is led straight out from
 * the middle to a sphere well outside and the ends are joined on it; each join lies on a sphere of its own.
 * With one rope the result does not depend on the join. With two it can: then the convention is that of
 * this file, the shorter way round, bent away from the viewer, so that a join passes behind the ends it meets.
 */
import {
  add,
  cross,
  distance,
  dot,
  norm,
  perpendicular,
  scale,
  subtract,
  unit,
  type Line3,
  type Point3,
} from '../curve';
import { fault } from '../errors';
import { diagramOf, linkingMatrix } from './diagram';
import { refuseUnfit } from './fitness';
import { regularView } from './regularView';

/** Where the picture is seen from, unless a shape says otherwise. */
export const FRONT: Point3 = [0, 0, 1];

const STEPS = 24;
/** Nearer to opposite than this the shorter way round is no choice any more. */
const NEARLY_OPPOSITE = -0.94;
/** How far a join is bent back, as a share of the angle between its ends: less than 1 / pi, so that it never turns back on itself. */
const BENT_BACK = 0.25;

interface Surround {
  readonly centre: Point3;
  readonly far: number;
}

function surround(lines: readonly (readonly Point3[])[]): Surround {
  let total = 0;
  let sum: Point3 = [0, 0, 0];
  for (const points of lines)
    for (let i = 1; i < points.length; i++) {
      const l = distance(points[i - 1]!, points[i]!);
      total += l;
      sum = add(sum, scale(add(points[i - 1]!, points[i]!), l / 2));
    }
  const centre = scale(sum, 1 / (total || 1));
  return { centre, far: Math.max(...lines.map((points) => Math.max(...points.map((p) => distance(p, centre))))) };
}

/** Unit directions from u to v on their great circle, both included. */
function arc(u: Point3, v: Point3): Point3[] {
  const c = Math.max(-1, Math.min(1, dot(u, v)));
  const angle = Math.acos(c);
  if (angle < 1e-9) return [u, v];
  const w = unit(subtract(v, scale(u, c)));
  return Array.from({ length: STEPS + 1 }, (_, k) =>
    add(scale(u, Math.cos((angle * k) / STEPS)), scale(w, Math.sin((angle * k) / STEPS))),
  );
}

/** Points from end `from` out to the sphere, over it and in to end `to`; neither end included. */
function joinOutside(from: Point3, to: Point3, { centre, far }: Surround, layer: number, front: Point3): Point3[] {
  const u = unit(subtract(from, centre));
  const v = unit(subtract(to, centre));
  const radius = 4 * far * (1 + layer / 2);
  let way: Point3[];
  if (dot(u, v) < NEARLY_OPPOSITE) {
    const sideways = subtract(scale(front, -1), scale(u, -dot(front, u)));
    const behind = norm(sideways) < 0.1 ? perpendicular(u) : unit(sideways);
    way = [...arc(u, behind), ...arc(behind, v).slice(1)];
  } else {
    const bend = BENT_BACK * Math.acos(Math.max(-1, Math.min(1, dot(u, v))));
    way = arc(u, v).map((d, k) => unit(subtract(d, scale(front, bend * Math.sin((Math.PI * k) / STEPS)))));
  }
  return way.map((d) => add(centre, scale(d, radius)));
}

/** The rope with both ends led out and joined there. @param points an open line whose ends lead out of the knot */
export const closedAtInfinity = (points: readonly Point3[]): Line3 => closedApart([{ points, closed: false }])[0]!;

/**
 * Every open line joined with itself, closed ones as they are.
 * @throws shape-not-finite, too-few-points, too-many-points
 */
export function closedApart(lines: readonly Line3[], front: Point3 = FRONT): Line3[] {
  refuseUnfit(lines);
  const around = surround(lines.map((l) => (l.closed ? [...l.points, l.points[0]!] : l.points)));
  let layer = 0;
  return lines.map((l) =>
    l.closed
      ? l
      : { points: [...l.points, ...joinOutside(l.points.at(-1)!, l.points[0]!, around, layer++, front)], closed: true },
  );
}

/**
 * Two open ropes as one closed line: the end of each goes on, far away, into the start of the other. A sling's
 * two strands and a host rope are told apart this way where each alone, and their linking, say nothing.
 * @throws shape-not-finite, too-few-points, too-many-points
 */
export function crossJoined(a: readonly Point3[], b: readonly Point3[], front: Point3 = FRONT): Line3 {
  refuseUnfit([
    { points: a, closed: false },
    { points: b, closed: false },
  ]);
  const around = surround([a, b]);
  return {
    points: [
      ...a,
      ...joinOutside(a.at(-1)!, b[0]!, around, 0, front),
      ...b,
      ...joinOutside(b.at(-1)!, a[0]!, around, 1, front),
    ],
    closed: true,
  };
}

/** Points on each leg of a cut eye for a full turn about the other. */
const STEPS_PER_TURN = 16;

/**
 * A loop knot as two open strands: the rope is cut at the far point of the eye and both legs are led outward side by side.
 * @param eye index of the far point of the eye
 * @param turns full turns of the legs about each other on the way out
 * @param way the direction in which they are led, away from the middle unless it is said
 * @returns the half with the standing part, then the half with the tail, each still from the standing end on
 * @throws eye-not-found where the index is not inside the rope; shape-not-finite, too-few-points
 */
export function openedAtEye(points: readonly Point3[], eye: number, turns = 0, way?: Point3): [Line3, Line3] {
  refuseUnfit([{ points, closed: false }]);
  if (!Number.isInteger(eye) || eye < 1 || eye > points.length - 2) throw fault('eye-not-found');
  const { centre, far } = surround([points]);
  const tip = points[eye]!;
  const from = way ? tip : centre;
  const out = way ? unit(way) : unit(subtract(tip, centre));
  const along = unit(subtract(points[eye + 1]!, points[eye - 1]!));
  const u = unit(subtract(along, scale(out, dot(along, out))));
  const v = cross(out, u);
  const reach = distance(tip, from);
  const gap = 0.02 * far;
  const steps = STEPS_PER_TURN * Math.abs(turns);
  const [first, second]: [Point3[], Point3[]] = [[], []];
  const put = (distanceOut: number, width: number, angle: number) => {
    const base = add(from, scale(out, distanceOut));
    const off = scale(add(scale(u, Math.cos(angle)), scale(v, Math.sin(angle))), width);
    first.push(subtract(base, off));
    second.push(add(base, off));
  };
  for (let k = 0; k <= steps; k++)
    put(reach + (steps ? (0.3 * far * k) / steps : 0) + gap, gap, steps ? (2 * Math.PI * turns * k) / steps : 0);
  // the ends lie askew, so that the join of one passes the other beside it
  put(Math.max(reach, far) + 0.5 * far, 6 * gap, 0.7);
  return [
    { points: [...points.slice(0, eye), ...first], closed: false },
    { points: [...second.reverse(), ...points.slice(eye + 1)], closed: false },
  ];
}

/**
 * A loop knot as two strands, its eye pinned: the rope is cut at the far point of the eye, both legs are
 * led outward side by side, and each half is closed. (A ring threaded through the eye is only a bead on the
 * rope and proves nothing.) Full turns of the legs about each other are a matter of dressing: the legs are
 * turned so that the halves do not link.
 * @param eye index of the far point of the eye
 * @param front where the knot is seen from: joins pass behind
 * @param opened makes the open halves of so many turns
 * @returns the half with the standing part, then the half with the tail
 * @throws eye-not-found where the index is not inside the rope; shape-not-finite, too-few-points, strands-touch
 */
export function pinnedEye(
  points: readonly Point3[],
  eye: number,
  front: Point3 = FRONT,
  opened: (turns: number) => readonly Line3[] = (turns) => openedAtEye(points, eye, turns),
): [Line3, Line3] {
  const halves = (turns: number): [Line3, Line3] => {
    const lines = closedApart(opened(turns), front);
    return [lines[0]!, lines[1]!];
  };
  const linking = (lines: readonly Line3[]) => linkingMatrix(diagramOf(regularView(lines), 2))[0]![1]!;
  const plain = halves(0);
  const link = linking(plain);
  if (link === 0) return plain;
  for (const turns of [link, -link]) {
    const turned = halves(turns);
    if (linking(turned) === 0) return turned;
  }
  throw fault('eye-not-found');
}
