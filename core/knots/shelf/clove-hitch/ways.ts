import { loopToTheClip, twoLoops } from '../../moving/looping';
import type { WayOfTying } from '../../moving/way';
import { baked } from './baked';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'two-loops': {
    making: 'bight',
    hands: () => twoLoops('slid', baked.forms['right']!),
    steps: [
      { upTo: 2, caption: 'A loop.', hands: { left: 'holds the line', right: 'turns a bight half over' }, moving: 'the first bight' },
      { upTo: 3, caption: 'A second one beside it, the very same: each with its upper strand running to the same side.', hands: { left: 'holds the first loop', right: 'turns the second bight the same way' }, moving: 'the second bight' },
      { upTo: 4, caption: 'Slide the one over the other. Do not fold them.', hands: { left: 'holds one loop', right: 'slides the other over it' }, moving: 'the second loop' },
      { upTo: 6, caption: 'Clip both over the open gate, down to the bow.', hands: { left: 'opens the gate', right: 'puts both loops on' }, moving: 'both loops' },
      { upTo: 8, caption: 'Let the gate shut. Lock it.', hands: { left: 'locks the gate', right: 'draws both strands' }, moving: 'the gate' },
      { upTo: 'tight', caption: 'Set it: each strand by itself. Two turns side by side, one strand across both.', hands: { left: 'pulls one strand', right: 'pulls the other' }, moving: 'strands, one by one' },
    ],
  },
  'one-hand': {
    making: 'bight',
    hands: () => loopToTheClip('slid', baked.forms['right']!),
    steps: [
      { upTo: 1, caption: 'The rope is in the clip. Take the far strand, thumb hooked down, round the front of the near one.', hands: { left: 'is free: hold on with it', right: 'reaches round the front of the near strand and takes the far one' }, moving: 'the far strand' },
      { upTo: 2, caption: 'A bight of it.', hands: { left: 'is free', right: 'holds the bight' }, moving: 'the bight' },
      { upTo: 3, caption: 'Turn the wrist: a loop that crosses the same way as the first.', hands: { left: 'is free', right: 'turns the strand half over' }, moving: 'the new loop' },
      { upTo: 5, caption: 'Clip it over the gate, down beside the first.', hands: { left: 'is free', right: 'opens the gate with the loop and puts it on' }, moving: 'the new loop' },
      { upTo: 7, caption: 'Let the gate shut. Lock it.', hands: { left: 'is free', right: 'locks the gate' }, moving: 'the gate' },
      { upTo: 'tight', caption: 'Set it: each strand by itself. It is the same as two loops slid together. Practise gate left, gate right, each hand.', hands: { left: 'pulls one strand', right: 'pulls the other' }, moving: 'strands, one by one' },
    ],
  },
  'with-the-end': {
    making: 'end',
    form: 'on-post',
    steps: [
      { upTo: 2, caption: 'The end round the post.', hands: { left: 'holds the standing part', right: 'leads the end round' }, moving: 'the end' },
      { upTo: 6, caption: 'Over itself, and round the post again.', hands: { left: 'holds the crossing', right: 'leads the end round again' }, moving: 'the end' },
      { upTo: 8, caption: 'Under its own crossing.', hands: { left: 'holds the turns', right: 'tucks the end' }, moving: 'the end' },
    ],
  },
  'loops-against': {
    making: 'end',
    form: 'mirrored-loops',
    steps: [
      { upTo: 2, caption: 'The end round the bar.', hands: { left: 'holds the standing part', right: 'leads the end round' }, moving: 'the end' },
      { upTo: 4, caption: 'Round again, but the other way: two turns against each other, no clove.', hands: { left: 'holds the crossing', right: 'leads the end round the other way' }, moving: 'the end' },
    ],
  },
};
