import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { point, seen, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'butterfly-rewoven',
  names: ['Butterfly, rewoven through a ring', 'rewoven butterfly', 'rethreaded butterfly'],
  family: 'end-loop',
  purposes: ['end-loop', 'hitch-object'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end; the object may be a closed ring', source: 'practice' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'set', what_happens: 'it was made for this pull', source: 'general' },
    { pull: 'tail-eye', grade: 'made', condition: 'set', what_happens: 'it was made for this pull', source: 'general' },
    { pull: 'through', grade: 'made', condition: 'set', what_happens: 'the line carries past the idle eye', source: 'general' },
    { pull: 'all', grade: 'made', condition: 'set', what_happens: 'all three at once', source: 'general' },
    { pull: 'ring', grade: 'ok', condition: 'where it cannot be avoided', what_happens: 'turns partly inside out into a mirrored form and stops there', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 2, most: 2, text: 'bend the wings back', source: 'general' },
    { condition: 'after-hard-falls', least: 2, most: 3, text: 'bend the wings back', source: 'general' },
  ],
  set: { text: 'both rope ends, then the legs of the eye', source: 'general' },
  adjust: { text: 'feed rope through, as in a butterfly in place; dress, set and look at both faces again', source: 'practice' },
  look_again: { text: 'before load goes over to it, and after it was moved', source: 'practice' },
  loosens: { text: 'keeps its form once set', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the same face as that of the butterfly, whose finished form it is',
  faces: [
    { face: 'front', shows: 'as the butterfly: a wing on each side; between them two crossings, one above the other, and the two legs of the eye side by side', source: 'general' },
    { face: 'back', shows: 'as the butterfly: the two legs of the eye enter together, nothing between them', source: 'practice' },
  ],
  check_points: [
    point('name', 'Is it a butterfly, on both faces, its eye through the ring?', 'Compare it with a butterfly.', 'a butterfly through the ring', seen('front'), [wrong('overhand-turned', 'no butterfly: the overhand was turned round'), wrong('another-knot', 'begun from an eight, or something else')]),
    point('back', 'Turn it over. Do both legs of the eye enter together, nothing between them?', 'At the small nip beside the standing part.', 'together', seen('back'), [wrong('strand-between-legs', 'a strand lies between them')]),
    point('path', 'At the big hole, did the end do the opposite of the standing part, and is the last loop closed?', 'Where the standing part comes out the end goes in.', 'opposite, loop closed', seen('front', 'right', 'dressed'), [wrong('loop-open', 'the last loop lies open'), wrong('overhand-turned', 'both go the same way')]),
    tailPoint(),
    setPoint('front', 'both rope ends, then the legs of the eye'),
    otherwisePoint('As for the butterfly.', 'general'),
  ],
  faults: [
    { id: 'overhand-turned', name: 'overhand turned round', arises: 'the bow of the overhand was laid along the returning end instead of its straight side', shows: 'the finished form is no butterfly', verdict: 'take-out-and-retie', what_to_do: 'Take it out; lay the straight side along the returning end.', source: 'practice' },
    { id: 'strand-between-legs', name: 'a strand between the legs', arises: 'the end went into the nip beside the wrong strand', shows: 'the two legs of the eye do not enter together', verdict: 'take-out-and-retie', what_to_do: 'Take the end back to the ring and begin the second part again.', source: 'practice' },
    { id: 'loop-open', name: 'loop left open', arises: 'the new loop was not closed before the end was drawn through', shows: 'the last loop lies open', verdict: 'take-out-and-retie', what_to_do: 'Twist it the way it folds naturally and draw the end through again.', source: 'practice' },
    OTHER_ENDS_LOADED, LOOSE, TAIL_SHORT, ANOTHER_KNOT,
  ],
  tail_rule_key: 'butterfly-rewoven',
  recognised: { by: 'trained', text: 'to be compared with a butterfly on both faces', source: 'general' },
  cautions: [{ text: 'start from an overhand, not from an eight', source: 'practice' }],
  good_for: [{ text: 'a butterfly where the eye must go through a closed ring', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'the finished form of the butterfly, its eye through a closed ring',
  ways: [{ id: 'overhand', name: 'Overhand, ring, and back in', right: true, ends_in: null }],
} as const satisfies KnotEntry;
