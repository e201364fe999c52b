/**
 * A practice profile: one school's rules as data. Which knots it accepts stands here, never in the knot;
 * silence is an answer of its own. Kinds of length are types of their own and are never mixed.
 */
import type { Source } from '../knots/facts/types';

export const PROFILE_IDS = ['sport-crag', 'rope-access', 'rescue-team', 'tree-work', 'river-expedition'] as const;
export type ShippedProfileId = (typeof PROFILE_IDS)[number];

/** tail: beyond the finished knot; beyond_stopper: rope after a stopper at a rope's end; start_allowance: in hand before tying; bight: doubled rope to begin with; stopper_rope: used up by a stopper. */
export type LengthKind = 'tail' | 'beyond_stopper' | 'start_allowance' | 'bight' | 'stopper_rope';
export type TailUse = 'tie-in' | 'rope-end' | 'tether';

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

/** What a rule set asks of a knot, or at a task, beside lengths and stoppers behind a tie-in. */
export interface Asked {
  readonly rule: string;
  readonly knots: readonly string[];
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
    readonly text: string;
    readonly doubtful?: true;
    readonly source: Source;
  };
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
