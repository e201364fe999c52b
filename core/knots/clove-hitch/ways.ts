import type { WayOfTying } from '../tying';

export const ways: Readonly<Record<string, WayOfTying>> = {
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
