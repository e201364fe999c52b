import { ANOTHER_KNOT, GATE_POINT, GATE_UNLOCKED, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'clove-hitch',
  names: ['Clove hitch', 'clove'],
  family: 'hitch',
  purposes: ['hitch-object', 'midline', 'tether'],
  needs: { free_end: false, thicknesses_through_object: 2, objects: ['clip', 'post'], text: 'something round that can be clipped or put over; with the end on a post', source: 'general' },
  pulls: [
    pulled('standing-eye', 'ok', 'on a karabiner, set, the other strand not let go', 'it grips on the bar', 'general'),
    pulled('tail-eye', 'ok', 'the other strand loaded, set', 'it grips from either side', 'general'),
    pulled('through', 'avoid', 'both strands pulled apart past the bar', 'it can slip or roll', 'general'),
  ],
  untying: [undone('ordinary-load', 1, 1, 'push the strands together'), undone('after-hard-falls', 1, 2, 'not known from trials', 'general')],
  set: general('both strands, one after the other'),
  adjust: practice('the strand between the two exits, the middle one: feed it either way'),
  loosens: general('loosens when it is not loaded, and when the bar turns'),
  look_again: practice('after it was adjusted, and after the karabiner turned'),
  front_because: 'the face on which the middle strand crosses over both turns',
  faces: [
    { face: 'front', shows: 'two turns with one strand slanting across both', source: 'general' },
    { face: 'back', shows: 'two turns side by side, no cross', source: 'general' },
  ],
  variants: [{ form: 'on-post', name: 'on a post', text: 'with the end on a post: round, over itself, round again, under its own cross', source: 'practice' }],
  check_points: [
    point('name', 'Two identical loops, the second laid on the first?', 'Not mirror images of each other. One strand slants across both turns.', 'one strand across both', seen('front'), [wrong('mirrored-loops', 'mirrored: a girth pair', seen('front', 'mirrored-loops')), wrong('not-tucked', 'the end is not under the cross'), wrong('another-knot', 'something else')]),
    point('back', 'Turn it over. Two turns side by side, no cross?', 'They lie parallel on the bar.', 'two turns, parallel', seen('back'), [wrong('mirrored-loops', 'a bight lies across', seen('back', 'mirrored-loops'))], { count: { of: 'turns on the bar', is: 'two' } }),
    GATE_POINT,
    setPoint('front', 'both strands'),
    otherwisePoint('It is only as good as the strand that is held. Ask whether the bar can turn.', 'general'),
  ],
  faults: [
    faulty('mirrored-loops', 'loops mirrored', 'the second loop was turned the other way', 'a girth pair, or nothing', 'take-out-and-retie', 'Take it off; make two identical loops, each with its upper strand to the same side.'),
    { ...faulty('not-tucked', 'end not under the cross', 'on a post the end was not led under its own cross', 'a mere coil: it runs', 'take-out-and-retie', 'Lead the end under its own cross.', 'general'), does: [pulled('standing-eye', 'fails', 'tied so', 'a mere coil: it runs', 'general')] },
    GATE_UNLOCKED, LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'anyone', text: 'two turns and one strand across', source: 'general' },
  cautions: [practice('lock the gate when it is clipped with one hand'), general('not to be relied on with a free end close to it: back it up')],
  good_for: [practice('adjustable by the middle strand')],
  form_certainty: 'settled',
  form_text: 'a wound form of two turns of one sense; on a karabiner and on a post it agrees with an independent figure, the mirrored one with its own',
  ways: [{ id: 'two-loops', name: 'Two loops, slid together and clipped', right: true, ends_in: null }, { id: 'one-hand', name: 'With one hand, the rope already in the clip', right: true, ends_in: null }, { id: 'with-the-end', name: 'With the end, on a post', right: true, ends_in: null }, { id: 'loops-against', name: 'Wrong: the second turn against the first', right: false, ends_in: { fault: 'mirrored-loops' } }],
} as const satisfies KnotEntry;
