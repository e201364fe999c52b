/** Rows of tables as the contract tells them. */
import type { CheckRow } from '../contract';
import type { NamedStatus, StoredEntry } from './tables/entries';

export const checkRowOf = (s: NamedStatus): CheckRow => ({
  id: s.check_id,
  sequence: s.sequence,
  seen_at: s.seen_at,
  knot: s.knot,
  rope: s.rope,
  rope_tag: s.rope_tag,
  place: s.place,
  tied_by: s.tied_by,
  tied_by_name: s.tied_by_name,
  checker: s.checker,
  checker_name: s.checker_name,
  signer: s.signer,
  signer_name: s.signer_name,
  verdict: s.verdict,
  points_verdict: s.points_verdict,
  open_finding: s.open_finding,
  corrected: s.corrected,
  alone: s.alone,
  faults: s.faults === '' ? [] : s.faults.split(','),
  differs: s.differs,
  tail_mm: s.tail_mm,
  tail_margin_mm: s.tail_margin_mm,
  profile: s.profile,
  profile_version: s.profile_version,
  demo: s.demo,
});
export const storedEntryOf = (e: StoredEntry) => ({
  sequence: e.sequence,
  sha256: e.sha256,
  entry: JSON.parse(e.bytes.toString('utf8')) as Record<string, unknown>,
});
