/** A laid form drawn up with the way there: for whoever wants to see it set, not only have it. */
import type { Point3 } from '../curve';
import { drawnUpOnce } from './baking';
import type { LaidKnot } from './laid';
import type { Presentation } from './presenting';
import type { BakedShape } from './stored';

/** About so many frames are kept of a run. */
const FRAMES = 60;

export interface DrawnUpWithWay {
  readonly tight: BakedShape;
  /** the rope's nodes per frame, x y z one after another, laid first; turned as the tight form is */
  readonly frames: Float32Array[];
}

/**
 * @param onProgress called about a hundred times with the share done
 * @throws solver-passed-through
 */
export function drawUp(laid: LaidKnot, presentation: Presentation, onProgress: (share: number) => void): DrawnUpWithWay {
  const moments: (readonly Point3[])[] = [laid.points];
  let next = 0;
  const { shape, turn } = drawnUpOnce(laid, presentation, (share, solver) => {
    if (share >= next) {
      next = share + 1 / FRAMES;
      moments.push(solver.points(0));
    }
    onProgress(share);
    return true;
  });
  const flat = (points: readonly Point3[]) => Float32Array.from(turn(points).flat());
  return { tight: shape, frames: moments.map(flat) };
}
