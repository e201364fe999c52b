/**
 * What topology says of a specimen: ropes with their ends led far away, eyes held fast, ropes joined with each other or with a bar in every
 * way in which their ends can meet. Where a join could go round another strand on either side both are taken: then a figure has several
 * values. A figure that has one value however a knot is drawn is what tells it. Equal figures are strong evidence, no proof. Not seen:
 * crossed pairs, wraps that overlap, which of two strands lies outside, lengths.
 */
import {
  add,
  cross,
  distance,
  middleOf,
  norm,
  scale,
  segmentDistance,
  subtract,
  unit,
  type Line3,
  type Point3,
} from '../../curve';
import { IdiomError } from '../../errors';
import {
  closedApart,
  closedAtInfinity,
  crossJoined,
  diagramOf,
  invariantsOf,
  linkingMatrix,
  laurentMirrored,
  laurentText,
  openedAtEye,
  pinnedEye,
  regularView,
  simplestDiagram,
  straightened,
  turnsAbout,
  type Diagram,
  type Laurent,
} from '../../topology';

/** What is to be named, in plain lines. Unit: diameters of the first rope. */
export interface Specimen {
  /** one rope or sling, or the two of a joint, each from its standing end to its tail */
  readonly ropes: readonly Line3[];
  /** point indices of the far points of the first rope's eyes */
  readonly eyes: readonly number[];
  readonly rings: readonly Line3[];
  /** posts and gripped ropes */
  readonly bars: readonly (Line3 & { readonly diameter: number })[];
}

/** A figure and its value in the mirror. */
export interface Figure {
  readonly as: string;
  readonly mirrored: string;
}
/** Every figure that could be computed, by name, each with the values that its joins allow. */
export type Evidence = Readonly<Record<string, readonly Figure[]>>;

/** Freed of the power of t that depends on which way components run. */
const freed = (p: Laurent, linking: number): Laurent => (p.c.length === 0 ? p : { low2: p.low2 - 3 * linking, c: p.c });

/** The figure of a closed diagram: of a knot or link however its components run. */
export function figureOf(d: Diagram): Figure {
  const i = invariantsOf(d);
  const total = i.linking.reduce((sum, l) => sum + l, 0);
  const own = freed(i.jones, total);
  const parts = i.componentJones.map((p) => [laurentText(p), laurentText(laurentMirrored(p))] as const);
  // which component stands first says nothing of the figure
  const sorted = (k: 0 | 1) =>
    parts
      .map((p) => p[k])
      .sort()
      .join(' & ');
  const linked = i.linking
    .map(Math.abs)
    .sort((a, b) => a - b)
    .join(',');
  const determinant = d.components.length > 1 ? '' : ` D ${i.determinant}`;
  return {
    as: `${linked}|${laurentText(own)}|${sorted(0)}${determinant}`,
    mirrored: `${linked}|${laurentText(laurentMirrored(own))}|${sorted(1)}${determinant}`,
  };
}

const figure = (lines: readonly Line3[]): Figure => figureOf(simplestDiagram(lines, true));
const several = (figures: readonly Figure[]): Figure[] =>
  figures.filter((f, i) => figures.findIndex((g) => g.as === f.as) === i).sort((a, b) => (a.as < b.as ? -1 : 1));

/** Both sides of a plane. */
const sides = (n: Point3): readonly [Point3, Point3] => [n, scale(n, -1)];

/** The two sides from which a knot lies flat: across the eye's direction and that from one end to the other; where those two agree, across the rope's two longest axes. */
function facesOf(points: readonly Point3[], along: Point3, side: Point3): readonly [Point3, Point3] {
  const n = cross(unit(along), norm(side) > 0 ? unit(side) : side);
  return sides(norm(n) > 0.15 ? unit(n) : flattest(points));
}

/** The direction in which points spread least, by power iteration on the spread's complement. */
function flattest(points: readonly Point3[]): Point3 {
  const c = middleOf(points);
  const m = [0, 1, 2].map((a) =>
    [0, 1, 2].map((b) => points.reduce((sum, p) => sum + (p[a]! - c[a]!) * (p[b]! - c[b]!), 0)),
  );
  const trace = m[0]![0]! + m[1]![1]! + m[2]![2]!;
  let v: Point3 = [0.31, 0.52, 0.79];
  for (let k = 0; k < 200; k++)
    v = unit(
      [0, 1, 2].map(
        (a) => trace * v[a]! - (m[a]![0]! * v[0] + m[a]![1]! * v[1] + m[a]![2]! * v[2]),
      ) as unknown as Point3,
    );
  return v;
}

