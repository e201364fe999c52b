/**
 * Ways of tying as motions: key frames of the same rope with what each hand does, and as many between them as are asked for. A step that leads
 * an end, or a bight, along its path is cut into so many key frames that with BETWEEN frames between each two nothing moves farther than
 * strands are apart: that is proved on exactly those frames (proving.ts). Unit: rope diameters.
 */
import { fault } from '../../errors';
import { knotById } from '../catalogue/catalogue';
import type { WayOfTying } from '../moving/way';
import { cameraAt } from './looking';
import { slid } from './slid';
import { ledByHands } from './led';
import type { Motion, Frame } from './motion';

const known = new Map<string, Motion>();

/** Worked out once: it follows from the catalogue alone. @throws unknown-way */
export function motionOf(id: string, way: string): Motion {
  const key = `${id} ${way}`;
  const before = known.get(key);
  if (before) return before;
  const motion = workedOut(id, way);
  known.set(key, motion);
  return motion;
}

function workedOut(id: string, way: string): Motion {
  const found: WayOfTying | undefined = knotById(id).ways[way];
  if (!found) throw fault('unknown-way', { knot: id, way });
  return found.hands ? ledByHands(found, found.hands()) : slid(id, found);
}

/**
 * @param between frames between each two key frames; a way is proved for BETWEEN
 * @throws unknown-way
 */
export function framesOf(id: string, way: string, between = 0): Frame[] {
  const motion = motionOf(id, way);
  return motion.keys.flatMap(({ step, come }, k): Frame[] => {
    const { caption, hands, moving } = motion.steps[step]!;
    const frame = (key: boolean, at: readonly number[], toward: number): Frame => ({
      key,
      step,
      come_ropeDiameters: motion.path === 'stays' ? at : null,
      caption,
      hands,
      moving,
      camera: cameraAt(motion, k, toward),
      palm: motion.palmAt(at),
      joint: motion.jointAt(at),
      components: motion.componentsAt(at),
    });
    const before = motion.keys[k - 1]?.come;
    const shares = before ? Array.from({ length: between }, (_, i) => (i + 1) / (between + 1)) : [];
    return [
      ...shares.map((share) =>
        frame(
          false,
          come.map((c, r) => before![r]! + (c - before![r]!) * share),
          share,
        ),
      ),
      frame(true, come, 1),
    ];
  });
}
