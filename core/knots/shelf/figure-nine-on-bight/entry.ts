import { ANOTHER_KNOT, EYE_TOO_LARGE, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'figure-nine-on-bight',
  names: ['Figure-nine on a bight', 'figure-nine loop', 'nine on a bight'],
  family: 'end-loop',
  purposes: ['end-loop'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'a bight longer than for the eight, and an object that can be clipped or put over', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'every pair parallel, all four strands set', what_happens: 'it was made for this pull', source: 'general' },
    { pull: 'tail-eye', grade: 'ok', condition: 'set', what_happens: 'the tail carries like the standing part', source: 'general' },
    { pull: 'through', grade: 'avoid', condition: 'standing part against tail with the eye idle', what_happens: 'taken as for the eight: it unrolls', source: 'general' },
    { pull: 'ring', grade: 'avoid', condition: 'eye pulled apart sideways', what_happens: 'the knot is opened from the eye', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 2, most: 2, text: 'easier than the eight', source: 'practice' },
    { condition: 'after-hard-falls', least: 2, most: 4, text: 'not known from trials; easier than the eight', source: 'general' },
  ],
  set: { text: 'standing part, tail, and both legs of the eye, one by one', source: 'practice' },
  adjust: { text: 'work the knot along the strands', source: 'general' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the pair of standing part and tail comes in behind the first bow and the one and a half turns can be counted',
  faces: [
    { face: 'front', shows: 'an eight in pairs with half a turn more round the neck', source: 'general' },
    { face: 'back', shows: 'the same again, mirrored: pairs everywhere', source: 'general' },
  ],
  check_points: [
    point('name', 'One and a half turns round its own two strands?', 'Count at the neck.', 'one and a half turns', seen('front'), [wrong('another-knot', 'something else'), wrong('turns-short', 'one turn: an eight')]),
    point('front', 'Front: do the strands of every pair run side by side?', 'Two strands at every place; neither crosses its partner.', 'side by side', seen('front'), [wrong('pair-twisted', 'a strand crosses its partner')], { count: { of: 'strands at each place', is: 'two' } }),
    point('back', 'Turn it over. Pairs again, four strands out of it?', 'Standing part and tail above, two legs below.', 'pairs, four strands', seen('back'), [wrong('pair-twisted', 'a strand crosses its partner')], { count: { of: 'strands that leave the knot', is: 'four' } }),
    tailPoint(),
    setPoint('front', 'four strands: standing part, tail and both legs of the eye'),
    point('eye', 'Is the eye as small as the job allows?', 'A large eye catches things.', 'small', seen('front'), [wrong('eye-too-large', 'large', seen('front', 'eye-too-large'))]),
    otherwisePoint('Standing part against tail with the eye idle, or the eye pulled apart, opens it.'),
  ],
  faults: [
    { id: 'pair-twisted', name: 'strands of a pair twisted', arises: 'the bight turned over while it was led', shows: 'a strand crosses its partner', verdict: 'put-right', what_to_do: 'Lay the strands parallel along the whole way; set it again.', source: 'practice' },
    { id: 'turns-short', name: 'half a turn too few', arises: 'the bight went in half a turn early', shows: 'it is an eight', verdict: 'remark', what_to_do: 'Nothing: it is noted as an eight.', source: 'general', made: { by: 'knot', knot: 'figure-eight-on-bight' } },
    EYE_TOO_LARGE, OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'figure-nine-on-bight',
  recognised: { by: 'trained', text: 'taken for an eight by those who do not count', source: 'general' },
  cautions: [
    { text: 'one and a half turns, then through from the other side', source: 'practice' },
  ],
  good_for: [{ text: 'bigger than the eight and easier to undo', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions, a flat diagram doubled in the page and a winding round the neck doubled in space, agree',
  ways: [{ id: 'bight', name: 'With a bight, half a turn more', right: true, ends_in: null }],
} as const satisfies KnotEntry;
