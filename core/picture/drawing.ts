/**
 * A picture as data: what is drawn, from the farthest to the nearest. Written as SVG by svg.ts; a printed page draws it itself. Places are
 * whole hundredths of a rope diameter, y downward.
 */
import type { Point3 } from '../curve';

/** Picture units in a diameter: whole numbers are shorter to write and to read than fractions. */
export const UNITS = 100;
export const whole = (x: number): number => Math.round(x * UNITS);

export interface Spot {
  readonly x: number;
  readonly y: number;
}
export const spot = (p: Point3): Spot => ({ x: whole(p[0]), y: whole(-p[1]) });

/** Straight lines through places. */
export interface Path {
  readonly shape: 'path';
  readonly points: readonly Spot[];
  readonly closed?: boolean;
  readonly fill?: string;
  readonly stroke: string;
  readonly width: number;
  /** its ends are round; else cut off straight */
  readonly round?: boolean;
}
export interface Circle {
  readonly shape: 'circle';
  readonly centre: Spot;
  readonly radius: number;
  readonly fill: string;
  readonly stroke: string;
  readonly width: number;
}
/** A rope's end, cut: the sheath's edge and the core inside. */
export interface CutEnd {
  readonly shape: 'cut end';
  readonly at: Spot;
  /** of the rope where it ends, clockwise from the right, degrees */
  readonly turned_deg: number;
  readonly sheath: string;
  readonly casing: string;
  readonly core: string;
}
export type Shape = Path | Circle | CutEnd;

export const line = (
  points: readonly Spot[],
  stroke: string,
  width_ropeDiameters: number,
  more: Pick<Path, 'round'> = {},
): Path => ({ shape: 'path', points, stroke, width: whole(width_ropeDiameters), ...more });

/** Shapes that lie together; the nearer to the viewer, the later they are drawn. */
export interface Piece {
  readonly depth: number;
  /** of what it is a piece, and of which of its points; the hand in the rope; or none */
  readonly of: { readonly component: string; readonly from: number; readonly to: number } | 'palm' | null;
  /** 1 where it hides all that lies behind it */
  readonly opacity: number;
  readonly shapes: readonly Shape[];
}

export interface Picture {
  readonly width_px: number;
  readonly height_px: number;
  /** left, top, width, height, rope diameters, y downward */
  readonly box: readonly [number, number, number, number];
  readonly title: string;
  /** the rope's path, for those who do not see the picture; none where strands touch */
  readonly inWords: string | null;
  readonly ground: string | null;
  readonly pieces: readonly Piece[];
  /** where to look: rope diameters */
  readonly mark: {
    readonly x: number;
    readonly y: number;
    readonly radius: number;
    readonly colours: readonly [string, string];
  } | null;
  /** where crossings can be touched, rope diameters */
  readonly crossings: readonly { readonly id: number; readonly x: number; readonly y: number }[];
}
