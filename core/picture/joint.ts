/** The joint of a loop of cord, drawn plainly as a thicker piece of it over both ends. */
import type { Point3 } from '../curve';

const JOINT_ropeDiameters = 1.7;
interface Joint {
  readonly name: string;
  readonly role: 'rope';
  readonly closed: boolean;
  readonly diameter: number;
  readonly points: readonly Point3[];
}

/** @param points from one end to the other */
export const jointDrawn = (points: readonly Point3[]): Joint => ({
  name: 'joint',
  role: 'rope',
  closed: false,
  diameter: JOINT_ropeDiameters,
  points,
});
