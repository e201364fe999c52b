/** What a way of tying is made of. */
import type { Point3 } from '../../curve';
import type { BakedKnot, CatalogueKnot, ShapeComponent } from '../shape/stored';
import type { ShapeState } from '../facts/types';

interface Told {
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
}
/** How the tier looks at what is tied. */
export interface View {
  /** turned about the upright axis, then about the one across, degrees */
  readonly yaw_deg: number;
  readonly pitch_deg: number;
  /** so far from the middle of what is looked at, to the right and up */
  readonly right_ropeDiameters: number;
  readonly up_ropeDiameters: number;
  /** so much of it is seen */
  readonly width_ropeDiameters: number;
  readonly height_ropeDiameters: number;
}
/** What a step says of it: turned, degrees; `zoom` 1 all that is looked at, less a wider sight. */
export interface Seen {
  readonly yaw_deg?: number;
  readonly pitch_deg?: number;
  readonly zoom?: number;
}
/** A hand on which rope is wound or laid, plainly: a round body along the middle of palm and fingers. Rope diameters. */
export interface Palm {
  readonly wrist: Point3;
  readonly fingertips: Point3;
  readonly width_ropeDiameters: number;
}
/** A step that moves an end, or the bight, along its path. */
export interface MovingStep extends Told {
  /** how many crossings of its laid path it has made then, seen from the front; in a way led by hands how many of its stages are over */
  readonly upTo: number;
  /** `upTo` is a share of the path instead: where a tape lies on a tape crossings say nothing */
  readonly by?: 'share';
  /** whose end it is, where there are two ropes; or both ends together */
  readonly rope?: 0 | 1 | 'both';
  /** the tier's view, where it is not straight on and of the whole; near is where the crossings of the finished knot are */
  readonly seen?: Seen | 'near';
}
/** A step that follows the making: the knot is dressed, and set. */
export interface StillStep extends Told {
  readonly upTo: Exclude<ShapeState, 'laid'>;
}
/** One continuous change of shape: the ropes at its beginning (0), its end (1) and between; each with as many points as ever, evenly along it. */
export type Stage = (u: number) => readonly (readonly Point3[])[];

/** A motion in which hands change the path itself: loops laid, twisted, folded, one stage after another without a leap. Unit: rope diameters. */
export interface LedByHands {
  readonly stages: readonly Stage[];
  /** what is looked at, where loops are made far from where the knot will lie: left, bottom, width, height */
  readonly box?: readonly [number, number, number, number];
  /** of each rope, by share of its length: none, one, or two */
  readonly eyes?: readonly (number | readonly [number, number] | undefined)[];
  /** what it is tied to; where that moves (a gate), how it stands in the stage it is in and how far in it */
  readonly objects?: readonly ShapeComponent[] | ((come: number) => readonly ShapeComponent[]);
  /** its ends are joined: what is tied is a closed loop of cord */
  readonly joined?: boolean;
  /** the hand in the rope, while it is there, by the stage it is in and how far in it */
  readonly palm?: (come: number) => Palm | null;
}

/** A way of tying. */
export interface WayOfTying {
  /** the end does the tying; or a bight does, and no end is needed */
  readonly making: 'end' | 'bight';
  /** where no path is followed: the shapes through which the hands lead the rope, worked out when they are asked for */
  readonly hands?: () => LedByHands;
  /** the form it ends in, where it is not the right one */
  readonly form?: string;
  /** crossings that lie along each rope before the tying begins, nothing being tied yet; none where it is not said */
  readonly start?: readonly number[];
  readonly steps: readonly (MovingStep | StillStep)[];
}

/** A knot of the catalogue with the ways in which it is tied. */
export interface TiedKnot extends Omit<CatalogueKnot, 'ways'> {
  readonly baked: BakedKnot;
  readonly ways: Readonly<Record<string, WayOfTying>>;
}
