export {
  columnsOf, ENTRY_KINDS, FIRST_PREVIOUS,
  type CheckBody, type CorrectionBody, type Entry, type EntryColumns, type EntryKind, type EntryOf, type FindingClosedBody, type SignatureBody,
} from './entries';
export { askedAgain, EVENT_WORDS, HOURS_UNTIL_AGAIN, KNOT_EVENTS, type Again, type KnotEventKind, type LookedAt } from './again';
export { statusOf, type CheckStatus } from './status';
