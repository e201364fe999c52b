import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'buntline-hitch',
  names: ['Buntline hitch', 'buntline'],
  family: 'noose',
  purposes: ['hitch-object', 'tether'],
  needs: { free_end: true, thicknesses_through_object: 1, objects: ['clip', 'closed-ring'], text: 'a free end; only one rope thickness has to go through the clip', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'made', 'slid shut on what it holds, snug, weighted once', 'it tightens on itself under load'),
    pulled('tail-eye', 'avoid', 'tail pulled against the eye', 'not what it was made for', 'general'),
  ],
  untying: [undone('ordinary-load', 3, 3, 'pushes loose more easily than a double noose on a solid ring'), undone('after-hard-falls', 3, 5, 'not known from trials', 'general')],
  set: practice('snug it up, then bounce it with body weight'),
  adjust: practice('it slides along the standing part'),
  loosens: general('keeps its form once weighted'),
  keeps_when_idle: true,
  look_again: practice('after it was weighted for the first time'),
  front_because: 'the face on which the tail comes out between the hitch’s two turns, next to the clip',
  faces: [
    { face: 'front', shows: 'two turns round the standing part, the cross between them, the tail trapped next to the clip', source: 'practice' },
    { face: 'back', shows: 'the two turns, one above the other', source: 'general' },
  ],
  check_points: [
    point('name', 'Is the tail trapped between the hitch and the clip?', 'The second turn lies nearer the clip than the first.', 'worked toward the clip', seen('front'), [wrong('reversed-buntline', 'worked away from the clip: two half hitches', seen('front', 'reversed-buntline')), wrong('another-knot', 'something else')]),
    point('front', 'Front: a clove round the standing part, its cross between the turns?', 'Two turns and one strand across both.', 'two turns, one across', seen('front'), [wrong('reversed-buntline', 'the tail sits on top', seen('front', 'reversed-buntline'))], { count: { of: 'turns round the standing part', is: 'two' } }),
    point('back', 'Turn it over. Two turns, one above the other?', 'They lie round the standing part only, not round the returning leg.', 'two turns', seen('back'), [wrong('turns-three-strands', 'a turn takes in the returning leg', seen('back', 'turns-three-strands'))]),
    tailPoint('From where it leaves the hitch; a termination hitch.'),
    point('set', 'Is every strand drawn tight?', 'It must slide shut and stay. Bounced with body weight, low, before anybody trusts it.', 'snug', seen('front'), [wrong('loose', 'loose: strands stand apart', seen('front', 'right', 'dressed'))]),
    point('object', 'Does it go through the clip once, and close on it?', 'One rope thickness. Ask how many fit.', 'through, and shut', seen('front'), [wrong('other-ends-loaded', 'it does not close on the clip')]),
    otherwisePoint('The standing part pulls; nothing may pull on the tail.', 'general'),
  ],
  faults: [
    { ...faulty('reversed-buntline', 'worked away from the clip', 'the turns began at the clip and were worked up', 'two half hitches: the tail sits on top, it does not snug up', 'take-out-and-retie', 'Take it out: it can shake out to a single half hitch. Work the turns toward the clip.'), does: [pulled('standing-eye', 'fails', 'tied so', 'the tail sits on top, it does not snug up, can shake out to a single half hitch', 'practice')] },
    faulty('turns-three-strands', 'a turn takes in the returning leg', 'the second turn went round both', 'it does not slide', 'take-out-and-retie', 'Take it out; both turns go round the standing part only.', 'general'),
    LOOSE, TAIL_SHORT, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'buntline-hitch',
  recognised: { by: 'trained', text: 'the reversed one looks alike', source: 'general' },
  cautions: [practice('worked the other way it is two half hitches, which can shake out'), practice('tail at least five rope diameters, on the side next to the clip'), practice('bounce it with body weight after setting')],
  good_for: [practice('only one rope thickness has to go through the clip'), practice('tightens on itself')],
  form_certainty: 'settled',
  form_text: 'a wound form round the standing part, on a karabiner; agrees with an independent figure, and the reversed one with its own',
  ways: [{ id: 'towards-the-clip', name: 'Through the clip, working back towards it', right: true, ends_in: null }, { id: 'from-the-clip', name: 'Wrong: begun at the clip and worked up', right: false, ends_in: { fault: 'reversed-buntline' } }],
} as const satisfies KnotEntry;
