/** Wavefront polylines as components: each `l` element is a line, closed where it comes back to its first point; `o` and `g` name it. */
import type { Point3 } from '../../curve';
import { fault } from '../../errors';
import type { Entered } from './specimen';

const MOST_LINES = 12;
const ROLES: Readonly<Record<string, Entered['role']>> = {
  rope: 'rope',
  'second-rope': 'second-rope',
  sling: 'sling',
  host: 'host',
  post: 'post',
  ring: 'ring',
  karabiner: 'ring',
};

/** Which part a line is, by its name; the first unnamed one is the rope. */
function roleOf(name: string, closed: boolean, taken: readonly Entered[]): Entered['role'] {
  const known = ROLES[name];
  if (known) return known;
  if (name.startsWith('harness-point')) return 'ring';
  if (!taken.some((c) => c.role === 'rope' || c.role === 'sling')) return closed ? 'sling' : 'rope';
  return closed ? 'ring' : 'second-rope';
}

/**
 * @param text of an OBJ file; everything but v, l, o and g is passed over
 * @throws bad-specimen where there is no polyline in it, a number is none, or a line names a point that is not there
 */
export function parseObj(text: string): Entered[] {
  const points: Point3[] = [];
  const out: Entered[] = [];
  let name = '';
  for (const [at, row] of text.split(/\r?\n/).entries()) {
    const [key, ...rest] = row.trim().split(/\s+/);
    if (key === 'o' || key === 'g') name = rest.join(' ');
    else if (key === 'v') {
      const p = rest.slice(0, 3).map(Number);
      if (p.length < 3 || !p.every(Number.isFinite))
        throw fault('bad-specimen', { reason: `line ${at + 1} has no three numbers` });
      points.push(p as unknown as Point3);
    } else if (key === 'l') {
      if (out.length >= MOST_LINES)
        throw fault('bad-specimen', { reason: `there are more than ${MOST_LINES} polylines in it` });
      const ids = rest.map((w) => Number.parseInt(w, 10)).map((i) => (i < 0 ? points.length + i : i - 1));
      if (ids.some((i) => !points[i]))
        throw fault('bad-specimen', { reason: `line ${at + 1} names a point that is not there` });
      const closed = ids.length > 3 && ids[0] === ids.at(-1);
      const line = (closed ? ids.slice(0, -1) : ids).map((i) => points[i]!);
      out.push({ name: name || `line ${out.length + 1}`, role: roleOf(name, closed, out), closed, points: line });
    }
  }
  if (out.length === 0) throw fault('bad-specimen', { reason: 'there is no polyline in it (no l element)' });
  return out;
}
