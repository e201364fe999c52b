/** The answers that a point offers, the right one first, each with its picture where it has one. */
import { wrongPicture, type PointAnswer, type WalkPoint } from '../../../core/inspect/judging';
import type { PictureOf } from '../../../core/knots/facts/types';
import { useKnotQuery } from '../../store/api';

export interface Option {
  readonly found: PointAnswer['found'];
  readonly label: string;
  readonly picture: PictureOf | null;
  /** the picture it is held against: of the right one the first wrong one, of a wrong one the right one; null where it stands alone */
  readonly partner: PictureOf | null;
}

export function useOptions(knot: string, point: WalkPoint): readonly Option[] {
  const withShape = useKnotQuery(knot).data?.faults_with_shape ?? [];
  const wrongs = point.wrong.map((w): Option => ({
    found: w.fault,
    label: w.label,
    picture: wrongPicture(knot, point, w, withShape),
    partner: point.right.picture,
  }));
  const { label, picture } = point.right;
  return [{ found: 'right', label, picture, partner: wrongs.find((w) => w.picture)?.picture ?? null }, ...wrongs];
}
