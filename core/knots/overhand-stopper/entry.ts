import { ANOTHER_KNOT, LOOSE, TAIL_SHORT } from '../common-faults';
import type { KnotEntry } from '../types';

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
  loosens: { text: 'shakes loose in stiff rope unless it is set', source: 'general' },
  front_because: 'one of two faces that are alike but for their hand; the one on which the tail comes down out of the loop in front is taken',
  faces: [
    { face: 'front', shows: 'one loop, the tail out through it; three crossings, over and under in turn', source: 'general' },
    { face: 'back', shows: 'the same with over and under exchanged', source: 'general' },
  ],
  check_points: [],
  faults: [LOOSE, TAIL_SHORT, ANOTHER_KNOT],
  tail_rule_key: 'overhand-stopper',
  recognised: { by: 'anyone', text: 'everyone knows it', source: 'general' },
  cautions: [
    { text: 'small: it pulls through wide slots', source: 'practice' },
    { text: 'say round what and against what it stands', source: 'practice' },
  ],
  good_for: [{ text: 'the base of many others', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram, three crossings in turn over and under; its ends joined it is the trefoil, as it must be',
  ways: [],
} as const satisfies KnotEntry;
