/** Points on which practitioners differ: both sides with their reasons. What each shipped rule set does is read from it where it says so. */
import type { Source } from '../knots/facts/types';
import type { Asks, Profile } from './types';

export interface Side {
  readonly says: string;
  readonly because: string;
  readonly source: Source;
}
export interface Disagreement {
  readonly id: string;
  readonly title: string;
  readonly sides: readonly [Side, Side, ...Side[]];
  /** what this program does with it */
  readonly here: string;
  /** knots it is about */
  readonly knots: readonly string[];
  /** what a rule set says of it, knots by their ids; null where it says nothing */
  readonly stance: (profile: Profile) => string | null;
}

const side = (says: string, because: string, source: Source = 'practice'): Side => ({ says, because, source });
const SILENT = () => null;
const EIGHT = 'figure-eight-follow-through';
const STOPPER = { required: 'required', optional: 'may be tied', 'not-asked': 'not asked' } as const;
const namedTieIns = (p: Profile) => p.tieIn.filter((k) => k.says === 'named');
const ofKnot = (knot: string) => (p: Profile) => p.tieIn.find((k) => k.knot === knot)?.text ?? null;

const alsoAsked = (p: Profile, knot: string, kind: Asks['kind']): string | null =>
  p.also?.find((a) => a.asks?.kind === kind && a.knots.includes(knot))?.text ?? null;

