import { loopToTheClip, twoLoops } from '../../moving/looping';
import type { WayOfTying } from '../../moving/way';
import { baked } from './baked';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'folded-loops': {
    making: 'bight',
    hands: () => twoLoops('folded', baked.forms['right']!),
    steps: [
      { upTo: 2, caption: 'A loop.', hands: { left: 'holds the line', right: 'turns a bight half over' }, moving: 'the first bight' },
      { upTo: 3, caption: 'A second one beside it, the very same.', hands: { left: 'holds the first loop', right: 'turns the second bight the same way' }, moving: 'the second bight' },
      { upTo: 4, caption: 'Fold the one upon the other, face to face, as a book is shut. Do not slide them.', hands: { left: 'holds one loop', right: 'folds the other upon it' }, moving: 'the second loop' },
      { upTo: 6, caption: 'Clip both over the open gate, down to the bow.', hands: { left: 'opens the gate', right: 'puts both loops on' }, moving: 'both loops' },
      { upTo: 7, caption: 'Let the gate shut. Lock it.', hands: { left: 'locks the gate', right: 'holds the brake strand' }, moving: 'the gate' },
      { upTo: 'tight', caption: 'Pull each strand in turn: it flips through and brakes both ways. The bight lies across both strands.', hands: { left: 'pulls the load strand', right: 'pulls the brake strand, and never lets it go' }, moving: 'strands, one by one' },
    ],
  },
  'in-the-clip': {
    making: 'bight',
    hands: () => loopToTheClip('folded', baked.forms['right']!),
    steps: [
      { upTo: 1, caption: 'The rope is in the clip, the brake strand away from the gate. Bring the load strand round in front of it.', hands: { left: 'holds the brake strand', right: 'takes a bight of the load strand' }, moving: 'the load strand' },
      { upTo: 2, caption: 'Take a bight of it.', hands: { left: 'holds the brake strand', right: 'takes a bight of the load strand' }, moving: 'the load strand' },
      { upTo: 3, caption: 'Turn it over, in the same sense as the rope runs through the clip.', hands: { left: 'holds the brake strand', right: 'turns the bight half over' }, moving: 'the new loop' },
      { upTo: 4, caption: 'And over once more, as a book is shut.', hands: { left: 'holds the brake strand', right: 'turns the loop over' }, moving: 'the new loop' },
      { upTo: 6, caption: 'Clip it over the gate, beside the brake strand.', hands: { left: 'opens the gate', right: 'puts the loop on' }, moving: 'the new loop' },
      { upTo: 7, caption: 'Let the gate shut. Lock it.', hands: { left: 'locks the gate', right: 'holds the strands' }, moving: 'the gate' },
      { upTo: 'tight', caption: 'Pull each strand in turn: it flips through and brakes both ways. The bight lies across both strands.', hands: { left: 'pulls the load strand', right: 'pulls the brake strand, and never lets it go' }, moving: 'strands, one by one' },
    ],
  },
};
