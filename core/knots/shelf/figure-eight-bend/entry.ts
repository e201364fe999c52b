import { ANOTHER_KNOT, LOOSE, otherEndLoaded, otherwisePoint, setPoint, tailPoint, TAIL_SHORT } from '../../facts/common-faults';
import { faulty, general, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'figure-eight-bend',
  names: ['Figure-eight bend', 'Flemish bend', 'rewoven figure-eight bend', 'traced eight joint'],
  family: 'bend',
  purposes: ['join', 'cord-loop'],
  needs: { free_end: true, thicknesses_through_object: 0, text: 'an end of each rope', source: 'general' },
  pulls: [
    pulled('through', 'made', 'standing part to standing part, tails on opposite sides, every strand set', 'it was made for this pull'),
    pulled('cross', 'avoid', 'a standing part pulled against its own tail', 'not what it was made for', 'general'),
    pulled('ring', 'fails', 'the two tails or two ends of one side pulled apart', 'that is the offset eight: it rolls off the end'),
  ],
  untying: [undone('ordinary-load', 3, 3, 'works by hand'), undone('after-hard-falls', 3, 5, 'not known from trials; taken as for the eight on a bight', 'general')],
  set: practice('four strands, one by one: both standing parts and both tails'),
  adjust: general('work the whole knot along one rope, strand by strand; dress, set and measure both tails again'),
  loosens: general('keeps its form once set'),
  keeps_when_idle: true,
  look_again: practice('after it was moved, and after the ropes hung idle long'),
  front_because: 'the face on which the first rope comes in over the bow it passes first',
  faces: [
    { face: 'front', shows: 'the shape of an eight in pairs, at each place a strand of either rope; a standing part and a tail leave at either end', source: 'practice' },
    { face: 'back', shows: 'the same eight again, the two ropes with their places exchanged', source: 'general' },
  ],
  check_points: [
    point('name', 'Do the tails leave on opposite sides?', 'At each end of the knot one standing part and one tail come out beside each other.', 'a tail at either end', seen('front'), [
      wrong('offset-eight', 'both tails on the same side', seen('front', 'offset-eight')), wrong('another-knot', 'something else')], { count: { of: 'tails at each end', is: 'one' } }),
    point('front', 'Front: an eight in pairs, a strand of either rope at each place?', 'Two strands everywhere, neither crosses its partner.', 'pairs side by side', seen('front'), [wrong('pair-crossed', 'a strand crosses its partner')], { count: { of: 'strands at each place', is: 'two' } }),
    point('back', 'Turn it over. The same eight again?', 'No strand lies alone.', 'the eight again', seen('back'), [wrong('pair-crossed', 'a strand crosses its partner')]),
    point('path', 'Follow the second rope from its tail. Does it stay beside the first all the way?', 'From the working end back, along every turn of the first.', 'beside it to the end', seen('front', 'right', 'dressed'), [wrong('offset-eight', 'it runs the same way as the first', seen('front', 'offset-eight', 'dressed'))]),
    tailPoint('Both tails, each from where it leaves the knot.'),
    setPoint('front', 'both standing parts and both tails'),
    otherwisePoint('Only the two standing parts may ever be pulled apart. Clipping between tail and standing part loads it as an offset eight.'),
  ],
  faults: [
    { ...faulty('offset-eight', 'offset eight', 'both ends were put in from the same side', 'both tails leave together', 'take-out-and-retie', 'Take it out: it rolls off the end. Let the second end enter where the first end left.'), does: [pulled('through', 'fails', 'tied so', 'it rolls off the end', 'practice')] },
    faulty('pair-crossed', 'pair crossed inside', 'the second end changed sides on its way', 'one strand lies across its partner', 'put-right', 'Lay the pair side by side, then set it again.'),
    LOOSE, TAIL_SHORT, otherEndLoaded(1), ANOTHER_KNOT,
  ],
  tail_rule_key: 'figure-eight-bend',
  recognised: { by: 'anyone', text: 'an eight in pairs: easy to inspect', source: 'practice' },
  cautions: [practice('not to be confused with the follow-through, which goes round an object'), practice('overhand stoppers in the tails are optional')],
  good_for: [practice('easy to inspect and to undo')],
  form_certainty: 'settled',
  form_text: 'the flat eight doubled by offset, the second rope running it the other way; agrees with an independent figure of the joint in which standing part is loaded against standing part',
  ways: [
    { id: 'retrace', name: 'Followed back by the second end', right: true, ends_in: null },
    { id: 'same-side', name: 'Wrong: followed from the same side', right: false, ends_in: { fault: 'offset-eight' } },
  ],
} as const satisfies KnotEntry;
