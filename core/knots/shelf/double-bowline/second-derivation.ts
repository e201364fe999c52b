/**
 * The double bowline a second time, by another making: two turns of a helix wound about the axis along
 * which the end goes through them (from the back of the nipping turns to their front), the end then led
 * through in space. Shares nothing with shape.ts but the field's description; the test holds the two
 * against each other.
 */
import { resample, smooth, splineThrough, type Point3 } from '../../../curve';

const RADIUS = 3.3;
const RISE_PER_TURN = 1.7;

/** Evenly spaced points, 0.4 d apart, standing end first; unit: rope diameters. */
export function doubleBowlineWound(): Point3[] {
  const coil: Point3[] = [];
  const from = (110 * Math.PI) / 180;
  const to = (90 * Math.PI) / 180 + 4 * Math.PI;
  for (let k = 0; k <= 60; k++) {
    const angle = from + ((to - from) * k) / 60;
    coil.push([
      RADIUS * Math.cos(angle),
      RADIUS * Math.sin(angle),
      -RISE_PER_TURN + (RISE_PER_TURN * (angle - from)) / (2 * Math.PI),
    ]);
  }
  // prettier-ignore
  const standing: Point3[] = [[0, 30, 0], [0, 22, 0], [0, 14, 0], [0, 9, -0.2], [-0.2, 6, -1.2]];
  // prettier-ignore
  const eye: Point3[] = [[-3.4, 4.6, 2.4], [-6.4, 1, 1.6], [-7, -6, 0.5], [-6, -16, 0], [0, -22, 0], [6, -16, 0], [5, -9, -2], [2, -5, -4]];
  // prettier-ignore
  const through: Point3[] = [[1.1, -2, -4.2], [1.1, 0, -1.5], [1.1, 0.4, 1.5], [1.6, 2, 4], [2.6, 6, 3.4], [2.8, 9, 1.6], [1.6, 10.6, -0.8], [0, 11, -1.6], [-1.6, 10.6, -0.8], [-2.8, 9, 1.6], [-2.4, 6, 4.2], [-1.4, 2.4, 4.6], [-1, 0.6, 2], [-1, 0.2, -1], [-1.1, -1.6, -3.4], [-1.2, -6, -3], [-1.2, -10, 0], [-1.2, -13, 5]];
  return resample(smooth(resample(splineThrough([...standing, ...coil, ...eye, ...through]), 0.1), 10), 0.4);
}
