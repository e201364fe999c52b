/** The words of printed pages for the values of the record. */
import type { Verdict } from '../../core/inspect';
import { entryById } from '../../core/knots/lookup';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = { 'meets-the-rule': 'Meets the rule', 'put-right': 'Put right', 'take-out-and-retie': 'Take out and retie', 'not-judged': 'Not judged' };
/** A verdict, and why it is none where every point meets the rule but the second person is missing. */
export const verdictSaid = (row: { readonly verdict: Verdict; readonly points_verdict: Verdict }): string => (row.verdict === 'not-judged' && row.points_verdict === 'meets-the-rule' ? 'Not judged: second person missing or differs' : VERDICT_WORDS[row.verdict]);
export const STATE_WORDS = { meets: 'meets', remark: 'remark', 'put-right': 'put right', 'take-out-and-retie': 'take out', 'not-judged': 'not judged' } as const;
export const DONE_WORDS = { 'taken-out': 'taken out', retied: 'taken out and tied again', 'rope-retired': 'rope retired' } as const;
export const METHOD_WORDS = { ruler: 'with a ruler', fists: 'in fists', 'rope-diameters': 'in rope diameters', 'by-eye': 'by eye' } as const;
export const knotName = (id: string): string => entryById(id).names[0];
export const signed = (mm: number): string => `${mm > 0 ? '+' : ''}${mm} mm`;
