import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  retrace: {
    making: 'end',
    steps: [
      { upTo: 0.5, by: 'share', caption: 'The first tape: fold its end across.', hands: { left: 'holds the tape flat', right: 'folds the end across' }, moving: 'the first end' },
      { upTo: 0.74, by: 'share', caption: 'Fold it back behind.', hands: { left: 'keeps the first fold flat', right: 'folds the end behind' }, moving: 'the first end' },
      { upTo: 1, by: 'share', caption: 'In through the first fold: a flat overhand, left loose.', hands: { left: 'holds the folds open', right: 'draws the end through' }, moving: 'the first end' },
      { upTo: 0.3, by: 'share', rope: 1, caption: 'The second end goes in where the first end came out.', hands: { left: 'holds the overhand open', right: 'lays the second end on the first' }, moving: 'the second end' },
      { upTo: 0.6, by: 'share', rope: 1, caption: 'It follows, flat on flat, round every fold.', hands: { left: 'keeps the tapes flat on each other', right: 'leads the second end along' }, moving: 'the second end' },
      { upTo: 1, by: 'share', rope: 1, caption: 'Out where the first tape came in.', hands: { left: 'holds the knot', right: 'draws the second end out' }, moving: 'the second end' },
      { upTo: 'dressed', caption: 'Dress it: flat on flat everywhere, no twist.', hands: { left: 'holds the knot', right: 'smooths fold after fold' }, moving: 'both tapes' },
      { upTo: 'tight', caption: 'Set it: each tape and each tail by itself, hard.', hands: { left: 'holds against the pull', right: 'pulls one tape at a time' }, moving: 'tapes, one by one' },
    ],
  },
};
