import { ANOTHER_KNOT, EYE_TOO_LARGE, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'overhand-on-bight',
  names: ['Overhand on a bight', 'overhand loop', 'loop knot'],
  family: 'end-loop',
  purposes: ['end-loop', 'tether'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'a bight long enough for eye and knot, and an object that can be clipped or put over', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'every pair parallel, all four strands set', what_happens: 'it was made for this pull', source: 'general' },
    { pull: 'tail-eye', grade: 'ok', condition: 'set', what_happens: 'the tail carries like the standing part', source: 'general' },
    { pull: 'through', grade: 'avoid', condition: 'standing part against tail with the eye idle', what_happens: 'it is opened along the rope', source: 'general' },
    { pull: 'ring', grade: 'avoid', condition: 'eye pulled apart sideways', what_happens: 'the knot is opened from the eye', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 5, most: 5, text: 'sets hard: tools or a knife', source: 'practice' },
    { condition: 'after-hard-falls', least: 5, most: 5, text: 'tools or a knife', source: 'practice' },
  ],
  set: { text: 'standing part, tail, and both legs of the eye, one by one', source: 'practice' },
  adjust: { text: 'work the knot along the strands', source: 'practice' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the pair of legs goes down to the eye over the last bow',
  faces: [
    { face: 'front', shows: 'an overhand in pairs: strands parallel all through', source: 'practice' },
    { face: 'back', shows: 'the same again, mirrored: pairs everywhere', source: 'general' },
  ],
  check_points: [
    point('name', 'Half a turn: an overhand of both strands?', 'Count at the neck.', 'an overhand', seen('front'), [wrong('another-knot', 'something else')]),
    point('front', 'Front: do the strands of every pair run side by side?', 'Two strands at every place; neither crosses its partner.', 'side by side', seen('front'), [wrong('pair-twisted', 'a strand crosses its partner')], { count: { of: 'strands at each place', is: 'two' } }),
    point('back', 'Turn it over. Pairs again, four strands out of it?', 'Standing part and tail above, two legs below.', 'pairs, four strands', seen('back'), [wrong('pair-twisted', 'a strand crosses its partner')], { count: { of: 'strands that leave the knot', is: 'four' } }),
    tailPoint(),
    setPoint('front', 'four strands: standing part, tail and both legs of the eye'),
    point('eye', 'Is the eye as small as the job allows?', 'A large eye catches things.', 'small', seen('front'), [wrong('eye-too-large', 'large', seen('front', 'eye-too-large'))]),
    otherwisePoint('Standing part against tail with the eye idle, or the eye pulled apart, opens it.'),
  ],
  faults: [
    { id: 'pair-twisted', name: 'strands of a pair twisted', arises: 'the bight turned over while it was led', shows: 'a strand crosses its partner', verdict: 'put-right', what_to_do: 'Lay the strands parallel along the whole way; set it again.', source: 'practice' },
    EYE_TOO_LARGE, OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'overhand-on-bight',
  recognised: { by: 'anyone', text: 'everyone knows it', source: 'general' },
  cautions: [
    { text: 'a stopper in the tail where it is the main connection', source: 'practice' },
    { text: 'as a personal tether: about 600 mm of bight where a stopper follows', source: 'practice' },
  ],
  good_for: [{ text: 'quick; the eye is sized by working the knot along the strands', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'the flat overhand, its path doubled by offset; the rope alone is unknotted, as a knot tied in the bight must be',
  ways: [{ id: 'bight', name: 'With a bight', right: true, ends_in: null }],
} as const satisfies KnotEntry;
