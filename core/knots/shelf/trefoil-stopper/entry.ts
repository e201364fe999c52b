import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

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
  adjust: { text: 'push the standing part back to open it', source: 'practice' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'not known', source: 'general' },
  front_because: 'the face on which the bight of the standing part is seen to come through the loop and to hold the tail',
  faces: [
    { face: 'front', shows: 'laid: a small loop, a bight of the standing part through it, the tail through that bight; set: three lobes round the rope on the flat face', source: 'practice' },
    { face: 'back', shows: 'the tail passing round the back to the bight', source: 'practice' },
  ],
  check_points: [
    point('name', 'Does pulling the standing part shut the bight on the tail?', 'Pull it. The bight was drawn from the standing part.', 'it shuts on the tail', seen('front'), [wrong('bight-from-tail', 'it does not close'), wrong('another-knot', 'something else')]),
    point('front', 'Three even lobes round the rope on the flat face?', 'Count them.', 'three even lobes', seen('front'), [wrong('tail-from-wrong-side', 'a lump without three lobes')], { count: { of: 'lobes', is: 'three' } }),
    point('back', 'Turn it over. Does the tail pass round the back to the bight?', 'It goes in from the other face.', 'round the back', seen('back'), [wrong('tail-from-wrong-side', 'in from the wrong side')]),
    point('object', 'Round what does it stand, and against what?', 'Free at a rope’s end against a device or a slot; in a tag behind a noose or eye; butted up behind a tie-in.', 'said, and it does not pass', seen('front'), [wrong('other-ends-loaded', 'it passes, or nobody can say')]),
    tailPoint(),
    setPoint('front', 'the tail, then the standing part'),
    otherwisePoint('It opens when the standing part is pushed back.'),
  ],
  faults: [
    { id: 'bight-from-tail', name: 'bight drawn from the tail', arises: 'the slip was made with the wrong part', shows: 'the standing part does not close it', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again, the bight drawn from the standing part.', source: 'practice' },
    { id: 'tail-from-wrong-side', name: 'tail through from the wrong side', arises: 'the tail went through the bight the other way', shows: 'a lump without three lobes', verdict: 'take-out-and-retie', what_to_do: 'Take the tail out, round the back, and through from the other side.', source: 'practice' },
    OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'trefoil-stopper',
  recognised: { by: 'trained', text: 'three even lobes; few know it', source: 'general' },
  cautions: [{ text: 'check that pulling the standing part shuts the bight on the tail', source: 'practice' }, { text: 'undo it before the rope is pulled, though a caught rope costs less than a missing stopper', source: 'practice' }],
  good_for: [{ text: 'uses little rope, jams flat against a device or a hand, opens by pushing the standing part back', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'a flat diagram of the way it is tied: loop, slip, tail through the slip; agrees with an independent figure of the same knot',
  ways: [{ id: 'slip-and-through', name: 'A slip, and the end through its bight', right: true, ends_in: null }, { id: 'from-the-other-side', name: 'Wrong: the end through from the other side', right: false, ends_in: { fault: 'tail-from-wrong-side' } }],
} as const satisfies KnotEntry;
