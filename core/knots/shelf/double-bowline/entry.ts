import { ANOTHER_KNOT, EYE_POINT, EYE_TOO_LARGE, HARNESS_POINT, LOOSE, ONE_HARNESS_POINT, STOPPER_GAP, STOPPER_MISSING, STOPPER_POINT, otherEndLoaded, TAIL_LONG, TAIL_POINT, TAIL_SHORT, setPoint } from '../../facts/common-faults';
import { pulled } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'double-bowline',
  names: ['Double bowline', 'round-turn bowline'],
  family: 'end-loop',
  purposes: ['tie-in', 'end-loop', 'hitch-object'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'set; for a life with a stopper on the tail', what_happens: 'it was made for this pull', source: 'practice' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 1, most: 2, text: 'push the collar back', source: 'general' },
    { condition: 'after-hard-falls', least: 1, most: 2, text: 'push the collar back', source: 'general' },
  ],
  set: { text: 'standing part, tail, and both legs of the eye', source: 'general' },
  adjust: { text: 'the legs of the eye are drawn through the knot while it is loose; set it again', source: 'general' },
  look_again: { text: 'after an idle time', source: 'general' },
  loosens: { text: 'can loosen when idle: look at it again', source: 'general' },
  front_because: 'the face on which the end goes in and comes out over the two nipping turns',
  faces: [
    { face: 'front', shows: 'two nipping turns, one lying on the other, with both strands of the collar through them', source: 'practice' },
    { face: 'back', shows: 'the collar behind the standing part; the two turns go round both strands', source: 'general' },
  ],
  check_points: [
    {
      id: 'name', question: 'Is it a bowline with two nipping turns?', help: 'Count the turns that squeeze the two strands: two.',
      right: { label: 'two turns', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [
        { fault: 'turns-short', label: 'one turn only: a simple bowline', picture: { form: 'right', face: 'front', state: 'tight', knot: 'bowline' } },
        { fault: 'another-knot', label: 'something else', picture: null },
      ], source: 'practice',
    },
    {
      id: 'front', question: 'Front: does the end go through both turns?', help: 'Both strands of the collar pass through both turns.',
      right: { label: 'through both', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [{ fault: 'turns-short', label: 'through one', picture: { form: 'right', face: 'front', state: 'tight', knot: 'bowline' } }], source: 'practice',
    },
    {
      id: 'back', question: 'Turn it over. Is the collar round the standing part?', help: 'One bight, behind the standing part and nothing else.',
      right: { label: 'collar round the standing part', picture: { form: 'right', face: 'back', state: 'tight' } },
      wrong: [{ fault: 'another-knot', label: 'it is not', picture: null }], source: 'general',
    },
    {
      id: 'path', question: 'Follow the tail back: turns, collar, turns?', help: 'Up through both turns, round behind the standing part, down through both turns.',
      right: { label: 'the whole way', picture: { form: 'right', face: 'front', state: 'dressed' } },
      wrong: [
        { fault: 'another-knot', label: 'another way', picture: null },
        { fault: 'tail-outside-eye', label: 'the tail lies outside the eye', picture: null },
      ], source: 'general',
    },
    TAIL_POINT,
    STOPPER_POINT,
    // its dressed form lies so close to the set one that the two pictures would not tell them apart: words do
    { ...setPoint('front', 'the standing part, the tail and each leg of the eye'), wrong: [{ fault: 'loose', label: 'loose: strands stand apart', picture: null }] },
    EYE_POINT,
    HARNESS_POINT,
  ],
  faults: [
    { id: 'turns-short', name: 'one turn only', arises: 'the second loop was not laid, or the end missed it', shows: 'one nipping turn: a simple bowline', verdict: 'take-out-and-retie', what_to_do: 'Take it out and lay two turns.', source: 'general', made: { by: 'knot', knot: 'bowline' } },
    { id: 'tail-outside-eye', name: 'tail outside the eye', arises: 'the end went round the standing part the other way', shows: 'the tail hangs outside the eye', verdict: 'remark', what_to_do: 'Nothing: it is noted.', source: 'practice', does: [pulled('standing-eye', 'made', 'tied so', 'as the double bowline: it is noted, no fault', 'practice')] },
    ONE_HARNESS_POINT, LOOSE, TAIL_SHORT, TAIL_LONG, EYE_TOO_LARGE, STOPPER_MISSING, STOPPER_GAP, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'double-bowline',
  recognised: { by: 'trained', text: 'fewer people can check it', source: 'general' },
  cautions: [{ text: 'a stopper on the tail is advised as a margin', source: 'practice' }],
  good_for: [
    { text: 'easy to undo', source: 'general' },
    { text: 'never leaves a false eye', source: 'practice' },
  ],
  form_certainty: 'settled',
  form_text: 'laid as a flat diagram, and once more wound as a helix in space: both give the same invariants, with the eye closed and with it cut',
  ways: [{ id: 'two-loops', name: 'Two loops, laid on one another first', right: true, ends_in: null }],
} as const satisfies KnotEntry;
