/** Where a check stands now, from its entries alone: what lists show. */
import { worse, type Judgement, type Verdict } from '../inspect/judging';
import { columnsOf, type Entry } from './entries';

export interface CheckStatus {
  readonly check_id: string;
  readonly organisation: string;
  readonly sequence: number;
  readonly tied_knot: string;
  readonly seen_at: string;
  readonly knot: string;
  readonly rope: string;
  readonly place: string;
  readonly tied_by: string;
  readonly checker: string;
  readonly signer: string | null;
  readonly verdict: Verdict;
  readonly points_verdict: Verdict;
  readonly open_finding: boolean;
  /** a second signature would change or complete it */
  readonly awaits_signature: boolean;
  readonly corrected: boolean;
  readonly alone: boolean;
  /** faults found by either, in order of their ids, with commas */
  readonly faults: string;
  /** the second look found something else than the first */
  readonly differs: boolean;
  readonly tail_mm: number | null;
  readonly tail_margin_mm: number | null;
  readonly profile: string;
  readonly profile_version: number;
  readonly round_walk: string | null;
  readonly round_stop: number | null;
  readonly demo: boolean;
}

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
  const c = columnsOf(check);
  let verdict = c.verdict!;
  let points_verdict = c.points_verdict!;
  let { tail_mm, tail_margin_mm } = c;
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
      const k = columnsOf(e);
      corrected = true;
      // what was signed is no longer what stands there
      signed = false;
      signer = null;
      looked = null;
      differs = false;
      first = e.body.judgement;
      verdict = e.body.verdict_after;
      points_verdict = k.points_verdict!;
      ({ tail_mm, tail_margin_mm } = k);
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
    tail_mm,
    tail_margin_mm,
    profile: check.body.profile,
    profile_version: check.body.profile_version,
    round_walk: check.body.round?.walk ?? null,
    round_stop: check.body.round?.stop ?? null,
    demo: check.body.demo,
  };
}
