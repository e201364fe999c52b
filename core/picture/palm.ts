/** A hand in a vector picture, plainly: one round body, seen through, that nobody takes for rope or for what it is tied to. It lies at the depth of its middle. */
import type { Point3 } from '../curve';
import { mixed } from './tokens';
import type { Piece } from './piece';

export interface DrawnPalm {
  readonly wrist: Point3;
  readonly fingertips: Point3;
  readonly width_ropeDiameters: number;
}
/** So much of what lies behind it is hidden. */
const HIDES = 0.62;

export function palmPiece(
  { wrist, fingertips, width_ropeDiameters: width }: DrawnPalm,
  tint: string,
  units: number,
): Piece {
  const whole = (x: number) => Math.round(x * units);
  const line = `M${whole(wrist[0])} ${whole(-wrist[1])}L${whole(fingertips[0])} ${whole(-fingertips[1])}`;
  const body = (share: number, colour: string) =>
    `<path d="${line}" stroke="${colour}" stroke-width="${whole(width * share)}" stroke-linecap="round"/>`;
  return {
    depth: (wrist[2] + fingertips[2]) / 2,
    svg: `<g data-palm="" opacity="${HIDES}">${body(1, mixed(tint, '#140d06', 0.4))}${body(0.95, tint)}${body(0.5, mixed(tint, '#ffffff', 0.25))}</g>`,
  };
}
