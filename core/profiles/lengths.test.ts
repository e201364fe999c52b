import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ENTRIES } from '../knots/catalogue/entries';
import { COMPANIONS, usesOf } from '../knots/facts/uses';
import { COMMON_PRACTICE } from './common';
import { PROFILE_IDS, shippedProfile, SHIPPED_PROFILES, type Profile } from './index';
import { lengthFor, type LengthQuestion } from './lengths';

const ask = (profile: string, knot: string, q: Partial<LengthQuestion> = {}) =>
  lengthFor(shippedProfile(profile), { knot, rope_diameter_mm: 11, ...q });
const EIGHT = 'figure-eight-follow-through';

describe('what is asked', () => {
  // by hand, from what the schools and common practice say; a fist is 100 mm, the rope 11 mm
  test.each([
    ['rope-access', 'figure-eight-stopper', { use: 'stopper' }, 300, 'RA-T2', 'school'],
    ['sport-crag', 'figure-eight-stopper', { use: 'stopper' }, 300, 'CP-T4', 'common'],
    ['rope-access', 'offset-overhand', { use: 'join-to-retrieve' }, 300, 'CP-T5', 'common'],
    ['rope-access', 'overhand-on-bight', { use: 'tether' }, 150, 'CP-T2', 'common'],
    ['rope-access', 'overhand-on-bight', { use: 'end-loop' }, 100, 'RA-T1', 'school'],
    ['rope-access', 'overhand-on-bight', { use: 'end-loop', fist_mm: 118 }, 118, 'RA-T1', 'school'],
    ['sport-crag', EIGHT, { use: 'tie-in' }, 100, 'SC-T1', 'school'],
    ['sport-crag', EIGHT, { use: 'tie-in', fist_mm: 118 }, 100, 'SC-T1', 'school'],
    ['rescue-team', EIGHT, { use: 'tie-in', fist_mm: 118 }, 118, 'CP-T1', 'common'],
    ['river-expedition', EIGHT, { use: 'tie-in', fist_mm: 118 }, 118, 'CP-T1', 'common'],
    ['river-expedition', EIGHT, { use: 'tie-in', fist_mm: 90 }, 100, 'RE-T1', 'school'],
    ['sport-crag', 'bowline-locked', { use: 'end-loop' }, 100, 'CP-T1', 'common'],
    ['rescue-team', 'water-knot', { use: 'sling' }, 75, 'CP-T8', 'common'],
    ['rope-access', 'water-knot', { use: 'sling' }, 100, 'RA-T1', 'school'],
    ['tree-work', 'buntline-hitch', { use: 'termination', rope_diameter_mm: 12 }, 60, 'TW-T1', 'school'],
    ['sport-crag', 'buntline-hitch', { use: 'termination', rope_diameter_mm: 12 }, 60, 'CP-T9', 'common'],
    ['sport-crag', 'buntline-hitch', { use: 'tether', rope_diameter_mm: 12 }, 60, 'CP-T9', 'common'],
    ['sport-crag', 'triple-fishermans', { use: 'cord-loop', rope_diameter_mm: 7 }, 100, 'CP-T6', 'common'],
    ['sport-crag', 'triple-fishermans', { use: 'cord-loop' }, 110, 'CP-T6', 'common'],
    ['sport-crag', 'triple-fishermans', { use: 'join' }, 100, 'CP-T7', 'common'],
    ['tree-work', 'half-hitches', { use: 'hitch-object' }, 100, 'CP-T12', 'common'],
    ['tree-work', 'two-strand-backup', { use: 'backup' }, 75, 'CP-T11', 'common'],
    // with another knot tied behind it: the length is that knot's
    ['sport-crag', EIGHT, { use: 'tie-in', companions: ['stopper-behind'] }, 75, 'CP-T10', 'common'],
    ['rescue-team', EIGHT, { use: 'tie-in', companions: ['two-strand-backup'] }, 75, 'CP-T10', 'common'],
    ['rope-access', EIGHT, { use: 'tie-in', companions: ['stopper-behind'] }, 100, 'RA-T1', 'school'],
    ['sport-crag', 'overhand-on-bight', { use: 'tether', companions: ['stopper-in-tag'] }, 75, 'CP-T3', 'common'],
    // no end, no tail
    ['rope-access', 'alpine-butterfly', { use: 'midline' }, null, 'none', null],
    ['rope-access', 'bowline-on-bight', { use: 'midline' }, null, 'none', null],
    ['rope-access', 'bowline-on-bight', { use: 'two-eyes' }, 100, 'RA-T1', 'school'],
    ['rope-access', 'prusik', { use: 'friction' }, null, 'none', null],
  ] as const)('%s, %s %o', (profile, knot, q, required, rule, layer) => {
    const a = ask(profile, knot, q);
    expect([a.required_mm, a.rule.id, a.rule.layer]).toEqual([required, rule, layer]);
    expect(a.rule.profile).toBe(layer === 'common' ? 'common-practice' : profile);
  });

  test('better than the least is said where practice says it', () => {
    expect(ask('sport-crag', 'overhand-on-bight', { use: 'tether', companions: ['stopper-in-tag'] })).toMatchObject({
      length_kind: 'beyond_stopper',
      required_mm: 75,
      recommended_mm: 100,
    });
    expect(ask('sport-crag', 'overhand-on-bight', { use: 'tether' }).recommended_mm).toBeNull();
  });

  test('without a use the one that asks most is taken, and said', () => {
    expect(ask('sport-crag', 'overhand-on-bight')).toMatchObject({ use: 'tether', required_mm: 150 });
    expect(ask('sport-crag', 'bowline-on-bight')).toMatchObject({ use: 'two-eyes', required_mm: 100 });
    expect(ask('sport-crag', 'alpine-butterfly')).toMatchObject({ use: 'midline', required_mm: null });
  });

  test('a use that the knot is not made for is refused, with those that it has', () => {
    expect(() => ask('sport-crag', EIGHT, { use: 'stopper' })).toThrow(
      expect.objectContaining({
        code: 'bad-input',
        errors: [{ path: 'use', message: 'it is not made for that: tie-in, end-loop, hitch-object' }],
      }) as unknown as Error,
    );
  });
});

