import { ANOTHER_KNOT, CORD_TOO_THICK, CORD_TOO_THIN, CROSSED_WRAPS, DEVICE_CAN_REACH, DEVICE_REACHES, GATE_POINT, GATE_UNLOCKED, JOINT_IN_WRAPS, JOINT_ON_CLIP, JOINT_POINT, LOOSE, ONE_WRAP_SHORT, otherwisePoint, SLIDES_POINT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'autoblock',
  names: ['Autoblock', 'autoblock hitch'],
  family: 'friction',
  usual_wraps: 3,
  purposes: ['friction', 'releasable'],
  needs: { free_end: false, thicknesses_through_object: 0, text: 'a closed loop of cord, thinner than the rope', source: 'practice' },
  pulls: [
    pulled('down', 'ok', 'below a descender, backed up by a hand', 'it grips weakly'),
    pulled('up', 'ok', 'weakly, both ways', 'not for climbing, not for escaping a belay'),
  ],
  untying: [undone('ordinary-load', 1, 1, 'unclip and unwrap', 'general'), undone('under-load', 1, 2, 'easily: pinch the top and push')],
  set: practice('wraps side by side, both ends in one clip'),
  adjust: practice('pinch the top and push'),
  loosens: general('loosens when it is not loaded'),
  look_again: practice('every time before it is trusted: slides, bites, holds body weight'),
  front_because: 'the face on which both ends come down to the clip',
  faces: [
    { face: 'front', shows: 'pairs of wraps, both bights led down to one clip', source: 'practice' },
    { face: 'back', shows: 'three turns of the pair, side by side', source: 'practice' },
  ],
  check_points: [
    point('name', 'Are both bights in the clip?', 'Two bights, four strands, one clip.', 'both in the clip', seen('front'), [wrong('one-bight-clipped', 'one bight only'), wrong('another-knot', 'something else')], { count: { of: 'bights in the clip', is: 'two' } }),
    point('wraps', 'Turns side by side, none crossing?', 'Count them behind.', 'side by side', seen('back'), [wrong('crossed-wraps', 'a wrap crosses another'), wrong('one-wrap-short', 'too few'), wrong('loose', 'wraps stand apart')], { count: { of: 'turns of the pair', is: 'three or more' } }),
    JOINT_POINT,
    GATE_POINT,
    SLIDES_POINT,
    otherwisePoint('Security must not hang on it alone. Can the device run into it?', 'practice', DEVICE_CAN_REACH),
  ],
  faults: [
    faulty('one-bight-clipped', 'one bight clipped', 'the other was forgotten', 'a bight hangs free', 'take-out-and-retie', 'Clip both bights.'),
    faulty('other-ends-loaded', 'used where security is needed', 'taken for a prusik', 'it grips weakly', 'take-out-and-retie', 'Take a prusik or another hitch that holds.'),
    CROSSED_WRAPS, ONE_WRAP_SHORT, JOINT_IN_WRAPS, { ...JOINT_ON_CLIP, arises: 'the joint was left at an end of the loop, where it is clipped', what_to_do: 'Take it off, move the joint to a leg beside the wraps, and wrap it again.' }, CORD_TOO_THICK, CORD_TOO_THIN, DEVICE_REACHES, GATE_UNLOCKED, LOOSE, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'anyone', text: 'wraps, and both ends in one clip', source: 'general' },
  cautions: [practice('best under a descender, not for climbing or escaping a belay'), practice('grips weakly')],
  good_for: [practice('released easily while loaded: pinch the top and push')],
  form_certainty: 'settled',
  form_text: 'a pair of strands wound round the host, both bights in one ring; sling, ring and host together agree with an independent figure, for three and four turns',
  ways: [],
} as const satisfies KnotEntry;
