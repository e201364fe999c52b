import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'slipped-eight',
  names: ['Slipped eight with a half hitch', 'slipped figure-eight'],
  family: 'hitch',
  purposes: ['tension-eye'],
  needs: { free_end: false, thicknesses_through_object: 2, eye_first: true, text: 'a long bight of the running end', source: 'general' },
  pulls: [
    pulled('standing-eye', 'made', 'slip made by the running side, half hitch drawn tight on the eye’s neck', 'it holds the eye for hauling'),
    pulled('tail-eye', 'avoid', 'the running side against the eye without the half hitch', 'the slip can run'),
    pulled('through', 'fails', 'half hitch missing, the running side pulled', 'the slip runs out'),
  ],
  untying: [undone('ordinary-load', 1, 2, 'half hitch off, draw the slip', 'general'), undone('after-hard-falls', 2, 4, 'not known from trials', 'general')],
  set: practice('the eight on its eye, then the half hitch drawn tight on the eye’s neck'),
  adjust: general('half hitch off, the slip drawn to size, half hitch on again'),
  loosens: practice('without the half hitch the slip can run'),
  look_again: practice('before it is hauled on, and after'),
  front_because: 'the face on which the half hitch’s own strand lies over its end',
  faces: [
    { face: 'front', shows: 'an eight; below it a half hitch round both legs of the eye, made by the running end', source: 'practice' },
    { face: 'back', shows: 'the eight from behind, the half hitch’s turn across both legs', source: 'general' },
  ],
  check_points: [
    point('name', 'Is the slip made by the running side?', 'The bight that makes the eye was drawn from the strand that goes on to the near anchor.', 'by the running side', seen('front'), [wrong('standing-side-slipped', 'by the standing side'), wrong('another-knot', 'something else')]),
    point('front', 'Front: a half hitch on the eye’s neck, drawn tight?', 'Round both legs, close under the eight.', 'on the neck, tight', seen('front'), [wrong('half-hitch-missing', 'no half hitch', seen('front', 'half-hitch-missing')), wrong('half-hitch-misplaced', 'not round both legs')], { region: 'the eye’s neck', count: { of: 'legs inside the half hitch', is: 'two' } }),
    point('back', 'Turn it over. Two turns in the eight, a half hitch across both legs?', 'Follow the running end.', 'across both', seen('back'), [wrong('half-hitch-missing', 'no half hitch', seen('back', 'half-hitch-missing'))]),
    setPoint('front', 'the eye, the standing part and the half hitch'),
    otherwisePoint('The standing part pulls against the eye. Without the half hitch the running side draws the slip out.'),
  ],
  faults: [
    { ...faulty('half-hitch-missing', 'half hitch missing', 'it was left at the slip', 'the eye’s neck is bare', 'take-out-and-retie', 'Do not haul on it: drop the half hitch over the eye and draw it tight.'), does: [pulled('standing-eye', 'avoid', 'tied so', 'the slip can run', 'practice')] },
    { ...faulty('standing-side-slipped', 'standing side slipped', 'the bight was drawn from the wrong strand', 'pulling the standing part draws the slip', 'take-out-and-retie', 'Take it out and draw the bight from the running end.'), made: { by: 'ends-exchanged', ropes: [0] } },
    faulty('half-hitch-misplaced', 'half hitch misplaced', 'it went round one leg or lies away from the neck', 'it does not grip the neck', 'put-right', 'Move it to the neck, round both legs, and draw it tight.'),
    LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'trained', text: 'an eight with a half hitch on its eye’s neck', source: 'general' },
  cautions: [practice('otherwise the slip can run: the half hitch is part of it')],
  good_for: [practice('an eye for hauling that comes undone')],
  form_certainty: 'settled',
  form_text: 'a flat eight whose end goes through as a bight, and the running end round its neck; agrees with an independent figure, which does not see the half hitch',
  ways: [],
} as const satisfies KnotEntry;
