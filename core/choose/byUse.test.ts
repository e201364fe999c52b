/** How much rope, by what the knot is for and what it goes round: held against arithmetic done by hand. */
import { describe, expect, test } from '@jest/globals';
import { ENTRIES } from '../knots/catalogue/entries';
import { companionsFor, partsOf, usesOf } from '../knots/facts/uses';
import { lengthFor, refusalOf, rulesOf, SHIPPED_PROFILES, shippedProfile } from '../profiles';
import { eyeToEyeLength, ropeNeeded } from './index';

const need = (profile: string, q: Parameters<typeof ropeNeeded>[1]) => ropeNeeded(shippedProfile(profile), q);

describe('round a post', () => {
  test('four turns of 9 mm on 300 mm take 3.88 m alone, whatever the drawn post is', () => {
    const r = need('sport-crag', { knot: 'tension-free-hitch', rope_diameter_mm: 9, object_diameter_mm: 300 });
    const turns = 4 * Math.hypot(Math.PI * 309, 9);
    expect(turns).toBeGreaterThan(3880);
    // to the turns comes the eye that is clipped back
    expect(r.eye_mm).toBeGreaterThan(turns);
    expect(r.eye_mm).toBeLessThan(turns + 400);
    // of its own it has an eight on a bight
    const eight = need('sport-crag', { knot: 'figure-eight-on-bight', rope_diameter_mm: 9, use: 'end-loop' });
    expect(r.in_knot_mm / eight.in_knot_mm).toBeGreaterThan(0.6);
    expect(r.in_knot_mm / eight.in_knot_mm).toBeLessThan(1.2);
  });
  test('a clove on 300 mm takes two turns, 1.94 m', () => {
    const r = need('sport-crag', {
      knot: 'clove-hitch',
      rope_diameter_mm: 9,
      object_diameter_mm: 300,
      use: 'hitch-object',
    });
    expect(r.eye_mm).toBeCloseTo(2 * Math.hypot(Math.PI * 309, 9), 0);
    expect(r.total_mm).toBeGreaterThan(1940);
    expect(r.in_knot_mm).toBeLessThan(100);
  });
  test('a thicker post takes as much more as its girth', () => {
    for (const knot of ['clove-hitch', 'tension-free-hitch', 'half-hitches', 'girth-hitch']) {
      const at = (mm: number) => need('sport-crag', { knot, rope_diameter_mm: 10, object_diameter_mm: mm });
      const turns = (at(400).total_mm - at(300).total_mm) / (100 * Math.PI);
      expect([knot, Math.round(turns * 100) / 100]).toEqual([knot, Math.round(turns)]);
    }
  });
});

test('both eyes of two are counted', () => {
  const one = need('sport-crag', { knot: 'bowline-on-bight', rope_diameter_mm: 10, eye_mm: 300, use: 'two-eyes' });
  expect(one.eye_mm).toBe(600);
  const ears = need('sport-crag', { knot: 'double-figure-eight-loop', rope_diameter_mm: 10, use: 'two-eyes' });
  const loop = need('sport-crag', { knot: 'figure-eight-on-bight', rope_diameter_mm: 10, use: 'end-loop' });
  expect(ears.eye_mm / loop.eye_mm).toBeGreaterThan(1.6);
});

test('a buntline is shut on its clip', () => {
  const r = need('tree-work', { knot: 'buntline-hitch', rope_diameter_mm: 12, use: 'termination' });
  expect(r.eye_mm).toBeCloseTo((Math.PI * 24) / 2 + 24, 0);
  expect(r.tail_mm).toBe(60);
  expect(r.start_at_mm).toBeLessThan(450);
  const round = need('tree-work', {
    knot: 'buntline-hitch',
    rope_diameter_mm: 12,
    use: 'hitch-object',
    object_diameter_mm: 200,
  });
  expect(round.eye_mm).toBeCloseTo(Math.PI * 212, 0);
});

test('what the rule set has in hand is told beside the computed start', () => {
  const eight = { knot: 'figure-eight-follow-through', rope_diameter_mm: 10, use: 'tie-in' } as const;
  expect(['sport-crag', 'rope-access', 'rescue-team', 'tree-work'].map((p) => need(p, eight).in_hand_mm)).toEqual([
    900,
    1000,
    900,
    null,
  ]);
  // it is started as far from the end whatever it is for
  expect(need('sport-crag', { ...eight, use: 'end-loop' }).in_hand_mm).toBe(900);
  expect(need('sport-crag', { ...eight, knot: 'bowline-locked' }).in_hand_mm).toBeNull();
  expect(need('river-expedition', { knot: 'inline-eight', rope_diameter_mm: 10, use: 'tension-eye' }).notes).toContain(
    'a bridge is tied off from 450 mm (18 in) of bight',
  );
});

