import { ANOTHER_KNOT, CORD_TOO_THICK, CORD_TOO_THIN, CROSSED_WRAPS, DEVICE_CAN_REACH, DEVICE_REACHES, JOINT_IN_WRAPS, JOINT_ON_CLIP, JOINT_POINT, LOOSE, ONE_WRAP_SHORT, OTHER_ENDS_LOADED, otherwisePoint, SLIDES_POINT, UNEVEN_LEGS } from '../../facts/common-faults';
import { faulty, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'prusik',
  names: ['Prusik', 'prusik hitch', 'prusik knot'],
  family: 'friction',
  usual_wraps: 3,
  purposes: ['friction'],
  needs: { free_end: false, thicknesses_through_object: 0, text: 'a closed loop of cord, thinner than the rope', source: 'practice' },
  pulls: [
    pulled('down', 'made', 'wraps flat and alike, tested on a short hard pull', 'it grips'),
    pulled('up', 'made', 'wraps flat and alike, tested on a short hard pull', 'it grips both ways'),
  ],
  untying: [undone('ordinary-load', 2, 3, 'push the bridge back; a loaded one will not shift'), undone('under-load', 4, 5, 'hard, also by mistake: that is its virtue and its vice')],
  set: practice('draw the slack out by one leg only, which carries the joint off the clip point; then both legs'),
  adjust: practice('unload it, push the bridge back, slide it, set it again'),
  loosens: practice('loosens when it is not loaded: dress it again before it is trusted'),
  look_again: practice('every time before it is trusted: slides, bites, holds body weight'),
  front_because: 'the face on which the bridge crosses over the wraps and the legs come out under it',
  faces: [
    { face: 'front', shows: 'the bridge down over the middle, wraps above and below it, both legs out under it', source: 'practice' },
    { face: 'back', shows: 'as many wraps above the middle as below it, side by side', source: 'practice' },
  ],
  check_points: [
    point('wraps', 'As many wraps above the bridge as below, side by side, none crossing?', 'Count them behind: n above, n below.', 'three and three', seen('back'), [wrong('crossed-wraps', 'a wrap crosses another'), wrong('one-wrap-short', 'fewer on one side')], { count: { of: 'wraps above and below the bridge', is: 'the same number, usually three' } }),
    point('name', 'Does the bridge go over the wraps and do both legs come out under it?', 'As a girth hitch taken through again and again.', 'both legs under the bridge', seen('front'), [wrong('turns-reversed', 'turns of one side the other way round'), wrong('another-knot', 'something else')], { count: { of: 'legs under the bridge', is: 'two' } }),
    JOINT_POINT,
    point('set', 'Are the legs about even and the wraps flat?', 'Draw the slack out by one leg only.', 'even, flat', seen('front'), [wrong('uneven-legs', 'one leg longer'), wrong('loose', 'loose: wraps stand apart', seen('front', 'right', 'dressed'))]),
    SLIDES_POINT,
    otherwisePoint('Can a device run into it? Must it be let go while loaded? Then it is the wrong hitch.', 'practice', DEVICE_CAN_REACH),
  ],
  faults: [
    faulty('turns-reversed', 'turns of one side the other way round', 'the loop was taken through from the other side', 'net turns are not zero: the bridge slants', 'take-out-and-retie', 'Take it off and take the loop through from the same side each time.'),
    CROSSED_WRAPS, { ...ONE_WRAP_SHORT, made: { by: 'knot', knot: 'prusik', form: 'wraps-2' } }, UNEVEN_LEGS, JOINT_IN_WRAPS, JOINT_ON_CLIP, CORD_TOO_THICK, CORD_TOO_THIN, DEVICE_REACHES, LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'anyone', text: 'wraps that can be counted, alike on both sides', source: 'practice' },
  cautions: [practice('let go while loaded only with difficulty'), practice('a loaded one will not shift under use'), practice('three wraps slide more easily, four hold harder; add one on wet, iced or new smooth rope')],
  good_for: [practice('grips both ways')],
  form_certainty: 'settled',
  form_text: 'a wound form whose number of wraps is one figure; joined crosswise with its host it has the figures of the family, for two to five wraps',
  ways: [{ id: 'through-the-loop', name: 'The joint end in under its loop, again and again', right: true, ends_in: null }],
} as const satisfies KnotEntry;
