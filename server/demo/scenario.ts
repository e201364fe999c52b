/**
 * The demo: Fulmar Sound, a small island group with a rope school in an old net loft. All of it is made
 * up. One password for all, shown on the sign-in page: it protects nothing.
 */
import type { Use } from '../../core/knots/facts/uses';
import type { Role } from '../../contract';
import type { Job } from '../../core/choose';
import type { RopeEvent } from '../../core/records';

export const DEMO_PASSWORD = 'fulmar-sound-demo';
/** One PIN for all of them. */
export const DEMO_PIN = '4917';
export const DEMO_ORGANISATION = 'Net Loft Rope School, Fulmar Sound';

export const DEMO_PEOPLE: readonly { handle: string; name: string; roles: readonly Role[]; about: string; fist_mm?: number; arm_mm?: number; length_unit?: 'mm' | 'in' | 'fist' }[] = [
  { handle: 'tove', name: 'Tove Vannmark', roles: ['instructor', 'assessor'], about: 'runs Ledge Work I', fist_mm: 92, arm_mm: 740 },
  { handle: 'rask', name: 'Rask Quillon', roles: ['instructor', 'inspector'], about: 'looks after the loft’s ropes', fist_mm: 104 },
  { handle: 'imre', name: 'Imre Saltway', roles: ['inspector'], about: 'cliff-rescue team, kit officer', fist_mm: 98 },
  { handle: 'dagny', name: 'Dagny Orrin', roles: ['assessor'], about: 'assesses the loft’s stations', fist_mm: 86 },
  { handle: 'pell', name: 'Pell Haverin', roles: ['inspector', 'owner'], about: 'paints the north lighthouse' },
  { handle: 'sunniva', name: 'Sunniva Tarn', roles: ['owner'], about: 'climbs the sea stacks, own kit', fist_mm: 84 },
  { handle: 'corin', name: 'Corin Stell', roles: ['owner'], about: 'counts sea birds, west crew', length_unit: 'in' },
  { handle: 'maelle', name: 'Maelle Brack', roles: ['inspector'], about: 'cliff-rescue team, edge', fist_mm: 90 },
  { handle: 'oskar', name: 'Oskar Lund-Ray', roles: ['assessor', 'owner'], about: 'counts sea birds, east crew' },
  { handle: 'bridie', name: 'Bridie Fenwater', roles: ['learner'], about: 'Ledge Work I' },
  { handle: 'joss', name: 'Joss Marrable', roles: ['learner'], about: 'Ledge Work I' },
  { handle: 'anse', name: 'Anse Koldwell', roles: ['learner'], about: 'Ledge Work I' },
];

export const DEMO_ROPES: readonly { tag: string; thing?: 'cord' | 'sling' | 'karabiner'; kind: 'dynamic' | 'low-stretch' | 'accessory-cord' | 'webbing' | null; diameter_mm: number | null; length_m: number | null; note: string }[] = [
  { tag: 'NL-01', kind: 'low-stretch', diameter_mm: 11, length_m: 60, note: 'loft, anchors' },
  { tag: 'NL-02', kind: 'low-stretch', diameter_mm: 11, length_m: 60, note: 'loft, anchors' },
  { tag: 'NL-03', kind: 'low-stretch', diameter_mm: 10.5, length_m: 100, note: 'north light' },
  { tag: 'NL-04', kind: 'low-stretch', diameter_mm: 10.5, length_m: 100, note: 'north light' },
  { tag: 'NL-05', kind: 'dynamic', diameter_mm: 9.8, length_m: 50, note: 'ledge counts' },
  { tag: 'NL-06', kind: 'dynamic', diameter_mm: 9.8, length_m: 50, note: 'ledge counts' },
  { tag: 'NL-07', kind: 'dynamic', diameter_mm: 10.2, length_m: 60, note: 'stacks' },
  { tag: 'NL-08', kind: 'dynamic', diameter_mm: 10.2, length_m: 60, note: 'stacks' },
  { tag: 'NL-09', kind: 'dynamic', diameter_mm: 9.4, length_m: 70, note: 'stacks, long' },
  { tag: 'NL-10', kind: 'low-stretch', diameter_mm: 11, length_m: 50, note: 'rescue, main' },
  { tag: 'NL-11', kind: 'low-stretch', diameter_mm: 11, length_m: 50, note: 'rescue, second' },
  { tag: 'NL-12', kind: 'low-stretch', diameter_mm: 11, length_m: 100, note: 'rescue, long' },
  { tag: 'NL-13', kind: 'dynamic', diameter_mm: 10, length_m: 40, note: 'cut up for samples' },
  { tag: 'NL-14', thing: 'cord', kind: 'accessory-cord', diameter_mm: 6, length_m: 20, note: 'cord for the loft' },
  { tag: 'NL-15', kind: 'dynamic', diameter_mm: 11, length_m: 30, note: 'training, short' },
  { tag: 'NL-16', thing: 'sling', kind: 'webbing', diameter_mm: null, length_m: 1.2, note: 'loft, anchors' },
  { tag: 'NK-01', thing: 'karabiner', kind: null, diameter_mm: null, length_m: null, note: 'screw gate, loft' },
  { tag: 'NK-02', thing: 'karabiner', kind: null, diameter_mm: null, length_m: null, note: 'screw gate, loft' },
];

