/** Curves whose knots are known, for tests. */
import { cross, dot, scale, unit, add, type Line3, type Point3 } from '../../curve';
import { parseGaussCode, type Diagram } from '../diagram';

export const closed = (f: (t: number) => Point3, n = 240): Line3 => ({
  points: Array.from({ length: n }, (_, k) => f((2 * Math.PI * k) / n)),
  closed: true,
});
export const mirror = (l: Line3): Line3 => ({ ...l, points: l.points.map((p): Point3 => [p[0], p[1], -p[2]]) });

/** Right-handed: p times round the hole's axis while q times round the tube. */
export const torusKnot = (p: number, q: number, n = 150 * p): Line3 =>
  closed(
    (t) => [(3 + Math.cos(q * t)) * Math.cos(p * t), (3 + Math.cos(q * t)) * Math.sin(p * t), -Math.sin(q * t)],
    n,
  );
export const trefoil = torusKnot(2, 3, 240);
export const figureEight = closed((t) => [
  (2 + Math.cos(2 * t)) * Math.cos(3 * t),
  (2 + Math.cos(2 * t)) * Math.sin(3 * t),
  Math.sin(4 * t),
]);
export const unknot = closed((t) => [3 * Math.cos(t), 2 * Math.sin(2 * t), Math.sin(t)]);
/** Two rings, linked once, positively. */
export const chain: readonly Line3[] = [
  closed((t) => [2 * Math.cos(t), 2 * Math.sin(t), 0], 60),
  closed((t) => [2 + 2 * Math.cos(t), 0, -2 * Math.sin(t)], 60),
];

export const coded = (text: string): Diagram => parseGaussCode(text).diagram;

/** Turned about an axis by one radian, and scaled. */
export function rotated(l: Line3, axis: Point3, by = 1): Line3 {
  const k = unit(axis);
  const [c, s] = [Math.cos(1), Math.sin(1)];
  return {
    ...l,
    points: l.points.map((p) => scale(add(add(scale(p, c), scale(cross(k, p), s)), scale(k, dot(k, p) * (1 - c))), by)),
  };
}

/** What a refusal with this code looks like, for toThrow. */
export const refuses = (code: string): Error =>
  ({
    asymmetricMatch: (e: unknown) => (e as { code?: string } | null)?.code === code,
    toString: () => `refusal ${code}`,
  }) as unknown as Error;

/** The closure of a braid: i lets the strand at place i pass over the next with sign +1, -i under it with sign -1. */
export function braidClosed(strands: number, word: readonly number[]): Diagram {
  const passes: { crossing: number; over: boolean }[][] = Array.from({ length: strands }, () => []);
  let at = Array.from({ length: strands }, (_, k) => k);
  word.forEach((g, crossing) => {
    const i = Math.abs(g) - 1;
    passes[at[i]!]!.push({ crossing, over: g > 0 });
    passes[at[i + 1]!]!.push({ crossing, over: g < 0 });
    at = at.map((s, k) => (k === i ? at[i + 1]! : k === i + 1 ? at[i]! : s));
  });
  const components: { crossing: number; over: boolean }[][] = [];
  const done = new Set<number>();
  for (let start = 0; start < strands; start++) {
    if (done.has(start)) continue;
    const component: { crossing: number; over: boolean }[] = [];
    for (let s = start; !done.has(s); s = at.indexOf(s)) {
      done.add(s);
      component.push(...passes[s]!);
    }
    components.push(component);
  }
  return { components, signs: word.map((g) => (g > 0 ? 1 : -1)) };
}
