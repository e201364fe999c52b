import { ANOTHER_KNOT, CORD_TOO_THICK, CORD_TOO_THIN, CROSSED_WRAPS, DEVICE_CAN_REACH, DEVICE_REACHES, LOOSE, ONE_WRAP_SHORT, OTHER_ENDS_LOADED, otherwisePoint, SLIDES_POINT, UNEVEN_LEGS, UPSIDE_DOWN } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'michoacan',
  names: ['Michoacan', 'michoacan hitch'],
  family: 'friction',
  purposes: ['friction', 'releasable'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'a cord with an eye at each end, a little shorter than for the others', source: 'practice' },
  pulls: [pulled('down', 'made', 'both eyes clipped, wraps dressed', 'it grips'), pulled('up', 'fails', 'the other way', 'it slides: one way only')],
  untying: [undone('ordinary-load', 2, 3, 'push the bridge back', 'general'), undone('under-load', 1, 2, 'smoothly, with a tender')],
  set: practice('both legs, about even'),
  adjust: practice('pushed up by a tender, anything below the hitch that pushes it'),
  loosens: general('loosens when it is not loaded'),
  look_again: practice('every time before it is trusted: slides, bites, holds body weight'),
  front_because: 'the face on which the strand comes down over the turns and up again through the lowest',
  faces: [
    { face: 'front', shows: 'the strand from the top comes down over the four turns; the end comes up under the lowest; the legs tend to leave on opposite sides', source: 'practice' },
    { face: 'back', shows: 'four turns and the tucked one below them', source: 'practice' },
  ],
  variants: [{ form: 'variant-with-the-wraps', name: 'round the back with the wraps', text: 'the last turn goes round the back the way the wraps go; the legs then leave on one side. Which way is usual is not settled', source: 'general' }],
  check_points: [
    point('wraps', 'Four turns and the tucked one, none crossing?', 'Count them behind.', 'four and the tucked one', seen('back'), [wrong('crossed-wraps', 'a turn crosses another'), wrong('one-wrap-short', 'too few')], { count: { of: 'turns', is: 'four, and the tucked one' } }),
    point('name', 'Does the end come up through the opened bottom turn?', 'Four up, down over the front, round the back, up under the lowest.', 'up under the lowest', seen('front'), [wrong('not-tucked', 'it misses the lowest turn'), wrong('another-knot', 'something else')]),
    point('object', 'Is it the right way up?', 'The tucked turn lies below.', 'tucked turn below', seen('front'), [wrong('hitch-upside-down', 'upside down')]),
    point('set', 'Are the legs about even?', 'Both eyes in one clip.', 'about even', seen('front'), [wrong('uneven-legs', 'one longer'), wrong('loose', 'loose', seen('front', 'right', 'dressed'))]),
    SLIDES_POINT,
    otherwisePoint('One way only. Can the device run into it?', 'practice', DEVICE_CAN_REACH),
  ],
  faults: [
    faulty('not-tucked', 'end not under the lowest turn', 'it was led past the bottom turn', 'the end hangs beside the turns: it unrolls', 'take-out-and-retie', 'Lead the end up through the bottom turn.', 'general'),
    UPSIDE_DOWN, CROSSED_WRAPS, ONE_WRAP_SHORT, UNEVEN_LEGS, CORD_TOO_THICK, CORD_TOO_THIN, DEVICE_REACHES, LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'compact, legs on opposite sides', source: 'practice' },
  cautions: [practice('one way only: is the arrow the right way?'), practice('which way round the back is usual is not settled: keep to what your team does')],
  good_for: [practice('compact; released smoothly with a tender')],
  form_certainty: 'unsettled',
  form_text: 'two forms, the last turn against the wraps and with them; each agrees with an independent figure. Which of the two is usual is not settled',
  ways: [],
} as const satisfies KnotEntry;
