/**
 * A practice profile: one school's rules as data. Which knots it accepts stands here, never in the knot;
 * silence is an answer of its own. Kinds of length are types of their own and are never mixed.
 */
import type { CheckPointId, Source } from '../knots/facts/types';
import type { Companion, Use } from '../knots/facts/uses';

export const PROFILE_IDS = ['sport-crag', 'rope-access', 'rescue-team', 'tree-work', 'river-expedition'] as const;
export type ShippedProfileId = (typeof PROFILE_IDS)[number];

/** tail: beyond the finished knot; beyond_stopper: rope after a stopper at a rope's end; start_allowance: in hand before tying; bight: doubled rope to begin with; stopper_rope: used up by a stopper. */
export type LengthKind = 'tail' | 'beyond_stopper' | 'start_allowance' | 'bight' | 'stopper_rope';
export type TailUse = 'tie-in' | 'rope-end' | 'tether';

/** Whose rule it is: the organisation's own, a school's, or common practice. */
export type Layer = 'own' | 'school' | 'common';

/** required = the largest of those given: k rope diameters, a fixed length, n fists. */
export interface LengthRule {
  readonly id: string;
  /** knots it is for; 'end-loop' stands for every end loop, 'any' for every knot */
  readonly for: readonly string[];
  readonly use: TailUse | 'any';
  /** applies only with, or only without, a stopper */
  readonly stopper?: boolean;
  readonly kind: LengthKind;
  readonly ropeDiameters?: number;
  readonly fixed_mm?: number;
  readonly fists?: number;
  readonly max_mm?: number;
  /** no length is asked: the text says what is asked instead */
  readonly noLength?: true;
  readonly text: string;
  readonly source: Source;
}

export interface KnotStanding {
  readonly knot: string;
  readonly says: 'named' | 'only-with-stopper' | 'advised-with-stopper';
  readonly rule: string;
  readonly text: string;
  readonly source: Source;
}

/** What a rule asks, for programs: every kind is read by something, a test holds that. */
export type Asks =
  /** one of these companions, the first where nothing else is said */
  | {
      readonly kind: 'companion';
      readonly companions: readonly Companion[];
      readonly how: 'required' | 'advised' | 'optional';
    }
  /** it stands behind what is asked at these points of the walk */
  | { readonly kind: 'point'; readonly points: readonly CheckPointId[] }
  /** the knots are named for the use */
  | { readonly kind: 'named' }
  /** doubled rope to begin with, mm */
  | { readonly kind: 'bight'; readonly least_mm: number; readonly most_mm?: number }
  /** rope in hand before tying, mm */
  | { readonly kind: 'in-hand'; readonly least_mm: number }
  /** tied, dressed and set within, s */
  | { readonly kind: 'time'; readonly most_s: number }
  | { readonly kind: 'second-check'; readonly asked: 'required' | 'advised' }
  /** looked at again after so many hours at the latest */
  | { readonly kind: 'look-again'; readonly after_h: number };

/** What a rule set asks of a knot, or at a task, beside lengths and stoppers behind a tie-in. */
export interface Asked {
  readonly rule: string;
  /** knots or families it is for; 'any' is every one */
  readonly knots: readonly string[];
  /** any use where it is not said */
  readonly uses?: readonly Use[];
  /** any kind of rope where it is not said */
  readonly rope_kinds?: readonly string[];
  /** left out only in versions from before it was data */
  readonly asks?: Asks;
  readonly text: string;
  readonly source: Source;
}

export interface Profile {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly about: string;
  readonly lengths: readonly LengthRule[];
  readonly tieIn: readonly KnotStanding[];
  readonly stopperBehindTieIn: {
    readonly asked: 'required' | 'optional' | 'not-asked';
    readonly knots: readonly string[];
    /** the companion that is meant; round the standing part where it is not said */
    readonly companion?: Companion;
    readonly rule?: string;
    readonly text: string;
    readonly doubtful?: true;
    readonly source: Source;
  };
  /** knots of which a look at four things alone is allowed: strands on both faces, tail, daylight, eye */
  readonly shortLook?: readonly string[];
  readonly secondCheck: { readonly asked: 'required' | 'advised' | 'none'; readonly source: Source };
  /** rope in hand before a follow-through, mm */
  readonly startAllowance_mm: {
    readonly knots: readonly string[];
    readonly least: number;
    readonly most: number;
    readonly text: string;
    readonly source: Source;
  } | null;
  readonly also?: readonly Asked[];
  /** ropes that differ by more than this are not joined by a joint for equal ones; no limit is set where it is not said */
  readonly unequalOver_mm?: number;
  /** a knot is looked at again after so many hours at the latest; the usual time where it is not said */
  readonly lookAgainAfter_h?: number;
  readonly caution: string;
}
