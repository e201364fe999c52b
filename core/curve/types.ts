/** A point or vector in space; the unit is the rope's diameter unless a name says otherwise. */
export type Point3 = readonly [number, number, number];

/** An open or closed centre-line. A closed one does not repeat its first point. */
export interface Line3 {
  readonly points: readonly Point3[];
  readonly closed: boolean;
}
