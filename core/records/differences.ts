/** Where two looks at one knot differ: what each found at a point, and tails farther apart than both ways of measuring allow. */
import { isByFist, type Judgement, type PointAnswer, type TailGiven } from '../inspect/judging';

export interface Difference {
  readonly point: string;
  readonly first: string;
  readonly second: string;
}

const tailsOf = (a: PointAnswer | undefined) => [a?.tail, ...(a?.more_tails ?? [])].filter((t) => t !== undefined);

/** Whether two measures of a tail are farther apart than both allow; of a fist that was laid on its own word counts. */
const areApart = (a: TailGiven, b: TailGiven): boolean =>
  isByFist(a) || isByFist(b)
    ? isByFist(a) && isByFist(b) && a.fist !== b.fist
    : Math.abs(a.tail_mm - b.tail_mm) > a.uncertainty_mm + b.uncertainty_mm;

/** @returns by point in the first one's order; empty where both found the same */
export function differencesBetween(
  first: { readonly judgement: Judgement; readonly answers: readonly PointAnswer[] },
  second: { readonly judgement: Judgement; readonly answers: readonly PointAnswer[] },
): Difference[] {
  return first.judgement.points.flatMap((p): Difference[] => {
    const other = second.judgement.points.find((x) => x.point === p.point);
    const [a, b] = [first, second].map((l) => tailsOf(l.answers.find((x) => x.point === p.point)));
    const apart = a!.some((t, i) => b![i] !== undefined && areApart(t, b![i]));
    return other && other.found === p.found && other.state === p.state && !apart
      ? []
      : [{ point: p.point, first: p.text, second: other?.text ?? 'not looked at' }];
  });
}
