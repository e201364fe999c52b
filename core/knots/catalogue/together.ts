/**
 * A knot with a stopper tied in its tag, as one rope: the catalogue's two forms, joined. The tag is bent away from the standing part and goes on into
 * the stopper. Every state is joined of the two in that state, so laid, dressed and set it is one knot: a test holds that. Unit: rope diameters.
 */
import { arcLengths, cross, distance, dot, splineThrough, subtract, unit, type Point3 } from '../../curve';
import type { ShapeState } from '../facts/types';
import { inState, pointsOf, type BakedShape, type ShapeComponent } from '../shape/stored';
import { knotById, shapeOf } from './catalogue';
import { across, evenly, plus } from './leading';

/** The stopper that is tied in a tag. */
const IN_THE_TAG = 'double-overhand-stopper';
/** Rope of the tag before it bends away, then to the stopper; the laid forms are flat and wide and lie farther apart. */
const LAYS: Readonly<Record<ShapeState, { readonly leaves: number; readonly away: number }>> = {
  laid: { leaves: 9, away: 17 },
  dressed: { leaves: 1.6, away: 3.4 },
  tight: { leaves: 1.5, away: 2.9 },
};
/** A gap before it in which something could be clipped. */
const GAP = 8;
/** How far the tag turns away from the standing part. */
const TURNS_AWAY_deg = 62;
/** Rope shown beyond the stopper. */
const TAIL = 4.5;
/** Rope of the stopper's own standing part that is kept, as the joint's far end. */
const LEAD = 1.2;

/** The frame of a direction: itself, toward the viewer as far as that goes, and across both. */
function frameOf(along: Point3): readonly [Point3, Point3, Point3] {
  const toward = unit(across(Math.abs(along[2]) > 0.9 ? [0, 1, 0] : [0, 0, 1], along));
  return [along, toward, cross(along, toward)];
}

/** The stopper from a little before its first turn to a little beyond its last, and the direction in which it is entered. */
function stopperIn(state: ShapeState): { readonly points: readonly Point3[]; readonly enters: Point3 } {
  const stored = inState(knotById(IN_THE_TAG).baked.forms['right']!, state);
  const all = pointsOf(stored);
  const s = arcLengths(all);
  const { standing, tail } = stored.marks;
  const from = s.findIndex((a) => a >= s[standing[1]]! - LEAD);
  const to = s.findLastIndex((a) => a <= s[tail[0]]! + TAIL);
  const points = all.slice(from, to + 1);
  return { points, enters: unit(subtract(points[2]!, points[0]!)) };
}

function joined(host: BakedShape, state: ShapeState, gap: number): { points: Point3[]; tail: number } {
  const all = pointsOf(host);
  const s = arcLengths(all);
  const { leaves, away } = LAYS[state];
  const wanted = s[host.marks.tail[0]]! + leaves + gap;
  const cut = Math.max(
    host.marks.tail[0] + 3,
    s.findLastIndex((a) => a <= wanted),
  );
  const along = unit(subtract(all[cut]!, all[cut - 3]!));
  // where less is stored it is led on straight
  const end = plus(all[cut]!, along, Math.max(0, wanted - s[cut]!));
  // away from the standing part where that lies beside it, else to the side
  const beside = all
    .slice(0, host.marks.standing[1])
    .reduce((a, b) => (distance(b, end) < distance(a, end) ? b : a), all[0]!);
  const off = across(subtract(end, beside), along);
  const aside = unit(Math.hypot(...off) > 0.3 ? across([off[0], off[1], 0], along) : across([1, 0, 0], along));
  const turn = (TURNS_AWAY_deg * Math.PI) / 180;
  const heads = unit(plus(plus([0, 0, 0], along, Math.cos(turn)), aside, Math.sin(turn)));
  const stopper = stopperIn(state);
  const [from, to] = [frameOf(stopper.enters), frameOf(heads)];
  const at = plus(plus(end, along, away * 0.35), heads, away * 0.65);
  const placed = stopper.points.map((p): Point3 => {
    const v = subtract(p, stopper.points[0]!);
    return from.reduce<Point3>((sum, axis, k) => plus(sum, to[k]!, dot(v, axis)), at);
  });
  const bend = splineThrough([
    plus(end, along, -1.5),
    end,
    plus(end, along, away * 0.28),
    plus(at, heads, -away * 0.3),
    at,
    placed[4]!,
  ]);
  // of the bend what lies between the two
  const first = bend.reduce((best, p, i) => (distance(p, end) < distance(bend[best]!, end) ? i : best), 0);
  const last = bend.reduce((best, p, i) => (distance(p, at) < distance(bend[best]!, at) ? i : best), 0);
  // evenly spaced from where the host's own points end
  const laidOn = [...evenly([all[cut - 1]!, ...bend.slice(first, last), placed[0]!]).slice(1), ...placed.slice(1)];
  const turnsEnd = laidOn.findLastIndex((p) => distance(p, placed.at(-1)!) > TAIL - 1);
  return { points: [...all.slice(0, cut), ...laidOn], tail: cut + Math.max(0, turnsEnd) };
}

/** @param gap true: the stopper slid away from the knot */
export function withStopperInTag(knot: string, state: ShapeState, gap = false): ShapeComponent[] {
  const stored = inState(knotById(knot).baked.forms['right']!, state);
  const { points, tail } = joined(stored, state, gap ? GAP : 0);
  const [rope, ...others] = shapeOf(knot, 'right', state);
  return [{ ...rope!, points, marks: { ...rope!.marks, tail: [tail, points.length - 1] } }, ...others];
}
