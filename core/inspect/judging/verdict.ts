/**
 * From the answers at the check points to one verdict, by what the knot is for. A use it is kept from, or any point "take out and retie", gives
 * that; else any "put right" gives that, with the points not judged listed; else any point not judged, a second signature that is required and
 * missing, or a short look, gives "not judged"; else "meets the rule". A knot of which no check points are known is not judged. "Cannot see" and
 * an unanswered point are not judged. A remark changes nothing. Each point names the rule behind it.
 */
import { fault, finite } from '../../errors';
import type { FaultId } from '../../knots/facts/faultTable';
import type { CheckPointId, KnotEntry } from '../../knots/facts/types';
import type { Companion, Use } from '../../knots/facts/uses';
import { askedOf, lengthAsked, type LengthAnswer, type NamedRule, type Rules } from '../../profiles';
import { walkFor, type Walk, type WalkEntry, type WalkPoint } from './walk';

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
/** How far off each way of measuring may be: general. A reading by ruler counts as it is read. */
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
/** A fist laid on the tail: there is more than one, just one, or less. */
export const FIST_ANSWERS = ['yes', 'just', 'no'] as const;
export interface TailByFist {
  readonly fist: (typeof FIST_ANSWERS)[number];
}
export type TailGiven = TailMeasured | TailByFist;
export const isByFist = (tail: TailGiven): tail is TailByFist => 'fist' in tail;

/** What was found at a point: as it should be, a known fault, cannot see. Tail points carry a measure instead. */
export interface PointAnswer {
  readonly point: CheckPointId;
  readonly found: 'right' | 'cannot-see' | FaultId;
  readonly tail?: TailGiven | undefined;
  /** the tails after the first, where a knot has several: `tailNames` says in which order */
  readonly more_tails?: readonly TailGiven[] | undefined;
  /** how long the point was on the screen until it was answered; where the device kept it */
  readonly seconds?: number | undefined;
  /** what differs was touched in the picture: then it may be any fault of the knot, not one of the point's alone */
  readonly touched?: true | undefined;
  /** on the screen that shows all points; one point a screen where it is not said */
  readonly lane?: 'fast' | undefined;
}

export type PointState = 'meets' | 'put-right' | 'take-out-and-retie' | 'remark' | 'not-judged';

export interface JudgedPoint {
  /** 'rope': how the rope itself stands; 'use': what the knot is for. Nobody answers these */
  readonly point: CheckPointId | 'rope' | 'use';
  readonly state: PointState;
  readonly found: string;
  /** the reason in words: what was found, or why it was not judged */
  readonly text: string;
  readonly what_to_do: string | null;
  readonly tail: LengthAnswer | null;
  /** the rule behind it; left out in judgements from before points named theirs */
  readonly rule?: NamedRule | null;
}

export interface Judgement {
  /** what the knot was judged for; left out in judgements from before a check knew */
  readonly use?: Use;
  /** of the points alone */
  readonly points_verdict: Verdict;
  /** with the second signature taken into account */
  readonly verdict: Verdict;
  readonly points: readonly JudgedPoint[];
  readonly not_judged: readonly CheckPointId[];
  readonly second_signature: 'present' | 'missing-required' | 'missing-advised' | 'not-asked';
  /** of a short look: so many points of so many */
  readonly short?: { readonly points: number; readonly of: number };
}

