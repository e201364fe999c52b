/**
 * From the answers at the check points to one verdict. Any point "take out and retie" gives that; else
 * any "put right" gives that, with the points not judged listed; else any point not judged, or a second
 * signature that the rule set requires and that is missing, gives "not judged"; else "meets the rule".
 * A knot of which no check points are known is not judged. "Cannot see" and an unanswered point are not judged. A remark changes nothing.
 */
import { fault } from '../../errors';
import { entryById } from '../../knots/catalogue/lookup';
import type { FaultId } from '../../knots/facts/faultTable';
import type { CheckPoint, CheckPointId, KnotEntry } from '../../knots/facts/types';
import { judgeTail, type Profile, type TailAnswer } from '../../profiles';

export const VERDICTS = ['meets-the-rule', 'put-right', 'take-out-and-retie', 'not-judged'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** Worst first. What is not judged is worse than what meets the rule, better than what was seen to be wrong. */
const WORST_FIRST = [
  'take-out-and-retie',
  'put-right',
  'not-judged',
  'meets-the-rule',
] as const satisfies readonly Verdict[];
export const worse = (a: Verdict, b: Verdict): Verdict => WORST_FIRST.find((v) => v === a || v === b)!;

/** How a rope stands for a life load: in service, retired for good, or with damage that nothing was done about. */
export const ROPE_STATES = ['in-service', 'damaged', 'retired'] as const;
export type RopeState = (typeof ROPE_STATES)[number];
const ROPE_STATE_TEXT = {
  damaged: 'the rope has damage that nothing was done about: never for a life load',
  retired: 'the rope is retired: never for a life load',
} as const;

export const TAIL_METHODS = ['ruler', 'fists', 'rope-diameters', 'by-eye'] as const;
export type TailMethod = (typeof TAIL_METHODS)[number];
/** How far off each way of measuring may be: general. */
export const TAIL_UNCERTAINTY_MM: Readonly<Record<TailMethod, number>> = {
  ruler: 5,
  fists: 10,
  'rope-diameters': 10,
  'by-eye': 30,
};

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
  /** the tails after the first, where a knot has several: `tailNames` says in which order */
  readonly more_tails?: readonly TailMeasured[] | undefined;
  /** how long the point was on the screen until it was answered; where the device kept it */
  readonly seconds?: number | undefined;
  /** what differs was touched in the picture: then it may be any fault of the knot, not one of the point's alone */
  readonly touched?: true | undefined;
  /** on the screen that shows all points; one point a screen where it is not said */
  readonly lane?: 'fast' | undefined;
}

export type PointState = 'meets' | 'put-right' | 'take-out-and-retie' | 'remark' | 'not-judged';

export interface JudgedPoint {
  /** 'rope': how the rope itself stands, which nobody answers */
  readonly point: CheckPointId | 'rope';
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
  return (
    says === 'only-with-stopper' ||
    (profile.stopperBehindTieIn.asked === 'required' && profile.stopperBehindTieIn.knots.includes(knotId))
  );
}

export interface JudgeInput {
  readonly knot: string;
  readonly rope_diameter_mm: number;
  readonly stopper: boolean;
  readonly fist_mm: number;
  readonly answers: readonly PointAnswer[];
  readonly secondSigned: boolean;
  /** in service where it is not said */
  readonly rope_state?: RopeState | undefined;
}

/** The tails a knot has, by name: a joint has one in each rope. */
export const tailNames = (knot: Pick<KnotEntry, 'family'>): readonly [string, ...string[]] =>
  knot.family === 'bend' ? ['tail of the first rope', 'tail of the second rope'] : ['tail'];

const BY_STATE = [
  'take-out-and-retie',
  'put-right',
  'not-judged',
  'remark',
  'meets',
] as const satisfies readonly PointState[];

/** Every tail of a knot against the rule: the worst decides. */
function judgeTailPoint(profile: Profile, input: JudgeInput, answer: PointAnswer | undefined): JudgedPoint {
  const names = tailNames(entryById(input.knot));
  const first = judgeTail1(profile, input, answer, answer?.tail);
  if (
    names.length === 1 ||
    first.found === 'unanswered' ||
    first.found === 'cannot-see' ||
    first.tail?.required_mm === null
  )
    return first;
  const each = names.map((name, k) => ({
    name,
    ...judgeTail1(profile, input, answer, k === 0 ? answer?.tail : answer?.more_tails?.[k - 1], ''),
  }));
  const worst = BY_STATE.map((state) => each.find((t) => t.state === state)).find((t) => t !== undefined)!;
  const { name: _, ...point } = each
    .filter((t) => t.state === worst.state)
    .reduce((a, b) => ((b.tail?.margin_mm ?? 0) < (a.tail?.margin_mm ?? 0) ? b : a));
  return { ...point, text: each.map((t) => `${t.name}: ${t.text}`).join('; ') };
}

