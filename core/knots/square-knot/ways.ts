import type { WayOfTying } from '../tying';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'right-over-left': {
    making: 'end',
    start: [3, 0],
    steps: [
      { upTo: 6, caption: 'The first rope is bent back: a bight for the other.', hands: { left: 'holds the bight', right: 'lays it' }, moving: 'the first end' },
      { upTo: 3, rope: 1, caption: 'The second end up through the bight.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end' },
      { upTo: 6, rope: 1, caption: 'Round behind both, and back out beside itself.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end' },
      { upTo: 'dressed', caption: 'Each rope lies beside itself. For parcels, not for a life.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
    ],
  },
};
