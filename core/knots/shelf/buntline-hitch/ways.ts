import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'towards-the-clip': {
    making: 'end',
    steps: [
      { upTo: 5, caption: 'The end through the clip from the front.', hands: { left: 'holds the clip', right: 'leads the end through' }, moving: 'the end' },
      { upTo: 8, caption: 'Up, and round the standing part.', hands: { left: 'pinches the returning leg', right: 'leads the end round' }, moving: 'the end' },
      { upTo: 12, caption: 'Over, and round again nearer the clip.', hands: { left: 'pinches the first turn', right: 'leads the end round again' }, moving: 'the end' },
      { upTo: 14, caption: 'In under its own last turn: the tail lies next to the clip.', hands: { left: 'holds the turns', right: 'tucks the end' }, moving: 'the end' },
      { upTo: 'dressed', caption: 'Dress it: the second turn lies between the first and the clip.', hands: { left: 'holds the knot', right: 'lays the strands' }, moving: 'all strands' },
      { upTo: 'tight', caption: 'Snug it; weight it.', hands: { left: 'holds against the pull', right: 'pulls one strand at a time' }, moving: 'strands, one by one' },
    ],
  },
  'from-the-clip': {
    making: 'end',
    form: 'reversed-buntline',
    steps: [
      { upTo: 5, caption: 'The end through the clip from the front.', hands: { left: 'holds the clip', right: 'leads the end through' }, moving: 'the end' },
      { upTo: 9, caption: 'Round the standing part close to the clip: here it goes wrong.', hands: { left: 'pinches the returning leg', right: 'leads the end round' }, moving: 'the end' },
      { upTo: 13, caption: 'Round again, farther from the clip.', hands: { left: 'pinches the first turn', right: 'leads the end round again' }, moving: 'the end' },
      { upTo: 16, caption: 'In under the last turn: the tail points away from the clip.', hands: { left: 'holds the turns', right: 'tucks the end' }, moving: 'the end' },
    ],
  },
};
