/** Faults and check points that every tie-in shares, so that they read the same on every knot. */
import type { CheckPoint, Face, Fault } from './types';

export const LOOSE: Fault = {
  id: 'loose', name: 'not set', arises: 'one tug on the rope instead of pulling every strand by itself',
  shows: 'daylight between strands; a strand can be moved with a finger', verdict: 'put-right',
  what_to_do: 'Pull every strand that leaves the knot, one by one, until nothing is loose.', source: 'practice',
};
export const TAIL_SHORT: Fault = {
  id: 'tail-short', name: 'tail short', arises: 'started too near the end', shows: 'less tail beyond the knot than the rule asks', verdict: 'put-right',
  what_to_do: 'Work rope through the knot, or tie it again with more in hand; dress, set and measure again.', source: 'practice',
};
export const TAIL_LONG: Fault = {
  id: 'tail-long', name: 'tail long', arises: 'started too far from the end', shows: 'more tail than the rule allows: it is in the way', verdict: 'put-right',
  what_to_do: 'Work the tail back through the knot, or tie it again; dress, set and measure again.', source: 'practice',
};
export const EYE_TOO_LARGE: Fault = {
  id: 'eye-too-large', name: 'eye too large', arises: 'the loop was not drawn close before the end went back', shows: 'a hand goes through the eye beside the harness', verdict: 'put-right',
  what_to_do: 'Draw the eye as small as the harness allows; dress, set and measure the tail again.', source: 'practice',
};
export const ONE_HARNESS_POINT: Fault = {
  id: 'one-harness-point', name: 'only one harness point', arises: 'the end went through one of the two points', shows: 'one harness point hangs free beside the eye', verdict: 'take-out-and-retie',
  what_to_do: 'Take the knot out and tie it through both points.', source: 'practice',
};
export const ANOTHER_KNOT: Fault = {
  id: 'another-knot', name: 'another knot, or one you do not know', arises: 'a pass was missed or made another way', shows: 'it is not the knot in the picture', verdict: 'take-out-and-retie',
  what_to_do: 'Do not load it: take it out and tie it again.', source: 'practice',
};
export const STOPPER_MISSING: Fault = {
  id: 'stopper-missing', name: 'no stopper', arises: 'forgotten, or too little tail left for it', shows: 'the tail ends without a second knot', verdict: 'put-right',
  what_to_do: 'Tie the stopper, butted up to the knot.', source: 'practice',
};
export const STOPPER_GAP: Fault = {
  id: 'stopper-gap', name: 'gap before the stopper', arises: 'the stopper was tied away from the knot', shows: 'a finger, or a clip, goes between knot and stopper', verdict: 'put-right',
  what_to_do: 'Move the stopper up until it touches the knot.', source: 'practice',
};

export const TAIL_POINT: CheckPoint = {
  id: 'tail', question: 'How long is the tail?', help: 'From where it leaves the knot to its end. Measure with a ruler, or in fists.',
  right: { label: 'tail', picture: { form: 'right', face: 'front', state: 'tight' } }, wrong: [], source: 'practice',
};

export const setPoint = (face: Face, strands: string): CheckPoint => ({
  id: 'set', question: 'Is every strand drawn tight?', help: `Take hold of ${strands}. Nothing may move, no light may show through.`,
  right: { label: 'drawn tight, no light through it', picture: { form: 'right', face, state: 'tight' } },
  wrong: [{ fault: 'loose', label: 'loose: strands stand apart', picture: { form: 'right', face, state: 'dressed' } }], source: 'practice',
});
export const EYE_POINT: CheckPoint = {
  id: 'eye', question: 'Is the eye as small as the harness allows?', help: 'A large eye catches things and puts the knot out of reach.',
  right: { label: 'small: close to the harness', picture: { form: 'right', face: 'front', state: 'tight', harness: 'both' } },
  wrong: [{ fault: 'eye-too-large', label: 'large: a hand goes through', picture: { form: 'eye-too-large', face: 'front', state: 'tight', harness: 'both' } }], source: 'practice',
};
export const HARNESS_POINT: CheckPoint = {
  id: 'harness', question: 'Does the rope go through both harness points?', help: 'Put a finger in each point and feel the rope in both.',
  right: { label: 'through both', picture: { form: 'right', face: 'front', state: 'tight', harness: 'both' } },
  wrong: [{ fault: 'one-harness-point', label: 'through one only', picture: { form: 'right', face: 'front', state: 'tight', harness: 'one' } }], source: 'practice',
};
export const STOPPER_POINT: CheckPoint = {
  id: 'stopper', question: 'Is there a stopper, butted up to the knot?', help: 'Round the standing part or round both strands, touching the knot. No gap in which something can be clipped.',
  right: { label: 'stopper touches the knot', picture: { form: 'right', face: 'front', state: 'tight' } },
  wrong: [
    { fault: 'stopper-missing', label: 'no stopper', picture: null },
    { fault: 'stopper-gap', label: 'a gap before it', picture: null },
  ], source: 'practice',
};
