import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'coils': {
    making: 'end',
    start: [9, 9],
    steps: [
      { upTo: 18, caption: 'The ropes overlap. The first end goes once round the other rope and itself, back towards its own side’s middle.', hands: { left: 'pinches both ropes', right: 'winds the first end' }, moving: 'the first end', seen: 'near' },
      { upTo: 26, caption: 'Once more round both, and in through its turns.', hands: { left: 'holds the turns open', right: 'puts the first end through' }, moving: 'the first end', seen: 'near' },
      { upTo: 18, rope: 1, caption: 'Turn it over. The second end likewise, round the first rope and itself.', hands: { left: 'pinches both ropes', right: 'winds the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 26, rope: 1, caption: 'Once more, and in through its turns: the same hand as the first.', hands: { left: 'holds the turns open', right: 'puts the second end through' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'Slide the coils together: they nest, two crosses on one side.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Pull the ropes; then each tail.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
  'opposite-hands': {
    making: 'end',
    form: 'coils-opposite',
    start: [8, 8],
    steps: [
      { upTo: 24, caption: 'The first end: two turns round both ropes, in through them.', hands: { left: 'pinches both ropes', right: 'winds the first end' }, moving: 'the first end', seen: 'near' },
      { upTo: 18, rope: 1, caption: 'The second end winds the other way round: here it goes wrong.', hands: { left: 'pinches both ropes', right: 'winds the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 24, rope: 1, caption: 'In through its turns: the coils lie against each other and do not nest.', hands: { left: 'holds the turns open', right: 'puts the second end through' }, moving: 'the second end', seen: 'near' },
    ],
  },
};
