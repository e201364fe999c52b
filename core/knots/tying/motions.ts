/**
 * Ways of tying as motions: key frames of the same rope with what each hand does, and as many between them as are asked for. A step that leads
 * an end, or a bight, along its path is cut into so many key frames that with BETWEEN frames between each two nothing moves farther than
 * strands are apart: that is proved on exactly those frames (proving.ts). Unit: rope diameters.
 */
import { fault } from '../../errors';
import { knotById } from '../catalogue/catalogue';
import type { WayOfTying } from '../moving/way';
import { cameraAt } from './looking';
import { isMoving, slid } from './slid';
import { ledByHands } from './led';
import type { KeyFrame, Motion, Frame } from './motion';
import { keyFrames } from './keyFrames';

const known = new Map<string, Motion>();

/** Those that were worked out when the way was proved; none where it has other steps since. */
function storedKeys(id: string, way: string, told: WayOfTying): readonly KeyFrame[] | undefined {
  const keys = keyFrames[`${id}/${way}`]?.map(([step, ...come]): KeyFrame => ({ step: step!, come }));
  return keys?.at(-1)?.step === told.steps.filter(isMoving).length - 1 ? keys : undefined;
}

/** Made once: it follows from the catalogue alone. @throws unknown-way */
export function motionOf(id: string, way: string): Motion {
  const key = `${id} ${way}`;
  const before = known.get(key);
  if (before) return before;
  const told = wayOf(id, way);
  const motion = madeOf(id, told, storedKeys(id, way, told));
  known.set(key, motion);
  return motion;
}

/** The same with its key frames worked out anew, which takes a while. @throws unknown-way */
export const motionAnew = (id: string, way: string): Motion => madeOf(id, wayOf(id, way));

function wayOf(id: string, way: string): WayOfTying {
  const { ways } = knotById(id);
  const found = Object.hasOwn(ways, way) ? ways[way] : undefined;
  if (!found) throw fault('unknown-way', { knot: id, way });
  return found;
}
const madeOf = (id: string, told: WayOfTying, keys?: readonly KeyFrame[]): Motion =>
  told.hands ? ledByHands(told, told.hands(), keys) : slid(id, told, keys);

/**
 * @param between frames between each two key frames; a way is proved for BETWEEN
 * @throws unknown-way
 */
export const framesOf = (id: string, way: string, between = 0): Frame[] => framesIn(motionOf(id, way), between);

export function framesIn(motion: Motion, between = 0): Frame[] {
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
