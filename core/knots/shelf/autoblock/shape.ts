/** Autoblock: a sling wound round the host as a pair of strands, three turns, both its bights led down into one ring. */
import type { Point3 } from '../../../curve';
import { asThing } from '../../shape/objects';
import { loadRing } from '../../shape/load-ring';
import { HOST_RADIUS, hostRope, nodesOnHost, snugged } from '../../laying/on-host';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { bightOver, sling, type PairKey } from '../../laying/slings';
import { onIt, overItsNeighbour, turnsBetween } from '../../laying/wraps';

const R0 = onIt(HOST_RADIUS);
const PAIR_PITCH = 2.1;
const height = (t: number) => -3.15 + (PAIR_PITCH * t) / 360;
const rad = Math.PI / 180;
const at = (t: number, y: number, r: number): Point3 => [r * Math.sin(t * rad), y, r * Math.cos(t * rad)];

/** @param turns whole turns of the pair */
function autoblock(
  turns: number,
  { oneClipped = false, crossed = false }: { readonly oneClipped?: boolean; readonly crossed?: boolean } = {},
): LaidKnot {
  const to = 360 * turns - 95;
  const rise = PAIR_PITCH * (turns - 3);
  // prettier-ignore
  const keys: PairKey[] = [
    [10, -9, 4.6, 0, 0, 1.05], [12, -7.6, 4.3, 0.1, 0, 0.9], [20, -5.6, 3.5, 0.3, 0, 0.5], [40, -3.9, 2.3, 0.48, 0, 0.25], [66, -3.1, 1.55, 0.53, 0, 0.05],
    ...(crossed ? overItsNeighbour(turnsBetween([95, height(95)], [to, height(to)], R0), 540, PAIR_PITCH) : turnsBetween([95, height(95)], [to, height(to)], R0)).map(([t, y, r]): PairKey => [t, y, r, 0.53, 0, 0]),
    [to + 33, 2.7 + rise, 1.6, 0.53, 0, 0.08], [to + 51, 2.1 + rise, 2.3, 0.46, 0, 0.3], [to + 60, 0.6 + rise, 2.75, 0.2, 0, 0.5], [to + 65, -1.5, 3, 0.1, 0, 0.55], [to + 71, -4, 3.5, 0, 0, 0.65],
    // a bight that was not clipped hangs aside
    ...(oneClipped ? ([[to + 66, -5.8, 4.4, 0, 0, 0.8], [to + 62, -7.4, 4.9, 0, 0, 1]] as PairKey[]) : ([[to + 81, -7.2, 4.3, 0, 0, 0.9], [to + 85, -9, 4.6, 0, 0, 1.05]] as PairKey[])),
  ];
  const free = (to + 62) % 360;
  const tip = (side: 1 | -1) => bightOver(at(10 * side, -9, 4.6), [0, -1, 0], 1.05, at(10 * side, 0, 1.05));
  const points = sling(
    keys,
    R0,
    tip(1).reverse(),
    oneClipped ? bightOver(at(free, -7.4, 4.9), [0, -1, 0], 1, at(free, 0, 1)) : tip(-1),
  );
  const host = hostRope(12, 20);
  const ring = loadRing(oneClipped ? at(10, -11.6, 4.6) : [0, -11.6, 4.6]);
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
      stages: [...snugged(0.035, 0.01, 0.05), { duration: 40, force: [0, 0], friction: 0.5, hands: [0.01, 0.01] }],
    },
  };
}

export const forms = {
  right: () => autoblock(3),
  'wraps-4': () => autoblock(4),
  'one-wrap-short': () => autoblock(2),
  'one-bight-clipped': () => autoblock(3, { oneClipped: true }),
  'crossed-wraps': () => autoblock(3, { crossed: true }),
} satisfies LaidForms;
