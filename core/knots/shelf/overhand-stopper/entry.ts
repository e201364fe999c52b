import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'overhand-stopper',
  names: ['Overhand stopper', 'overhand', 'overhand knot', 'thumb knot'],
  family: 'stopper',
  purposes: ['stopper'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end', source: 'general' },
  pulls: [
    { pull: 'through', grade: 'ok', condition: 'set', what_happens: 'standing part and tail pulled apart only draw it tighter', source: 'general' },
  ],

  untying: [
    { condition: 'ordinary-load', least: 3, most: 4, text: 'small: sets hard for its size', source: 'general' },
    { condition: 'after-hard-falls', least: 4, most: 5, text: 'not known from trials; taken as hard', source: 'general' },
  ],
  set: { text: 'standing part and tail', source: 'general' },
  adjust: { text: 'roll it along the rope before it is set', source: 'general' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'shakes loose in stiff rope unless it is set', source: 'general' },
  front_because: 'one of two faces that are alike but for their hand; the one on which the tail comes down out of the loop in front is taken',
  faces: [
    { face: 'front', shows: 'one loop, the tail out through it; three crossings, over and under in turn', source: 'general' },
    { face: 'back', shows: 'the same with over and under exchanged', source: 'general' },
  ],
  check_points: [
    point('name', 'One loop, the end through it once?', 'Three crossings.', 'an overhand', seen('front'), [wrong('another-knot', 'something else')], { source: 'general', count: { of: 'crossings', is: 'three' } }),
    point('back', 'Turn it over. The same, mirrored?', 'No second turn, no slip.', 'the same', seen('back'), [wrong('another-knot', 'a slip, or something else')], { source: 'general' }),
    point('object', 'Round what does it stand, and against what?', 'Free at a rope’s end against a device or a slot; in a tag behind a noose or eye; butted up behind a tie-in.', 'said, and it does not pass', seen('front'), [wrong('other-ends-loaded', 'it passes, or nobody can say')]),
    tailPoint('At a rope’s end: the rope beyond the stopper, to the very end.'),
    setPoint('front', 'standing part and tail'),
    otherwisePoint('Small: it pulls through wide slots. Undo it before the rope is pulled.'),
  ],
  faults: [OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT],
  tail_rule_key: 'overhand-stopper',
  recognised: { by: 'anyone', text: 'everyone knows it', source: 'general' },
  cautions: [
    { text: 'small: it pulls through wide slots', source: 'practice' },
    { text: 'say round what and against what it stands; undo it before the rope is pulled, though a caught rope costs less than a missing stopper', source: 'practice' },
  ],
  good_for: [{ text: 'the base of many others', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram, three crossings in turn over and under; its ends joined it is the trefoil, as it must be',
  ways: [{ id: 'by-the-end', name: 'By the end', right: true, ends_in: null }],
} as const satisfies KnotEntry;
