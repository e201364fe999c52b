/**
 * How long to cut a cord, and how much rope goes round a post: a loop closed by a joint, a cord with a noose at each end, turns side by side. Rope in
 * the knots is taken from the computed shapes, with its spread; tails from the rule set. Raw values in mm; whoever shows them rounds up.
 */
import { fault, finite } from '../errors';
import { knotById } from '../knots/catalogue/catalogue';
import type { Range } from '../knots/shape/measures';
import { unit_mm } from '../knots/shape/sizes';
import { lengthFor, type Profile } from '../profiles';
import { ruleSaid } from '../profiles/words';
import { LOOP_JOINTS } from './job';
import { ropeNeeded } from './ropeNeeded';
import { oneTurn } from './roundObject';

export interface CutPart {
  readonly what: string;
  readonly low_mm: number;
  readonly mm: number;
  readonly high_mm: number;
}
export interface CutLength {
  readonly parts: readonly CutPart[];
  readonly low_mm: number;
  readonly mm: number;
  readonly high_mm: number;
  readonly notes: readonly string[];
}

const part = (what: string, { low, value, high }: Range): CutPart => ({ what, low_mm: low, mm: value, high_mm: high });
const exactly = (what: string, mm: number): CutPart => ({ what, low_mm: mm, mm, high_mm: mm });
const times = ({ low, value, high }: Range, by: number): Range => ({
  low: low * by,
  value: value * by,
  high: high * by,
});

function summed(parts: readonly CutPart[], notes: readonly string[]): CutLength {
  const sum = (of: 'low_mm' | 'mm' | 'high_mm') => Math.round(parts.reduce((all, p) => all + p[of], 0) * 10) / 10;
  return { parts, low_mm: sum('low_mm'), mm: sum('mm'), high_mm: sum('high_mm'), notes };
}

/**
 * A cord to be closed to a loop.
 * @param round_mm once round the finished loop, through its joint
 * @throws bad-input where the knot closes no loop or the loop is shorter than its joint; not-a-number
 */
export function loopLength(
  profile: Profile,
  q: { readonly joint: string; readonly cord_diameter_mm: number; readonly round_mm: number },
): CutLength {
  if (!LOOP_JOINTS.some((j) => j === q.joint))
    throw fault('bad-input', {}, [
      { path: 'body.joint', message: `closes no loop: it is none of ${LOOP_JOINTS.join(', ')}` },
    ]);
  const across = finite('cord_diameter_mm', q.cord_diameter_mm, 2, 40);
  const round = finite('round_mm', q.round_mm, 1, 20_000);
  const { baked } = knotById(q.joint);
  const form = baked.forms['right']!;
  const unit = unit_mm(form, across);
  // what is stored is the rope of one end: the loop's cord is tied with both
  const joint = form.set.length_ropeDiameters.value * unit;
  if (round <= joint)
    throw fault('bad-input', {}, [
      { path: 'body.round_mm', message: `is not longer than the joint, ${Math.ceil(joint)} mm` },
    ]);
  // the water knot closes a sling of tape, the others a loop of cord
  const use = q.joint === 'water-knot' ? 'sling' : 'cord-loop';
  const { required_mm, rule } = lengthFor(profile, { knot: q.joint, rope_diameter_mm: across, use });
  const tail = required_mm!;
  return summed(
    [
      exactly('round the loop, to the joint', round - joint),
      part('in the joint, both ends', times(form.set.inKnot_ropeDiameters, 2 * unit)),
      exactly('two tails', 2 * tail),
    ],
    [`tails: ${rule.text} (${ruleSaid(rule)})`, 'set it hard under body weight, then measure the loop again'],
  );
}

/** What people cut for an eye-to-eye cord, mm (practice). */
const CUT_MM = { low: 1050, high: 1200 } as const;