/** A value, or null where the lines lie so that it cannot be computed. */
function orNull<T>(compute: () => T): T | null {
  try {
    return compute();
  } catch (error) {
    if (error instanceof IdiomError && error.status < 500) return null;
    throw error;
  }
}

const AWAY = 3;
const STRAIGHT_ON = 5;
/** An end led out nearer than this to another strand may as well pass it on the other side, diameters. */
const CLEAR = 0.8;
/** rope next to an end that is not in its own way, diameters */
const OWN = 4;
const MOST_WAYS = 4;

/** Whether a path keeps clear of all lines but the stretch it starts from. */
function clear(path: readonly Point3[], lines: readonly Line3[], from: Point3): boolean {
  for (const { points, closed } of lines) {
    const n = closed ? points.length : points.length - 1;
    for (let i = 0; i < n; i++) {
      const [a, b] = [points[i]!, points[(i + 1) % points.length]!];
      if (distance(a, from) < OWN && distance(b, from) < OWN) continue;
      for (let k = 1; k < path.length; k++) if (segmentDistance(path[k - 1]!, path[k]!, a, b) < CLEAR) return false;
    }
  }
  return true;
}

/**
 * Lines with their open ends led out: the way they went, then away from the middle; where another strand lies in the way, on either face
 * instead. Each with as few points as keep the knot.
 * @param flat the direction in which the knot is flattest
 */
function drawnOut(lines: readonly Line3[], flat: Point3): Line3[][] {
  const centre = middleOf(lines.flatMap((l) => l.points));
  const far = AWAY * Math.max(...lines.flatMap((l) => l.points.map((p) => distance(p, centre))));
  const out = (p: Point3): Point3 => add(centre, scale(unit(subtract(p, centre)), far));
  const leads = (end: Point3, before: Point3): Point3[][] => {
    const on = add(end, scale(unit(subtract(end, before)), STRAIGHT_ON));
    const straight = [on, out(on)];
    if (clear([end, ...straight], lines, end)) return [straight];
    return sides(flat).map((n) => [add(end, scale(n, STRAIGHT_ON)), out(add(end, scale(n, far)))]);
  };
  let ways: Line3[][] = [[]];
  for (const l of lines) {
    const own = l.closed
      ? [l]
      : leads(l.points[0]!, l.points[Math.min(2, l.points.length - 1)]!).flatMap((a) =>
          leads(l.points.at(-1)!, l.points.at(-Math.min(3, l.points.length))!).map((b) => ({
            points: [...a.slice().reverse(), ...l.points, ...b],
            closed: false,
          })),
        );
    ways = ways.flatMap((w) => own.map((o) => [...w, o]));
  }
  return ways.slice(0, MOST_WAYS).map((w) => straightened(w));
}

/** With one eye held fast: cut there, its legs and the ends led out, on either face. */
function eyeHeld(rope: Line3, eye: number): Figure[] | null {
  const { points } = rope;
  const c = middleOf(points);
  const faces = facesOf(points, subtract(points[eye]!, c), subtract(points.at(-1)!, points[0]!));
  const tip = points[eye]!;
  const away = add(tip, scale(unit(subtract(tip, c)), 4 * Math.max(...points.map((p) => distance(p, c)))));
  const ways = clear([tip, away], [rope], tip) ? [undefined] : faces;
  const found = ways.flatMap((way) => {
    const known = new Map<number, Line3[][]>();
    const opened = (turns: number) => {
      const there = known.get(turns) ?? drawnOut(openedAtEye(points, eye, turns, way), faces[0]);
      known.set(turns, there);
      return there;
    };
    const count = orNull(() => opened(0).length) ?? 0;
    return Array.from({ length: count }, (_, k) =>
      faces.flatMap(
        (front) =>
          orNull(() => [figure(pinnedEye(points, eye, front, (turns) => opened(turns)[k] ?? opened(turns)[0]!))]) ?? [],
      ),
    ).flat();
  });
  return found.length > 0 ? several(found) : null;
}

