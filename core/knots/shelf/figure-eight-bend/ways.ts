import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'retrace': {
    making: 'end',
    start: [0, 0],
    steps: [
      { upTo: 16, caption: 'A loose eight at the end of the first rope.', hands: { left: 'holds the rope', right: 'ties the eight' }, moving: 'the first end', seen: 'near' },
      { upTo: 4, rope: 1, caption: 'The second end goes in where the first end came out.', hands: { left: 'holds the eight open', right: 'starts the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 10, rope: 1, caption: 'Beside the first strand, pass by pass, always on the same side.', hands: { left: 'holds the eight', right: 'follows' }, moving: 'the second end', seen: 'near' },
      { upTo: 16, rope: 1, caption: 'Out where the first rope came in.', hands: { left: 'holds the knot', right: 'draws the end out' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: two strands side by side everywhere.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: each rope and each tail by itself.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
  'same-side': {
    making: 'end',
    form: 'offset-eight',
    start: [0, 0],
    steps: [
      { upTo: 16, caption: 'A loose eight at the end of the first rope.', hands: { left: 'holds the rope', right: 'ties the eight' }, moving: 'the first end', seen: 'near' },
      { upTo: 4, rope: 1, caption: 'The second end goes in where the first rope goes in, from the same side: here it goes wrong.', hands: { left: 'holds the eight open', right: 'starts the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 10, rope: 1, caption: 'Beside the first strand, pass by pass.', hands: { left: 'holds the eight', right: 'follows with the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 16, rope: 1, caption: 'Both tails leave on the same side: loaded, it rolls off over them.', hands: { left: 'holds the knot', right: 'draws the end out' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'Two strands side by side everywhere, and yet the wrong knot: look where the tails leave. Take it out.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
    ],
  },
};