export const DISAGREEMENTS: readonly Disagreement[] = [
  {
    id: 'tie-in-knot',
    title: 'Which tie-in knot',
    knots: [EIGHT, 'bowline-locked'],
    sides: [
      side(
        'Figure-eight follow-through.',
        'Everyone recognises it, it is symmetric; but it can weld after repeated hard falls, and a forgotten half of it stays in the rope when it is pulled.',
      ),
      side(
        'Locked bowline.',
        'It never jams, is tied wholly after threading, is small and uses less rope, and a wrong one looks odd; but fewer people can check it.',
      ),
    ],
    here: 'Both are offered; what the team can check comes before what unties well.',
    stance: (p) =>
      namedTieIns(p).length > 0
        ? `names ${namedTieIns(p)
            .map((k) => k.knot)
            .join(' and ')}`
        : null,
  },
  {
    id: 'stopper-behind-tie-in',
    title: 'A stopper behind the tie-in',
    knots: [EIGHT, 'tie-in-stopper', 'two-strand-backup'],
    sides: [
      side(
        'A stopper is required.',
        'It also catches when a wrong eye was clipped. Close up against the knot: no gap in which something can be clipped.',
      ),
      side(
        'Length of tail alone.',
        'A well set knot with tail enough does not need it, and it is one thing more to get wrong.',
        'general',
      ),
    ],
    here: 'The rule set decides; a gap before the stopper is a fault either way.',
    stance: (p) => `${STOPPER[p.stopperBehindTieIn.asked]}: ${p.stopperBehindTieIn.text}`,
  },
  {
    id: 'tail-tucked-back',
    title: 'Tucking the tail back through the eight',
    knots: [EIGHT],
    sides: [
      side('Tuck it.', 'Some do it to open the knot more easily.'),
      side('Leave it.', 'In a small drop trial it gave no gain: the knot got stiffer and the tuck was pinched.'),
    ],
    here: 'Said, without claiming a benefit.',
    stance: SILENT,
  },
  {
    id: 'load-strand',
    title: 'Which strand of the follow-through carries the load',
    knots: [EIGHT],
    sides: [
      side(
        'The inner one.',
        'With the load strand running through the middle of the knot it was far easier to undo in drop trials.',
      ),
      side('The outer one.', 'Over the outside it squashes the knot. The knot is right all the same.'),
    ],
    here: 'Inside is advised; a remark, never a fault.',
    stance: SILENT,
  },
  {
    id: 'bowline-variants',
    title: 'Double bowline or Yosemite finish',
    knots: ['double-bowline', 'bowline-yosemite'],
    sides: [
      side(
        'The double bowline.',
        'The finish leaves a second little loop with a small eye, held by the tail alone; it has been mistaken for the eye and clipped, and the tail then pulls out.',
      ),
      side('The finish, with a stopper and never a small eye.', 'With a stopper on the tail it catches.'),
    ],
    here: 'The finish is offered for a life only with a stopper; the double bowline is advised in its place.',
    stance: ofKnot('double-bowline'),
  },
  {
    id: 'simple-bowline',
    title: 'The simple bowline for life support',
    knots: ['bowline', 'bowline-locked'],
    sides: [
      side(
        'With a lock.',
        'It loosens when idle; the lock keeps the collar from opening and it is still tied wholly after threading.',
      ),
      side('With a stopper.', 'The stopper, butted up to it, keeps it; it is one knot more to check.', 'general'),
    ],
    here: 'Offered only with a stopper.',
    stance: ofKnot('bowline'),
  },
  {
    id: 'joining-ropes',
    title: 'Joining ropes',
    knots: ['offset-overhand', 'double-fishermans', 'figure-eight-bend', 'flemish-bend-with-bight'],
    sides: [
      side('Offset overhand.', 'Low, slides over edges, easy to undo; it wants long tails.'),
      side('Double fisherman’s.', 'Secure; it jams.'),
      side('Flemish bend.', 'Easy to inspect and to undo.'),
      side('Flemish bend with a clip-in bight.', 'Where somebody will have to pass it.'),
    ],
    here: 'By purpose: joined, joined to be passed, joined to be pulled down.',
    stance: SILENT,
  },
  {
    id: 'midline-attachment',
    title: 'Attaching in the middle of a rope',
    knots: ['alpine-butterfly', 'inline-eight', 'clove-hitch'],
    sides: [
      side('Butterfly.', 'Both ends and the eye may be pulled.'),
      side('Inline eight.', 'When the pull is one way only.'),
      side('Clove hitch on a karabiner.', 'Adjusted at once.'),
    ],
    here: 'By the pulls that may come.',
    stance: SILENT,
  },
  {
    id: 'direction-of-wraps',
    title: 'Direction of the wraps of a tension-free tie-off',
    knots: ['tension-free-hitch'],
    sides: [
      side('From the top downward.', 'So in bridging.'),
      side('From the bottom upward.', 'So in rescue: the base of the anchor is its strong part.'),
    ],
    here: 'Either is right; no wrap crosses another.',
    stance: (p) => alsoAsked(p, 'tension-free-hitch', 'point'),
  },
  {
    id: 'friction-cord',
    title: 'Cord for a friction hitch',
    knots: ['prusik', 'klemheist', 'autoblock'],
    sides: [
      side(
        '65 to 80 % of the rope’s diameter.',
        'It grips and it lasts. Its own teachers also hand out 5.5 mm on 9 mm.',
      ),
      side('Somewhat above one half.', '6 mm on 10 mm: 7 or 8 mm may not bite, 3 or 4 mm bites but is weak.'),
    ],
    here: 'Both limits in one chart.',
    stance: SILENT,
  },
  {
    id: 'prusik-wraps',
    title: 'Three or four wraps in a prusik',
    knots: ['prusik'],
    sides: [side('Three.', 'They slide more easily.'), side('Four.', 'They hold harder.')],
    here: 'Three, and one more when it slips.',
    stance: SILENT,
  },
  {
    id: 'butterfly-ways',
    title: 'The butterfly by the hand',
    knots: ['alpine-butterfly'],
    sides: [
      side('Wound on the hand, two or three wraps.', 'The hand keeps the order of the turns.', 'general'),
      side('Twisted.', 'Quick; the second turn the wrong way is possible, and is reported of hand wrapping too.'),
    ],
    here: 'All give the same knot when right: inspect whatever the way.',
    stance: SILENT,
  },
  {
    id: 'water-knot-backups',
    title: 'Backups on a water knot',
    knots: ['water-knot'],
    sides: [
      side('An overhand on both sides.', 'It creeps, and can be caught and opened.'),
      side('Without, set hard and looked at again.', 'A backup is bulk, and hides the tails.', 'general'),
    ],
    here: 'The rule set decides; only in webbing.',
    stance: (p) => alsoAsked(p, 'water-knot', 'companion'),
  },
  {
    id: 'does-an-eight-undo',
    title: 'Does an eight come undone?',
    knots: [EIGHT, 'figure-eight-on-bight'],
    sides: [
      side('It is easy.', 'Set evenly, the load strand inside, without falls.'),
      side(
        'It welds.',
        'After hard falls, set unevenly, the load strand outside, strands crossed inside, in stiff rope.',
      ),
    ],
    here: 'Untying is graded by condition, never by one number.',
    stance: SILENT,
  },
  {
    id: 'second-person',
    title: 'A second person',
    knots: [],
    sides: [
      side('Required.', 'The one who tied it is sure; that is no check.', 'general'),
      side('Advised.', 'Often there is nobody; an owner alone may record, and the record says so.'),
    ],
    here: 'The signer is never the one who tied it nor the first checker.',
    stance: (p) => p.secondCheck.asked,
  },
  {
    id: 'what-a-stopper-is',
    title: 'What a stopper is',
    knots: ['tie-in-stopper', 'double-overhand-stopper', 'two-strand-backup'],
    sides: [
      side('Round the standing part, butted to the knot.', 'It also catches when a wrong eye was clipped.'),
      side('In the tag behind a noose or eye.', 'So that it cannot slip back.'),
      side('Free at a rope’s end.', 'To stop a device.'),
      side('Round both strands.', 'As some teams back up an eight.'),
    ],
    here: 'A stopper always says round what and against what.',
    stance: SILENT,
  },
];

/** @returns what each of some rule sets says of a point, in their order */
export const stancesOn = (
  d: Disagreement,
  profiles: readonly Profile[],
): { readonly profile: string; readonly name: string; readonly says: string | null }[] =>
  profiles.map((p) => ({ profile: p.id, name: p.name, says: d.stance(p) }));
