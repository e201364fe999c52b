import { ANOTHER_KNOT, EYE_POINT, EYE_TOO_LARGE, HARNESS_POINT, LOOSE, ONE_HARNESS_POINT, STOPPER_GAP, STOPPER_MISSING, STOPPER_POINT, TAIL_LONG, TAIL_POINT, TAIL_SHORT, setPoint } from '../../facts/common-faults';
import { pulled } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'figure-eight-follow-through',
  names: ['Figure-eight follow-through', 'rethreaded figure-eight', 'rewoven figure-eight', 'retraced figure-eight', 'traced eight'],
  family: 'end-loop',
  purposes: ['tie-in', 'end-loop', 'hitch-object'],
  needs: { free_end: true, thicknesses_through_object: 1, text: 'a free end, and about an arm’s length of it before the first eight', source: 'practice' },
  pulls: [
    { pull: 'standing-eye', grade: 'made', condition: 'every pair parallel, all four strands set', what_happens: 'it was made for this pull', source: 'practice' },
    { pull: 'tail-eye', grade: 'ok', condition: 'as part of the eye', what_happens: 'the tail carries like the standing part', source: 'practice' },
    { pull: 'through', grade: 'avoid', condition: 'tail left long and pulled', what_happens: 'standing part against tail with the eye idle unrolls the knot', source: 'practice' },
    { pull: 'ring', grade: 'avoid', condition: 'eye pulled apart sideways', what_happens: 'the knot is opened from the eye', source: 'general' },
  ],
  untying: [
    { condition: 'ordinary-load', least: 3, most: 3, text: 'works by hand', source: 'practice' },
    { condition: 'after-hard-falls', least: 3, most: 5, text: 'can set so hard that it needs tools; easier with the load strand inside, set evenly', source: 'practice' },
    { condition: 'set-unevenly', least: 4, most: 5, text: 'crossed inside or left loose it jams', source: 'practice' },
  ],
  set: { text: 'four strands, one by one: standing part, tail, and both legs of the eye', source: 'practice' },
  adjust: { text: 'draw the harness loop close before the retrace: afterwards it cannot be shortened cheaply', source: 'practice' },
  look_again: { text: 'after it was moved or adjusted: dress, set and measure the tail again', source: 'practice' },
  loosens: { text: 'keeps its form when idle', source: 'general' },
  keeps_when_idle: true,
  front_because: 'the face on which the pair of standing part and tail comes in over the pair that makes the near turn; the flat eight can be followed pair by pair',
  faces: [
    { face: 'front', shows: 'the shape of an eight in pairs: at every place two strands lie side by side and none crosses its partner', source: 'practice' },
    { face: 'back', shows: 'the same eight again: pairs everywhere, no single strand lies alone', source: 'practice' },
  ],
  check_points: [
    {
      id: 'name', question: 'Is it a figure-eight, brought all the way back?', help: 'Count at the rope: two strands come out beside each other, away from the harness.',
      right: { label: 'an eight, followed through', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [
        { fault: 'half-finished', label: 'one strand only: never brought back', picture: { form: 'half-finished', face: 'front', state: 'tight' } },
        { fault: 'another-knot', label: 'something else', picture: null },
      ], source: 'practice',
    },
    {
      id: 'front', question: 'Front: do all pairs run side by side?', help: 'Two strands at every place. Neither may cross over its partner.',
      right: { label: 'pairs side by side', picture: { form: 'right', face: 'front', state: 'tight' } },
      wrong: [
        { fault: 'pair-crossed', label: 'a strand crosses its partner', picture: { form: 'pair-crossed', face: 'front', state: 'tight' } },
        { fault: 'load-strand-outside', label: 'in pairs, the load strand outside at the top', picture: { form: 'load-strand-outside', face: 'front', state: 'tight' } },
      ], source: 'practice',
    },
    {
      id: 'back', question: 'Turn it over. The same eight, in pairs?', help: 'The back shows the eight again. A strand that lies alone has left the path.',
      right: { label: 'the eight again, in pairs', picture: { form: 'right', face: 'back', state: 'tight' } },
      wrong: [
        { fault: 'wrong-lane', label: 'a strand has left the path', picture: { form: 'wrong-lane', face: 'back', state: 'tight' } },
        { fault: 'pair-crossed', label: 'a strand crosses its partner', picture: { form: 'pair-crossed', face: 'back', state: 'tight' } },
      ], source: 'practice',
    },
    {
      id: 'path', question: 'Follow the tail back. Does it stay with its partner all the way?', help: 'From the tail’s end, along every turn, to the eye: always beside the same strand.',
      right: { label: 'always beside it', picture: { form: 'right', face: 'front', state: 'dressed' } },
      wrong: [{ fault: 'wrong-lane', label: 'it leaves the path at one pass', picture: { form: 'wrong-lane', face: 'front', state: 'dressed' } }], source: 'practice',
    },
    TAIL_POINT,
    STOPPER_POINT,
    setPoint('front', 'the standing part, the tail and each leg of the eye'),
    EYE_POINT,
    HARNESS_POINT,
  ],
  faults: [
    { id: 'half-finished', name: 'half finished', arises: 'the end went through the harness and was never brought back', shows: 'one strand where there should be two; nothing holds the end', verdict: 'take-out-and-retie', what_to_do: 'Nothing holds this. Take it out and tie it again.', source: 'practice', does: [pulled('standing-eye', 'fails', 'tied so', 'nothing holds the end: it runs out', 'practice')] },
    { id: 'wrong-lane', name: 'wrong lane at one pass', arises: 'the end followed the wrong strand, or passed on the wrong side', shows: 'the tail leaves its partner: it is no longer an eight', verdict: 'take-out-and-retie', what_to_do: 'Take it out to that place and follow the path again.', source: 'practice' },
    { id: 'pair-crossed', name: 'pair crossed inside', arises: 'the end changed sides on its way back', shows: 'one strand lies across its partner', verdict: 'put-right', what_to_do: 'Dress it: lay the pair side by side, then set it again.', source: 'practice', does: [pulled('standing-eye', 'ok', 'tied so', 'crossed strands never came undone by hand after hard falls', 'practice')] },
    { id: 'load-strand-outside', name: 'load strand outside', arises: 'the end ran on the other side of the first eight', shows: 'the standing part takes the outer lane at the turn it loads first', verdict: 'remark', what_to_do: 'Nothing: both are right. Inside comes undone more easily.', source: 'practice', does: [pulled('standing-eye', 'made', 'tied so', 'as the other; over the outside it squashes the knot, which is then harder to undo', 'practice')] },
    { id: 'first-eight-left', name: 'first eight left in the rope', arises: 'the knot was untied as far as its first eight and no further', shows: 'a single eight stays in the rope after untying; it sticks when the rope is pulled', verdict: 'take-out-and-retie', what_to_do: 'Take it out before the rope is pulled.', source: 'practice', made: { by: 'knot', knot: 'figure-eight-stopper' } },
    ONE_HARNESS_POINT, LOOSE, TAIL_SHORT, TAIL_LONG, EYE_TOO_LARGE, STOPPER_MISSING, STOPPER_GAP, ANOTHER_KNOT,
  ],
  tail_rule_key: 'figure-eight-follow-through',
  recognised: { by: 'anyone', text: 'everyone recognises it; the same on both faces', source: 'practice' },
  cautions: [
    { text: 'a first eight left in the rope snags when the rope is pulled', source: 'practice' },
    { text: 'left loose, the idle outer strand jumped over its neighbour in drop trials, and the knot welded', source: 'practice' },
  ],
  good_for: [{ text: 'symmetric: whichever face one sees, the eight is there', source: 'practice' }],
  form_certainty: 'settled',
  form_text: 'one flat eight, its path doubled by offset; the closed forms agree with a second derivation of the same knot tied on a bight',
  ways: [{ id: 'retrace', name: 'Eight, through the harness, back along the path', right: true, ends_in: null }, { id: 'wrong-lane', name: 'Wrong: begun on the wrong lane', right: false, ends_in: { fault: 'wrong-lane' } }],
} as const satisfies KnotEntry;
