/**
 * How long to cut a cord, and how much rope goes round a post: a loop closed by a joint, a cord with a noose at each end, turns side by side. Rope in
 * the knots is taken from the computed shapes, with its spread; tails from the rule set. Raw values in mm; whoever shows them rounds up.
 */
import { fault, finite } from '../errors';
import { knotById } from '../knots/catalogue/catalogue';
import type { Range } from '../knots/shape/measures';
import { unit_mm } from '../knots/shape/sizes';
import { judgeTail, type Profile } from '../profiles';
import { LOOP_JOINTS } from './job';
import { ropeNeeded, TAIL_WITHOUT_RULE_MM } from './ropeNeeded';

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

/** The least own tail of a stopper (practice: 75 to 100 mm); its turns are computed. */
const STOPPERS_OWN_TAIL_MM = 75;

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
  const { required_mm, rule } = judgeTail(profile, { knot: q.joint, rope_diameter_mm: across });
  const tail = required_mm ?? TAIL_WITHOUT_RULE_MM;
  return summed(
    [
      exactly('round the loop, to the joint', round - joint),
      part('in the joint, both ends', times(form.set.inKnot_ropeDiameters, 2 * unit)),
      exactly('two tails', 2 * tail),
    ],
    [
      required_mm === null
        ? `tails: the rule set gives no length; ${TAIL_WITHOUT_RULE_MM} mm taken (general)`
        : `tails: ${rule.text}`,
      'set it hard under body weight, then measure the loop again',
    ],
  );
}

/**
 * A cord with a noose at each end, for a friction hitch tied with one.
 * @param between_mm from the far point of one eye to that of the other, set
 * @param stoppers whether a double overhand stopper is tied in each tail
 * @throws bad-input where there is no room for two nooses; not-a-number
 */
export function eyeToEyeLength(
  profile: Profile,
  q: { readonly cord_diameter_mm: number; readonly between_mm: number; readonly stoppers: boolean },
): CutLength {
  const across = finite('cord_diameter_mm', q.cord_diameter_mm, 2, 20);
  const between = finite('between_mm', q.between_mm, 1, 20_000);
  const form = knotById('barrel-noose').baked.forms['right']!;
  const noose = ropeNeeded(profile, { knot: 'barrel-noose', rope_diameter_mm: across });
  const reach = noose.eye_mm / 2 + form.set.length_ropeDiameters.value * across;
  if (between <= 2 * reach)
    throw fault('bad-input', {}, [
      { path: 'body.between_mm', message: `has no room for two nooses, ${Math.ceil(2 * reach)} mm` },
    ]);
  const stopper = times(knotById('double-overhand-stopper').baked.forms['right']!.set.inKnot_ropeDiameters, across);
  return summed(
    [
      exactly('between the nooses', between - 2 * reach),
      part('two nooses, eyes and tails in', {
        low: 2 * noose.total_mm_low,
        value: 2 * noose.total_mm,
        high: 2 * noose.total_mm_high,
      }),
      ...(q.stoppers
        ? [
            part('two stoppers with their own tails', {
              low: 2 * (stopper.low + STOPPERS_OWN_TAIL_MM),
              value: 2 * (stopper.value + STOPPERS_OWN_TAIL_MM),
              high: 2 * (stopper.high + STOPPERS_OWN_TAIL_MM),
            }),
          ]
        : []),
    ],
    [
      ...noose.notes,
      'held against practice: 1.05 to 1.2 m in all, about 400 mm for a noose; the upper figure leaves room for stoppers',
    ],
  );
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
  // the rope's middle line runs half its thickness off the post, and climbs by its thickness a turn
  const one = Math.hypot(girth + Math.PI * d, d);
  const thin = girth / Math.PI < 8 * d;
  return summed(
    [exactly(`${turns} turns`, turns * one)],
    [
      'round the post alone: to it come the knot, its eye and tail, and what goes to the load',
      ...(thin ? ['the post is thinner than about 8 rope diameters: that weakens the rope'] : []),
    ],
  );
}
