/**
 * Water knot: an overhand in flat tape, followed by the second tape the other way. Each tape is its unrolled strip, creased: a crease is a roll about a
 * slanting line, so the tape is never stretched or bent sideways. An overhand in tape is a folded pentagon of three creases; the second tape is the same
 * surface one thickness off: flat on flat, no twist, by construction. Unit: thickness of the tape.
 */
import { cross, middleOf, smoothstep, subtract, unit, type Point3 } from '../../../curve';
import type { ComposedKnot, ComposedRope, LaidForms } from '../../shape/laid';
import type { ShapeState } from '../../facts/types';

const WIDTH = 8;
const LEG = 30;
const TAIL = 12;
const STEP = 0.4;
const LEAN = Math.PI / 10;
/** between creases along the middle, in widths: half the golden section more than that of a pentagon's side */
const SIDE = 1.3764;
/** layers that each crease rises, two tapes to a layer */
const RISES = [2, 3, 2] as const;
/** how far the layers lie apart, in thicknesses */
const APART: Readonly<Record<ShapeState, number>> = { laid: 1.7, dressed: 1.3, tight: 1.04 };

interface Crease {
  readonly at: number;
  readonly radius: number;
  readonly normal: readonly [number, number];
}

/** The three creases of the overhand, and where along the strip they end. */
function creases(gap: number): { all: Crease[]; end: number } {
  let at = 0;
  const all = RISES.map((layers, k) => {
    const radius = layers * gap;
    const crease: Crease = { at, radius, normal: [Math.cos(LEAN), (k % 2 ? 1 : -1) * Math.sin(LEAN)] };
    at += SIDE * WIDTH + (Math.PI * radius) / Math.cos(LEAN);
    return crease;
  });
  return { all, end: all.at(-1)!.at };
}

/** A place of the strip in space: along it, across it, above its middle surface. */
function folded(all: readonly Crease[], along: number, across: number, above: number): Point3 {
  const beyond = (c: Crease, s: number, u: number) => (s - c.at) * c.normal[0] + u * c.normal[1];
  let p: Point3 = [along, across, above];
  let last = all.length - 1;
  while (last >= 0 && beyond(all[last]!, along, across) <= 0) last--;
  for (let k = last; k >= 0; k--) {
    const c = all[k]!;
    const d = beyond(c, p[0], p[1]);
    const roll = Math.PI * c.radius;
    const inside = k === last && d < roll;
    const turned = d / c.radius;
    const to = inside ? (c.radius - p[2]) * Math.sin(turned) : roll - d;
    p = [
      p[0] + (to - d) * c.normal[0],
      p[1] + (to - d) * c.normal[1],
      inside ? c.radius - (c.radius - p[2]) * Math.cos(turned) : 2 * c.radius - p[2],
    ];
  }
  return p;
}

/** Turned so that the tapes leave to left and right and the flat face is seen, centred. */
type Turn = (p: Point3) => Point3;

/** Where the second tape turns over, along the strip: it lies outermost there, its edge stands up off the other. */
const TURNS_OVER = [-0.72 * WIDTH, 0] as const;

/** How far a tape has turned over at a place of the strip, radians. */
function turnedOver(s: number): number {
  return Math.PI * smoothstep((TURNS_OVER[1] - s) / (TURNS_OVER[1] - TURNS_OVER[0]));
}

function tape(
  all: readonly Crease[],
  from: number,
  to: number,
  above: number,
  turn: Turn,
  backwards: boolean,
  twisted = false,
): ComposedRope {
  const n = Math.round((to - from) / STEP);
  const places = Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
  if (backwards) places.reverse();
  const at = (s: number, u: number) => {
    const over = twisted ? turnedOver(s) : 0;
    const up = Math.sign(above) * ((WIDTH / 2) * Math.sin(over));
    return turn(folded(all, s, u * Math.cos(over), above + up + u * Math.sin(over)));
  };
  const points = places.map((s) => at(s, 0));
  const across = places.map((s) => unit(subtract(at(s, 0.01), at(s, -0.01))));
  const knot = places.flatMap((s, i) => (s > -0.9 * WIDTH && s < all.at(-1)!.at + 1.1 * WIDTH ? [i] : []));
  return { points, first: knot[0]!, last: knot.at(-1)!, tape: { width: WIDTH, thickness: 1, across } };
}

function inOneState(state: ShapeState, twisted: boolean): { rope: ComposedRope; second: ComposedRope } {
  const gap = APART[state];
  const { all, end } = creases(gap);
  // middle of the knot, and the line between its two ends, laid across the page
  const low = folded(all, -20, 0, 0);
  const high = folded(all, end + 20, 0, 0);
  const inner = Array.from({ length: 40 }, (_, k) => folded(all, (end * k) / 39, 0, 0));
  const centre = middleOf(inner);
  const x = unit([high[0] - low[0], high[1] - low[1], 0]);
  const y = cross([0, 0, 1], x);
  const turn: Turn = (p) => {
    const q = subtract(p, centre);
    return [q[0] * x[0] + q[1] * x[1], q[0] * y[0] + q[1] * y[1], q[2]];
  };
  return {
    rope: tape(all, -LEG, end + 0.9 * WIDTH + TAIL, gap / 2, turn, false),
    second: tape(all, -0.9 * WIDTH - TAIL, end + LEG, -gap / 2, turn, true, twisted),
  };
}

function water(twisted = false): ComposedKnot {
  const states = {
    laid: inOneState('laid', twisted),
    dressed: inOneState('dressed', twisted),
    tight: inOneState('tight', twisted),
  };
  const inKnot = Math.round(creases(APART.tight).end + 2 * WIDTH);
  // how hard it is set is not computed for tape: a tenth more where it lies loosely
  return { composed: states, inKnot: { low: inKnot, value: inKnot, high: Math.ceil(inKnot * 1.1) } };
}

export const forms = { right: () => water(), 'tape-twisted': () => water(true) } satisfies LaidForms;
