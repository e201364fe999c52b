import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { lengthFor, PROFILE_IDS, requiredLength_mm, shippedProfile, SHIPPED_PROFILES } from './index';

type Question = Parameters<typeof lengthFor>[1];
const ask = (profile: string, q: Omit<Question, 'rope_diameter_mm'> & { rope_diameter_mm?: number }) =>
  lengthFor(shippedProfile(profile), { rope_diameter_mm: 10, use: 'tie-in', ...q });
const EIGHT = 'figure-eight-follow-through';

describe('the schools', () => {
  test.each([
    // profile, question, required, max, verdict, margin
    ['sport-crag', { knot: EIGHT, tail_mm: 100 }, 100, null, 'enough', 0],
    ['sport-crag', { knot: EIGHT, tail_mm: 99.9 }, 100, null, 'short', -1],
    ['sport-crag', { knot: EIGHT, tail_mm: 30, companions: ['stopper-behind'] }, 75, null, 'short', -45],
    ['sport-crag', { knot: 'bowline-locked', tail_mm: 87 }, 100, 200, 'short', -13],
    ['sport-crag', { knot: 'bowline-locked', tail_mm: 150 }, 100, 200, 'enough', 50],
    ['sport-crag', { knot: 'bowline-locked', tail_mm: 187 }, 100, 200, 'enough', 13],
    ['sport-crag', { knot: 'bowline-locked', tail_mm: 200 }, 100, 200, 'enough', 0],
    ['sport-crag', { knot: 'bowline-locked', tail_mm: 201 }, 100, 200, 'long', -1],
    ['sport-crag', { knot: 'double-bowline', tail_mm: 150, common: false }, null, null, 'no-rule', null],
    ['rope-access', { knot: EIGHT, tail_mm: 100 }, 100, null, 'enough', 0],
    ['rope-access', { knot: EIGHT, tail_mm: 90, fist_mm: 84, common: false }, 84, null, 'enough', 6],
    ['rope-access', { knot: 'bowline-locked', tail_mm: 250, fist_mm: 110 }, 110, null, 'enough', 140],
    ['rescue-team', { knot: EIGHT, tail_mm: 150, common: false }, null, null, 'no-rule', null],
    ['tree-work', { knot: EIGHT, tail_mm: 150 }, 100, null, 'enough', 50],
    ['river-expedition', { knot: 'double-bowline', tail_mm: 101.6 }, 100, null, 'enough', 1],
    ['river-expedition', { knot: EIGHT }, 100, null, 'not-measured', null],
  ] as const)('%s %o', (profile, q, required, max, verdict, margin) => {
    const a = ask(profile, q);
    expect([a.required_mm, a.max_mm, a.verdict, a.margin_mm]).toEqual([required, max, verdict, margin]);
    expect(a.rule.text.length).toBeGreaterThan(0);
  });

  test('an interval that touches a limit is not judged, one clear of it is', () => {
    expect(ask('sport-crag', { knot: EIGHT, tail_mm: 104, uncertainty_mm: 5 }).verdict).toBe('not-measured');
    expect(ask('sport-crag', { knot: EIGHT, tail_mm: 105, uncertainty_mm: 5 }).verdict).toBe('enough');
    expect(ask('sport-crag', { knot: EIGHT, tail_mm: 94, uncertainty_mm: 5 }).verdict).toBe('short');
    expect(ask('sport-crag', { knot: 'bowline-locked', tail_mm: 198, uncertainty_mm: 5 }).verdict).toBe('not-measured');
    expect(ask('sport-crag', { knot: 'bowline-locked', tail_mm: 206, uncertainty_mm: 5 }).verdict).toBe('long');
  });
});

describe('the rule', () => {
  const rule = { id: 'x', for: ['any'], use: 'any', kind: 'tail', text: '', source: 'general' } as const;
  test('is the largest of its parts', () => {
    expect(requiredLength_mm({ ...rule, ropeDiameters: 5, fixed_mm: 40, fists: 0.5 }, 11, 100)).toBe(55);
    expect(requiredLength_mm({ ...rule, ropeDiameters: 5, fixed_mm: 75 }, 11, 100)).toBe(75);
    expect(requiredLength_mm({ ...rule, ropeDiameters: 5, fists: 1 }, 11, 92)).toBe(92);
    expect(requiredLength_mm({ ...rule, noLength: true, fixed_mm: 75 }, 11, 100)).toBeNull();
  });

  test('a longer tail never goes from enough to short, and enough never has a negative margin', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PROFILE_IDS),
        fc.constantFrom(EIGHT, 'bowline-locked', 'bowline'),
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.double({ min: 70, max: 120, noNaN: true }),
        (profile, knot, tail_mm, more, fist_mm) => {
          const a = ask(profile, { knot, tail_mm, fist_mm });
          const b = ask(profile, { knot, tail_mm: tail_mm + more, fist_mm });
          if (a.verdict === 'enough') {
            expect(a.margin_mm).toBeGreaterThanOrEqual(0);
            expect(b.verdict).not.toBe('short');
          }
          if (a.required_mm !== null) expect(a.verdict === 'short').toBe(tail_mm < a.required_mm);
        },
      ),
    );
  });

  test('values out of range are refused', () => {
    for (const bad of [
      { fist_mm: 69 },
      { fist_mm: 121 },
      { tail_mm: Number.NaN },
      { tail_mm: -1 },
      { rope_diameter_mm: Infinity },
      { uncertainty_mm: -1 },
    ])
      expect(() => ask('rope-access', { knot: EIGHT, tail_mm: 100, ...bad })).toThrow(
        expect.objectContaining({ code: 'not-a-number' }) as unknown as Error,
      );
  });
});

test('profiles are named with or without their version', () => {
  expect(shippedProfile('sport-crag@3')).toBe(SHIPPED_PROFILES[0]);
  // what was judged under an earlier version is looked up under it
  expect(shippedProfile('sport-crag@1')).toMatchObject({ version: 1, lengths: SHIPPED_PROFILES[0]!.lengths });
  expect(shippedProfile('sport-crag@1')).not.toHaveProperty('also');
  for (const bad of ['sport-crag@4', 'nobody', '', 'sport-crag@x'])
    expect(() => shippedProfile(bad)).toThrow(expect.objectContaining({ code: 'unknown-profile' }) as unknown as Error);
});