/** What happened to the ropes, in order; `of` is the number of the event that the damage was noted in. */
export const DEMO_ROPE_EVENTS: readonly (Omit<RopeEvent, 'happened_at' | 'damage'> & { tag: string; by: string; daysAgo: number; note: string; of?: number })[] = [
  { tag: 'NL-13', by: 'rask', daysAgo: 98, event: 'retired', note: 'sheath glazed over its length; cut up for samples' },
  { tag: 'NL-09', by: 'tove', daysAgo: 96, event: 'hard-fall', note: 'about four metres, first belay' },
  { tag: 'NL-09', by: 'rask', daysAgo: 95, event: 'looked-over', note: '' },
  { tag: 'NL-07', by: 'rask', daysAgo: 94, event: 'damaged', at_m: 1.4, over_m: 0.2, note: 'sheath furred where it is tied in' },
  { tag: 'NL-07', by: 'rask', daysAgo: 94, event: 'end-cut', end: 'tagged', cut_m: 2.1, note: 'furred end off' },
  { tag: 'NL-05', by: 'rask', daysAgo: 92, event: 'damaged', at_m: 17.5, note: 'stiff place, as long as a hand' },
  { tag: 'NL-05', by: 'rask', daysAgo: 91, event: 'damage-settled', of: 5, note: 'tar, washed out; core even to the touch' },
  { tag: 'NL-02', by: 'imre', daysAgo: 90, event: 'damaged', at_m: 23.4, over_m: 0.1, note: 'two yarns cut at the gallery edge' },
];

/** What each is signed off for: the tie-ins of the course, and checking them. */
export const DEMO_SIGN_OFFS: readonly { handle: string; knots: readonly string[]; may: 'tie' | 'check'; by: string }[] = [
  ...['tove', 'rask', 'imre', 'dagny', 'maelle', 'pell', 'oskar'].map((handle) => ({ handle, knots: ['figure-eight-follow-through', 'bowline-locked', 'figure-eight-on-bight', 'clove-hitch', 'alpine-butterfly'], may: 'check' as const, by: handle === 'tove' ? 'rask' : 'tove' })),
  ...['tove', 'rask', 'imre', 'dagny', 'maelle', 'pell', 'oskar', 'sunniva', 'corin'].map((handle) => ({ handle, knots: ['figure-eight-follow-through', 'bowline-locked', 'figure-eight-on-bight', 'clove-hitch', 'alpine-butterfly'], may: 'tie' as const, by: handle === 'tove' ? 'rask' : 'tove' })),
  ...['bridie', 'joss', 'anse'].map((handle) => ({ handle, knots: ['figure-eight-follow-through'], may: 'tie' as const, by: 'tove' })),
];

/** Walked before the painters go out. */
export const DEMO_ROUND: {
  name: string;
  stops: readonly { place: string; knot: string; use: Use; tag: string }[];
} = {
  name: 'North light, before work',
  stops: [
    { place: 'North light, gallery anchor', knot: 'figure-eight-on-bight', use: 'end-loop', tag: 'NL-03' },
    { place: 'North light, gallery midline', knot: 'alpine-butterfly', use: 'midline', tag: 'NL-03' },
    { place: 'North light, landing', knot: 'clove-hitch', use: 'hitch-object', tag: 'NL-04' },
    { place: 'North light, mast foot', knot: 'figure-eight-follow-through', use: 'end-loop', tag: 'NL-04' },
  ],
};

export const DEMO_PLACES = ['Kitti Ledge, west count', 'Kitti Ledge, east count', 'North light, gallery', 'South light, mast foot', 'The Old Man stack, first belay', 'Skerry Stack, ledge 2', 'Net loft, station 3', 'Net loft, station 5', 'Gannet Face, rescue top'] as const;

export const DEMO_JOB: Job = {
  purpose: 'tie-in', profile: 'sport-crag', rope: { kind: 'dynamic', diameter_mm: 10.2 }, second_rope: null, pulls: ['standing-eye'], object: 'harness', end_free: true,
  untie: 'after-hard-falls', must_pass: [], team: 'trained', life_load: true,
};
