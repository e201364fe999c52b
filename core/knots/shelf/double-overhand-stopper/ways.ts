import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'loop': {
    making: 'end',
    steps: [
      { upTo: 5, caption: 'A loop in the rope, the end across.', hands: { left: 'holds the loop', right: 'leads the end across' }, moving: 'the end' },
      { upTo: 8, caption: 'The end through the loop once.', hands: { left: 'holds the loop open', right: 'puts the end through' }, moving: 'the end' },
      { upTo: 10, caption: 'Through it once more, the same way.', hands: { left: 'holds the loop open', right: 'puts the end through again' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Lay the two turns side by side.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Pull both ends; push it towards the end of the rope.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
