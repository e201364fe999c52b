import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'loop': {
    making: 'end',
    steps: [
      { upTo: 8, caption: 'Small loop in the standing part, its top towards you, its lower strand towards the load. Lead the end on through the object.', hands: { left: 'holds the loop', right: 'leads the end through the object' }, moving: 'the end' },
      { upTo: 10, caption: 'The end up through the loop, from below.', hands: { left: 'holds the loop', right: 'leads the end up' }, moving: 'the end', seen: 'near' },
      { upTo: 12, caption: 'Round behind the standing part.', hands: { left: 'holds the loop', right: 'leads the end round' }, moving: 'the end', seen: 'near' },
      { upTo: 14, caption: 'Down through the loop again, beside itself.', hands: { left: 'holds the loop', right: 'leads the end down' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: the collar close round the standing part, the tail inside the eye.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part, tail and both legs of the eye. For a life only with a lock or a stopper.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
  'loop-reversed': {
    making: 'end',
    form: 'nip-reversed',
    steps: [
      { upTo: 8, caption: 'The small loop made the other way round, its lower strand towards the eye: here it goes wrong.', hands: { left: 'holds the loop', right: 'leads the end through the object' }, moving: 'the end' },
      { upTo: 10, caption: 'The end through the loop as always.', hands: { left: 'holds the loop', right: 'leads the end' }, moving: 'the end', seen: 'near' },
      { upTo: 12, caption: 'Round behind the standing part.', hands: { left: 'holds the loop', right: 'leads the end round' }, moving: 'the end', seen: 'near' },
      { upTo: 14, caption: 'Back through the loop, beside itself: nothing feels different.', hands: { left: 'holds the loop', right: 'leads the end down' }, moving: 'the end', seen: 'near' },
      { upTo: 'tight', caption: 'Loaded, the loop does not nip: it falls apart. Take it out.', hands: { left: 'holds against the pull', right: 'pulls the standing part' }, moving: 'the standing part' },
    ],
  },
};
