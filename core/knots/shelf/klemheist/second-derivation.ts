/**
 * The klemheist once more, followed with one strand after the other: from the clip one strand goes up in front, into the eye, down behind its lower arm to the
 * wraps, three turns up the host, round the eye's tip, three turns down beside itself, out through the eye the way it came, back to the clip. A plain helix each way, each
 * strand written by itself; nothing is offset from anything.
 */
import { resample, smooth, splineThrough, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';

const R = 2.6;
const PITCH = 3.4;
const TURNS = 2.6;

const at = (angle_deg: number, y: number, r: number): Point3 => [
  r * Math.sin((angle_deg * Math.PI) / 180),
  y,
  r * Math.cos((angle_deg * Math.PI) / 180),
];
const helix = (from: number, turns: number, y0: number): Point3[] =>
  Array.from({ length: 61 }, (_, k) => at(from + (360 * turns * k) / 60, y0 + (PITCH * turns * k) / 60, R));

/** Nodes of the closed sling, and the one in the clip. */
export function klemheistFollowed(): { points: Point3[]; eyeNode: number } {
  const top = PITCH * TURNS;
  // up in front of the eye's lower arm, in between the arms, down behind the lower one to the foot of the wraps
  const strand = (x: number, lift: number): Point3[] => [
    [x, -16, 8],
    [x, -4, 8],
    [x, top + 2, 9],
    [x, top + 4, 8.6],
    [x, top + 4.3, 6],
    [x, top + 2, 4.4],
    [x, 4, 4.4],
    [x - 0.5, 0.6, 4.4],
    at(8 + lift, -1.4 + lift, R + 0.8),
    ...helix(40, TURNS, lift - 0.6),
  ];
  const [a, b] = [strand(-0.9, 0), strand(0.9, 1.5)];
  const end = 40 + 360 * TURNS;
  // the eye: from the head of one helix round in front of the leading strands and back to the other
  const eye: Point3[] = [
    at(end + 20, top + 0.6, R + 0.6),
    at(end + 46, top + 1.4, 5.6),
    at(end + 84, top + 1.8, 7),
    at(end + 118, top + 2, 7.4),
    at(end + 142, top + 4.4, 7.6),
    at(end + 118, top + 6.8, 7.4),
    at(end + 84, top + 6.6, 7),
    at(end + 46, top + 5, 5.6),
    at(end + 20, top + 2.6, R + 0.6),
  ];
  // prettier-ignore
  const clip: Point3[] = [[0.9, -18, 8], [0, -19.4, 8], [-0.9, -18, 8]];
  const line = splineThrough([...a, ...eye, ...b.reverse(), ...clip, ...a.slice(0, 2)]).slice(24, -24);
  const points = resample(smooth(resample(line, 0.1), 6), NODE_SPACING).slice(0, -1);
  return { points, eyeNode: points.reduce((low, p, i) => (p[1] < points[low]![1] ? i : low), 0) };
}
