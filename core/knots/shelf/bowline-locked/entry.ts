import { ANOTHER_KNOT, EYE_POINT, EYE_TOO_LARGE, HARNESS_POINT, LOOSE, ONE_HARNESS_POINT, otherEndLoaded, TAIL_LONG, TAIL_POINT, TAIL_SHORT, setPoint } from '../../facts/common-faults';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'bowline-locked',
  names: ['Locked bowline', 'bowline with a lock'],
  family: 'end-loop',
  purposes: ['tie-in', 'end-loop', 'hitch-object'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end; nothing is tied before the end has gone through', source: 'practice' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'locked through the collar and set', what_happens: 'it was made for this pull', source: 'practice' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 1, most: 1, text: 'comes undone by hand', source: 'practice' },
    { condition: 'after-hard-falls', least: 1, most: 1, text: 'does not jam', source: 'practice' },
  ],
  set: { text: 'standing part, tail, and both legs of the eye', source: 'general' },
  adjust: { text: 'draw the eye small before the lock is set', source: 'practice' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'the lock keeps the collar from opening', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the third strand comes up between the other two; the collar lies behind',
  faces: [
    { face: 'front', shows: 'three strands inside the nipping loop, the third one between the two; tail and standing part leave side by side through the collar', source: 'practice' },
    { face: 'back', shows: 'three strands inside the nipping loop again; the collar lies across, round standing part and tail', source: 'practice' },
  ],
  check_points: [
    {
      id: 'name', question: 'Is it the locked bowline?', help: 'Standing part and tail leave together, through the collar. Three strands go through the nipping loop.',
      right: { label: 'tail up beside the standing part', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [
        { fault: 'another-knot', label: 'a bowline without the lock', picture: { form: 'right', face: 'front', state: 'tight', knot: 'bowline' } },
      ], source: 'practice',
    },
    {
      id: 'front', question: 'Front: three strands in the nipping loop, the third between the two?', help: 'Count them. The last one lies in the middle.',
      right: { label: 'three, the last in the middle', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [{ fault: 'third-strand-astray', label: 'the last one is not between them', picture: { form: 'third-strand-astray', face: 'front', state: 'tight' } }], source: 'practice',
    },
    {
      id: 'back', question: 'Turn it over. Does the collar go round both?', help: 'The collar lies across the back, round the standing part and the tail. Three strands again.',
      right: { label: 'collar round both', picture: { form: 'right', face: 'back', state: 'tight' } },
      wrong: [{ fault: 'lock-not-through-collar', label: 'the tail is outside the collar', picture: { form: 'lock-not-through-collar', face: 'back', state: 'tight' } }], source: 'practice',
    },
    {
      id: 'path', question: 'Follow the tail back: collar, between the two, eye, collar again?', help: 'From its end: down through the collar, through the nipping loop, into the eye, up through the loop, round the standing part.',
      right: { label: 'the whole way', picture: { form: 'right', face: 'front', state: 'dressed' } },
      wrong: [{ fault: 'lock-not-through-collar', label: 'it misses the collar', picture: { form: 'lock-not-through-collar', face: 'front', state: 'dressed' } }], source: 'practice',
    },
    TAIL_POINT,
    setPoint('front', 'the standing part, the tail and each leg of the eye'),
    EYE_POINT,
    HARNESS_POINT,
  ],
  faults: [
    { id: 'lock-not-through-collar', name: 'lock not through the collar', arises: 'the end came up beside the collar instead of through it', shows: 'the tail stands off to one side; the collar holds the standing part only', verdict: 'take-out-and-retie', what_to_do: 'It is not locked. Take it out and tie it again.', source: 'practice' },
    { id: 'third-strand-astray', name: 'third strand not between the two', arises: 'the end went back into the nipping loop beside the others', shows: 'strands cross inside the loop; the third is not in the middle', verdict: 'take-out-and-retie', what_to_do: 'Take it out to the eye and bring the end through between the two.', source: 'practice' },
    ONE_HARNESS_POINT, LOOSE, TAIL_SHORT, TAIL_LONG, EYE_TOO_LARGE, otherEndLoaded(0), ANOTHER_KNOT,
  ],
  tail_rule_key: 'bowline-locked',
  recognised: { by: 'trained', text: 'fewer people can check it; a wrong one looks odd', source: 'practice' },
  cautions: [
    { text: 'tail 100 to 200 mm: more is in the way', source: 'practice' },
  ],
  good_for: [
    { text: 'does not jam: undone by hand after hard falls', source: 'practice' },
    { text: 'tied wholly after threading, nothing is left in the rope', source: 'practice' },
    { text: 'compact; takes less rope than the eight', source: 'practice' },
  ],
  form_certainty: 'settled',
  form_text: 'a flat diagram with over and under; agrees with an independent derivation of the same description',
  ways: [
    { id: 'loop-and-lock', name: 'Bowline, then the lock', right: true, ends_in: null },
    { id: 'beside-the-collar', name: 'Wrong: the lock not through the collar', right: false, ends_in: { fault: 'lock-not-through-collar' } },
  ],
} as const satisfies KnotEntry;
