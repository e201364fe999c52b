/**
 * How long a check took, point by point, as far as the device kept it. A walk so quick that nobody can have looked is marked, never
 * refused. The threshold is general: to read a question and compare two pictures takes longer.
 */
import type { PointAnswer } from './verdict';

/** Below this on average, seconds a point, a walk is marked as quick. General. */
export const QUICK_SECONDS = 2;

export interface Pace {
  /** points whose time was kept */
  readonly timed: number;
  readonly seconds: number;
  readonly quick: boolean;
  /** points answered on the screen that shows all */
  readonly fast: number;
}

/** @param answers of one check */
export function paceOf(answers: readonly PointAnswer[]): Pace {
  const timed = answers.filter((a) => a.seconds !== undefined);
  const seconds = Math.round(timed.reduce((sum, a) => sum + a.seconds!, 0) * 10) / 10;
  return {
    timed: timed.length,
    seconds,
    quick: timed.length > 0 && seconds < QUICK_SECONDS * timed.length,
    fast: answers.filter((a) => a.lane === 'fast').length,
  };
}
