/**
 * How much rope a knot takes and where to start, from the computed shape. In the knot: first to last contact
 * without the eye, of the stored tight form, with low and high over set force and friction. Eye: free arc and
 * what lies round the object. Tail and stopper: from the rule set. Raw values; whoever shows them rounds up.
 */
import { arcLengths } from '../curve';
import { finite } from '../errors';
import { goesOn } from '../knots/facts/behaviour';
import { knotById } from '../knots/catalogue/catalogue';
import type { Range } from '../knots/shape/measures';
import { unit_mm } from '../knots/shape/sizes';
import { pointsOf, type BakedForm } from '../knots/shape/stored';
import { judgeTail, type Profile } from '../profiles';

export interface RopeQuestion {
  readonly knot: string;
  /** of tape its width */
  readonly rope_diameter_mm: number;
  /** rope wanted in the eye, knot to knot */
  readonly eye_mm?: number | undefined;
  /** thickness of what the eye goes round */
  readonly object_diameter_mm?: number | undefined;
}

type Part = 'in_knot' | 'eye' | 'tail' | 'stopper' | 'total' | 'start_at';
export type RopeNeeded = Record<`${Part}_mm` | `${Part}_mm_low` | `${Part}_mm_high`, number> & {
  /** Where the tail's length is from: the rule set, what is usual where it gives none, or the rope goes on. */
  readonly tail_from: 'rule' | 'general' | 'goes-on';
  readonly notes: readonly string[];
};

/** An eye through two harness points where nothing else is said: general. */
const HARNESS_EYE_MM = 200;
/** How much more an eye may take that nobody measured: general. */
const GUESSED_EYE_SPREAD = 0.15;
/** Tail where the rule set gives none: general. */
export const TAIL_WITHOUT_RULE_MM = 100;
/** Tail that a knot itself needs where the rule set gives none: the offset joints may roll, the long tail is the margin. General. */
const OWN_TAIL_MM: Readonly<Record<string, number>> = { 'offset-overhand': 300, 'offset-double-overhand': 300 };
/** How much to begin with for a personal tether, or a noose at its end: in practice. */
const BEGIN_WITH: Readonly<Record<string, string>> = {
  'overhand-on-bight':
    'for a tether: from about 600 mm of bight, tied 200 to 250 mm from the end, if a stopper follows; tag at least 150 mm, the stopper’s own tail 75 to 100 mm',
  'figure-eight-on-bight': 'for a tether: from 400 to 500 mm of bight, with no stopper; tag at least 150 mm',
  'barrel-noose': 'for a tether: from about 400 mm of tail, so that a double-overhand stopper fits behind it',
};
/** Rope in an overhand stopper round two strands, in rope diameters: one turn round both and its own crossing, general. */
const STOPPER_ROPE_DIAMETERS = 14;

const exactly = (value: number): Range => ({ low: value, value, high: value });

/** Rope in the eye, and how that is known. */
function eyeOf(form: BakedForm, tieIn: boolean, q: RopeQuestion, d: number): { eye: Range; note?: string } {
  const { tight } = form.set;
  const { legs } = tight.marks;
  const wished = q.eye_mm === undefined ? undefined : finite('eye_mm', q.eye_mm, 0, 20000);
  const object =
    q.object_diameter_mm === undefined ? undefined : finite('object_diameter_mm', q.object_diameter_mm, 0, 3000);
  if (!legs) return { eye: exactly(0), ...(wished !== undefined && { note: 'eye: none, it has no eye' }) };
  if (wished !== undefined) return { eye: exactly(wished) };
  if (object !== undefined) {
    // half round the object, and two legs as long as its thickness (at least four rope diameters)
    const eye = (Math.PI * (object + d)) / 2 + 2 * Math.max(object, 4 * d);
    return {
      eye: { low: eye, value: eye, high: eye * (1 + GUESSED_EYE_SPREAD) },
      note: 'eye: half way round the object and two legs',
    };
  }
  if (tieIn)
    return {
      eye: { low: HARNESS_EYE_MM, value: HARNESS_EYE_MM, high: HARNESS_EYE_MM * (1 + GUESSED_EYE_SPREAD) },
      note: 'eye: about 200 mm through two harness points (general); draw it as small as the harness allows',
    };
  const s = arcLengths(pointsOf(tight));
  const eye = (s[legs[1][1]]! - s[legs[0][0]]!) * d;
  return {
    eye: { low: eye, value: eye, high: eye * (1 + GUESSED_EYE_SPREAD) },
    note: 'eye: as small as drawn here; make it as large as the job asks',
  };
}

