import { ANOTHER_KNOT, CORD_TOO_THICK, CORD_TOO_THIN, CROSSED_WRAPS, DEVICE_CAN_REACH, DEVICE_REACHES, LOOSE, ONE_WRAP_SHORT, OTHER_ENDS_LOADED, otherwisePoint, SLIDES_POINT, UNEVEN_LEGS, UPSIDE_DOWN } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'distel',
  names: ['Distel', 'distel hitch'],
  family: 'friction',
  purposes: ['friction', 'releasable'],
  harder_to_dress: true,
  needs: { free_end: true, thicknesses_through_object: 0, text: 'a cord with an eye at each end, 1.05 to 1.2 m in all', source: 'practice' },
  pulls: [pulled('down', 'made', 'both eyes clipped, wraps dressed', 'it grips'), pulled('up', 'fails', 'the other way', 'it slides: one way only')],
  untying: [undone('ordinary-load', 2, 3, 'push the bridge back', 'general'), undone('under-load', 1, 2, 'smoothly, with a tender')],
  set: practice('both legs, about even'),
  adjust: practice('pushed up by a tender, anything below the hitch that pushes it'),
  loosens: general('loosens when it is not loaded'),
  look_again: practice('every time before it is trusted: slides, bites, holds body weight'),
  front_because: 'the face on which the strand comes down across the turns',
  faces: [
    { face: 'front', shows: 'the strand from the top crosses down over the four turns; a leg leaves on each side, one over, one under', source: 'practice' },
    { face: 'back', shows: 'five turns of one sense: four above, one below', source: 'practice' },
  ],
  check_points: [
    point('wraps', 'Five turns of one sense, four above and one below, none crossing?', 'Count them behind.', 'four and one', seen('back'), [wrong('crossed-wraps', 'a turn crosses another'), wrong('one-wrap-short', 'too few')], { count: { of: 'turns', is: 'five' } }),
    point('name', 'Does one leg leave over and one under?', 'Four up, across in front of the tag, one more the same sense below, out through.', 'one over, one under', seen('front'), [wrong('turns-reversed', 'the last turn goes the other way'), wrong('another-knot', 'something else')]),
    point('object', 'Is it the right way up?', 'Four turns above.', 'four above', seen('front'), [wrong('hitch-upside-down', 'upside down')]),
    point('set', 'Are the legs about even?', 'Both eyes in one clip.', 'about even', seen('front'), [wrong('uneven-legs', 'one longer'), wrong('loose', 'loose', seen('front', 'right', 'dressed'))]),
    SLIDES_POINT,
    otherwisePoint('One way only. Can the device run into it?', 'practice', DEVICE_CAN_REACH),
  ],
  faults: [
    { ...faulty('turns-reversed', 'last turn the other way', 'the sense was reversed below', 'both legs leave on one side', 'take-out-and-retie', 'Take it off; make the last turn the same way as the four.', 'general'), made: { by: 'knot', knot: 'schwabisch' } },
    UPSIDE_DOWN, CROSSED_WRAPS, ONE_WRAP_SHORT, UNEVEN_LEGS, CORD_TOO_THICK, CORD_TOO_THIN, DEVICE_REACHES, LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'five turns, a leg on each side', source: 'general' },
  cautions: [practice('harder to dress neatly'), practice('one way only: is the arrow the right way?')],
  good_for: [practice('released smoothly with a tender')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: a wound form of level turns with the bridge over them, and a plain helix followed from the other end',
  ways: [],
} as const satisfies KnotEntry;
