import { ANOTHER_KNOT, LOOSE, TAIL_SHORT } from '../common-faults';
import type { KnotEntry } from '../types';

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
  loosens: { text: 'keeps its form once set', source: 'general' },
  front_because: 'the face on which both turns of the end can be counted on the side of the loop',
  faces: [
    { face: 'front', shows: 'laid: one large loop, the end through it twice and so twice round its side; set: one strand slanting across over the turns', source: 'general' },
    { face: 'back', shows: 'laid: the same, mirrored; set: two turns beside each other', source: 'general' },
  ],
  check_points: [],
  faults: [
    { id: 'turns-short', name: 'one turn only', arises: 'the end went through the loop once', shows: 'it is an overhand', verdict: 'put-right', what_to_do: 'Take the end round and through once more; set it again.', source: 'general' },
    LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'double-overhand-stopper',
  recognised: { by: 'anyone', text: 'two turns that can be counted', source: 'general' },
  cautions: [
    { text: 'two wraps, and the end through both', source: 'practice' },
    { text: 'in a tether its own tail at least 75 to 100 mm; at a rope end 300 mm of rope beyond it', source: 'practice' },
    { text: 'say round what and against what it stands; undo it before the rope is pulled', source: 'practice' },
  ],
  good_for: [{ text: 'bulkier than the overhand, and stays', source: 'general' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram, a loop with the end through it twice; its ends joined it is the torus knot of five crossings, as it must be',
  ways: [],
} as const satisfies KnotEntry;
