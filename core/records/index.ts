export {
  columnsOf, ENTRY_KINDS, FIRST_PREVIOUS,
  type CheckBody, type CorrectionBody, type Entry, type EntryColumns, type EntryKind, type EntryOf, type FindingClosedBody, type SignatureBody,
} from './entries';
export { statusOf, type CheckStatus } from './status';
