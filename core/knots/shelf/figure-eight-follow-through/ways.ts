import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  retrace: {
    making: 'end',
    steps: [
      { upTo: 8, caption: 'About an arm’s length from the end, tie a single eight: behind the standing part, round, and into its own turn. Leave it loose.', hands: { left: 'holds the rope at the measured point', right: 'leads the end' }, moving: 'the end', seen: 'near' },
      { upTo: 16, caption: 'Keep the eight pinched in one hand so that it does not wander. Put the end through both harness points and draw the loop close now: it cannot be shortened cheaply later.', hands: { left: 'pinches the loose eight', right: 'threads both points and draws close' }, moving: 'the end' },
      { upTo: 20, caption: 'Choose the lane: the end goes back in beside the strand that came out. On this side the load strand stays inside, which comes undone more easily.', hands: { left: 'holds the eight open', right: 'starts the end back' }, moving: 'the end', seen: 'near' },
      { upTo: 26, caption: 'Copy every pass of the first eight, always on the same side of it. Do not cross over.', hands: { left: 'holds the eight', right: 'follows with the end' }, moving: 'the end', seen: 'near' },
      { upTo: 32, caption: 'Out beside the standing part. The tail must be as long as the rule asks.', hands: { left: 'holds the knot', right: 'draws the end out' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: at every place two strands side by side, none crossing its partner. Turn it over and look again.', hands: { left: 'holds the eye', right: 'lays the pairs' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: pull the standing part, the tail and both legs of the eye, one by one. Then the stopper, if the rules ask for one.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'four strands, one by one' },
    ],
  },
  'wrong-lane': {
    making: 'end',
    form: 'wrong-lane',
    steps: [
      { upTo: 8, caption: 'A single eight an arm’s length from the end.', hands: { left: 'holds the rope at the measured point', right: 'leads the end' }, moving: 'the end', seen: 'near' },
      { upTo: 16, caption: 'Through the object, and back.', hands: { left: 'pinches the loose eight', right: 'leads the end through' }, moving: 'the end' },
      { upTo: 26, caption: 'Followed on the right lane at first.', hands: { left: 'holds the eight', right: 'follows with the end' }, moving: 'the end', seen: 'near' },
      { upTo: 32, caption: 'At one pass it crosses to the other side of its partner: here it goes wrong.', hands: { left: 'holds the eight', right: 'follows with the end' }, moving: 'the end', seen: 'near' },
    ],
  },
};
