import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'coil': {
    making: 'end',
    steps: [
      { upTo: 4, caption: 'The end through the clip, and back beside the standing part.', hands: { left: 'holds the clip', right: 'leads the end through' }, moving: 'the end' },
      { upTo: 12, caption: 'Pinch the returning leg beside the standing part; the end crosses over both.', hands: { left: 'pinches both strands', right: 'leads the end across' }, moving: 'the end', seen: 'near' },
      { upTo: 20, caption: 'Coil up round both strands: two turns.', hands: { left: 'pinches both strands', right: 'winds the end' }, moving: 'the end', seen: 'near' },
      { upTo: 26, caption: 'The end through both turns, from the clip’s side.', hands: { left: 'holds the turns open', right: 'puts the end through' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Lay the turns side by side: they hold the standing part and the returning leg, nothing else.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Pull the standing part, it slides; set the barrel on the upper two strands.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
