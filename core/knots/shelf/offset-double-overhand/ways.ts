import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'both-together': {
    making: 'end',
    start: [8, 9],
    steps: [
      { upTo: 23, rope: 'both', caption: 'Both ropes side by side, the tails long: both ends once round both standing parts.', hands: { left: 'pinches both ropes', right: 'winds both ends' }, moving: 'both ends', seen: 'near' },
      { upTo: 31, rope: 'both', caption: 'Once more, beside the first turn: two turns.', hands: { left: 'holds the first turn', right: 'winds both ends' }, moving: 'both ends', seen: 'near' },
      { upTo: 39, rope: 'both', caption: 'In through both turns: the tails leave to the side.', hands: { left: 'holds the turns open', right: 'puts both ends through' }, moving: 'both ends', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: two turns side by side, in pairs, none crossing its partner.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: all four strands, one by one. Tails as long as the rule asks.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
