import { ANOTHER_KNOT, GATE_POINT, GATE_UNLOCKED, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'munter-mule-overhand',
  names: ['Munter-mule-overhand', 'Munter with a mule and an overhand', 'tied-off Munter'],
  family: 'hitch',
  purposes: ['releasable', 'hitch-object'],
  needs: { free_end: false, thicknesses_through_object: 2, objects: ['clip'], text: 'a wide pear-shaped locking karabiner, and a long bight of the brake strand', source: 'general' },
  pulls: [
    pulled('standing-eye', 'made', 'snug, the overhand drawn round everything', 'it holds, and can be let go under load'),
    pulled('tail-eye', 'avoid', 'the brake strand pulled', 'with the overhand out it lets the slip run', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 2, 'overhand out, slip drawn', 'general'), undone('under-load', 2, 3, 'overhand out, then the slip is drawn and the Munter lets the load down, its brake strand always held')],
  set: practice('the mule snug against the Munter, then the overhand round everything'),
  adjust: general('taken out to the Munter, moved, and tied off again'),
  loosens: general('the slip can be drawn: the overhand keeps it'),
  look_again: practice('before the load comes, and at the gate after the Munter has flipped'),
  front_because: 'the face on which the bight of the mule passes in front of the load strand',
  faces: [
    { face: 'front', shows: 'the Munter; below it a bight in front of the load strand through a loop that lies behind it; below that the overhand round everything, its loop standing off', source: 'practice' },
    { face: 'back', shows: 'the loop of the brake strand behind the load strand, and the overhand’s turn', source: 'general' },
  ],
  check_points: [
    point('name', 'Munter, mule, and an overhand round everything?', 'From the karabiner down: three parts.', 'three parts', seen('front'), [wrong('overhand-missing', 'no overhand: the slip can run'), wrong('slip-not-caught', 'the bight is not through the loop'), wrong('another-knot', 'something else')]),
    point('front', 'Front: does the bight pass in front of the load strand, through the loop behind it?', 'The slip is a doubled strand.', 'bight in front, loop behind', seen('front'), [wrong('slip-not-caught', 'the loop does not hold the bight')], { region: 'between the Munter and the overhand', count: { of: 'strands of the slip', is: 'two' } }),
    point('back', 'Turn it over. Does the overhand go round load strand and brake strand alike?', 'Everything is inside it.', 'round everything', seen('back'), [wrong('overhand-missing', 'it misses a strand')], { region: 'the lowest part' }),
    { ...GATE_POINT, question: 'Is the gate locked, and the brake strand away from it?', wrong: [wrong('gate-to-brake', 'the brake strand runs over the gate'), wrong('gate-unlocked', 'it opens when pressed')] },
    tailPoint('The loop that is left beyond the overhand: long enough that it cannot work back.'),
    setPoint('front', 'load strand, brake strand and the slip loop'),
    otherwisePoint('The load strand alone carries. Nothing may pull on the slip loop.', 'general'),
  ],
  faults: [
    faulty('slip-not-caught', 'slip not caught', 'the bight was not led through the loop', 'the mule falls apart when the brake strand is let go', 'take-out-and-retie', 'Hold the brake strand; tie the mule again.'),
    faulty('overhand-missing', 'overhand missing', 'it was left at the mule', 'the slip loop hangs free and can be drawn', 'take-out-and-retie', 'Hold the brake strand; make the overhand round everything.', 'general'),
    { ...faulty('gate-to-brake', 'gate toward the brake strand', 'the karabiner hangs the wrong way round', 'the brake strand lies against the gate', 'put-right', 'Turn the karabiner before it is loaded.'), made: { by: 'gate-turned' } },
    GATE_UNLOCKED, LOOSE, TAIL_SHORT, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'three parts: many find it confusing', source: 'practice' },
  cautions: [practice('the Munter-mule confuses: name the three parts aloud'), practice('the Munter is hard on the rope')],
  good_for: [practice('can be released under load, which an eight or a clove cannot')],
  form_certainty: 'one-derivation',
  form_text: 'Munter and mule agree with an independent figure, which does not see the overhand round everything: that rests on this one derivation from the description',
  ways: [],
} as const satisfies KnotEntry;
