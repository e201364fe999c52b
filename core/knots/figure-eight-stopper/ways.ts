import type { WayOfTying } from '../tying';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'by-the-end': {
    making: 'end',
    steps: [
      { upTo: 4, caption: 'The end is led back across the standing part: a loop.', hands: { left: 'holds the loop', right: 'leads the end across' }, moving: 'the end' },
      { upTo: 6, caption: 'Behind the standing part, and round it.', hands: { left: 'holds the loop', right: 'leads the end behind' }, moving: 'the end' },
      { upTo: 8, caption: 'Into the loop from the front: an eight.', hands: { left: 'holds the loop open', right: 'puts the end through' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Dress it flat: it reads as an eight.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part and tail.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
