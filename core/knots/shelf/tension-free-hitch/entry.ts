import { ANOTHER_KNOT, CROSSED_WRAPS, GATE_POINT, GATE_UNLOCKED, LOOSE, otherEndLoaded, otherwisePoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'tension-free-hitch',
  names: ['Tension-free hitch', 'high-strength tie-off', 'no-knot'],
  family: 'hitch',
  purposes: ['hitch-object'],
  usual_for: ['hitch-object'],
  usual_wraps: 4,
  needs: { free_end: true, thicknesses_through_object: 1, objects: ['post'], text: 'a smooth strong post, an eight on a bight and a locking karabiner', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'made', 'wraps enough, none crossing, post strong, smooth and thick', 'the wraps carry; the clip carries next to nothing'),
    pulled('tail-eye', 'avoid', 'the clip loaded', 'there are too few wraps'),
  ],
  untying: [undone('ordinary-load', 1, 1, 'unclip and unwrap', 'general'), undone('after-hard-falls', 1, 2, 'the wraps carry, not the knot', 'general')],
  set: general('every wrap drawn snug, then the clip, all but slack'),
  adjust: practice('if a wrap is short, twist the wraps to shift the knot off the post'),
  loosens: general('wraps can sag when they are not loaded'),
  look_again: practice('before every load: the upper wraps dressed, the karabiner locked'),
  front_because: 'the face on which the load strand leaves the post and the karabiner takes it',
  faces: [
    { face: 'front', shows: 'the wraps one below the other; the load strand leaves from the last of them, the eight lies beside it, clipped back on it', source: 'practice' },
    { face: 'back', shows: 'the wraps, none crossing', source: 'practice' },
  ],
  check_points: [
    point('wraps', 'Three or four turns, one below the other, none crossing?', 'Count them where the load strand lies, and on the far side: there one more may be seen.', 'side by side, none crosses', seen('back'), [wrong('one-wrap-short', 'too few'), wrong('crossed-wraps', 'turns cross'), wrong('loose', 'turns sag'), wrong('lowest-wrap-sags', 'only the lowest on the far side sags')], { count: { of: 'turns round the post', is: 'three or four, more where the rule set asks' } }),
    point('name', 'Is the eight’s eye clipped back on the load strand?', 'With a locking karabiner that carries next to nothing.', 'clipped back, all but slack', seen('front'), [wrong('not-clipped', 'not clipped'), wrong('clip-carries', 'the clip carries: too few turns'), wrong('another-knot', 'something else')]),
    point('object', 'Is the post smooth, strong and thick enough?', 'At least about eight rope diameters; a thinner one weakens the rope.', 'smooth, strong, thick', seen('front'), [wrong('post-too-thin', 'too thin or rough')]),
    GATE_POINT,
    tailPoint('Behind the eight on a bight.'),
    otherwisePoint('If the direction of the load changes, the wraps can unroll or climb: ask.', 'general'),
  ],
  faults: [
    { ...faulty('not-clipped', 'not clipped', 'the eye was left hanging', 'the eight hangs free', 'take-out-and-retie', 'Clip the eye back on the load strand and lock the gate.'), made: { by: 'unclipped' }, does: [pulled('standing-eye', 'avoid', 'tied so', 'only friction on the turns holds; nothing keeps them', 'general')] },
    faulty('clip-carries', 'the clip carries', 'too few turns for this post', 'the karabiner is drawn tight', 'take-out-and-retie', 'Unload it and add turns.'),
    faulty('post-too-thin', 'post too thin', 'taken without asking', 'less than about eight rope diameters', 'take-out-and-retie', 'Take another anchor.'),
    faulty('one-wrap-short', 'too few turns', 'a turn was left out', 'fewer than three', 'take-out-and-retie', 'Add turns.', 'general'),
    faulty('lowest-wrap-sags', 'the lowest wrap on the far side sags', 'the last turn carries least', 'on the far side the lowest turn hangs a little', 'remark', 'Nothing: it is accepted where the others lie snug.'),
    CROSSED_WRAPS, GATE_UNLOCKED, LOOSE, TAIL_SHORT, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'figure-eight-on-bight',
  recognised: { by: 'anyone', text: 'turns that can be counted, and an eight clipped back', source: 'general' },
  cautions: [practice('wraps from the top downward or from the bottom upward, as the rule set has it where it says so; none crosses another')],
  good_for: [practice('the knot carries next to nothing')],
  form_certainty: 'settled',
  form_text: 'a helix round the post, the catalogue’s eight on a bight, and a karabiner through its eye and round the load strand; agrees with an independent figure for three to six turns',
  ways: [],
} as const satisfies KnotEntry;
