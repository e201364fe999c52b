import type { WayOfTying } from '../../moving/way';
import { twoEarsTied } from './hands';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'doubled-part': {
    making: 'bight',
    hands: twoEarsTied,
    steps: [
      { upTo: 1, caption: 'As the eight on a bight, begun low on the strands: it needs more rope. Once round its own two strands.', hands: { left: 'holds the strands flat on the palm', right: 'leads the bight' }, moving: 'the bight' },
      { upTo: 2, caption: 'Toward the first turn, from behind; but the bight stays inside it.', hands: { left: 'holds the turn', right: 'leads the bight' }, moving: 'the bight' },
      { upTo: 5, caption: 'Instead of the whole bight a doubled part goes through: of each of its legs an ear. The tip of the bight stays in front.', hands: { left: 'holds the tip', right: 'draws the two ears through' }, moving: 'both legs of the bight' },
      { upTo: 6, caption: 'The tip over the top of everything, down on the far side. Hold it.', hands: { left: 'holds the knot', right: 'folds the tip over the ears and down behind' }, moving: 'the tip of the bight' },
      { upTo: 7, caption: 'Pull the two ears.', hands: { left: 'holds the tip down', right: 'pulls the ears' }, moving: 'the ears' },
      { upTo: 'dressed', caption: 'Dress it: two strands side by side everywhere, the ears alike.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: both strands, then each ear.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
