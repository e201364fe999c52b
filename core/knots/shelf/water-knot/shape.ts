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

/** The three creases of an overhand, and where along the strip they end. @param rises layers that each rises @param side along the middle between two, in widths */
function creases(gap: number, rises: readonly number[] = RISES, side = SIDE): { all: Crease[]; end: number } {
  let at = 0;
  const all = rises.map((layers, k) => {
    const radius = layers * gap;
    const crease: Crease = { at, radius, normal: [Math.cos(LEAN), (k % 2 ? 1 : -1) * Math.sin(LEAN)] };
    at += side * WIDTH + (Math.PI * radius) / Math.cos(LEAN);
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
  tail: Backed | null = null,
): ComposedRope {
  const n = Math.round((to - from) / STEP);
  const places = Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
  if (backwards) places.reverse();
  const at = (s: number, u: number) => {
    const over = twisted ? turnedOver(s) : 0;
    const up = Math.sign(above) * ((WIDTH / 2) * Math.sin(over));
    const beyond = tail ? (backwards ? -s : s) - tail.from : -1;
    if (!tail || beyond <= -STANDS_OFF.over * WIDTH)
      return turn(folded(all, s, u * Math.cos(over), above + up + u * Math.sin(over)));
    // the tail is folded round the other tape, then it lies where the strip does
    const [x, y, z] = folded(tail.all, beyond, u, 0);
    const off = tail.standsOff * smoothstep(Math.min(1, 1 + beyond / (STANDS_OFF.over * WIDTH)));
    const away = Math.sign(above) * (z + off);
    return turn(folded(all, backwards ? -(tail.from + x) : tail.from + x, y, above + away));
  };
  const points = places.map((s) => at(s, 0));
  const across = places.map((s) => unit(subtract(at(s, 0.01), at(s, -0.01))));
  const knot = places.flatMap((s, i) => (s > -0.9 * WIDTH && s < all.at(-1)!.at + 1.1 * WIDTH ? [i] : []));
  return {
    points,
    first: knot[0]!,
    last: tail ? places.length - 1 - Math.round(BEYOND_BACKUP / STEP) : knot.at(-1)!,
    tape: { width: WIDTH, thickness: 1, across },
  };
}

/** The creases of a backup in a tail, and from where along the strip they are counted, away from the knot. */
interface Backed {
  readonly all: readonly Crease[];
  readonly end: number;
  readonly from: number;
  /** from the other tape, beyond what it lies off it anyhow */
  readonly standsOff: number;
}
/** Layers that each crease of a backup rises: its tape lies on the other, over itself, under the other, and out between. */
const BACKUP_RISES = [1.15, 2.55, 1.95] as const;
/** It stands off the other tape a little, in layers, and over so much of its length, in widths: its first crease is slanted. */
const STANDS_OFF = { layers: 0.45, over: 0.8 };
/** It holds a tape that is not folded with it: roomier than a pentagon's. */
const BACKUP_SIDE = 1.5;
/** From the knot to the first crease of a backup that is close up to it, in widths; and so much more where it is not. */
const CLOSE_UP: Readonly<Record<ShapeState, number>> = { laid: 5, dressed: 4.2, tight: 4.2 };
/** On the other side the knot itself is wider. */
const FARTHER = 0.7;
const AWAY = 4;
/** Tape shown beyond a backup. */
const BEYOND_BACKUP = 11;

/** Which tails are backed by an overhand round the other tape: both, the second tape's alone, none; and whether a gap stands before them. */
export interface Backups {
  readonly sides: 0 | 1 | 2;
  readonly gap?: boolean;
}

function inOneState(
  state: ShapeState,
  twisted: boolean,
  { sides, gap: slid = false }: Backups = { sides: 0 },
): { rope: ComposedRope; second: ComposedRope } {
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
  const backup = creases(gap, BACKUP_RISES, BACKUP_SIDE);
  const before = (CLOSE_UP[state] + (slid ? AWAY : 0)) * WIDTH;
  const tailOf = (from: number): Backed => ({ ...backup, from: from + before, standsOff: STANDS_OFF.layers * gap });
  const [far, near] = [sides > 1 ? tailOf(end + FARTHER * WIDTH) : null, sides > 0 ? tailOf(0) : null];
  const length = before + backup.end + 1.1 * WIDTH + BEYOND_BACKUP;
  const leg = sides > 0 ? LEG + before + WIDTH : LEG;
  return {
    rope: tape(
      all,
      -leg,
      far ? end + FARTHER * WIDTH + length : end + 0.9 * WIDTH + TAIL,
      gap / 2,
      turn,
      false,
      false,
      far,
    ),
    second: tape(all, near ? -length : -0.9 * WIDTH - TAIL, end + leg, -gap / 2, turn, true, twisted, near),
  };
}

/** The knot with its tails backed, in a state. */
export const backedWater = (state: ShapeState, backups: Backups) => inOneState(state, false, backups);

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
