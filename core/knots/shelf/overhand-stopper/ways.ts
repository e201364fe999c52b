import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'by-the-end': {
    making: 'end',
    steps: [
      { upTo: 3, caption: 'The end across the standing part: a loop.', hands: { left: 'holds the loop', right: 'leads the end across' }, moving: 'the end' },
      { upTo: 6, caption: 'Round and through the loop.', hands: { left: 'holds the loop open', right: 'puts the end through' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Dress it.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part and tail.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
