import { ANOTHER_KNOT, LOOSE, TAIL_SHORT } from '../common-faults';
import type { KnotEntry } from '../types';

export const entry = {
  id: 'trefoil-stopper',
  names: ['Trefoil stopper', 'three-lobed stopper', 'oysterman’s stopper'],
  family: 'stopper',
  purposes: ['stopper'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end; little of it', source: 'practice' },
  pulls: [
    { pull: 'through', grade: 'ok', condition: 'set', what_happens: 'standing part and tail pulled apart only draw it tighter', source: 'general' },
  ],

  untying: [
    { condition: 'ordinary-load', least: 2, most: 3, text: 'push the standing part back', source: 'practice' },
    { condition: 'after-hard-falls', least: 3, most: 4, text: 'not known from trials; pushing the standing part back opens it', source: 'general' },
  ],
  set: { text: 'the tail first, to snug the slip loop; then the standing part, which shuts the bight on the tail', source: 'practice' },
  loosens: { text: 'not known', source: 'general' },
  front_because: 'the face on which the bight of the standing part is seen to come through the loop and to hold the tail',
  faces: [
    { face: 'front', shows: 'laid: a small loop, a bight of the standing part through it, the tail through that bight; set: three lobes round the rope on the flat face', source: 'practice' },
    { face: 'back', shows: 'the tail passing round the back to the bight', source: 'practice' },
  ],
  check_points: [],
  faults: [
    { id: 'bight-from-tail', name: 'bight drawn from the tail', arises: 'the slip was made with the wrong part', shows: 'the standing part does not close it', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again, the bight drawn from the standing part.', source: 'practice' },
    { id: 'tail-from-wrong-side', name: 'tail through from the wrong side', arises: 'the tail went through the bight the other way', shows: 'a lump without three lobes', verdict: 'take-out-and-retie', what_to_do: 'Take the tail out, round the back, and through from the other side.', source: 'practice' },
    LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'trefoil-stopper',
  recognised: { by: 'trained', text: 'three even lobes; few know it', source: 'general' },
  cautions: [{ text: 'check that pulling the standing part shuts the bight on the tail', source: 'practice' }],
  good_for: [{ text: 'uses little rope, lies flat against a device or a hand, opens by pushing the standing part back', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram of the way it is tied: loop, slip, tail through the slip; agrees with an independent figure of the same knot',
  ways: [],
} as const satisfies KnotEntry;
