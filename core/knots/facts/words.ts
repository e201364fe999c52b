/** The trade's words for the values of an entry and of a job: said here once, read by rules, documents and pages. */
import type { ObjectKind, Pull } from './types';

const PULL_WORDS: Readonly<Record<Pull, string>> = {
  'standing-eye': 'standing part to eye',
  'tail-eye': 'tail to eye',
  through: 'standing part to tail, eye idle',
  cross: 'one end across the eye',
  ring: 'eye pulled apart',
  all: 'all strands at once',
  up: 'upward',
  down: 'downward',
};
/** Of a joint it is rope against rope that is spoken of. */
const PULL_OF_A_JOINT: Readonly<Partial<Record<Pull, string>>> = {
  through: 'rope against rope',
  'standing-eye': 'rope against the clip-in eye',
  ring: 'the two tails apart',
  cross: 'a rope against its own tail',
};

export const PULLS = Object.keys(PULL_WORDS) as readonly Pull[];

/** A pull in words. @param joint of two ropes: of those it is rope against rope that is spoken of */
export const pullWords = (pull: Pull, joint: boolean): string =>
  (joint ? PULL_OF_A_JOINT[pull] : undefined) ?? PULL_WORDS[pull];

/** What a knot goes on. */
export const OBJECT_WORDS: Readonly<Record<ObjectKind, string>> = {
  harness: 'both harness points',
  clip: 'a karabiner',
  'closed-ring': 'a closed ring',
  post: 'a post or tree',
  rope: 'another rope',
  none: 'nothing',
};
