/** A way of tying worked out on this device: along its path where that stays, between its key frames where hands change it. */
import { lerp, type Point3 } from '../../../core/curve';
import { jointDrawn } from '../../../core/picture/joint';
import { DoubledPath, Path, slidTo } from '../../../core/knots/moving/sliding';
import type { Framing, SceneComponent } from '../../parts/rope/framing';
import type { HandMarker, PalmShape, Turn } from '../../parts/rope/hands';
import type { WayData } from './steps';

export interface WayMotion {
  /** key frames less one: where it is done */
  readonly most: number;
  readonly path: WayData['path'];
  readonly making: WayData['making'];
  readonly frame: Framing;
  /** the shape at a moment. @param at key frames done, with a fraction */
  at(at: number): SceneComponent[];
  /** how the tier turns it while looking */
  cameraAt(at: number): Turn;
  /** the hand in the rope, where there is one */
  palmAt(at: number): PalmShape | null;
  /** the joint of a loop of cord, as a thicker piece of it */
  jointAt(at: number): SceneComponent | null;
  /** how far points go from a key frame to the next at most, rope diameters: the pace */
  readonly strides_ropeDiameters: readonly number[];
}
type Points = readonly Point3[];

const isRope = (c: { readonly role: string }) => c.role === 'rope' || c.role === 'second-rope';

/** Between two of four frames, smoothly through all of them (Catmull and Rom). */
function throughFrames(a: Points, b: Points, c: Points, d: Points, t: number): Point3[] {
  const [wa, wb, wc, wd] = [
    (-t + 2 * t * t - t * t * t) / 2,
    (2 - 5 * t * t + 3 * t * t * t) / 2,
    (t + 4 * t * t - 3 * t * t * t) / 2,
    (-t * t + t * t * t) / 2,
  ];
  return b.map(
    (q, i): Point3 =>
      [0, 1, 2].map((k) => wa * a[i]![k]! + wb * q[k]! + wc * c[i]![k]! + wd * d[i]![k]!) as unknown as Point3,
  );
}

/** @param mirrored by the left hand: the shape itself is mirrored */
export function wayMotion(data: WayData, mirrored: boolean): WayMotion {
  const [left, bottom, width, height] = data.box_ropeDiameters;
  // what is looked at lies in the middle of the stage
  const centreX = left + width / 2;
  const placed = (p: Point3): Point3 => [mirrored ? centreX - p[0] : p[0] - centreX, p[1], p[2]];
  const frames = data.frames;
  const most = frames.length - 1;
  const last = frames[most]!.components;
  const movers =
    data.path === 'changes'
      ? []
      : last.flatMap((c) => {
          if (!isRope(c)) return [];
          const points = c.points as Point3[];
          const doubled =
            data.making === 'bight'
              ? new DoubledPath(points, typeof c.marks?.eye === 'number' ? c.marks.eye : 0)
              : null;
          const path = doubled ? null : new Path(points);
          return [(come: number) => (doubled ? doubled.at(come, points.length) : slidTo(path!, come, points.length))];
        });
  /** the key frames before and after a moment, and how far it is between them */
  const around = (at: number) => {
    const k = Math.max(0, Math.min(most, Math.floor(at)));
    return [frames[k]!, frames[Math.min(most, k + 1)]!, Math.max(0, Math.min(1, at - k))] as const;
  };
  const pointsOf = (frame: number, component: number) =>
    frames[Math.max(0, Math.min(most, frame))]!.components[component]!.points as Point3[];
  return {
    most,
    path: data.path,
    making: data.making,
    frame: { centreY: bottom + height / 2, height, width },
    strides_ropeDiameters: frames
      .slice(1)
      .map((f, k) =>
        Math.max(
          ...f.components.map((c, n) =>
            isRope(c)
              ? Math.max(...c.points.map((p, i) => Math.hypot(...[0, 1, 2].map((j) => p[j]! - pointsOf(k, n)[i]![j]!))))
              : 0,
          ),
        ),
      ),
    cameraAt: (at) => {
      const [a, b, t] = around(at);
      const on = (of: keyof typeof a.camera) => a.camera[of] + (b.camera[of] - a.camera[of]) * t;
      const rad = (deg: number) => (deg * Math.PI) / 180;
      return {
        yaw_rad: (mirrored ? -1 : 1) * rad(on('yaw_deg')),
        pitch_rad: rad(on('pitch_deg')),
        right: (mirrored ? -1 : 1) * on('right_ropeDiameters'),
        up: on('up_ropeDiameters'),
        width: on('width_ropeDiameters'),
        height: on('height_ropeDiameters'),
      };
    },
    jointAt: (at) => {
      const [a, b, t] = around(at);
      return a.joint && b.joint ? jointDrawn(a.joint.map((p, i) => placed(lerp(p, b.joint![i]!, t)))) : null;
    },
    palmAt: (at) => {
      const [a, b, t] = around(at);
      if (!a.palm || !b.palm) return null;
      return {
        wrist: placed(lerp(a.palm.wrist, b.palm.wrist, t)),
        fingertips: placed(lerp(a.palm.fingertips, b.palm.fingertips, t)),
        width: a.palm.width_ropeDiameters,
      };
    },
    at: (at) => {
      const k = Math.max(0, Math.min(most, Math.floor(at)));
      const t = Math.max(0, Math.min(1, at - k));
      const [a, b] = [frames[k]!.come_ropeDiameters ?? [], frames[Math.min(most, k + 1)]!.come_ropeDiameters ?? []];
      let rope = 0;
      return frames[k]!.components.map((c, n): SceneComponent => {
        const follows = isRope(c) && data.path === 'stays';
        const points = follows
          ? movers[rope]!(a[rope]! + (b[rope]! - a[rope]!) * t)
          : data.path === 'stays' || t === 0
            ? (c.points as Point3[])
            : throughFrames(pointsOf(k - 1, n), pointsOf(k, n), pointsOf(k + 1, n), pointsOf(k + 2, n), t);
        if (isRope(c)) rope++;
        return { ...(c as SceneComponent), points: points.map(placed) };
      });
    },
  };
}

