/**
 * What an entry of the record says. Entries are never changed: a correction is a new entry that points
 * at the old one. People, ropes and profiles stand in them as ids with the content hash they had then.
 * The entry's canonical bytes (RFC 8785) carry the hash of the entry before it, so the organisation's
 * record is a chain. What the chain can prove and what not: docs/record.md.
 */
import type { Judgement, PointAnswer, RopeState, Verdict } from '../inspect/judging';
import type { Difference } from './differences';
import type { RopeEvent } from './ropeLife';

export const ENTRY_KINDS = [
  'check',
  'signature',
  'correction',
  'finding-closed',
  'rope-event',
  'round-finished',
] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

interface EntryHead {
  readonly format: 1;
  readonly id: string;
  readonly organisation: string;
  readonly sequence: number;
  /** SHA-256 of the entry before, hex; 64 zeros for the first */
  readonly previous_sha256: string;
  readonly recorded_at: string;
  readonly recorded_by: string;
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
  readonly tied_by: string;
  readonly tied_at: string;
  /** when the walk was finished, by the clock of the device */
  readonly seen_at: string;
  readonly profile: string;
  readonly profile_version: number;
  readonly profile_sha256: string;
  readonly stopper: boolean;
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

export type Entry =
  | (EntryHead & { readonly kind: 'check'; readonly body: CheckBody })
  | (EntryHead & { readonly kind: 'signature'; readonly body: SignatureBody })
  | (EntryHead & { readonly kind: 'correction'; readonly body: CorrectionBody })
  | (EntryHead & { readonly kind: 'finding-closed'; readonly body: FindingClosedBody })
  | (EntryHead & { readonly kind: 'rope-event'; readonly body: RopeEventBody })
  | (EntryHead & { readonly kind: 'round-finished'; readonly body: RoundFinishedBody });
/** Entries that a check consists of. */
export type CheckEntry = EntryOf<'check' | 'signature' | 'correction' | 'finding-closed'>;
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;

/** The columns of the entries table that lists and screens read; each follows from the bytes alone. */
export interface EntryColumns {
  readonly kind: EntryKind;
  readonly recorded_at: string;
  readonly recorded_by: string;
  /** the check, rope or walked round that an entry is about; a check is about itself */
  readonly about: string;
  readonly tied_knot: string | null;
  readonly knot: string | null;
  readonly rope: string | null;
  readonly place: string | null;
  readonly tied_by: string | null;
  readonly signer: string | null;
  readonly seen_at: string | null;
  readonly profile: string | null;
  readonly profile_version: number | null;
  /** verdict after this entry; null where it changes none */
  readonly verdict: Verdict | null;
  readonly points_verdict: Verdict | null;
  readonly tail_mm: number | null;
  readonly tail_margin_mm: number | null;
  readonly alone: boolean | null;
  readonly demo: boolean;
}

/** The check, rope or walked round that an entry is about. */
export function aboutOf(entry: Entry): string {
  switch (entry.kind) {
    case 'check':
      return entry.id;
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
  entry.kind !== 'rope-event' && entry.kind !== 'round-finished';

/** Columns of an entry, computed from it. */
export function columnsOf(entry: Entry): EntryColumns {
  const none = {
    knot: null,
    rope: null,
    place: null,
    tied_by: null,
    signer: null,
    seen_at: null,
    profile: null,
    profile_version: null,
    verdict: null,
    points_verdict: null,
    tail_mm: null,
    tail_margin_mm: null,
    alone: null,
  };
  const about = aboutOf(entry);
  const tied_knot = 'tied_knot' in entry.body ? entry.body.tied_knot : null;
  const head = {
    kind: entry.kind,
    recorded_at: entry.recorded_at,
    recorded_by: entry.recorded_by,
    about,
    tied_knot,
    demo: entry.body.demo,
  };
  const tailOf = (answers: readonly PointAnswer[], judgement: Judgement) => ({
    tail_mm: answers.find((a) => a.point === 'tail')?.tail?.tail_mm ?? null,
    tail_margin_mm: judgement.points.find((p) => p.point === 'tail')?.tail?.margin_mm ?? null,
  });
  switch (entry.kind) {
    case 'check': {
      const b = entry.body;
      return {
        ...head,
        knot: b.knot,
        rope: b.rope,
        place: b.place,
        tied_by: b.tied_by,
        signer: null,
        seen_at: b.seen_at,
        profile: b.profile,
        profile_version: b.profile_version,
        verdict: b.judgement.verdict,
        points_verdict: b.judgement.points_verdict,
        alone: b.alone,
        ...tailOf(b.answers, b.judgement),
      };
    }
    case 'signature':
      return { ...none, ...head, signer: entry.body.signer, verdict: entry.body.verdict_after };
    case 'correction':
      return {
        ...none,
        ...head,
        verdict: entry.body.verdict_after,
        points_verdict: entry.body.judgement.points_verdict,
        ...tailOf(entry.body.answers, entry.body.judgement),
      };
    case 'rope-event':
      return { ...none, ...head, rope: entry.body.rope };
    case 'finding-closed':
    case 'round-finished':
      return { ...none, ...head };
  }
}

export const FIRST_PREVIOUS = '0'.repeat(64);
