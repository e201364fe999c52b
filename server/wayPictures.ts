/** Pictures of a way of tying, a key frame each. They change only with the catalogue. */
import type { Point3 } from '../core/curve';
import { motionOf } from '../core/knots/tying/motions';
import { boxOf, cameraAt } from '../core/knots/tying/looking';
import type { Palm } from '../core/knots/moving/way';
import { turnedBy } from '../core/knots/shape/laidView';
import { jointDrawn, pictureOf, svgOf, type Picture, type PictureComponent } from '../core/picture';
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
const written = new Map<string, string>();

/** @param frame number of the key frame, which exists @throws unknown-knot, unknown-way */
export function framePicture(knot: string, way: string, frame: number, { hand, theme, size }: FrameAsked): Picture {
  const motion = motionOf(knot, way);
  const { come, step } = motion.keys[frame]!;
  const [left, bottom, width, height] = boxOf(motion);
  // turned about the middle of what is looked at, as on the stage
  const [x, y] = [left + width / 2, bottom + height / 2];
  const camera = cameraAt(motion, frame);
  const seen = (points: readonly Point3[]) =>
    turnedBy(
      points.map((p): Point3 => [p[0] - x, p[1] - y, p[2]]),
      camera,
    ).map((p): Point3 => [p[0] + x, p[1] + y, p[2]]);
  const joint = motion.jointAt(come);
  const shown: readonly PictureComponent[] = [
    ...asPicture(motion.componentsAt(come)),
    ...(joint ? [jointDrawn(joint)] : []),
  ];
  const picture = shown.map((c) => ({
    ...c,
    points: seen(c.points),
    drift: [c.points.length * 0.15, c.points.length * 0.9] as const,
    ...(c.tape && { tape: { ...c.tape, across: turnedBy(c.tape.across, camera) } }),
  }));
  const components = hand === 'left' ? mirroredForLeft(picture) : picture;
  const palm = palmSeen(motion.palmAt(come), seen, hand);
  const [lookedX, lookedY] = [x + camera.right_ropeDiameters, y + camera.up_ropeDiameters];
  const { width_ropeDiameters: wide, height_ropeDiameters: high } = camera;
  const box = squared([(hand === 'left' ? -lookedX : lookedX) - wide / 2, lookedY - high / 2, wide, high]);
  return pictureOf(components, {
    face: 'front',
    crop: 'whole',
    knotRadius_ropeDiameters: box[2] / 2,
    frame: box,
    palm,
    theme,
    size_px: size,
    title: motion.steps[step]!.caption,
    cutTail: true,
  });
}

/** The same, written; kept. @throws unknown-knot, unknown-way */
export function frameSvg(knot: string, way: string, frame: number, asked: FrameAsked): string {
  const key = `${knot} ${way} ${frame} ${asked.hand} ${asked.theme} ${asked.size}`;
  const svg = written.get(key) ?? svgOf(framePicture(knot, way, frame, asked));
  if (!written.has(key) && written.size >= MOST_KEPT) written.delete(written.keys().next().value!);
  written.set(key, svg);
  return svg;
}

function palmSeen(
  palm: Palm | null,
  seen: (points: readonly Point3[]) => Point3[],
  hand: FrameAsked['hand'],
): Palm | null {
  if (!palm) return null;
  const [wrist, fingertips] = seen([palm.wrist, palm.fingertips]).map((p): Point3 =>
    hand === 'left' ? [-p[0], p[1], p[2]] : p,
  ) as [Point3, Point3];
  return { ...palm, wrist, fingertips };
}

/** The last key frame of each step of the making. */
export const lastFrames = (knot: string, way: string): number[] => {
  const { keys, steps } = motionOf(knot, way);
  return steps.map((_, k) => keys.findLastIndex((f) => f.step === k));
};
