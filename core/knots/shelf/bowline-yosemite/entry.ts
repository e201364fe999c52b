import { ANOTHER_KNOT, EYE_TOO_LARGE, LOOSE, otherEndLoaded, STOPPER_GAP, STOPPER_MISSING, STOPPER_POINT, TAIL_SHORT, otherwisePoint, setPoint, tailPoint } from '../../facts/common-faults';
import { lookalike, point, seen, wrong, pulled } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'bowline-yosemite',
  names: ['Bowline with the Yosemite finish', 'Yosemite bowline', 'finished bowline'],
  family: 'end-loop',
  purposes: ['end-loop'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end', source: 'general' },
  pulls: [
    { pull: 'standing-eye', grade: 'ok', condition: 'with a stopper on the tail, and never with a small eye', what_happens: 'it was made for this pull; the double bowline is advised in its place', source: 'practice' },
    { pull: 'tail-eye', grade: 'fails', condition: 'always', what_happens: 'the tail is held by the finish alone', source: 'general' },
    { pull: 'ring', grade: 'fails', condition: 'always', what_happens: 'taken as for the bowline: pulls out', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 1, most: 2, text: 'undo the finish, then push the collar back', source: 'general' },
    { condition: 'after-hard-falls', least: 1, most: 2, text: 'undo the finish, then push the collar back', source: 'general' },
  ],
  set: { text: 'the bowline snug first; then the tail', source: 'practice' },
  adjust: { text: 'draw the eye to size in the bowline before the finish', source: 'general' },
  look_again: { text: 'after every idle time: the bowline in it loosens', source: 'practice' },
  loosens: { text: 'the bowline in it loosens when idle', source: 'general' },
  front_because: 'the face on which the nipping loop lies in front of the strands that pass through it, as on the other bowlines',
  faces: [
    { face: 'front', shows: 'looks like the double bowline', source: 'practice' },
    { face: 'back', shows: 'one nipping loop, and the tail going up beside the standing part: this tells it from the double bowline', source: 'practice' },
  ],
  check_points: [
    point('name', 'Which bowline is it: does the tail go up beside the standing part?', 'From the front it looks like the double bowline: turn it over.', 'tail up beside the standing part', seen('front'), [wrong('another-knot', 'two nipping turns: the double bowline', lookalike('double-bowline', 'front'))]),
    point('back', 'Turn it over. One nipping loop, the tail up under the collar?', 'This tells it from the double bowline.', 'one loop, tail under the collar', seen('back'), [wrong('finished-loose', 'the knot has changed form'), wrong('another-knot', 'two loops: the double bowline', lookalike('double-bowline', 'back'))], { count: { of: 'nipping loops', is: 'one' } }),
    point('eye', 'Is the clip in the eye, not in the little loop of the finish?', 'With a small eye the finish leaves a second little loop, held by the tail alone.', 'in the eye', seen('front'), [wrong('false-eye-clipped', 'in the loop that the tail holds', seen('front', 'false-eye-clipped')), wrong('eye-too-large', 'the eye is too large', seen('front', 'eye-too-large'))]),
    STOPPER_POINT,
    tailPoint(),
    setPoint('front', 'the bowline first, then the tail'),
    otherwisePoint('The eye pulled apart, or the tail against the eye, pulls it out.', 'general'),
  ],
  faults: [
    { id: 'false-eye-clipped', name: 'clipped into the tail loop', arises: 'the eye was tied small and the little loop of the finish was taken for it', shows: 'the clip hangs in a loop that the tail alone holds', verdict: 'take-out-and-retie', what_to_do: 'Unload, unclip, take it out; tie the double bowline instead.', source: 'practice', does: [pulled('standing-eye', 'fails', 'tied so', 'the little loop is held by the tail alone: the tail pulls out', 'practice')] },
    { id: 'finished-loose', name: 'finished before the bowline was snug', arises: 'the tail was led round while the bowline was loose', shows: 'the knot has changed form', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again, the bowline snug first.', source: 'practice' },
    EYE_TOO_LARGE, LOOSE, TAIL_SHORT, STOPPER_MISSING, STOPPER_GAP, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'bowline-yosemite',
  for_a_life: { only: 'with-stopper', text: 'if the finish is used at all, always a stopper on the tail and never a small eye', source: 'practice' },
  recognised: { by: 'trained', text: 'from the front it looks like the double bowline; only the back tells', source: 'practice' },
  cautions: [
    { text: 'advised: do not use the finish; if it is used, always a stopper and never a small eye', source: 'practice' },
    { text: 'with a small eye the finish leaves a second little loop that has been mistaken for the eye; the tail then pulls out', source: 'practice' },
  ],
  good_for: [{ text: 'the tail lies out of the way beside the standing part', source: 'general' }],
  form_certainty: 'unsettled',
  form_text: 'one derivation: the tail round the leg of the eye as in an eight, then up beside the standing part. Other hands may lead the tail round the leg the other way; which is meant is not settled',
  ways: [{ id: 'round-the-leg', name: 'Bowline, then round the leg and up', right: true, ends_in: null }],
} as const satisfies KnotEntry;