/** Two open lines as one closed curve, their ends joined crosswise, on either face. @param turned the second run the other way */
function joined(a: Line3, b: Line3, turned: boolean): Figure[] | null {
  const second = turned ? b.points.slice().reverse() : b.points;
  const ends = [a.points[0]!, a.points.at(-1)!, second[0]!, second.at(-1)!];
  const found = sides(flattest(ends)).flatMap(
    (front) => orNull(() => [figure([crossJoined(a.points, second, front)])]) ?? [],
  );
  return found.length > 0 ? several(found) : null;
}

/** Each of two open lines joined with itself, on either face. */
function apart(a: Line3, b: Line3): Figure[] | null {
  const ends = [a.points[0]!, a.points.at(-1)!, b.points[0]!, b.points.at(-1)!];
  const found = sides(flattest(ends)).flatMap((front) => orNull(() => [figure(closedApart([a, b], front))]) ?? []);
  return found.length > 0 ? several(found) : null;
}

/** How often two closed lines go through each other, with sign. */
export const linkingOf = (lines: readonly Line3[]): number => linkingMatrix(diagramOf(regularView(lines), 2))[0]![1]!;

/** Turns about a bar from reversal to reversal, in halves of a turn, from whichever end. */
function runsOf(rope: Line3, bar: Line3 & { readonly diameter: number }): Figure[] | null {
  return orNull(() => {
    const { runs } = turnsAbout(rope, bar, bar.diameter / 2 + 3);
    const rounded = runs.map((r) => Math.round(r));
    const text = (r: readonly number[]) => r.join(' ');
    const [one, other] = [text(rounded), text(rounded.slice().reverse())].sort() as [string, string];
    const negated = rounded.map((r) => 0 - r);
    const [none, nother] = [text(negated), text(negated.slice().reverse())].sort() as [string, string];
    return [{ as: `${one}/${other}`, mirrored: `${none}/${nother}` }];
  });
}

/** @throws what the topology throws of a specimen that is no shape: touching strands, too few points, numbers that are none */
export function evidenceOf({ ropes, eyes, rings, bars }: Specimen): Evidence {
  const out: Record<string, readonly Figure[]> = {};
  const put = (name: string, figures: readonly Figure[] | null) => {
    if (figures && figures.length > 0) out[name] = several([...(out[name] ?? []), ...figures]);
  };
  const [first, second] = ropes as [Line3, Line3 | undefined];
  for (const lines of drawnOut([...ropes, ...bars, ...rings], flattest(ropes.flatMap((r) => r.points)))) {
    const [one, two] = lines as [Line3, Line3 | undefined];
    const bar = bars[0] && lines[ropes.length]!;
    if (!first.closed) put('alone', [figure([closedAtInfinity(one.points)])]);
    if (second && !second.closed) put('second alone', [figure([closedAtInfinity(two!.points)])]);
    if (second && !first.closed && !second.closed) {
      put('each with itself', apart(one, two!));
      put('standing with tail', joined(one, two!, false));
      put('standing with standing', joined(one, two!, true));
    }
    if (bar && ropes.length === 1 && !first.closed) {
      put('with the bar', apart(one, bar));
      put('crosswise with the bar', [...(joined(one, bar, false) ?? []), ...(joined(one, bar, true) ?? [])]);
    }
    const ringLines = lines.slice(ropes.length + bars.length);
    if (first.closed && (bar || ringLines.length > 0))
      put(
        'all together',
        orNull(() => [figure(closedApart([one, ...(bar ? [bar] : []), ...ringLines]))]),
      );
    if (!first.closed && ropes.length === 1)
      ringLines.forEach((ring, k) => {
        put(
          `ring ${k + 1}`,
          orNull(() => [figure(closedApart([one, ring]))]),
        );
        const turns = orNull(() => Math.abs(linkingOf(closedApart([one, ring]))));
        if (turns !== null) put(`turns in ring ${k + 1}`, [{ as: String(turns), mirrored: String(turns) }]);
      });
  }
  if (!first.closed && ropes.length === 1)
    eyes.forEach((eye, k) => put(eyes.length > 1 ? `eye ${k + 1}` : 'eye', eyeHeld(first, eye)));
  if (bars[0] && ropes.length === 1) put('turns', runsOf(first, bars[0]));
  return out;
}
