/** What the catalogue says of a knot: one typed record. Facts carry a source: from practice, or general knowledge of the field. */

import type { FaultId } from './faultTable';
import type { Companion, Purpose, Use } from './uses';

/** A knot lies laid out, dressed, or set. */
export const STATES = ['laid', 'dressed', 'tight'] as const;
export type ShapeState = (typeof STATES)[number];
export type Source = 'practice' | 'general';
/** made for it; ok; avoid; fails */
export type Grade = 'made' | 'ok' | 'avoid' | 'fails';
export type Pull = 'standing-eye' | 'tail-eye' | 'through' | 'cross' | 'ring' | 'all' | 'up' | 'down';
export type { Purpose } from './uses';
export type Face = 'front' | 'back';
export const FAMILIES = {
  'end-loop': 'end loop',
  'two-eyes': 'loop with two eyes',
  midline: 'midline loop',
  noose: 'noose',
  bend: 'joint of two ropes',
  hitch: 'hitch to an object',
  friction: 'friction hitch',
  stopper: 'stopper',
} as const;
export type Family = keyof typeof FAMILIES;
/** Families whose knots lie round their object: without it they are no knots. */
export const ROUND_ITS_OBJECT: readonly Family[] = ['hitch', 'friction'];

export interface Fact {
  readonly text: string;
  readonly source: Source;
}

export interface PullGrade {
  readonly pull: Pull;
  readonly grade: Grade;
  readonly condition: string;
  readonly what_happens: string;
  readonly source: Source;
}

/** 1 falls open, 3 works by hand, 5 tools or knife. */
export interface Untying {
  readonly condition: 'ordinary-load' | 'after-hard-falls' | 'set-unevenly' | 'under-load';
  readonly least: 1 | 2 | 3 | 4 | 5;
  readonly most: 1 | 2 | 3 | 4 | 5;
  readonly text: string;
  readonly source: Source;
}

export type PointVerdict = 'take-out-and-retie' | 'put-right' | 'remark';

/**
 * How a wrong form is made of the right one, where it is not laid as a form of its own: it is another form of the catalogue, or the
 * right shape with one thing changed.
 */
export type Made =
  | { readonly by: 'knot'; readonly knot: string; readonly form?: string }
  | { readonly by: 'ends-exchanged'; readonly ropes: readonly (0 | 1)[] }
  | { readonly by: 'joint-tied-in'; readonly place: 'wraps' | 'clip' }
  | {
      readonly by:
        | 'tail-cut'
        | 'tail-lengthened'
        | 'leg-lengthened'
        | 'turned-upside-down'
        | 'gate-turned'
        | 'unclipped'
        | 'not-set'
        | 'one-point';
    };

export interface Fault {
  readonly id: FaultId;
  readonly name: string;
  /** how it comes about */
  readonly arises: string;
  /** where it shows */
  readonly shows: string;
  readonly verdict: PointVerdict;
  readonly what_to_do: string;
  readonly source: Source;
  readonly made?: Made;
  /** what this form does under which pull, where it is known */
  readonly does?: readonly PullGrade[];
}

/** Which computed picture stands for an answer. */
export interface PictureOf {
  /** 'right' or a fault that has a shape of its own */
  readonly form: string;
  readonly face: Face;
  readonly state: ShapeState;
  readonly harness?: 'both' | 'one';
  /** another catalogue knot, where that is what the fault comes to */
  readonly knot?: string;
  /** with this one tied to it: the two joined to one rope */
  readonly companion?: Companion;
}

export const CHECK_POINTS = [
  'name',
  'front',
  'back',
  'path',
  'count',
  'wraps',
  'stopper',
  'tail',
  'set',
  'eye',
  'object',
  'gate',
  'harness',
  'joint',
  'slides',
  'otherwise',
] as const;
export type CheckPointId = (typeof CHECK_POINTS)[number];

export interface CheckPoint {
  readonly id: CheckPointId;
  /** asked only where the knot is for one of these; always where it is not said */
  readonly uses?: readonly Use[];
  readonly question: string;
  readonly help: string;
  /** where to look on the face that is shown; the whole knot where it is not said */
  readonly region?: string;
  /** what is counted there, and how many there must be */
  readonly count?: { readonly of: string; readonly is: string };
  readonly right: { readonly label: string; readonly picture: PictureOf };
  /** wrong forms, most dangerous first */
  readonly wrong: readonly { readonly fault: FaultId; readonly label: string; readonly picture: PictureOf | null }[];
  readonly source: Source;
}

export interface FaceText {
  readonly face: Face;
  readonly shows: string;
  readonly source: Source;
}

export interface Way {
  readonly id: string;
  readonly name: string;
  readonly right: boolean;
  readonly ends_in: { readonly fault: FaultId } | null;
}

/** What a knot goes on. */
export type ObjectKind = 'clip' | 'closed-ring' | 'post' | 'harness' | 'rope' | 'none';

export interface KnotEntry {
  readonly id: string;
  /** the usual names, the first is shown */
  readonly names: readonly [string, ...string[]];
  readonly family: Family;
  /** harder to dress neatly than others of its kind (practice) */
  readonly harder_to_dress?: true;
  /** wraps of the usual form, where their number is a choice */
  readonly usual_wraps?: number;
  readonly purposes: readonly Purpose[];
  /** of these the ones for which it is the usual knot, or made for nothing else (practice) */
  readonly usual_for?: readonly Purpose[];
  readonly needs: {
    readonly free_end: boolean;
    readonly thicknesses_through_object: number;
    /** the eye is finished before it goes on the object, which must be clipped or put over */
    readonly eye_first?: boolean;
    /** the only things it goes on, where it does not go on any */
    readonly objects?: readonly ObjectKind[];
    readonly text: string;
    readonly source: Source;
  };
  readonly pulls: readonly PullGrade[];
  readonly untying: readonly Untying[];
  /** strands to pull one by one when setting */
  readonly set: Fact;
  /** which strand moves when it is adjusted */
  readonly adjust: Fact;
  readonly loosens: Fact;
  /** it needs no second look for having hung idle; where it is not said, it does */
  readonly keeps_when_idle?: true;
  /** when it is looked at again, besides after every move and every new load */
  readonly look_again: Fact;
  readonly front_because: string;
  readonly faces: readonly [FaceText, FaceText];
  readonly check_points: readonly CheckPoint[];
  readonly faults: readonly Fault[];
  readonly tail_rule_key: string;
  /** what the knot itself asks before a life hangs on it, where the rule set is silent */
  readonly for_a_life?: { readonly only: 'with-stopper' | 'never'; readonly text: string; readonly source: Source };
  /** tied in flat tape as well, or in nothing else; not at all where it is not said */
  readonly tape?: 'also' | 'only';
  /** other forms that are right too, by the name of their shape */
  readonly variants?: readonly {
    readonly form: string;
    readonly name: string;
    readonly text: string;
    readonly source: Source;
  }[];
  /** who can check it at a glance */
  readonly recognised: { readonly by: 'anyone' | 'trained'; readonly text: string; readonly source: Source };
  readonly cautions: readonly Fact[];
  readonly good_for: readonly Fact[];
  readonly form_certainty: 'settled' | 'one-derivation' | 'unsettled';
  readonly form_text: string;
  readonly ways: readonly Way[];
}
