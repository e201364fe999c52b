import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'loop-and-lock': {
    making: 'end',
    steps: [
      { upTo: 10, caption: 'Make a small loop in the standing part, its top towards you. Put the end through both harness points; nothing was tied before.', hands: { left: 'holds the loop', right: 'threads both points' }, moving: 'the end' },
      { upTo: 12, caption: 'Bring the end up through the loop from behind.', hands: { left: 'holds the loop', right: 'leads the end up' }, moving: 'the end', seen: 'near' },
      { upTo: 15, caption: 'Round behind the standing part.', hands: { left: 'holds the loop', right: 'leads the end round' }, moving: 'the end', seen: 'near' },
      { upTo: 17, caption: 'Down through the loop beside itself, into the eye: a bowline. Leave it loose.', hands: { left: 'holds the loop', right: 'leads the end down' }, moving: 'the end', seen: 'near' },
      { upTo: 18, caption: 'Now the lock: from the eye, back up through the loop from above, between the two strands that are there.', hands: { left: 'opens the two strands', right: 'leads the end between them' }, moving: 'the end', seen: 'near' },
      { upTo: 20, caption: 'Last, up through the collar, right beside the standing part.', hands: { left: 'holds the collar open', right: 'leads the end through it' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: three strands in the loop, the third one in the middle. Turn it over: the collar goes round both.', hands: { left: 'holds the eye', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part, tail and both legs. No daylight in the knot, the eye small, the tail 100 to 200 mm.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
  'beside-the-collar': {
    making: 'end',
    form: 'lock-not-through-collar',
    steps: [
      { upTo: 10, caption: 'A small loop in the standing part; the end through both harness points.', hands: { left: 'holds the loop', right: 'leads the end through' }, moving: 'the end' },
      { upTo: 12, caption: 'The end up through the loop from behind.', hands: { left: 'holds the loop', right: 'leads the end up' }, moving: 'the end', seen: 'near' },
      { upTo: 17, caption: 'Round behind the standing part, and down through the loop: a bowline.', hands: { left: 'holds the loop', right: 'leads the end round and down' }, moving: 'the end', seen: 'near' },
      { upTo: 18, caption: 'From the eye, back up through the loop.', hands: { left: 'opens the two strands', right: 'leads the end between them' }, moving: 'the end', seen: 'near' },
      { upTo: 20, caption: 'Up beside the collar, not through it: here it goes wrong.', hands: { left: 'holds the knot', right: 'leads the end past the collar' }, moving: 'the end', seen: 'near' },
      { upTo: 'tight', caption: 'The lock holds nothing: turn it over, the collar goes round one strand only. Take the lock out and lead it again.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
