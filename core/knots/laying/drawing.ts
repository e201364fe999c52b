/**
 * How knots of one kind are drawn up: what pulls, in which direction, in which stages. Firm for single
 * strands, gently for pairs so that they stay side by side; each ends at sinking force and more friction.
 */
import { FIRM, GENTLE, type Stage } from '../../rope';
import type { Drawing } from '../shape/laid';

/** Radius of what draws an eye, diameters. */
export const EYE_RADIUS = 2.2;

/** A stopper: standing part up, tail down. */
export const drawnStraight = (stages: readonly Stage[] = FIRM): Drawing => ({
  pulls: [
    { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [0, -1, 0], share: 1 },
  ],
  eyes: [],
  stages,
});

/**
 * A doubled end loop: both strands up, the eye down.
 * @param lean how far the two strands are pulled apart, so that they do not cross on their way out
 */
export const drawnAsPair = (eyeNode: number, lean = 0): Drawing => ({
  pulls: [
    { rope: 0, end: 'standing', direction: [-lean, 1, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [lean, 1, 0], share: 1 },
  ],
  eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 2, radius: EYE_RADIUS }],
  stages: GENTLE,
});

/**
 * A midline loop: the ends to the sides, the eye down; at last the eye is nearly let go, or the rope would hang in a V.
 * @param standingSide -1 where the standing part goes left, 1 right
 */
export const drawnAcross = (eyeNode: number, standingSide: 1 | -1): Drawing => ({
  pulls: [
    { rope: 0, end: 'standing', direction: [standingSide, 0, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [-standingSide, 0, 0], share: 1 },
  ],
  eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1, radius: EYE_RADIUS }],
  stages: [
    { duration: 300, force: [0.05, 0.3], friction: 0.08 },
    { duration: 300, force: [0.3, 0.5], friction: 0.08 },
    { duration: 200, force: [0.5, 0.5], friction: 0.08, shares: { eye: 0.15 } },
    { duration: 150, force: [0.5, 0.25], friction: 0.2 },
  ],
});

/** A joint of two ropes, laid across the page: the standing parts apart, each tail the other way, with less. */
export const drawnApart = (
  stages: readonly Stage[],
  { tail = 1, aside = 0 }: { readonly tail?: number; readonly aside?: number } = {},
): Drawing => ({
  pulls: [
    { rope: 0, end: 'standing', direction: [-1, 0, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [1, 0, aside], share: tail },
    { rope: 1, end: 'standing', direction: [1, 0, 0], share: 1 },
    { rope: 1, end: 'tail', direction: [-1, 0, aside], share: tail },
  ],
  eyes: [],
  stages,
});

/**
 * An offset joint: all four ends first as they lie, both strands of a pair alike; then the standing parts swing apart, up
 * and down the page. The tails are held, so that the knot neither wanders nor rolls.
 * @param tails 1 where the tails leave to the right as laid, -1 to the left like the standing parts
 */
export const drawnOffset = (tails: 1 | -1 = 1): Drawing => ({
  pulls: [0, 1].flatMap((rope) => {
    const lean = rope === 0 ? 0.1 : -0.1;
    return [
      { rope, end: 'standing' as const, direction: [-1, lean, 0] as const, share: 1 },
      { rope, end: 'tail' as const, direction: [tails, lean, 0] as const, share: 1, held: true },
    ];
  }),
  eyes: [],
  stages: [
    ...GENTLE.slice(0, 2),
    // an end is drawn along its direction only: first back and aside, then straight
    {
      duration: 200,
      force: [0.4, 0.4],
      friction: 0.15,
      directions: {
        standing: [
          [2, 1, 0],
          [2, -1, 0],
        ],
      },
    },
    {
      duration: 250,
      force: [0.4, 0.4],
      friction: 0.15,
      directions: {
        standing: [
          [0, 1, 0],
          [0, -1, 0],
        ],
      },
    },
    GENTLE[2]!,
  ],
});
