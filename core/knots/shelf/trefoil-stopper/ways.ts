import type { WayOfTying } from '../../moving/way';
import { trefoil } from './hands';

const SLIP: WayOfTying['steps'] = [
  { upTo: 2, caption: 'A small loop, the tail crossing under.', hands: { left: 'holds the standing part', right: 'turns the loop over' }, moving: 'the loop' },
  { upTo: 3, caption: 'Lay it over the standing part.', hands: { left: 'holds the standing part on the table', right: 'lays the loop over it' }, moving: 'the loop' },
  { upTo: 4, caption: 'Draw a bight of the standing part through it. Snug it with the tail.', hands: { left: 'holds the loop', right: 'draws the bight of the standing part through' }, moving: 'a bight of the standing part' },
  { upTo: 6, caption: 'The end goes round the back.', hands: { left: 'holds bight and loop', right: 'leads the end round' }, moving: 'the end' },
];

export const ways: Readonly<Record<string, WayOfTying>> = {
  'slip-and-through': {
    making: 'end',
    hands: () => trefoil(1),
    steps: [
      ...SLIP,
      { upTo: 7, caption: 'Down through that bight.', hands: { left: 'holds the bight open', right: 'leads the end through it' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Dress it: the standing part closes it.', hands: { left: 'holds the tail', right: 'draws the standing part' }, moving: 'the standing part' },
      { upTo: 'tight', caption: 'Set it: three lobes round the rope.', hands: { left: 'holds the knot', right: 'draws the standing part hard' }, moving: 'the standing part' },
    ],
  },
  'from-the-other-side': {
    making: 'end',
    form: 'tail-from-wrong-side',
    hands: () => trefoil(-1),
    steps: [
      ...SLIP,
      { upTo: 7, caption: 'The error: through the bight from the other side.', hands: { left: 'holds the bight open', right: 'leads the end through from the wrong side' }, moving: 'the end' },
      { upTo: 'tight', caption: 'Set, it is a lump without three lobes. Take the end out.', hands: { left: 'holds the knot', right: 'draws the standing part' }, moving: 'the standing part' },
    ],
  },
};
