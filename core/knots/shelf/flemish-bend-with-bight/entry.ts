import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'flemish-bend-with-bight',
  names: ['Flemish bend with a clip-in bight', 'joint with an eye', 'three-strand eight joint'],
  family: 'bend',
  purposes: ['join-to-pass', 'join'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'an end of each rope; the hanging rope carries a loose eight on a bight', source: 'practice' },
  pulls: [
    pulled('through', 'made', 'hanging rope against new rope, every strand set', 'it was made for this pull', 'general'),
    pulled('standing-eye', 'ok', 'someone clipped into the eye while passing', 'the eye is that of an eight on a bight', 'practice'),
    pulled('ring', 'avoid', 'the eye pulled apart sideways', 'the knot is opened from the eye', 'general'),
  ],
  untying: [undone('ordinary-load', 2, 2, 'comes undone by hand'), undone('after-hard-falls', 2, 4, 'not known from trials', 'general')],
  set: practice('each rope end, then each leg of the eye'),
  adjust: general('the eye by working the hanging rope’s two strands along the knot; dress, set and measure again'),
  loosens: general('keeps its form once set'),
  keeps_when_idle: true,
  look_again: practice('before somebody passes it, and after it was moved'),
  front_because: 'the face on which the hanging rope comes in over the bow it passes first',
  faces: [
    { face: 'front', shows: 'an eight with three strands at each place: two of the hanging rope and one of the new one', source: 'practice' },
    { face: 'back', shows: 'three strands at each place again, two of the first rope and one of the second', source: 'practice' },
  ],
  check_points: [
    point('name', 'Is there an eye at the joint, and does the new rope leave beside it?', 'The eye comes out on the side where the new rope goes on; its tail leaves beside the hanging rope’s standing part and tail.', 'eye and new rope on one side', seen('front'), [wrong('offset-eight', 'the new rope’s tail leaves beside the eye'), wrong('another-knot', 'something else')]),
    point('front', 'Front: three strands at each place?', 'Two of the first rope, one of the second, side by side.', 'three side by side', seen('front'), [wrong('strands-crossed', 'strands cross or roll over each other')], { count: { of: 'strands at each place', is: 'three: two of the first rope, one of the second' } }),
    point('back', 'Turn it over. Three strands again?', 'Two of the first rope, one of the second.', 'three side by side', seen('back'), [wrong('strands-crossed', 'strands cross or roll over each other')], { count: { of: 'strands at each place', is: 'three' } }),
    point('path', 'Follow the new rope. Does it enter where the eye comes out and follow all the way?', 'Its tail leaves beside the hanging rope’s standing part and tail.', 'all the way', seen('front', 'right', 'dressed'), [wrong('wrong-lane', 'it leaves the path at one pass')]),
    tailPoint('Both tails, each from where it leaves the knot.'),
    setPoint('front', 'each rope end, then each leg of the eye'),
    otherwisePoint('The two ropes pull apart; a lanyard may hang in the eye while somebody passes. Nothing may hang between a tail and a standing part.'),
  ],
  faults: [
    { ...faulty('offset-eight', 'new end entered from the wrong side', 'the end did not enter where the eye comes out', 'the new rope’s tail leaves beside the eye: its rope is loaded as an offset eight', 'take-out-and-retie', 'Take the new rope out; let its end enter where the eye comes out.', 'general'), does: [pulled('through', 'fails', 'tied so', 'the new rope is loaded as an offset eight: it rolls off the end', 'practice')] },
    faulty('wrong-lane', 'wrong lane at one pass', 'the end followed the wrong strand', 'two strands at one place, four at another', 'take-out-and-retie', 'Take it out to that place and follow the path again.', 'general'),
    faulty('strands-crossed', 'strands crossed', 'three strands were not laid in order', 'strands roll over each other', 'put-right', 'Lay the three side by side along the whole way; set it again.', 'general'),
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'flemish-bend-with-bight',
  recognised: { by: 'trained', text: 'an eight in threes with an eye at the joint', source: 'general' },
  cautions: [practice('to pass it: clip the lanyard in the eye, move the backup over, unclip')],
  good_for: [practice('a clip-in eye stands at the knot for whoever must pass it')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: a flat eight in three lanes, and a single rope’s eight on a bight into which the second end is led along one strand',
  ways: [],
} as const satisfies KnotEntry;
