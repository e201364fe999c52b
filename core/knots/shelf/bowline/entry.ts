import { ANOTHER_KNOT, EYE_POINT, EYE_TOO_LARGE, HARNESS_POINT, LOOSE, ONE_HARNESS_POINT, STOPPER_GAP, STOPPER_MISSING, STOPPER_POINT, otherEndLoaded, TAIL_LONG, TAIL_POINT, TAIL_SHORT, setPoint } from '../../facts/common-faults';
import { pulled } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'bowline',
  names: ['Bowline', 'simple bowline', 'single bowline'],
  family: 'end-loop',
  purposes: ['tie-in', 'end-loop', 'hitch-object'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'for a life only with a lock or a stopper', what_happens: 'it was made for this pull', source: 'practice' },
    { pull: 'tail-eye', grade: 'fails', condition: 'always', what_happens: 'becomes a noose that shuts on what it holds', source: 'practice' },
    { pull: 'ring', grade: 'fails', condition: 'always', what_happens: 'pulls out', source: 'practice' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 1, most: 1, text: 'push the collar back', source: 'practice' },
    { condition: 'after-hard-falls', least: 1, most: 1, text: 'push the collar back', source: 'practice' },
  ],
  set: { text: 'standing part, tail, and both legs of the eye', source: 'general' },
  adjust: { text: 'the legs of the eye are drawn through the knot while it is loose; set it again', source: 'general' },
  look_again: { text: 'after every idle time: it loosens when it is not loaded', source: 'practice' },
  loosens: { text: 'loosens when idle', source: 'practice' },
  front_because: 'the face on which both strands of the collar go into the nipping loop; the tail lies inside the eye',
  faces: [
    { face: 'front', shows: 'one nipping loop with two strands through it; the tail comes down inside the eye', source: 'general' },
    { face: 'back', shows: 'the collar behind the standing part', source: 'general' },
  ],
  check_points: [
    {
      id: 'name', question: 'Is it a bowline?', help: 'One nipping loop, a collar round the standing part.',
      right: { label: 'a bowline', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [{ fault: 'another-knot', label: 'something else', picture: null }], source: 'general',
    },
    {
      id: 'front', question: 'Front: do both strands go through the nipping loop?', help: 'The end goes in and comes back out, side by side.',
      right: { label: 'both through it', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [{ fault: 'nip-reversed', label: 'the loop lies the other way and opens', picture: null }], source: 'practice',
    },
    {
      id: 'back', question: 'Turn it over. Is the collar round the standing part?', help: 'One bight, behind the standing part and nothing else.',
      right: { label: 'collar round the standing part', picture: { form: 'right', face: 'back', state: 'tight' } },
      wrong: [{ fault: 'another-knot', label: 'it is not', picture: null }], source: 'general',
    },
    {
      id: 'path', question: 'Follow the tail back: loop, collar, loop?', help: 'Up through the loop, round behind the standing part, down beside itself.',
      right: { label: 'the whole way', picture: { form: 'right', face: 'front', state: 'dressed' } },
      wrong: [
        { fault: 'another-knot', label: 'another way', picture: null },
        { fault: 'tail-outside-eye', label: 'the tail lies outside the eye', picture: null },
      ], source: 'general',
    },
    TAIL_POINT,
    STOPPER_POINT,
    setPoint('front', 'the standing part, the tail and each leg of the eye'),
    EYE_POINT,
    HARNESS_POINT,
  ],
  faults: [
    { id: 'nip-reversed', name: 'loop made the other way round', arises: 'the small loop was laid with its crossing reversed', shows: 'it falls apart when loaded', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again.', source: 'practice', does: [pulled('standing-eye', 'fails', 'tied so', 'falls apart when loaded', 'practice')] },
    { id: 'tail-outside-eye', name: 'tail outside the eye', arises: 'the end went round the standing part the other way', shows: 'the tail hangs outside the eye', verdict: 'remark', what_to_do: 'Nothing: it is noted.', source: 'practice', does: [pulled('standing-eye', 'made', 'tied so', 'as the bowline: it is noted, no fault', 'practice')] },
    ONE_HARNESS_POINT, LOOSE, TAIL_SHORT, TAIL_LONG, EYE_TOO_LARGE, STOPPER_MISSING, STOPPER_GAP, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'bowline',
  recognised: { by: 'trained', text: 'known to many; its variants are mistaken for one another', source: 'general' },
  cautions: [{ text: 'loosens when idle: for a life only with a lock or a stopper', source: 'practice' }],
  good_for: [{ text: 'quick; always comes undone', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram with over and under; agrees with two independent derivations, the tail led out of the front',
  ways: [
    { id: 'loop', name: 'A loop, and the end up through it', right: true, ends_in: null },
    { id: 'loop-reversed', name: 'Wrong: the loop the other way round', right: false, ends_in: { fault: 'nip-reversed' } },
  ],
} as const satisfies KnotEntry;
