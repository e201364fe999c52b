import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'triple-fishermans',
  names: ['Triple fisherman’s', 'triple overhand bend'],
  family: 'bend',
  purposes: ['join', 'cord-loop'],
  usual_for: ['cord-loop'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'an end of each rope, equal diameters preferred', source: 'practice' },
  pulls: [
    pulled('through', 'made', 'standing part to standing part, coils nested, tails long enough', 'it was made for this pull', 'general'),
    pulled('cross', 'avoid', 'a standing part pulled against its own tail', 'not what it was made for', 'general'),
  ],
  untying: [undone('ordinary-load', 5, 5, 'sets hard: tools or a knife', 'general'), undone('after-hard-falls', 5, 5, 'tools or a knife', 'general')],
  set: practice('each coil on its own tail, then both standing parts, so that the coils slide together and nest'),
  adjust: general('each coil slides along the other rope before it is set; measure both tails again'),
  loosens: general('keeps its form once set hard'),
  keeps_when_idle: true,
  look_again: general('a cord loop: before every use; tails may creep'),
  front_because: 'the face on which three wraps of each rope lie beside each other',
  faces: [
    { face: 'front', shows: 'three wraps of each rope, side by side, the two coils nested; a tail leaves at either end', source: 'general' },
    { face: 'back', shows: 'the wraps again, slanting; where each rope goes from its core into its first wrap it lies across', source: 'general' },
  ],
  check_points: [
    point('name', 'Two coils that face each other, a tail out at either end?', 'Each rope winds round the other and itself.', 'two coils, nested', seen('front'), [wrong('coils-opposite', 'the coils do not nest', seen('front', 'coils-opposite')), wrong('another-knot', 'something else')]),
    point('count', 'Are there three wraps in each coil?', 'Count them on the front: first the one rope’s, then the other’s.', 'three and three', seen('front'), [wrong('one-wrap-short', 'one coil has a wrap less', seen('front', 'one-wrap-short'))], { count: { of: 'wraps in each coil', is: 'three' } }),
    point('back', 'Turn it over. Do the coils lie against each other, both slanting alike?', 'Coils of one hand bed into each other; where one is wound the other way they stand apart and its cross shows on the wrong face.', 'nested, slanting alike', seen('back'), [wrong('coils-opposite', 'a cross on the wrong face', seen('back', 'coils-opposite'))]),
    point('path', 'Does each end leave through its own coil?', 'In beside the other rope, round, and out inside its own wraps.', 'through its own coil', seen('front', 'right', 'dressed'), [wrong('not-tucked', 'an end is under one wrap only')]),
    tailPoint('Both tails, each from where it leaves its coil.'),
    setPoint('front', 'both tails and both standing parts'),
    otherwisePoint('Only the two standing parts may ever be pulled apart.', 'general'),
  ],
  faults: [
    faulty('coils-opposite', 'coils facing the wrong way', 'one end was wound the other way round', 'the coils do not nest; an X shows on the wrong face', 'take-out-and-retie', 'Take one coil out and wind it the other way round.'),
    faulty('one-wrap-short', 'one wrap short', 'an end went through after a turn too few', 'one coil has a wrap less than the other', 'take-out-and-retie', 'Take that end out and wind it once more.'),
    faulty('not-tucked', 'end under one wrap only', 'the end came out between the wraps', 'the tail leaves the middle of its coil', 'take-out-and-retie', 'Lead the end through all of its own wraps.', 'general'),
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'triple-fishermans',
  recognised: { by: 'anyone', text: 'two coils whose wraps can be counted', source: 'general' },
  cautions: [practice('sets so hard that it may have to be cut'), practice('equal diameters are preferred'), practice('in trials with joined 11 mm ropes it stuck in both sizes of eight')],
  good_for: [practice('secure: the usual joint for loops of cord')],
  form_certainty: 'settled',
  form_text: 'two wound coils of one hand, laid apart on one axis and slid together; agrees with an independent figure, and each rope alone is the knot it must be',
  ways: [
    { id: 'coils', name: 'Three turns each, against each other', right: true, ends_in: null },
  ],
} as const satisfies KnotEntry;
