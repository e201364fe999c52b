import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'half-hitches',
  names: ['Two half hitches', 'half hitches'],
  family: 'hitch',
  purposes: ['hitch-object'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end, behind something that already holds', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'avoid', 'as the only thing that holds', 'they can shake out to a single half hitch: security behind something else only'),
    pulled('tail-eye', 'fails', 'tail pulled against the eye', 'they run', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 2, 'push them apart', 'general'), undone('after-hard-falls', 2, 4, 'not known from trials', 'general')],
  set: general('the tail, each hitch against the next'),
  adjust: general('slide along the standing part'),
  loosens: general('shake loose when they are not loaded'),
  look_again: general('after every idle time'),
  front_because: 'the face on which the strand from the first hitch to the second crosses over',
  faces: [
    { face: 'front', shows: 'two turns round the standing part, one strand across between them, the tail out at the side away from the object', source: 'general' },
    { face: 'back', shows: 'two turns, one above the other', source: 'general' },
  ],
  check_points: [
    point('name', 'Two turns round the standing part, made away from the object, both the same way?', 'One strand crosses between them.', 'two, the same way', seen('front'), [wrong('another-knot', 'one only'), wrong('mirrored-loops', 'the second the other way round')], { count: { of: 'half hitches', is: 'two, or three' } }),
    point('back', 'Turn it over. Two turns, one above the other?', 'Nothing crosses behind.', 'two turns', seen('back'), [wrong('another-knot', 'something else')]),
    tailPoint(),
    setPoint('front', 'the tail'),
    otherwisePoint('They are security behind something else, never the hold itself.'),
  ],
  faults: [
    faulty('mirrored-loops', 'second hitch the other way round', 'the end went round the other way', 'a cow hitch round the standing part', 'put-right', 'Make the second hitch the same way as the first.', 'general'),
    LOOSE, TAIL_SHORT, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  for_a_life: { only: 'never', text: 'only security behind something else', source: 'practice' },
  recognised: { by: 'anyone', text: 'everyone knows them', source: 'general' },
  cautions: [practice('security behind something else; a buntline worked the wrong way is nothing but these')],
  good_for: [general('quickly made')],
  form_certainty: 'settled',
  form_text: 'a wound form round the standing part, behind a turn on a post; agrees with an independent figure',
  ways: [{ id: 'round-the-standing-part', name: 'Round the standing part, twice', right: true, ends_in: null }],
} as const satisfies KnotEntry;
