/** A post in a vector picture: one plain body, lighter toward its middle; seen along its axis, its round end. It lies at the depth of its axis. */
import type { Point3 } from '../curve';
import { mixed } from './tokens';
import type { Piece } from './piece';

interface Look {
  readonly name: string;
  readonly tint: string;
  readonly edge: string;
  /** picture units in a diameter */
  readonly units: number;
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

export function postPiece(points: readonly Point3[], diameter: number, { name, tint, edge, units }: Look): Piece {
  const [a, b] = [points[0]!, points.at(-1)!];
  const whole = (x: number) => Math.round(x * units);
  const shade = (by: number) => (by < 0 ? mixed(tint, '#140d06', -by) : mixed(tint, '#ffffff', by));
  const depth = (a[2] + b[2]) / 2;
  const body = (svg: string): Piece => ({
    depth,
    svg: `<g data-component="${name}" data-from="0" data-to="${points.length - 1}">${svg}</g>`,
  });
  if (Math.hypot(b[0] - a[0], b[1] - a[1]) < END_ON * diameter) {
    const rings = [1, 0.72, 0.44, 0.2].map(
      (r, i) =>
        `<circle cx="${whole((a[0] + b[0]) / 2)}" cy="${whole(-(a[1] + b[1]) / 2)}" r="${whole((r * diameter) / 2)}" fill="${shade(0.08 * i)}" stroke="${edge}" stroke-width="${whole(i === 0 ? 0.16 : 0.06)}"/>`,
    );
    return body(rings.join(''));
  }
  const line = `M${whole(a[0])} ${whole(-a[1])}L${whole(b[0])} ${whole(-b[1])}`;
  return body(
    `<path d="${line}" stroke="${edge}" stroke-width="${whole(diameter + 0.24)}"/>${BANDS.map(([share, light]) => `<path d="${line}" stroke="${shade(light)}" stroke-width="${whole(share * diameter)}"/>`).join('')}`,
  );
}
