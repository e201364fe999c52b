import { describe, expect, test } from '@jest/globals';
import { distance, type Point3 } from '../../curve';
import { shapeOf } from '../../knots/catalogue/catalogue';
import { evidenceOf } from './evidence';
import { apartAllAlong } from './apart';
import { fitOf, templateOf } from './fit';
import { evened, gaugesOf, nearestParts } from './gauge';
import { pairsOf } from './pairs';
import { presented, seeded } from './presentations';
import { prepared, preparedForm } from './figures/formFigures';
import type { Entered } from './specimen';

const form = (knot: string, f = 'right') => ({ id: `${knot}/${f}`, knot, form: f, names: [] });
const entered = (knot: string, f: string, state: 'laid' | 'tight') => shapeOf(knot, f, state) as readonly Entered[];

describe('laying a form on a specimen', () => {
  const { template } = preparedForm(form('bowline'), 'tight');
  test('turned and shifted it lies where it did, to the noise', () => {
    for (const noise of [0, 0.1]) {
      const { template: t } = prepared(
        presented(entered('bowline', 'right', 'tight'), { turned: true, noise, step: 0.4 }, 5),
      );
      const fit = fitOf(template, t.gauges, false)!;
      const { mean, most } = apartAllAlong(template, t.gauges, fit, false);
      expect(mean).toBeLessThan(0.05 + noise);
      expect(most).toBeLessThan(0.485);
    }
  });

  test('the mirror image lies only as the mirror image', () => {
    const { template: t } = prepared(presented(entered('bowline', 'right', 'tight'), { mirrored: true }, 5));
    const apart = (mirror: boolean) =>
      apartAllAlong(template, t.gauges, fitOf(template, t.gauges, mirror)!, mirror).mean;
    expect(apart(true)).toBeLessThan(0.05);
    expect(apart(false)).toBeGreaterThan(0.3);
  });

  test('another knot is not followed up', () => {
    const { template: t } = prepared(entered('figure-eight-on-bight', 'right', 'tight'));
    expect(fitOf(template, t.gauges, false, 0.5)).toBeNull();
  });

  test('a fit lays a point of the form on the point of the specimen', () => {
    const moved = entered('bowline', 'right', 'tight').map((c) => ({
      ...c,
      points: c.points.map((p): Point3 => [p[1] + 3, -p[0] - 7, p[2] + 1]),
    }));
    const fit = fitOf(template, prepared(moved).template.gauges, false)!;
    expect(distance(fit.lay([1, 2, 3]), [5, -8, 4])).toBeLessThan(0.1);
  });
});

test('nearest parts are those that are no neighbours along the rope', () => {
  const hairpin: Point3[] = [
    ...Array.from({ length: 60 }, (_, i): Point3 => [i * 0.4, 0, 0]),
    ...Array.from({ length: 60 }, (_, i): Point3 => [24 - i * 0.4, 1.3, 0]),
  ];
  const even = evened({ points: hairpin, closed: false, eyes: [] });
  const [near] = nearestParts([even], 2);
  expect(near![5]).toBeCloseTo(1.3, 1);
  expect(near![even.points.length >> 1]).toBe(Infinity);
  // strands that run alongside are no crossing
  expect(Math.min(...nearestParts([even], 2, true)[0]!)).toBe(Infinity);
  expect(templateOf(gaugesOf([even])).places.length).toBeGreaterThan(3);
});

test('pairs: parallel, crossed, or laid so that it cannot be told', () => {
  const pairs = (knot: string, f: string, state: 'laid' | 'tight') =>
    pairsOf(prepared(entered(knot, f, state)).template.gauges);
  expect(pairs('figure-eight-on-bight', 'right', 'laid')).toBe('parallel');
  expect(pairs('figure-eight-on-bight', 'pair-twisted', 'laid')).toBe('crossed');
  expect(pairs('figure-eight-on-bight', 'right', 'tight')).toBe('apart');
  expect(pairs('figure-eight-bend', 'right', 'laid')).toBe('parallel');
  expect(pairs('bowline', 'right', 'laid')).toBe('apart');
});

describe('figures of a specimen', () => {
  const evidence = (knot: string, f: string, state: 'laid' | 'tight', change = {}) =>
    evidenceOf(prepared(presented(entered(knot, f, state), change, 3)).even);
  test('laid and set, turned and noisy: the same', () => {
    for (const knot of ['alpine-butterfly', 'figure-eight-bend', 'overhand-stopper']) {
      const laid = evidence(knot, 'right', 'laid');
      const set = evidence(knot, 'right', 'tight', { turned: true, noise: 0.08 });
      for (const name of Object.keys(laid))
        expect([knot, name, laid[name]!.some((a) => set[name]!.some((b) => a.as === b.as))]).toEqual([
          knot,
          name,
          true,
        ]);
    }
  });

  test('the false butterfly has another figure with its eye held fast; the mirror image has the mirrored one', () => {
    const eye = (f: string, change = {}) => evidence('alpine-butterfly', f, 'tight', change)['eye']![0]!;
    expect(eye('right').as).not.toBe(eye('false-butterfly').as);
    expect(eye('right', { mirrored: true }).as).toBe(eye('right').mirrored);
  });

  test('turns about a bar, from whichever end', () => {
    expect(evidence('prusik', 'right', 'tight')['turns']![0]!.as).toMatch(/3 -3/);
    expect(evidence('prusik', 'turns-reversed', 'tight')['turns']![0]!.as).toBe('6/6');
  });
});

test('a presentation is the same for the same seed', () => {
  const shape = entered('bowline', 'right', 'laid');
  const of = (seed: number) => presented(shape, { turned: true, noise: 0.1, step: 0.5, shuffled: true }, seed);
  expect(of(9)).toEqual(of(9));
  expect(of(9)).not.toEqual(of(10));
  const random = seeded(1);
  const many = Array.from({ length: 2000 }, random);
  expect(Math.abs(many.reduce((s, x) => s + x, 0) / many.length - 0.5)).toBeLessThan(0.03);
});
