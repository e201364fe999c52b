/**
 * What the layers ask of a knot at its place, beside lengths: which companions belong to it, what stands behind a point of its walk, and which
 * uses it is kept from. Of two rules the one of the upper layer is named, of one layer the one that names the knot.
 */
import { fault } from '../errors';
import type { CheckPointId, KnotEntry, Pull } from '../knots/facts/types';
import { companionsFor, isAmong, partsOf, usesOf, type Companion, type Use } from '../knots/facts/uses';
import { COMMON_PRACTICE, type CommonPractice } from './common';
import type { Asked, Asks, Layer, Profile } from './types';

/** A rule set, with common practice beneath it: as they are, or as they are stored with a record. */
export interface Rules {
  readonly profile: Profile;
  readonly practice: CommonPractice;
  /** whether the rules of common practice count */
  readonly common: boolean;
}

export const rulesOf = (profile: Profile, common = true): Rules => ({ profile, practice: COMMON_PRACTICE, common });

/** A rule by its name, as answers give it. */
export interface NamedRule {
  readonly id: string;
  readonly layer: Layer;
  readonly text: string;
  readonly source: string;
  readonly profile: string;
  readonly version: number;
}

/** What these rules read of a knot's entry. */
export type RulesEntry = Pick<KnotEntry, 'id' | 'purposes' | 'pulls'> & { readonly family: string };

const named = (
  of: { readonly id: string; readonly version: number },
  layer: Layer,
  r: { readonly rule: string; readonly text: string; readonly source: string },
): NamedRule => ({ id: r.rule, layer, text: r.text, source: r.source, profile: of.id, version: of.version });

const fits = (a: Asked, entry: RulesEntry, use: Use, rope_kind?: string): boolean =>
  (a.knots.includes(entry.id) || a.knots.includes(entry.family) || a.knots.includes('any')) &&
  (a.uses === undefined || isAmong(a.uses, use)) &&
  (a.rope_kinds === undefined || rope_kind === undefined || a.rope_kinds.includes(rope_kind));
const closeness = (a: Asked, entry: RulesEntry): number =>
  (a.knots.includes(entry.id) ? 4 : a.knots.includes(entry.family) ? 2 : 0) + (a.uses ? 1 : 0);

/** Every rule of a kind that is for a knot in a use: the upper layer first, in a layer the closest first. */
export function askedOf<K extends Asks['kind']>(
  rules: Rules,
  entry: RulesEntry,
  use: Use,
  kind: K,
  rope_kind?: string,
): { readonly asks: Extract<Asks, { kind: K }>; readonly rule: NamedRule }[] {
  const layers = [
    { of: rules.profile, layer: 'school' as const, asked: rules.profile.also ?? [] },
    ...(rules.common ? [{ of: rules.practice, layer: 'common' as const, asked: rules.practice.asked }] : []),
  ];
  return layers.flatMap(({ of, layer, asked }) =>
    asked
      .filter((a) => a.asks?.kind === kind && fits(a, entry, use, rope_kind))
      .sort((a, b) => closeness(b, entry) - closeness(a, entry))
      .map((a) => ({ asks: a.asks as Extract<Asks, { kind: K }>, rule: named(of, layer, a) })),
  );
}

/** The rule behind what is asked at a point; null where none says anything of it. */
export function ruleOfPoint(rules: Rules, entry: RulesEntry, use: Use, point: CheckPointId): NamedRule | null {
  return askedOf(rules, entry, use, 'point').find((a) => a.asks.points.includes(point))?.rule ?? null;
}

export interface CompanionAsked {
  readonly companions: readonly Companion[];
  readonly how: 'required' | 'advised' | 'optional';
  readonly rule: NamedRule | null;
}

/**
 * What is asked of companions, the strictest first: a school that asks none silences no rule beneath it. What may be tied to a knot and no rule
 * speaks of is optional.
 */
