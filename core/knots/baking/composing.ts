/** Knots whose author says how they lie in every state: tapes, and wraps far too many for a solver. No solver takes part; the author's forms are proven to be one knot. */
import { smallestDistance, type Line3, type Point3 } from '../../curve';
import { fault } from '../../errors';
import { figuresOf, sameFigures } from './figures';
import type { ComposedKnot, ComposedRope } from '../shape/laid';
import { hullGirth, type Range } from '../shape/measures';
import { NEIGHBOUR_ARC_ropeDiameters, round4, rounded } from '../shape/storing';
import type { BakedForm, BakedRope, BakedShape, ShapeMarks } from '../shape/stored';
import type { ShapeState } from '../facts/types';
import { crossingsApart } from '../shape/laidView';

function ropeStored({ points, first, last, eyeNode, legs, tape }: ComposedRope): BakedRope {
  const marks: ShapeMarks = {
    standing: [0, first],
    tail: [last, points.length - 1],
    ...(eyeNode !== undefined && {
      eye: eyeNode,
      legs: [
        [legs?.[0] ?? eyeNode, eyeNode],
        [eyeNode, legs?.[1] ?? eyeNode],
      ] as const,
    }),
  };
  return {
    xyz: points.flatMap((q) => rounded(q)),
    marks,
    firstNode: 0,
    ...(tape && {
      tape: { width: tape.width, thickness: tape.thickness, across: tape.across.flatMap((q) => rounded(q)) },
    }),
  };
}

/** Lines that stand for a rope where distances are measured: its centre-line, or lines across the width of a tape. */
function measured({ points, tape }: ComposedRope): Line3[] {
  if (!tape) return [{ points, closed: false }];
  return [-0.45, -0.2, 0, 0.2, 0.45].map((u) => ({
    closed: false,
    points: points.map((p, i): Point3 => {
      const a = tape.across[i]!;
      return [p[0] + a[0] * u * tape.width, p[1] + a[1] * u * tape.width, p[2] + a[2] * u * tape.width];
    }),
  }));
}

const constant = (value: number): Range => ({ low: round4(value), value: round4(value), high: round4(value) });

/** @throws solver-passed-through where two states are not one knot */
export function bakeComposed({ composed, inKnot }: ComposedKnot): BakedForm {
  const ropesOf = (state: ShapeState) => [
    composed[state].rope,
    ...(composed[state].second ? [composed[state].second] : []),
  ];
  const figures = (state: ShapeState) =>
    figuresOf({
      ropes: ropesOf(state).map((r) => ({ points: r.points, closed: false })),
      eyes: composed[state].rope.eyeNode === undefined ? [] : [composed[state].rope.eyeNode],
      things: composed[state].objects ?? [],
    });
  const shape = (state: ShapeState): BakedShape => {
    const [first, second] = ropesOf(state).map(ropeStored);
    return { ...first!, ...(second && { second }) };
  };
  const between = crossingsApart(...ropesOf('laid').map((r) => r.points));
  // strands that cross nothing but a bar
  const apart = Number.isFinite(between) ? round4(between) : 0;
  const laid = figures('laid');
  if (!sameFigures(laid, figures('dressed')) || !sameFigures(laid, figures('tight')))
    throw fault('solver-passed-through');
  const core = ropesOf('tight').flatMap((r) => measured(r).flatMap(({ points }) => points.slice(r.first, r.last + 1)));
  const extent = (c: 0 | 1 | 2) => Math.max(...core.map((q) => q[c])) - Math.min(...core.map((q) => q[c])) + 1;
  const distance = (state: ShapeState) => {
    const lines = ropesOf(state).flatMap(measured);
    // lines of one tape lie beside each other: only its folds on one another count
    const own = ropesOf(state).some((r) => r.tape)
      ? lines.map((line) => smallestDistance([line], 5))
      : [smallestDistance(lines, NEIGHBOUR_ARC_ropeDiameters)];
    return round4(Math.min(...own));
  };
  const withObjects = (state: ShapeState): BakedShape => ({
    ...shape(state),
    ...(composed[state].objects && {
      objects: composed[state].objects.map((o) => ({ ...o, points: o.points.map(rounded) })),
    }),
  });
  return {
    laid: shape('laid'),
    laidDistance_ropeDiameters: distance('laid'),
    laidView: { yaw_deg: 0, pitch_deg: 0, apart_ropeDiameters: apart },
    objects: withObjects('laid').objects ?? [],
    composed: true,
    set: {
      dressed: withObjects('dressed'),
      tight: withObjects('tight'),
      inKnot_ropeDiameters: inKnot,
      inKnotStandingSide_ropeDiameters: inKnot,
      girth_ropeDiameters: constant(hullGirth(core, 0)),
      width_ropeDiameters: constant(Math.max(extent(1), extent(2))),
      length_ropeDiameters: constant(extent(0)),
      reach_ropeDiameters: [round4(extent(0) / 2), round4(extent(1) / 2)],
      smallestDistance_ropeDiameters: distance('tight'),
      smallestDistanceEver_ropeDiameters: distance('tight'),
    },
  };
}
