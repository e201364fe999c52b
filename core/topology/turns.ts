/**
 * Turns of a rope about a host (a post, a rope, a ring's wire). The angle is measured in frames carried
 * along the host without twisting, so that a bent host counts as a straight one would.
 */
import { distance, dot, subtract, transportFrames, type Line3, type Point3 } from '../curve';
import { fault } from '../errors';
import { refuseUnfit } from './fitness';

export interface Turns {
  /** whole turns, signed: positive turns advance like a right-handed screw */
  readonly net: number;
  /** each stretch that goes round one way, half a turn and more, in the order of the rope */
  readonly runs: readonly number[];
}

interface Place {
  /** 0 up to the host's last point */
  readonly at: number;
  readonly angle: number;
}

const LEAST_RUN = 0.5;
const wrapped = (a: number) => a - 2 * Math.PI * Math.round(a / (2 * Math.PI));

function placeOn(host: Line3, frames: ReturnType<typeof transportFrames>, p: Point3): Place {
  let at = 0;
  let least = Infinity;
  host.points.forEach((q, i) => {
    const d = distance(p, q);
    if (d < least) [least, at] = [d, i];
  });
  const from = subtract(p, host.points[at]!);
  return { at, angle: Math.atan2(dot(from, frames.binormals[at]!), dot(from, frames.normals[at]!)) };
}

/**
 * @param rope an open or closed line
 * @param host its points at least as dense as the rope's
 * @param within only rope nearer to the host than this counts; what lies farther is left out, and so is its turning
 * @throws shape-not-finite, too-few-points, strands-touch where the rope runs through the host's middle
 */
export function turnsAbout(rope: Line3, host: Line3, within = Infinity): Turns {
  refuseUnfit([rope, host]);
  const frames = transportFrames(host.points, host.closed);
  const points = rope.closed ? [...rope.points, rope.points[0]!] : rope.points;
  let net = 0;
  let run = 0;
  let slack = 0;
  const runs: number[] = [];
  let last: Place | null = null;
  for (const p of points) {
    const place = placeOn(host, frames, p);
    const d = distance(p, host.points[place.at]!);
    if (d < 1e-9) throw fault('strands-touch');
    if (d > within) {
      last = null;
      continue;
    }
    if (last) {
      const step = wrapped(place.angle - last.angle);
      net += step;
      // a little to and fro inside a run is no new run
      if (step * run < 0) {
        slack += step;
        if (Math.abs(slack) > 0.6) {
          runs.push(run);
          run = slack;
          slack = 0;
        }
      } else {
        run += step + slack;
        slack = 0;
      }
    }
    last = place;
  }
  runs.push(run + slack);
  return { net: net / (2 * Math.PI), runs: runs.map((r) => r / (2 * Math.PI)).filter((r) => Math.abs(r) >= LEAST_RUN) };
}
