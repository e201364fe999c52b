/** Calls to the server. Reads are cached by RTK Query; what changes the record makes lists be read again. */
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { z } from 'zod';
import type * as C from '../../contract';
import { to } from '../../contract/routes';
import type { Job } from '../../core/choose/job';
import type { Range } from '../../core/knots/shape/measures';
import type { ShapeState } from '../../core/knots/facts/types';
import type { KnotEntry } from '../../core/knots/facts/types';
import type { Profile } from '../../core/profiles/types';

type Reply<T extends z.ZodType> = z.output<T>;
export type KnotReply = KnotEntry & {
  readonly catalogue_version: number;
  readonly faults_with_shape: readonly string[];
  readonly family_name: string;
  readonly wraps: readonly number[];
  /** the object that it is stored with */
  readonly tied_to: string | null;
  /** false where its author says how it lies: there is nothing to draw up */
  readonly drawn_up_here: boolean;
  readonly path_in_words: string;
  readonly crossings: { readonly count: number };
  /** in diameters of the rope, or in widths of the tape */
  readonly measures: Readonly<Record<'in_knot' | 'girth' | 'width' | 'length', Range>> & {
    readonly of: 'rope-diameter' | 'tape-width';
  };
};

/** A shape as asked for: a state, and what is not the usual about it. */
export interface ShapeQuestion {
  readonly id: string;
  readonly state: ShapeState;
  readonly fault?: string | undefined;
  readonly wraps?: number | undefined;
  readonly variant?: string | undefined;
  readonly object?: 'clip' | 'ring' | undefined;
}

