/** Checks as CSV (RFC 4180). A cell that a spreadsheet would take for a formula is led by an apostrophe. */
import Papa from 'papaparse';
import type { CheckRow } from '../../contract';

const COLUMNS = [
  'id', 'sequence', 'seen_at', 'knot', 'rope_tag', 'place', 'tied_by_name', 'checker_name', 'signer_name', 'verdict', 'points_verdict', 'open_finding', 'corrected',
  'alone', 'tail_mm', 'tail_margin_mm', 'profile', 'profile_version', 'demo',
] as const satisfies readonly (keyof CheckRow)[];

export function checksCsv(checks: readonly CheckRow[]): string {
  return Papa.unparse({ fields: [...COLUMNS], data: checks.map((r) => COLUMNS.map((c) => r[c])) }, { escapeFormulae: true, newline: '\r\n' }) + '\r\n';
}
