/** A post in a vector picture: one plain body, lighter toward its middle; seen along its axis, its round end. It lies at the depth of its axis. */
import type { Point3 } from '../curve';
import { mixed } from './tokens';
import { line, spot, whole, type Piece, type Shape } from './drawing';

interface Look {
  readonly name: string;
  readonly tint: string;
  readonly edge: string;
}

/** Shown shorter than this part of its diameter it is seen from its end. */
const END_ON = 0.35;
/** share of the width, and how light it is there */
const BANDS: readonly (readonly [number, number])[] = [
  [1, -0.28],
  [0.9, -0.12],
  [0.72, 0],
  [0.46, 0.14],
  [0.2, 0.24],
];

export function postPiece(points: readonly Point3[], diameter: number, { name, tint, edge }: Look): Piece {
  const [a, b] = [points[0]!, points.at(-1)!];
  const shade = (by: number) => (by < 0 ? mixed(tint, '#140d06', -by) : mixed(tint, '#ffffff', by));
  const depth = (a[2] + b[2]) / 2;
  const body = (shapes: readonly Shape[]): Piece => ({
    depth,
    of: { component: name, from: 0, to: points.length - 1 },
    opacity: 1,
    shapes,
  });
  if (Math.hypot(b[0] - a[0], b[1] - a[1]) < END_ON * diameter) {
    const centre = spot([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, 0]);
    return body(
      [1, 0.72, 0.44, 0.2].map((r, i) => ({
        shape: 'circle',
        centre,
        radius: whole((r * diameter) / 2),
        fill: shade(0.08 * i),
        stroke: edge,
        width: whole(i === 0 ? 0.16 : 0.06),
      })),
    );
  }
  const along = [spot(a), spot(b)];
  return body([
    line(along, edge, diameter + 0.24),
    ...BANDS.map(([share, light]) => line(along, shade(light), share * diameter)),
  ]);
}
