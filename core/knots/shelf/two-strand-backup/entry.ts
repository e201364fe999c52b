import { ANOTHER_KNOT, LOOSE, STOPPER_GAP, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'two-strand-backup',
  names: ['Two-strand backup', 'overhand round both strands'],
  family: 'stopper',
  purposes: [],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'the tail of a follow-through, long enough for an overhand', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'ok', 'behind a figure-eight follow-through that carries', 'the tie-in carries; the overhand keeps its tail', 'practice'),
    pulled('through', 'avoid', 'the overhand as the only thing that holds', 'it holds nothing by itself', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 3, 'slide it off the strands', 'general'), undone('after-hard-falls', 2, 4, 'it does not carry', 'general')],
  set: general('the tail, the overhand butted down on the knot'),
  adjust: general('turn it down the two strands until it touches the knot'),
  loosens: general('works up the strands when it is not drawn tight'),
  look_again: practice('whenever the tie-in is looked at: no gap has opened'),
  front_because: 'the face on which the overhand’s turn lies across both strands',
  faces: [
    { face: 'front', shows: 'a figure-eight follow-through; touching it, an overhand of the tail round both strands that leave the knot', source: 'practice' },
    { face: 'back', shows: 'the eight again; the overhand’s cross', source: 'general' },
  ],
  check_points: [
    point('stopper', 'Does it touch the knot?', 'No gap in which something can be clipped.', 'butted up to the knot', seen('front'), [wrong('stopper-gap', 'a gap before it')]),
    point('count', 'An overhand round both strands?', 'Standing part and tail are both inside it.', 'round both', seen('front'), [wrong('another-knot', 'something else'), wrong('stopper-wrong-face', 'round one strand only')], { count: { of: 'strands inside it', is: 'two' } }),
    point('back', 'Turn it over. Both strands inside it?', 'Follow each up through it.', 'both inside', seen('back'), [wrong('stopper-wrong-face', 'round one strand only')]),
    tailPoint('From where it leaves the overhand to its end.'),
    point('set', 'Is it drawn tight?', 'It may not slide up by hand.', 'drawn tight', seen('front'), [wrong('loose', 'loose', seen('front', 'right', 'dressed'))]),
  ],
  faults: [
    faulty('stopper-wrong-face', 'round one strand only', 'a strand was left out', 'a strand passes beside it', 'put-right', 'Take it out and tie it round both strands.', 'general'),
    STOPPER_GAP, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'two-strand-backup',
  recognised: { by: 'trained', text: 'an overhand round both strands, touching the knot', source: 'general' },
  cautions: [practice('doubtful: it may have been meant for the joint of two ropes; ask your team’s rule')],
  good_for: [general('keeps the tail where it is')],
  form_certainty: 'unsettled',
  form_text: 'one reading: the tail’s overhand round standing part and tail behind a follow-through. It may have been meant for the joint of two ropes',
  ways: [],
} as const satisfies KnotEntry;
