import type { WayOfTying } from '../../moving/way';
import { laidOnPalm } from './laying';
import { butterflyTwisted } from './twisting';
import { THREE_WRAP, TWO_WRAP, woundByHand } from './winding';

const DRESS: WayOfTying['steps'] = [
  { upTo: 'dressed', caption: 'Dress it: pull the eye against both ends, then the ends apart; a wing on each side.', hands: { left: 'pulls one end', right: 'pulls the other' }, moving: 'all strands' },
  { upTo: 'tight', caption: 'Set it: both rope ends, then the eye. Look at both faces.', hands: { left: 'pulls one end', right: 'pulls the other, then the eye' }, moving: 'both ends, then the eye' },
];
const FIRST_TURN: WayOfTying['steps'] = [
  { upTo: 1, caption: 'Let a bight hang from the line.', hands: { left: 'holds the line', right: 'thumb down, takes hold of the bight from below' }, moving: 'the bight' },
  { upTo: 2, caption: 'Turn it half over: a small loop with its X.', hands: { left: 'holds the line', right: 'turns half over' }, moving: 'the bight' },
];

export const ways: Readonly<Record<string, WayOfTying>> = {
  'two-wrap': {
    making: 'bight',
    hands: () => woundByHand(TWO_WRAP),
    steps: [
      { upTo: 1, caption: 'The rope over the left hand, palm down, once.', hands: { left: 'palm down, fingers together', right: 'lays the rope over it' }, moving: 'the wrapping end' },
      { upTo: 2, caption: 'Once more, beside it, nearer the wrist.', hands: { left: 'stays', right: 'lays the second turn' }, moving: 'the wrapping end' },
      { upTo: 3, caption: 'Push the first end away, across the wrapping end: the two cross on the thumb.', hands: { left: 'stays', right: 'the thumb under the crossing; pushes the first end away' }, moving: 'the first end' },
      { upTo: 5, caption: 'One strand only lies across the back of the hand: draw it out over the crossing, as long as the eye shall be.', hands: { left: 'holds the turns and slips out of them', right: 'draws the one strand out' }, moving: 'the one strand: it is the eye now' },
      { upTo: 6, caption: 'Tuck it through where the fingers were.', hands: { left: 'holds the turns together', right: 'tucks the eye' }, moving: 'the eye' },
      { upTo: 7, caption: 'Out of the turns.', hands: { left: 'holds the turns together', right: 'draws the eye out' }, moving: 'the eye' },
      ...DRESS,
    ],
  },
  'three-wrap': {
    making: 'bight',
    hands: () => woundByHand(THREE_WRAP),
    steps: [
      { upTo: 1, caption: 'One turn round the hand, toward the wrist.', hands: { left: 'held up, palm toward you', right: 'lays the turn' }, moving: 'the wrapping end' },
      { upTo: 2, caption: 'One toward the fingertips: it will be the eye.', hands: { left: 'the thumb pins the first turn', right: 'lays the second turn' }, moving: 'the wrapping end' },
      { upTo: 3, caption: 'One in the middle, between the two: on the back of the hand they cross.', hands: { left: 'the thumb pins the turns', right: 'lays the third turn' }, moving: 'the wrapping end' },
      { upTo: 5, caption: 'Take the fingertip turn over the other two, toward the wrist.', hands: { left: 'the thumb pins the wrist and the middle turn', right: 'takes the fingertip turn' }, moving: 'the fingertip turn: it is the eye now' },
      { upTo: 6, caption: 'Back under both, from the wrist side.', hands: { left: 'the thumb lets it under', right: 'leads the eye under both' }, moving: 'the eye' },
      { upTo: 7, caption: 'Out past the fingertips; off the hand.', hands: { left: 'slips out', right: 'draws the eye out' }, moving: 'the eye' },
      ...DRESS,
    ],
  },
  lay: {
    making: 'bight',
    hands: laidOnPalm,
    steps: [
      { upTo: 1, caption: 'The standing strand upright on the palm. The end goes over to the side of the wrist: a big loop down the front.', hands: { left: 'flat, palm toward you; the thumb pins the upright strand', right: 'lays the loop' }, moving: 'the end' },
      { upTo: 2, caption: 'Across in front of the upright strand, and up at the fingertips.', hands: { left: 'the thumb pins the crossing', right: 'lays the loop' }, moving: 'the end' },
      { upTo: 3, caption: 'Round once more, outside of the loop, and again in front of the upright strand.', hands: { left: 'the thumb pins both', right: 'leads the end round' }, moving: 'the end' },
      { upTo: 4, caption: 'Up behind the loop: the end comes to lie between the upright strand and the loop, and leaves behind the top.', hands: { left: 'lets it in behind the loop', right: 'leads the end up behind' }, moving: 'the end' },
      { upTo: 6, caption: 'Take the strand nearest the fingertips: into the palm, under the two others, to the side of the wrist.', hands: { left: 'the thumb lets it under', right: 'draws the strand under the others' }, moving: 'the strand nearest the fingertips: it is the eye now' },
      { upTo: 7, caption: 'Out at the top, in front of the loops; off the hand.', hands: { left: 'slips out', right: 'draws the eye out at the top' }, moving: 'the eye' },
      ...DRESS,
    ],
  },
  twist: {
    making: 'bight',
    hands: () => butterflyTwisted(1),
    steps: [
      ...FIRST_TURN,
      { upTo: 3, caption: 'Same thumb, same sense, half over again: two loops, two crossings.', hands: { left: 'holds the first X', right: 'turns half over, the same way' }, moving: 'the far loop' },
      { upTo: 5, caption: 'Fold the far loop round the back, one leg on each side of the knot.', hands: { left: 'holds an X in the fingers', right: 'leads the far loop round the back' }, moving: 'the far loop', seen: { pitch_deg: 22 } },
      { upTo: 6, caption: 'It comes forward under the line.', hands: { left: 'holds the small loop open', right: 'brings the far loop to the front' }, moving: 'the far loop', seen: { pitch_deg: 22 } },
      { upTo: 7, caption: 'Through the small loop between the two crossings, and out.', hands: { left: 'the thumb lies in the small loop', right: 'draws the far loop through' }, moving: 'the far loop: it is the eye now' },
      ...DRESS,
    ],
  },
  'twist-back': {
    making: 'bight',
    form: 'false-butterfly',
    hands: () => butterflyTwisted(-1),
    steps: [
      ...FIRST_TURN,
      { upTo: 3, caption: 'The error: the second half turn goes back the other way.', hands: { left: 'holds the first X', right: 'turns half over, the other way' }, moving: 'the far loop' },
      { upTo: 5, caption: 'Folded round the back as before: nothing feels different.', hands: { left: 'holds an X in the fingers', right: 'leads the far loop round the back' }, moving: 'the far loop' },
      { upTo: 7, caption: 'Through the small loop: a false butterfly. Take it out.', hands: { left: 'holds the small loop open', right: 'draws the far loop through' }, moving: 'the far loop' },
      { upTo: 'tight', caption: 'Set, one face shows a cross where a true one has none.', hands: { left: 'pulls one end', right: 'pulls the other' }, moving: 'both ends' },
    ],
  },
};
