/**
 * Slings wound round a host as a pair of strands: a centre-line of keys, each with half the offset of the pair along the axis, round it and away
 * from it, so that the pair is parallel by construction; its two ends are closed by bights. Unit: diameters of the cord.
 */
import { resample, smooth, type Point3 } from '../../curve';
import { NODE_SPACING } from '../../rope';
import { wound } from './authoring';

export type PairKey = readonly [
  angle_deg: number,
  height: number,
  radius: number,
  along: number,
  round: number,
  away: number,
];

/** One strand of the pair; `side` 1 or -1 takes half the offset to either side. */
function strand(keys: readonly PairKey[], side: 1 | -1, at: number): Point3[] {
  return wound(
    keys.map(([t, height, radius, along, round, away]) => ({
      angle_deg: t + (side * round * 180) / (radius * Math.PI),
      height: height + side * along,
      radius: radius + side * away,
    })),
    at,
  );
}

/** Half a ring from one strand's end to the other's: about `centre`, out along `direction` by `depth`, from `-half` to `half`. */
export function bightOver(centre: Point3, direction: Point3, depth: number, half: Point3): Point3[] {
  return [0.7, 0.35, 0, -0.35, -0.7].map((k): Point3 => {
    const out = depth * Math.sqrt(1 - k * k);
    return [
      centre[0] + direction[0] * out + half[0] * k,
      centre[1] + direction[1] * out + half[1] * k,
      centre[2] + direction[2] * out + half[2] * k,
    ];
  });
}

/**
 * The closed sling.
 * @param first bight at the first key, from the second strand back to the first
 * @param last bight at the last key, from the first strand to the second
 */
export function sling(
  keys: readonly PairKey[],
  at: number,
  first: readonly Point3[],
  last: readonly Point3[],
): Point3[] {
  const line = [...strand(keys, 1, at), ...last, ...strand(keys, -1, at).reverse(), ...first];
  const ring = resample([...line, line[0]!], 0.1).slice(0, -1);
  const even = smooth([...ring.slice(-40), ...ring, ...ring.slice(0, 40)], 14).slice(40, -40);
  return resample([...even, even[0]!], NODE_SPACING).slice(0, -1);
}
