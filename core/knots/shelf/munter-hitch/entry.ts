import { ANOTHER_KNOT, GATE_POINT, GATE_UNLOCKED, OTHER_ENDS_LOADED, otherwisePoint } from '../../facts/common-faults';
import { faulty, general, lookalike, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'munter-hitch',
  names: ['Munter hitch', 'Munter', 'Italian hitch'],
  family: 'hitch',
  purposes: ['belay', 'releasable'],
  needs: { free_end: false, thicknesses_through_object: 2, objects: ['clip'], text: 'a wide pear-shaped locking karabiner', source: 'practice' },
  pulls: [
    pulled('standing-eye', 'ok', 'the brake strand held by a hand', 'it brakes; it does not hold by itself', 'general'),
    pulled('tail-eye', 'ok', 'pulled from the other side', 'it reverses itself through the karabiner'),
    pulled('through', 'avoid', 'nobody at the brake strand', 'the rope runs', 'general'),
  ],
  untying: [undone('ordinary-load', 1, 1, 'falls open when it is unclipped', 'general'), undone('under-load', 1, 2, 'let out by the brake strand, always held', 'general')],
  set: general('load strand and brake strand, so that the hitch has flipped to the side of the load'),
  adjust: general('the brake strand: give and take through the karabiner'),
  loosens: general('it is a moving hitch: it holds only while the brake strand is held'),
  look_again: practice('at the gate, each time the hitch has flipped between giving and taking'),
  front_because: 'the face on which the load strand lies in front, as the one who brakes sees it',
  faces: [
    { face: 'front', shows: 'the load strand runs up to the bar in front; beside it the bight comes over the bar and turns back under, round both strands', source: 'general' },
    { face: 'back', shows: 'two passes over the bar; the brake strand comes out beside the load strand, inside the bight', source: 'general' },
  ],
  check_points: [
    point('name', 'Two loops folded together: a bight across both strands?', 'Pull each strand in turn: it flips through and brakes both ways.', 'a bight across both', seen('front'), [wrong('not-tucked', 'a plain turn: it runs'), wrong('mirrored-loops', 'loops slid, not folded: a clove', lookalike('clove-hitch', 'front')), wrong('another-knot', 'something else')]),
    point('back', 'Turn it over. Two passes over the bar?', 'Nothing crosses behind.', 'two passes', seen('back'), [wrong('another-knot', 'something else')], { count: { of: 'passes over the bar', is: 'two' } }),
    point('object', 'A wide pear-shaped locking karabiner, the hitch free to flip in its bow?', 'Pull each strand in turn: it must pass through freely.', 'wide, and it flips', seen('front'), [wrong('other-ends-loaded', 'it jams in the bend')]),
    { ...GATE_POINT, question: 'Is the brake strand away from the gate, and the gate locked?', help: 'Look again each time the hitch has flipped. A strand over the gate can unscrew it or work a self-locking gate.', wrong: [wrong('gate-to-brake', 'the brake strand runs over the gate'), wrong('gate-unlocked', 'it opens when pressed')] },
    otherwisePoint('It holds only while a hand holds the brake strand, or it is tied off.', 'general'),
  ],
  faults: [
    { ...faulty('not-tucked', 'not crossed', 'the second loop was not turned', 'a plain turn round the bar: it runs', 'take-out-and-retie', 'Take it off; fold two identical loops face to face and clip both.', 'general'), does: [pulled('standing-eye', 'fails', 'tied so', 'a plain turn round the bar: it runs', 'general')] },
    { ...faulty('mirrored-loops', 'slid instead of folded', 'the loops were slid one on the other', 'a clove: it does not move', 'take-out-and-retie', 'Take it off and fold the loops face to face.', 'general'), made: { by: 'knot', knot: 'clove-hitch' } },
    { ...faulty('gate-to-brake', 'gate toward the brake strand', 'the karabiner hangs the wrong way round', 'the brake strand lies against the gate', 'put-right', 'Turn the karabiner: the brake strand runs on the side away from the gate.'), made: { by: 'gate-turned' } },
    GATE_UNLOCKED, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'anyone', text: 'a bight across two strands that flips through', source: 'general' },
  cautions: [practice('hard on ropes and twists them: use sparingly'), practice('brake strand away from the gate: it can unscrew it or work a self-locking gate'), practice('reverses itself through the karabiner: look at the gate again each time'), general('the load strand nearest the spine is taught as well: side by side in one bow that stands against the brake strand away from the gate, which comes first here; your own rule decides')],
  good_for: [general('a belay that needs only a karabiner')],
  form_certainty: 'settled',
  form_text: 'two loops folded face to face, as a wound form on a karabiner; agrees with an independent figure. Which strand is loaded cannot be told from the form, for it reverses',
  ways: [{ id: 'folded-loops', name: 'Two loops, folded together and clipped', right: true, ends_in: null }, { id: 'in-the-clip', name: 'In the clip, a bight of the load strand', right: true, ends_in: null }],
} as const satisfies KnotEntry;
