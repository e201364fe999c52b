/**
 * Where a form of a knot differs from another one of it: for a ring that says where to look. Faults of path are
 * found on the laid forms, which are the same but for the one thing changed, and followed along the rope into
 * the other states; faults of condition have their place by what they are. Unit: rope diameters.
 */
import { arcLengths, distance, middleOf, segmentDistance, subtract, type Point3 } from '../../curve';
import { shapeOf, storedForm, type Onto } from './catalogue';
import { SHORT_TAIL_ROPE_DIAMETERS } from './changes';
import { inState, pointsOf, type BakedForm, type BakedRope, type BakedShape } from '../shape/stored';
import { type ShapeState } from '../facts/types';
import { turnedBack } from '../shape/laidView';

export interface Place {
  readonly centre: Point3;
  readonly radius: number;
}

/** Laid strands farther apart than this are not the same stretch. */
const APART = 0.35;
const SMALLEST_RING = 1.7;
/** A ring larger than this is round the whole knot. */
export const LARGEST_RING = 4.2;
/** When more of the knot differs than this, the whole is ringed. */
const MOST_OF_IT = 0.6;

function around(points: readonly Point3[], margin: number, largest = LARGEST_RING): Place {
  const centre = middleOf(points);
  const radius = Math.max(...points.map((p) => Math.hypot(p[0] - centre[0], p[1] - centre[1]))) + margin;
  return { centre, radius: Math.min(largest, Math.max(SMALLEST_RING, radius)) };
}

/** The laid ropes as their author had them, moved so that the first rope's knot begins at the origin. */
function asLaid(form: BakedForm): Point3[][] {
  const ropes = [form.laid, ...(form.laid.second ? [form.laid.second] : [])].map((r) =>
    turnedBack(pointsOf(r), form.laidView),
  );
  const from = ropes[0]![form.laid.marks.standing[1]]!;
  return ropes.map((points) => points.map((p) => subtract(p, from)));
}

/** The stretches of a rope's knot proper: on the standing part's side of the eye and on the tail's, or the one there is. */
function stretches({
  marks: { standing, tail, legs, second_legs },
}: BakedRope): readonly (readonly [number, number])[] {
  if (legs && second_legs)
    return [
      [standing[1], legs[0][0]],
      [legs[1][1], second_legs[0][0]],
      [second_legs[1][1], tail[0]],
    ];
  return legs
    ? [
        [standing[1], legs[0][0]],
        [legs[1][1], tail[0]],
      ]
    : [[standing[1], tail[0]]];
}
const ropesOf = (shape: BakedShape): BakedRope[] => [shape, ...(shape.second ? [shape.second] : [])];

interface Spot {
  readonly rope: number;
  readonly stretch: number;
  readonly share: number;
}

/** Places along a form's knot proper that lie apart from every stretch of another form: which rope and stretch, and what share of the way along it. */
function changed(form: BakedForm, other: BakedForm): { places: Spot[]; all: number } {
  const [own, there] = [asLaid(form), asLaid(other)];
  const places: Spot[] = [];
  let all = 0;
  ropesOf(form.laid).forEach((laid, rope) => {
    const [line, held] = [own[rope]!, there[rope] ?? there[0]!];
    // farther than this from where a piece begins no point is near it
    const far = APART + Math.max(...held.slice(1).map((p, k) => distance(p, held[k]!)));
    stretches(laid).forEach(([from, to], stretch) => {
      for (let i = from; i <= to; i++) {
        all++;
        let least = Infinity;
        const p = line[i]!;
        for (let k = 0; k < held.length - 1 && least > APART; k++) {
          const q = held[k]!;
          if (Math.abs(p[0] - q[0]) <= far && Math.abs(p[1] - q[1]) <= far && distance(p, q) <= far)
            least = Math.min(least, segmentDistance(p, p, q, held[k + 1]!));
        }
        if (least > APART) places.push({ rope, stretch, share: (i - from) / (to - from) });
      }
    });
  });
  return { places, all };
}

/** The knot proper of a stored shape, the eye left out. */
function core(form: BakedForm, state: ShapeState): Point3[] {
  return ropesOf(inState(form, state)).flatMap((rope) => {
    const points = pointsOf(rope);
    return stretches(rope).flatMap(([from, to]) => points.slice(from, to + 1));
  });
}

/**
 * Where a form differs from another of the same knot.
 * @param id the knot
 * @param name the form whose place is asked: 'right' or a fault
 * @param against the form it is held against: one of the two must be 'right'
 * @throws unknown-knot, unknown-fault
 */
export function differingPlace(
  id: string,
  name: string,
  against: string,
  state: ShapeState,
  onto: Onto | null = null,
): Place {
  const form = storedForm(id, name);
  const fault = name === 'right' ? against : name;
  const [rope, ...things] = shapeOf(id, name, state, onto);
  if (fault === 'tail-short') {
    const points = rope!.points.slice(rope!.marks!.tail![0]);
    const s = arcLengths(points);
    return {
      centre: points[s.findIndex((v, i) => v >= SHORT_TAIL_ROPE_DIAMETERS + 1 || i === points.length - 1)]!,
      radius: 2,
    };
  }
  if (fault === 'one-harness-point') {
    const second = things.find((t) => t.name === 'harness-point-2');
    if (second) return around(second.points, 0.6);
  }
  const { eye } = inState(form, state).marks;
  if (fault === 'eye-too-large' && eye !== undefined) return { centre: rope!.points[eye]!, radius: 3 };
  if (fault !== 'loose') {
    const { places, all } = changed(form, storedForm(id, against));
    if (places.length > 0 && places.length < MOST_OF_IT * all) {
      const ropes = ropesOf(inState(form, state)).map((r) => ({ points: pointsOf(r), along: stretches(r) }));
      const spots = places.map(({ rope: which, stretch, share }) => {
        const { points, along } = ropes[which]!;
        const [from, to] = along[stretch] ?? along[0]!;
        return points[Math.round(from + share * (to - from))]!;
      });
      // of scattered places those that lie together
      const near = spots.filter((p) => distance(p, middleOf(spots)) < LARGEST_RING);
      return around(near.length > 0 ? near : spots, 0.6);
    }
  }
  return around(core(form, state), 0.6, Infinity);
}
