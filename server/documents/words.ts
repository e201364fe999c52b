/** The words of printed pages for the values of the record. */
import { entryById } from '../../core/knots/catalogue/lookup';

export const STATE_WORDS = {
  meets: 'meets',
  remark: 'remark',
  'put-right': 'put right',
  'take-out-and-retie': 'take out',
  'not-judged': 'not judged',
} as const;
export const knotName = (id: string): string => entryById(id).names[0];
export const signed = (mm: number): string => `${mm > 0 ? '+' : ''}${mm} mm`;
