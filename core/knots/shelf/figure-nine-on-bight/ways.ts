import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'bight': {
    making: 'bight',
    steps: [
      { upTo: 8, caption: 'Take a bight, flat, and lead it across its two strands.', hands: { left: 'holds the strands flat', right: 'leads the bight' }, moving: 'the bight' },
      { upTo: 14, caption: 'Round its own two strands, and half a turn more than for an eight.', hands: { left: 'holds the turns', right: 'leads the bight round' }, moving: 'the bight' },
      { upTo: 20, caption: 'Through the turn, in from the other side than an eight.', hands: { left: 'holds the turn open', right: 'puts the bight through' }, moving: 'the bight' },
      { upTo: 60, caption: 'Draw the eye out to its size.', hands: { left: 'holds the knot', right: 'draws the bight out' }, moving: 'the bight' },
      { upTo: 'dressed', caption: 'Dress it: pairs side by side.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part, tail and both legs, one by one.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
