import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint } from '../../facts/common-faults';
import { point, seen, wrong, pulled } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'alpine-butterfly',
  names: ['Alpine butterfly', 'butterfly', 'butterfly loop', 'butterfly knot', 'lineman’s loop'],
  family: 'midline',
  purposes: ['midline', 'isolate-damage', 'handle'],
  usual_for: ['midline'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'neither end; an object that can be clipped or put over', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'set', what_happens: 'it was made for this pull', source: 'practice' },
    { pull: 'tail-eye', grade: 'made', condition: 'set', what_happens: 'it was made for this pull', source: 'practice' },
    { pull: 'through', grade: 'made', condition: 'set', what_happens: 'the line carries past the idle eye', source: 'practice' },
    { pull: 'all', grade: 'made', condition: 'set', what_happens: 'all three at once', source: 'practice' },
    { pull: 'ring', grade: 'ok', condition: 'where it cannot be avoided', what_happens: 'turns partly inside out into a mirrored form and stops there', source: 'practice' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 2, most: 2, text: 'bend the wings back; also in thin slippery high-modulus cord', source: 'practice' },
    { condition: 'after-hard-falls', least: 2, most: 3, text: 'bend the wings back', source: 'general' },
  ],
  set: { text: 'both rope ends, then the eye', source: 'general' },
  adjust: { text: 'two-wrap: draw the eye to size before the tuck; three-wrap: lengthen the fingertip turn; in place: feed rope through, and dress, set and look at both faces again', source: 'practice' },
  look_again: { text: 'before load goes over to it, and after it was moved or the load went to the other rope', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'laid out by the twist, the face from which the far loop was folded away behind: the two crossings of the twist are seen from the side from which they were made',
  faces: [
    { face: 'front', shows: 'laid: a wing on each side; between them the two crossings of the twist, one above the other, and the two legs of the eye side by side; set: a wing on each side, one strand lies across from wing to wing, over the two legs of the eye', source: 'general' },
    { face: 'back', shows: 'laid: the same from behind, the two legs of the eye side by side; set: two strands lie parallel across, one below the other, over the legs', source: 'general' },
  ],
  check_points: [
    otherwisePoint('Look before load goes over to it, with nothing hanging on it. Asking the one who tied it is no check.'),
    point('name', 'A wing on each side, one eye between them?', 'Rope in on one side, out on the other.', 'two wings, one eye', seen('front'), [wrong('false-butterfly', 'a false butterfly', seen('front', 'false-butterfly')), wrong('eye-pulled-through', 'no eye'), wrong('another-knot', 'something else')]),
    point('front', 'Front: does one strand lie across, from wing to wing, over the two legs?', 'The two strands that lie parallel are on the other face.', 'one strand across', seen('front'), [wrong('false-butterfly', 'it only looks nearly parallel', seen('front', 'false-butterfly'))]),
    point('back', 'Turn it over. Two strands parallel across, no cross?', 'A cross where a true one has none means the false form.', 'parallel, no cross', seen('back'), [wrong('false-butterfly', 'a cross', seen('back', 'false-butterfly'))], { count: { of: 'strands across', is: 'two, parallel' } }),
    point('path', 'Follow a strand that leaves the eye. Does it go round the line and down inside its partner?', 'The two trap each other. Straight down on the outside means the eye can pull through.', 'inside its partner', seen('back', 'right', 'dressed'), [wrong('false-butterfly', 'straight down outside', seen('back', 'false-butterfly', 'dressed'))]),
    point('eye', 'Is the eye where it was, and whole? Where it isolates damage: is that still in it?', 'Pull at the eye: it may not run.', 'whole', seen('front'), [wrong('eye-pulled-through', 'drawn back, or a slip knot in its place')]),
    setPoint('front', 'both rope ends, then the eye'),
  ],
  faults: [
    { id: 'false-butterfly', name: 'false butterfly', arises: 'the second twist was made the other way', shows: 'one face only looks nearly parallel, the other shows a cross where a true one has none; the strand from the eye goes straight down outside its partner', verdict: 'take-out-and-retie', what_to_do: 'Do not load it: the eye can pull through. If in doubt tie a new butterfly, using the eye and body of the old one as its eye, so that the doubtful knot carries nothing.', source: 'practice', does: [pulled('through', 'fails', 'tied so', 'the eye can pull through: a slip knot along the main line at about two persons’ load', 'practice')] },
    { id: 'eye-pulled-through', name: 'eye pulled back through', arises: 'the eye was drawn back while the knot was moved', shows: 'no eye, or a slip knot in its place', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again.', source: 'practice' },
    LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'the false one looks alike in passing, even from the rope: both faces must be seen', source: 'practice' },
  cautions: [
    { text: 'look at both faces: a false butterfly can pull through at about two persons’ load along the line', source: 'practice' },
    { text: 'as a handle: never turn a hauled rope round the hand', source: 'practice' },
  ],
  good_for: [
    { text: 'carries along the line and from the eye, all three ways at once', source: 'practice' },
    { text: 'isolates a damaged section in its eye', source: 'practice' },
  ],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions, the twist and the winding on the hand, agree; the false one is the twist with its second half twist the other way and nothing else',
  ways: [
    { id: 'two-wrap', name: 'Two turns on the hand', right: true, ends_in: null },
    { id: 'three-wrap', name: 'Three turns on the hand', right: true, ends_in: null },
    { id: 'lay', name: 'Laid on the palm', right: true, ends_in: null },
    { id: 'twist', name: 'Twisted twice, folded round the back', right: true, ends_in: null },
    { id: 'twist-back', name: 'Wrong: the second twist the other way', right: false, ends_in: { fault: 'false-butterfly' } },
  ],
} as const satisfies KnotEntry;
