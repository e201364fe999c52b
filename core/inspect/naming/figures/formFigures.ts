/**
 * What is known of every form: the figures by which topology tells it, and its three states as templates. The figures are computed once
 * (npm run bake writes them beside this file); a figure counts where it is the same in all three states.
 */
import { distance, type Line3, type Point3 } from '../../../curve';
import { shapeOf } from '../../../knots/catalogue/catalogue';
import { STATES, type ShapeState } from '../../../knots/facts/types';
import { fault } from '../../../errors';
import { evidenceOf, type Evidence, type Figure } from '../evidence';
import { templateOf, type Template } from '../fit';
import { evened, gaugesOf, nearestParts } from '../gauge';
import { allForms, type Form } from '../forms';
import { specimenOf, type Entered, type Laid } from '../specimen';

/** Figures of a form that do not depend on how it lies. */
export type Figures = Readonly<Record<string, readonly Figure[]>>;

/** Ropes and what they are tied to, evened, as they are compared. */
export interface Prepared {
  readonly laid: Laid;
  /** the same with its lines evened: what topology looks at */
  readonly even: Laid;
  readonly template: Template;
  /** of each evened rope: its length, diameters */
  readonly lengths: readonly number[];
  /** distance of the nearest strands, at most one and a half diameters */
  readonly closest: number;
}

/** Every second point of an evened line: still nearer to it than a seventh of a diameter. */
const sparse = (points: readonly Point3[], keep: readonly number[]): { points: Point3[]; kept: number[] } => {
  const out: Point3[] = [];
  const kept: number[] = [];
  points.forEach((p, i) => {
    if (i % 2 === 0 || i === points.length - 1 || keep.includes(i)) {
      if (keep.includes(i)) kept.push(out.length);
      out.push(p);
    }
  });
  return { points: out, kept };
};

/** Evened parts of rope nearer than this are no shape of two strands. */
const CLOSEST = 0.25;
const FAR_ENOUGH = 1.5;
/** Farther than this no point lies from its evened rope, noise and all: what does is a spike that no rope makes. */
const SPIKE = 0.55;

/** Whether a point of a line lies off its evened one. */
function strays(points: readonly Point3[], even: readonly Point3[]): boolean {
  let from = 0;
  let last = points[0]!;
  for (const p of points) {
    let least = Infinity;
    let at = from;
    const ahead = from + 14 + Math.ceil(distance(p, last) / 0.3);
    last = p;
    for (let i = Math.max(0, from - 4); i < Math.min(even.length, ahead); i++) {
      const q = even[i]!;
      const d = (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2;
      if (d < least) [least, at] = [d, i];
    }
    if (least > SPIKE * SPIKE) return true;
    from = at;
  }
  return false;
}

/** How near to a ring's or bar's middle line rope lies on it, beyond half its thickness. */
const ON_IT = 1.2;

/** @throws as specimenOf; bad-specimen where no rope bends like that, strands-touch */
export function prepared(components: readonly Entered[]): Prepared {
  const p = preparedAs(components);
  if (p.closest < CLOSEST) throw fault('strands-touch');
  return p;
}

/** @param proper point indices of each rope between which the knot lies, where they are known */
function preparedAs(
  components: readonly Entered[],
  proper?: readonly (readonly [number, number] | undefined)[],
): Prepared {
  const laid = specimenOf(components);
  const even = laid.ropes.map((r, k) =>
    evened({ ...r, eyes: k === 0 ? laid.eyes : [], ...(proper?.[k] && { proper: proper[k] }) }),
  );
  if (laid.ropes.some((r, k) => strays(r.points, even[k]!.points)))
    throw fault('bad-specimen', { reason: 'a rope bends more sharply than rope can' });
  const smoothed = <T extends Line3>(line: T): T => ({
    ...line,
    points: evened({ ...line, eyes: [] }).points.slice(0, line.closed ? -1 : undefined),
  });
  const [evenBars, evenRings] = [laid.bars.map(smoothed), laid.rings.map(smoothed)];
  // what only hangs in an eye says nothing of where the knot lies
  const bars = [...evenBars, ...(laid.eyes.length > 0 ? [] : evenRings)].map((b) => b.points);
  const reach = Math.max(1.6, (laid.bars[0]?.diameter ?? 1) / 2 + ON_IT);
  let closest: number | undefined;
  let template: Template | undefined;
  const lines = even.map((e) => ({ ...sparse(e.closed ? e.points.slice(0, -1) : e.points, e.eyes), closed: e.closed }));
  return {
    laid,
    even: {
      ...laid,
      ropes: lines.map(({ points, closed }) => ({ points, closed })),
      eyes: lines[0]!.kept,
      bars: evenBars,
      rings: evenRings,
    },
    get closest() {
      return (closest ??= Math.min(FAR_ENOUGH, ...nearestParts(even, FAR_ENOUGH).flat()));
    },
    lengths: even.map((e) => e.s.at(-1)!),
    // of the many forms that a specimen may be, few are as long: only those are laid on it
    get template() {
      return (template ??= templateOf(gaugesOf(even, bars, reach)));
    },
  };
}

/** A form in a state as if it were handed in. */
export function preparedForm({ knot, form }: Form, state: ShapeState): Prepared {
  const components = shapeOf(knot, form, state);
  const proper = components
    .filter((c) => c.role === 'rope' || c.role === 'second-rope')
    .map(({ marks }) => (marks?.standing && marks.tail ? ([marks.standing[1], marks.tail[0]] as const) : undefined));
  return preparedAs(components as readonly Entered[], proper);
}

/** The figures that all three states agree on. */
export function figuresOfForm(form: Form): Figures {
  const states = STATES.map((state) => evidenceOf(preparedForm(form, state).even));
  const shared = Object.entries(states[0]!).map(
    ([name, values]) => [name, values.filter((v) => states.every((s) => s[name]?.some((f) => f.as === v.as)))] as const,
  );
  return Object.fromEntries(shared.filter(([, values]) => values.length > 0));
}

/** Of all forms, by their ids. */
export const figuresOfAll = (): Record<string, Figures> =>
  Object.fromEntries(allForms().map((f) => [f.id, figuresOfForm(f)]));

/** Whether a specimen's figures agree with a form's, or with its mirror image's. A figure that could not be computed says nothing. */
export function agrees(evidence: Evidence, figures: Figures, mirrored: boolean): boolean {
  return Object.entries(figures).every(
    ([name, values]) =>
      !evidence[name] || evidence[name].some((f) => values.some((v) => f.as === (mirrored ? v.mirrored : v.as))),
  );
}
