export {
  aboutOf,
  DONE_WORDS,
  FIRST_PREVIOUS,
  isOfCheck,
  tailMeasured,
  type BaselineBody,
  type HeldRow,
  type RowsBody,
  type RowValue,
  type CheckBody,
  type IncidentBody,
  type CheckEntry,
  type CorrectionBody,
  type Entry,
  type EntryKind,
  type EntryOf,
  type FindingClosedBody,
  type RopeEventBody,
  type RoundFinishedBody,
  type RoundStop,
  type SignatureBody,
} from './entries';
export { askedAgain, dueAt, KNOT_EVENTS, type Again, type KnotEventKind, type LookedAt } from './again';
export { statusOf } from './status';
export {
  FILE_COLUMNS,
  rowOf,
  SHOWN_COLUMNS,
  STORED_COLUMNS,
  YES_OR_NO,
  type CheckStatus,
  type JoinedColumn,
  type NamedStatus,
  type StatusRow,
} from './statusColumns';
export { differencesBetween } from './differences';
export {
  openDamages,
  refusedEvent,
  ROPE_ENDS,
  ROPE_EVENT_WORDS,
  ROPE_EVENTS,
  ropeLife,
  type Damage,
  type RopeEvent,
  type RopeEventKind,
  type RopeHappening,
  type RopeLife,
} from './ropeLife';
export { askedBy } from './askedBy';
