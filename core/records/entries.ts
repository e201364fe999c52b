/**
 * What an entry of the record says. Entries are never changed: a correction is a new entry that points
 * at the old one. People, ropes and profiles stand in them as ids with the content hash they had then.
 * The entry's canonical bytes (RFC 8785) carry the hash of the entry before it, so the organisation's
 * record is a chain. What the chain can prove and what not: docs/record.md.
 */
import { isByFist, type Judgement, type PointAnswer, type RopeState, type Verdict } from '../inspect/judging';
import type { Companion, Use } from '../knots/facts/uses';
import type { Difference } from './differences';
import type { RopeEvent } from './ropeLife';

export const ENTRY_KINDS = [
  'check',
  'signature',
  'correction',
  'finding-closed',
  'rope-event',
  'round-finished',
  'incident',
  'rows',
  'baseline',
] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

interface EntryHead {
  /** 2 names the request that it answers, and its time is never before that of the entry before */
  readonly format: 1 | 2;
  readonly id: string;
  readonly organisation: string;
  readonly sequence: number;
  /** SHA-256 of the entry before, hex; 64 zeros for the first */
  readonly previous_sha256: string;
  readonly recorded_at: string;
  readonly recorded_by: string;
  /** format 2: hash of what was asked; an id stands for this request alone */
  readonly request_sha256?: string;
  /** what the server's clock said, where it was behind the entry before */
  readonly clock_said?: string;
}

export interface CheckBody {
  readonly tied_knot: string;
  readonly knot: string;
  readonly knot_entry_sha256: string;
  readonly catalogue_version: number;
  /** the version of judging it was made by; 1 where it is not said */
  readonly judging?: number;
  readonly rope: string;
  readonly rope_diameter_mm: number;
  readonly place: string;
  /** null where it was somebody outside, or nobody knows */
  readonly tied_by: string | null;
  /** somebody outside, in a few words */
  readonly tied_by_outside?: string;
  /** nobody knows who tied it; who looked states that they did not */
  readonly tied_by_unknown?: true;
  readonly not_tied_by_me?: true;
  readonly tied_at: string;
  /** when the walk was finished, by the clock of the device */
  readonly seen_at: string;
  readonly profile: string;
  readonly profile_version: number;
  readonly profile_sha256: string;
  readonly stopper: boolean;
  /** what the knot was for; entries from before a check knew have none */
  readonly use?: Use;
  /** other knots tied to it */
  readonly companions?: readonly Companion[];
  readonly rope_kind?: string;
  /** common practice that lay beneath the rule set; null where it did not count */
  readonly common_practice?: { readonly version: number; readonly sha256: string } | null;
  /** a look at four things alone */
  readonly short?: true;
  readonly fist_mm: number;
  readonly hand: 'right' | 'left';
  readonly answers: readonly PointAnswer[];
  readonly judgement: Judgement;
  /** tied and checked by the same person */
  readonly alone: boolean;
  /** how the rope stood then; left out in service */
  readonly rope_state?: RopeState;
  /** why this knot was looked at although another in the rope was to be taken out */
  readonly despite_open_finding?: string;
  /** the stop of a walked round that it belongs to, counted from 0 */
  readonly round?: { readonly walk: string; readonly stop: number };
  /** whether the one who tied it was signed off to tie it, and the one who looked to check it, then */
  readonly signed_off?: { readonly to_tie: boolean; readonly to_check: boolean };
  readonly note: string;
  readonly demo: boolean;
}
/** The second person's. With answers: an own look, made before the first one's were shown. */
export interface SignatureBody {
  readonly check: string;
  readonly tied_knot: string;
  readonly signer: string;
  readonly agrees: boolean;
  readonly note: string;
  readonly verdict_after: Verdict;
  /** when the look was finished, by the clock of the device */
  readonly seen_at?: string;
  readonly answers?: readonly PointAnswer[];
  readonly judgement?: Judgement;
  /** by which judging and entry of the knot; those of the check where it is not said */
  readonly judging?: number;
  readonly knot_entry_sha256?: string;
  /** points at which the two looks differ, as told to both */
  readonly differences?: readonly Difference[];
  /** proved on somebody else's device, or by a session of their own */
  readonly proved_by?: 'session' | 'password' | 'pin';
  readonly demo: boolean;
}
export interface CorrectionBody {
  readonly check: string;
  readonly tied_knot: string;
  readonly reason: string;
  readonly answers: readonly PointAnswer[];
  readonly judgement: Judgement;
  /** by which judging and entry of the knot; those of the check where it is not said */
  readonly judging?: number;
  readonly knot_entry_sha256?: string;
  readonly verdict_after: Verdict;
  readonly demo: boolean;
}
export const DONE_WORDS = {
  'taken-out': 'taken out',
  retied: 'taken out and tied again',
  'rope-retired': 'rope retired',
} as const;
export interface FindingClosedBody {
  readonly check: string;
  readonly tied_knot: string;
  readonly what_was_done: keyof typeof DONE_WORDS;
  /** tied again: the later check of it, by someone other than who tied it */
  readonly later_check?: string;
  readonly note: string;
  readonly demo: boolean;
}

