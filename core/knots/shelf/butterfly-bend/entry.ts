import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'butterfly-bend',
  names: ['Butterfly bend', 'straight bend'],
  family: 'bend',
  purposes: ['join'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'an end of each rope', source: 'general' },
  pulls: [
    pulled('through', 'made', 'standing part to standing part, set', 'it was made for this pull'),
    pulled('cross', 'avoid', 'a standing part against a tail', 'not known from trials', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 2, 'bend the wings back'), undone('after-hard-falls', 2, 3, 'not known from trials', 'general')],
  set: general('both standing parts, then both tails'),
  adjust: general('feed rope through from either side; dress, set and look at both faces again'),
  loosens: general('keeps its form once set'),
  keeps_when_idle: true,
  look_again: practice('after it was moved: both faces'),
  front_because: 'the same face as that of the butterfly, whose form it is with two tails in place of the eye',
  faces: [
    { face: 'front', shows: 'as the butterfly: a wing on each side, the two tails leave together below', source: 'general' },
    { face: 'back', shows: 'two strands parallel across, the tails leave together', source: 'general' },
  ],
  check_points: [
    point('name', 'A butterfly with two tails in place of the eye?', 'A wing of either rope, both tails out together between them.', 'two wings, tails together', seen('front'), [wrong('false-butterfly', 'as in a false butterfly', seen('front', 'false-butterfly')), wrong('another-knot', 'something else')]),
    point('back', 'Turn it over. Does each tail go round the other rope and down inside its partner?', 'The two trap each other. A cross where a true one has none means the false form.', 'they trap each other', seen('back'), [wrong('false-butterfly', 'a tail goes straight down outside', seen('back', 'false-butterfly'))]),
    point('path', 'Follow each rope to its tail.', 'Round, under, and out between the wings beside the other tail.', 'both out together', seen('front', 'right', 'dressed'), [wrong('false-butterfly', 'one goes straight down outside', seen('front', 'false-butterfly', 'dressed'))]),
    tailPoint('Both tails.'),
    setPoint('front', 'both standing parts and both tails'),
    otherwisePoint('Only the two standing parts may ever be pulled apart.', 'general'),
  ],
  faults: [
    { ...faulty('false-butterfly', 'false form', 'the second half was turned the other way', 'a cross on one face where a true one has none; a tail goes straight down outside', 'take-out-and-retie', 'Do not load it. Take it out and tie it again.', 'general'), does: [pulled('through', 'avoid', 'tied so', 'not the joint it looks like; what it does is not known: take it out', 'general')] },
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'butterfly-bend',
  recognised: { by: 'trained', text: 'both faces must be seen, as with the butterfly', source: 'general' },
  cautions: [general('the false form looks alike: look at both faces')],
  good_for: [practice('easy to undo')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: the butterfly of the twist and that wound on the hand, each cut at its eye; each rope alone is a trefoil, of opposite hands',
  ways: [],
} as const satisfies KnotEntry;
