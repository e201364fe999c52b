/**
 * The figure-nine wound in space, as it is tied: a loop, its end laid one and a half turns round the neck,
 * then through the loop from the other side. Doubled in the frame that the rope carries along, not in the
 * page. Nothing is shared with the flat diagram; a test holds the two against each other.
 */
import { nearestIndex, onTube, splineThrough, straight, transportFrames, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, wound } from '../../laying/authoring';
import { drawnAsPair } from '../../laying/drawing';
import type { LaidKnot } from '../../shape/laid';

const TURNS = 1.5;
const NECK = 3.4;
const HALF_GAP = 0.64;

/** The single rope, from below. */
function single(): Point3[] {
  const neck = straight([0, -26, 0], [0, 6, 0], 0.2);
  const loop = splineThrough([
    [0, 5, 0],
    [0, 6, 0],
    [1.6, 11, 0],
    [7, 17, 0],
    [0, 24, 0],
    [-7, 17, 0],
    [-4.6, 9, 0],
    [-NECK, 4, 0.3],
  ]).slice(24);
  const turns = wound(
    Array.from({ length: 19 }, (_, k) => ({
      angle_deg: -90 + (360 * TURNS * k) / 18,
      height: 3.6 - (10 * k) / 18,
      radius: NECK,
    })),
  );
  const through = splineThrough([
    [NECK, -6.6, 0],
    [6, -8.4, -0.6],
    [11, -4, -1],
    [13, 6, -2.4],
    [11, 15, -3],
    [6, 17, -3],
    [0, 17.5, 0],
    [-6, 18, 3],
    [-12, 18.5, 3],
    [-20, 19, 3],
    [-34, 19, 3],
  ]);
  return [...neck, ...loop.slice(1), ...turns.slice(1), ...through.slice(1)];
}

export function figureNineWound(): LaidKnot {
  const path = nodesOf(single(), 0.2, 40);
  const frames = transportFrames(path);
  const lane = (angle_rad: number) => path.map((_, i) => onTube(path, frames, i, HALF_GAP, angle_rad));
  const [standing, tail] = [lane(0), lane(Math.PI)];
  const [a, b] = [standing.at(-1)!, tail.at(-1)!];
  const x = a[0];
  const eye = splineThrough([
    a,
    [x - 3, a[1] + 3, a[2]],
    [x - 9, a[1] + 3.4, a[2]],
    [x - 12, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2],
    [x - 9, b[1] - 3.4, b[2]],
    [x - 3, b[1] - 3, b[2]],
    b,
  ]);
  const points = nodesOf([...standing, ...eye.slice(1, -1), ...tail.reverse()], NODE_SPACING);
  const eyeNode = nearestIndex(points, [x - 12, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]);
  return { points, eyeNode, drawing: drawnAsPair(eyeNode) };
}
