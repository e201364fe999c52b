/** What is seen of a rope's sheath: tracer yarns along it, and its end where it is cut. Unit: rope diameters. */
import { onTube, type Frames, type Point3 } from '../curve';
import { line, spot, type CutEnd, type Path } from './drawing';
import { mixed } from './tokens';

const PITCH = 3.4;
const YARNS = [
  { hand: 1, phase: 0, colour: 0 },
  { hand: -1, phase: 2.1, colour: 0 },
  { hand: 1, phase: Math.PI, colour: 1 },
] as const;

/** Height of the sheath's outward direction at an angle of frame i, 1 towards the viewer. */
const facingViewer = (frames: Frames, i: number, angle: number) =>
  frames.normals[i]![2] * Math.cos(angle) + frames.binormals[i]![2] * Math.sin(angle);

/** Part of a tracer yarn that shows on the near side: between which points, and what is drawn. */
export interface Dash {
  readonly from: number;
  readonly to: number;
  readonly path: Path;
}

/**
 * Tracer yarns along a rope: two of one hand, one of the other, as short slanted dashes on the near side.
 * @param points evenly spaced
 * @param dims how much each point lies in the shade, 0 to 1
 */
export function tracers(
  points: readonly Point3[],
  frames: Frames,
  s: readonly number[],
  radius: number,
  colours: readonly [string, string],
  dims: readonly number[],
): Dash[] {
  const last = points.length - 1;
  const perPlace = ((PITCH / 8) * last) / s[last]!;
  const out: Dash[] = [];
  for (let place = 0; place * perPlace < last; place++) {
    const from = Math.round(place * perPlace);
    const to = Math.min(last, Math.max(from + 1, Math.round((place + 1) * perPlace)));
    if (from >= to) continue;
    for (const family of YARNS) {
      // a yarn shows where it runs over the other family: every second of eight places round a pitch
      if (place % 2 === (family.hand > 0 ? 0 : 1)) continue;
      const turn = (family.hand * 2 * Math.PI) / PITCH;
      const [start, end] = [turn * s[from]! + family.phase, turn * s[to]! + family.phase];
      // how far the yarn faces the viewer at either end
      const near = Math.min(facingViewer(frames, from, start), facingViewer(frames, to, end));
      if (near < 0.12) continue;
      const ends = [onTube(points, frames, from, radius, start), onTube(points, frames, to, radius, end)];
      const colour = mixed(colours[family.colour], '#140d06', dims[from]! * 0.45);
      out.push({ from, to, path: line(ends.map(spot), colour, 0.2 * (0.5 + 0.5 * near), { round: true }) });
    }
  }
  return out;
}

/** The end of a rope. */
export function cutEnd(points: readonly Point3[], casing: string, core: string, sheath: string): CutEnd {
  const [end, before] = [points.at(-1)!, points.at(-4)!];
  const turned_deg = (Math.atan2(before[1] - end[1], end[0] - before[0]) * 180) / Math.PI;
  return { shape: 'cut end', at: spot(end), turned_deg, sheath, casing, core };
}
