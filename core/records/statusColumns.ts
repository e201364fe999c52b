/**
 * What lists show of a check, a column each. Said here once: from it follow the type of a status, the columns of its table, the rows that other
 * programs get with their contract, and the columns of the file. How a column comes about from the entries says `statusOf`.
 */
import type { Verdict } from '../inspect/judging';

interface Kinds {
  readonly text: string;
  readonly 'text or none': string | null;
  readonly number: number;
  readonly 'number or none': number | null;
  readonly 'yes or no': boolean;
  readonly moment: string;
  readonly verdict: Verdict;
  /** stored as one text, with commas */
  readonly list: string;
}
export interface StatusColumn {
  readonly is: keyof Kinds;
  /** read beside it by what it stands for: it is not stored with the status */
  readonly joined?: true;
  /** how it is called in the rows that others get; none where they do not get it */
  readonly shown?: string;
  /** whether it stands in the file (CSV), in this order */
  readonly inFile?: true;
  readonly means?: string;
}

export const CHECK_COLUMNS = {
  check_id: { is: 'text', shown: 'id', inFile: true },
  organisation: { is: 'text' },
  sequence: { is: 'number', shown: 'sequence', inFile: true },
  tied_knot: { is: 'text' },
  seen_at: { is: 'moment', shown: 'seen_at', inFile: true },
  knot: { is: 'text', shown: 'knot', inFile: true },
  rope: { is: 'text', shown: 'rope' },
  rope_tag: { is: 'text', joined: true, shown: 'rope_tag', inFile: true },
  place: { is: 'text', shown: 'place', inFile: true },
  tied_by: { is: 'text or none', shown: 'tied_by', means: 'none: somebody outside, or not known' },
  tied_by_words: { is: 'text or none' },
  tied_by_name: { is: 'text', joined: true, shown: 'tied_by_name', inFile: true },
  checker: { is: 'text', shown: 'checker' },
  checker_name: { is: 'text', joined: true, shown: 'checker_name', inFile: true },
  signer: { is: 'text or none', shown: 'signer' },
  signer_name: { is: 'text or none', joined: true, shown: 'signer_name', inFile: true },
  verdict: { is: 'verdict', shown: 'verdict', inFile: true },
  points_verdict: { is: 'verdict', shown: 'points_verdict', inFile: true },
  open_finding: { is: 'yes or no', shown: 'open_finding', inFile: true },
  awaits_signature: { is: 'yes or no', means: 'a second signature would change or complete it' },
  corrected: { is: 'yes or no', shown: 'corrected', inFile: true },
  alone: { is: 'yes or no', shown: 'alone', inFile: true },
  faults: { is: 'list', shown: 'faults', inFile: true, means: 'found by either, in order of their ids' },
  differs: { is: 'yes or no', shown: 'differs', inFile: true, means: 'the second look found something else' },
  tail_mm: { is: 'number or none', shown: 'tail_mm', inFile: true },
  tail_margin_mm: { is: 'number or none', shown: 'tail_margin_mm', inFile: true },
  made_for: {
    is: 'text or none',
    shown: 'use',
    inFile: true,
    means: 'what the knot was for; none on checks from before they knew',
  },
  short_look: { is: 'yes or no', shown: 'short', inFile: true, means: 'a look at four things alone' },
  profile: { is: 'text', shown: 'profile', inFile: true },
  profile_version: { is: 'number', shown: 'profile_version', inFile: true },
  round_walk: { is: 'text or none' },
  round_stop: { is: 'number or none' },
  demo: { is: 'yes or no', shown: 'demo', inFile: true },
} as const satisfies Readonly<Record<string, StatusColumn>>;

type Columns = typeof CHECK_COLUMNS;
type Column = keyof Columns;
type Joined = { [K in Column]: Columns[K] extends { joined: true } ? K : never }[Column];
type Shown = { [K in Column]: Columns[K] extends { shown: string } ? K : never }[Column];
type IsOf<K extends Column> = Kinds[Columns[K]['is']];
type NameOf<K extends Shown> = Columns[K] extends { shown: infer N extends string } ? N : never;

/** Where a check stands: what is stored of it. */
export type CheckStatus = { readonly [K in Exclude<Column, Joined>]: IsOf<K> };
/** With the names of what it is about. */
export type NamedStatus = { readonly [K in Column]: IsOf<K> };
export type JoinedColumn = Joined;
/** A row as other programs get it. */
export type StatusRow = { [K in Shown as NameOf<K>]: Columns[K]['is'] extends 'list' ? string[] : IsOf<K> };

const columns = Object.entries(CHECK_COLUMNS) as [Column, StatusColumn][];
/** Columns of the table, in order. */
export const STORED_COLUMNS = columns.filter(([, c]) => !c.joined).map(([k]) => k as keyof CheckStatus);
/** Those that are true or false; a database gives them as numbers. */
export const YES_OR_NO = columns.filter(([, c]) => c.is === 'yes or no').map(([k]) => k as keyof CheckStatus);
/** Columns of a row as others get it, in order. */
export const SHOWN_COLUMNS = columns.flatMap(([, c]) => (c.shown ? [{ ...c, name: c.shown as keyof StatusRow }] : []));
export const FILE_COLUMNS = SHOWN_COLUMNS.filter((c) => c.inFile).map((c) => c.name);

export const rowOf = (s: NamedStatus): StatusRow =>
  Object.fromEntries(
    columns.flatMap(([k, c]) =>
      c.shown ? [[c.shown, c.is === 'list' ? String(s[k]).split(',').filter(Boolean) : s[k]]] : [],
    ),
  ) as unknown as StatusRow;
