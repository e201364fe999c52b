import { ANOTHER_KNOT, CORD_TOO_THICK, CORD_TOO_THIN, CROSSED_WRAPS, DEVICE_CAN_REACH, DEVICE_REACHES, JOINT_IN_WRAPS, JOINT_ON_CLIP, JOINT_POINT, LOOSE, ONE_WRAP_SHORT, OTHER_ENDS_LOADED, otherwisePoint, SLIDES_POINT, UPSIDE_DOWN } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'klemheist',
  names: ['Klemheist', 'klemheist hitch'],
  family: 'friction',
  purposes: ['friction'],
  needs: { free_end: false, thicknesses_through_object: 0, text: 'a closed loop of cord, thinner than the rope', source: 'practice' },
  pulls: [
    pulled('down', 'made', 'toward the side from which the wraps were begun; wraps flat', 'it grips'),
    pulled('up', 'fails', 'the other way', 'it slides: one way only'),
  ],
  untying: [undone('ordinary-load', 2, 3, 'slide the eye up', 'general'), undone('under-load', 3, 4, 'partly')],
  set: practice('pull the lower end down through the upper bight'),
  adjust: practice('unload it, loosen the eye, slide it up, set it again'),
  loosens: general('loosens when it is not loaded'),
  look_again: practice('every time before it is trusted: slides, bites, holds body weight'),
  front_because: 'the face on which the lower end goes through the upper bight',
  faces: [
    { face: 'front', shows: 'pairs of wraps, and the lower end led up, through the upper bight and down', source: 'practice' },
    { face: 'back', shows: 'three turns of the pair, side by side', source: 'practice' },
  ],
  check_points: [
    point('name', 'Does the lower end go through the upper bight?', 'Through the eye at the top, then down to the clip.', 'through the upper bight', seen('front'), [wrong('not-through-bight', 'not through it'), wrong('another-knot', 'something else')]),
    point('wraps', 'Three or four turns of the pair, flat, none crossing?', 'Count them behind.', 'flat, none crosses', seen('back'), [wrong('crossed-wraps', 'a wrap crosses another'), wrong('one-wrap-short', 'too few'), wrong('loose', 'wraps stand apart')], { count: { of: 'turns of the pair', is: 'three or four' } }),
    point('object', 'Is it the right way up?', 'The wraps lie toward the load’s far side; the pull closes the eye.', 'the right way up', seen('front'), [wrong('hitch-upside-down', 'upside down')]),
    JOINT_POINT,
    SLIDES_POINT,
    otherwisePoint('One way only. Can the pull ever come from the other side? Can the device run into it?', 'practice', DEVICE_CAN_REACH),
  ],
  faults: [
    { ...faulty('not-through-bight', 'not through the upper bight', 'the lower end was led past the eye', 'the eye hangs empty: a mere coil', 'take-out-and-retie', 'Lead the lower end through the upper bight.'), does: [pulled('down', 'fails', 'tied so', 'a mere coil: it does not grip', 'general')] },
    UPSIDE_DOWN, CROSSED_WRAPS, ONE_WRAP_SHORT, JOINT_IN_WRAPS, { ...JOINT_ON_CLIP, arises: 'the joint was left at an end of the loop, where it is clipped', what_to_do: 'Take it off, move the joint to a leg beside the wraps, and wrap it again.' }, CORD_TOO_THICK, CORD_TOO_THIN, DEVICE_REACHES, LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'pairs of wraps and an eye at the top', source: 'general' },
  cautions: [practice('one way only: is the arrow the right way?'), practice('the joint lies in the clip-end bight, beside the clip')],
  good_for: [practice('partly released while loaded')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: a pair of strands wound up the host whose lower end goes through the eye, and a girth’s bight led round the host first',
  ways: [],
} as const satisfies KnotEntry;
