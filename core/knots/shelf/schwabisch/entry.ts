import { ANOTHER_KNOT, CORD_TOO_THICK, CORD_TOO_THIN, CROSSED_WRAPS, DEVICE_CAN_REACH, DEVICE_REACHES, LOOSE, ONE_WRAP_SHORT, OTHER_ENDS_LOADED, otherwisePoint, SLIDES_POINT, UNEVEN_LEGS, UPSIDE_DOWN } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'schwabisch',
  names: ['Schwabisch', 'asymmetric prusik'],
  family: 'friction',
  purposes: ['friction', 'releasable'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'a cord with an eye at each end, 1.05 to 1.2 m in all', source: 'practice' },
  pulls: [pulled('down', 'made', 'both eyes clipped, wraps dressed', 'it grips'), pulled('up', 'fails', 'the other way', 'it slides: one way only')],
  untying: [undone('ordinary-load', 2, 3, 'push the bridge back', 'general'), undone('under-load', 1, 2, 'smoothly, with a tender')],
  set: practice('both legs, about even'),
  adjust: practice('pushed up by a tender, anything below the hitch that pushes it'),
  loosens: general('loosens when it is not loaded'),
  look_again: practice('every time before it is trusted: slides, bites, holds body weight'),
  front_because: 'the face on which the bridge crosses over and both legs come out under it',
  faces: [
    { face: 'front', shows: 'the bridge down over the turns; both legs leave from the two lowest turns, under the bridge, on the same side', source: 'practice' },
    { face: 'back', shows: 'five turns: one below the reversal, four above', source: 'practice' },
  ],
  check_points: [
    point('wraps', 'Five turns, one below the reversal and four above, none crossing?', 'Count them behind.', 'one and four', seen('back'), [wrong('crossed-wraps', 'a turn crosses another'), wrong('one-wrap-short', 'too few')], { count: { of: 'turns', is: 'five: one below the reversal, four above' } }),
    point('name', 'Do both legs leave from the two lowest turns, under the bridge, on the same side?', 'One turn one way, then four the other way up through the loop so made.', 'same side, under the bridge', seen('front'), [wrong('turns-reversed', 'the sense was not reversed: legs on both sides'), wrong('another-knot', 'something else')]),
    point('object', 'Is it the right way up?', 'Four turns above.', 'four above', seen('front'), [wrong('hitch-upside-down', 'upside down')]),
    point('set', 'Are the legs about even?', 'Both eyes in one clip.', 'about even', seen('front'), [wrong('uneven-legs', 'one longer'), wrong('loose', 'loose', seen('front', 'right', 'dressed'))]),
    SLIDES_POINT,
    otherwisePoint('One way only. Can the device run into it?', 'practice', DEVICE_CAN_REACH),
  ],
  faults: [
    { ...faulty('turns-reversed', 'sense not reversed', 'all turns were made the same way', 'the legs leave on both sides', 'take-out-and-retie', 'Take it off; reverse the sense after the first turn.', 'general'), made: { by: 'knot', knot: 'distel' } },
    UPSIDE_DOWN, CROSSED_WRAPS, ONE_WRAP_SHORT, UNEVEN_LEGS, CORD_TOO_THICK, CORD_TOO_THIN, DEVICE_REACHES, LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'five turns, both legs on one side', source: 'practice' },
  cautions: [practice('one way only: is the arrow the right way?'), practice('the upper figure for the cord’s length leaves room for stoppers')],
  good_for: [practice('released smoothly with a tender')],
  form_certainty: 'settled',
  form_text: 'a wound form, one turn below the reversal and four above; agrees with an independent figure made from its description',
  ways: [],
} as const satisfies KnotEntry;
