import { ANOTHER_KNOT, LOOSE, STOPPER_MISSING, TAIL_SHORT } from '../common-faults';
import type { KnotEntry } from '../types';

export const entry = {
  id: 'barrel-noose',
  names: ['Barrel noose', 'scaffold knot', 'poacher’s knot', 'double-overhand noose'],
  usual_wraps: 2,
  family: 'noose',
  purposes: ['hitch-object', 'tether'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end, and something it may close on', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'slid shut on what it holds', what_happens: 'it closes and grips', source: 'practice' },
    { pull: 'tail-eye', grade: 'avoid', condition: 'tail pulled against the eye', what_happens: 'not what it was made for', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 4, most: 4, text: 'hard to get off a solid ring', source: 'practice' },
    { condition: 'after-hard-falls', least: 4, most: 5, text: 'not known from trials; taken as harder', source: 'general' },
  ],
  set: { text: 'tighten on the two upper strands; the lower one slides', source: 'practice' },
  loosens: { text: 'keeps its form once shut', source: 'general' },
  front_because: 'the face on which the turns are seen to climb beside each other and the tail to leave upward',
  faces: [
    { face: 'front', shows: 'two turns beside each other round two strands, the tail out at the head between them', source: 'practice' },
    { face: 'back', shows: 'the turns again, and where the end goes in under them', source: 'general' },
  ],
  check_points: [],
  faults: [
    { id: 'turns-short', name: 'one turn only', arises: 'the end went under after one turn', shows: 'an overhand noose', verdict: 'take-out-and-retie', what_to_do: 'Take it out and make two turns.', source: 'practice' },
    { id: 'turns-three-strands', name: 'turns round three strands', arises: 'the turns took in a strand too many', shows: 'it does not slide shut', verdict: 'take-out-and-retie', what_to_do: 'Take it out: the turns enclose the standing part and the returning leg, never a third strand.', source: 'practice' },
    { id: 'not-tucked', name: 'tail under one turn only', arises: 'the end came out between the turns', shows: 'the tail leaves the middle of the barrel', verdict: 'take-out-and-retie', what_to_do: 'Take the end back and lead it under both turns.', source: 'practice' },
    LOOSE, TAIL_SHORT, STOPPER_MISSING, ANOTHER_KNOT,
  ],
  tail_rule_key: 'barrel-noose',
  recognised: { by: 'trained', text: 'turns that can be counted; it must slide shut', source: 'practice' },
  cautions: [
    { text: 'it must slide shut when the standing part is pulled: that is the check', source: 'practice' },
    { text: 'in a friction-hitch cord backed with a double overhand stopper in the tag', source: 'practice' },
    { text: 'hard to get off a solid ring', source: 'practice' },
  ],
  good_for: [{ text: 'holds a clip where it is put', source: 'general' }],
  form_certainty: 'settled',
  form_text: 'wound in space round an axis, on a karabiner; the rope alone is unknotted, as a noose must be, and its two halves are those of an independent figure, for two wraps and for three',
  ways: [],
} as const satisfies KnotEntry;
