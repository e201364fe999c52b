/** Where a check stands now, from its entries alone: what lists show. */
import { worse, type Judgement } from '../inspect/judging';
import { tailMeasured, type Entry } from './entries';
import type { CheckStatus } from './statusColumns';

const faultsIn = (judgement: Judgement): string[] =>
  judgement.points
    .filter((p) => p.state === 'put-right' || p.state === 'take-out-and-retie' || p.state === 'remark')
    .map((p) => p.found);

/**
 * @param entries of one check, oldest first; the first is the check itself
 * @returns null when there is no check entry among them
 */
export function statusOf(entries: readonly Entry[]): CheckStatus | null {
  const check = entries.find((e) => e.kind === 'check');
  if (check?.kind !== 'check') return null;
  let { verdict, points_verdict } = check.body.judgement;
  let tail = tailMeasured(check.body);
  let second = check.body.judgement.second_signature;
  let signer: string | null = null;
  let signed = false;
  let corrected = false;
  let closed = false;
  let first = check.body.judgement;
  let looked: Judgement | null = null;
  let differs = false;
  for (const e of entries) {
    if (e.kind === 'signature') {
      signed = true;
      signer = e.body.signer;
      verdict = e.body.verdict_after;
      looked = e.body.judgement ?? null;
      if (looked) points_verdict = worse(points_verdict, looked.points_verdict);
      differs = (e.body.differences ?? []).length > 0 || !e.body.agrees;
    } else if (e.kind === 'correction') {
      corrected = true;
      // what was signed is no longer what stands there
      signed = false;
      signer = null;
      looked = null;
      differs = false;
      first = e.body.judgement;
      verdict = e.body.verdict_after;
      points_verdict = e.body.judgement.points_verdict;
      tail = tailMeasured(e.body);
      second = e.body.judgement.second_signature;
    } else if (e.kind === 'finding-closed') closed = true;
  }
  return {
    check_id: check.id,
    organisation: check.organisation,
    sequence: check.sequence,
    tied_knot: check.body.tied_knot,
    seen_at: check.body.seen_at,
    knot: check.body.knot,
    rope: check.body.rope,
    place: check.body.place,
    tied_by: check.body.tied_by,
    tied_by_words: check.body.tied_by_outside ?? null,
    checker: check.recorded_by,
    signer,
    verdict,
    points_verdict,
    open_finding: points_verdict === 'take-out-and-retie' && !closed,
    awaits_signature:
      !signed && points_verdict === 'meets-the-rule' && (second === 'missing-required' || second === 'missing-advised'),
    corrected,
    alone: check.body.alone,
    faults: [...new Set([...faultsIn(first), ...(looked ? faultsIn(looked) : [])])].sort().join(','),
    differs,
    ...tail,
    made_for: check.body.use ?? null,
    short_look: check.body.short ?? false,
    profile: check.body.profile,
    profile_version: check.body.profile_version,
    round_walk: check.body.round?.walk ?? null,
    round_stop: check.body.round?.stop ?? null,
    demo: check.body.demo,
  };
}