describe('a layer on another', () => {
  const school = (lengths: Profile['lengths']): Profile => ({ ...shippedProfile('tree-work'), lengths });
  const rule = { id: 'X', use: 'tie-in', kind: 'tail', fixed_mm: 40, text: 'x', source: 'practice' } as const;
  const asked = (lengths: Profile['lengths'], common?: boolean) => {
    const a = lengthFor(school(lengths), { knot: EIGHT, use: 'tie-in', rope_diameter_mm: 11, common });
    return [a.required_mm, a.rule.id, a.verdict];
  };

  test('is silent only about what is named above: that knot, that use, that kind of length', () => {
    expect(asked([{ ...rule, for: [EIGHT] }])).toEqual([40, 'X', 'not-measured']);
    expect(asked([{ ...rule, for: ['end-loop'] }])).toEqual([100, 'CP-T1', 'not-measured']);
    expect(asked([{ ...rule, for: ['any'] }])).toEqual([100, 'CP-T1', 'not-measured']);
    expect(asked([{ ...rule, for: [EIGHT], use: 'any' }])).toEqual([100, 'CP-T1', 'not-measured']);
    expect(asked([{ ...rule, for: [EIGHT], use: 'tether' }])).toEqual([100, 'CP-T1', 'not-measured']);
    expect(asked([{ ...rule, for: [EIGHT], kind: 'bight' }])).toEqual([100, 'CP-T1', 'not-measured']);
    expect(asked([{ ...rule, for: [EIGHT], noLength: true }])).toEqual([100, 'CP-T1', 'not-measured']);
  });

  test('of what is left the strictest decides, and the least of the greatest', () => {
    const two = [
      { ...rule, for: ['any'], fixed_mm: 120, max_mm: 300 },
      { ...rule, id: 'Y', for: [EIGHT], fixed_mm: 60, max_mm: 200 },
    ];
    expect(asked(two)).toEqual([120, 'X', 'not-measured']);
    const a = lengthFor(school(two), { knot: EIGHT, use: 'tie-in', rope_diameter_mm: 11, tail_mm: 201 });
    expect([a.max_mm, a.verdict, a.margin_mm]).toEqual([200, 'long', -1]);
  });

  test('common practice can be off: then silence is an answer', () => {
    expect(asked([], false)).toEqual([null, 'none', 'no-rule']);
    expect(asked([{ ...rule, for: ['any'] }], false)).toEqual([40, 'X', 'not-measured']);
  });

  test('with it on every end that there is has a length, of every knot in every use with and without another behind it', () => {
    for (const profile of SHIPPED_PROFILES)
      for (const knot of ENTRIES)
        for (const use of usesOf(knot))
          for (const companions of [[], ...COMPANIONS.map((c) => [c])]) {
            const a = lengthFor(profile, { knot: knot.id, use, companions, rope_diameter_mm: 10 });
            const none = a.rule.text.startsWith('no tail is asked');
            expect([knot.id, use, a.required_mm === null, a.rule.layer === null]).toEqual([knot.id, use, none, none]);
            if (!none) expect(a.required_mm).toBeGreaterThanOrEqual(50);
          }
  });

  test('it never asks less than the school alone', () => {
    const { id, version } = COMMON_PRACTICE;
    expect([id, version]).toEqual(['common-practice', 2]);
    for (const profile of SHIPPED_PROFILES)
      for (const knot of ENTRIES)
        for (const use of usesOf(knot)) {
          const q = { knot: knot.id, use, rope_diameter_mm: 10 };
          const alone = lengthFor(profile, { ...q, common: false }).required_mm;
          if (alone !== null) expect(lengthFor(profile, q).required_mm).toBeGreaterThanOrEqual(alone);
        }
  });
});

