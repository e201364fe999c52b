/**
 * Buntline hitch: a wound form round the standing part, on a karabiner: up from the clip, a turn round the standing part, over, a turn nearer the
 * clip, the end in under the cross. Worked the other way, away from the clip, it is two half hitches: the fault that kills.
 */
import { nearestIndex, splineThrough, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, wound } from '../../laying/authoring';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { asThing, karabinerIn } from '../../shape/objects';
import { secondTurnRoundBoth, twoTurnsRound } from '../../laying/half-hitched';
import type { Key } from '../../laying/wraps';

const EYE_Y = -20;

function onClip(keys: readonly Key[]): LaidKnot {
  const turns = wound(
    keys.map(([angle_deg, height, radius]) => ({ angle_deg, height, radius })),
    1.7,
  );
  const from = turns[0]!;
  const eye = splineThrough([
    [0, -9, 0],
    [-1, -11.4, 0],
    [-4, -16, 0],
    [0, EYE_Y, 0],
    [4.4, -16, 0],
    [4, -11.6, 0],
    from,
  ]);
  const end = turns.at(-1)!;
  const before = turns.at(-8)!;
  const out: Point3 = [end[0] - before[0], 0, end[2] - before[2]];
  const l = Math.hypot(out[0], out[2]);
  const tail = straight(end, [end[0] + (out[0] / l) * 18, end[1], end[2] + (out[2] / l) * 18]);
  const points = nodesOf(
    [...straight([0, 26, 0], [0, -9, 0]), ...eye.slice(1, -1), ...turns, ...tail.slice(1)],
    NODE_SPACING,
    14,
  );
  const eyeNode = nearestIndex(points, [0, EYE_Y, 0]);
  const clip = karabinerIn(points[eyeNode]!);
  return {
    points,
    eyeNode,
    objects: [clip],
    drawing: {
      things: [asThing(clip)],
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [out[0] / l, 0, out[2] / l], share: 0.6 },
      ],
      eyes: [],
      stages: [
        { duration: 250, force: [0.1, 0.4], friction: 0.06 },
        { duration: 350, force: [0.4, 0.6], friction: 0.08 },
        { duration: 150, force: [0.6, 0.25], friction: 0.2 },
      ],
    },
  };
}

export const forms = {
  right: () => onClip(twoTurnsRound(-1)),
  'reversed-buntline': () => onClip(twoTurnsRound(1)),
  'turns-three-strands': () => onClip(secondTurnRoundBoth()),
} satisfies LaidForms;
