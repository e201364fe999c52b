/**
 * The points of a walk: what is asked of a knot that is for something, under a rule set with common practice beneath it. A companion that a rule
 * asks, or that is tied, is looked at like a part of the knot; what is not there at this use, a tail or a harness, is not asked.
 */
import { fault } from '../../errors';
import { composedOf, FAULTS_OF_JOINED, isJoined } from '../../knots/facts/composed';
import type { FaultId } from '../../knots/facts/faultTable';
import type { CheckPoint, CheckPointId, KnotEntry, PictureOf } from '../../knots/facts/types';
import { isAmong, partsOf, usesOf, type Companion, type Use } from '../../knots/facts/uses';
import {
  companionsAsked,
  companionsTied,
  hasTail,
  lengthAsked,
  refusalOf,
  ruleOfPoint,
  type NamedRule,
  type Rules,
} from '../../profiles';

/** What a walk reads of a knot's entry. */
export type WalkEntry = Pick<KnotEntry, 'id' | 'purposes' | 'pulls' | 'check_points' | 'faults' | 'family'>;

export interface WalkQuestion {
  /** what the knot is for; where it is not said, the use that asks most */
  readonly use?: Use | undefined;
  readonly companions?: readonly Companion[] | undefined;
  readonly rope_kind?: string | undefined;
  /** a look at four things alone: strands on both faces, tail, daylight, eye */
  readonly short?: boolean | undefined;
}

export interface WalkPoint extends Omit<CheckPoint, 'right'> {
  /** no picture where the form with its companion is not stored */
  readonly right: { readonly label: string; readonly picture: PictureOf | null };
  readonly rule: NamedRule | null;
  /** the knot tied to it that this point looks at */
  readonly companion?: Companion;
}

export interface Walk {
  readonly use: Use;
  /** the uses it is made for */
  readonly uses: readonly Use[];
  /** why this use is refused; then the knot is to be taken out whatever is found */
  readonly refused: NamedRule | null;
  /** tied or asked: each has to be there */
  readonly companions: readonly Companion[];
  /** of these those that were said to be tied: the length asked is then their own tail's; where one is only asked it is the knot's */
  readonly tied: readonly Companion[];
  readonly points: readonly WalkPoint[];
  /** how many points the whole walk has */
  readonly of: number;
}

/** What a short look looks at. */
const SHORT: readonly CheckPointId[] = ['front', 'back', 'tail', 'set', 'eye'];

/** Whether a point looks at the knot's own stopper: the knot is one that stands behind another. */
const isItself = (entry: WalkEntry): boolean => usesOf(entry).includes('backup') && entry.family === 'stopper';

/** A point before its rule is named. */
type Asked = Omit<WalkPoint, 'rule'>;

/** Where the point of a companion stands: before the tail is measured. */
function withCompanion(points: readonly Asked[], point: Asked): Asked[] {
  const at = points.findIndex((p) => p.id === 'tail' || p.id === 'set');
  return at < 0 ? [...points, point] : [...points.slice(0, at), point, ...points.slice(at)];
}

/** The picture of a knot with another tied to it; none where that is not stored as a form. */
function pictureOf(knot: string, companion: Companion, of?: FaultId): PictureOf | null {
  if (isJoined(knot, companion)) {
    if (of === 'stopper-missing') return { form: 'right', face: 'front', state: 'tight' };
    if (of !== undefined && !FAULTS_OF_JOINED[companion].includes(of)) return null;
    return { form: of ?? 'right', face: 'front', state: 'tight', companion };
  }
  const form = composedOf(knot, companion, of);
  return form
    ? { form: form.form, face: 'front', state: 'tight', ...(form.knot !== knot && { knot: form.knot }) }
    : null;
}

/** The question that looks at a companion; null where common practice has none for it. */
export function companionPoint(
  { practice }: Pick<Rules, 'practice'>,
  knot: string,
  companion: Companion,
): Asked | null {
  const asked = practice.companions.find((c) => c.companion === companion);
  if (!asked) return null;
  return {
    id: 'stopper',
    question: asked.question,
    help: asked.help,
    right: { label: asked.right, picture: pictureOf(knot, companion) },
    wrong: asked.wrong
      .filter((w) => w.knots === undefined || w.knots.includes(knot))
      .map(({ fault: id, label }) => ({ fault: id, label, picture: pictureOf(knot, companion, id) })),
    source: asked.source,
  };
}

/** The use that is taken where none is said: the one that asks most of those it is not kept from. */
export const strictestUse = (rules: Rules, entry: WalkEntry, rope_diameter_mm = 10): Use =>
  lengthAsked(rules, entry, { rope_diameter_mm }).use;

/**
 * @throws bad-input for a companion that cannot be tied to this knot in this use; short-look-not-allowed
 */
export function walkFor(rules: Rules, entry: WalkEntry, q: WalkQuestion): Walk {
  const use = q.use ?? strictestUse(rules, entry);
  const refused = refusalOf(rules, entry, use);
  const companions = refused ? [] : companionsTied(rules, entry, use, q.companions ?? [], q.rope_kind);
  const own = entry.check_points.filter(
    (p) =>
      (p.uses === undefined || isAmong(p.uses, use)) &&
      (p.id !== 'tail' || hasTail(entry, use)) &&
      (p.id !== 'stopper' || isItself(entry)),
  );
  const looked = companions.find((c) => !partsOf(entry).includes(c));
  const point = looked ? companionPoint(rules, entry.id, looked) : null;
  const all = (point ? withCompanion(own, point) : own).map((p: Asked): WalkPoint => ({
    ...p,
    rule:
      (p.id === 'stopper' && looked
        ? companionsAsked(rules, entry, use, q.rope_kind).find((a) => a.companions.includes(looked))?.rule
        : null) ?? ruleOfPoint(rules, entry, use, p.id),
    ...(p.id === 'stopper' && looked && { companion: looked }),
  }));
  if (q.short && !shortLookAllowed(rules, entry)) throw fault('short-look-not-allowed', { knot: entry.id });
  const points = q.short ? all.filter((p) => SHORT.includes(p.id)) : all;
  const tied = refused ? [] : (q.companions ?? []);
  return { use, uses: usesOf(entry), refused, companions, tied, points, of: all.length };
}

/** Whether a look at four things is allowed: the rule set says so of this knot. */
export const shortLookAllowed = ({ profile }: Pick<Rules, 'profile'>, entry: Pick<WalkEntry, 'id'>): boolean =>
  (profile.shortLook ?? []).includes(entry.id);

/** The grave faults that a short look does not look for. No rule set that ships allows it for a knot that has one. */
export function graveBeyondShortLook(entry: WalkEntry): readonly string[] {
  const seen = new Set(
    entry.check_points.filter((p) => SHORT.includes(p.id)).flatMap((p) => p.wrong.map((w) => w.fault)),
  );
  return entry.faults.filter((f) => f.verdict === 'take-out-and-retie' && !seen.has(f.id)).map((f) => f.id);
}
