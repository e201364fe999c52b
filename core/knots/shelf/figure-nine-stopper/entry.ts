import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'figure-nine-stopper',
  names: ['Figure-nine stopper', 'single figure-nine', 'figure-nine knot'],
  family: 'stopper',
  purposes: ['stopper'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end', source: 'general' },
  pulls: [
    { pull: 'through', grade: 'ok', condition: 'set', what_happens: 'standing part and tail pulled apart only draw it tighter', source: 'general' },
  ],

  untying: [
    { condition: 'ordinary-load', least: 2, most: 3, text: 'works by hand', source: 'general' },
    { condition: 'after-hard-falls', least: 3, most: 4, text: 'not known from trials; taken as firm', source: 'general' },
  ],
  set: { text: 'standing part and tail', source: 'general' },
  adjust: { text: 'loosen it, move it along the rope and set it again', source: 'general' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the tail comes out over the last bow',
  faces: [
    { face: 'front', shows: 'an eight with half a turn more round the neck; five crossings', source: 'general' },
    { face: 'back', shows: 'the same figure with over and under exchanged', source: 'general' },
  ],
  check_points: [
    point('name', 'One and a half turns round the standing part, then in?', 'Count the crossings.', 'a nine', seen('front'), [wrong('another-knot', 'something else'), wrong('turns-short', 'half a turn too few')], { count: { of: 'crossings', is: 'five' } }),
    point('back', 'Turn it over. The same figure?', 'Over and under exchanged.', 'the same', seen('back'), [wrong('another-knot', 'something else')], { source: 'general' }),
    point('object', 'Round what does it stand, and against what?', 'Free at a rope’s end against a device or a slot; in a tag behind a noose or eye; butted up behind a tie-in.', 'said, and it does not pass', seen('front'), [wrong('other-ends-loaded', 'it passes, or nobody can say')]),
    tailPoint('At a rope’s end: the rope beyond the stopper, to the very end.'),
    setPoint('front', 'standing part and tail'),
    otherwisePoint('Undo it before the rope is pulled: it sticks in the anchor.'),
  ],
  faults: [
    { id: 'turns-short', name: 'half a turn too few', arises: 'the end went in half a turn early', shows: 'an eight', verdict: 'put-right', what_to_do: 'Take the end back half a turn further round; set it again.', source: 'general', made: { by: 'knot', knot: 'figure-eight-stopper' } },
    OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'figure-nine-stopper',
  recognised: { by: 'anyone', text: 'an eight with half a turn more', source: 'general' },
  cautions: [
    { text: 'one and a half turns round the standing part, then in', source: 'practice' },
    { text: 'at a rope end 300 mm of rope beyond it', source: 'practice' },
    { text: 'say round what and against what it stands; undo it before the rope is pulled, though a caught rope costs less than a missing stopper', source: 'practice' },
  ],
  good_for: [{ text: 'bulkier than the eight', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram, over and under in turn; its ends joined it is the twist knot of five crossings, as it must be',
  ways: [{ id: 'by-the-end', name: 'By the end, half a turn more', right: true, ends_in: null }],
} as const satisfies KnotEntry;
