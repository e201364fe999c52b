/** A piece of a vector picture; the nearer to the viewer, the later it is drawn. */
export interface Piece {
  readonly depth: number;
  readonly svg: string;
}