export interface RopeEventBody extends RopeEvent {
  readonly rope: string;
  readonly note: string;
  readonly demo: boolean;
}
export interface RoundStop {
  readonly place: string;
  readonly knot: string;
  /** what it is for there; not said where it has but one use, or a round is from before */
  readonly use?: Use | undefined;
  /** null where any rope may hang there */
  readonly rope: string | null;
}
/** What a round came to. A stop without a check was not reached: nothing is said of its knot. */
export interface RoundFinishedBody {
  readonly walk: string;
  readonly round: string;
  readonly name: string;
  readonly begun_by: string;
  readonly begun_at: string;
  readonly stops: readonly (RoundStop & {
    readonly check: string | null;
    readonly verdict: Verdict;
    readonly why_not: string;
  })[];
  readonly note: string;
  readonly demo: boolean;
}

/** What happened: as it was told, its cause unsettled. It points at knots and ropes, freezes nothing, and names nobody guilty. */
export interface IncidentBody {
  readonly happened_at: string;
  readonly words: string;
  readonly tied_knots: readonly string[];
  readonly ropes: readonly string[];
  readonly demo: boolean;
}

/** A row as it stands from now on: what pages, files and computations read of it. */
export interface HeldRow {
  readonly table: string;
  /** what the row is found by */
  readonly key: string;
  /** column by column; times as ISO 8601, a long text as `sha256:` and its hash */
  readonly values: Readonly<Record<string, RowValue>>;
  /** of a person: SHA-256 of the salt with their names; null once they were erased */
  readonly sealed?: string | null;
}
/** Rows that were made or changed together. */
export interface RowsBody {
  readonly rows: readonly HeldRow[];
  readonly demo: boolean;
}
export type RowValue = string | number | null;
/** Rows from before rows were entries, as they stood then: it proves them from then on. */
export interface BaselineBody {
  readonly tables: Readonly<
    Record<
      string,
      {
        /** which columns it holds, in the order of the hash */
        readonly columns: readonly string[];
        /** of each row by its key: SHA-256 of the canonical list of their values */
        readonly rows: Readonly<Record<string, string>>;
      }
    >
  >;
  readonly demo: boolean;
}

export type Entry =
  | (EntryHead & { readonly kind: 'check'; readonly body: CheckBody })
  | (EntryHead & { readonly kind: 'signature'; readonly body: SignatureBody })
  | (EntryHead & { readonly kind: 'correction'; readonly body: CorrectionBody })
  | (EntryHead & { readonly kind: 'finding-closed'; readonly body: FindingClosedBody })
  | (EntryHead & { readonly kind: 'rope-event'; readonly body: RopeEventBody })
  | (EntryHead & { readonly kind: 'round-finished'; readonly body: RoundFinishedBody })
  | (EntryHead & { readonly kind: 'incident'; readonly body: IncidentBody })
  | (EntryHead & { readonly kind: 'rows'; readonly body: RowsBody })
  | (EntryHead & { readonly kind: 'baseline'; readonly body: BaselineBody });
/** Entries that a check consists of. */
export type CheckEntry = EntryOf<'check' | 'signature' | 'correction' | 'finding-closed'>;
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;

/** What an entry about rows is found by: the key of the first, cut to the length of an id. */
export const aboutRow = (key: string): string => key.slice(0, 36);
/** The check, rope, walked round or row that an entry is about. */
export function aboutOf(entry: Entry): string {
  switch (entry.kind) {
    case 'check':
    case 'incident':
    case 'baseline':
      return entry.id;
    case 'rows':
      return aboutRow(entry.body.rows[0]!.key);
    case 'rope-event':
      return entry.body.rope;
    case 'round-finished':
      return entry.body.walk;
    default:
      return entry.body.check;
  }
}

/** Whether an entry is one of those that a check consists of. */
export const isOfCheck = (entry: Entry): entry is CheckEntry =>
  entry.kind === 'check' ||
  entry.kind === 'signature' ||
  entry.kind === 'correction' ||
  entry.kind === 'finding-closed';

/** The tail as it was measured, and by how much it is more than the rule asks; null where no length was read, or no rule asks. */
export const tailMeasured = ({
  answers,
  judgement,
}: Pick<CheckBody, 'answers' | 'judgement'>): {
  readonly tail_mm: number | null;
  readonly tail_margin_mm: number | null;
} => ({
  tail_mm: lengthRead(answers.find((a) => a.point === 'tail')?.tail),
  tail_margin_mm: judgement.points.find((p) => p.point === 'tail')?.tail?.margin_mm ?? null,
});

const lengthRead = (tail: PointAnswer['tail']): number | null => (tail && !isByFist(tail) ? tail.tail_mm : null);

export const FIRST_PREVIOUS = '0'.repeat(64);
