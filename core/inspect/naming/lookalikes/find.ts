/**
 * Look-alikes of every knot, computed: what it becomes with one crossing of its laid form reversed, with one turn more, fewer or the other way
 * round, or with other ends loaded. Slow: done once, when the shapes are baked.
 */
import { knotById, knotIds, shapeOf } from '../../../knots/catalogue/catalogue';
import { IdiomError } from '../../../errors';
import { crossingsSeenFrom, FRONT } from '../../../topology';
import type { Fault } from '../../../knots/facts/types';
import { identify } from '../identify';
import type { Lookalike } from './lookalike';
import { withTouched } from '../touched';

/** Faults that are one turn: fewer, more, or the other way round. */
const ONE_TURN: readonly string[] = [
  'turns-short',
  'turns-one-more',
  'one-wrap-short',
  'turns-reversed',
  'mirrored-loops',
  'coils-opposite',
  'half-hitch-missing',
  'reversed-buntline',
];
const OTHER_ENDS: readonly string[] = [
  'other-ends-loaded',
  'offset-eight',
  'thief',
  'points-wrong-way',
  'standing-side-slipped',
  'hitch-upside-down',
];

function byCrossing(knot: string): Lookalike[] {
  const ropes = shapeOf(knot, 'right', 'laid').filter(
    (c) => c.role === 'rope' || c.role === 'second-rope' || c.role === 'sling',
  );
  const { count } = crossingsSeenFrom(
    ropes.map(({ points, closed }) => ({ points, closed })),
    FRONT,
  );
  const found: Lookalike[] = [];
  for (let crossing = 1; crossing <= count; crossing++) {
    try {
      const { matches } = identify(withTouched(knot, [crossing]));
      for (const match of matches) {
        // on which side the gate lies is no matter of a crossing
        const { knot: other, fault } = match.fault === 'gate-to-brake' ? { ...match, fault: null } : match;
        if (!(other === knot && fault === null) && fault !== 'loose')
          found.push({ knot: other, fault, by: 'crossing', crossing });
      }
    } catch (error) {
      // a crossing that cannot be reversed by itself is no look-alike
      if (!(error instanceof IdiomError)) throw error;
    }
  }
  return found;
}

/** The look-alikes of a knot. @throws unknown-knot */
export function lookalikesFound(knot: string): Lookalike[] {
  const { entry, baked } = knotById(knot);
  const shown = (ids: readonly string[], by: Lookalike['by']): Lookalike[] =>
    entry.faults
      .filter((f) => ids.includes(f.id) && (f.made !== undefined || f.id in baked.forms))
      .map((f) => ({ knot, fault: f.id, by }));
  const otherKnots = entry.faults.flatMap((f): Lookalike[] =>
    ONE_TURN.includes(f.id) && f.made?.by === 'knot' && f.made.knot !== knot
      ? [{ knot: f.made.knot, fault: null, by: 'turn' }]
      : [],
  );
  // of whatever is a turn short this is the other
  const reverse = knotIds()
    .filter((other) => other !== knot && knotById(other).entry.faults.some((f) => isOneTurnOf(f, knot)))
    .map((other): Lookalike => ({ knot: other, fault: null, by: 'turn' }));
  const all = [
    ...byCrossing(knot),
    ...shown(ONE_TURN, 'turn'),
    ...otherKnots,
    ...reverse,
    ...shown(OTHER_ENDS, 'ends'),
  ];
  return all.filter((l, i) => all.findIndex((m) => m.knot === l.knot && m.fault === l.fault) === i);
}

/** Whether a fault comes to the right form of a knot by one turn. */
const isOneTurnOf = ({ id, made }: Fault, knot: string): boolean =>
  ONE_TURN.includes(id) && made?.by === 'knot' && made.knot === knot && (made.form ?? 'right') === 'right';