function judgeTail1(
  profile: Profile,
  input: JudgeInput,
  answer: PointAnswer | undefined,
  given: TailMeasured | undefined,
  /** what is said before a length: which tail it is stands before the whole text where there are several */
  named = 'tail ',
): JudgedPoint {
  const asked = {
    knot: input.knot,
    rope_diameter_mm: input.rope_diameter_mm,
    stopper: input.stopper,
    fist_mm: input.fist_mm,
  };
  const measured = answer?.found === 'cannot-see' ? undefined : given;
  const t = judgeTail(
    profile,
    measured ? { ...asked, tail_mm: measured.tail_mm, uncertainty_mm: measured.uncertainty_mm } : asked,
  );
  const base = { point: 'tail' as const, found: answer?.found ?? 'unanswered', tail: t, what_to_do: null };
  // under this rule the stopper stands in the place of a length: its own point judges it
  if (t.verdict === 'no-rule' && t.rule.id !== 'none' && input.stopper)
    return { ...base, state: 'meets', text: t.rule.text };
  if (t.verdict === 'no-rule') return { ...base, state: 'not-judged', text: t.rule.text };
  if (!measured)
    return {
      ...base,
      state: 'not-judged',
      text: answer?.found === 'cannot-see' ? 'could not be seen' : 'not measured',
    };
  const faults = entryById(input.knot).faults;
  const todo = (id: FaultId) => faults.find((f) => f.id === id)?.what_to_do ?? null;
  if (t.verdict === 'short')
    return {
      ...base,
      state: 'put-right',
      found: 'tail-short',
      text: `${named}${measured.tail_mm} mm, ${t.required_mm} asked`,
      what_to_do: todo('tail-short'),
    };
  if (t.verdict === 'long')
    return {
      ...base,
      state: 'put-right',
      found: 'tail-long',
      text: `${named}${measured.tail_mm} mm, at most ${t.max_mm}`,
      what_to_do: todo('tail-long'),
    };
  if (t.verdict === 'not-measured')
    return {
      ...base,
      state: 'not-judged',
      text: `${named}${measured.tail_mm} mm, give or take ${measured.uncertainty_mm}: touches the limit; measure it with a ruler`,
    };
  return { ...base, state: 'meets', found: 'right', text: `${named}${measured.tail_mm} mm, ${t.required_mm} asked` };
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
    const found =
      answer.touched || point.wrong.some((w) => w.fault === answer.found)
        ? entry.faults.find((f) => f.id === answer.found)
        : undefined;
    if (!found)
      throw fault('bad-input', {}, [
        { path: `answers.${point.id}.found`, message: `"${answer.found}" is no answer to this point` },
      ]);
    return {
      ...base,
      state: found.verdict,
      text: found.name,
      what_to_do: found.verdict === 'remark' ? null : found.what_to_do,
    };
  });
  const rope = input.rope_state ?? 'in-service';
  if (rope !== 'in-service')
    points.unshift({
      point: 'rope',
      state: 'take-out-and-retie',
      found: rope,
      text: ROPE_STATE_TEXT[rope],
      what_to_do: 'take the knot out; tie it in a rope that is in service',
      tail: null,
    });
  const has = (state: PointState) => points.some((p) => p.state === state);
  const points_verdict: Verdict = has('take-out-and-retie')
    ? 'take-out-and-retie'
    : has('put-right')
      ? 'put-right'
      : has('not-judged') || points.length === 0
        ? 'not-judged'
        : 'meets-the-rule';
  const asked = profile.secondCheck.asked;
  const second_signature = input.secondSigned
    ? 'present'
    : asked === 'required'
      ? 'missing-required'
      : asked === 'advised'
        ? 'missing-advised'
        : 'not-asked';
  return {
    points_verdict,
    verdict:
      points_verdict === 'meets-the-rule' && second_signature === 'missing-required' ? 'not-judged' : points_verdict,
    points,
    not_judged: points.filter((p) => p.state === 'not-judged').flatMap((p) => (p.point === 'rope' ? [] : [p.point])),
    second_signature,
  };
}
