/** What is proved of a wrong form that can be shown: where it differs from the right one there is a place on both, on the rope and no larger than the knot. */
import { distance } from '../curve';
import { shapeOf } from '../knots/catalogue/catalogue';
import { differingPlace } from '../knots/catalogue/differs';
import { STATES, type ShapeState } from '../knots/facts/types';

export interface PlaceFigures {
  readonly state: ShapeState;
  readonly on: 'wrong' | 'right';
  /** of the ring round it, rope diameters */
  readonly radius: number;
  /** from its middle to the nearest point of the rope */
  readonly offRope: number;
}

const round = (x: number): number => Math.round(x * 1e4) / 1e4;

/** Where a wrong form differs from the right one, in every state, on both. @throws unknown-knot, unknown-fault */
export function placeFigures(knot: string, form: string): PlaceFigures[] {
  return STATES.flatMap((state) =>
    (['wrong', 'right'] as const).map((on): PlaceFigures => {
      const [shown, against] = on === 'wrong' ? [form, 'right'] : ['right', form];
      const harness = form === 'one-harness-point' && state !== 'laid' ? 'both' : null;
      const { centre, radius } = differingPlace(knot, shown, against, state, harness);
      const { points } = shapeOf(knot, shown, state)[0]!;
      const offRope = Math.min(...points.map((p) => distance(p, centre)));
      return { state, on, radius: round(radius), offRope: round(offRope) };
    }),
  );
}
