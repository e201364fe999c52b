import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'bight': {
    making: 'bight',
    steps: [
      { upTo: 6, caption: 'Take a bight and lead it across its two strands.', hands: { left: 'holds the strands flat', right: 'leads the bight' }, moving: 'the bight' },
      { upTo: 12, caption: 'Round them, and through the turn.', hands: { left: 'holds the turn open', right: 'puts the bight through' }, moving: 'the bight' },
      { upTo: 40, caption: 'Draw the eye out to its size.', hands: { left: 'holds the knot', right: 'draws the bight out' }, moving: 'the bight' },
      { upTo: 'dressed', caption: 'Dress it: pairs side by side.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: all four strands.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
