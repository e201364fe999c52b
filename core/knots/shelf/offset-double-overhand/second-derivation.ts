/** The offset double overhand once more, flat: a loop, and the pair's ends through it twice, the path doubled by offset in the page, its crossings wide apart so that the ribbon has room. */
import { lanes, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, type Control } from '../../laying/authoring';
import { HALF_GAP } from '../../laying/on-bight';

// prettier-ignore
const TWICE_THROUGH: readonly Control[] = [
  [-34, -10], [-16, -10], [-8, -10, 0], [-3.6, -8.8], [0, -6.4, 1], [5, -3.6], [9, -1.2], [8.6, 2.4], [6.75, 4, -1], [4.5, 6.1], [2.25, 4, 1], [0, 1.9], [-2.25, 4, -1], [-4.5, 6.1], [-6.75, 4, 1], [-8.6, 2.4], [-9.4, -1],
  [-5.6, -3.6], [0, -6.4, -1], [5, -9.4], [12.6, -8], [14, 0], [12, 4.6], [9.4, 6], [6.75, 4, 1], [4.5, 1.9], [2.25, 4, -1], [0, 6.1], [-2.25, 4, 1], [-4.5, 1.9], [-6.75, 4, -1], [-9.4, 6.2], [-14, 8], [-18, 10], [-17, 15], [-8, 17], [10, 17], [40, 17],
];

/** Both ropes, standing ends first. */
export function offsetDoubleOverhandFlat(): [Point3[], Point3[]] {
  const [one, two] = lanes(
    // the hand of the wound one
    flatDiagram(TWICE_THROUGH, { scale: 1.5, height: 0.7, plateau: 1.7 }).map((p): Point3 => [p[0], p[1], -p[2]]),
    2,
    2 * HALF_GAP,
  ) as [Point3[], Point3[]];
  return [nodesOf(one, NODE_SPACING), nodesOf(two, NODE_SPACING)];
}
