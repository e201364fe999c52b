/**
 * What a touched place of the turning rope is called: the pieces and crossings of the flat picture of the face that
 * is nearer, read out of that picture, so that both name the same things alike.
 */
import type { Touched } from './scene';

export interface Picked {
  readonly component: string;
  /** point indices of the picture's piece */
  readonly from: number;
  readonly to: number;
  /** number of the crossing that lies there, if one does */
  readonly crossing: number | null;
}

/** A touch nearer to a crossing than this, as seen on the face, is that crossing; rope diameters. */
const NEAR_CROSSING = 0.9;

const number = (element: Element, name: string) => Number(element.getAttribute(name));

/** @param svg text of the face's picture */
export function pickedIn(svg: string, face: 'front' | 'back', touched: Touched): Picked | null {
  const picture = new DOMParser().parseFromString(svg, 'image/svg+xml');
  const own = [...picture.querySelectorAll('[data-component]')].filter(
    (g) => g.getAttribute('data-component') === touched.component,
  );
  const piece = own.find((g) => number(g, 'data-from') <= touched.at && touched.at <= number(g, 'data-to'));
  if (!piece) return null;
  const x = face === 'front' ? touched.point[0] : -touched.point[0];
  const near = [...picture.querySelectorAll('[data-crossing]')]
    .map((c) => ({
      crossing: number(c, 'data-crossing'),
      apart: Math.hypot(number(c, 'cx') - x, -number(c, 'cy') - touched.point[1]),
    }))
    .filter((c) => c.apart <= NEAR_CROSSING)
    .sort((a, b) => a.apart - b.apart)[0];
  return {
    component: touched.component,
    from: number(piece, 'data-from'),
    to: number(piece, 'data-to'),
    crossing: near?.crossing ?? null,
  };
}

interface Marks {
  readonly standing?: readonly [number, number] | undefined;
  readonly tail?: readonly [number, number] | undefined;
  readonly legs?: readonly (readonly [number, number])[] | undefined;
  readonly second_legs?: readonly (readonly [number, number])[] | undefined;
  readonly collar?: readonly [number, number] | undefined;
  readonly nipping_loop?: readonly [number, number] | undefined;
}

export const ROPE_PART_WORDS = {
  standing: 'the standing part',
  tail: 'the tail',
  eye: 'the eye',
  collar: 'the collar',
  'nipping-loop': 'the nipping loop',
  knot: 'the rope in the knot',
} as const;
export type RopePart = keyof typeof ROPE_PART_WORDS;

/** The part of the rope that a point lies in. */
export function partOfRope(at: number, marks: Marks | undefined): RopePart {
  const inside = (s: readonly [number, number] | undefined) => s !== undefined && at >= s[0] && at <= s[1];
  if (inside(marks?.standing)) return 'standing';
  if (inside(marks?.tail)) return 'tail';
  if (marks?.legs?.some(inside) || marks?.second_legs?.some(inside)) return 'eye';
  if (inside(marks?.collar)) return 'collar';
  if (inside(marks?.nipping_loop)) return 'nipping-loop';
  return 'knot';
}