/**
 * A cord with a noose at each end, for a friction hitch tied with one: from what is wanted between the eyes, or from the whole cord.
 * @param between_mm from the far point of one eye to that of the other, set; or
 * @param whole_mm the cord as it is cut
 * @param stoppers whether a double overhand stopper is tied in each tag: then its own tail is the tail
 * @throws bad-input where there is no room for two nooses, or not just one of the two lengths is given; not-a-number
 */
export function eyeToEyeLength(
  profile: Profile,
  q: {
    readonly cord_diameter_mm: number;
    readonly between_mm?: number | undefined;
    readonly whole_mm?: number | undefined;
    readonly stoppers: boolean;
  },
): CutLength & { readonly between_mm: number } {
  const across = finite('cord_diameter_mm', q.cord_diameter_mm, 2, 20);
  if ((q.between_mm === undefined) === (q.whole_mm === undefined))
    throw fault('bad-input', {}, [{ path: 'body.between_mm', message: 'either it or whole_mm' }]);
  const form = knotById('barrel-noose').baked.forms['right']!;
  const noose = ropeNeeded(profile, {
    knot: 'barrel-noose',
    use: 'termination',
    rope_diameter_mm: across,
    ...(q.stoppers && { companions: ['stopper-in-tag'] }),
  });
  const reach = noose.eye_mm / 2 + form.set.length_ropeDiameters.value * across;
  const between =
    q.between_mm === undefined
      ? finite('whole_mm', q.whole_mm!, 1, 20_000) - 2 * noose.total_mm + 2 * reach
      : finite('between_mm', q.between_mm, 1, 20_000);
  if (between <= 2 * reach)
    throw fault('bad-input', {}, [
      {
        path: q.between_mm === undefined ? 'body.whole_mm' : 'body.between_mm',
        message: `has no room for two nooses, ${Math.ceil(q.between_mm === undefined ? 2 * noose.total_mm : 2 * reach)} mm`,
      },
    ]);
  const two = (of: 'in_knot' | 'eye' | 'tail' | 'stopper'): Range => ({
    low: 2 * noose[`${of}_mm_low`],
    value: 2 * noose[`${of}_mm`],
    high: 2 * noose[`${of}_mm_high`],
  });
  const cut = summed(
    [
      exactly('between the nooses', between - 2 * reach),
      part('two nooses', two('in_knot')),
      part('their eyes', two('eye')),
      ...(q.stoppers ? [part('two stoppers', two('stopper'))] : []),
      part(q.stoppers ? 'the stoppers’ own tails' : 'two tails', two('tail')),
    ],
    noose.notes,
  );
  const apart =
    cut.mm < CUT_MM.low
      ? `${Math.ceil(CUT_MM.low - cut.mm)} mm less than the shortest of that`
      : cut.mm > CUT_MM.high
        ? `${Math.ceil(cut.mm - CUT_MM.high)} mm more than the longest of that`
        : 'within that';
  return {
    ...cut,
    between_mm: Math.round(between * 10) / 10,
    notes: [...cut.notes, `people cut 1.05 to 1.2 m in all (practice): this is ${apart}`],
  };
}

/**
 * Rope on a post or a tree, turn beside turn.
 * @param girth_mm a string round it
 */
export function roundAPost(q: {
  readonly rope_diameter_mm: number;
  readonly girth_mm: number;
  readonly turns: number;
}): CutLength {
  const d = finite('rope_diameter_mm', q.rope_diameter_mm, 2, 40);
  const girth = finite('girth_mm', q.girth_mm, 10, 20_000);
  const turns = finite('turns', q.turns, 0.5, 20);
  const one = oneTurn(girth / Math.PI, d);
  const thin = girth / Math.PI < 8 * d;
  return summed(
    [exactly(`${turns} turns`, turns * one)],
    [
      'round the post alone: to it come the knot, its eye and tail, and what goes to the load',
      ...(thin ? ['the post is thinner than about 8 rope diameters: that weakens the rope'] : []),
    ],
  );
}
