/**
 * From the answers at the check points to one verdict. Any point "take out and retie" gives that; else
 * any "put right" gives that, with the points not judged listed; else any point not judged, or a second
 * signature that the rule set requires and that is missing, gives "not judged"; else "meets the rule".
 * A knot of which no check points are known is not judged. "Cannot see" and an unanswered point are not judged. A remark changes nothing.
 */
import { fault } from '../errors';
import { entryById } from '../knots/lookup';
import type { CheckPoint, CheckPointId, FaultId, KnotEntry } from '../knots/types';
import { judgeTail, type Profile, type TailAnswer } from '../profiles';

export const VERDICTS = ['meets-the-rule', 'put-right', 'take-out-and-retie', 'not-judged'] as const;
export type Verdict = (typeof VERDICTS)[number];

export const TAIL_METHODS = ['ruler', 'fists', 'by-eye'] as const;
export type TailMethod = (typeof TAIL_METHODS)[number];
/** How far off each way of measuring may be: general. */
export const TAIL_UNCERTAINTY_MM: Readonly<Record<TailMethod, number>> = { ruler: 5, fists: 10, 'by-eye': 30 };

export interface TailMeasured {
  readonly tail_mm: number;
  readonly method: TailMethod;
  readonly uncertainty_mm: number;
}

/** What was found at a point: as it should be, a known fault, cannot see. Tail points carry a measure instead. */
export interface PointAnswer {
  readonly point: CheckPointId;
  readonly found: 'right' | 'cannot-see' | FaultId;
  readonly tail?: TailMeasured | undefined;
  /** how long the point was on the screen until it was answered; where the device kept it */
  readonly seconds?: number | undefined;
  /** what differs was touched in the picture: then it may be any fault of the knot, not one of the point's alone */
  readonly touched?: true | undefined;
  /** on the screen that shows all points; one point a screen where it is not said */
  readonly lane?: 'fast' | undefined;
}

export type PointState = 'meets' | 'put-right' | 'take-out-and-retie' | 'remark' | 'not-judged';

export interface JudgedPoint {
  readonly point: CheckPointId;
  readonly state: PointState;
  readonly found: string;
  /** the reason in words: what was found, or why it was not judged */
  readonly text: string;
  readonly what_to_do: string | null;
  readonly tail: TailAnswer | null;
}

export interface Judgement {
  /** of the points alone */
  readonly points_verdict: Verdict;
  /** with the second signature taken into account */
  readonly verdict: Verdict;
  readonly points: readonly JudgedPoint[];
  readonly not_judged: readonly CheckPointId[];
  readonly second_signature: 'present' | 'missing-required' | 'missing-advised' | 'not-asked';
}

/** The check points of a knot under a rule set: the stopper is a point only where it may be, or must be, there. */
export function checkPointsFor(knot: KnotEntry, profile: Profile, stopperTied: boolean): readonly CheckPoint[] {
  return knot.check_points.filter((p) => p.id !== 'stopper' || stopperTied || stopperAsked(knot.id, profile));
}

/** Whether the rule set requires a stopper on this knot. */
export function stopperAsked(knotId: string, profile: Profile): boolean {
  const says = profile.tieIn.find((k) => k.knot === knotId)?.says;
  return says === 'only-with-stopper' || (profile.stopperBehindTieIn.asked === 'required' && profile.stopperBehindTieIn.knots.includes(knotId));
}

export interface JudgeInput {
  readonly knot: string;
  readonly rope_diameter_mm: number;
  readonly stopper: boolean;
  readonly fist_mm: number;
  readonly answers: readonly PointAnswer[];
  readonly secondSigned: boolean;
}

