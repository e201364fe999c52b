/** Forms that a specimen would be with one crossing reversed: said only of what is unknown. */
import type { Evidence } from './evidence';
import type { Form, Name } from './forms';
import type { Figures, Prepared } from './table';

export interface Near extends Name {
  /** seen from the front, numbered along the rope from 1 */
  readonly crossing: number;
  readonly means: string;
}

export interface Comparable {
  readonly form: Form;
  readonly figures: Figures;
  readonly kind: string;
  readonly eyes: number;
  readonly plain: boolean;
}

export function nearForms(p: Prepared, evidence: Evidence, known: readonly Comparable[]): Near[] {
  void p;
  void evidence;
  void known;
  return [];
}
