/**
 * Munter, mule, overhand: the Munter's wound form, and below it, as a flat diagram, the brake strand's loop behind the load strand, a bight of the brake strand
 * through it in front of the load strand, and with the rest of that bight an overhand round everything. The bight is a pair by offset; its tip is the slip's eye.
 */
import { lanes, nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagrams, nodesOf, reversed, type Control } from '../../laying/authoring';
import { barAcross, bentIntoRing, hitchKarabiner } from '../../laying/on-bar';
import { asThing } from '../../shape/objects';
import { HALF_GAP } from '../../laying/on-bight';
import { crossingsReversed } from '../../laying/operations';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { foldedLoops, LOAD_HEIGHT } from '../munter-hitch/parts';

const SCALE = 1.75;
/** of the flat part's middle below the bar, diameters */
const DROP = 17;
const HALF = HALF_GAP / SCALE;
const LOW = -22;
const ROOM = 1.55;

// seen with the brake strand on the right of the load strand, which runs down x = 0; turned over at the end
// prettier-ignore
const LOAD: readonly Control[] = [[0, 9], [0, 5], [0, 1.8, 0], [0, 0, 0], [0, -2.6, 0], [0, -7, 0], [0, -10, 0], [0, -15, 0], [0, LOW]];
// prettier-ignore
const LOOP: readonly Control[] = [
  [1.3, 9], [1.4, 6], [2.2, 3.4], [2.7, 1.7, -1], [2.3, 0, 0], [1.4, -2], [0, -2.6, -1], [-2.6, -2.4], [-3.9, -1.5], [-4.1, 0, 0], [-3.8, 1], [-2.6, 1.7], [0, 1.9, -1], [2.7, 1.7, 1], [4.4, 1.2], [5, 0.2], [4.6, -HALF - 0.1], [3.8, -HALF, 0],
];
const bight = (overhand: boolean): readonly Control[] => [
  [3.8, 0, 0],
  [2.3, 0, 1],
  [0, 0, 1],
  [-2, 0],
  [-4.1, 0, -1],
  [-6.2, -0.6],
  ...(overhand
    ? ([
        [-7, -2.4],
        [-6, -5],
        [-5, -8],
        [-4.8, -10.2, 1],
        [-4.6, -13, 0],
        [-3, -15, 0],
        [0, -15.4, 1],
        [2.6, -15.2, 1],
        [5, -14.4, 0],
        [5.8, -12.6, 0],
        [4.8, -10.8, 0],
        [2.6, -10.2, -1],
        [0, -10.2, -1],
        [-2.4, -10.2, 0],
        [-4.8, -10.2, -1],
        [-8, -10.2, 0],
        [-11, -10.4, 0],
      ] as Control[])
    : ([
        [-9, -1.6, 0],
        [-12, -2.6, 0],
      ] as Control[])),
];
const TAIL: readonly Control[] = [
  [3.8, HALF, 0],
  [5, HALF + 0.1],
  [6.4, -0.4],
  [6.2, -3],
  [4.4, -6],
  [2.8, -8.4, 0],
  [2.6, -10.2, 0],
  [2.6, -15.2, 0],
  [2.6, LOW],
];

/** @param overhand the bight's rest made fast round everything */
function mule(overhand: boolean): LaidKnot {
  const [load, brake, middle, tail] = flatDiagrams([LOAD, LOOP, bight(overhand), TAIL], {
    scale: SCALE,
    height: 0.68,
    plateau: 1.5,
  }) as [Point3[], Point3[], Point3[], Point3[]];
  const [left, right] = lanes(middle, 2, 2 * HALF_GAP) as [Point3[], Point3[]];
  const [a, b] = [left.at(-1)!, right.at(-1)!];
  const ahead = middle.at(-1)!;
  const before = middle.at(-6)!;
  const l = Math.hypot(ahead[0] - before[0], ahead[1] - before[1]);
  const tip: Point3 = [ahead[0] + ((ahead[0] - before[0]) / l) * 3, ahead[1] + ((ahead[1] - before[1]) / l) * 3, 0];
  const bend = splineThrough([
    left.at(-9)!,
    a,
    [a[0] * 0.4 + tip[0] * 0.6, a[1] * 0.8 + tip[1] * 0.2, 0],
    tip,
    [b[0] * 0.4 + tip[0] * 0.6, b[1] * 0.8 + tip[1] * 0.2, 0],
    b,
    right.at(-9)!,
  ]).slice(24, -24);
  const loops = foldedLoops(ROOM).map(bentIntoRing).map(barAcross);
  // brake to the left of the load strand, below the karabiner
  const below = (p: Point3): Point3 => [-p[0] - LOAD_HEIGHT * ROOM, p[1] - DROP, p[2]];
  const down = [...brake, ...left, ...bend.slice(1, -1), ...reversed(right), ...tail].map(below);
  const points = nodesOf(
    [
      ...reversed(load.map(below)),
      ...splineThrough([load.map(below)[4]!, load.map(below)[0]!, loops[0]!, loops[5]!]).slice(25, -25),
      ...loops,
      ...splineThrough([loops.at(-6)!, loops.at(-1)!, down[0]!, down[4]!]).slice(25, -25),
      ...down,
    ],
    NODE_SPACING,
    10,
  );
  const eyeNode = nearestIndex(points, below(tip));
  const mulesFrom = nearestIndex(points, below(brake.at(-1)!)) - 40;
  const karabiner = hitchKarabiner();
  return {
    points,
    eyeNode,
    objects: [karabiner],
    drawing: {
      things: [asThing(karabiner)],
      pulls: [
        { rope: 0, end: 'standing', direction: [0, -1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [0, -1, 0], share: 0.3 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [1, 0, 0], share: 0.6, radius: 1.4 }],
      // fingers push the mule up to the Munter while the load strand draws the slack; then everything is snugged
      turns: [{ nodes: [mulesFrom, points.length - 60], axis: [0, 1, 0], along: 8 }],
      stages: [
        { duration: 40, force: [0.05, 0.1], friction: 0.04, shares: { tail: 0.1, eye: 0.15 }, thickness: [0.65, 1] },
        { duration: 350, force: [0.1, 0.5], friction: 0.04, shares: { tail: 0.1, eye: 0.15 }, squeeze: 0.00016 },
        { duration: 250, force: [0.3, 0.4], friction: 0.06, shares: { tail: 0.3, eye: 0.6 }, squeeze: 0.0001 },
        { duration: 300, force: [0.4, 0.5], friction: 0.08 },
        { duration: 150, force: [0.5, 0.25], friction: 0.2 },
      ],
    },
  };
}

export const forms = {
  right: () => mule(true),
  // the bight passes over the loop it should go through
  'slip-not-caught': () => asItLies(crossingsReversed(mule(true), [12, 13])),
  'overhand-missing': () => asItLies(mule(false)),
} satisfies LaidForms;
