import { ANOTHER_KNOT, LOOSE, STOPPER_GAP, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'tie-in-stopper',
  names: ['Tie-in stopper', 'stopper behind a tie-in', 'safety behind a follow-through'],
  family: 'stopper',
  purposes: [],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'the tail of a tie-in, long enough for two turns', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'ok', 'behind a figure-eight follow-through that carries', 'the tie-in carries; the stopper keeps its tail', 'practice'),
    pulled('through', 'avoid', 'the stopper as the only thing that holds', 'it holds nothing by itself', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 3, 'slide it off the standing part', 'general'), undone('after-hard-falls', 2, 4, 'it does not carry', 'general')],
  set: practice('two turns begun a bit above, butted down by turning with one hand while the other pulls'),
  adjust: practice('turn it down the standing part until it touches the knot'),
  loosens: general('works up the standing part when it is not drawn tight'),
  look_again: practice('whenever the tie-in is looked at: no gap has opened'),
  front_because: 'the face on which both turns of the stopper can be counted above the eight',
  faces: [
    { face: 'front', shows: 'a figure-eight follow-through; touching it, two turns of the tail round the standing part and itself', source: 'practice' },
    { face: 'back', shows: 'the eight again; the stopper’s turns slanting', source: 'general' },
  ],
  check_points: [
    point('stopper', 'Does it touch the knot?', 'Close up against it: no gap in which something can be clipped.', 'butted up to the knot', seen('front'), [wrong('stopper-gap', 'a gap before it')]),
    point('count', 'Two turns round the standing part, the end through both?', 'Count them. Round what: the standing part. Against what: the knot.', 'two turns', seen('front'), [wrong('stopper-wrong-face', 'not round the standing part'), wrong('another-knot', 'something else'), wrong('turns-short', 'one turn only')], { count: { of: 'turns', is: 'two' } }),
    point('back', 'Turn it over. Round the standing part, not round a leg of the eye?', 'Follow the standing part up through it.', 'round the standing part', seen('back'), [wrong('stopper-wrong-face', 'round something else')]),
    tailPoint('From where it leaves the stopper to its end.'),
    point('set', 'Is it drawn tight on the standing part?', 'It may not slide up by hand.', 'drawn tight', seen('front'), [wrong('loose', 'loose', seen('front', 'right', 'dressed'))]),
  ],
  faults: [
    faulty('stopper-wrong-face', 'round the wrong strand', 'the turns were made round something else than the standing part', 'the standing part is free of it', 'take-out-and-retie', 'Take it out and tie it round the standing part.', 'general'),
    { ...faulty('turns-short', 'one turn only', 'the end went under after one turn', 'a single overhand', 'put-right', 'Make two turns, the end through both.', 'general'), made: { by: 'knot', knot: 'two-strand-backup' } },
    STOPPER_GAP, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'tie-in-stopper',
  recognised: { by: 'anyone', text: 'two turns round the standing part, touching the knot', source: 'general' },
  cautions: [practice('say round what and against what: round the standing part, butted to the knot; so it also catches when a wrong eye was clipped'), practice('a stopper, or tail length alone: the rule set says which')],
  good_for: [practice('keeps the tail where it is')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: the follow-through whose tail goes on into a barrel, and a flat double overhand laid round the standing part above it',
  ways: [],
} as const satisfies KnotEntry;