export function companionsAsked(rules: Rules, entry: RulesEntry, use: Use, rope_kind?: string): CompanionAsked[] {
  const { profile } = rules;
  const behind = profile.stopperBehindTieIn;
  const possible = companionsFor(entry, use).filter((c) => !partsOf(entry).includes(c));
  const standing = profile.tieIn.find((k) => k.knot === entry.id);
  const all: CompanionAsked[] = [
    ...(use === 'tie-in' && behind.knots.includes(entry.id) && behind.asked !== 'not-asked'
      ? [
          {
            companions: [behind.companion ?? 'stopper-behind'],
            how: behind.asked,
            rule: named(profile, 'school', { ...behind, rule: behind.rule ?? 'stopper' }),
          } as const,
        ]
      : []),
    ...(standing && standing.says !== 'named' && possible.includes('stopper-behind')
      ? [
          {
            companions: ['stopper-behind', 'two-strand-backup'] as const,
            how: standing.says === 'only-with-stopper' ? 'required' : 'advised',
            rule: named(profile, 'school', standing),
          } as const,
        ]
      : []),
    ...askedOf(rules, entry, use, 'companion', rope_kind).map(({ asks, rule }) => ({
      companions: asks.companions,
      how: asks.how,
      rule,
    })),
  ];
  const order = ['required', 'advised', 'optional'] as const;
  const said = new Set(all.flatMap((a) => a.companions));
  return [
    ...all.filter((a) => a.companions.some((c) => possible.includes(c))),
    ...possible.filter((c) => !said.has(c)).map((c) => ({ companions: [c], how: 'optional' as const, rule: null })),
  ].sort((a, b) => order.indexOf(a.how) - order.indexOf(b.how));
}

/**
 * The companions of a knot: those that are tied, and of each rule that asks one the first that it names, where none of its is tied.
 * @throws bad-input for one that cannot be tied to this knot in this use
 */
export function companionsTied(
  rules: Rules,
  entry: RulesEntry,
  use: Use,
  tied: readonly Companion[],
  rope_kind?: string,
): readonly Companion[] {
  const possible = companionsFor(entry, use);
  const strange = tied.find((c) => !possible.includes(c));
  if (strange !== undefined)
    throw fault('bad-input', {}, [
      {
        path: 'companions',
        message: `"${strange}" is not tied to this knot in that use${possible.length > 0 ? `: ${possible.join(', ')}` : ''}`,
      },
    ]);
  const all = [...new Set(tied)];
  for (const a of companionsAsked(rules, entry, use, rope_kind))
    if (a.how === 'required' && !all.some((c) => a.companions.includes(c))) all.push(a.companions[0]!);
  return all;
}

/** What is meant where it is only said that a stopper is tied: what the rules ask or name first, else what can be tied to it. */
export function companionMeant(rules: Rules, entry: RulesEntry, use: Use): readonly Companion[] {
  const [first] = companionsAsked(rules, entry, use);
  return first ? [first.companions[0]!] : [];
}

/** After how many hours at the latest a knot is looked at again by the rules: the soonest that they say; undefined where they say nothing. */
export function lookAgainAfter_h(rules: Rules, entry: RulesEntry, use: Use): number | undefined {
  const said = askedOf(rules, entry, use, 'look-again').map((a) => a.asks.after_h);
  const all = [...said, ...(rules.profile.lookAgainAfter_h === undefined ? [] : [rules.profile.lookAgainAfter_h])];
  return all.length > 0 ? Math.min(...all) : undefined;
}

/** The pull that comes with a use, where one does. */
const PULL_OF_USE: Readonly<Partial<Record<Use, Pull>>> = {
  'tie-in': 'standing-eye',
  'end-loop': 'standing-eye',
  'two-eyes': 'standing-eye',
  midline: 'standing-eye',
  tether: 'standing-eye',
  'hitch-object': 'standing-eye',
  termination: 'standing-eye',
  belay: 'standing-eye',
  'tension-eye': 'standing-eye',
  'isolate-damage': 'through',
  join: 'through',
  'join-to-pass': 'through',
  'join-to-retrieve': 'through',
  'cord-loop': 'through',
  sling: 'through',
  stopper: 'through',
  friction: 'down',
  'friction-climb': 'down',
  'friction-backup': 'down',
  'friction-escape': 'down',
  'friction-both': 'up',
};

/** Why a knot is kept from a use, whatever the rule set says; null where it is not. */
export function refusalOf(rules: Pick<Rules, 'practice'>, entry: RulesEntry, use: Use): NamedRule | null {
  const { practice } = rules;
  const own = practice.refused.find((r) => r.knots.includes(entry.id) && (r.uses === 'any' || isAmong(r.uses, use)));
  if (own) return named(practice, 'common', own);
  const pull = PULL_OF_USE[use];
  const does = entry.pulls.find((p) => p.pull === pull);
  if (does?.grade === 'fails')
    return named(practice, 'common', {
      rule: 'CP-U8',
      text: `pulled as this use pulls it, it fails: ${does.what_happens}`,
      source: does.source,
    });
  if (!usesOf(entry).includes(use))
    return named(practice, 'common', {
      rule: 'CP-U9',
      text: 'it is not made for that',
      source: 'practice',
    });
  return null;
}
