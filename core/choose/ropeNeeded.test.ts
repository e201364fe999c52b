import { describe, expect, test } from '@jest/globals';
import { across_mm } from '../knots/shape/sizes';
import { shippedProfile } from '../profiles';
import { ropeNeeded } from './index';

const EIGHT = 'figure-eight-follow-through';

describe('rope needed', () => {
  const need = (change: object = {}) =>
    ropeNeeded(shippedProfile('sport-crag'), { knot: EIGHT, rope_diameter_mm: 10, ...change });
  test('the total is the sum of its parts, low is not above high', () => {
    for (const q of [{}, { eye_mm: 300 }, { object_diameter_mm: 200 }, { knot: 'bowline', rope_diameter_mm: 11 }]) {
      const r = need(q);
      for (const s of ['', '_low', '_high'] as const)
        expect(r[`total_mm${s}`]).toBeCloseTo(
          r[`in_knot_mm${s}`] + r[`eye_mm${s}`] + r[`tail_mm${s}`] + r[`stopper_mm${s}`],
          6,
        );
      for (const p of ['in_knot', 'eye', 'tail', 'stopper', 'total', 'start_at'] as const)
        expect(r[`${p}_mm_low`]).toBeLessThanOrEqual(r[`${p}_mm_high`]);
      expect(r.start_at_mm).toBeGreaterThan(r.tail_mm + r.eye_mm);
      expect(r.start_at_mm).toBeLessThan(r.total_mm);
    }
  });
  test('in the knot it grows with the diameter, the tail by its rule', () => {
    expect(need({ rope_diameter_mm: 11 }).in_knot_mm / need().in_knot_mm).toBeCloseTo(1.1, 3);
    expect(need({ rope_diameter_mm: 11 }).tail_mm).toBe(need().tail_mm);
    expect(ropeNeeded(shippedProfile('rescue-team'), { knot: EIGHT, rope_diameter_mm: 10 }).stopper_mm).toBeGreaterThan(
      100,
    );
  });
  test('a friction hitch is reckoned in cord that suits the rope, tape in the usual tape, where the job names a rope', () => {
    const rope = { kind: 'dynamic', diameter_mm: 10 };
    expect([
      across_mm({ family: 'friction' }, rope),
      across_mm({ family: 'friction' }, { kind: 'accessory-cord', diameter_mm: 7 }),
    ]).toEqual([6.5, 7]);
    expect([
      across_mm({ family: 'bend', tape: 'only' }, rope),
      across_mm({ family: 'bend', tape: 'only' }, { kind: 'webbing', diameter_mm: 16 }),
      across_mm({ family: 'bend' }, rope),
    ]).toEqual([25, 16, 10]);
    expect(need({ knot: 'prusik', rope_diameter_mm: 6.5 }).notes.join()).toContain('cord of 6.5 mm');
  });
  test('tape is told by its width: seven widths or so in a water knot, whatever its thickness is', () => {
    const r = need({ knot: 'water-knot', rope_diameter_mm: 25 });
    expect(r.in_knot_mm / 25).toBeGreaterThan(5);
    expect(r.in_knot_mm / 25).toBeLessThan(9);
    expect(r.notes.join()).toContain('tape 25 mm wide');
  });
  test('an eye that was asked for is taken as it is, one that was guessed has a spread', () => {
    expect(need({ eye_mm: 300 }).eye_mm_high).toBe(300);
    expect(need().eye_mm_high).toBeGreaterThan(need().eye_mm_low);
  });
  test('each kind of knot is measured as it is: a stopper has no eye, a midline loop no tail, a noose an eye as small as its clip', () => {
    expect(need({ knot: 'figure-eight-stopper' })).toMatchObject({ eye_mm: 0, eye_mm_high: 0 });
    expect(need({ knot: 'alpine-butterfly' })).toMatchObject({ tail_mm: 0 });
    expect(need({ knot: 'barrel-noose' }).eye_mm).toBeLessThan(need({ knot: 'figure-eight-on-bight' }).eye_mm);
  });
  test('the locked bowline takes less rope than the eight', () =>
    expect(need({ knot: 'bowline-locked' }).in_knot_mm).toBeLessThan(need().in_knot_mm));
});

describe('held against what people take in hand', () => {
  // practice, in mm: low, high; what is computed for an 11 mm rope to hold against it
  const need = (knot: string, profile: string, q: object = {}) =>
    ropeNeeded(shippedProfile(profile), { knot, rope_diameter_mm: 11, ...q });
  const bight = (knot: string, beyond_mm: number) => {
    const r = need(knot, 'sport-crag');
    return (r.in_knot_mm + r.eye_mm) / 2 + beyond_mm;
  };
  const rows: [string, number, number, number][] = [
    ['an eight to be followed, all of it, without a stopper', 900, 1000, need(EIGHT, 'sport-crag').total_mm_high],
    ['an eight to be followed, all of it, with a stopper', 900, 1000, need(EIGHT, 'rescue-team').total_mm],
    ['overhand on a bight, tied 200 to 250 mm from the end', 600, 600, bight('overhand-on-bight', 225)],
    ['eight on a bight', 400, 500, bight('figure-eight-on-bight', 0)],
  ];
  test.each(rows)('%s: within a quarter', (_what, low, high, computed) => {
    expect(computed).toBeGreaterThan(0.75 * low);
    expect(computed).toBeLessThan(1.25 * high);
  });

  test('where the first eight is tied does not agree: the set knot starts nearer to the end than people begin', () => {
    // listed in docs/formulae.md
    expect(need(EIGHT, 'rope-access').start_at_mm_high).toBeLessThan(0.75 * 900);
  });
});
