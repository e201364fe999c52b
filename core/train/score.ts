/** How somebody did at spotting: speed and the two kinds of error kept apart, for a missed fault is far worse than a false alarm. */

export interface Attempt {
  /** whether the knot shown was right */
  readonly right: boolean;
  /** what was decided */
  readonly decided: 'right' | 'put-right' | 'take-out';
  readonly named: boolean;
  readonly touched: boolean;
  readonly seconds: number;
}

export interface Score {
  readonly count: number;
  /** wrong knots that were let pass */
  readonly missed: number;
  /** right knots that were sent back */
  readonly false_alarms: number;
  /** of the faults found: named rightly, and touched where they are */
  readonly named: number;
  readonly touched: number;
  readonly median_s: number | null;
  /** a missed fault counts this many false alarms */
  readonly weighed_errors: number;
}

/** What a missed fault weighs against a false alarm. */
export const MISSED_WEIGHS = 5;

export function scored(attempts: readonly Attempt[]): Score {
  const missed = attempts.filter((a) => !a.right && a.decided === 'right').length;
  const false_alarms = attempts.filter((a) => a.right && a.decided !== 'right').length;
  const found = attempts.filter((a) => !a.right && a.decided !== 'right');
  const seconds = attempts.map((a) => a.seconds).sort((a, b) => a - b);
  const mid = seconds.length >> 1;
  const median_s =
    seconds.length === 0 ? null : seconds.length % 2 ? seconds[mid]! : (seconds[mid - 1]! + seconds[mid]!) / 2;
  return {
    count: attempts.length,
    missed,
    false_alarms,
    named: found.filter((a) => a.named).length,
    touched: found.filter((a) => a.touched).length,
    median_s,
    weighed_errors: MISSED_WEIGHS * missed + false_alarms,
  };
}
