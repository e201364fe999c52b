/** The five shipped profiles. Figures as the schools give them; what a school does not say is left out. */
import type { Asked, KnotStanding, Profile } from './types';

const LOCAL = 'The rules of your employer, scheme or country always win over this profile.';
const SIMPLE_BOWLINE: KnotStanding = { knot: 'bowline', says: 'only-with-stopper', rule: 'B1', text: 'a simple bowline holds a life only with a lock or a stopper', source: 'practice' };
const DOUBLE_BOWLINE: KnotStanding = { knot: 'double-bowline', says: 'advised-with-stopper', rule: 'B2', text: 'a stopper gives the double bowline a margin', source: 'practice' };
const FOLLOW_THROUGH = 'figure-eight-follow-through';

export const SHIPPED_PROFILES: readonly Profile[] = [
  {
    id: 'sport-crag', version: 3, name: 'Sport crag', about: 'climbing on single ropes, tying in on a harness',
    lengths: [
      { id: 'SC-T1', for: [FOLLOW_THROUGH], use: 'tie-in', stopper: true, kind: 'beyond_stopper', noLength: true, text: 'with a stopper butted up to the eight no length is asked', source: 'practice' },
      { id: 'SC-T1', for: [FOLLOW_THROUGH], use: 'tie-in', stopper: false, kind: 'tail', fixed_mm: 100, text: 'eight without a stopper: at least 100 mm of tail', source: 'general' },
      { id: 'SC-T2', for: ['bowline-locked'], use: 'tie-in', kind: 'tail', fixed_mm: 100, max_mm: 200, text: 'locked bowline: 100 to 200 mm of tail; more is in the way', source: 'practice' },
    ],
    tieIn: [
      { knot: FOLLOW_THROUGH, says: 'named', rule: 'SC-K1', text: 'named here as a tie-in', source: 'practice' },
      { knot: 'bowline-locked', says: 'named', rule: 'SC-K2', text: 'named here as a tie-in', source: 'practice' },
      SIMPLE_BOWLINE, DOUBLE_BOWLINE,
    ],
    stopperBehindTieIn: { asked: 'optional', knots: [FOLLOW_THROUGH], rule: 'SC-K3', text: 'a stopper butted up to the eight, or 100 mm of tail without one', source: 'general' },
    secondCheck: { asked: 'advised', source: 'general' },
    startAllowance_mm: { knots: [FOLLOW_THROUGH], least: 900, most: 900, text: 'start the follow-through an arm’s length, about 0.9 m, from the end', source: 'practice' },
    also: [
      { rule: 'SC-A1', knots: ['double-overhand-stopper', 'figure-eight-stopper', 'figure-nine-stopper', 'overhand-stopper', 'trefoil-stopper'], uses: ['stopper'], asks: { kind: 'named' }, text: 'a stopper at the rope’s end before any lowering or abseil', source: 'practice' },
      { rule: 'SC-A2', knots: [FOLLOW_THROUGH, 'bowline-locked'], uses: ['tie-in'], asks: { kind: 'point', points: ['eye'] }, text: 'the eye as small as the harness allows', source: 'practice' },
    ],
    caution: LOCAL,
  },
  {
    id: 'rope-access', version: 1, name: 'Rope access', about: 'work at height on two ropes',
    lengths: [
      { id: 'RA-T2', for: ['double-overhand-stopper', 'figure-eight-stopper', 'figure-nine-stopper', 'overhand-stopper', 'trefoil-stopper'], use: 'rope-end', kind: 'beyond_stopper', fixed_mm: 300, text: 'end stoppers: at least 300 mm (12 in) of rope beyond the stopper', source: 'practice' },
      { id: 'RA-T1', for: ['any'], use: 'any', kind: 'tail', fists: 1, text: 'every tail at least one fist, better a little more', source: 'practice' },
    ],
    tieIn: [
      { knot: FOLLOW_THROUGH, says: 'named', rule: 'RA-K1', text: 'named here: started about 1 m from the end', source: 'practice' },
      SIMPLE_BOWLINE, DOUBLE_BOWLINE,
    ],
    stopperBehindTieIn: { asked: 'not-asked', knots: [], text: 'no stopper is asked behind a tie-in', source: 'practice' },
    secondCheck: { asked: 'required', source: 'general' },
    startAllowance_mm: { knots: [FOLLOW_THROUGH], least: 1000, most: 1000, text: 'start a follow-through about 1 m from the end', source: 'practice' },
    caution: LOCAL,
  },
  {
    id: 'rescue-team', version: 3, name: 'Rescue team', about: 'volunteer cliff rescue',
    lengths: [],
    tieIn: [
      { knot: FOLLOW_THROUGH, says: 'named', rule: 'RT-K1', text: 'named here, with an overhand stopper round both strands', source: 'practice' },
      SIMPLE_BOWLINE, DOUBLE_BOWLINE,
    ],
    stopperBehindTieIn: { asked: 'required', knots: [FOLLOW_THROUGH], companion: 'two-strand-backup', rule: 'RT-K2', doubtful: true, text: 'an overhand stopper round both strands behind a follow-through (doubtful: it may have been meant for the joint of two ropes)', source: 'practice' },
    secondCheck: { asked: 'required', source: 'general' },
    startAllowance_mm: { knots: [FOLLOW_THROUGH], least: 900, most: 900, text: 'about 0.9 m (3 ft) of rope in hand before an eight', source: 'practice' },
    also: [
      { rule: 'RT-A1', knots: ['water-knot'], asks: { kind: 'companion', companions: ['backed-both-sides'], how: 'required' }, text: 'in webbing always with an overhand backup on both sides', source: 'practice' },
      { rule: 'RT-A2', knots: ['tension-free-hitch'], asks: { kind: 'point', points: ['wraps'] }, text: 'wraps from the bottom upward: the base of the anchor is its strong part', source: 'practice' },
    ],
    caution: LOCAL,
  },
  {
    id: 'tree-work', version: 4, name: 'Tree work', about: 'climbing and working in trees',
    lengths: [
      { id: 'TW-T1', for: ['buntline-hitch', 'barrel-noose'], use: 'any', kind: 'tail', ropeDiameters: 5, text: 'termination hitch: at least 5 rope diameters of tail, no stopper asked', source: 'practice' },
    ],
    tieIn: [SIMPLE_BOWLINE, DOUBLE_BOWLINE],
    stopperBehindTieIn: { asked: 'not-asked', knots: [], text: 'no stopper is asked', source: 'practice' },
    secondCheck: { asked: 'required', source: 'general' },
    startAllowance_mm: null,
    also: [
      { rule: 'TW-A1', knots: ['buntline-hitch'], asks: { kind: 'point', points: ['name'] }, text: 'the tail comes out on the side next to the ring or clip', source: 'practice' },
      { rule: 'TW-A2', knots: ['buntline-hitch', 'barrel-noose'], uses: ['termination'], asks: { kind: 'time', most_s: 60 }, text: 'tied, dressed and set in 60 s', source: 'practice' },
    ],
    caution: LOCAL,
  },
  {
    id: 'river-expedition', version: 3, name: 'River and expedition', about: 'crossings and expedition travel',
    lengths: [
      { id: 'RE-T1', for: ['end-loop'], use: 'tie-in', kind: 'tail', fixed_mm: 100, text: 'at least 100 mm (4 in) of tail at the end-loop knot', source: 'practice' },
    ],
    tieIn: [SIMPLE_BOWLINE, DOUBLE_BOWLINE],
    stopperBehindTieIn: { asked: 'not-asked', knots: [], text: 'nothing is said about a stopper behind a tie-in', source: 'practice' },
    secondCheck: { asked: 'required', source: 'general' },
    startAllowance_mm: null,
    also: [
      { rule: 'RE-A1', knots: ['any'], uses: ['tension-eye'], asks: { kind: 'bight', least_mm: 450 }, text: 'a bridge is tied off from 450 mm (18 in) of bight', source: 'practice' },
      { rule: 'RE-A2', knots: ['tension-free-hitch'], asks: { kind: 'point', points: ['wraps'] }, text: 'wraps from the top downward, in bridging', source: 'practice' },
    ],
    caution: LOCAL,
  },
];

