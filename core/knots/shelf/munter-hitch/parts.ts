/** The Munter's two loops, folded face to face on an upright bar, as a wound form. Standing (load) strand first. Unit: rope diameters. */
import { wound } from '../../laying/authoring';
import type { Point3 } from '../../../curve';

const R = 1.08;
const GAP = 1.08;
/** heights of the two strands along the bar */
export const LOAD_HEIGHT = -1.5 * GAP;
export const BRAKE_HEIGHT = 0.5 * GAP;

/** plain turns, there and back, lie so much farther apart and from the bar: nothing draws them up */
const PLAIN_GAP = 1.5 * GAP;
const PLAIN_R = 1.04 * R;
/** height at which the brake strand leaves where the loops are not crossed */
export const UNCROSSED_HEIGHT = LOAD_HEIGHT + 3 * PLAIN_GAP;

/**
 * From where the load strand meets the bar to where the brake strand leaves it.
 * @param room how much wider than they will lie
 * @param crossed false where the second loop was turned the other way: two plain turns, there and back
 */
export function foldedLoops(room = 1, crossed = true): Point3[] {
  const r = crossed ? R : PLAIN_R;
  const loop = (y0: number, y1: number, side: 1 | -1): Point3[] =>
    wound(
      Array.from({ length: 25 }, (_, k) => ({
        angle_deg: side * 15 * k,
        height: y0 + ((y1 - y0) * k) / 24,
        radius: r,
      })),
    );
  const fold: Point3[] = [
    [1, GAP, R],
    [2, GAP, R],
    [2.8, 1.4 * GAP, R],
    [3, 2 * GAP, R],
    [2.8, 2.6 * GAP, R],
    [2, 3 * GAP, R],
    [1, 3 * GAP, R],
  ];
  const plain: Point3[] = [1, 1.1, 1.5, 1.9, 2].map((y, k) => [[1, 1.8, 2.1, 1.8, 1][k]!, y * PLAIN_GAP, r]);
  const second = crossed
    ? [...fold, ...loop(3 * GAP, 2 * GAP, -1)]
    : [...plain, ...loop(2 * PLAIN_GAP, 3 * PLAIN_GAP, -1)];
  return [...loop(0, crossed ? GAP : PLAIN_GAP, 1), ...second].map(([x, y, z]): Point3 => [
    x * room,
    (y + LOAD_HEIGHT) * room,
    z * room,
  ]);
}
export const STRANDS_AT_RADIUS = R;
