import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, lookalike, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'offset-overhand',
  names: ['Offset overhand', 'flat overhand', 'overhand bend', 'offset overhand bend'],
  family: 'bend',
  purposes: ['join-to-retrieve'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'an end of each rope, laid together', source: 'practice' },
  pulls: [
    pulled('through', 'made', 'ropes that will be pulled down; strands tidy, every strand set, tails long', 'the flat side lies to the rock; it opens as it is loaded rather than rolls, yet rolling is to be reckoned with: the long tail is the margin'),
    pulled('cross', 'avoid', 'a standing part against a tail', 'not what it was made for', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 2, 'the pull opens it'), undone('after-hard-falls', 2, 4, 'not known from trials', 'general')],
  set: practice('all four strands, one by one'),
  adjust: general('work it along both strands; dress, set and measure both tails again'),
  loosens: general('keeps its form once all four strands are set'),
  keeps_when_idle: true,
  look_again: practice('before every descent: strands tidy, tails long'),
  front_because: 'the face that turns away from the rock: both ropes go up and down from one side of the knot, the tails stand off on the other',
  faces: [
    { face: 'front', shows: 'one overhand in pairs, both ropes side by side; the standing parts leave up and down, both tails together to the side', source: 'practice' },
    { face: 'back', shows: 'the same overhand, the pairs again side by side', source: 'general' },
  ],
  check_points: [
    point('name', 'One overhand of both ropes together, both tails on the same side?', 'The standing parts part; the tails stay together.', 'tails together', seen('front'), [wrong('another-knot', 'an eight: it rolls off the end; or something else', lookalike('figure-eight-bend', 'front', 'offset-eight'))]),
    point('front', 'Front: do both ropes run side by side, strands tidy?', 'Two strands at each place, none crosses its partner.', 'tidy pairs', seen('front'), [wrong('pair-crossed', 'a strand crosses its partner')], { count: { of: 'strands at each place', is: 'two' } }),
    point('back', 'Turn it over. Pairs again?', 'No strand lies alone.', 'pairs again', seen('back'), [wrong('pair-crossed', 'a strand crosses its partner')]),
    tailPoint('Both tails, each from where it leaves the knot. Long: the tail is the margin if the knot rolls.'),
    setPoint('front', 'all four strands'),
    otherwisePoint('It is a joint to be pulled down, flat side to the rock. Not to be passed, not for ropes that differ much.', 'general'),
  ],
  faults: [
    faulty('pair-crossed', 'strands not tidy', 'the ropes crossed while the overhand was laid', 'a strand lies across its partner', 'put-right', 'Lay both ropes parallel along the whole way; set all four strands.'),
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'offset-overhand',
  recognised: { by: 'anyone', text: 'one overhand in pairs', source: 'general' },
  cautions: [practice('never an eight in its place: the offset eight rolls off the end'), practice('flat side to the rock'), practice('one practitioner reports that it opens as it is loaded; take rolling as possible')],
  good_for: [practice('low profile: slides over edges'), practice('easy to undo')],
  form_certainty: 'settled',
  form_text: 'the flat overhand doubled by offset, both ropes running the same way; agrees with an independent figure of the joint whose tails leave on one side',
  ways: [{ id: 'both-together', name: 'Both ends together', right: true, ends_in: null }],
} as const satisfies KnotEntry;
