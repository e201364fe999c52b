/**
 * Klemheist: a sling wound flat up the host as a pair of strands, three turns; its lower end, led up in front, goes through the eye that the upper bight makes.
 * A ring hangs in the lower end.
 */
import type { Point3 } from '../../../curve';
import { asThing } from '../../shape/objects';
import { HOST_RADIUS, hostRope, nodesOnHost, snugged } from '../../laying/on-host';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { bightOver, sling, type PairKey } from '../../laying/slings';
import { onIt, overItsNeighbour, turnsBetween } from '../../laying/wraps';
import { loadRing } from '../../shape/load-ring';

const R0 = onIt(HOST_RADIUS);
const BRIDGE = HOST_RADIUS + 1.6;
/** two strands a turn */
const PAIR_PITCH = 2.1;
const height = (t: number) => -3.15 + (PAIR_PITCH * t) / 360;
const rad = Math.PI / 180;
const at = (t: number, y: number, r: number): Point3 => [r * Math.sin(t * rad), y, r * Math.cos(t * rad)];

interface Hitch {
  readonly turns?: number;
  /** the lower end led past the eye */
  readonly past?: boolean;
  readonly crossed?: boolean;
}

function klemheist({ turns = 3, past = false, crossed = false }: Hitch = {}): LaidKnot {
  const rise = PAIR_PITCH * (turns - 3);
  const on = 360 * (turns - 3);
  const through: PairKey[] = past
    ? [
        [0, -11, 4.4, 0, 0, 1.05],
        [0, -9, 4.3, 0, 0.35, 0.75],
        [0, -7, 4.1, 0, 0.52, 0.3],
        [-2, -5, 3.7, 0, 0.54, 0],
        [-6, -3.8, 3, 0.1, 0.52, 0],
        [-2, -3.2, 2.3, 0.3, 0.45, 0],
      ]
    : [
        [0, -11, 4.4, 0, 0, 1.05],
        [0, -9, 4.3, 0, 0.35, 0.75],
        [0, -7, 4.1, 0, 0.52, 0.3],
        [0, -4, 3.75, 0, 0.54, 0],
        [0, 0, 3.7, 0, 0.54, 0],
        [0, 2.6 + rise, 3.75, 0, 0.54, 0],
        [0, 3.55 + rise, 3.4, 0, 0.54, 0],
        [0, 3.85 + rise, 2.75, 0, 0.54, 0],
        [0, 3.5 + rise, 2, 0, 0.54, 0],
        [-2, 2.7 + rise, 1.75, 0, 0.54, 0],
        [-4, 1.7 + rise, 2.25, 0, 0.54, 0],
        [-8, 0.5, BRIDGE, 0, 0.54, 0],
        [-12, -1.3, BRIDGE, 0, 0.54, 0],
        [-6, -2.3, 2.1, 0.2, 0.48, 0],
      ];
  const keys: PairKey[] = [
    ...through,
    [10, -2.95, 1.65, 0.42, 0.3, 0],
    [35, -3, R0, 0.54, 0, 0],
    ...(crossed
      ? overItsNeighbour(turnsBetween([60, height(60)], [975 + on, height(975 + on)], R0), 540, PAIR_PITCH)
      : turnsBetween([60, height(60)], [975 + on, height(975 + on)], R0)
    ).map(([t, y, r]): PairKey => [t, y, r, 0.53, 0, 0]),
    ...(
      [
        [1010, 2.95, R0 + 0.2, 0.6, 0, 0],
        [1036, 3.3, 2.2, 0.8, 0, 0],
        [1054, 3.6, 2.7, 1.05, 0, 0],
        [1080, 3.75, 2.8, 1.15, 0, 0],
        [1108, 3.75, 2.7, 1.1, 0, 0],
        [1128, 3.7, 2.4, 0.8, 0, 0],
      ] as PairKey[]
    ).map(([t, y, r, al, ro, aw]): PairKey => [t + on, y + rise, r, al, ro, aw]),
  ];
  const points = sling(
    keys,
    R0,
    bightOver([0, -11, 4.4], [0, -1, 0], 1.05, [0, 0, -1.05]),
    bightOver(at(1128, 3.7 + rise, 2.4), [Math.cos(48 * rad), 0, -Math.sin(48 * rad)], 0.7, [0, 0.8, 0]),
  );
  const host = hostRope(12, 20);
  const ring = loadRing([0, -13.6, 4.4]);
  return {
    points,
    closed: true,
    eyeNode: points.reduce((low, p, i) => (p[1] < points[low]![1] ? i : low), 0),
    objects: [host.component, ring],
    drawing: {
      things: [host.spec, asThing(ring)],
      pulls: [],
      eyes: [],
      rings: [{ thing: 1, direction: [0, -1, 0.1], share: 1 }],
      hands: { nodes: nodesOnHost(points), along: null },
      stages: [...snugged(0.07, 0.01, 0.05), { duration: 40, force: [0, 0], friction: 0.5, hands: [0.01, 0.01] }],
    },
  };
}

export const forms = {
  right: () => klemheist(),
  'one-wrap-short': () => klemheist({ turns: 2 }),
  'not-through-bight': () => klemheist({ past: true }),
  'crossed-wraps': () => klemheist({ crossed: true }),
} satisfies LaidForms;
