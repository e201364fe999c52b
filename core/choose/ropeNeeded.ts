/**
 * How much rope a knot takes and where to start, from the computed shape. In the knot: first to last
 * contact without the eye, of the tight form (low) and of the dressed form (high). Eye: free arc and what
 * lies round the object. Rounded up to 10 mm where a person measures with it; raw values are kept beside.
 */
import { fault, finite } from '../errors';
import { knotById } from '../knots/catalogue';
import { judgeTail, type Profile } from '../profiles';

export interface RopeQuestion {
  readonly knot: string;
  readonly rope_diameter_mm: number;
  /** rope wanted in the eye, knot to knot */
  readonly eye_mm?: number | undefined;
  /** thickness of what the eye goes round */
  readonly object_diameter_mm?: number | undefined;
}

const TRIPLE = ['in_knot', 'eye', 'tail', 'stopper', 'total', 'start_at'] as const;
type Part = (typeof TRIPLE)[number];
export type RopeNeeded = Record<`${Part}_mm` | `${Part}_mm_low` | `${Part}_mm_high`, number> & { readonly notes: readonly string[] };

/** An eye through two harness points where nothing else is said: general. */
const HARNESS_EYE_MM = 200;
/** How much more an eye may take that nobody measured: general. */
const GUESSED_EYE_SPREAD = 0.15;
/** Tail where the rule set gives none: general. */
const TAIL_WITHOUT_RULE_MM = 100;
/** Rope in an overhand stopper round two strands, in rope diameters: one turn round both and its own crossing, general. */
const STOPPER_ROPE_DIAMETERS = 14;

/** @throws unknown-knot, not-a-number, state-not-made for a knot whose rope cannot be measured yet */
export function ropeNeeded(profile: Profile, q: RopeQuestion): RopeNeeded {
  const d = finite('rope_diameter_mm', q.rope_diameter_mm, 2, 40);
  const form = knotById(q.knot).baked.forms['right']!.set;
  if (!form) throw fault('state-not-made', { state: 'tight' });
  const notes: string[] = [];
  const inKnot = { low: form.inKnot_ropeDiameters * d, high: form.inKnotLoose_ropeDiameters * d };
  const standingSide = form.inKnotStandingSide_ropeDiameters * d;
  let eye: number;
  let spread = GUESSED_EYE_SPREAD;
  if (q.eye_mm !== undefined) {
    eye = finite('eye_mm', q.eye_mm, 0, 20000);
    spread = 0;
  } else if (q.object_diameter_mm !== undefined) {
    // half round the object, and two legs as long as its thickness (at least four rope diameters)
    const object = finite('object_diameter_mm', q.object_diameter_mm, 0, 3000);
    eye = (Math.PI * (object + d)) / 2 + 2 * Math.max(object, 4 * d);
    notes.push('eye: half way round the object and two legs');
  } else {
    eye = HARNESS_EYE_MM;
    notes.push('eye: about 200 mm through two harness points (general); draw it as small as the harness allows');
  }
  const rule = judgeTail(profile, { knot: q.knot, rope_diameter_mm: d });
  const tail = rule.required_mm ?? TAIL_WITHOUT_RULE_MM;
  notes.push(rule.required_mm === null ? 'tail: the rule set gives no length; 100 mm taken (general)' : `tail: ${rule.rule.text}`);
  const asked = profile.stopperBehindTieIn.asked === 'required' && profile.stopperBehindTieIn.knots.includes(q.knot);
  const stopper = asked ? STOPPER_ROPE_DIAMETERS * d : 0;
  if (asked) notes.push(`stopper: ${profile.stopperBehindTieIn.text}`);
  const at = (inKnot_mm: number, eye_mm: number): Record<Part, number> => {
    const total = inKnot_mm + eye_mm + tail + stopper;
    return { in_knot: inKnot_mm, eye: eye_mm, tail, stopper, total, start_at: total - standingSide * (inKnot_mm / inKnot.low) };
  };
  const low = at(inKnot.low, eye);
  const high = at(inKnot.high, eye * (1 + spread));
  const out: Record<string, number> = {};
  const round = (v: number) => Math.round(v * 10) / 10;
  for (const part of TRIPLE) {
    out[`${part}_mm`] = round(low[part]);
    out[`${part}_mm_low`] = round(low[part]);
    out[`${part}_mm_high`] = round(high[part]);
  }
  // the sum of the rounded parts, so that the total is what a reader adds up
  for (const suffix of ['', '_low', '_high']) out[`total_mm${suffix}`] = round(['in_knot', 'eye', 'tail', 'stopper'].reduce((sum, p) => sum + out[`${p}_mm${suffix}`]!, 0));
  return { ...out, notes } as unknown as RopeNeeded;
}
