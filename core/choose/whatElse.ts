/** What else could come to pull at a knot, beside what pulls now: asked of a person by the job, and taken into it as a pull where the answer is yes. */
import type { Source } from '../knots/facts/types';
import type { Job } from './job';

export interface WhatElse {
  readonly id: string;
  readonly question: string;
  /** what a yes adds to the job */
  readonly adds: {
    readonly pulls?: readonly Job['pulls'][number][];
    readonly must_pass?: readonly Job['must_pass'][number][];
  };
  readonly source: Source;
}
interface Asked extends WhatElse {
  readonly of: readonly Job['purpose'][];
}

const EYES: readonly Job['purpose'][] = [
  'tie-in',
  'end-loop',
  'two-eyes',
  'midline',
  'tether',
  'handle',
  'tension-eye',
  'isolate-damage',
];
const JOINTS: readonly Job['purpose'][] = ['join', 'join-to-pass', 'join-to-retrieve'];

const ASKED: readonly Asked[] = [
  {
    id: 'point-fails',
    of: ['midline', 'tension-eye', 'two-eyes'],
    question: 'If one point fails, does the other end of the rope come to hang on this eye?',
    adds: { pulls: ['tail-eye'] },
    source: 'practice',
  },
  {
    id: 'eye-idle',
    of: ['midline', 'isolate-damage', 'tension-eye', 'handle'],
    question: 'Can the rope come to be pulled straight through it, with nothing in the eye?',
    adds: { pulls: ['through'] },
    source: 'practice',
  },
  {
    id: 'two-in-the-eye',
    of: EYES,
    question: 'Can two things be clipped into the eye and pull it apart?',
    adds: { pulls: ['ring'] },
    source: 'practice',
  },
  {
    id: 'tail-pulled',
    of: ['tie-in', 'end-loop', 'tether'],
    question: 'Can somebody, or something, come to hang on the tail?',
    adds: { pulls: ['tail-eye'] },
    source: 'practice',
  },
  {
    id: 'other-way',
    of: ['friction'],
    question: 'Can it come to be pulled the other way along its rope?',
    adds: { pulls: ['up', 'down'] },
    source: 'practice',
  },
  {
    id: 'over-an-edge',
    of: JOINTS,
    question: 'Will the joint be pulled over an edge?',
    adds: { must_pass: ['edge'] },
    source: 'practice',
  },
];

/** What is still to be asked of a job: nothing that it has already. */
export function whatElse(job: Pick<Job, 'purpose' | 'pulls' | 'must_pass'>): WhatElse[] {
  return ASKED.filter(
    ({ of, adds }) =>
      of.includes(job.purpose) &&
      [
        ...(adds.pulls ?? []).map((p) => job.pulls.includes(p)),
        ...(adds.must_pass ?? []).map((d) => job.must_pass.includes(d)),
      ].some((there) => !there),
  ).map(({ of: _, ...asked }) => asked);
}

/** The job with a yes taken into it. */
export const withElse = <T extends Pick<Job, 'pulls' | 'must_pass'>>(job: T, { adds }: WhatElse): T => ({
  ...job,
  pulls: [...new Set([...job.pulls, ...(adds.pulls ?? [])])],
  must_pass: [...new Set([...job.must_pass, ...(adds.must_pass ?? [])])],
});
