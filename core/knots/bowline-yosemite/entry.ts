import { ANOTHER_KNOT, EYE_TOO_LARGE, LOOSE, STOPPER_GAP, STOPPER_MISSING, TAIL_SHORT } from '../common-faults';
import type { KnotEntry } from '../types';

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
  loosens: { text: 'the bowline in it loosens when idle', source: 'general' },
  front_because: 'the face on which the nipping loop lies in front of the strands that pass through it, as on the other bowlines',
  faces: [
    { face: 'front', shows: 'looks like the double bowline', source: 'practice' },
    { face: 'back', shows: 'one nipping loop, and the tail going up beside the standing part: this tells it from the double bowline', source: 'practice' },
  ],
  check_points: [],
  faults: [
    { id: 'false-eye-clipped', name: 'clipped into the tail loop', arises: 'the eye was tied small and the little loop of the finish was taken for it', shows: 'the clip hangs in a loop that the tail alone holds', verdict: 'take-out-and-retie', what_to_do: 'Unload, unclip, take it out; tie the double bowline instead.', source: 'practice' },
    { id: 'finished-loose', name: 'finished before the bowline was snug', arises: 'the tail was led round while the bowline was loose', shows: 'the knot has changed form', verdict: 'take-out-and-retie', what_to_do: 'Take it out and tie it again, the bowline snug first.', source: 'practice' },
    EYE_TOO_LARGE, LOOSE, TAIL_SHORT, STOPPER_MISSING, STOPPER_GAP, ANOTHER_KNOT,
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
  ways: [],
} as const satisfies KnotEntry;
