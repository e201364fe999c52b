/** The words of the work for verdicts and ways of measuring: on screen and on paper the same. */
import type { TailMethod, Verdict } from './verdict';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  'meets-the-rule': 'Meets the rule',
  'put-right': 'Put right',
  'take-out-and-retie': 'Take out and retie',
  'not-judged': 'Not judged',
};
export const METHOD_WORDS: Readonly<Record<TailMethod, string>> = {
  ruler: 'with a ruler',
  fists: 'in fists',
  'rope-diameters': 'in diameters',
  'by-eye': 'by eye',
};

/** A verdict with why it is none, where every point meets the rule. */
export function verdictSaid(row: {
  readonly verdict: Verdict;
  readonly points_verdict: Verdict;
  readonly differs: boolean;
}): string {
  const why =
    row.verdict !== 'not-judged' || row.points_verdict !== 'meets-the-rule'
      ? ''
      : row.differs
        ? ': the two looks differ'
        : ': second person missing';
  return `${VERDICT_WORDS[row.verdict]}${why}`;
}
