/** The interface's words for the values of the contract. */
import type { Job } from '../../core/choose/job';
import type { RopeState, TailUnit } from '../../core/inspect/judging';
import { USE_WORDS } from '../../core/profiles/words';

export { COMPANION_WORDS, ruleSaid, USE_WORDS } from '../../core/profiles/words';
export { METHOD_WORDS, VERDICT_WORDS } from '../../core/inspect/judging/words';
export { OBJECT_WORDS, pullWords } from '../../core/knots/facts/words';
import type { Family, Grade, KnotEntry, Source } from '../../core/knots/facts/types';

/** What a knot is chosen for. */
export const PURPOSE_WORDS: Record<Job['purpose'], string> = { ...USE_WORDS, stopper: 'a stopper' };
export const KIND_WORDS: Record<Job['rope']['kind'], string> = {
  dynamic: 'dynamic',
  'low-stretch': 'low-stretch',
  'accessory-cord': 'accessory cord',
  'high-modulus-cord': 'high-modulus cord',
  webbing: 'webbing',
  'hollow-braid': 'hollow braid',
};
export const UNTIE_WORDS: Record<Job['untie'], string> = {
  any: 'any way',
  'by-hand-after-load': 'by hand after load',
  'after-hard-falls': 'by hand after hard falls',
  'under-load': 'while it is loaded',
};
export const TEAM_WORDS: Record<Job['team'], string> = { anyone: 'anyone here', trained: 'people trained on it' };
export const PASS_WORDS: Record<Job['must_pass'][number], string> = {
  edge: 'an edge',
  'standard-eight': 'a standard eight',
  'large-eight': 'a large eight',
  pulley: 'a pulley',
  tube: 'a tube',
  autolock: 'an autolock',
  ring: 'a ring',
};
export const GRADE_WORDS: Record<Grade, string> = {
  made: 'made for it',
  ok: 'will do',
  avoid: 'to be avoided',
  fails: 'fails',
};
export const SOURCE_WORDS: Record<Source, string> = {
  practice: 'from practice',
  general: 'general knowledge, to be confirmed',
};
export const CERTAINTY_WORDS: Record<KnotEntry['form_certainty'], string> = {
  settled: 'Settled',
  'one-derivation': 'One derivation only',
  unsettled: 'Not settled',
};
export const TAIL_UNIT_WORDS: Record<TailUnit, string> = {
  mm: 'mm',
  in: 'inches',
  fist: 'fists',
  diameter: 'diameters',
};
export const THING_WORDS: Record<'rope' | 'cord' | 'sling' | 'karabiner', string> = {
  rope: 'rope',
  cord: 'cord',
  sling: 'sling',
  karabiner: 'karabiner',
};
export const ROPE_STATE_WORDS: Record<RopeState, string> = {
  'in-service': 'in service',
  damaged: 'damaged: never for a life load',
  retired: 'retired',
};
export const POINT_WORDS: Record<string, string> = {
  rope: 'Rope',
  use: 'What for',
  companion: 'Knot behind it',
  name: 'Right knot',
  front: 'Front',
  back: 'Back',
  path: 'Path',
  tail: 'Tail',
  stopper: 'Stopper',
  set: 'Set',
  eye: 'Eye',
  harness: 'Harness',
  count: 'Count',
  wraps: 'Wraps',
  object: 'Object',
  gate: 'Gate',
  joint: 'Joint',
  slides: 'Slides, bites',
  otherwise: 'Other loads',
};

export const FAMILY_HEADINGS: Record<Family, string> = {
  'end-loop': 'End loops',
  'two-eyes': 'Loops with two eyes',
  midline: 'Midline loops',
  noose: 'Nooses',
  bend: 'Joints of two ropes',
  hitch: 'Hitches to an object',
  friction: 'Friction hitches',
  stopper: 'Stoppers',
};

/** Date and time of this device's zone, to the minute. */
export const momentText = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });
/** The day with its year. */
export const dateText = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
export const dayText = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
export const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map((p) => p[0] ?? '')
    .join('')
    .slice(0, 2)
    .toUpperCase();

export const CAUTION =
  'A training and record-keeping aid. It gives no clearance to load. Hands-on instruction, a competent person’s check, the maker’s instructions and the rules of employer, scheme or country always win.';
