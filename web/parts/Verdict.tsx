import type { PointState, Verdict as V } from '../../core/inspect/judging';
import { VERDICT_WORDS } from './words';

/** Filled disc, half disc, square, ring: told apart without colour. */
export function VerdictShape({ of }: { of: V | PointState }) {
  if (of === 'take-out-and-retie')
    return (
      <svg viewBox="0 0 20 20" aria-hidden="true" className="v-take-out-and-retie">
        <rect x="2" y="2" width="16" height="16" rx="1" fill="currentColor" />
      </svg>
    );
  if (of === 'put-right')
    return (
      <svg viewBox="0 0 20 20" aria-hidden="true" className="v-put-right">
        <circle cx="10" cy="10" r="8" fill="none" stroke="currentColor" strokeWidth="2.4" />
        <path d="M10 2a8 8 0 0 0 0 16z" fill="currentColor" />
      </svg>
    );
  if (of === 'not-judged')
    return (
      <svg viewBox="0 0 20 20" aria-hidden="true" className="v-not-judged">
        <circle cx="10" cy="10" r="7.6" fill="none" stroke="currentColor" strokeWidth="2.8" />
      </svg>
    );
  if (of === 'remark')
    return (
      <svg viewBox="0 0 20 20" aria-hidden="true" className="v-not-judged">
        <path d="M10 3v9M10 15.5v1.5" stroke="currentColor" strokeWidth="3" />
      </svg>
    );
  return (
    <svg viewBox="0 0 20 20" aria-hidden="true" className="v-meets-the-rule">
      <circle cx="10" cy="10" r="8.6" fill="currentColor" />
    </svg>
  );
}

export function Verdict({ of, big = false }: { of: V; big?: boolean }) {
  return (
    <span className={`verdict v-${of}${big ? ' big' : ''}`}>
      <VerdictShape of={of} />
      {VERDICT_WORDS[of]}
    </span>
  );
}