const now = (id: string): Profile => SHIPPED_PROFILES.find((p) => p.id === id)!;

/** Rules as they stood while they were words alone: those named, without what they ask and of which uses. */
const inWords = (id: string, ...rules: readonly string[]): readonly Asked[] =>
  rules.map((rule) => {
    const { asks: _, uses: __, ...words } = now(id).also!.find((a) => a.rule === rule)!;
    return words;
  });
const stopperInWords = ({ stopperBehindTieIn: { companion: _, rule: __, ...words } }: Profile) => words;

/** Versions between the first and the present one. */
const BETWEEN: readonly Profile[] = [
  { ...now('sport-crag'), version: 2, stopperBehindTieIn: stopperInWords(now('sport-crag')), also: inWords('sport-crag', 'SC-A1', 'SC-A2') },
  { ...now('rescue-team'), version: 2, stopperBehindTieIn: stopperInWords(now('rescue-team')), also: inWords('rescue-team', 'RT-A1') },
  { ...now('river-expedition'), version: 2, also: [{ ...inWords('river-expedition', 'RE-A1')[0]!, knots: [] }] },
  { ...now('tree-work'), version: 3, also: inWords('tree-work', 'TW-A1', 'TW-A2') },
  {
    ...now('tree-work'), version: 2,
    // it said of the noose too what holds of the buntline alone
    also: [{ rule: 'TW-A1', knots: ['buntline-hitch', 'barrel-noose'], text: 'the tail comes out on the side next to the ring or clip; tied, dressed and set in 60 s', source: 'practice' }],
  },
];

/** Rule sets as they were first shipped: what was judged under them is looked up under them. */
const FIRST: readonly Profile[] = BETWEEN.filter((p) => p.version === 2).map(({ also: _, ...p }) => ({ ...p, version: 1 }));

/** Every version that ever shipped, the present ones first. */
export const SHIPPED_VERSIONS: readonly Profile[] = [...SHIPPED_PROFILES, ...BETWEEN, ...FIRST];
