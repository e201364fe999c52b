/** A closed ring from which a load hangs in a sling: seen from the front as a ring. Unit: diameters of the cord. */
import type { Point3 } from '../../curve';
import type { ShapeComponent } from './stored';

const RADIUS = 2.6;

export const loadRing = (centre: Point3): ShapeComponent => ({
  name: 'ring',
  role: 'ring',
  closed: true,
  diameter: 1,
  points: Array.from({ length: 72 }, (_, k): Point3 => {
    const a = (2 * Math.PI * k) / 72;
    return [centre[0] + RADIUS * Math.cos(a), centre[1] + RADIUS * Math.sin(a), centre[2]];
  }),
});
