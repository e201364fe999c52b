/** A hand in a vector picture, plainly: one round body, seen through, that nobody takes for rope or for what it is tied to. It lies at the depth of its middle. */
import type { Point3 } from '../curve';
import { mixed } from './tokens';
import { line, spot, type Piece } from './drawing';

export interface DrawnPalm {
  readonly wrist: Point3;
  readonly fingertips: Point3;
  readonly width_ropeDiameters: number;
}
/** So much of what lies behind it is hidden. */
const HIDES = 0.62;

export function palmPiece({ wrist, fingertips, width_ropeDiameters: width }: DrawnPalm, tint: string): Piece {
  const along = [spot(wrist), spot(fingertips)];
  const body = (share: number, colour: string) => line(along, colour, width * share, { round: true });
  return {
    depth: (wrist[2] + fingertips[2]) / 2,
    of: 'palm',
    opacity: HIDES,
    shapes: [body(1, mixed(tint, '#140d06', 0.4)), body(0.95, tint), body(0.5, mixed(tint, '#ffffff', 0.25))],
  };
}
