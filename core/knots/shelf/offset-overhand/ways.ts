import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'both-together': {
    making: 'end',
    steps: [
      { upTo: 6, rope: 'both', caption: 'Both ropes side by side, the tails long: both ends round, back towards the standing parts.', hands: { left: 'pinches both ropes', right: 'leads both ends round' }, moving: 'both ends', seen: 'near' },
      { upTo: 9, rope: 'both', caption: 'Behind both standing parts.', hands: { left: 'holds the turn open', right: 'leads both ends behind' }, moving: 'both ends', seen: 'near' },
      { upTo: 12, rope: 'both', caption: 'In through the turn, both together: the tails leave to the side.', hands: { left: 'holds the turn', right: 'draws both ends through' }, moving: 'both ends', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: in pairs everywhere, none crossing its partner; the flat side to the rock.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: all four strands, one by one. Tails as long as the rule asks.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
