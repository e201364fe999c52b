/**
 * Trefoil stopper: a flat diagram with its over and under, because it is tied flat, on a table. A small loop, the tail crossing under; a bight of
 * the standing part drawn through it; the tail round the back and through that bight.
 */
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, standingUp, type Control } from '../../laying/authoring';
import type { Drawing, LaidForms, LaidKnot } from '../../shape/laid';
import { crossingsReversed } from '../../laying/operations';

// prettier-ignore
const PATH: readonly Control[] = [
  [0, -28], [0, -14], [0, -7, 1], [0, -3.4, -1], [0.3, -1.8, 0], [1.6, -1.2, 0], [3.4, -1.2, 1], [5.6, -2.2, 0], [8, -3, 0], [10.6, 0, 0], [8, 3, 0], [5.6, 2.2, 0], [3.4, 1.2, 1],
  [1.6, 1.2, 0], [0.3, 1.8, 0], [0, 3.4, -1], [-0.2, 5.2, 0], [-1.8, 7, 0], [-4.2, 6.4, 0], [-4.8, 4, 1], [-3.8, 1.6, 0], [-3.4, -0.8, 0], [-2.3, -2.7, 0], [0, -3.4, 0], [2.3, -2.7, 0],
  [3.4, 0, 0], [2.3, 2.7, 0], [0, 3.4, 0], [-2.3, 3.4, 0], [-4.8, 3.8, -1],
  [-6.8, 4.7, 0], [-6.4, 8.2, 0], [-1.8, 10.4, 0], [4, 8.4, 0], [6.8, 5.2, 0], [7, 2.6, 1], [7, 0, 0], [7, -2.6, -1], [7.2, -6, 0], [7.4, -10], [7.4, -22],
];

/** The tail is set first, then drawn to the side; then the standing part draws the knot against a wall: only so do its lobes stand round the rope. */
const AGAINST_A_WALL: Drawing = {
  pulls: [
    { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [-0.6, 0.2, -0.6], share: 0.4 },
  ],
  eyes: [],
  stages: [
    { duration: 250, force: [0.1, 0.6], friction: 0.1 },
    { duration: 200, force: [0.4, 0.4], friction: 0.1, directions: { tail: [-0.3, -1, -0.3] } },
    { duration: 400, force: [0.4, 1], friction: 0.08, shares: { tail: 0.2 }, wall: true },
    { duration: 150, force: [0.7, 0.3], friction: 0.2 },
  ],
};

/** The slip's loop and bight run the other way: the bight comes from the tail, which goes on round and through it. */
const SLIP = PATH.slice(1, 31);
// prettier-ignore
const BIGHT_FROM_TAIL: readonly Control[] = [[-10, 16], [-9, 9], [-7, 5.4], ...reversed(SLIP).slice(1, -2), [0, -6.4, 1], [0.4, -8.6, 0], [2.6, -9.8, 0], [5.6, -8.4, 0], [7, -5.6, 0], [7, -2.6, -1], [7, 0, 0], [7, 2.6, 1], [7.2, 6, 0], [7.4, 10], [7.4, 22]];

const laid = (path: readonly Control[]): LaidKnot => ({
  points: standingUp(nodesOf(flatDiagram(path, { scale: 1.3, height: 0.66, plateau: 0.6 }), NODE_SPACING, 10)),
  drawing: AGAINST_A_WALL,
});

export const forms = {
  right: () => laid(PATH),
  'bight-from-tail': () => laid(BIGHT_FROM_TAIL),
  // both crossings of the tail with the bight's legs
  'tail-from-wrong-side': () => crossingsReversed(laid(PATH), [3, 4]),
} satisfies LaidForms;
