import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, STOPPER_MISSING, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'water-knot',
  names: ['Water knot', 'tape knot', 'ring bend'],
  family: 'bend',
  purposes: ['sling', 'join'],
  usual_for: ['sling'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'both ends of the tape', source: 'general' },
  tape: 'only',
  pulls: [pulled('through', 'made', 'in webbing, flat on flat, set hard, tails watched', 'it creeps and can be caught and opened: look at the tails', 'practice')],
  untying: [undone('ordinary-load', 5, 5, 'sets hard'), undone('after-hard-falls', 5, 5, 'tools or a knife')],
  set: practice('hard: both standing parts and both tails, with body weight'),
  adjust: general('work both tapes through together before it is set; measure both tails again'),
  loosens: practice('creeps under changing load, and can be caught and opened'),
  look_again: practice('before every use: the tails have crept'),
  front_because: 'the flat face on which the last fold lies uppermost',
  faces: [
    { face: 'front', shows: 'a folded pentagon, two tapes one on the other along the whole way', source: 'general' },
    { face: 'back', shows: 'the pentagon again, the tapes with their places exchanged', source: 'general' },
  ],
  check_points: [
    point('name', 'An overhand in tape, followed the opposite way: a tail at either end?', 'The second tape enters where the first end left.', 'a tail at either end', seen('front'), [wrong('another-knot', 'both tails on one side, or something else')]),
    point('front', 'Front: flat on flat, no twist?', 'Two tapes lie one on the other along the whole way.', 'flat on flat', seen('front'), [wrong('tape-twisted', 'a tape turns over inside', seen('front', 'tape-twisted'))], { count: { of: 'tapes at each place', is: 'two, flat' } }),
    point('back', 'Turn it over. Flat on flat again?', 'No edge stands up.', 'flat on flat', seen('back'), [wrong('tape-twisted', 'a tape turns over inside', seen('back', 'tape-twisted'))]),
    tailPoint('Both tails, each from where it leaves the knot. They creep: measure them every time.'),
    point('stopper', 'Is there the backup that the rule set asks, on both sides?', 'An overhand of each tail round the tape beside it.', 'backed on both sides', seen('front'), [wrong('stopper-missing', 'a side has none')]),
    setPoint('front', 'both standing parts and both tails'),
    otherwisePoint('Webbing only. Something that catches a tail can draw it out.'),
  ],
  faults: [
    faulty('tape-twisted', 'tape twisted', 'the second tape turned over while it followed', 'an edge stands up; the tapes do not lie flat', 'put-right', 'Take the tape back to the turn, lay it flat on flat and set it hard.'),
    LOOSE, TAIL_SHORT, STOPPER_MISSING, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'water-knot',
  recognised: { by: 'anyone', text: 'a flat overhand in tape, followed', source: 'general' },
  cautions: [practice('webbing only, never in rope'), practice('it creeps: tails at least 75 mm, and look at them before every use'), practice('see the rule set for backups')],
  good_for: [practice('the joint for tape')],
  form_certainty: 'settled',
  form_text: 'a folded pentagon of three creases, the second tape the same surface one thickness off; the centre-lines agree with an independent figure. It shows the flat dressed form, not one that is set hard',
  ways: [{ id: 'retrace', name: 'Followed back by the second tape', right: true, ends_in: null }],
} as const satisfies KnotEntry;
