/**
 * How knots of one kind are drawn up: what pulls, in which direction, in which stages. Firm for single
 * strands, gently for pairs so that they stay side by side; each ends at sinking force and more friction.
 */
import { FIRM, GENTLE, type Stage } from '../rope';
import type { Drawing } from './laid';

/** Radius of what draws an eye, diameters. */
export const EYE_RADIUS = 2.2;

/** A stopper: standing part up, tail down. */
export const drawnStraight = (stages: readonly Stage[] = FIRM): Drawing => ({
  pulls: [
    { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [0, -1, 0], share: 1 },
  ],
  eyes: [], stages,
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
