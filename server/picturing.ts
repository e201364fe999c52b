/** How shapes are handed out: framed for a picture, with marks as other programs read them. */
import type { FastifyReply } from 'fastify';
import { distance, type Point3 } from '../core/curve';
import { storedForm } from '../core/knots/catalogue/catalogue';
import { inState, pointsOf, type BakedForm, type BakedRope, type ShapeComponent } from '../core/knots/shape/stored';
import { type ShapeState } from '../core/knots/facts/types';
import type { PictureComponent } from '../core/picture';

/** Shapes and pictures change only with the catalogue: a browser may keep them a day. */
export const KEEP = 'public, max-age=86400';

/** Half the size of the knot proper in a state, for framing: its height, or for a square crop whichever is larger. */
export function knotRadius(id: string, form: string, state: ShapeState, crop: 'whole' | 'knot' | 'tall'): number {
  const f = storedForm(id, form);
  const { reach_ropeDiameters: reach } = f.set;
  // an eye clipped back on the rope belongs to the knot, and its clip
  const things = crop === 'knot' ? ((state === 'laid' ? undefined : inState(f, state).objects) ?? f.objects) : [];
  const clipped = things.some((o) => o.role === 'post') && things.find((o) => o.role === 'ring');
  if (clipped) return Math.max(...clipped.points.map((p) => Math.max(Math.abs(p[0]), Math.abs(p[1])))) + 1;
  const opened = state === 'dressed' ? 1.2 : state === 'laid' ? 1.35 : 1;
  if (reach && (state !== 'laid' || f.laidView.apart_ropeDiameters === 0))
    return opened * (crop === 'knot' ? Math.max(...reach) : reach[1]);
  if (state !== 'laid') return (f.set.length_ropeDiameters.value / 2) * opened;
  const proper = (rope: BakedRope) =>
    pointsOf(rope).filter((_, i) => i > rope.marks.standing[1] - 2 && i < rope.marks.tail[0] + 2);
  if (reach)
    return Math.max(
      ...[f.laid, ...(f.laid.second ? [f.laid.second] : [])]
        .flatMap(proper)
        .filter(nearKnot(f))
        .map((p) => (crop === 'knot' ? Math.max(Math.abs(p[0]), Math.abs(p[1])) : Math.abs(p[1]))),
    );
  const m = f.laid.marks;
  const knot = pointsOf(f.laid).filter(
    (_, i) => i > m.standing[1] - 2 && i < m.tail[0] + 2 && (m.eye === undefined || Math.abs(i - m.eye) > 30),
  );
  return Math.max(...knot.map((p) => (crop === 'knot' ? Math.max(Math.abs(p[0]), Math.abs(p[1])) : Math.abs(p[1]))));
}

/** Whether a point is of the knot proper, not of an eye away from it. */
function nearKnot(f: BakedForm): (p: Point3) => boolean {
  const points = pointsOf(f.laid);
  const eyes = [f.laid.marks.eye, f.laid.marks.second_eye].flatMap((e) => (e === undefined ? [] : [points[e]!]));
  return (p) => eyes.every((e) => distance(e, p) >= EYE_REACH);
}
const EYE_REACH = 14;

export function asPicture(components: readonly ShapeComponent[]): PictureComponent[] {
  return components.map(({ marks, ...c }) =>
    marks?.standing && marks.tail
      ? { ...c, drift: [marks.standing[1], marks.tail[0]] as const, eye: marks.eye }
      : { ...c, gate: marks?.gate },
  );
}

/** A mirrored picture comes from a mirrored shape, its object and the run of a tape too. */
export function mirroredForLeft(components: readonly PictureComponent[]): PictureComponent[] {
  const mirror = (p: Point3): Point3 => [-p[0], p[1], p[2]];
  return components.map((c) => ({
    ...c,
    points: c.points.map(mirror),
    ...(c.tape && { tape: { ...c.tape, across: c.tape.across.map(mirror) } }),
  }));
}

/** Marks as other programs read them: both eyes in one, a sling's ends left out, for it has none. */
export function asPublic({ marks, ...c }: ShapeComponent) {
  if (!marks) return c;
  const { second_eye, eye, standing, tail, ...rest } = marks;
  const ends = c.closed ? {} : { standing, tail };
  return {
    ...c,
    marks: {
      ...ends,
      ...rest,
      ...(eye !== undefined && { eye: second_eye === undefined ? eye : ([eye, second_eye] as [number, number]) }),
    },
  };
}

export function sendSvg(reply: FastifyReply, svg: string): FastifyReply {
  return reply
    .type('image/svg+xml')
    .header('cache-control', KEEP)
    .header('x-content-type-options', 'nosniff')
    .send(svg);
}
