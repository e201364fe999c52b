export {
  aboutOf, columnsOf, DONE_WORDS, ENTRY_KINDS, FIRST_PREVIOUS, isOfCheck,
  type CheckBody, type CheckEntry, type CorrectionBody, type Entry, type EntryColumns, type EntryKind, type EntryOf, type FindingClosedBody, type RopeEventBody, type RoundFinishedBody, type RoundStop, type SignatureBody,
} from './entries';
export { askedAgain, EVENT_WORDS, HOURS_UNTIL_AGAIN, KNOT_EVENTS, type Again, type KnotEventKind, type LookedAt } from './again';
export { statusOf, type CheckStatus } from './status';
export { differencesBetween, type Difference } from './differences';
export { openDamages, refusedEvent, ROPE_ENDS, ROPE_EVENT_WORDS, ROPE_EVENTS, ropeLife, type Damage, type RopeEnd, type RopeEvent, type RopeEventKind, type RopeHappening, type RopeLife } from './ropeLife';
