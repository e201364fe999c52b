/** Lists as CSV (RFC 4180). A cell that a spreadsheet would take for a formula is led by an apostrophe. */
import Papa from 'papaparse';
import type { CheckRow, RopeRow } from '../../contract';
import { FILE_COLUMNS } from '../../core/records';

/** What a spreadsheet may take for the beginning of a formula; the broad ones too. */
const escapeFormulae = /^[=+\-@\t\r＝＋－＠]/;

/** The first ones are those that a file to be read in has. */
const ROPE_COLUMNS = [
  'tag',
  'thing',
  'kind',
  'diameter_mm',
  'length_m',
  'in_service_since',
  'note',
  'state',
  'first_length_m',
  'open_damages',
  'hard_falls',
  'open_findings',
  'knots_in_it',
  'id',
] as const satisfies readonly (keyof RopeRow)[];

const cell = (v: unknown) => (Array.isArray(v) ? v.join(' ') : v);
const rowsText = <T extends object>(
  columns: readonly (keyof T & string)[],
  rows: readonly T[],
  header: boolean,
): string =>
  [...(header ? [[...columns]] : []), ...rows.map((r) => columns.map((c) => cell(r[c])))]
    .map((line) => `${Papa.unparse([line], { escapeFormulae })}\r\n`)
    .join('');

export const checksCsv = (checks: readonly CheckRow[], header = true): string => rowsText(FILE_COLUMNS, checks, header);
export const ropesCsv = (ropes: readonly RopeRow[]): string => rowsText(ROPE_COLUMNS, ropes, true);

/** A table of texts. */
export const tableCsv = (columns: readonly string[], rows: readonly (readonly unknown[])[]): string =>
  Papa.unparse({ fields: [...columns], data: rows as unknown[][] }, { escapeFormulae, newline: '\r\n' }) + '\r\n';