/** What RTK Query gives as an error: our problem+json, or no answer at all. */
export interface Refusal {
  readonly status: number | 'FETCH_ERROR' | 'TIMEOUT_ERROR' | 'PARSING_ERROR';
  readonly data?: C.Problem;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({
    baseUrl: '/api/v1',
    timeout: 20_000,
    prepareHeaders: (h) => h.set('accept', 'application/json'),
  }),
  tagTypes: ['session', 'records', 'ropes', 'people', 'jobs', 'passing', 'incidents', 'rounds'],
  keepUnusedDataFor: 300,
  endpoints: (b) => ({
    session: b.query<Reply<typeof C.sessionReply>, void>({ query: () => to('session', {}), providesTags: ['session'] }),
    signIn: b.mutation<Reply<typeof C.sessionReply>, z.input<typeof C.signInBody>>({
      query: (body) => to('signIn', {}, { body }),
    }),
    beginSignIn: b.mutation<Reply<typeof C.ceremonyReply>, void>({ query: () => to('beginSignIn', {}) }),
    signInByPasskey: b.mutation<Reply<typeof C.sessionReply>, z.input<typeof C.signInByPasskeyBody>>({
      query: (body) => to('signInByPasskey', {}, { body }),
    }),
    passkeys: b.query<Reply<typeof C.passkeysReply>, void>({
      query: () => to('passkeys', {}),
      providesTags: ['people'],
    }),
    beginPasskey: b.mutation<Reply<typeof C.ceremonyReply>, z.input<typeof C.beginPasskeyBody>>({
      query: (body) => to('beginPasskey', {}, { body }),
    }),
    newPasskey: b.mutation<Reply<typeof C.passkeysReply>, z.input<typeof C.newPasskeyBody>>({
      query: (body) => to('newPasskey', {}, { body }),
      invalidatesTags: ['people'],
    }),
    removePasskey: b.mutation<Reply<typeof C.passkeysReply>, string>({
      query: (id) => to('removePasskey', { id }),
      invalidatesTags: ['people'],
    }),
    signOut: b.mutation<Reply<typeof C.sessionReply>, void>({ query: () => to('signOut', {}) }),
    setup: b.mutation<Reply<typeof C.sessionReply>, z.input<typeof C.setupBody>>({
      query: (body) => to('setup', {}, { body }),
    }),
    demoPeople: b.query<Reply<typeof C.demoPeopleReply>, void>({ query: () => to('demoPeople', {}) }),
    preferences: b.mutation<C.Person, z.input<typeof C.preferencesBody>>({
      query: (body) => to('preferences', {}, { body }),
      invalidatesTags: ['session', 'people'],
    }),
    people: b.query<C.Person[], void>({ query: () => to('people', {}), providesTags: ['people'] }),
    newPerson: b.mutation<C.Person, z.input<typeof C.newPersonBody>>({
      query: (body) => to('newPerson', {}, { body }),
      invalidatesTags: ['people'],
    }),
    ropes: b.query<C.RopeRow[], void>({ query: () => to('ropes', {}), providesTags: ['ropes'] }),
    personById: b.query<Reply<typeof C.personReply>, string>({
      query: (id) => to('personById', { id }),
      providesTags: ['people'],
    }),
    changePerson: b.mutation<Reply<typeof C.personReply>, { of: string; body: z.input<typeof C.changePersonBody> }>({
      query: ({ of, body }) => to('changePerson', { id: of }, { body }),
      invalidatesTags: ['people', 'session'],
    }),
    signOff: b.mutation<Reply<typeof C.personReply>, { of: string; body: z.input<typeof C.newSignOffBody> }>({
      query: ({ of, body }) => to('newSignOff', { id: of }, { body }),
      invalidatesTags: ['people'],
    }),
    ownPin: b.mutation<C.Person, z.input<typeof C.ownPinBody>>({
      query: (body) => to('ownPin', {}, { body }),
      invalidatesTags: ['session', 'people'],
    }),
    ownPassword: b.mutation<Reply<typeof C.sessionReply>, z.input<typeof C.ownPasswordBody>>({
      query: (body) => to('ownPassword', {}, { body }),
      invalidatesTags: ['session', 'people'],
    }),
    confirmPerson: b.mutation<Reply<typeof C.personReply>, { of: string; body: z.input<typeof C.newConfirmationBody> }>(
      {
        query: ({ of, body }) => to('newConfirmation', { id: of }, { body }),
        invalidatesTags: ['people'],
      },
    ),
    credentials: b.query<Reply<typeof C.credentialsReply>, string | null>({
      query: (cursor) => to('credentials', {}, { params: { limit: 50, ...(cursor && { cursor }) } }),
      providesTags: ['people'],
    }),
    longWork: b.query<Reply<typeof C.workReply>, string>({
      query: (id) => to('longWork', { id }),
      keepUnusedDataFor: 0,
    }),
    stopWork: b.mutation<Reply<typeof C.workReply>, string>({ query: (id) => to('stopWork', { id }) }),
    importFile: b.mutation<Reply<typeof C.importReply>, z.input<typeof C.importBody>>({
      query: (body) => to('import', {}, { body }),
      invalidatesTags: (result) => (result?.read_in ? ['ropes', 'people'] : []),
    }),
    rope: b.query<Reply<typeof C.ropeLifeReply>, string>({
      query: (id) => to('rope', { id }),
      providesTags: ['ropes', 'records'],
    }),
    ropeEvent: b.mutation<Reply<typeof C.recordedReply>, { of: string; body: z.input<typeof C.newRopeEventBody> }>({
      query: ({ of, body }) => to('newRopeEvent', { id: of }, { body }),
      invalidatesTags: ['ropes', 'records'],
    }),
    rounds: b.query<Reply<typeof C.roundsReply>, void>({
      query: () => to('rounds', {}, { params: { limit: 100 } }),
      providesTags: ['rounds'],
    }),
    round: b.query<Reply<typeof C.roundReply>, string>({
      query: (id) => to('round', { id }),
      providesTags: ['rounds'],
    }),
    newRound: b.mutation<Reply<typeof C.roundReply>, z.input<typeof C.newRoundBody>>({
      query: (body) => to('newRound', {}, { body }),
      invalidatesTags: ['rounds'],
    }),
    roundWalks: b.query<Reply<typeof C.roundWalksReply>, void>({
      query: () => to('roundWalks', {}, { params: { limit: 30 } }),
      providesTags: ['rounds', 'records'],
    }),
    roundWalk: b.query<Reply<typeof C.roundWalkReply>, string>({
      query: (id) => to('roundWalk', { id }),
      providesTags: ['rounds', 'records'],
    }),
    newRoundWalk: b.mutation<Reply<typeof C.roundWalkReply>, z.input<typeof C.newRoundWalkBody>>({
      query: (body) => to('newRoundWalk', {}, { body }),
      invalidatesTags: ['rounds', 'records'],
    }),
    finishRoundWalk: b.mutation<
      Reply<typeof C.recordedReply>,
      { of: string; body: z.input<typeof C.finishRoundWalkBody> }
    >({
      query: ({ of, body }) => to('finishRoundWalk', { id: of }, { body }),
      invalidatesTags: ['rounds', 'records'],
    }),
    toLookAt: b.query<Reply<typeof C.toLookAtReply>, string>({
      query: (id) => to('toLookAt', { id }),
      providesTags: ['records'],
    }),
    statistics: b.query<Reply<typeof C.statisticsReply>, string>({
      query: (search) => to('statistics', {}, { params: new URLSearchParams(search) }),
      providesTags: ['records'],
    }),
    verifyEntry: b.query<Reply<typeof C.verifyReply>, { organisation: string; sequence: string; sha256: string }>({
      query: (params) => to('verifyEntry', {}, { params }),
    }),
    head: b.query<Reply<typeof C.headReply>, void>({ query: () => to('head', {}), providesTags: ['records'] }),
    newRope: b.mutation<C.RopeRow, z.input<typeof C.newRopeBody>>({
      query: (body) => to('newRope', {}, { body }),
      invalidatesTags: ['ropes'],
    }),
    profiles: b.query<Profile[], void>({ query: () => to('profiles', {}) }),
    knots: b.query<Reply<typeof C.knotListReply>, void>({ query: () => to('knots', {}) }),
    knot: b.query<KnotReply, string>({ query: (id) => to('knot', { id }) }),
    shape: b.query<Reply<typeof C.shapeReply>, ShapeQuestion>({
      query: ({ id, ...params }) => to('shape', { id }, { params }),
    }),
    way: b.query<Reply<typeof C.wayReply>, { id: string; way: string }>({
      query: ({ id, way }) => to('way', { id, way }),
    }),
    openShow: b.mutation<Reply<typeof C.openedShow>, z.input<typeof C.showState>>({
      query: (body) => to('openShow', {}, { body }),
    }),
    moveShow: b.mutation<Reply<typeof C.movedShow>, { code: string; state: z.input<typeof C.showState> }>({
      query: ({ code, state }) => to('moveShow', { code }, { body: state }),
    }),
    identify: b.mutation<Reply<typeof C.identifyReply>, z.input<typeof C.identifyBody>>({
      query: (body) => to('identify', {}, { body }),
    }),
    touched: b.query<Reply<typeof C.touchedReply>, { id: string; crossings: readonly number[]; fault: string | null }>({
      query: ({ id, crossings, fault }) =>
        to('touched', { id }, { params: fault ? { fault } : { crossings: crossings.join(',') } }),
    }),
    changes: b.query<Reply<typeof C.changesReply>, string>({ query: (id) => to('changes', { id }) }),
    lookalikes: b.query<Reply<typeof C.lookalikesReply>, string>({ query: (id) => to('lookalikes', { id }) }),
    drill: b.mutation<Reply<typeof C.drillReply>, z.input<typeof C.drillBody>>({
      query: (body) => to('drill', {}, { body }),
    }),
    choose: b.query<Reply<typeof C.chooseReply>, Job>({
      query: (body) => to('choose', {}, { body }),
      providesTags: ['passing'],
    }),
    passingTrials: b.query<Reply<typeof C.passingTrialsReply>, void>({
      query: () => to('passingTrials', {}),
      providesTags: ['passing'],
    }),
    newPassingTrial: b.mutation<Reply<typeof C.passingTrialReply>, z.input<typeof C.newPassingTrialBody>>({
      query: (body) => to('newPassingTrial', {}, { body }),
      invalidatesTags: ['passing'],
    }),
    incidents: b.query<Reply<typeof C.incidentsReply>, void>({
      query: () => to('incidents', {}, { params: { limit: 50 } }),
      providesTags: ['incidents'],
    }),
    newIncident: b.mutation<Reply<typeof C.recordedReply>, z.input<typeof C.newIncidentBody>>({
      query: (body) => to('newIncident', {}, { body }),
      invalidatesTags: ['incidents'],
    }),
    withdrawTrial: b.mutation<
      Reply<typeof C.withdrawalReply>,
      { trial: string; body: z.input<typeof C.newWithdrawalBody> }
    >({
      query: ({ trial, body }) => to('withdrawTrial', { id: trial }, { body }),
      invalidatesTags: ['passing'],
    }),
    cutLength: b.query<Reply<typeof C.cutLengthReply>, z.input<typeof C.cutLengthBody>>({
      query: (body) => to('cutLength', {}, { body }),
    }),
    frictionHitch: b.query<Reply<typeof C.frictionReply>, z.input<typeof C.frictionBody>>({
      query: (body) => to('frictionHitch', {}, { body }),
    }),
    ropeNeeded: b.query<Reply<typeof C.ropeNeededReply>, z.input<typeof C.ropeNeededBody>>({
      query: (body) => to('ropeNeeded', {}, { body }),
    }),
    jobs: b.query<Reply<typeof C.jobsReply>, void>({
      query: () => to('jobs', {}, { params: { limit: 12 } }),
      providesTags: ['jobs'],
    }),
    keptJob: b.query<Reply<typeof C.jobReply>, string>({ query: (id) => to('keptJob', { id }) }),
    newJob: b.mutation<Reply<typeof C.jobReply>, z.input<typeof C.newJobBody>>({
      query: (body) => to('newJob', {}, { body }),
      invalidatesTags: ['jobs'],
    }),
    today: b.query<Reply<typeof C.todayReply>, void>({ query: () => to('today', {}), providesTags: ['records'] }),
    tiedKnot: b.query<Reply<typeof C.tiedKnotReply>, string>({
      query: (id) => to('tiedKnot', { id }),
      providesTags: ['records'],
    }),
    knotEvent: b.mutation<Reply<typeof C.tiedKnotReply>, { of: string; body: z.input<typeof C.newKnotEventBody> }>({
      query: ({ of, body }) => to('newKnotEvent', { id: of }, { body }),
      invalidatesTags: ['records'],
    }),
    checks: b.query<Reply<typeof C.checksReply>, string>({
      query: (search) => to('checks', {}, { params: new URLSearchParams(search) }),
      providesTags: ['records'],
    }),
    check: b.query<Reply<typeof C.checkReply>, string>({
      query: (id) => to('check', { id }),
      providesTags: ['records'],
    }),
    newCheck: b.mutation<Reply<typeof C.recordedReply>, C.NewCheck>({
      query: (body) => to('newCheck', {}, { body }),
      invalidatesTags: ['records', 'ropes', 'rounds'],
    }),
    sign: b.mutation<Reply<typeof C.recordedReply>, { check: string; body: z.input<typeof C.newSignatureBody> }>({
      query: ({ check, body }) => to('sign', { id: check }, { body }),
      invalidatesTags: ['records'],
    }),
    correct: b.mutation<Reply<typeof C.recordedReply>, { check: string; body: z.input<typeof C.newCorrectionBody> }>({
      query: ({ check, body }) => to('correct', { id: check }, { body }),
      invalidatesTags: ['records'],
    }),
    closeFinding: b.mutation<
      Reply<typeof C.recordedReply>,
      { check: string; body: z.input<typeof C.newFindingClosedBody> }
    >({
      query: ({ check, body }) => to('closeFinding', { id: check }, { body }),
      invalidatesTags: ['records'],
    }),
  }),
});
export const {
  useSessionQuery,
  useSignInMutation,
  useSignOutMutation,
  useBeginSignInMutation,
  useSignInByPasskeyMutation,
  usePasskeysQuery,
  useBeginPasskeyMutation,
  useNewPasskeyMutation,
  useRemovePasskeyMutation,
  useSetupMutation,
  useDemoPeopleQuery,
  usePreferencesMutation,
  usePeopleQuery,
  useLongWorkQuery,
  useStopWorkMutation,
  useOwnPasswordMutation,
  useConfirmPersonMutation,
  useCredentialsQuery,
  useNewPersonMutation,
  useRopesQuery,
  useNewRopeMutation,
  useIdentifyMutation,
  useTouchedQuery,
  useChangesQuery,
  useLookalikesQuery,
  useDrillMutation,
  useProfilesQuery,
  useKnotsQuery,
  useKnotQuery,
  useShapeQuery,
  useWayQuery,
  useOpenShowMutation,
  useMoveShowMutation,
  useChooseQuery,
  useFrictionHitchQuery,
  useCutLengthQuery,
  usePassingTrialsQuery,
  useNewPassingTrialMutation,
  useWithdrawTrialMutation,
  useIncidentsQuery,
  useNewIncidentMutation,
  useRopeNeededQuery,
  useJobsQuery,
  useKeptJobQuery,
  useNewJobMutation,
  useTodayQuery,
  useTiedKnotQuery,
  useKnotEventMutation,
  useChecksQuery,
  useCheckQuery,
  usePersonByIdQuery,
  useChangePersonMutation,
  useSignOffMutation,
  useOwnPinMutation,
  useImportFileMutation,
  useRopeQuery,
  useRopeEventMutation,
  useRoundsQuery,
  useRoundQuery,
  useNewRoundMutation,
  useRoundWalksQuery,
  useRoundWalkQuery,
  useNewRoundWalkMutation,
  useFinishRoundWalkMutation,
  useToLookAtQuery,
  useStatisticsQuery,
  useVerifyEntryQuery,
  useHeadQuery,
  useNewCheckMutation,
  useSignMutation,
  useCorrectMutation,
  useCloseFindingMutation,
} = api;

/** A refusal in words for a person. */
export function refusalText(error: unknown): string {
  const r = error as Refusal;
  if (r.status === 'FETCH_ERROR' || r.status === 'TIMEOUT_ERROR')
    return 'No answer from the server. Nothing is lost: try again when there is signal.';
  if (!r.data?.code) return 'The server gave an answer that could not be read. Nothing is lost: try again.';
  const fields = r.data.errors?.map((e) => `${e.path}: ${e.message}`).join('; ');
  return fields ? `${r.data.title}. ${fields}` : `${r.data.title}. ${r.data.detail}`;
}
/** Message for one field, by its path. */
export const fieldMessage = (error: unknown, path: string): string | undefined =>
  (error as Refusal | undefined)?.data?.errors?.find((e) => e.path === path)?.message;