/** @throws unknown-knot, not-a-number */
export function ropeNeeded(profile: Profile, q: RopeQuestion): RopeNeeded {
  const across = finite('rope_diameter_mm', q.rope_diameter_mm, 2, 40);
  const { entry, baked } = knotById(q.knot);
  const form = baked.forms['right']!;
  const d = unit_mm(form, across);
  const notes: string[] = [];
  const times = ({ low, value, high }: Range): Range => ({ low: low * d, value: value * d, high: high * d });
  const inKnot = times(form.set.inKnot_ropeDiameters);
  const standingSide = times(form.set.inKnotStandingSide_ropeDiameters);
  const { eye, note } = eyeOf(form, entry.purposes.includes('tie-in'), q, d);
  if (note) notes.push(note);
  const rule = judgeTail(profile, { knot: q.knot, rope_diameter_mm: across });
  const tail = goesOn(entry) ? 0 : (rule.required_mm ?? OWN_TAIL_MM[q.knot] ?? TAIL_WITHOUT_RULE_MM);
  notes.push(
    goesOn(entry)
      ? 'tail: none, the rope goes on'
      : rule.required_mm === null
        ? `tail: the rule set gives no length; ${OWN_TAIL_MM[q.knot] ? `${OWN_TAIL_MM[q.knot]} mm taken: it may roll, the long tail is the margin` : `${TAIL_WITHOUT_RULE_MM} mm taken`} (general)`
        : `tail: ${rule.rule.text}`,
  );
  if (entry.family === 'bend') notes.push('of each of the two ropes');
  if (entry.tape === 'only') notes.push(`in tape ${across} mm wide`);
  if (entry.family === 'friction') notes.push(`of cord of ${across} mm, which is thinner than the rope it grips`);
  if (BEGIN_WITH[q.knot]) notes.push(`${BEGIN_WITH[q.knot]} (practice)`);
  const asked = profile.stopperBehindTieIn.asked === 'required' && profile.stopperBehindTieIn.knots.includes(q.knot);
  const stopper = asked ? STOPPER_ROPE_DIAMETERS * d : 0;
  if (asked) notes.push(`stopper: ${profile.stopperBehindTieIn.text}`);
  const out: Record<string, number> = {};
  const round = (v: number) => Math.round(v * 10) / 10;
  for (const [suffix, of] of [
    ['', 'value'],
    ['_low', 'low'],
    ['_high', 'high'],
  ] as const) {
    const parts: Record<Exclude<Part, 'total' | 'start_at'>, number> = {
      in_knot: inKnot[of],
      eye: eye[of],
      tail,
      stopper,
    };
    for (const [part, value] of Object.entries(parts)) out[`${part}_mm${suffix}`] = round(value);
    // the sum of the rounded parts, so that the total is what a reader adds up
    out[`total_mm${suffix}`] = round(Object.keys(parts).reduce((sum, part) => sum + out[`${part}_mm${suffix}`]!, 0));
    out[`start_at_mm${suffix}`] = round(inKnot[of] + eye[of] + tail + stopper - Math.min(standingSide[of], inKnot[of]));
  }
  const tail_from = goesOn(entry) ? 'goes-on' : rule.required_mm === null ? 'general' : 'rule';
  return { ...out, tail_from, notes } as unknown as RopeNeeded;
}
