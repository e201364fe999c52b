import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'right-over-left': {
    making: 'end',
    start: [3, 0],
    steps: [
      { upTo: 6, caption: 'The first rope is bent back: a bight for the other.', hands: { left: 'holds the bight', right: 'lays it' }, moving: 'the first end', seen: 'near' },
      { upTo: 3, rope: 1, caption: 'The second end up through the bight.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 6, rope: 1, caption: 'Round behind both, and back out beside itself.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'Each rope lies beside itself. For parcels, not for a life.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
    ],
  },
  granny: {
    making: 'end',
    form: 'granny',
    start: [3, 0],
    steps: [
      { upTo: 6, caption: 'The first rope is bent back: a bight for the other.', hands: { left: 'holds the bight', right: 'lays it' }, moving: 'the first end', seen: 'near' },
      { upTo: 3, rope: 1, caption: 'The second end through the bight.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 6, rope: 1, caption: 'Round, and back in over the leg where it should go under: here it goes wrong.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'A granny: the ropes leave their bights on different faces, and it does not lie flat. Take it out.', hands: { left: 'holds the knot', right: 'pulls the ropes' }, moving: 'all strands' },
    ],
  },
  thief: {
    making: 'end',
    form: 'thief',
    start: [3, 0],
    steps: [
      { upTo: 6, caption: 'The first rope is bent back: a bight for the other.', hands: { left: 'holds the bight', right: 'lays it' }, moving: 'the first end', seen: 'near' },
      { upTo: 3, rope: 1, caption: 'The second end in by the other leg: here it goes wrong.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 6, rope: 1, caption: 'Round, and back out: it looks the same, but the two ends lie on opposite sides.', hands: { left: 'holds the bight', right: 'leads the second end' }, moving: 'the second end', seen: 'near' },
      { upTo: 'dressed', caption: 'A thief knot: ends on opposite sides, it slips. Take it out.', hands: { left: 'holds the knot', right: 'pulls the ropes' }, moving: 'all strands' },
    ],
  },
};