describe('companions', () => {
  test('take their own rope, and their tail stands in the tail', () => {
    const eight = { knot: 'figure-eight-follow-through', rope_diameter_mm: 10, use: 'tie-in' } as const;
    const [without, behind, round] = [
      need('sport-crag', eight),
      need('sport-crag', { ...eight, companions: ['stopper-behind'] }),
      need('rescue-team', eight),
    ];
    expect([without.stopper_mm, without.tail_mm, behind.tail_mm, round.tail_mm]).toEqual([0, 100, 75, 100]);
    expect(behind.stopper_mm).toBeGreaterThan(round.stopper_mm);
    expect(round.companions).toEqual(['two-strand-backup']);
    expect(need('sport-crag', { ...eight, stopper: true }).companions).toEqual(['stopper-behind']);
    const tether = { rope_diameter_mm: 10, use: 'tether' } as const;
    // asked by the rules, its rope is counted; only where it is said to be tied its own tail stands in for the tag
    expect(need('sport-crag', { knot: 'overhand-on-bight', ...tether })).toMatchObject({
      companions: ['stopper-in-tag'],
      tail_mm: 150,
    });
    const tied = need('sport-crag', { knot: 'overhand-on-bight', ...tether, companions: ['stopper-in-tag'] });
    expect([tied.tail_mm, tied.stopper_mm > 100]).toEqual([75, true]);
    expect(need('sport-crag', { knot: 'figure-eight-on-bight', ...tether })).toMatchObject({
      stopper_mm: 0,
      tail_mm: 150,
    });
  });
  test('one that is not tied to it, or a use it is not made for, is refused', () => {
    const q = { knot: 'bowline', rope_diameter_mm: 10 } as const;
    expect(() => need('sport-crag', { ...q, companions: ['backed-both-sides'] })).toThrow();
    expect(() => need('sport-crag', { ...q, use: 'join' })).toThrow();
  });
});

test('an eye-to-eye cord from the whole of it, or from eye to eye: the two agree, and it is compared with what people cut', () => {
  const profile = shippedProfile('rope-access');
  const cut = (q: object) => eyeToEyeLength(profile, { cord_diameter_mm: 8, stoppers: true, ...q });
  const whole = cut({ whole_mm: 1700 });
  expect(whole.mm).toBeCloseTo(1700, 0);
  expect(cut({ between_mm: whole.between_mm }).mm).toBeCloseTo(1700, 0);
  expect(cut({ between_mm: 600 }).notes.at(-1)).toMatch(/mm more than the longest of that/);
  expect(cut({ whole_mm: 1150, cord_diameter_mm: 6, stoppers: false }).notes.at(-1)).toMatch(/within that/);
  // the stoppers' own tails stand in the nooses' tails
  const tails = (q: object) => cut({ between_mm: 700, ...q }).parts.find((p) => /tails/.test(p.what))!;
  expect(tails({}).what).toBe('the stoppers’ own tails');
  expect(cut({ between_mm: 700 }).parts.map((p) => p.what)).toEqual([
    'between the nooses',
    'two nooses',
    'their eyes',
    'two stoppers',
    'the stoppers’ own tails',
  ]);
  for (const wrong of [{}, { between_mm: 700, whole_mm: 1200 }, { whole_mm: 300 }, { between_mm: 20 }])
    expect(() => cut(wrong)).toThrow();
});

test('for every rule set, knot, use and companion the tail is that of the rules, and the answer adds up', () => {
  let asked = 0;
  for (const profile of SHIPPED_PROFILES)
    for (const entry of ENTRIES)
      for (const use of usesOf(entry)) {
        if (refusalOf(rulesOf(profile), entry, use)) continue;
        const may = companionsFor(entry, use).filter((c) => !partsOf(entry).includes(c));
        for (const companions of [[], ...may.map((c) => [c])]) {
          const r = ropeNeeded(profile, { knot: entry.id, rope_diameter_mm: 10, use, companions });
          const { required_mm } = lengthFor(profile, {
            knot: entry.id,
            use,
            companions,
            rope_diameter_mm: 10,
          });
          expect([entry.id, use, r.tail_mm]).toEqual([entry.id, use, required_mm ?? 0]);
          expect(r.total_mm).toBeCloseTo(r.in_knot_mm + r.eye_mm + r.tail_mm + r.stopper_mm, 6);
          expect(r.companions.length === 0 || partsOf(entry).length > 0 || r.stopper_mm > 0).toBe(true);
          asked++;
        }
      }
  expect(asked).toBeGreaterThan(500);
});
