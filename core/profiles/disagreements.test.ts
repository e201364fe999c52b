import { describe, expect, test } from '@jest/globals';
import { entryById } from '../knots/catalogue/lookup';
import { DISAGREEMENTS, stancesOn } from './disagreements';
import { SHIPPED_PROFILES } from './index';

const of = (id: string) =>
  Object.fromEntries(
    stancesOn(
      DISAGREEMENTS.find((d) => d.id === id)!,
      SHIPPED_PROFILES,
    ).map((s) => [s.profile, s.says]),
  );

describe('where schools differ', () => {
  test('each point has at least two sides with their reasons, and knots of the catalogue', () => {
    expect(DISAGREEMENTS).toHaveLength(16);
    expect(new Set(DISAGREEMENTS.map((d) => d.id)).size).toBe(DISAGREEMENTS.length);
    for (const d of DISAGREEMENTS) {
      expect(d.sides.length).toBeGreaterThanOrEqual(2);
      expect(new Set(d.sides.map((s) => s.says)).size).toBe(d.sides.length);
      for (const s of d.sides) expect(s.because.length).toBeGreaterThan(10);
      for (const k of d.knots) expect(entryById(k).id).toBe(k);
    }
  });

  test('what a rule set does is read from it; where it says nothing that is said', () => {
    expect(of('tie-in-knot')).toMatchObject({
      'sport-crag': 'names figure-eight-follow-through and bowline-locked',
      'tree-work': null,
    });
    expect(of('stopper-behind-tie-in')['rescue-team']).toMatch(/^required/);
    expect(of('second-person')).toMatchObject({ 'sport-crag': 'advised', 'rope-access': 'required' });
    expect(Object.values(of('load-strand'))).toEqual([null, null, null, null, null]);
    // changed in the rule set it changes here
    const [sport] = SHIPPED_PROFILES;
    expect(
      stancesOn(
        DISAGREEMENTS.find((d) => d.id === 'second-person')!,
        [{ ...sport!, secondCheck: { asked: 'none', source: 'practice' } }],
      )[0]!.says,
    ).toBe('none');
  });
});
