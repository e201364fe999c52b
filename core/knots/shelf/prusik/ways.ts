import type { WayOfTying } from '../../moving/way';
import { prusikTied } from './hands';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'through-the-loop': {
    making: 'end',
    hands: prusikTied,
    steps: [
      { upTo: 1, caption: 'The loop against the rope; the joint end round behind it, and in under the loop.', hands: { left: 'holds the loop against the rope', right: 'leads the joint end round' }, moving: 'the joint end, both strands', seen: { zoom: 0.5 } },
      { upTo: 2, caption: 'Round again, and in under the loop, inside the first turn.', hands: { left: 'holds the turns flat', right: 'leads the joint end round' }, moving: 'the joint end, both strands', seen: { zoom: 0.62 } },
      { upTo: 3, caption: 'A third time, flat beside the others.', hands: { left: 'holds the turns flat', right: 'leads the joint end round' }, moving: 'the joint end, both strands', seen: { zoom: 0.8 } },
      { upTo: 4, caption: 'Draw the slack out by one leg only, the one that carries the joint off the clip point.', hands: { left: 'lays the turns flat', right: 'draws one leg' }, moving: 'the loop: it is the bridge now' },
      { upTo: 'dressed', caption: 'Dress it: wraps flat and alike, none crossed; the bridge over all.', hands: { left: 'turns it round the rope and looks', right: 'lays the wraps' }, moving: 'the wraps' },
      { upTo: 'tight', caption: 'Set it, and test it with a short hard pull.', hands: { left: 'stays off it', right: 'pulls both legs' }, moving: 'both legs' },
    ],
  },
};
