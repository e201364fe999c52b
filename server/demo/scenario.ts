/**
 * The demo: Fulmar Sound, a small island group with a rope school in an old net loft. All of it is made
 * up. One password for all, shown on the sign-in page: it protects nothing.
 */
import type { Role } from '../../contract';
import type { Job } from '../../core/choose';

export const DEMO_PASSWORD = 'fulmar-sound-demo';
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

export const DEMO_ROPES: readonly { tag: string; kind: 'dynamic' | 'low-stretch' | 'accessory-cord'; diameter_mm: number; length_m: number; retired?: true; note: string }[] = [
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
  { tag: 'NL-13', kind: 'dynamic', diameter_mm: 10, length_m: 40, retired: true, note: 'cut up for samples' },
  { tag: 'NL-14', kind: 'accessory-cord', diameter_mm: 6, length_m: 20, note: 'cord for the loft' },
  { tag: 'NL-15', kind: 'dynamic', diameter_mm: 11, length_m: 30, note: 'training, short' },
];

export const DEMO_PLACES = ['Kitti Ledge, west count', 'Kitti Ledge, east count', 'North light, gallery', 'South light, mast foot', 'The Old Man stack, first belay', 'Skerry Stack, ledge 2', 'Net loft, station 3', 'Net loft, station 5', 'Gannet Face, rescue top'] as const;

export const DEMO_JOB: Job = {
  purpose: 'tie-in', profile: 'sport-crag', rope: { kind: 'dynamic', diameter_mm: 10.2 }, second_rope: null, pulls: ['standing-eye'], object: 'harness', end_free: true,
  untie: 'after-hard-falls', must_pass: [], team: 'trained', life_load: true,
};
