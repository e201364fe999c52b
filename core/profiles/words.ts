/** The trade's words for what a knot is for, for knots that belong to another, and for whose a rule is. */
import type { Companion, Use } from '../knots/facts/uses';
import type { NamedRule } from './rules';
import type { Layer } from './types';

export const USE_WORDS: Readonly<Record<Use, string>> = {
  'tie-in': 'a tie-in',
  'end-loop': 'a loop at the end',
  'two-eyes': 'two eyes',
  midline: 'a loop in the middle',
  join: 'joining two ropes',
  'join-to-pass': 'a joint to be passed',
  'join-to-retrieve': 'a joint to be pulled down',
  sling: 'a sling of tape',
  'cord-loop': 'a loop of cord',
  'hitch-object': 'making fast to a thing',
  tether: 'a personal tether',
  handle: 'a handle in the rope',
  friction: 'gripping another rope',
  'friction-climb': 'climbing on a rope it grips',
  'friction-backup': 'backing up a device on a rope it grips',
  'friction-escape': 'escaping a belay, gripping the loaded rope',
  'friction-both': 'gripping another rope, pulled both ways',
  belay: 'belaying',
  releasable: 'a tie-off let go under load',
  stopper: 'the end of a rope',
  'isolate-damage': 'taking damage out of the line',
  'tension-eye': 'an eye to tension on',
  termination: 'a termination in a clip',
  backup: 'a knot behind another',
  lashing: 'a lashing',
};
export const COMPANION_WORDS: Readonly<Record<Companion, string>> = {
  'stopper-behind': 'a stopper, two turns of the tail',
  'two-strand-backup': 'an overhand round both strands',
  'stopper-in-tag': 'a stopper in the tag',
  'backed-both-sides': 'an overhand on both sides',
  'half-hitch-behind': 'a half hitch on the neck',
  'overhand-behind': 'an overhand round everything',
};
export const LAYER_WORDS: Readonly<Record<Layer, string>> = {
  own: 'own rules',
  school: 'rule set',
  common: 'common practice',
};

/** A rule by its layer, name and version. @example 'common practice CP-T4, version 1' */
export const ruleSaid = (
  r: Pick<NamedRule, 'id' | 'profile' | 'version' | 'source'> & { readonly layer?: Layer | null },
): string =>
  `${r.layer === 'common' ? LAYER_WORDS.common : `${LAYER_WORDS[r.layer ?? 'school']} ${r.profile}`} ${r.id}, version ${r.version}${r.source === 'general' ? ', general' : ''}`;
