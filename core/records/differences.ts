/** Where two looks at one knot differ: what each found at a point, and tails farther apart than both ways of measuring allow. */
import type { Judgement, PointAnswer } from '../inspect/judging';

export interface Difference {
  readonly point: string;
  readonly first: string;
  readonly second: string;
}

const tailsOf = (a: PointAnswer | undefined) => [a?.tail, ...(a?.more_tails ?? [])].filter((t) => t !== undefined);

/** @returns by point in the first one's order; empty where both found the same */
export function differencesBetween(
  first: { readonly judgement: Judgement; readonly answers: readonly PointAnswer[] },
  second: { readonly judgement: Judgement; readonly answers: readonly PointAnswer[] },
): Difference[] {
  return first.judgement.points.flatMap((p): Difference[] => {
    const other = second.judgement.points.find((x) => x.point === p.point);
    const [a, b] = [first, second].map((l) => tailsOf(l.answers.find((x) => x.point === p.point)));
    const apart = a!.some(
      (t, i) => b![i] !== undefined && Math.abs(t.tail_mm - b![i].tail_mm) > t.uncertainty_mm + b![i].uncertainty_mm,
    );
    return other && other.found === p.found && other.state === p.state && !apart
      ? []
      : [{ point: p.point, first: p.text, second: other?.text ?? 'not looked at' }];
  });
}