function judgeTailPoint(profile: Profile, input: JudgeInput, answer: PointAnswer | undefined): JudgedPoint {
  const asked = { knot: input.knot, rope_diameter_mm: input.rope_diameter_mm, stopper: input.stopper, fist_mm: input.fist_mm };
  const measured = answer?.found === 'cannot-see' ? undefined : answer?.tail;
  const t = judgeTail(profile, measured ? { ...asked, tail_mm: measured.tail_mm, uncertainty_mm: measured.uncertainty_mm } : asked);
  const base = { point: 'tail' as const, found: answer?.found ?? 'unanswered', tail: t, what_to_do: null };
  // under this rule the stopper stands in the place of a length: its own point judges it
  if (t.verdict === 'no-rule' && t.rule.id !== 'none' && input.stopper) return { ...base, state: 'meets', text: t.rule.text };
  if (t.verdict === 'no-rule') return { ...base, state: 'not-judged', text: t.rule.text };
  if (!measured) return { ...base, state: 'not-judged', text: answer ? 'could not be seen' : 'not measured' };
  const faults = entryById(input.knot).faults;
  const todo = (id: FaultId) => faults.find((f) => f.id === id)?.what_to_do ?? null;
  if (t.verdict === 'short') return { ...base, state: 'put-right', found: 'tail-short', text: `tail ${measured.tail_mm} mm, ${t.required_mm} asked`, what_to_do: todo('tail-short') };
  if (t.verdict === 'long') return { ...base, state: 'put-right', found: 'tail-long', text: `tail ${measured.tail_mm} mm, at most ${t.max_mm}`, what_to_do: todo('tail-long') };
  if (t.verdict === 'not-measured') return { ...base, state: 'not-judged', text: `tail ${measured.tail_mm} mm, give or take ${measured.uncertainty_mm}: touches the limit; measure it with a ruler` };
  return { ...base, state: 'meets', found: 'right', text: `tail ${measured.tail_mm} mm, ${t.required_mm} asked` };
}

/**
 * @throws unknown-knot; bad-input for an answer that is not one of the point's, or touched and no fault of the knot
 */
export function judge(profile: Profile, input: JudgeInput): Judgement {
  const entry = entryById(input.knot);
  const points = checkPointsFor(entry, profile, input.stopper).map((point): JudgedPoint => {
    const answer = input.answers.find((a) => a.point === point.id);
    if (point.id === 'tail') return judgeTailPoint(profile, input, answer);
    const base = { point: point.id, found: answer?.found ?? 'unanswered', tail: null, what_to_do: null };
    if (!answer) return { ...base, state: 'not-judged', text: 'not looked at' };
    if (answer.found === 'cannot-see') return { ...base, state: 'not-judged', text: 'could not be seen' };
    if (answer.found === 'right') return { ...base, state: 'meets', text: point.right.label };
    // touched in the picture it may be any fault of the knot, found while looking at this point
    const found = answer.touched || point.wrong.some((w) => w.fault === answer.found) ? entry.faults.find((f) => f.id === answer.found) : undefined;
    if (!found) throw fault('bad-input', {}, [{ path: `answers.${point.id}.found`, message: `"${answer.found}" is no answer to this point` }]);
    return { ...base, state: found.verdict, text: found.name, what_to_do: found.verdict === 'remark' ? null : found.what_to_do };
  });
  const has = (state: PointState) => points.some((p) => p.state === state);
  const points_verdict: Verdict = has('take-out-and-retie') ? 'take-out-and-retie' : has('put-right') ? 'put-right' : has('not-judged') || points.length === 0 ? 'not-judged' : 'meets-the-rule';
  const asked = profile.secondCheck.asked;
  const second_signature = input.secondSigned ? 'present' : asked === 'required' ? 'missing-required' : asked === 'advised' ? 'missing-advised' : 'not-asked';
  return {
    points_verdict,
    verdict: points_verdict === 'meets-the-rule' && second_signature === 'missing-required' ? 'not-judged' : points_verdict,
    points,
    not_judged: points.filter((p) => p.state === 'not-judged').map((p) => p.point),
    second_signature,
  };
}
