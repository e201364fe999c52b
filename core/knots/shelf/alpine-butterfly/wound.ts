/**
 * Alpine butterfly wound on the hand, three turns: one toward the wrist, one toward the fingertips, the last
 * between them. The hand is the axis (fingers up), its palm faces the viewer; on its back the run from
 * the first turn to the second is crossed by the run from the second to the third, which lies on it. On the
 * palm the fingertip turn is taken over the other two and back under both from the wrist side. Both
 * ends leave behind the hand.
 */
import { nearestIndex, splineThrough, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, turnedUpsideDown, wound } from '../../laying/authoring';
import { drawnAcross } from '../../laying/drawing';
import type { LaidKnot } from '../../shape/laid';

const HAND = 5;
/** a strand that lies on another */
const ON_TOP = HAND + 1.5;
const WRIST = -2.8;
const FINGERTIPS = 2.8;
const EYE_FAR_Y = 13;

const turn = (fromTo: readonly (readonly [number, number, number])[]) =>
  wound(fromTo.map(([angle_deg, height, radius]) => ({ angle_deg, height, radius })));

export function butterflyByHand(): LaidKnot {
  const first = turn([
    [-90, WRIST, HAND],
    [-45, WRIST, HAND],
    [0, WRIST, HAND],
    [45, WRIST, HAND],
    [90, WRIST, HAND],
    [115, WRIST, HAND],
    [180, 0.9, HAND],
    [245, FINGERTIPS, HAND],
    [270, FINGERTIPS, HAND],
    [305, FINGERTIPS, HAND],
  ]);
  // the fingertip turn, drawn out: over the other two, back under both
  const leg = (side: 1 | -1): Point3[] => [
    [side * 1.9, FINGERTIPS, HAND],
    [side * 1.2, 1.9, HAND + 0.9],
    [side * 1.1, 0, HAND + 1.4],
    [side * 1.1, WRIST, HAND + 1.4],
    [side * 1.1, WRIST - 2, HAND + 0.7],
    [side * 1.1, WRIST - 2.1, HAND - 0.7],
    [side * 1.1, WRIST, HAND - 1.5],
    [side * 1.1, 0, HAND - 1.5],
    [side * 1.1, FINGERTIPS, HAND - 1.3],
    [side * 1.3, FINGERTIPS + 3, HAND - 0.6],
    [side * 2.6, EYE_FAR_Y - 3, HAND],
  ];
  const last = turn([
    [415, FINGERTIPS, HAND],
    [450, FINGERTIPS, HAND + 0.3],
    [475, FINGERTIPS, ON_TOP],
    [540, 1.3, ON_TOP],
    [605, 0, ON_TOP],
    [640, 0, HAND],
    [680, 0, HAND],
    [720, 0, HAND],
    [765, 0, HAND],
    [810, 0, HAND],
  ]);
  const eye = [...leg(-1), [0, EYE_FAR_Y, HAND] as Point3, ...leg(1).reverse()];
  const drawnOut = splineThrough([first.at(-8)!, first.at(-1)!, ...eye, last[0]!, last[8]!]).slice(24, -24);
  const line = [
    ...straight([-HAND, WRIST, -24], first[0]!).slice(0, -1),
    ...first,
    ...drawnOut.slice(1, -1),
    ...last,
    ...straight(last.at(-1)!, [HAND, 0, -24]).slice(1),
  ];
  const points = nodesOf(line, NODE_SPACING);
  // the standing part is the end that leaves from the last turn; the eye hangs down
  const fromStanding = turnedUpsideDown(points.reverse());
  const eyeNode = nearestIndex(fromStanding, [0, -EYE_FAR_Y, HAND]);
  return { points: fromStanding, eyeNode, drawing: drawnAcross(eyeNode, fromStanding[0]![0] < 0 ? -1 : 1) };
}