/** How far from the middle of what is looked at the hand is that leads loops, as a share of its larger side. */
const IN_MIDDLE = 0.3;
/** Parts of a rope that move less than this hold still, rope diameters. */
const HOLDS_STILL = 1.5;

interface Place {
  readonly n: number;
  readonly i: number;
  readonly moves: number;
}
/** What is led, where that is told: the end that ties, the tip of the bight, the joint of a loop of cord. The rest of a rope slides along with it. */
function tipOf(
  motion: WayMotion,
  before: readonly SceneComponent[],
  after: readonly SceneComponent[],
  from: number,
  to: number,
): Place | null {
  const place = (n: number, i: number): Place => ({
    n,
    i,
    moves: Math.hypot(...[0, 1, 2].map((j) => after[n]!.points[i]![j]! - before[n]!.points[i]![j]!)),
  });
  if (motion.jointAt(from) && motion.jointAt(to)) return place(0, 0);
  if (motion.path === 'changes') return null;
  const tips = after.flatMap(({ points, marks, role }, n) => {
    const tip = !isRope({ role })
      ? undefined
      : motion.making === 'end'
        ? points.length - 1
        : typeof marks?.eye === 'number'
          ? marks.eye
          : undefined;
    return tip === undefined ? [] : [place(n, tip)];
  });
  return tips.length > 0 ? tips.reduce((best, q) => (q.moves > best.moves ? q : best)) : null;
}

/**
 * Where the hands are in a step: the one that leads is at what moves farthest and ends inside what is looked at, the other holds what lies still.
 * @param from @param to key frames of the step @param at the shape now
 */
export function handsIn(
  motion: WayMotion,
  [from, to]: readonly [number, number],
  now: readonly SceneComponent[],
  mirrored: boolean,
): HandMarker[] {
  const [before, after] = [motion.at(from), motion.at(to)];
  // what is seen at the end of the step
  const { right: centreX, up, width, height } = motion.cameraAt(to);
  const centreY = motion.frame.centreY + up;
  const inSight = ([x, y]: Point3) => Math.abs(x - centreX) < width / 2 && Math.abs(y - centreY) < height / 2;
  const places = after
    .flatMap((c, n) =>
      isRope(c)
        ? c.points.map((p, i) => ({
            n,
            i,
            moves: Math.hypot(...[0, 1, 2].map((j) => p[j]! - before[n]!.points[i]![j]!)),
            seen: inSight(p),
          }))
        : [],
    )
    .filter((q) => q.seen);
  if (places.length === 0) return [];
  // a strand that merely swings along with what the hand holds leads nothing
  const inMiddle =
    motion.path === 'stays'
      ? places
      : places.filter(
          ({ n, i }) =>
            Math.hypot(after[n]!.points[i]![0] - centreX, after[n]!.points[i]![1] - centreY) <
            IN_MIDDLE * Math.max(height, width),
        );
  const farthest = (inMiddle.length > 0 ? inMiddle : places).reduce((best, q) => (q.moves > best.moves ? q : best));
  const leads = tipOf(motion, before, after, from, to) ?? farthest;
  const at = (q: { n: number; i: number }): Point3 => now[q.n]!.points[q.i] as Point3;
  const apart = (q: { n: number; i: number }) => Math.hypot(...[0, 1, 2].map((j) => at(q)[j]! - at(leads)[j]!));
  // what lies still near the middle, where strands cross
  const fromMiddle = (q: { n: number; i: number }) => Math.hypot(at(q)[0] - centreX, at(q)[1] - centreY);
  const near = places.filter((q) => inSight(at(q)) && apart(q) > height / 6);
  const still = near.filter((q) => q.moves < HOLDS_STILL);
  const holds =
    still.length > 0
      ? still.reduce((best, q) => (fromMiddle(q) < fromMiddle(best) ? q : best))
      : near.length > 0
        ? near.reduce((best, q) => (q.moves < best.moves ? q : best))
        : null;
  const markers: HandMarker[] = holds ? [{ letter: mirrored ? 'R' : 'L', at: at(holds), moves: false }] : [];
  return inSight(at(leads)) ? [...markers, { letter: mirrored ? 'L' : 'R', at: at(leads), moves: true }] : markers;
}