describe('a reading', () => {
  const termination = { use: 'termination', rope_diameter_mm: 12 } as const;
  test.each([
    [59, { byRuler: true, uncertainty_mm: 5 }, 'short', -1],
    [59.9, { byRuler: true }, 'short', -1],
    [60, { byRuler: true, uncertainty_mm: 5 }, 'enough', 0],
    [61.9, { byRuler: true }, 'enough', 1],
    [60, { uncertainty_mm: 5 }, 'not-measured', -5],
    [54.9, { uncertainty_mm: 5 }, 'short', -11],
    [55, { uncertainty_mm: 5 }, 'not-measured', -10],
    [65, { uncertainty_mm: 5 }, 'enough', 0],
  ] as const)('of %s mm, %o: %s', (tail_mm, how, verdict, margin) => {
    const a = ask('tree-work', 'buntline-hitch', { ...termination, tail_mm, ...how });
    expect([a.verdict, a.margin_mm]).toEqual([verdict, margin]);
  });

  test('at the greatest length is within it, beyond it is not', () => {
    const locked = (tail_mm: number, off = 0) => {
      const a = ask('sport-crag', 'bowline-locked', { use: 'tie-in', tail_mm, uncertainty_mm: off });
      return [a.verdict, a.margin_mm];
    };
    expect(locked(200)).toEqual(['enough', 0]);
    expect(locked(200.1)).toEqual(['long', -1]);
    expect(locked(198, 5)).toEqual(['not-measured', -3]);
    expect(locked(205, 5)).toEqual(['not-measured', -10]);
    expect(locked(205.1, 5)).toEqual(['long', -1]);
  });

  test('a shorter tail never stands better, whatever the knot and its use', () => {
    const RANK = ['short', 'not-measured', 'enough'];
    const knots = ENTRIES.flatMap((e) => usesOf(e).map((use) => [e.id, use] as const));
    fc.assert(
      fc.property(
        fc.constantFrom(...PROFILE_IDS),
        fc.constantFrom(...knots),
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.constantFrom(0, 5, 30),
        (profile, [knot, use], tail_mm, less, uncertainty_mm) => {
          const longer = ask(profile, knot, { use, tail_mm, uncertainty_mm });
          const shorter = ask(profile, knot, { use, tail_mm: Math.max(0, tail_mm - less), uncertainty_mm });
          if (longer.max_mm !== null || longer.verdict === 'no-rule') return;
          expect(RANK.indexOf(shorter.verdict)).toBeLessThanOrEqual(RANK.indexOf(longer.verdict));
          expect(shorter.margin_mm!).toBeLessThanOrEqual(longer.margin_mm!);
          if (longer.verdict === 'enough') expect(longer.margin_mm!).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });

  test.each([{ fist_mm: 69 }, { tail_mm: -1 }, { uncertainty_mm: 1001 }, { rope_diameter_mm: 1 }])(
    'out of range is refused: %o',
    (bad) => {
      expect(() => ask('rope-access', EIGHT, { tail_mm: 100, ...bad })).toThrow(
        expect.objectContaining({ code: 'not-a-number' }) as unknown as Error,
      );
    },
  );
});
