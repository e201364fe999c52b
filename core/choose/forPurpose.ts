/** What goes with a purpose: the knot that is shown for it, the pulls that are asked, what it can be tied to, whether two ropes are in it. */
import type { ObjectKind, Pull } from '../knots/facts/types';
import type { Job, JobRope } from './job';

/** The knot on whose picture strands are touched: one that everybody knows, of those made for the purpose. */
export const SHOWN_FOR: Readonly<Record<Job['purpose'], string>> = {
  'tie-in': 'figure-eight-follow-through',
  'end-loop': 'figure-eight-on-bight',
  'two-eyes': 'bowline-on-bight',
  midline: 'alpine-butterfly',
  join: 'figure-eight-bend',
  'join-to-pass': 'flemish-bend-with-bight',
  'join-to-retrieve': 'offset-overhand',
  sling: 'water-knot',
  'cord-loop': 'double-fishermans',
  'hitch-object': 'clove-hitch',
  tether: 'figure-eight-on-bight',
  handle: 'alpine-butterfly',
  friction: 'prusik',
  belay: 'munter-hitch',
  releasable: 'munter-mule-overhand',
  stopper: 'double-overhand-stopper',
  'isolate-damage': 'alpine-butterfly',
  'tension-eye': 'inline-eight',
};

/** Purposes whose knot lies across the page: it is shown close, its ends run out of the picture. */
export const SHOWN_CLOSE: readonly Job['purpose'][] = [
  'midline',
  'handle',
  'isolate-damage',
  'join',
  'join-to-pass',
  'join-to-retrieve',
  'sling',
  'cord-loop',
  'hitch-object',
  'belay',
  'releasable',
];

const LOOP: readonly Pull[] = ['standing-eye', 'tail-eye', 'ring', 'through', 'all'];
/** The pulls that are asked for a purpose: those of which something is known for a knot made for it. */
export const PULLS_ASKED: Readonly<Record<Job['purpose'], readonly Pull[]>> = {
  'tie-in': ['standing-eye', 'tail-eye', 'ring', 'through'],
  'end-loop': LOOP,
  'two-eyes': LOOP,
  midline: [...LOOP, 'cross'],
  join: ['through', 'cross', 'ring', 'standing-eye'],
  'join-to-pass': ['through', 'standing-eye', 'ring', 'cross'],
  'join-to-retrieve': ['through', 'cross'],
  sling: ['standing-eye', 'ring', 'through'],
  'cord-loop': ['through', 'cross', 'ring'],
  'hitch-object': LOOP,
  tether: ['standing-eye', 'tail-eye', 'ring', 'through'],
  handle: [...LOOP, 'cross'],
  friction: ['down', 'up'],
  belay: ['standing-eye', 'tail-eye', 'through'],
  releasable: ['standing-eye', 'tail-eye', 'through', 'down', 'up'],
  stopper: ['through', 'standing-eye'],
  'isolate-damage': LOOP,
  'tension-eye': ['standing-eye', 'tail-eye', 'through', 'cross'],
};

/** The pulls that go along when the purpose is changed: those that are asked for it too; the first where none is. */
export function pullsFor(purpose: Job['purpose'], pulls: readonly Pull[]): Pull[] {
  const asked = PULLS_ASKED[purpose];
  const kept = pulls.filter((p) => asked.includes(p));
  return kept.length > 0 ? kept : [asked[0]!];
}

const CLIPPED: readonly ObjectKind[] = ['clip', 'closed-ring', 'post'];
const HUNG: readonly ObjectKind[] = ['none', ...CLIPPED];
/** What a knot for a purpose can be tied to; the first where nothing else is said. */
export const OBJECTS_FOR: Readonly<Record<Job['purpose'], readonly ObjectKind[]>> = {
  'tie-in': ['harness', 'clip', 'closed-ring'],
  'end-loop': [...CLIPPED, 'harness'],
  'two-eyes': CLIPPED,
  midline: CLIPPED,
  join: ['none'],
  'join-to-pass': ['none'],
  'join-to-retrieve': ['none', 'closed-ring'],
  sling: HUNG,
  'cord-loop': ['none'],
  'hitch-object': ['post', 'clip', 'closed-ring', 'rope'],
  tether: ['clip', 'closed-ring'],
  handle: HUNG,
  friction: ['rope'],
  belay: ['clip'],
  releasable: ['clip', 'rope'],
  stopper: ['none'],
  'isolate-damage': HUNG,
  'tension-eye': CLIPPED,
};

/** Purposes with two ropes in them: two that are joined, or a cord and the rope it grips. */
export const TWO_ROPES: Readonly<Partial<Record<Job['purpose'], 'joined' | 'gripped'>>> = {
  join: 'joined',
  'join-to-pass': 'joined',
  'join-to-retrieve': 'joined',
  friction: 'gripped',
};

/** A cord to begin with where a rope is gripped: 6 mm on 10 mm (practice). */
const CORD: JobRope = { kind: 'accessory-cord', diameter_mm: 6 };

/**
 * The job for another purpose: pulls, object and ropes stay where they are asked for it too. What was the rope becomes the gripped one
 * and a cord takes its place; and back.
 */
export function jobFor(
  purpose: Job['purpose'],
  job: Job,
): Pick<Job, 'purpose' | 'pulls' | 'object' | 'rope' | 'second_rope'> {
  const objects = OBJECTS_FOR[purpose];
  const [was, is] = [TWO_ROPES[job.purpose], TWO_ROPES[purpose]];
  const alone = was === 'gripped' && job.second_rope ? job.second_rope : job.rope;
  const ropes =
    is === 'gripped'
      ? { rope: was === 'gripped' ? job.rope : CORD, second_rope: was === 'gripped' ? job.second_rope : job.rope }
      : { rope: alone, second_rope: is === 'joined' && was === 'joined' ? job.second_rope : null };
  // between joints and others a pull has another meaning
  const pulls = (was === 'joined') === (is === 'joined') ? pullsFor(purpose, job.pulls) : [PULLS_ASKED[purpose][0]!];
  return { purpose, pulls, object: objects.includes(job.object) ? job.object : objects[0]!, ...ropes };
}
