/** What a knot's author hands to the solver: a laid form, what is pulled, and how. */
import type { Point3 } from '../curve';
import type { EndPull, EyePull, Stage } from '../rope';

export interface LaidKnot {
  /** evenly spaced nodes, standing end first */
  readonly points: readonly Point3[];
  /** node at the far point of the eye */
  readonly eyeNode: number;
  readonly pulls: readonly EndPull[];
  readonly eyes: readonly EyePull[];
  readonly stages: readonly Stage[];
  readonly dressedAt: number;
  /** the end hangs free after the eye and never came back into the knot */
  readonly openEnd?: boolean;
}

/** Each shape of a knot that is baked: the right one and its faults, by the operation that makes them. */
export type LaidForms = Readonly<Record<string, () => LaidKnot>>;
