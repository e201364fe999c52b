/** Checks begun and not yet recorded: every answer is kept at once, so that reload and Back lose nothing. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { PointAnswer } from '../../core/inspect';

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
  readonly tailUnit: 'mm' | 'in' | 'fist';
  readonly tailMethod: 'ruler' | 'fists' | 'by-eye';
  readonly note: string;
  readonly seenAt: string | null;
  readonly begunAt: string;
}

const slice = createSlice({
  name: 'walks',
  initialState: [] as readonly Walk[],
  reducers: {
    walkBegun: (state, action: PayloadAction<Walk>) => [action.payload, ...state],
    walkChanged: (state, action: PayloadAction<{ id: string } & Partial<Walk>>) => state.map((w) => (w.id === action.payload.id ? { ...w, ...action.payload } : w)),
    pointAnswered: (state, action: PayloadAction<{ id: string; answer: PointAnswer }>) =>
      state.map((w) => (w.id === action.payload.id ? { ...w, answers: [...w.answers.filter((a) => a.point !== action.payload.answer.point), action.payload.answer] } : w)),
    walkEnded: (state, action: PayloadAction<string>) => state.filter((w) => w.id !== action.payload),
    walksLoaded: (_state, action: PayloadAction<readonly Walk[]>) => action.payload,
  },
});
export const { walkBegun, walkChanged, pointAnswered, walkEnded, walksLoaded } = slice.actions;
export const walksReducer = slice.reducer;
