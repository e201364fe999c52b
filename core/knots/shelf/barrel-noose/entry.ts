import { ANOTHER_KNOT, LOOSE, otherEndLoaded, STOPPER_MISSING, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'barrel-noose',
  names: ['Barrel noose', 'scaffold knot', 'poacher’s knot', 'double-overhand noose'],
  usual_wraps: 2,
  family: 'noose',
  purposes: ['hitch-object', 'tether'],
  needs: { free_end: true, thicknesses_through_object: 1, objects: ['clip', 'closed-ring'], text: 'a free end, and something it may close on', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'slid shut on what it holds', what_happens: 'it closes and grips', source: 'practice' },
    { pull: 'tail-eye', grade: 'avoid', condition: 'tail pulled against the eye', what_happens: 'not what it was made for', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 4, most: 4, text: 'hard to get off a solid ring', source: 'practice' },
    { condition: 'after-hard-falls', least: 4, most: 5, text: 'not known from trials; taken as harder', source: 'general' },
  ],
  set: { text: 'tighten on the two upper strands; the lower one slides', source: 'practice' },
  adjust: { text: 'it slides along the standing part; the lower strand of the two slides when the upper two are tightened', source: 'practice' },
  look_again: { text: 'after the clip was turned or hung elsewhere', source: 'general' },
  loosens: { text: 'keeps its form once shut', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the turns are seen to climb beside each other and the tail to leave upward',
  faces: [
    { face: 'front', shows: 'two turns beside each other round two strands, the tail out at the head between them', source: 'practice' },
    { face: 'back', shows: 'the turns again, and where the end goes in under them', source: 'general' },
  ],
  check_points: [
    point('slides', 'Does it slide shut when the standing part is pulled?', 'That is the check.', 'it slides shut', seen('front'), [wrong('turns-three-strands', 'it does not slide'), wrong('another-knot', 'something else')]),
    point('count', 'Are there two turns, beside each other?', 'Count them on the barrel.', 'two turns', seen('front'), [wrong('turns-short', 'one turn: an overhand noose')], { count: { of: 'turns', is: 'two, or three as a variant' } }),
    point('path', 'Do the turns enclose standing part and returning leg, and nothing else?', 'Follow the two strands inside.', 'two strands inside', seen('back'), [wrong('turns-three-strands', 'a third strand')], { count: { of: 'strands inside the turns, beside the tail', is: 'two' } }),
    point('back', 'Does the end go in under both turns?', 'The tail leaves at the head of the barrel.', 'under both', seen('back'), [wrong('not-tucked', 'under one only')]),
    tailPoint(),
    point('stopper', 'In a friction-hitch cord: is there a double overhand stopper in the tag?', 'Behind the barrel, so that it cannot slip back.', 'stopper in the tag', seen('front'), [wrong('stopper-missing', 'none')]),
    setPoint('front', 'the two upper strands; the lower one slides'),
    otherwisePoint('Nothing may pull on its tail.', 'general'),
  ],
  faults: [
    { id: 'turns-short', name: 'one turn only', arises: 'the end went under after one turn', shows: 'an overhand noose', verdict: 'take-out-and-retie', what_to_do: 'Take it out and make two turns.', source: 'practice' },
    { id: 'turns-three-strands', name: 'turns round three strands', arises: 'the turns took in a strand too many', shows: 'it does not slide shut', verdict: 'take-out-and-retie', what_to_do: 'Take it out: the turns enclose the standing part and the returning leg, never a third strand.', source: 'practice' },
    { id: 'not-tucked', name: 'tail under one turn only', arises: 'the end came out between the turns', shows: 'the tail leaves the middle of the barrel', verdict: 'take-out-and-retie', what_to_do: 'Take the end back and lead it under both turns.', source: 'practice' },
    LOOSE, TAIL_SHORT, STOPPER_MISSING, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'barrel-noose',
  recognised: { by: 'trained', text: 'turns that can be counted; it must slide shut', source: 'practice' },
  cautions: [
    { text: 'it must slide shut when the standing part is pulled: that is the check', source: 'practice' },
    { text: 'in a friction-hitch cord backed with a double overhand stopper in the tag', source: 'practice' },
    { text: 'hard to get off a solid ring', source: 'practice' },
  ],
  good_for: [{ text: 'holds a clip where it is put', source: 'general' }],
  form_certainty: 'settled',
  form_text: 'wound in space round an axis, on a karabiner; the rope alone is unknotted, as a noose must be, and its two halves are those of an independent figure, for two wraps and for three',
  ways: [{ id: 'coil', name: 'Coiled up round both strands', right: true, ends_in: null }],
} as const satisfies KnotEntry;
