import type { WayOfTying } from '../../moving/way';

export const ways: Readonly<Record<string, WayOfTying>> = {
  'round-the-standing-part': {
    making: 'end',
    steps: [
      { upTo: 5, caption: 'The end round the object, and back beside the standing part.', hands: { left: 'holds the standing part', right: 'leads the end round' }, moving: 'the end' },
      { upTo: 10, caption: 'Round the standing part, and out through the turn so made: one half hitch.', hands: { left: 'pinches the crossing', right: 'leads the end round and through' }, moving: 'the end', seen: 'near' },
      { upTo: 16, caption: 'Once more, in the same sense, beyond the first: two.', hands: { left: 'holds the first', right: 'leads the end round and through' }, moving: 'the end', seen: 'near' },
      { upTo: 'dressed', caption: 'Slide them together: two turns, one strand across between them.', hands: { left: 'holds the standing part', right: 'slides them' }, moving: 'the turns' },
      { upTo: 'tight', caption: 'Set them. They are security behind something else, not a hitch of their own.', hands: { left: 'holds against the pull', right: 'pulls the tail' }, moving: 'the tail' },
    ],
  },
};
