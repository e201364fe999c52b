import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'round-the-leg': {
    making: 'end',
    steps: [
      { upTo: 12, caption: 'A bowline first. Small loop in the standing part, its top towards you; the end on through the object.', hands: { left: 'holds the loop', right: 'leads the end through the object' }, moving: 'the end' },
      { upTo: 14, caption: 'The end up through the loop, from below.', hands: { left: 'holds the loop', right: 'leads the end up' }, moving: 'the end', seen: 'near' },
      { upTo: 17, caption: 'Round behind the standing part.', hands: { left: 'holds the loop', right: 'leads the end round' }, moving: 'the end', seen: 'near' },
      { upTo: 20, caption: 'Down through the loop beside itself: a bowline. Make it snug before going on.', hands: { left: 'holds the loop', right: 'leads the end down' }, moving: 'the end', seen: 'near' },
      { upTo: 22, caption: 'Once round the leg of the eye.', hands: { left: 'holds the knot', right: 'leads the end round the leg' }, moving: 'the end', seen: 'near' },
      { upTo: 26, caption: 'Up beside the standing part, under the collar.', hands: { left: 'holds the collar open', right: 'leads the end under it' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Dress it: the bowline stays as it was while the end is drawn up.', hands: { left: 'holds the bowline', right: 'draws the end' }, moving: 'the end' },
      { upTo: 'tight', caption: 'Set it: standing part, both legs, then the end.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
};
