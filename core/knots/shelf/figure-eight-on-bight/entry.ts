import { ANOTHER_KNOT, EYE_TOO_LARGE, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'figure-eight-on-bight',
  names: ['Figure-eight on a bight', 'figure-eight loop', 'eight on a bight'],
  family: 'end-loop',
  purposes: ['end-loop', 'tether'],
  usual_for: ['end-loop', 'tether'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'a bight of 400 to 600 mm, and an object that can be clipped or put over', source: 'practice' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'every pair parallel, all four strands set', what_happens: 'it was made for this pull', source: 'practice' },
    { pull: 'tail-eye', grade: 'ok', condition: 'set', what_happens: 'the tail carries like the standing part', source: 'practice' },
    { pull: 'through', grade: 'avoid', condition: 'standing part against tail with the eye idle', what_happens: 'it unrolls', source: 'practice' },
    { pull: 'ring', grade: 'avoid', condition: 'eye pulled apart sideways', what_happens: 'the knot is opened from the eye', source: 'practice' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 3, most: 3, text: 'works by hand', source: 'practice' },
    { condition: 'after-hard-falls', least: 3, most: 5, text: 'can set so hard that it needs tools', source: 'practice' },
  ],
  set: { text: 'four strands, one by one: standing part, tail, and both legs of the eye', source: 'practice' },
  adjust: { text: 'work the knot along the strands', source: 'practice' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the pair of standing part and tail comes in over the pair that makes the near turn, as on the follow-through',
  faces: [
    { face: 'front', shows: 'the shape of an eight in pairs: strands side by side at every place', source: 'practice' },
    { face: 'back', shows: 'the same eight again: strands side by side at every place', source: 'practice' },
  ],
  check_points: [
    point('name', 'One full turn round its own two strands?', 'Count at the neck.', 'one full turn', seen('front'), [wrong('turns-short', 'half a turn: an overhand'), wrong('another-knot', 'something else'), wrong('turns-one-more', 'one and a half: a nine')]),
    point('front', 'Front: do the strands of every pair run side by side?', 'Two strands at every place; neither crosses its partner.', 'side by side', seen('front'), [wrong('pair-twisted', 'a strand crosses its partner')], { count: { of: 'strands at each place', is: 'two' } }),
    point('back', 'Turn it over. Pairs again, four strands out of it?', 'Standing part and tail above, two legs below.', 'pairs, four strands', seen('back'), [wrong('pair-twisted', 'a strand crosses its partner')], { count: { of: 'strands that leave the knot', is: 'four' } }),
    tailPoint(),
    setPoint('front', 'four strands: standing part, tail and both legs of the eye'),
    point('eye', 'Is the eye as small as the job allows?', 'A large eye catches things.', 'small', seen('front'), [wrong('eye-too-large', 'large', seen('front', 'eye-too-large'))]),
    otherwisePoint('Standing part against tail with the eye idle, or the eye pulled apart, opens it.'),
  ],
  faults: [
    { id: 'pair-twisted', name: 'strands of a pair twisted', arises: 'the bight turned over while it was led', shows: 'a strand crosses its partner', verdict: 'put-right', what_to_do: 'Lay the strands parallel along the whole way; set it again.', source: 'practice' },
    { id: 'turns-short', name: 'only half a turn', arises: 'the bight went in half a turn early', shows: 'it is an overhand', verdict: 'take-out-and-retie', what_to_do: 'Take it out and make the full turn.', source: 'practice', made: { by: 'knot', knot: 'overhand-on-bight' } },
    { id: 'turns-one-more', name: 'one and a half turns', arises: 'the bight went round half a turn further', shows: 'it is a nine', verdict: 'remark', what_to_do: 'Nothing: it is noted as a nine.', source: 'practice', made: { by: 'knot', knot: 'figure-nine-on-bight' } },
    EYE_TOO_LARGE, OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'figure-eight-on-bight',
  recognised: { by: 'anyone', text: 'known to everybody, easy to check', source: 'practice' },
  cautions: [
    { text: 'as a personal tether: 400 to 500 mm of bight where no stopper follows, its tag at least 150 mm', source: 'practice' },
  ],
  good_for: [{ text: 'four strands leave it, the same on both faces', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'the flat eight, its path doubled by offset; the same finished form as the follow-through, as it must be',
  ways: [{ id: 'bight', name: 'With a bight', right: true, ends_in: null }],
} as const satisfies KnotEntry;
