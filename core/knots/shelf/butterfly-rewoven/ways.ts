import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'overhand': {
    making: 'end',
    steps: [
      { upTo: 10, caption: 'An overhand, not tight, an arm’s length from the end.', hands: { left: 'holds the rope at the measured point', right: 'ties the overhand' }, moving: 'the end' },
      { upTo: 12, caption: 'The end through the ring.', hands: { left: 'holds the overhand', right: 'leads the end through the ring' }, moving: 'the end' },
      { upTo: 16, caption: 'Turn the overhand until its straight side lies beside the returning end; push the end into the little gap there, both eye strands side by side.', hands: { left: 'turns the overhand', right: 'pushes the end in' }, moving: 'the end' },
      { upTo: 20, caption: 'Look how the standing part goes at the big hole, and take the end the other way.', hands: { left: 'holds the hole open', right: 'leads the end' }, moving: 'the end' },
      { upTo: 24, caption: 'A new loop has formed: out through it with the end.', hands: { left: 'holds the loop open', right: 'puts the end through' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Dress it by pulling the eye, then the ends.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: eye against both ends, then the ends apart.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
