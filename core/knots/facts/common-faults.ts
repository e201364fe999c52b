/** Faults and check points that every tie-in shares, so that they read the same on every knot. */
import type { CheckPoint, Face, Fault } from './types';

export const LOOSE: Fault = {
  id: 'loose', name: 'not set', arises: 'one tug on the rope instead of pulling every strand by itself',
  shows: 'daylight between strands; a strand can be moved with a finger', verdict: 'put-right',
  what_to_do: 'Pull every strand that leaves the knot, one by one, until nothing is loose.', source: 'practice', made: { by: 'not-set' },
};
export const TAIL_SHORT: Fault = {
  id: 'tail-short', name: 'tail short', arises: 'started too near the end', shows: 'less tail beyond the knot than the rule asks', verdict: 'put-right',
  what_to_do: 'Work rope through the knot, or tie it again with more in hand; dress, set and measure again.', source: 'practice', made: { by: 'tail-cut' },
};
export const TAIL_LONG: Fault = {
  id: 'tail-long', name: 'tail long', arises: 'started too far from the end', shows: 'more tail than the rule allows: it is in the way', verdict: 'put-right',
  what_to_do: 'Work the tail back through the knot, or tie it again; dress, set and measure again.', source: 'practice', made: { by: 'tail-lengthened' },
};
export const EYE_TOO_LARGE: Fault = {
  id: 'eye-too-large', name: 'eye too large', arises: 'the loop was not drawn close before the end went back', shows: 'a hand goes through the eye beside the harness', verdict: 'put-right',
  what_to_do: 'Draw the eye as small as the harness allows; dress, set and measure the tail again.', source: 'practice',
};
export const ONE_HARNESS_POINT: Fault = {
  id: 'one-harness-point', name: 'only one harness point', arises: 'the end went through one of the two points', shows: 'one harness point hangs free beside the eye', verdict: 'take-out-and-retie',
  what_to_do: 'Take the knot out and tie it through both points.', source: 'practice', made: { by: 'one-point' },
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
  id: 'eye', uses: ['tie-in'], question: 'Is the eye as small as the harness allows?', help: 'A large eye catches things and puts the knot out of reach.',
  right: { label: 'small: close to the harness', picture: { form: 'right', face: 'front', state: 'tight', harness: 'both' } },
  wrong: [{ fault: 'eye-too-large', label: 'large: a hand goes through', picture: { form: 'eye-too-large', face: 'front', state: 'tight', harness: 'both' } }], source: 'practice',
};
export const HARNESS_POINT: CheckPoint = {
  id: 'harness', uses: ['tie-in'], question: 'Does the rope go through both harness points?', help: 'Put a finger in each point and feel the rope in both.',
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

/** The last question of every walk: what else could come to pull on it. */
export const otherwisePoint = (could: string, source: 'practice' | 'general' = 'practice', also: CheckPoint['wrong'] = []): CheckPoint => ({
  id: 'otherwise', question: 'Can anything load it otherwise than it was made for?', help: could,
  right: { label: 'nothing can', picture: { form: 'right', face: 'front', state: 'tight' } },
  wrong: [{ fault: 'other-ends-loaded', label: 'something can', picture: null }, ...also], source,
});
export const OTHER_ENDS_LOADED: Fault = {
  id: 'other-ends-loaded', name: 'loaded otherwise than it was made for', arises: 'another strand takes the load, now or if something fails', shows: 'the strand that is pulled is not the one it was made for', verdict: 'take-out-and-retie',
  what_to_do: 'Unload it and choose a knot made for that pull.', source: 'practice',
};
/** The same where it is the other end of a rope that takes the load: that form has its shape. @param ropes which of the two is run the other way */
export const otherEndLoaded = (...ropes: readonly (0 | 1)[]): Fault => ({ ...OTHER_ENDS_LOADED, made: { by: 'ends-exchanged', ropes } });
export const GATE_UNLOCKED: Fault = {
  id: 'gate-unlocked', name: 'gate not locked', arises: 'the sleeve was left open', shows: 'the gate opens when it is pressed', verdict: 'put-right', what_to_do: 'Lock the gate and press it to test.', source: 'practice',
};
export const GATE_POINT: CheckPoint = {
  id: 'gate', question: 'Is the gate locked, and away from what runs?', help: 'Press the gate. No moving strand may lie against it.',
  right: { label: 'locked, nothing runs over it', picture: { form: 'right', face: 'front', state: 'tight' } },
  wrong: [{ fault: 'gate-unlocked', label: 'it opens when pressed', picture: null }], source: 'practice',
};
export const tailPoint = (help = 'From where it leaves the knot to its end. Measure with a ruler, or in fists.'): CheckPoint => ({ ...TAIL_POINT, help });
export const CROSSED_WRAPS: Fault = {
  id: 'crossed-wraps', name: 'wraps crossed', arises: 'a turn was laid over its neighbour', shows: 'a wrap lies across another', verdict: 'put-right', what_to_do: 'Unload it and lay every wrap beside the next; set it again. A crossed one does not grip.', source: 'practice',
};
export const ONE_WRAP_SHORT: Fault = {
  id: 'one-wrap-short', name: 'too few wraps', arises: 'a turn was left out', shows: 'fewer turns than were meant; it slips', verdict: 'put-right', what_to_do: 'Add a turn and test it again. Each wrap holds more and moves worse.', source: 'practice',
};
export const UNEVEN_LEGS: Fault = { id: 'uneven-legs', name: 'legs uneven', arises: 'slack left on one side', shows: 'one leg hangs lower than the other', verdict: 'put-right', what_to_do: 'Draw the legs about even and dress the wraps again.', source: 'practice', made: { by: 'leg-lengthened' } };
export const CORD_TOO_THICK: Fault = { id: 'cord-too-thick', name: 'cord too thick or too stiff', arises: 'taken without comparing it with the rope', shows: 'it does not bite on a short hard pull', verdict: 'take-out-and-retie', what_to_do: 'Take a thinner, softer cord within what the rule set says.', source: 'practice' };
export const CORD_TOO_THIN: Fault = { id: 'cord-too-thin', name: 'cord too thin', arises: 'taken without asking for its strength', shows: 'it bites, but it is weak', verdict: 'take-out-and-retie', what_to_do: 'Take a thicker cord within what the rule set says.', source: 'practice' };
export const JOINT_IN_WRAPS: Fault = { id: 'joint-in-wraps', name: 'joint of the cord in the wraps', arises: 'the joint wandered while it was dressed', shows: 'a knot lies among the wraps', verdict: 'put-right', what_to_do: 'Unload it and draw the joint clear of the wraps.', source: 'practice', made: { by: 'joint-tied-in', place: 'wraps' } };
export const JOINT_ON_CLIP: Fault = { id: 'joint-on-clip', name: 'joint bears on the clip', arises: 'the slack was not drawn out by one leg only', shows: 'the joint lies in the bend at the clip', verdict: 'put-right', what_to_do: 'Draw the slack out on one leg, so that the joint lies beside the clip.', source: 'practice', made: { by: 'joint-tied-in', place: 'clip' } };
export const UPSIDE_DOWN: Fault = { id: 'hitch-upside-down', name: 'upside down', arises: 'tied without asking which way the load comes', shows: 'it slides when it should bite', verdict: 'take-out-and-retie', what_to_do: 'Take it off and tie it the other way up; test it on a short hard pull.', source: 'practice', made: { by: 'turned-upside-down' } };
export const DEVICE_REACHES: Fault = { id: 'device-reaches', name: 'the device can run into the hitch', arises: 'the leg is too long', shows: 'device and hitch can touch', verdict: 'take-out-and-retie', what_to_do: 'Shorten the leg, or put the hitch below the device: pushed by it, the hitch cannot grip.', source: 'practice' };
export const DEVICE_CAN_REACH: CheckPoint['wrong'] = [{ fault: 'device-reaches', label: 'the device can run into it', picture: null }];

/** The test of every friction hitch, in order. */
export const SLIDES_POINT: CheckPoint = {
  id: 'slides', question: 'Does it slide by hand, then bite, then hold body weight?', help: 'Slide it by hand; then a short hard pull; then hang on it, low, with a backup.',
  right: { label: 'slides, bites, holds body weight', picture: { form: 'right', face: 'front', state: 'tight' } },
  wrong: [{ fault: 'cord-too-thick', label: 'it does not bite', picture: null }, { fault: 'cord-too-thin', label: 'it bites, but the cord is too thin', picture: null }, { fault: 'one-wrap-short', label: 'it bites and slips', picture: null }], source: 'practice',
};
export const JOINT_POINT: CheckPoint = {
  id: 'joint', question: 'Is the cord’s joint clear of the wraps and off the clip?', help: 'Follow the cord once round. The joint lies beside the clip, never in the wraps, never in the bend at the clip.',
  right: { label: 'beside the clip', picture: { form: 'right', face: 'front', state: 'tight' } },
  wrong: [{ fault: 'joint-in-wraps', label: 'it lies in the wraps', picture: { form: 'joint-in-wraps', face: 'front', state: 'tight' } }, { fault: 'joint-on-clip', label: 'it bears on the clip', picture: { form: 'joint-on-clip', face: 'front', state: 'tight' } }], source: 'practice',
};
