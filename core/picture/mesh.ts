/** A mesh of rope or tape as flat arrays, ready for a graphics library or a file. */

/** One vertex a side and ring, one more to close the ring's seam. */
export interface TubeMesh {
  /** x y z per vertex */
  readonly position: Float32Array<ArrayBuffer>;
  readonly normal: Float32Array<ArrayBuffer>;
  /** along and round the rope, in tiles */
  readonly uv: Float32Array<ArrayBuffer>;
  /** linear red, green, blue per vertex */
  readonly colour: Float32Array<ArrayBuffer>;
  /** three vertices a triangle, outward faces counter-clockwise */
  readonly index: Uint32Array<ArrayBuffer>;
  readonly rings: number;
  readonly sides: number;
}
