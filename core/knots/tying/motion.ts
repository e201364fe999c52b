/** A way of tying worked out: the shape of every rope as a function of how far it has come, and its key frames. */
import type { Point3 } from '../../curve';
import type { ShapeComponent, ShapeMarks } from '../shape/stored';
import type { MovingStep, Palm, StillStep, View, WayOfTying } from '../moving/way';

/** Parts nearer than this along a rope are neighbours while it is tied: nearer than in a shape that lies still, so that no turn on the way is tighter than rope turns. */
export const NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters = 2;
export const SPACING = 0.75;
export const MOST_POINTS = 260;
/** Frames between two key frames for which a way is proved. */
export const BETWEEN = 6;

/** What of the page is looked at, diameters. */
export type Box = readonly [left: number, bottom: number, width: number, height: number];

export interface Frame {
  readonly key: boolean;
  /** which step of the way it belongs to, from 0 */
  readonly step: number;
  /** how far each rope has come along its path, rope diameters; null where hands change the path */
  readonly come_ropeDiameters: readonly number[] | null;
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
  /** how the tier looks at it */
  readonly camera: View;
  /** the hand in the rope */
  readonly palm: Palm | null;
  /** the joint of a closed loop of cord, from one of its ends to the other */
  readonly joint: readonly Point3[] | null;
  readonly components: readonly ShapeComponent[];
}

/** Where a key frame stands: the step it belongs to, and how far each mover, or the hands, have come. */
export interface KeyFrame {
  readonly step: number;
  readonly come: readonly number[];
}

/** How key frames are stored: of each the step, then how far each has come. */
export type StoredKeyFrames = readonly (readonly number[])[];

export interface Motion {
  readonly making: WayOfTying['making'];
  /** the form it ends in: `right`, another right form, or a fault */
  readonly form: string;
  /** whether the rope follows a path that stays as it is, or hands change the path itself */
  readonly path: 'stays' | 'changes';
  readonly steps: readonly MovingStep[];
  /** dressing and setting, that follow */
  readonly then: readonly StillStep[];
  /** how far it has come at each key frame */
  readonly keys: readonly KeyFrame[];
  /** what is looked at, where the way says it */
  readonly box?: Box;
  componentsAt(come: readonly number[]): ShapeComponent[];
  palmAt(come: readonly number[]): Palm | null;
  jointAt(come: readonly number[]): readonly Point3[] | null;
}

/** Which points of a rope are what: shares of its length. */
export const marksOf = (count: number, eyes: number | readonly [number, number] | undefined): Partial<ShapeMarks> => {
  const at = (share: number) => Math.round(share * (count - 1));
  const [eye, second] = typeof eyes === 'number' ? [eyes] : (eyes ?? []);
  return {
    standing: [0, at(0.04)],
    tail: [at(0.96), count - 1],
    ...(eye !== undefined && { eye: at(eye) }),
    ...(second !== undefined && { second_eye: at(second) }),
  };
};
