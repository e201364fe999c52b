/** The job that goes along, and which rope of the store it is on. Kept in the browser, per person. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Job } from '../../core/choose/job';

export interface JobState {
  readonly job: Job;
  readonly rope: { readonly id: string; readonly tag: string } | null;
  readonly knot: string | null;
}

export const DEFAULT_JOB: Job = {
  purpose: 'tie-in',
  profile: 'sport-crag',
  rope: { kind: 'dynamic', diameter_mm: 10.2 },
  second_rope: null,
  pulls: ['standing-eye'],
  object: 'harness',
  end_free: true,
  untie: 'any',
  must_pass: [],
  team: 'anyone',
  life_load: true,
};

const initialState: JobState = { job: DEFAULT_JOB, rope: null, knot: null };

const slice = createSlice({
  name: 'job',
  initialState,
  reducers: {
    jobChanged: (state: JobState, action: PayloadAction<Partial<Job>>) => ({
      ...state,
      job: { ...state.job, ...action.payload },
    }),
    ropeTaken: (
      state,
      action: PayloadAction<{ id: string; tag: string; kind: Job['rope']['kind']; diameter_mm: number } | null>,
    ) =>
      action.payload
        ? {
            ...state,
            rope: { id: action.payload.id, tag: action.payload.tag },
            job: { ...state.job, rope: { kind: action.payload.kind, diameter_mm: action.payload.diameter_mm } },
          }
        : { ...state, rope: null },
    knotTaken: (state, action: PayloadAction<string | null>) => ({ ...state, knot: action.payload }),
    jobOpened: (_state, action: PayloadAction<JobState>) => action.payload,
  },
});
export const { jobChanged, ropeTaken, knotTaken, jobOpened } = slice.actions;
export const jobReducer = slice.reducer;
