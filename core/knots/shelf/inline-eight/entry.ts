import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'inline-eight',
  names: ['Inline eight', 'directional figure-eight', 'inline figure-eight loop'],
  family: 'midline',
  purposes: ['midline', 'tension-eye', 'handle'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'neither end; the direction of the coming pull must be known', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'made', 'in the one direction in which the eye points', 'it was made for this pull'),
    pulled('cross', 'fails', 'the other direction', 'it capsizes'),
    pulled('tail-eye', 'fails', 'the other strand against the eye', 'it capsizes: the eye points one way only'),
    pulled('through', 'avoid', 'both ends, the eye idle', 'not known from trials', 'general'),
  ],
  untying: [undone('ordinary-load', 3, 3, 'taken as for the eight', 'general'), undone('after-hard-falls', 3, 5, 'not known from trials', 'general')],
  set: general('the eye against the strand it is pulled from, then the other strand'),
  adjust: general('tied anew at another place'),
  loosens: general('keeps its form while it is loaded in its direction'),
  keeps_when_idle: true,
  look_again: practice('when the direction of the load may have changed'),
  front_because: 'the face on which the bight comes out over the last bow',
  faces: [
    { face: 'front', shows: 'an eight round the rope’s own strand; the eye and the strand that goes on leave together', source: 'general' },
    { face: 'back', shows: 'the same eight from behind', source: 'general' },
  ],
  check_points: [
    point('name', 'Do the bight and the working end come out of the same place?', 'Eye and onward strand leave side by side.', 'out of the same place', seen('front'), [wrong('another-knot', 'they leave at different places')]),
    point('object', 'Does the eye point toward the pull?', 'It points one way only.', 'toward the pull', seen('front'), [wrong('points-wrong-way', 'away from the pull')]),
    point('back', 'Turn it over. An eight round the rope’s own strand?', 'Follow it once round.', 'an eight', seen('back'), [wrong('another-knot', 'something else')]),
    setPoint('front', 'the eye and both strands'),
    otherwisePoint('Ask whether the other strand can ever pull against the eye: then take a butterfly.'),
  ],
  faults: [
    { ...faulty('points-wrong-way', 'eye points the wrong way', 'the bight was laid on the side of the coming pull', 'the eye lies back along the loaded strand', 'take-out-and-retie', 'Take it out and lay the bight along the rope on the side away from the coming pull.'), made: { by: 'ends-exchanged', ropes: [0] } },
    LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'an eight whose eye points along the rope', source: 'general' },
  cautions: [practice('the other direction fails: it capsizes')],
  good_for: [practice('where the pull comes one way only')],
  form_certainty: 'settled',
  form_text: 'two derivations by different motions agree: the eight in two lanes one of which leaves it beside the eye, and the motion of a twisted bight led round the rope; its eye held fast it has the figures of the slipped eight',
  ways: [],
} as const satisfies KnotEntry;
