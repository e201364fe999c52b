/** A laid form drawn up with the way there: for whoever wants to see it set, not only have it. */
import type { Point3 } from '../../curve';
import { drawnUpOnce } from './baking';
import type { LaidKnot } from '../shape/laid';
import type { Presentation } from '../shape/presentation';
import type { BakedShape, ShapeComponent } from '../shape/stored';

/** About so many frames are kept of a run. */
const FRAMES = 60;

/** What a frame is made of: a rope, or what it is tied to. */
export type DrawnPart = Pick<ShapeComponent, 'name' | 'role' | 'closed' | 'diameter'> & { readonly points: number };

export interface DrawnUpWithWay {
  readonly tight: BakedShape;
  /** ropes first, then things, in the order of the frames' points */
  readonly parts: readonly DrawnPart[];
  /** points per frame, part by part, x y z one after another, laid first; turned as the tight form is */
  readonly frames: Float32Array[];
}

/**
 * @param onProgress called about a hundred times with the share done
 * @throws solver-passed-through
 */
export function drawUp(
  laid: LaidKnot,
  presentation: Presentation,
  onProgress: (share: number) => void,
): DrawnUpWithWay {
  const ropes = [laid.start ?? laid.points, ...(laid.second ? [laid.second.points] : [])];
  const things = laid.drawing.things ?? [];
  const moving = [...ropes, ...things.map((t) => t.points)];
  // what does not take part stays where it is
  const still = (laid.objects ?? []).slice(things.length);
  const moments: (readonly Point3[])[] = [[...moving, ...still.map((o) => o.points)].flat()];
  let next = 0;
  const { shape, turn } = drawnUpOnce(laid, presentation, (share, solver) => {
    if (share >= next) {
      next = share + 1 / FRAMES;
      moments.push([...moving.map((_, k) => solver.points(k)), ...still.map((o) => o.points)].flat());
    }
    onProgress(share);
    return true;
  });
  const named = laid.objects ?? [];
  const parts: DrawnPart[] = [
    ...ropes.map((points, k): DrawnPart =>
      k > 0
        ? { name: 'second-rope', role: 'second-rope', closed: false, diameter: 1, points: points.length }
        : {
            name: laid.closed ? 'sling' : 'rope',
            role: laid.closed ? 'sling' : 'rope',
            closed: laid.closed ?? false,
            diameter: 1,
            points: points.length,
          },
    ),
    ...named.map(({ name, role, closed, diameter, points }, k): DrawnPart => ({
      name,
      role,
      closed,
      diameter,
      points: things[k]?.points.length ?? points.length,
    })),
  ];
  return { tight: shape, parts, frames: moments.map((points) => Float32Array.from(turn(points).flat())) };
}
