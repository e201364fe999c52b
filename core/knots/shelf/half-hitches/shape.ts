/** Two half hitches: a wound form round the standing part, behind a turn on a post; worked away from the post. */
import { nearestIndex, splineThrough, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, wound } from '../../laying/authoring';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import type { ShapeComponent } from '../../shape/stored';
import { cowTurnsRound, twoTurnsRound } from '../../laying/half-hitched';

const POST_RADIUS = 3;
const POST: Point3 = [POST_RADIUS + 0.53, -18, 0];

function behindATurn(mirrored = false): LaidKnot {
  const turns = wound(
    (mirrored ? cowTurnsRound() : twoTurnsRound(1)).map(([angle_deg, height, radius]) => ({
      angle_deg,
      height,
      radius,
    })),
    1.7,
  );
  const round = Array.from({ length: 13 }, (_, k): Point3 => {
    const a = Math.PI + (Math.PI * k) / 12;
    return [POST[0] + (POST_RADIUS + 0.53) * Math.cos(a), POST[1] + (POST_RADIUS + 0.53) * Math.sin(a), 0];
  });
  const [from, end, before] = [turns[0]!, turns.at(-1)!, turns.at(-8)!];
  const back = splineThrough([round.at(-1)!, [6.9, -15.6, 0], [5, -13, 0], from]);
  const out: Point3 = [end[0] - before[0], 0, end[2] - before[2]];
  const l = Math.hypot(out[0], out[2]);
  const tail = straight(end, [end[0] + (out[0] / l) * 18, end[1], end[2] + (out[2] / l) * 18]);
  const points = nodesOf(
    [
      ...straight([0, 26, 0], [0, POST[1], 0]),
      ...splineThrough(round).slice(1),
      ...back.slice(1, -1),
      ...turns,
      ...tail.slice(1),
    ],
    NODE_SPACING,
    14,
  );
  const post: ShapeComponent = {
    name: 'post',
    role: 'post',
    closed: false,
    diameter: 2 * POST_RADIUS,
    points: straight([POST[0], POST[1], -5], [POST[0], POST[1], 5]),
  };
  return {
    points,
    eyeNode: nearestIndex(points, [POST[0], POST[1] - POST_RADIUS - 0.53, 0]),
    objects: [post],
    drawing: {
      posts: [{ point: POST, axis: [0, 0, 1], radius: POST_RADIUS }],
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
  right: () => behindATurn(),
  'mirrored-loops': () => asItLies(behindATurn(true)),
} satisfies LaidForms;
