/** Pictures of a way of tying: a key frame, drawn once and kept. They change only with the catalogue. */
import { boxOf, motionOf } from '../core/knots/motions';
import { drawVector } from '../core/picture';
import { asPicture, mirroredForLeft } from './picturing';

type Box = readonly [left: number, bottom: number, width: number, height: number];
/** The smallest square round a frame. */
function squared([x, y, width, height]: Box): Box {
  const side = Math.max(width, height);
  return [x - (side - width) / 2, y - (side - height) / 2, side, side];
}

export interface FrameAsked {
  readonly hand: 'right' | 'left';
  readonly theme: 'paper' | 'headlamp' | 'print';
  readonly size: number;
}
const MOST_KEPT = 600;
const drawn = new Map<string, string>();

/** @param frame number of the key frame, which exists @throws unknown-knot, unknown-way */
export function frameSvg(knot: string, way: string, frame: number, { hand, theme, size }: FrameAsked): string {
  const key = `${knot} ${way} ${frame} ${hand} ${theme} ${size}`;
  const there = drawn.get(key);
  if (there !== undefined) return there;
  const motion = motionOf(knot, way);
  const { come, step } = motion.keys[frame]!;
  const picture = asPicture(motion.componentsAt(come));
  const components = (hand === 'left' ? mirroredForLeft(picture) : picture).map((c) => ({ ...c, drift: [c.points.length * 0.15, c.points.length * 0.9] as const }));
  const [left, bottom, width, height] = boxOf(motion);
  const box = squared([hand === 'left' ? -left - width : left, bottom, width, height]);
  const svg = drawVector(components, { face: 'front', crop: 'whole', knotRadius_ropeDiameters: box[2] / 2, frame: box, theme, size_px: size, title: motion.steps[step]!.caption, cutTail: true });
  if (drawn.size >= MOST_KEPT) drawn.delete(drawn.keys().next().value!);
  drawn.set(key, svg);
  return svg;
}

/** The last key frame of each step of the making. */
export const lastFrames = (knot: string, way: string): number[] => {
  const { keys, steps } = motionOf(knot, way);
  return steps.map((_, k) => keys.findLastIndex((f) => f.step === k));
};
