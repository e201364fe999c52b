import type { WayOfTying } from '../../moving/way';
import { bowlineOnBightTied } from './hands';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'bight-opened': {
    making: 'bight',
    hands: bowlineOnBightTied,
    steps: [
      { upTo: 1, caption: 'A bight: with both strands a loop over the two strands.', hands: { left: 'holds both strands', right: 'leads the bight' }, moving: 'the bight' },
      { upTo: 3, caption: 'The bight up through it, as in an overhand.', hands: { left: 'holds the loop open', right: 'leads the bight up through it' }, moving: 'the bight' },
      { upTo: 4, caption: 'Spread the two eyes; open the bight.', hands: { left: 'holds the loop', right: 'opens the bight' }, moving: 'the bight and both eyes' },
      { upTo: 5, caption: 'Take the opened bight down in front, over both eyes and the whole.', hands: { left: 'holds the loop', right: 'takes the bight down over the eyes' }, moving: 'the bight', seen: { pitch_deg: 24 } },
      { upTo: 6, caption: 'Up behind, to the standing strands.', hands: { left: 'holds the loop', right: 'brings the bight up behind the standing strands' }, moving: 'the bight', seen: { pitch_deg: 24 } },
      { upTo: 7, caption: 'Pull the eyes to size.', hands: { left: 'holds the standing strands', right: 'pulls the eyes' }, moving: 'both eyes' },
      { upTo: 'dressed', caption: 'Dress it: both strands side by side, the bight round both standing strands.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: the eyes, then the strands.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
