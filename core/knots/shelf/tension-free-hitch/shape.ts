/**
 * Tension-free hitch: turns round a post, one below the other, and the eye of a figure-eight on a bight (the catalogue's own) clipped back on the rope. No solver: the
 * wraps are a helix, the eight is placed on the line from where the rope leaves the post to where the karabiner takes the load strand.
 */
import { add, arcLengths, cross, distance, scale, straight, subtract, unit, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf } from '../../laying/authoring';
import { baked } from '../figure-eight-on-bight/baked';
import type { ComposedKnot, ComposedRope, LaidForms } from '../../shape/laid';
import { inState, pointsOf, type ShapeComponent } from '../../shape/stored';
import { type ShapeState } from '../../facts/types';

const POST_RADIUS = 8;
/** a post too thin to take the load off the clip */
const THIN_RADIUS = 2.5;
const BAR = 1.1;
const CLIPPED_SENSE = 1;
/** rope between the post and the eight, and between the eye and the load strand, diameters */
const LEAD = 6;
const REACH = 5;
/** load strand shown beyond the clip */
const LOAD_STRAND = 16;
const TAIL = 16;
/** how far off the post and one below the other the wraps lie, and how far out one that is laid over its neighbour */
const LOOSENESS: Readonly<Record<ShapeState, { readonly off: number; readonly pitch: number; readonly over: number }>> =
  {
    laid: { off: 1.3, pitch: 1.6, over: 1.4 },
    dressed: { off: 0.8, pitch: 1.25, over: 1.2 },
    tight: { off: 0.64, pitch: 1.04, over: 1.1 },
  };
/** from the load strand down to the eight's where wraps are so few: they lie apart, so that the clip finds room between the two */
const LEAST_DROP = 6.4;
const FEW_WRAPS = 2;

/** The tail leaves the eight toward the post, and hangs down before it gets there. */
function hangingTail(before: Point3, from: Point3, standing: Point3): Point3[] {
  const aside = unit(subtract(from, standing));
  const out: Point3[] = [];
  let heading = unit(subtract(from, before));
  let at = from;
  for (let s = 0; s < TAIL; s += NODE_SPACING) {
    // clear of the standing strand first, then down
    heading = unit(add(scale(heading, 0.84), s < 4 ? scale(aside, 0.3) : [0, -0.16, 0]));
    at = add(at, scale(heading, NODE_SPACING));
    out.push(at);
  }
  return out;
}

interface Tied {
  readonly wraps: number;
  readonly radius?: number;
  /** a turn lies across the next */
  readonly crossed?: boolean;
}

