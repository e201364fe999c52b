import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'two-loops': {
    making: 'end',
    steps: [
      { upTo: 12, caption: 'Two small loops in the standing part, alike, laid on one another. Lead the end on through the object.', hands: { left: 'holds both loops', right: 'leads the end through the object' }, moving: 'the end' },
      { upTo: 16, caption: 'The end up through both loops, from below.', hands: { left: 'holds both loops', right: 'leads the end up' }, moving: 'the end', seen: 'near' },
      { upTo: 20, caption: 'Round behind the standing part.', hands: { left: 'holds both loops', right: 'leads the end round' }, moving: 'the end', seen: 'near' },
      { upTo: 24, caption: 'Down through both loops again.', hands: { left: 'holds both loops', right: 'leads the end down' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: two parallel turns, the collar close.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Set it: standing part, tail and both legs; then the stopper.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
