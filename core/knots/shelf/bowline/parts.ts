/**
 * The parts of which the bowlines are laid, as flat diagrams seen from the front: standing part up,
 * eye down, the tail inside the eye. z orders the strands where they cross.
 */
import type { Control } from '../../laying/authoring';

/** Down the standing part into the nipping loop, whose top crosses in front, and out to the left leg. */
// prettier-ignore
export const NIPPING_LOOP: readonly Control[] = [
  [0, 26], [0, 18], [0, 12, 0], [0, 9.2, 1], [-0.1, 5.2, -1], [-1.4, 3.2, -0.5], [-2.6, 1, 0], [-2.2, -1.6, 0], [0, -2.9, 0],
  [2.2, -1.6, 0], [2.6, 1, 0], [1.5, 3.2, 0], [0, 4.7, 1], [-2.2, 5.4, 0], [-4.6, 4.6, 0], [-6, 1, 0],
];

/** The eye, from the left leg round its far point to the right leg. */
// prettier-ignore
export const EYE: readonly Control[] = [[-6.4, -6], [-6.2, -14], [-3.6, -19], [0, -20.4], [3.6, -19], [6, -14], [5.2, -9], [2.2, -5.6]];
export const EYE_FAR_POINT: readonly [number, number] = [0, -20.4];

/** Up through the nipping loop from behind, round behind the standing part, back down through the loop. */
// prettier-ignore
export const RISE_AND_RETURN: readonly Control[] = [
  [0.9, -3, -1], [0.9, 0, 0], [1.6, 2.6, 1], [2.6, 5.4, 0], [2.2, 8, 0], [0, 9.2, -1], [-2.2, 8, 0], [-2.6, 5.6, 1], [-1.9, 3, 1],
  [-0.9, 0.2, 0], [-0.8, -3, -1],
];
