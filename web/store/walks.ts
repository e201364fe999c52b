/** Checks begun and not yet recorded: every answer is kept at once, so that reload and Back lose nothing. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import {
  TAIL_UNCERTAINTY_MM,
  tailNames,
  typedTail_mm,
  type PointAnswer,
  type TailGiven,
  type TailMethod,
  type TailUnit,
} from '../../core/inspect/judging';
import type { KnotEntry } from '../../core/knots/facts/types';
import type { Companion, Use } from '../../core/knots/facts/uses';
import type { LengthUnit } from '../../core/units';
import { companionsTied, refusalOf, rulesOf, type Profile } from '../../core/profiles';
import type { RopeRow } from '../../contract';
import { tieable } from './tieable';

export const TAIL_UNITS = ['mm', 'in', 'fist', 'diameter'] as const satisfies readonly TailUnit[];

export interface Walk {
  readonly id: string;
  readonly tiedKnot: string;
  readonly knot: string;
  readonly rope: string;
  readonly ropeTag: string;
  readonly rope_diameter_mm: number;
  readonly place: string;
  /** of this organisation; null where it was somebody outside, or nobody knows */
  readonly tiedBy: string | null;
  /** somebody outside, in a few words */
  readonly tiedByOutside?: string | undefined;
  /** false while nobody has said who: then that is asked before signing; said where it is not there */
  readonly tiedBySaid?: boolean;
  /** the checker states that they did not tie it */
  readonly notMe?: boolean;
  /** rope, place or who tied it are asked before signing */
  readonly restLater?: boolean;
  readonly tiedAt: string;
  readonly profile: string;
  readonly profileVersion: number;
  /** older than companions: that a stopper is tied */
  readonly stopper: boolean;
  /** what the knot is for; not said on walks begun before that was asked */
  readonly use?: Use | undefined;
  /** knots tied to it, once that was asked or was known */
  readonly companions?: readonly Companion[] | undefined;
  readonly ropeKind?: string | undefined;
  /** a look at four things alone */
  readonly short?: true | undefined;
  /** the judging that the check was made by, of a second look; that of now where it is not said */
  readonly judging?: number;
  readonly hand: 'right' | 'left';
  readonly answers: readonly PointAnswer[];
  /** what stands in the tail field, as typed */
  readonly tailText: string;
  readonly tailUnit: TailUnit;
  readonly tailMethod: TailMethod;
  /** the further tails, as typed, where the knot has several */
  readonly moreTails?: readonly string[];
  /** how well it was measured, mm; the method's own where it was not said */
  readonly tailUncertainty_mm?: number | undefined;
  /** a look of the second person's: at which check, and whose where it is not the person's of the session */
  readonly second?: { readonly check: string; readonly signer: string | null; readonly rule_fist_mm: number };
  /** the stop of a round */
  readonly round?: { readonly walk: string; readonly stop: number };
  /** why this knot is looked at although another in the rope is to be taken out */
  readonly despite?: string;
  readonly note: string;
  readonly seenAt: string | null;
  readonly begunAt: string;
}

const slice = createSlice({
  name: 'walks',
  initialState: [] as readonly Walk[],
  reducers: {
    walkBegun: (state, action: PayloadAction<Walk>) => [action.payload, ...state],
    walkChanged: (state, action: PayloadAction<{ id: string } & Partial<Walk>>) =>
      state.map((w) => (w.id === action.payload.id ? { ...w, ...action.payload } : w)),
    pointAnswered: (state, action: PayloadAction<{ id: string; answer: PointAnswer }>) =>
      state.map((w) =>
        w.id === action.payload.id
          ? {
              ...w,
              answers: [...w.answers.filter((a) => a.point !== action.payload.answer.point), action.payload.answer],
            }
          : w,
      ),
    walkEnded: (state, action: PayloadAction<string>) => state.filter((w) => w.id !== action.payload),
    walksLoaded: (_state, action: PayloadAction<readonly Walk[]>) => action.payload,
  },
});
export const { walkBegun, walkChanged, pointAnswered, walkEnded, walksLoaded } = slice.actions;
export const walksReducer = slice.reducer;

/** It was said that nobody knows who tied it. */
export const isTierUnknown = (walk: Pick<Walk, 'tiedBy' | 'tiedByOutside' | 'tiedBySaid'>): boolean =>
  walk.tiedBy === null && walk.tiedByOutside === undefined && walk.tiedBySaid !== false;

/** A rope's thickness until it is said which it is in: no tail is measured before that. */
export const UNTIL_KNOWN_MM = 10;

/**
 * The knots tied to it that a walk begins with: those that the rules ask, which it then looks at. None is said where the rules leave it open: that is
 * asked by picture.
 */
export function companionsToBegin(
  profile: Profile,
  knot: KnotEntry,
  use: Use | undefined,
  rope_kind?: string,
): readonly Companion[] | undefined {
  if (use === undefined || refusalOf(rulesOf(profile), knot, use)) return undefined;
  const asked = companionsTied(rulesOf(profile), knot, use, [], rope_kind);
  return asked.length > 0 ? asked : undefined;
}

/** What a walk begins with besides its knot: nothing answered, lengths in the person's unit. */
export const freshWalk = (unit: LengthUnit) => ({
  answers: [],
  tailText: '',
  tailUnit: unit,
  tailMethod: unit === 'fist' ? ('fists' as const) : ('ruler' as const),
  note: '',
  seenAt: null,
  begunAt: new Date().toISOString(),
});

/** Every tail as typed, by name, and how well it was measured; null where a field holds no length. */
export function typedTails(
  walk: Walk,
  knot: Pick<KnotEntry, 'family'>,
  fist_mm: number,
): {
  readonly names: readonly string[];
  readonly texts: readonly string[];
  readonly mm: readonly (number | null)[];
  readonly uncertainty_mm: number;
} {
  const names = tailNames(knot);
  const texts = names.map((_, k) => (k === 0 ? walk.tailText : (walk.moreTails?.[k - 1] ?? '')));
  return {
    names,
    texts,
    mm: texts.map((t) => typedTail_mm(t, walk.tailUnit, { fist_mm, rope_diameter_mm: walk.rope_diameter_mm })),
    uncertainty_mm: walk.tailUncertainty_mm ?? TAIL_UNCERTAINTY_MM[walk.tailMethod],
  };
}
/** The answer to the tail point, once every field holds a length; null before. */
export function tailAnswer(
  walk: Walk,
  knot: Pick<KnotEntry, 'family'>,
  fist_mm: number,
): Omit<PointAnswer, 'point'> | null {
  const { mm, uncertainty_mm } = typedTails(walk, knot, fist_mm);
  if (mm.some((v) => v === null)) return null;
  const [first, ...more] = mm.map((v): TailGiven => ({ tail_mm: v!, method: walk.tailMethod, uncertainty_mm }));
  return { found: 'right', tail: first!, ...(more.length > 0 && { more_tails: more }) };
}

/** What changes when it is said in which rope the knot is. A tail counted in diameters is to be measured anew where they are others. */
export function ropeTaken(walk: Walk, ropes: readonly RopeRow[], id: string): Partial<Walk> {
  const rope = tieable(ropes).find((r) => r.id === id);
  if (!rope) return { rope: '', ropeTag: '' };
  const anew = walk.tailUnit === 'diameter' && rope.diameter_mm !== walk.rope_diameter_mm;
  return {
    rope: rope.id,
    ropeTag: rope.tag,
    rope_diameter_mm: rope.diameter_mm,
    ropeKind: rope.kind,
    ...(anew && { answers: walk.answers.filter((a) => a.point !== 'tail') }),
  };
}
