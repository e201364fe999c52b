import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'square-knot',
  names: ['Square knot', 'reef knot'],
  family: 'bend',
  purposes: ['sling'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'both ends, round something that holds as well', source: 'practice' },
  tape: 'also',
  pulls: [
    pulled('through', 'avoid', 'as the only thing that holds', 'it slips or is upset: never a bend for a life load'),
    pulled('ring', 'fails', 'one end jerked away from the knot', 'it turns over and runs off', 'general'),
  ],
  untying: [undone('ordinary-load', 1, 2, 'jerk one end away, it turns over', 'general'), undone('after-hard-falls', 2, 4, 'not known from trials', 'general')],
  set: general('both pairs, against each other'),
  adjust: general('draw the bights along each other'),
  loosens: general('shakes loose when idle'),
  look_again: practice('while it is used as a seat: at every movement'),
  front_because: 'both faces are alike; the one on which the first rope’s bight lies over the other’s legs is taken',
  faces: [
    { face: 'front', shows: 'two bights through each other; at either end standing part and tail leave side by side, on the same side of the bight', source: 'general' },
    { face: 'back', shows: 'the same, the two bights with their places exchanged', source: 'general' },
  ],
  check_points: [
    point('name', 'Two bights, each round the legs of the other?', 'At either end standing part and tail leave side by side through the same side of the other’s bight.', 'side by side, both ends', seen('front'), [
      wrong('granny', 'the legs leave crosswise', seen('front', 'granny')), wrong('another-knot', 'something else')]),
    point('path', 'Are both tails on the same side of the knot?', 'Follow each standing part through to its tail.', 'tails on one side', seen('front', 'right', 'dressed'), [wrong('thief', 'tails on opposite sides', seen('front', 'thief', 'dressed'))]),
    point('back', 'Turn it over. The same again?', 'Two bights through each other, side by side at either end.', 'the same', seen('back'), [wrong('granny', 'the legs leave crosswise', seen('back', 'granny'))], { source: 'general' }),
    tailPoint('Both tails.'),
    setPoint('front', 'both pairs'),
    otherwisePoint('It may never be the only thing that holds.'),
  ],
  faults: [
    { ...faulty('granny', 'granny', 'the second half was tied the same way as the first', 'the legs leave crosswise', 'take-out-and-retie', 'Take out the second half and tie it the other way.', 'general'), does: [pulled('through', 'avoid', 'tied so', 'never a bend for a life load, this one less than the square knot', 'general')] },
    { ...faulty('thief', 'thief', 'tied with the wrong ends', 'the tails lie on opposite sides', 'take-out-and-retie', 'Take it out and tie it with both tails on the same side.', 'general'), does: [pulled('through', 'avoid', 'tied so', 'never a bend for a life load, this one less than the square knot', 'general')] },
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  for_a_life: { only: 'never', text: 'never a bend for a life load', source: 'practice' },
  recognised: { by: 'anyone', text: 'everybody knows it; granny and thief look alike', source: 'practice' },
  cautions: [practice('never a bend for a life load'), practice('only where it is not the only thing holding, as in an improvised seat of webbing')],
  good_for: [general('lies flat')],
  form_certainty: 'settled',
  form_text: 'a flat diagram of two bights; agrees with an independent figure, and granny and thief with theirs',
  ways: [
    { id: 'right-over-left', name: 'Right over left, left over right', right: true, ends_in: null },
    { id: 'granny', name: 'Wrong: back in over, not under', right: false, ends_in: { fault: 'granny' } },
    { id: 'thief', name: 'Wrong: ends on opposite sides', right: false, ends_in: { fault: 'thief' } },
  ],
} as const satisfies KnotEntry;
