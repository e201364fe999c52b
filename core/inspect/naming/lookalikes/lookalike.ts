/** One look-alike of a knot. */
import type { FaultId } from '../../../knots/facts/faultTable';

export interface Lookalike {
  readonly knot: string;
  /** null where it is another right knot */
  readonly fault: FaultId | null;
  /** one crossing reversed, one turn more or fewer or the other way round, other ends loaded */
  readonly by: 'crossing' | 'turn' | 'ends';
  /** of the laid form, which one */
  readonly crossing?: number;
}
