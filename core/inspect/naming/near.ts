/**
 * Forms that an unknown specimen would be with one crossing reversed, as it is seen from the front. Only of a single rope; of its main figure:
 * with the eye held fast, or the rope alone where there is no eye. A near form says nothing of what the specimen is.
 */
import type { Line3 } from '../../curve';
import { IdiomError } from '../../errors';
import {
  closedAtInfinity,
  crossingsSeenFrom,
  diagramOf,
  FRONT,
  pinnedEye,
  reduced,
  withCrossingReversed,
  type Crossings,
} from '../../topology';
import { figureOf } from './evidence';
import type { Form, Name } from './forms';
import type { Figures, Prepared } from './figures/formFigures';

export interface Near extends Name {
  /** seen from the front, numbered along the rope from 1 */
  readonly crossing: number;
  readonly means: string;
}

export interface Comparable {
  readonly form: Form;
  readonly figures: Figures;
  readonly eyes: number;
  /** of one open rope, tied to nothing */
  readonly free: boolean;
  readonly plain: boolean;
}

/** points by which a cut leg is led out, before the tail's half of the rope */
const LED = 2;
/** A shape with more crossings is not asked for its neighbours. */
const MOST_CROSSINGS = 40;

/** The closed lines as they are seen, and which of their crossings are the rope's own; null where they cannot be seen so. */
function seen(p: Prepared): { crossings: Crossings; lines: readonly Line3[]; own: number[] } | null {
  const [rope] = p.even.ropes;
  const n = rope!.points.length;
  try {
    const eye = p.even.eyes[0];
    const lines = eye === undefined ? [closedAtInfinity(rope!.points)] : pinnedEye(rope!.points, eye, FRONT);
    const crossings = crossingsSeenFrom(lines, FRONT, 200);
    // the halves begin with the standing part, and end with the tail: points added lie in between
    const isOwn = (line: number, at: number) =>
      eye === undefined ? at < n - 1 : line === 0 ? at < eye - 1 : at >= LED && at < LED + n - eye - 2;
    const own = [...new Set(crossings.passes.map((q) => q.crossing))].filter((c) =>
      crossings.passes.filter((q) => q.crossing === c).every((q) => isOwn(q.line, q.at)),
    );
    return { crossings, lines, own };
  } catch (error) {
    if (error instanceof IdiomError) return null;
    throw error;
  }
}

export function nearForms(p: Prepared, known: readonly Comparable[]): Near[] {
  if (p.laid.ropes.length !== 1 || p.laid.ropes[0]!.closed || p.laid.bars.length > 0 || p.laid.eyes.length > 1)
    return [];
  const view = seen(p);
  if (!view || view.crossings.count > MOST_CROSSINGS) return [];
  const name = p.laid.eyes.length > 0 ? 'eye' : 'alone';
  const others = known.filter((k) => k.free && !k.plain && k.eyes === p.laid.eyes.length && k.figures[name]);
  const diagram = diagramOf(view.crossings, view.lines.length);
  const near: Near[] = [];
  for (const crossing of view.own) {
    const figure = figureOf(reduced(withCrossingReversed(diagram, crossing)));
    for (const k of others)
      if (k.figures[name]!.some((f) => f.as === figure.as || f.mirrored === figure.as))
        for (const n of k.form.names)
          if (!near.some((m) => m.knot === n.knot && m.fault === n.fault))
            near.push({ ...n, crossing: crossing + 1, means: 'with this one crossing the other way round' });
  }
  return near;
}
