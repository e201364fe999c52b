import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'double-overhand-stopper',
  names: ['Double overhand stopper', 'barrel stopper', 'two-turn stopper'],
  family: 'stopper',
  purposes: ['stopper'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end', source: 'general' },
  pulls: [
    { pull: 'through', grade: 'ok', condition: 'set', what_happens: 'standing part and tail pulled apart only draw it tighter', source: 'general' },
  ],

  untying: [
    { condition: 'ordinary-load', least: 3, most: 4, text: 'the turns bed into each other', source: 'general' },
    { condition: 'after-hard-falls', least: 4, most: 5, text: 'not known from trials; taken as hard', source: 'general' },
  ],
  set: { text: 'standing part and tail, the two turns pushed together', source: 'general' },
  adjust: { text: 'loosen it, move it along the rope, push the turns together and set it again', source: 'practice' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which both turns of the end can be counted on the side of the loop',
  faces: [
    { face: 'front', shows: 'laid: one large loop, the end through it twice and so twice round its side; set: one strand slanting across over the turns', source: 'general' },
    { face: 'back', shows: 'laid: the same, mirrored; set: two turns beside each other', source: 'general' },
  ],
  check_points: [
    point('name', 'Two wraps, and the end through both?', 'Count them beside each other.', 'two wraps, end through both', seen('back'), [wrong('another-knot', 'something else'), wrong('turns-short', 'one wrap only')], { count: { of: 'wraps', is: 'two' } }),
    point('front', 'Turn it over. One strand slanting across the wraps?', 'The end comes out inside both wraps.', 'one across, end inside', seen('front'), [wrong('turns-short', 'the end is under one wrap')], { source: 'general' }),
    point('object', 'Round what does it stand, and against what?', 'Free at a rope’s end against a device or a slot; in a tag behind a noose or eye; butted up behind a tie-in.', 'said, and it does not pass', seen('front'), [wrong('other-ends-loaded', 'it passes, or nobody can say')]),
    tailPoint('In a tether its own tail; at a rope’s end the rope beyond it, to the very end.'),
    setPoint('front', 'standing part and tail'),
    otherwisePoint('Undo it before the rope is pulled: it sticks in the anchor.'),
  ],
  faults: [
    { id: 'turns-short', name: 'one turn only', arises: 'the end went through the loop once', shows: 'it is an overhand', verdict: 'put-right', what_to_do: 'Take the end round and through once more; set it again.', source: 'general', made: { by: 'knot', knot: 'overhand-stopper' } },
    OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'double-overhand-stopper',
  recognised: { by: 'anyone', text: 'two turns that can be counted', source: 'general' },
  cautions: [
    { text: 'two wraps, and the end through both', source: 'practice' },
    { text: 'in a tether its own tail at least 75 to 100 mm; at a rope end 300 mm of rope beyond it', source: 'practice' },
    { text: 'say round what and against what it stands; undo it before the rope is pulled, though a caught rope costs less than a missing stopper', source: 'practice' },
  ],
  good_for: [{ text: 'bulkier than the overhand, and stays', source: 'general' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram, a loop with the end through it twice; its ends joined it is the torus knot of five crossings, as it must be',
  ways: [{ id: 'loop', name: 'A loop, the end through it twice', right: true, ends_in: null }],
} as const satisfies KnotEntry;
