import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'double-figure-eight-loop',
  names: ['Double figure-eight loop', 'two-eared eight', 'two-ear loop'],
  family: 'two-eyes',
  purposes: ['two-eyes'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'a long bight, and two objects that can be clipped or put over', source: 'general' },
  pulls: [
    pulled('standing-eye', 'made', 'both ears loaded, dressed and set', 'it was made for this pull', 'general'),
    pulled('tail-eye', 'ok', 'set', 'the tail carries like the standing part', 'general'),
    pulled('ring', 'avoid', 'one ear pulled against the other', 'an ear can draw rope from the other', 'general'),
  ],
  untying: [undone('ordinary-load', 3, 3, 'taken as for the eight on a bight', 'general'), undone('after-hard-falls', 3, 5, 'not known from trials', 'general')],
  set: general('standing part, tail, and both legs of each ear'),
  adjust: practice('rope goes from one ear to the other before it is set'),
  loosens: general('keeps its form once set'),
  keeps_when_idle: true,
  look_again: practice('after the ears were adjusted: their size, and the fold'),
  front_because: 'the face on which the fold lies across the knot',
  faces: [
    { face: 'front', shows: 'an eight in pairs with the fold of the first loop across its head; two ears below', source: 'general' },
    { face: 'back', shows: 'the pairs of the eight again, the tip of the fold behind the strands', source: 'general' },
  ],
  check_points: [
    point('name', 'Two ears, and the first loop folded over the whole of the knot?', 'Pull an ear by itself: it must not run.', 'two ears, folded over', seen('front'), [wrong('fold-missed', 'the fold is missing: a slipped eight'), wrong('another-knot', 'something else')]),
    point('front', 'Front: pairs side by side, the fold across?', 'Two strands at each place; the fold lies over the head.', 'pairs, and the fold', seen('front'), [wrong('pair-crossed', 'a strand crosses its partner')]),
    point('back', 'Turn it over. Pairs again, ears not crossed?', 'The ears leave side by side.', 'ears side by side', seen('back'), [wrong('ears-crossed', 'one ear lies across the other')]),
    point('eye', 'Are the two ears about equal, or as they were meant?', 'A difference that nobody meant loads one leg only.', 'about equal', seen('front'), [wrong('ears-unequal', 'very unequal')]),
    tailPoint(),
    setPoint('front', 'standing part, tail and both legs of each ear'),
    otherwisePoint('If one point fails, the other ear takes the whole load: ask how far it drops and which way it then pulls.', 'general'),
  ],
  faults: [
    faulty('fold-missed', 'fold missed', 'the first loop was not folded over the whole', 'a slipped eight: an ear can run', 'take-out-and-retie', 'Take it out; fold the first loop over everything.'),
    faulty('ears-crossed', 'ears crossed', 'the ears were taken crosswise', 'one ear lies across the other', 'put-right', 'Uncross the ears, dress and set it again.'),
    faulty('ears-unequal', 'ears very unequal', 'not adjusted before it was set', 'one ear is much longer', 'put-right', 'Let rope go from one ear to the other; dress and set it again.'),
    faulty('pair-crossed', 'pair crossed inside', 'the bight turned over while it was led', 'a strand lies across its partner', 'put-right', 'Lay the strands parallel; set it again.', 'general'),
    LOOSE, TAIL_SHORT, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'double-figure-eight-loop',
  recognised: { by: 'trained', text: 'an eight with two ears and a fold across it', source: 'general' },
  cautions: [practice('which ear is inner and which outer depends on a half turn of the bight’s tip: either is right')],
  good_for: [practice('the ears can be adjusted against each other')],
  form_certainty: 'settled',
  form_text: 'a flat eight doubled by offset, its bight’s tip folded over the head; agrees with an independent figure at either ear',
  ways: [{ id: 'doubled-part', name: 'A doubled part drawn through, the tip folded over', right: true, ends_in: null }],
} as const satisfies KnotEntry;
