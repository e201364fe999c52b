/** The answers that a point offers, the right one first, each with its picture where it has one. */
import { wrongPicture, type PointAnswer } from '../../../core/inspect/judging';
import type { CheckPoint, PictureOf } from '../../../core/knots/facts/types';
import { useKnotQuery } from '../../store/api';

export interface Option {
  readonly found: PointAnswer['found'];
  readonly label: string;
  readonly picture: PictureOf | null;
}

/** @returns the options, and what the right one is held against */
export function useOptions(
  knot: string,
  point: CheckPoint,
): { readonly options: readonly Option[]; readonly partner: PictureOf | null } {
  const withShape = useKnotQuery(knot).data?.faults_with_shape ?? [];
  const wrongs = point.wrong.map((w): Option => ({
    found: w.fault,
    label: w.label,
    picture: wrongPicture(knot, point, w, withShape),
  }));
  return {
    options: [{ found: 'right', label: point.right.label, picture: point.right.picture }, ...wrongs],
    partner: wrongs.find((w) => w.picture)?.picture ?? null,
  };
}
