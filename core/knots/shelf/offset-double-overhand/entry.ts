import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, lookalike, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'offset-double-overhand',
  names: ['Offset double overhand', 'double flat overhand', 'two-turn offset bend'],
  family: 'bend',
  purposes: ['join-to-retrieve', 'join-to-pass'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'an end of each rope, laid together', source: 'practice' },
  pulls: [
    pulled('through', 'made', 'strands tidy, every strand set, tails long', 'one more wrap than the offset overhand; slides over edges', 'general'),
    pulled('cross', 'avoid', 'a standing part against a tail', 'not what it was made for', 'general'),
  ],
  untying: [undone('ordinary-load', 3, 4, 'not known from trials; taken as firmer than the offset overhand', 'general'), undone('after-hard-falls', 3, 5, 'not known from trials', 'general')],
  set: practice('all four strands, one by one'),
  adjust: general('work it along both strands before it is set'),
  loosens: general('keeps its form once set'),
  keeps_when_idle: true,
  look_again: practice('before every descent: strands tidy, tails long'),
  front_because: 'the face on which the wraps of both ropes can be counted in turn',
  faces: [
    { face: 'front', shows: 'two wraps of the pair: four strands side by side, the ropes in turn; the standing parts leave up and down, the tails together to the side', source: 'general' },
    { face: 'back', shows: 'the wraps again, slanting, and the pair crossing over from the standing side', source: 'general' },
  ],
  check_points: [
    point('name', 'Both ropes together, both tails on the same side?', 'The standing parts part; the tails stay together.', 'tails together', seen('front'), [wrong('another-knot', 'something else')]),
    point('count', 'Are there two wraps of the pair?', 'Four strands beside each other, the ropes in turn.', 'two wraps, four strands', seen('front'), [wrong('one-wrap-short', 'one wrap: an offset overhand', lookalike('offset-overhand', 'front'))], { count: { of: 'wraps of the pair', is: 'two' } }),
    point('back', 'Turn it over. Do the wraps lie side by side?', 'None crosses another.', 'side by side', seen('back'), [wrong('strands-crossed', 'wraps cross')]),
    tailPoint('Both tails, each from where it leaves the knot.'),
    setPoint('front', 'all four strands'),
    otherwisePoint('It is a joint to be pulled down or handed over a large eight. Not for ropes that differ much.', 'general'),
  ],
  faults: [
    { ...faulty('one-wrap-short', 'one wrap short', 'the ends went through once', 'it is an offset overhand', 'put-right', 'Take the ends round and through once more; set all four strands.', 'general'), made: { by: 'knot', knot: 'offset-overhand' } },
    faulty('strands-crossed', 'wraps crossed', 'the ropes crossed while they were laid', 'a strand lies across another', 'put-right', 'Lay the pair in order along the whole way; set it again.', 'general'),
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'offset-double-overhand',
  recognised: { by: 'trained', text: 'two wraps of a pair, tails on one side', source: 'general' },
  cautions: [practice('in trials with joined 11 mm ropes it stuck in a standard eight and passed a large rescue eight easily')],
  good_for: [practice('slides over edges'), practice('passes the large rescue eight well')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: a barrel of two strands wound round its own core, and a flat double overhand doubled by offset',
  ways: [{ id: 'both-together', name: 'Both ends together, two turns', right: true, ends_in: null }],
} as const satisfies KnotEntry;
