/**
 * Simpler diagrams of the same knot. Reidemeister's first and second move, as often as they apply; what
 * stays may still not be the simplest diagram there is.
 */
import { renumbered, type Diagram, type DiagramPass } from './diagram';

/** The first crossing that is a mere kink: both its passes follow each other. */
function kink(components: readonly (readonly DiagramPass[])[]): number[] | null {
  for (const c of components)
    for (let i = 0; i < c.length; i++)
      if (c.length > 1 && c[i]!.crossing === c[(i + 1) % c.length]!.crossing) return [c[i]!.crossing];
  return null;
}

/** Two crossings that one strand makes over (or under) another, one after the other on both. */
function overlap(components: readonly (readonly DiagramPass[])[], signs: Diagram['signs']): number[] | null {
  const n = signs.length;
  const under = new Set<number>();
  const above: [number, number][] = [];
  for (const c of components) {
    if (c.length < 2) continue;
    for (let i = 0; i < c.length; i++) {
      const p = c[i]!;
      const q = c[i + 1 === c.length ? 0 : i + 1]!;
      if (p.over !== q.over || p.crossing === q.crossing || signs[p.crossing] === signs[q.crossing]) continue;
      if (p.over) above.push([p.crossing, q.crossing]);
      else under.add(Math.min(p.crossing, q.crossing) * n + Math.max(p.crossing, q.crossing));
    }
  }
  for (const [a, b] of above) if (under.has(Math.min(a, b) * n + Math.max(a, b))) return [a, b];
  return null;
}

/** The diagram without kinks and overlaps, numbered anew. The writhe may change, the knot does not. */
export function reduced(d: Diagram): Diagram {
  let components = d.components;
  for (;;) {
    const gone = kink(components) ?? overlap(components, d.signs);
    if (!gone) return renumbered({ components, signs: d.signs });
    components = components.map((c) => c.filter((p) => !gone.includes(p.crossing)));
  }
}
