/**
 * Jones of braids of 10 to 60 crossings and its growth; projecting and naming the crossings of 500 points;
 * a flat picture of every knot. Each in ms (median of repeats) and as a multiple of a fixed piece of arithmetic.
 */
import type { Point3 } from '../core/curve';
import { crossingIds } from '../core/knots/catalogue/crossing-ids';
import { knotIds, shapeOf, storedForm } from '../core/knots/catalogue/catalogue';
import { drawVector } from '../core/picture';
import {
  alexander,
  closedAtInfinity,
  crossingsSeenFrom,
  diagramOf,
  gaussCodeOf,
  jones,
  simplestDiagram,
} from '../core/topology';
import { braidClosed, torusKnot } from '../core/topology/testing/curves';
import { reference_ms } from './measure';

const reference = reference_ms();
console.log(`reference ${reference.toFixed(0)} ms`);

function median_ms(repeats: number, f: () => unknown): number {
  const times = Array.from({ length: repeats }, () => {
    const begun = performance.now();
    f();
    return performance.now() - begun;
  });
  return times.sort((a, b) => a - b)[repeats >> 1]!;
}
const line = (name: string, ms: number) =>
  console.log(`${name.padEnd(56)} ${ms.toFixed(2)} ms  ${(ms / reference).toFixed(3)} references`);

/** A braid that does not come apart: alternating, on so many strands. */
const braid = (strands: number, crossings: number) =>
  braidClosed(
    strands,
    Array.from({ length: crossings }, (_, k) => ((k % (strands - 1)) + 1) * (k % 2 === 0 ? 1 : -1)),
  );
for (const strands of [3, 5, 8]) {
  let before = 0;
  for (const n of [10, 20, 30, 40, 50, 60]) {
    const d = braid(strands, n);
    jones(d);
    const ms = median_ms(9, () => jones(d));
    line(`Jones, braid on ${strands} strands, ${n} crossings${before ? `, x ${(ms / before).toFixed(1)}` : ''}`, ms);
    before = ms;
  }
}
for (const n of [20, 40, 60])
  line(
    `Alexander, braid on 5 strands, ${n} crossings`,
    median_ms(3, () => alexander(braid(5, n))),
  );

const curve = torusKnot(3, 7, 500).points.map((p): Point3 => [p[0] * 2, p[1] * 2, p[2] * 2]);
const seen = () => gaussCodeOf(diagramOf(crossingsSeenFrom([{ points: curve, closed: true }], [0.1, 0.2, 1]), 1));
seen();
line('crossings of 500 points seen and named', median_ms(21, seen));
const eight = shapeOf('figure-eight-follow-through', 'right', 'laid')[0]!.points;
line(
  `simplest of 30 views of the follow-through (${eight.length} points)`,
  median_ms(5, () => simplestDiagram([closedAtInfinity(eight)])),
);

const drawn = knotIds().map((id) => {
  const components = shapeOf(id, 'right', 'laid');
  const draw = () =>
    drawVector(components, {
      face: 'front',
      theme: 'paper',
      size_px: 320,
      crop: 'whole',
      knotRadius_ropeDiameters: 10,
      title: id,
      cutTail: true,
      crossingIds: (s) => crossingIds(storedForm(id, 'right'), 'laid', s),
    });
  draw();
  return { id, ms: median_ms(9, draw), kB: draw().length / 1000 };
});
for (const { id, ms, kB } of drawn) line(`picture ${id} (${kB.toFixed(0)} kB)`, ms);
line('picture, median over the knots', drawn.map((d) => d.ms).sort((a, b) => a - b)[drawn.length >> 1]!);
