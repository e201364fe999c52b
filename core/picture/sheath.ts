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

/** Tracer yarns between fine points i and j: two of one hand, one of the other, as short slanted dashes on the near side. */
export function tracers(
  points: readonly Point3[],
  frames: Frames,
  s: readonly number[],
  i: number,
  j: number,
  radius: number,
  colours: readonly [string, string],
  dim: number,
): Path[] {
  const out: Path[] = [];
  for (const family of YARNS) {
    // a yarn shows where it runs over the other family: every second of eight places round a pitch
    const place = Math.floor((s[i]! * 8) / PITCH);
    if (place % 2 === (family.hand > 0 ? 0 : 1)) continue;
    const turn = (family.hand * 2 * Math.PI) / PITCH;
    const [from, to] = [turn * s[i]! + family.phase, turn * s[j]! + family.phase];
    // how far the yarn faces the viewer at either end
    const near = Math.min(facingViewer(frames, i, from), facingViewer(frames, j, to));
    if (near < 0.12) continue;
    const ends = [onTube(points, frames, i, radius, from), onTube(points, frames, j, radius, to)];
    const colour = mixed(colours[family.colour], '#140d06', dim * 0.45);
    out.push(line(ends.map(spot), colour, 0.2 * (0.5 + 0.5 * near), { round: true }));
  }
  return out;
}

/** The end of a rope. */
export function cutEnd(points: readonly Point3[], casing: string, core: string, sheath: string): CutEnd {
  const [end, before] = [points.at(-1)!, points.at(-4)!];
  const turned_deg = (Math.atan2(before[1] - end[1], end[0] - before[0]) * 180) / Math.PI;
  return { shape: 'cut end', at: spot(end), turned_deg, sheath, casing, core };
}
