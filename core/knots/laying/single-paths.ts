/**
 * The overhand, the eight and the nine in a single strand, as flat alternating diagrams: a loop, the
 * strand laid round its own neck by one, two or three half turns, then in through the loop. Doubled knots
 * of the same name run two strands along these paths. Standing end first, coming from below.
 */
import type { Control } from './authoring';

/** Two half turns: up the middle, round the far turn, down across, round the near turn, up and out. Four crossings. */
// prettier-ignore
export const EIGHT: readonly Control[] = [
  [0, -26], [0, -18], [0, -12, 0], [0, -8.6, 1], [0.2, -3, 0], [0.9, -0.6, -1], [3.2, 3, 0], [3.3, 6, 0], [1.7, 7.9, 0.5],
  [0, 8.2, 1], [-1.7, 7.9, 0.5], [-3.3, 6, 0], [-3, 3.4, 0], [-1.8, 1.7, -1], [-0.6, 0.4, 0], [0.5, -0.7, 1], [1.6, -1.6, 0.5],
  [3.3, -4.2, 0], [2.6, -7.4, 0], [0, -8.6, -1], [-2.8, -7.6, 0], [-3.8, -4.6, 0], [-3.6, -1.6, 0], [-2.4, 1.2, 1],
  [-0.6, 3.8, 0], [0, 6, -0.5], [0, 8.2, -1], [0, 11.5, 0], [0, 14, 0],
];

/** Three half turns: as the eight with half a turn more, then in from the other side. Five crossings. */
// prettier-ignore
export const NINE: readonly Control[] = [
  [0, -30], [0, -22], [0, -16.5, 0], [0, -12.6, -1], [0, -10, 0], [0, -7.4, 1], [0, -4.6, 0], [0.2, -2.2, -1], [1.3, 0.4, 0], [2.2, 2.6, 1], [2.9, 5.2, 0], [2.4, 7.6, 0],
  [0.2, 8.8, -1], [-2.4, 7.8, 0], [-3.4, 5.4, 0], [-2.9, 2.6, 0], [-1.6, -0.4, 0], [0.2, -2.2, 1], [2.2, -4, 0], [2.4, -6.2, 0], [0, -7.4, -1], [-2.6, -8.2, 0], [-3.6, -10.4, 0],
  [-2.4, -12.4, 0], [0, -12.6, 1], [3.4, -12, 0], [5.4, -8.6, 0], [5.6, -4, 0], [4.4, 0.4, 0], [2.2, 2.6, -1], [0.6, 4.8, 0], [0.2, 6.8, 0.5], [0.2, 8.8, 1], [0.2, 12, 0], [0.2, 15, 0],
];

/** One half turn round the neck: three crossings, along an upright path, its ends above and below. */
// prettier-ignore
export const OVERHAND: readonly Control[] = [
  [-0.9, -26], [-0.9, -18], [-0.9, -12], [-0.9, -8.4, 0], [-0.3, -5.6, -1], [0.9, -2.6, 0], [2.2, 0.2, 1], [3.3, 2.8, 0], [3, 5.4, 0], [0.2, 7.1, -1], [-2.8, 5.6, 0], [-3.5, 2.8, 0],
  [-3.1, 0.2, 0], [-2, -2.8, 0], [-0.3, -5.6, 1], [2.6, -7, 0], [5.2, -5.4, 0], [5, -2, 0], [2.2, 0.2, -1], [0.5, 2.8, 0], [0.2, 7.1, 1], [0.2, 10, 0], [0.2, 13, 0],
];

/** The eight with room in its head for more strands. @param w how much wider, in units of the diagram */
export const WIDE_EIGHT = (w: number): readonly Control[] => [
  [0, -26],
  [0, -18],
  [0, -12, 0],
  [0, -8.6, 1],
  [0.2, -3, 0],
  [0.9, -0.6, -1],
  [3.2 + w, 3 + w / 2, 0],
  [3.2 + w, 6 + w, 0],
  [w * 0.4 + 1.6, 7.9 + w, 0.5],
  [0, 8.2 + w, 1],
  [-w * 0.4 - 1.6, 7.9 + w, 0.5],
  [-3.2 - w, 6 + w, 0],
  [-3 - w * 0.7, 3.4 + w / 3, 0],
  [-1.8 - w * 0.3, 1.7, -1],
  [-0.6, 0.4, 0],
  [0.5, -0.7, 1],
  [1.6, -1.6, 0.5],
  [3.3, -4.2, 0],
  [2.6, -7.4, 0],
  [0, -8.6, -1],
  [-2.8, -7.6, 0],
  [-3.8 - w * 0.3, -4.6, 0],
  [-3.6 - w * 0.4, -1.6, 0],
  [-2.4 - w * 0.4, 1.2, 1],
  [-0.6 - w * 0.3, 3.8, 0],
  [0, 6 + w / 2, -0.5],
  [0, 8.2 + w, -1],
  [0, 12 + w, 0],
];