export interface JudgeInput {
  readonly knot: string;
  /** what it is for; where it is not said, the use that asks most */
  readonly use?: Use | undefined;
  /** other knots tied to it */
  readonly companions?: readonly Companion[] | undefined;
  readonly rope_kind?: string | undefined;
  readonly rope_diameter_mm: number;
  readonly fist_mm: number;
  readonly answers: readonly PointAnswer[];
  readonly secondSigned: boolean;
  /** in service where it is not said */
  readonly rope_state?: RopeState | undefined;
  /** who tied it is not known: then a second person is asked whatever the rule set says */
  readonly tied_by_unknown?: true | undefined;
  readonly short?: boolean | undefined;
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

interface Case {
  readonly rules: Rules;
  readonly entry: WalkEntry;
  readonly walk: Walk;
  readonly input: JudgeInput;
}

/** Every tail of a knot against the rule: the worst decides. */
function judgeTailPoint(c: Case, answer: PointAnswer | undefined): JudgedPoint {
  const names = tailNames(c.entry);
  const first = judgeTail(c, answer, answer?.tail);
  if (names.length === 1 || first.found === 'unanswered' || first.found === 'cannot-see') return first;
  const each = names.map((name, k) => ({
    name,
    ...judgeTail(c, answer, k === 0 ? answer?.tail : answer?.more_tails?.[k - 1], ''),
  }));
  const worst = BY_STATE.map((state) => each.find((t) => t.state === state)).find((t) => t !== undefined)!;
  const { name: _, ...point } = each
    .filter((t) => t.state === worst.state)
    .reduce((a, b) => ((b.tail?.margin_mm ?? 0) < (a.tail?.margin_mm ?? 0) ? b : a));
  return { ...point, text: each.map((t) => `${t.name}: ${t.text}`).join('; ') };
}

/** Less than a fist, as a length: it touches no limit that is a fist. */
const UNDER = 1 - 1e-9;
/** What a tail may be, mm: by ruler as read, by a fist from or up to one, by any other way as far off as that may be. */
function between(tail: TailGiven, fist_mm: number): { low_mm: number; high_mm: number } {
  if (!isByFist(tail)) {
    const mm = finite('tail_mm', tail.tail_mm, 0, 20_000);
    const off = tail.method === 'ruler' ? 0 : finite('uncertainty_mm', tail.uncertainty_mm, 0, 1000);
    return { low_mm: mm - off, high_mm: mm + off };
  }
  if (tail.fist === 'just') return { low_mm: fist_mm, high_mm: fist_mm };
  return tail.fist === 'yes' ? { low_mm: fist_mm, high_mm: Infinity } : { low_mm: 0, high_mm: fist_mm * UNDER };
}
const FIST_WORDS = { yes: 'more than a fist', just: 'just a fist', no: 'less than a fist' } as const;

function judgeTail(
  { rules, entry, walk, input }: Case,
  answer: PointAnswer | undefined,
  given: TailGiven | undefined,
  /** what is said before a length: which tail it is stands before the whole text where there are several */
  named = 'tail ',
): JudgedPoint {
  const measured = answer?.found === 'cannot-see' ? undefined : given;
  const t = lengthAsked(rules, entry, {
    use: walk.use,
    companions: walk.tied,
    rope_diameter_mm: input.rope_diameter_mm,
    fist_mm: input.fist_mm,
    ...(measured && { between: between(measured, input.fist_mm) }),
  });
  const { layer } = t.rule;
  const base = {
    point: 'tail' as const,
    found: answer?.found ?? 'unanswered',
    tail: t,
    what_to_do: null,
    rule: layer === null ? null : { ...t.rule, layer },
  };
  const said = measured && (isByFist(measured) ? FIST_WORDS[measured.fist] : `${measured.tail_mm} mm`);
  // a rule that asks no length blocks nothing; where every layer is silent nothing can be said
  if (t.verdict === 'no-rule')
    return {
      ...base,
      state: layer === null ? 'not-judged' : 'meets',
      text:
        layer === null ? t.rule.text : `${said ? `${named}${said}, noted; ` : ''}no length is asked: ${t.rule.text}`,
    };
  if (!measured)
    return {
      ...base,
      state: 'not-judged',
      text: answer?.found === 'cannot-see' ? 'could not be seen' : 'not measured',
    };
  const todo = (id: FaultId) => entry.faults.find((f) => f.id === id)?.what_to_do ?? null;
  const asked = `${round(t.required_mm!)} asked`;
  if (t.verdict === 'short')
    return {
      ...base,
      state: 'put-right',
      found: 'tail-short',
      text: `${named}${said}, ${asked}`,
      what_to_do: todo('tail-short'),
    };
  if (t.verdict === 'long')
    return {
      ...base,
      state: 'put-right',
      found: 'tail-long',
      text: `${named}${said}, at most ${round(t.max_mm!)}`,
      what_to_do: todo('tail-long'),
    };
  if (t.verdict === 'not-measured')
    return {
      ...base,
      state: 'not-judged',
      text: isByFist(measured)
        ? `${named}${said}, ${asked}: a fist does not tell; measure it with a ruler`
        : `${named}${said}, give or take ${measured.uncertainty_mm}: touches the limit; measure it with a ruler`,
    };
  return { ...base, state: 'meets', found: 'right', text: `${named}${said}, ${asked}` };
}
/** A length that is asked, as words give it: up to a tenth of a millimetre, never less. */
const round = (mm: number): number => Math.ceil(mm * 10 - 1e-9) / 10;

function judgePoint(c: Case, point: WalkPoint): JudgedPoint {
  const answer = c.input.answers.find((a) => a.point === point.id);
  if (point.id === 'tail') return judgeTailPoint(c, answer);
  const base = {
    point: point.id,
    found: answer?.found ?? 'unanswered',
    tail: null,
    what_to_do: null,
    rule: point.rule,
  };
  if (!answer) return { ...base, state: 'not-judged', text: 'not looked at' };
  if (answer.found === 'cannot-see') return { ...base, state: 'not-judged', text: 'could not be seen' };
  if (answer.found === 'right') return { ...base, state: 'meets', text: point.right.label };
  const ofCompanion = c.rules.practice.companions
    .find((x) => x.companion === point.companion)
    ?.wrong.find((w) => w.fault === answer.found);
  if (ofCompanion)
    return {
      ...base,
      state: ofCompanion.verdict,
      text: ofCompanion.label,
      what_to_do: ofCompanion.verdict === 'remark' ? null : ofCompanion.what_to_do,
    };
  // touched in the picture it may be any fault of the knot, found while looking at this point
  const found =
    answer.touched || point.wrong.some((w) => w.fault === answer.found)
      ? c.entry.faults.find((f) => f.id === answer.found)
      : undefined;
  if (!found) throw noAnswer(answer);
  return {
    ...base,
    state: found.verdict,
    text: found.name,
    what_to_do: found.verdict === 'remark' ? null : found.what_to_do,
  };
}

/** What was found wrong at a point that is not asked here: it counts all the same. */
function foundBesides({ rules, entry, walk, input }: Case): JudgedPoint[] {
  const asked = new Set(walk.points.map((p) => p.id));
  return input.answers
    .filter((a) => !asked.has(a.point) && a.point !== 'tail' && a.found !== 'right' && a.found !== 'cannot-see')
    .map((a): JudgedPoint => {
      const found =
        entry.faults.find((f) => f.id === a.found) ??
        (a.point === 'stopper'
          ? rules.practice.companions.flatMap((x) => x.wrong).find((w) => w.fault === a.found)
          : undefined);
      if (!found) throw noAnswer(a);
      return {
        point: a.point,
        state: found.verdict,
        found: a.found,
        text: 'name' in found ? found.name : found.label,
        what_to_do: found.verdict === 'remark' ? null : found.what_to_do,
        tail: null,
        rule: null,
      };
    });
}

const noAnswer = (a: PointAnswer) =>
  fault('bad-input', {}, [{ path: `answers.${a.point}.found`, message: `"${a.found}" is no answer to this point` }]);

/** Whether a rope in that state may hold a knot: one that isolates damage is tied because of it. */
const ropeServes = (state: RopeState, use: Use): boolean =>
  state === 'in-service' || (state === 'damaged' && use === 'isolate-damage');

/** Whether a second person is asked: the rule set's word for all, or of this knot; always where nobody knows who tied it. */
function secondAsked({ rules, entry, walk, input }: Case): 'required' | 'advised' | 'none' {
  const ofKnot = askedOf(rules, entry, walk.use, 'second-check').map((a) => a.asks.asked);
  const all = [...ofKnot, rules.profile.secondCheck.asked];
  if (input.tied_by_unknown || all.includes('required')) return 'required';
  return all.includes('advised') ? 'advised' : 'none';
}

/**
 * A judgement from what is given alone: rule set and entry may be those that are stored with a record.
 * @throws bad-input for an answer that is not one of the point's, or touched and no fault of the knot
 */
export function judgeBy(rules: Rules, entry: WalkEntry, input: JudgeInput): Judgement {
  const walk = walkFor(rules, entry, input);
  const c: Case = { rules, entry, walk, input };
  const points = [...walk.points.map((point) => judgePoint(c, point)), ...foundBesides(c)];
  const rope = input.rope_state ?? 'in-service';
  if (rope !== 'in-service' && !ropeServes(rope, walk.use))
    points.unshift({
      point: 'rope',
      state: 'take-out-and-retie',
      found: rope,
      text: ROPE_STATE_TEXT[rope],
      what_to_do: 'take the knot out; tie it in a rope that is in service',
      tail: null,
      rule: null,
    });
  if (walk.refused)
    points.unshift({
      point: 'use',
      state: 'take-out-and-retie',
      found: walk.use,
      text: walk.refused.text,
      what_to_do: 'take the knot out; tie one that is made for this',
      tail: null,
      rule: walk.refused,
    });
  const has = (state: PointState) => points.some((p) => p.state === state);
  const points_verdict: Verdict = has('take-out-and-retie')
    ? 'take-out-and-retie'
    : has('put-right')
      ? 'put-right'
      : has('not-judged') || points.length === 0 || input.short
        ? 'not-judged'
        : 'meets-the-rule';
  const asked = secondAsked(c);
  const second_signature =
    input.secondSigned && !input.short
      ? 'present'
      : asked === 'required'
        ? 'missing-required'
        : asked === 'advised'
          ? 'missing-advised'
          : 'not-asked';
  return {
    use: walk.use,
    points_verdict,
    verdict:
      points_verdict === 'meets-the-rule' && second_signature === 'missing-required' ? 'not-judged' : points_verdict,
    points,
    not_judged: points
      .filter((p) => p.state === 'not-judged')
      .flatMap((p) => (p.point === 'rope' || p.point === 'use' ? [] : [p.point])),
    second_signature,
    ...(input.short && { short: { points: walk.points.length, of: walk.of } }),
  };
}
