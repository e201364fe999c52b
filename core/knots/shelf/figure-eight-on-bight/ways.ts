import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'bight': {
    making: 'bight',
    steps: [
      { upTo: 6, caption: 'Take a bight, flat, its two strands side by side, and lead it across them.', hands: { left: 'holds the strands flat on the palm', right: 'leads the bight' }, moving: 'the bight' },
      { upTo: 11, caption: 'Once round its own two strands, no twist.', hands: { left: 'holds the turn with finger and thumb', right: 'leads the bight round' }, moving: 'the bight' },
      { upTo: 16, caption: 'Through the turn.', hands: { left: 'holds the turn open', right: 'puts the bight through' }, moving: 'the bight' },
      { upTo: 40, caption: 'Draw the eye out to its size. Count five pairs.', hands: { left: 'holds the knot', right: 'draws the bight out' }, moving: 'the bight' },
      { upTo: 'dressed', caption: 'Dress it: pairs side by side, none crossing its partner.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part, tail and both legs, one by one.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
