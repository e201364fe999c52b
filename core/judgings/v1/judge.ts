/**
 * Judging, version 1: as it was when the first entries of a record were made. Frozen: an entry that names this version, or none, is computed
 * again by it whatever judging has become since. Nothing here may change, and it takes nothing from what may; a test holds its hash. The rule set
 * and the knot's entry are given as they are stored with the record.
 */
import { fault, finite } from '../../errors';

type PointVerdict = 'take-out-and-retie' | 'put-right' | 'remark';
type Verdict = 'meets-the-rule' | 'put-right' | 'take-out-and-retie' | 'not-judged';

/** What judging reads of a knot's entry. */
export interface EntryV1 {
  readonly id: string;
  readonly family: string;
  readonly check_points: readonly {
    readonly id: string;
    readonly right: { readonly label: string };
    readonly wrong: readonly { readonly fault: string }[];
  }[];
  readonly faults: readonly {
    readonly id: string;
    readonly name: string;
    readonly verdict: PointVerdict;
    readonly what_to_do: string;
  }[];
}

interface LengthRule {
  readonly id: string;
  readonly for: readonly string[];
  readonly use: string;
  readonly stopper?: boolean;
  readonly kind: string;
  readonly ropeDiameters?: number;
  readonly fixed_mm?: number;
  readonly fists?: number;
  readonly max_mm?: number;
  readonly noLength?: true;
  readonly text: string;
  readonly source: string;
}
/** What judging reads of a rule set. */
export interface ProfileV1 {
  readonly id: string;
  readonly version: number;
  readonly lengths: readonly LengthRule[];
  readonly tieIn: readonly { readonly knot: string; readonly says: string }[];
  readonly stopperBehindTieIn: { readonly asked: string; readonly knots: readonly string[] };
  readonly secondCheck: { readonly asked: 'required' | 'advised' | 'none' };
}

interface TailQuestion {
  readonly knot: string;
  readonly rope_diameter_mm: number;
  readonly tail_mm?: number | undefined;
  readonly uncertainty_mm?: number | undefined;
  readonly stopper?: boolean | undefined;
  /** breadth of the person's fist across the knuckles, 70 to 120 mm, 100 where not calibrated */
  readonly fist_mm?: number | undefined;
  readonly as?: string | undefined;
}

interface TailAnswer {
  readonly length_kind: string;
  readonly required_mm: number | null;
  readonly recommended_mm: number | null;
  readonly max_mm: number | null;
  readonly rule: {
    readonly id: string;
    readonly text: string;
    readonly source: string;
    readonly profile: string;
    readonly version: number;
  };
  readonly verdict: 'enough' | 'short' | 'long' | 'not-measured' | 'no-rule';
  /** least distance to the nearest limit, rounded down; negative when missed; null where there is nothing to compare */
  readonly margin_mm: number | null;
}

const DEFAULT_FIST_MM = 100;
const FIST_RANGE_MM = [70, 120] as const;

function ruleFor(profile: ProfileV1, question: TailQuestion, family: string): LengthRule | undefined {
  const use = question.as ?? 'tie-in';
  return profile.lengths.find(
    (r) =>
      (r.use === 'any' ? use !== 'rope-end' || r.for.includes(question.knot) : r.use === use) &&
      (r.for.includes(question.knot) || r.for.includes(family) || r.for.includes('any')) &&
      (r.stopper === undefined || r.stopper === (question.stopper ?? false)),
  );
}

/** Largest of the parts of a rule, mm, unrounded; null where the rule asks no length. */
function requiredLength_mm(rule: LengthRule, ropeDiameter_mm: number, fist_mm: number): number | null {
  const parts = [
    rule.ropeDiameters === undefined ? null : rule.ropeDiameters * ropeDiameter_mm,
    rule.fixed_mm ?? null,
    rule.fists === undefined ? null : rule.fists * fist_mm,
  ].filter((v) => v !== null);
  return rule.noLength || parts.length === 0 ? null : Math.max(...parts);
}

/** @throws not-a-number for values out of range */
function judgeTail(profile: ProfileV1, knot: EntryV1, question: TailQuestion): TailAnswer {
  const diameter = finite('rope_diameter_mm', question.rope_diameter_mm, 2, 40);
  const fist = finite('fist_mm', question.fist_mm ?? DEFAULT_FIST_MM, ...FIST_RANGE_MM);
  const uncertainty = finite('uncertainty_mm', question.uncertainty_mm ?? 0, 0, 1000);
  const rule = ruleFor(profile, question, knot.family);
  const named = { profile: profile.id, version: profile.version };
  if (!rule)
    return {
      length_kind: question.as === 'rope-end' ? 'beyond_stopper' : 'tail',
      required_mm: null,
      recommended_mm: null,
      max_mm: null,
      verdict: 'no-rule',
      margin_mm: null,
      rule: {
        id: 'none',
        text: 'this rule set says nothing about this length on this knot',
        source: 'practice',
        ...named,
      },
    };
  const required = requiredLength_mm(rule, diameter, fist);
  const max = rule.max_mm ?? null;
  const base = {
    length_kind: rule.kind,
    required_mm: required,
    recommended_mm: null,
    max_mm: max,
    rule: { id: rule.id, text: rule.text, source: rule.source, ...named },
  };
  if (required === null) return { ...base, verdict: 'no-rule', margin_mm: null };
  if (question.tail_mm === undefined) return { ...base, verdict: 'not-measured', margin_mm: null };
  const tail = finite('tail_mm', question.tail_mm, 0, 20000);
  const low = tail - uncertainty;
  const high = tail + uncertainty;
  const short = high < required;
  const long = max !== null && low > max;
  const within = low >= required && (max === null || high <= max);
  const margin = long ? max - low : Math.min(low - required, max === null || short ? Infinity : max - high);
  return {
    ...base,
    verdict: short ? 'short' : long ? 'long' : within ? 'enough' : 'not-measured',
    margin_mm: Math.floor(margin),
  };
}

