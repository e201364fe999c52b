import type { WayOfTying } from '../../moving/way';
import { eightByTheBight } from './hands';

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
  'by-the-bight': {
    making: 'end',
    hands: eightByTheBight,
    steps: [
      { upTo: 1, caption: 'A bight near the end.', hands: { left: 'holds the standing part', right: 'holds the bight' }, moving: 'the bight' },
      { upTo: 2, caption: 'Turn it over once.', hands: { left: 'holds both strands', right: 'turns the bight half over' }, moving: 'the bight' },
      { upTo: 3, caption: 'And once more, the same way: two crossings.', hands: { left: 'holds the first crossing', right: 'turns the bight half over again' }, moving: 'the bight' },
      { upTo: 5, caption: 'Reach through what it encloses and take the end.', hands: { left: 'holds the crossings', right: 'reaches through, takes the end' }, moving: 'the end' },
      { upTo: 6, caption: 'Pull the end out.', hands: { left: 'holds the crossings', right: 'pulls the end out' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Dress it flat: it reads as an eight.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part and tail.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
