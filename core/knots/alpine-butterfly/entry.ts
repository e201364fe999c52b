import { ANOTHER_KNOT, LOOSE } from '../common-faults';
import type { KnotEntry } from '../types';

export const entry = {
  id: 'alpine-butterfly',
  names: ['Alpine butterfly', 'butterfly', 'butterfly loop', 'butterfly knot', 'lineman’s loop'],
  family: 'midline',
  purposes: ['midline', 'isolate-damage', 'handle'],
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
  loosens: { text: 'keeps its form once set', source: 'general' },
  front_because: 'laid out by the twist, the face from which the far loop was folded away behind: the two crossings of the twist are seen from the side from which they were made',
  faces: [
    { face: 'front', shows: 'laid: a wing on each side; between them the two crossings of the twist, one above the other, and the two legs of the eye side by side; set: a wing on each side, one strand lies across from wing to wing, over the two legs of the eye', source: 'general' },
    { face: 'back', shows: 'laid: the same from behind, the two legs of the eye side by side; set: two strands lie parallel across, one below the other, over the legs', source: 'general' },
  ],
  check_points: [],
  faults: [
    { id: 'false-butterfly', name: 'false butterfly', arises: 'the second twist was made the other way', shows: 'one face only looks nearly parallel, the other shows a cross where a true one has none; the strand from the eye goes straight down outside its partner', verdict: 'take-out-and-retie', what_to_do: 'Do not load it: the eye can pull through. If in doubt tie a new butterfly, using the eye and body of the old one as its eye, so that the doubtful knot carries nothing.', source: 'practice' },
    { id: 'eye-pulled-through', name: 'eye pulled back through', arises: 'the eye was drawn back while the knot was moved', shows: 'no eye, or a slip knot in its place', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again.', source: 'practice' },
    LOOSE, ANOTHER_KNOT,
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
  ways: [],
} as const satisfies KnotEntry;