/** How a rope stands for a life load: in service, retired for good, or with damage that nothing was done about. */
type RopeState = 'in-service' | 'damaged' | 'retired';
const ROPE_STATE_TEXT = {
  damaged: 'the rope has damage that nothing was done about: never for a life load',
  retired: 'the rope is retired: never for a life load',
} as const;

interface TailMeasured {
  readonly tail_mm: number;
  readonly method: string;
  readonly uncertainty_mm: number;
}

/** What was found at a point: as it should be, a known fault, cannot see. Tail points carry a measure instead. */
interface PointAnswer {
  readonly point: string;
  readonly found: string;
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

type PointState = 'meets' | 'put-right' | 'take-out-and-retie' | 'remark' | 'not-judged';

interface JudgedPoint {
  /** 'rope': how the rope itself stands, which nobody answers */
  readonly point: string;
  readonly state: PointState;
  readonly found: string;
  /** the reason in words: what was found, or why it was not judged */
  readonly text: string;
  readonly what_to_do: string | null;
  readonly tail: TailAnswer | null;
}

interface Judgement {
  /** of the points alone */
  readonly points_verdict: Verdict;
  /** with the second signature taken into account */
  readonly verdict: Verdict;
  readonly points: readonly JudgedPoint[];
  readonly not_judged: readonly string[];
  readonly second_signature: 'present' | 'missing-required' | 'missing-advised' | 'not-asked';
}

/** The check points of a knot under a rule set: the stopper is a point only where it may be, or must be, there. */
function checkPointsFor(knot: EntryV1, profile: ProfileV1, stopperTied: boolean): EntryV1['check_points'] {
  return knot.check_points.filter((p) => p.id !== 'stopper' || stopperTied || stopperAsked(knot.id, profile));
}

/** Whether the rule set requires a stopper on this knot. */
function stopperAsked(knotId: string, profile: ProfileV1): boolean {
  const says = profile.tieIn.find((k) => k.knot === knotId)?.says;
  return (
    says === 'only-with-stopper' ||
    (profile.stopperBehindTieIn.asked === 'required' && profile.stopperBehindTieIn.knots.includes(knotId))
  );
}

interface JudgeInput {
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
const tailNames = (knot: Pick<EntryV1, 'family'>): readonly [string, ...string[]] =>
  knot.family === 'bend' ? ['tail of the first rope', 'tail of the second rope'] : ['tail'];

const BY_STATE = [
  'take-out-and-retie',
  'put-right',
  'not-judged',
  'remark',
  'meets',
] as const satisfies readonly PointState[];

/** Every tail of a knot against the rule: the worst decides. */
function judgeTailPoint(
  profile: ProfileV1,
  entry: EntryV1,
  input: JudgeInput,
  answer: PointAnswer | undefined,
): JudgedPoint {
  const names = tailNames(entry);
  const first = judgeTail1(profile, entry, input, answer, answer?.tail);
  if (
    names.length === 1 ||
    first.found === 'unanswered' ||
    first.found === 'cannot-see' ||
    first.tail?.required_mm === null
  )
    return first;
  const each = names.map((name, k) => ({
    name,
    ...(k === 0 ? first : judgeTail1(profile, entry, input, answer, answer?.more_tails?.[k - 1])),
  }));
  const worst = BY_STATE.map((state) => each.find((t) => t.state === state)).find((t) => t !== undefined)!;
  const { name: _, ...point } = each
    .filter((t) => t.state === worst.state)
    .reduce((a, b) => ((b.tail?.margin_mm ?? 0) < (a.tail?.margin_mm ?? 0) ? b : a));
  return { ...point, text: each.map((t) => `${t.name}: ${t.text.replace(/^tail /, '')}`).join('; ') };
}

function judgeTail1(
  profile: ProfileV1,
  entry: EntryV1,
  input: JudgeInput,
  answer: PointAnswer | undefined,
  given: TailMeasured | undefined,
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
    entry,
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
  const { faults } = entry;
  const todo = (id: string) => faults.find((f) => f.id === id)?.what_to_do ?? null;
  if (t.verdict === 'short')
    return {
      ...base,
      state: 'put-right',
      found: 'tail-short',
      text: `tail ${measured.tail_mm} mm, ${t.required_mm} asked`,
      what_to_do: todo('tail-short'),
    };
  if (t.verdict === 'long')
    return {
      ...base,
      state: 'put-right',
      found: 'tail-long',
      text: `tail ${measured.tail_mm} mm, at most ${t.max_mm}`,
      what_to_do: todo('tail-long'),
    };
  if (t.verdict === 'not-measured')
    return {
      ...base,
      state: 'not-judged',
      text: `tail ${measured.tail_mm} mm, give or take ${measured.uncertainty_mm}: touches the limit; measure it with a ruler`,
    };
  return { ...base, state: 'meets', found: 'right', text: `tail ${measured.tail_mm} mm, ${t.required_mm} asked` };
}

/**
 * @throws bad-input for an answer that is not one of the point's, or touched and no fault of the knot
 */
export function judge(profile: ProfileV1, entry: EntryV1, input: JudgeInput): Judgement {
  const points = checkPointsFor(entry, profile, input.stopper).map((point): JudgedPoint => {
    const answer = input.answers.find((a) => a.point === point.id);
    if (point.id === 'tail') return judgeTailPoint(profile, entry, input, answer);
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
