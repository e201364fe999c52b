import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { lengthOf } from '../curve';
import { knotById } from '../knots/catalogue/catalogue';
import { pointsOf } from '../knots/shape/stored';
import { shippedProfile } from '../profiles';
import { refuses } from '../topology/testing/curves';
import { eyeToEyeLength, loopLength, LOOP_JOINTS, ropeNeeded, roundAPost } from './index';

const access = shippedProfile('rope-access');
const sport = shippedProfile('sport-crag');

describe('a loop', () => {
  const loop = (round_mm: number, joint = 'double-fishermans', cord_diameter_mm = 6) =>
    loopLength(access, { joint, cord_diameter_mm, round_mm });
  test('is what goes round it, what is in the joint and two tails', () => {
    const { set } = knotById('double-fishermans').baked.forms['right']!;
    // both ends measured along the stored shape
    const along = [set.tight, set.tight.second!].reduce(
      (sum, rope) => sum + lengthOf(pointsOf(rope).slice(rope.marks.standing[1], rope.marks.tail[0] + 1)),
      0,
    );
    const expected = 1200 - 6 * set.length_ropeDiameters.value + 6 * along + 2 * 100;
    expect(Math.abs(loop(1200).mm / expected - 1)).toBeLessThan(0.01);
    expect(loop(1200).mm).toBeGreaterThan(1600);
    expect(loop(1200).notes[0]).toMatch(/fist/);
    expect(loopLength(sport, { joint: 'double-fishermans', cord_diameter_mm: 6, round_mm: 1200 }).notes[0]).toMatch(
      /general/,
    );
  });

  test('a longer loop takes as much more; a third wrap and a thicker cord take more; low is not above high', () => {
    expect(loop(1500).mm - loop(1200).mm).toBeCloseTo(300, 6);
    expect(loop(1200, 'triple-fishermans').mm).toBeGreaterThan(loop(1200).mm);
    expect(loop(1200, 'double-fishermans', 8).mm).toBeGreaterThan(loop(1200).mm);
    fc.assert(
      fc.property(
        fc.constantFrom(...LOOP_JOINTS),
        fc.double({ min: 400, max: 9000, noNaN: true }),
        fc.double({ min: 4, max: 9, noNaN: true }),
        (joint, round, d) => {
          const { low_mm, mm, high_mm, parts } = loop(round, joint, d);
          expect(low_mm).toBeLessThanOrEqual(mm);
          expect(mm).toBeLessThanOrEqual(high_mm);
          expect(parts.reduce((sum, p) => sum + p.mm, 0)).toBeCloseTo(mm, 0);
          // there is always more cord than loop
          expect(mm).toBeGreaterThan(round);
        },
      ),
    );
  });

  test.each([
    ['a loop shorter than its joint', 20, 'double-fishermans'],
    ['a knot that closes none', 1200, 'bowline'],
  ] as const)('%s is refused', (_, round, joint) => expect(() => loop(round, joint)).toThrow(refuses('bad-input')));
});

describe('a cord with a noose at each end', () => {
  test('held against practice: about 400 mm goes into a noose, 1.05 to 1.2 m in all for a hitch cord', () => {
    const noose = ropeNeeded(access, { knot: 'barrel-noose', rope_diameter_mm: 7 });
    expect(noose.total_mm_high).toBeGreaterThan(0.75 * 400);
    expect(noose.total_mm).toBeLessThan(1.25 * 400);
    const cord = eyeToEyeLength(access, { cord_diameter_mm: 7, between_mm: 600, stoppers: false });
    const with_stoppers = eyeToEyeLength(access, { cord_diameter_mm: 7, between_mm: 600, stoppers: true });
    expect(with_stoppers.mm).toBeGreaterThan(cord.mm + 150);
    expect(cord.mm).toBeGreaterThan(600 + 300);
  });

  test('where there is no room for two nooses it is refused', () =>
    expect(() => eyeToEyeLength(access, { cord_diameter_mm: 7, between_mm: 40, stoppers: false })).toThrow(
      refuses('bad-input'),
    ));
});

test('a joint’s rope is that of each rope, and it is said', () => {
  expect(ropeNeeded(access, { knot: 'double-fishermans', rope_diameter_mm: 10 }).notes).toContain(
    'of each of the two ropes',
  );
  expect(ropeNeeded(access, { knot: 'bowline', rope_diameter_mm: 10 }).notes).not.toContain('of each of the two ropes');
});

describe('round a post', () => {
  test('a turn is the girth and the rope’s own way round; a thin post is said to be one', () => {
    expect(roundAPost({ rope_diameter_mm: 10, girth_mm: 1000, turns: 1 }).mm).toBeCloseTo(
      Math.hypot(1000 + Math.PI * 10, 10),
      0,
    );
    expect(roundAPost({ rope_diameter_mm: 10, girth_mm: 1000, turns: 4 }).mm).toBeCloseTo(
      4 * Math.hypot(1000 + Math.PI * 10, 10),
      0,
    );
    expect(roundAPost({ rope_diameter_mm: 10, girth_mm: 200, turns: 3 }).notes.join()).toMatch(/thinner than about 8/);
    expect(roundAPost({ rope_diameter_mm: 10, girth_mm: 300, turns: 3 }).notes).toHaveLength(1);
    for (const bad of [{ girth_mm: 0 }, { turns: -1 }, { rope_diameter_mm: Number.NaN }])
      expect(() => roundAPost({ rope_diameter_mm: 10, girth_mm: 1000, turns: 3, ...bad })).toThrow(
        refuses('not-a-number'),
      );
  });
});