function inOneState(
  { wraps, radius = POST_RADIUS, crossed = false }: Tied,
  state: ShapeState,
): { rope: ComposedRope; objects: ShapeComponent[]; onPost: number } {
  const { off, pitch: beside, over } = LOOSENESS[state];
  const pitch = wraps > FEW_WRAPS ? beside : Math.max(beside, LEAST_DROP / wraps);
  const r = radius + off;
  const top = (pitch * (wraps - 1)) / 2;
  const eight = inState(baked.forms['right']!, state);
  const local = pointsOf(eight);
  const { standing, tail, eye } = eight.marks;
  const head = local[standing[1]]![1] + 1;
  const deep = -local[eye!]![1];
  // both tangents from the clip to the post are equally long: the one the load comes along and the one the eight lies on
  const whole = LEAD + head + deep + REACH;
  const towards = Math.hypot(whole, r);
  const [qx, qz] = [whole / towards, r / towards];
  const touches = [2 * r * qz * qx, 2 * r * qz * qz - r] as const;
  const turn = 2 * Math.PI * wraps + Math.atan2(-touches[0], touches[1]);
  const helix = Array.from({ length: 36 * wraps + 1 }, (_, k): Point3 => {
    const t = (turn * k) / (36 * wraps);
    // laid over the turn below it for a while, and back
    const aside = crossed
      ? Math.max(0, Math.cos((t - 3 * Math.PI) / 1.6)) * (Math.abs(t - 3 * Math.PI) < 0.8 * Math.PI ? 1 : 0)
      : 0;
    const out = r + over * Math.min(1, 3 * aside);
    return [-out * Math.sin(t), top - (pitch * t) / (2 * Math.PI) - 1.05 * pitch * aside, out * Math.cos(t)];
  });
  const leaves = helix.at(-1)!;
  // level, so that the eight's strand does not ride over the wraps
  const u = unit(subtract([whole, leaves[1], r], leaves));
  const up = scale(u, -1);
  // turned so that the clip takes the eye and the load strand in one sense
  const sense = Math.sign(local[eye! + 2]![0] - local[eye! - 2]![0]) * CLIPPED_SENSE;
  const face = scale(unit(subtract([0, 0, 1], scale(u, u[2]))), sense);
  const across = cross(up, face);
  const centre = add(leaves, scale(u, LEAD + head));
  const put = (p: Point3): Point3 => add(centre, add(scale(across, p[0]), add(scale(up, p[1]), scale(face, p[2]))));
  const from = local.findIndex((p, i) => i >= standing[1] || p[1] < head + LEAD - 2);
  const placed = [
    ...local.slice(from, tail[0] + 1).map(put),
    ...hangingTail(put(local[tail[0] - 2]!), put(local[tail[0]]!), put(local[standing[1]]!)),
  ];
  const before = nodesOf(
    [...straight([whole + LOAD_STRAND, top, r], [0.5, top, r]), ...helix, ...straight(leaves, placed[0]!).slice(1, -1)],
    NODE_SPACING,
    8,
  );
  const points = [...before, ...placed];
  const index = (i: number) => before.length + i - from;
  // the karabiner, askew so that it takes the eye and the strand alike
  // through the eye at a right angle; the load strand then goes through it too, for the clip stands up from the eye to it
  const aside = face;
  const far = put(local[eye!]!);
  const clipped: Point3 = [far[0] + Math.sqrt(Math.max(9, REACH ** 2 - (top - far[1]) ** 2)), top, r];
  // from inside the eye to beyond the load strand
  const beyond = 0.5 + BAR / 2 + 0.2;
  const near = subtract(far, scale(u, beyond));
  const v = unit(subtract(clipped, near));
  // past the load strand, which the clip meets at a slant
  const away = add(clipped, scale(v, beyond / Math.max(0.35, Math.hypot(v[1], v[2]))));
  const middle = scale(add(near, away), 0.5);
  const half = distance(near, away) / 2;
  const around = Array.from({ length: 60 }, (_, k): Point3 => {
    const t = (2 * Math.PI * k) / 60;
    const squared = (v: number) => Math.sign(v) * Math.abs(v) ** 0.72;
    return add(middle, add(scale(v, half * squared(Math.cos(t))), scale(aside, 3.4 * squared(Math.sin(t)))));
  });
  const ring = sense < 0 ? around.reverse() : around;
  const first = before.findIndex((p) => p[0] < 0.6);
  const objects: ShapeComponent[] = [
    { name: 'post', role: 'post', closed: false, diameter: 2 * radius, points: straight([0, -9, 0], [0, 9, 0]) },
    { name: 'karabiner', role: 'ring', closed: true, diameter: BAR, points: ring, marks: { gate: [38, 52] } },
  ];
  const legs = eight.marks.legs!;
  const s = arcLengths(helix);
  // the middle between the post's far side and the clip is the middle of the picture
  const middleX = (Math.max(...ring.map((p) => p[0])) - r) / 2;
  const shifted = (line: readonly Point3[]) => line.map((p) => subtract(p, [middleX, 0, 0]));
  return {
    rope: {
      points: shifted(points),
      first,
      last: index(tail[0]),
      eyeNode: index(eye!),
      legs: [index(legs[0][0]), index(legs[1][1])],
    },
    objects: objects.map((o) => ({ ...o, points: shifted(o.points) })),
    onPost: s.at(-1)!,
  };
}

function tensionFree(wraps: number, wrong: Omit<Tied, 'wraps'> = {}): ComposedKnot {
  const tied = { ...wrong, wraps };
  const states = {
    laid: inOneState(tied, 'laid'),
    dressed: inOneState(tied, 'dressed'),
    tight: inOneState(tied, 'tight'),
  };
  const eight = baked.forms['right']!.set.inKnot_ropeDiameters;
  const also = Math.round(states.tight.onPost + LEAD);
  return { composed: states, inKnot: { low: eight.low + also, value: eight.value + also, high: eight.high + also } };
}

export const forms = {
  right: () => tensionFree(4),
  'one-wrap-short': () => tensionFree(2),
  'clip-carries': () => tensionFree(1),
  'post-too-thin': () => tensionFree(4, { radius: THIN_RADIUS }),
  'crossed-wraps': () => tensionFree(4, { crossed: true }),
  'wraps-3': () => tensionFree(3),
  'wraps-5': () => tensionFree(5),
  'wraps-6': () => tensionFree(6),
} satisfies LaidForms;
