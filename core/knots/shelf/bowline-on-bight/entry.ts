import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'bowline-on-bight',
  names: ['Bowline on the bight', 'bowline on a bight'],
  family: 'two-eyes',
  purposes: ['two-eyes', 'midline'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'a long doubled stretch; neither end is needed', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'made', 'both eyes loaded, dressed and set, looked at under load', 'it was made for this pull'),
    pulled('tail-eye', 'made', 'dressed and set', 'it does not slip from either side'),
    pulled('through', 'avoid', 'both ends pulled apart along the rope', 'less good than a butterfly'),
    pulled('all', 'avoid', 'both directions and the eyes', 'less good than a butterfly'),
  ],
  untying: [undone('ordinary-load', 1, 1, 'push the collar back'), undone('after-hard-falls', 1, 2, 'not known from trials', 'general')],
  set: practice('the eyes, then both strands'),
  adjust: general('rope goes from one eye to the other while the knot is loose'),
  loosens: practice('loosens when idle'),
  look_again: practice('after every unloading, then under load'),
  front_because: 'the face on which the doubled nipping loop lies in front of the strands that pass through it, as on the other bowlines',
  faces: [
    { face: 'front', shows: 'two strands make the nipping loop; four strands go down through it into the two eyes; the collar is a single bight', source: 'general' },
    { face: 'back', shows: 'the collar across, behind both standing strands', source: 'general' },
  ],
  check_points: [
    point('name', 'Two even eyes, and one bight round both standing strands?', 'The bight was opened and passed over both eyes and up behind.', 'two even eyes', seen('front'), [wrong('another-knot', 'the bight does not go round both')]),
    point('front', 'Front: is the nipping loop doubled, its strands parallel?', 'Two strands side by side round the whole loop.', 'two side by side', seen('front'), [wrong('pair-crossed', 'a strand crosses its partner')], { count: { of: 'strands in the nipping loop’s turn', is: 'two' } }),
    point('back', 'Turn it over. Does the collar lie behind both standing strands?', 'One bight, round both.', 'behind both', seen('back'), [wrong('another-knot', 'round one only')]),
    point('eye', 'Are the two eyes about even?', 'Pull each by itself.', 'about even', seen('front'), [wrong('ears-unequal', 'very unequal')]),
    tailPoint(),
    setPoint('front', 'both eyes, then both strands'),
    otherwisePoint('It loosens when idle. Where both directions pull, a butterfly is better.'),
  ],
  faults: [
    faulty('ears-unequal', 'eyes very unequal', 'not adjusted before it was set', 'one eye is much larger', 'put-right', 'Let rope go from one eye to the other; set it again.', 'general'),
    faulty('pair-crossed', 'pair crossed', 'the doubled strands crossed in the loop', 'a strand lies across its partner', 'put-right', 'Lay the strands parallel; set it again.', 'general'),
    LOOSE, TAIL_SHORT, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'bowline-on-bight',
  recognised: { by: 'trained', text: 'a doubled bowline whose collar is one bight', source: 'general' },
  cautions: [practice('as a seat it cuts into the legs: emergency only'), practice('takes a long doubled stretch for large eyes: compute it first'), practice('less good than a butterfly when both directions pull')],
  good_for: [practice('tied without an end'), practice('does not slip from either side')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: the bowline’s diagram with its loop and strands doubled, and the motion of the bight passed over both eyes; alone it is unknotted, as a knot tied in the bight must be',
  ways: [{ id: 'bight-opened', name: 'With a bight, opened over the whole', right: true, ends_in: null }],
} as const satisfies KnotEntry;
