import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  coils: {
    making: 'end',
    start: [13, 13],
    steps: [
      { upTo: 20, caption: 'The ropes overlap. The first end goes once round the other rope and itself, back towards its own side’s middle.', hands: { left: 'pinches both ropes', right: 'winds the first end' }, moving: 'the first end', seen: 'near' },
      { upTo: 32, caption: 'Twice more round both: three turns.', hands: { left: 'holds the turns open', right: 'winds the first end' }, moving: 'the first end', seen: 'near' },
      { upTo: 38, caption: 'In through its three turns.', hands: { left: 'holds the turns open', right: 'puts the first end through' }, moving: 'the first end', seen: 'near' },
      { upTo: 32, rope: 1, caption: 'Turn it over. The second end likewise: three turns round the first rope and itself, the same hand as the first.', hands: { left: 'pinches both ropes', right: 'winds the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 38, rope: 1, caption: 'In through its three turns.', hands: { left: 'holds the turns open', right: 'puts the second end through' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'Slide the coils together: they nest.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Pull the ropes; then each tail.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
