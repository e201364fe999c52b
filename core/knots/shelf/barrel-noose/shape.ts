/**
 * Barrel noose: a wound form round an upright axis. The rope comes down inside the turns (standing part),
 * through the clip, back up inside the turns, out at their head; it winds down outside all of it and
 * leaves upward inside its own turns. Three strands lie inside, at the corners of a triangle, spread so that each crossing can be seen. Wound, because the number of wraps then is one figure.
 */
import { nearestIndex, splineThrough, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, wound, type WoundKey } from '../../laying/authoring';
import type { Drawing, LaidForms, LaidKnot } from '../../shape/laid';
import { asThing, karabinerIn } from '../../shape/objects';
import type { ShapeComponent } from '../../shape/stored';

const CORE = 1.25;
const COIL = 2.65;
const PITCH = 2.5;
const EYE_LENGTH = 10;
/** where each strand lies inside the turns, degrees from the front */
const STANDING_deg = 240;
const RETURNING_deg = 120;

const onAxis = (angle_deg: number, y: number): Point3 => {
  const a = (angle_deg * Math.PI) / 180;
  return [CORE * Math.sin(a), y, CORE * Math.cos(a)];
};

interface Wrong {
  /** the end comes out after the turn nearest the eye */
  readonly underOneOnly?: boolean;
}

function noose(wraps: number, { underOneOnly = false }: Wrong = {}): LaidKnot {
  const head = wraps * PITCH;
  const turned_deg = 360 * wraps + RETURNING_deg;
  const coil: WoundKey[] = [
    { angle_deg: RETURNING_deg, height: head - 1, radius: CORE },
    { angle_deg: RETURNING_deg - 6, height: head + 0.6, radius: CORE + 0.2 },
    { angle_deg: RETURNING_deg - 45, height: head + 1.5, radius: (CORE + COIL) / 2 },
  ];
  const [from, to] = [RETURNING_deg - 100, RETURNING_deg - turned_deg + 80];
  for (let k = 0; k <= 12 * wraps; k++) {
    const t = k / (12 * wraps);
    coil.push({ angle_deg: from + (to - from) * t, height: head + 0.8 + (-head - 0.8) * t, radius: COIL });
  }
  const end = RETURNING_deg - turned_deg;
  coil.push(
    { angle_deg: end + 34, height: -0.8, radius: (CORE + COIL) / 2 },
    { angle_deg: end + 4, height: -0.3, radius: CORE + 0.2 },
    { angle_deg: end, height: 1.2, radius: CORE },
  );
  const down = straight(onAxis(STANDING_deg, head + 26), onAxis(STANDING_deg, -3));
  const [a, b] = [down.at(-1)!, onAxis(RETURNING_deg, -3)];
  const y = -3 - EYE_LENGTH;
  const eye = splineThrough([
    a,
    [a[0] - 0.5, a[1] - 2, a[2]],
    [-2.8, y + 3.6, a[2]],
    [0, y, a[2]],
    [2.8, y + 3.6, b[2]],
    [b[0] + 0.5, b[1] - 2, b[2]],
    b,
  ]);
  const up = straight(b, onAxis(RETURNING_deg, head - 1));
  const out = (y: number, r: number): Point3 => [0, y, r];
  const tail = underOneOnly
    ? splineThrough([
        out(1.2, CORE),
        out(PITCH * 1.2, CORE),
        out(PITCH * 1.55, CORE + 0.6),
        out(PITCH * 1.62, COIL),
        out(PITCH * 1.66, COIL + 1.4),
        out(PITCH * 1.9 + 1.5, COIL + 3),
        out(head + 20, COIL + 4),
      ])
    : straight(onAxis(0, 1.2), onAxis(0, head + 20));
  const line = [...down, ...eye.slice(1), ...up.slice(1), ...wound(coil).slice(1), ...tail.slice(1)];
  const points = nodesOf(line, NODE_SPACING, 14);
  const eyeNode = nearestIndex(points, [0, y, a[2]]);
  const clip = karabinerIn(points[eyeNode]!);
  return { points, eyeNode, objects: [clip], drawing: slidShut(points, eyeNode, clip) };
}

/** Drawn up on its clip: the tail set, the turns pushed together by the fingers, the standing part draws it shut. */
function slidShut(points: readonly Point3[], eyeNode: number, clip: ShapeComponent): Drawing {
  const turns = points.flatMap((p, i) =>
    i > eyeNode + 20 && Math.hypot(p[0], p[2]) > (CORE + COIL) / 2 + 0.25 ? [i] : [],
  );
  const squeeze = 0.012;
  return {
    things: [asThing(clip)],
    pulls: [
      { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
      { rope: 0, end: 'tail', direction: [0.1, 1, 0.15], share: 0.5 },
    ],
    eyes: [],
    turns: [{ nodes: [turns[0]!, turns.at(-1)!], axis: [0, 1, 0] }],
    stages: [
      { duration: 250, force: [0.1, 0.4], friction: 0.05 },
      { duration: 400, force: [0.4, 0.6], friction: 0.05, squeeze },
      { duration: 150, force: [0.6, 0.25], friction: 0.2, squeeze: squeeze / 2 },
    ],
  };
}

export const forms = {
  right: () => noose(2),
  'wraps-3': () => noose(3),
  'turns-short': () => noose(1),
  'not-tucked': () => noose(2, { underOneOnly: true }),
} satisfies LaidForms;
