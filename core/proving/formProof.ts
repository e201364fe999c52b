/**
 * What is proved of a stored form: that it is one and the same knot laid out, dressed and set, however it is turned, scaled, resampled or
 * shaken; that its strands keep their distances; and that baking it again gives what is stored. A proof holds the figures by which it holds;
 * `formFaults` (formLimits.ts) says which of them are not as they must be. Unit: rope diameters. Not proved here: that the form is the knot its name says
 * (second derivations do that), and what it does under load.
 */
import {
  distance,
  resample,
  rotationFrom,
  scale,
  segmentDistance,
  smallestDistance,
  type Line3,
  type Point3,
} from '../curve';
import { bakeForm } from '../knots/baking/baking';
import { figuresOf, sameFigures, type Figured } from '../knots/baking/figures';
import { STATES, type ShapeState } from '../knots/facts/types';
import { crossingsApart, READABLE_ROPE_DIAMETERS } from '../knots/shape/laidView';
import type { FormToBake } from '../knots/shape/eye-variants';
import { NEIGHBOUR_ARC_ropeDiameters } from '../knots/shape/storing';
import { inState, linesOf, pointsOf, type BakedForm } from '../knots/shape/stored';
import {
  closedAtInfinity,
  diagramOf,
  DIRECTIONS,
  FRONT,
  gaussCodeOf,
  invariantsOf,
  pinnedEye,
  regularView,
  signature,
  simplestDiagram,
} from '../topology';
import { shakenFrom } from './presenting';

/** The figures that are cheap to compute: taken anew of every form in every run. */
export interface FormIdentity {
  /** Gauss code from the front, or from the first direction from which every crossing can be told */
  readonly codes: Readonly<Record<ShapeState, string>>;
  /** what tells it as a knot, state by state */
  readonly invariants: Readonly<Record<ShapeState, readonly string[]>>;
}

export interface FormFigures extends FormIdentity {
  readonly laidApart: number;
  /** least distance of two crossings as laid; null where it is seen as the set form is */
  readonly crossingsApart: number | null;
  /** how much farther rope lies from what it is tied to than touching it, at the least; null where that is nothing */
  readonly clearOfThings: number | null;
  /** of all ends the least share that their straight length is of their length */
  readonly endsStraight: number;
  /** turned, scaled, shaken, or at another resolution: how many of those asked have the same figures */
  readonly presented: { readonly asked: number; readonly same: number };
  readonly everApart: number;
  readonly dressedApart: number | null;
  readonly setApart: number | null;
  /** baked again: the farthest any point lies from the stored one, and whether every measure is the same */
  readonly bakedAgainOff: number;
  readonly measuresAgain: boolean;
}

const alone = (points: readonly Point3[]): string =>
  signature(invariantsOf(simplestDiagram([closedAtInfinity(points)])));
const pinned = (points: readonly Point3[], eye: number): string =>
  signature(invariantsOf(simplestDiagram(pinnedEye(points, eye))));

const placed = (form: BakedForm): boolean => form.set.reach_ropeDiameters !== undefined;

/** What tells a form in a state as a knot. */
function toldAs(form: BakedForm, state: ShapeState): string[] {
  const shape = inState(form, state);
  const { eye, second_eye } = shape.marks;
  if (placed(form)) {
    const eyes = [eye, second_eye].flatMap((e) => (e === undefined ? [] : [e]));
    return figuresOf({ ropes: linesOf(shape), eyes, things: state === 'laid' ? form.objects : (shape.objects ?? []) });
  }
  const points = pointsOf(shape);
  // an end that hangs free goes another way once the knot is drawn up
  return [...(form.openEnd ? [] : [alone(points)]), ...(eye === undefined ? [] : [pinned(points, eye)])];
}

function codeOf(form: BakedForm, state: ShapeState): string {
  const lines = linesOf(inState(form, state));
  return gaussCodeOf(diagramOf(regularView(lines, [FRONT, ...DIRECTIONS]), lines.length)).join(' | ');
}

const ofEach = <T>(of: (state: ShapeState) => T) =>
  Object.fromEntries(STATES.map((s) => [s, of(s)])) as unknown as Record<ShapeState, T>;

/** Crossing codes and invariants of a stored form in its three states. */
export const identityOf = (form: BakedForm): FormIdentity => ({
  codes: ofEach((s) => codeOf(form, s)),
  invariants: ofEach((s) => toldAs(form, s)),
});

/** The laid form with every point changed, as topology looks at it: its eyes stay where they are along the rope. */
function changedLaid(form: BakedForm, change: (points: readonly Point3[]) => Point3[]): Figured {
  const { laid, objects } = form;
  const before = pointsOf(laid);
  const ropes = linesOf(laid).map((l) => ({ ...l, points: change(l.points) }));
  const far = [laid.marks.eye, laid.marks.second_eye].flatMap((e) =>
    e === undefined ? [] : change([before[Math.max(0, e - 1)]!, before[e]!, before[e + 1]!]).slice(1, 2),
  );
  const eyes = far.map((q) =>
    ropes[0]!.points.reduce(
      (best, p, i) => (i > 0 && distance(p, q) < distance(ropes[0]!.points[best]!, q) ? i : best),
      1,
    ),
  );
  return { ropes, eyes, things: objects.map((o) => ({ points: change(o.points), closed: o.closed })) };
}

