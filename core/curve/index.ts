export type { Line3, Point3 } from './types';
export { add, cross, distance, dot, lerp, middleOf, norm, perpendicular, scale, subtract, unit } from './vector';
export {
  arcLengths,
  lengthOf,
  nearestIndex,
  resample,
  resampleAlong,
  smooth,
  splineThrough,
  straight,
} from './polyline';
export { segmentDistance, smallestDistance } from './distance';
export { offsetInPlane } from './offset';
export { curvatures, smallestRadius } from './curvature';
export { bestTurn, movedBy, type Turn } from './alignment';
export { lanes, twistOfPair } from './lanes';
export { onTube, transportFrames, type Frames } from './frames';
export { smoothstep } from './smoothstep';
export { rotationFrom } from './rotation';
