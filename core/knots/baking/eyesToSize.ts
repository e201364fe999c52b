/** Eyes of a knot that stays as it was drawn up, drawn to size. */
import {
  add,
  arcLengths,
  cross,
  lerp,
  nearestIndex,
  resample,
  scale,
  splineThrough,
  subtract,
  unit,
  type Point3,
} from '../../curve';
import { NODE_SPACING } from '../../rope';
import type { RopeSpan } from './ropeSpan';

/** strands nearer than this touch */
export const CLEAR = 0.97;

/** nodes near an eye's far point, where what draws the eye bears */
export const EYE_NODES = 5;

/** Nodes of each leg that stay where they were drawn up. */
const LEG_NODES = 6;

/** ways in which an eye may lie, so that two do not lie in each other */
export const EYE_TURNS_deg = [0, 50, -50, 90];

/** depth of an eye as it is shown, diameters */
const EYE_DEPTH = 7.5;

/** An eye into which slack has gone, drawn to size: a drop along the way its legs leave. What lies in an eye is free rope: drawing it to size is what working slack out does. */
function withEyeToSize(
  points: readonly Point3[],
  { from, at, to }: RopeSpan['eyes'][number],
  turn_deg: number,
): { points: Point3[]; grown: number; at: number } {
  const s = arcLengths(points);
  if (s[to]! - s[from]! < 2.6 * EYE_DEPTH) return { points: [...points], grown: 0, at };
  const [a, b] = [points[from + LEG_NODES]!, points[to - LEG_NODES]!];
  const out = unit(add(unit(subtract(a, points[from]!)), unit(subtract(b, points[to]!))));
  const apart = subtract(b, a);
  const flat = subtract(apart, scale(out, out[0] * apart[0] + out[1] * apart[1] + out[2] * apart[2]));
  const t = (turn_deg * Math.PI) / 180;
  const side = add(scale(unit(flat), Math.cos(t)), scale(cross(out, unit(flat)), Math.sin(t)));
  const middle = lerp(a, b, 0.5);
  const half = Math.max(2.4, 0.6 * Math.hypot(...flat));
  const spot = (w: number, depth: number): Point3 => add(middle, add(scale(side, w * half), scale(out, depth)));
  const drop = splineThrough([
    points[from + LEG_NODES - 2]!,
    a,
    spot(-1, EYE_DEPTH * 0.55),
    spot(-0.9, EYE_DEPTH * 0.78),
    spot(-0.5, EYE_DEPTH * 0.95),
    spot(0, EYE_DEPTH),
    spot(0.5, EYE_DEPTH * 0.95),
    spot(0.9, EYE_DEPTH * 0.78),
    spot(1, EYE_DEPTH * 0.55),
    b,
    points[to - LEG_NODES + 2]!,
  ]);
  const inner = resample(drop.slice(24, -24), NODE_SPACING).slice(1, -1);
  const sized = [...points.slice(0, from + LEG_NODES + 1), ...inner, ...points.slice(to - LEG_NODES)];
  return { points: sized, grown: sized.length - points.length, at: nearestIndex(sized, spot(0, EYE_DEPTH), from) };
}

/** All eyes of a rope drawn to size, and where its places are then. @param turn_deg by which they are turned about the way their legs leave */
export function eyesToSize(
  points: readonly Point3[],
  { span, eyes }: RopeSpan,
  turn_deg: number,
): { points: Point3[]; span: RopeSpan; grown: number[] } {
  let [line, last, shift] = [[...points], span[1], 0];
  const grown: number[] = [];
  const sized = eyes.map((e) => {
    const now = { from: e.from + shift, at: e.at + shift, to: e.to + shift };
    const r = withEyeToSize(line, now, turn_deg);
    line = r.points;
    shift += r.grown;
    last += r.grown;
    grown.push(r.grown);
    return { from: now.from, at: r.at, to: now.to + r.grown };
  });
  return { points: line, span: { span: [span[0], last], eyes: sized }, grown };
}