const SHAKE = 0.08;
/** How the laid form is presented: a turn, a size, and what shakes it. */
const TURNED: readonly {
  readonly turn: readonly [number, number, number];
  readonly by: number;
  readonly seed: number;
}[] = [
  { turn: [0.137, 0.612, 0.289], by: 0.031, seed: 11 },
  { turn: [0.871, 0.243, 0.904], by: 17.3, seed: 4242 },
];
const STEPS = [0.25, 0.75] as const;

function presentations(form: BakedForm): FormFigures['presented'] {
  const own = figuresOf(changedLaid(form, (p) => [...p]));
  const turned = TURNED.map(({ turn, by, seed }) => {
    const rotated = rotationFrom(turn);
    const other = changedLaid(form, (points) =>
      (points.length > 3 ? shakenFrom(points, SHAKE, seed) : points).map((p) => scale(rotated(p), by)),
    );
    return sameFigures(own, figuresOf(other, rotated(FRONT)));
  });
  const resampled = STEPS.map((step) =>
    sameFigures(
      own,
      figuresOf(changedLaid(form, (points) => (points.length > 3 ? resample(points, step) : [...points]))),
    ),
  );
  const all = [...turned, ...resampled];
  return { asked: all.length, same: all.filter((same) => same).length };
}

/** Points at an end by which it is seen whether it leads straight out. */
const END = 12;
function endsStraight(lines: readonly Line3[]): number {
  const shares = lines
    .filter((l) => !l.closed)
    .flatMap(({ points }) =>
      [points.slice(0, END), points.slice(-END)].map(
        (end) => distance(end[0]!, end.at(-1)!) / end.slice(1).reduce((sum, p, i) => sum + distance(p, end[i]!), 0),
      ),
    );
  return Math.min(1, ...shares);
}

/** How much farther rope lies from a thing than touching it. */
function clearOf(lines: readonly Line3[], things: BakedForm['objects']): number | null {
  if (things.length === 0) return null;
  return Math.min(
    ...things.flatMap((o) => {
      const ring = o.closed ? [...o.points, o.points[0]!] : o.points;
      const apart = (p: Point3) => Math.min(...ring.slice(1).map((q, i) => segmentDistance(p, p, ring[i]!, q)));
      return lines.map((l) => Math.min(...l.points.map(apart)) - (1 + o.diameter) / 2);
    }),
  );
}

const round = (x: number): number => Math.round(x * 1e6) / 1e6;
const rounded = (x: number | null): number | null => (x === null ? null : round(x));

/** Distance of the farthest point from where it is stored, over all states; Infinity where there are not as many. */
function offStored(again: BakedForm, form: BakedForm): number {
  return Math.max(
    ...STATES.map((state) => {
      const [a, b] = [linesOf(inState(again, state)), linesOf(inState(form, state))];
      if (a.length !== b.length || a.some((l, k) => l.points.length !== b[k]!.points.length)) return Infinity;
      return Math.max(...a.flatMap((l, k) => l.points.map((p, i) => distance(p, b[k]!.points[i]!))));
    }),
  );
}

const measuresOf = ({ set: { dressed: _, tight: __, ...measures } }: BakedForm): string => JSON.stringify(measures);

/**
 * The figures of a stored form.
 * @param form as it is stored
 * @param toBake what it was baked from
 */
export function formFigures(form: BakedForm, { make, presentation, spread }: FormToBake): FormFigures {
  const { laid, set, laidView } = form;
  const lines = linesOf(laid);
  const again = bakeForm(make(), presentation, spread);
  // layers of tape are measured as they are made
  const apart = (state: 'dressed' | 'tight') =>
    set[state].tape ? null : smallestDistance(linesOf(set[state]), NEIGHBOUR_ARC_ropeDiameters);
  const own = laid.tape ? form.laidDistance_ropeDiameters : smallestDistance(lines, NEIGHBOUR_ARC_ropeDiameters);
  return {
    ...identityOf(form),
    laidApart: round(Math.min(form.laidDistance_ropeDiameters, own)),
    crossingsApart:
      laidView.apart_ropeDiameters >= READABLE_ROPE_DIAMETERS
        ? round(crossingsApart(...lines.map((l) => l.points)))
        : null,
    clearOfThings: rounded(clearOf(lines, form.objects)),
    endsStraight: round(endsStraight(lines)),
    presented: presentations(form),
    everApart: set.smallestDistanceEver_ropeDiameters,
    dressedApart: rounded(apart('dressed')),
    setApart: rounded(apart('tight')),
    bakedAgainOff: round(offStored(again, form)),
    measuresAgain: measuresOf(again) === measuresOf(form),
  };
}
