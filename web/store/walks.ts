/** Checks begun and not yet recorded: every answer is kept at once, so that reload and Back lose nothing. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import {
  TAIL_UNCERTAINTY_MM,
  tailNames,
  typedTail_mm,
  type PointAnswer,
  type TailMeasured,
  type TailMethod,
  type TailUnit,
} from '../../core/inspect/judging';
import type { KnotEntry } from '../../core/knots/facts/types';
import type { LengthUnit } from '../../core/units';

export const TAIL_UNITS = ['mm', 'in', 'fist', 'diameter'] as const satisfies readonly TailUnit[];

export interface Walk {
  readonly id: string;
  readonly tiedKnot: string;
  readonly knot: string;
  readonly rope: string;
  readonly ropeTag: string;
  readonly rope_diameter_mm: number;
  readonly place: string;
  readonly tiedBy: string;
  readonly tiedAt: string;
  readonly profile: string;
  readonly profileVersion: number;
  readonly stopper: boolean;
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
  const [first, ...more] = mm.map((v): TailMeasured => ({ tail_mm: v!, method: walk.tailMethod, uncertainty_mm }));
  return { found: 'right', tail: first!, ...(more.length > 0 && { more_tails: more }) };
}
