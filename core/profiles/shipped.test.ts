/** A rule set that ships is never changed under its version: who was judged by it is judged by just that. */
import { expect, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { entryById } from '../knots/catalogue/lookup';
import { FAMILIES } from '../knots/facts/types';
import { DISAGREEMENTS, stancesOn } from './disagreements';
import { shippedProfile, SHIPPED_PROFILES } from './index';
import { COMMON_PRACTICE, PRACTICES } from './common';
import { SHIPPED_VERSIONS } from './shipped';

const sha256 = (of: unknown) => createHash('sha256').update(JSON.stringify(of)).digest('hex');

test('every version that ships is what it was when it was first shipped', () => {
  expect(SHIPPED_VERSIONS.map((p) => `${p.id}@${p.version} ${sha256(p).slice(0, 16)}`)).toMatchSnapshot();
});

test('common practice is what it was under its version', () => {
  expect(PRACTICES.map((p) => `${p.version} ${sha256(p).slice(0, 16)}`)).toMatchSnapshot();
  expect(PRACTICES.at(-1)).toBe(COMMON_PRACTICE);
});

test('every rule that is in force is data that something reads, of knots that there are', () => {
  const all = [...SHIPPED_PROFILES.flatMap((p) => p.also ?? []), ...COMMON_PRACTICE.asked];
  for (const a of all) {
    // what reads each kind is held by ruleKinds.test.ts
    expect([a.rule, a.asks?.kind]).toEqual([a.rule, expect.any(String)]);
    for (const k of a.knots)
      expect([a.rule, k === 'any' || k in FAMILIES || entryById(k).id === k]).toEqual([a.rule, true]);
  }
  expect(new Set(all.filter((a) => !('of' in a)).map((a) => a.rule)).size).toBe(all.length);
});

test('a rule set is found by its id, the newest, or by the version asked for; another is refused by name', () => {
  for (const p of SHIPPED_PROFILES) expect(shippedProfile(p.id)).toBe(p);
  for (const p of SHIPPED_VERSIONS) expect(shippedProfile(`${p.id}@${p.version}`)).toBe(p);
  for (const unknown of ['sport', 'sport-crag@99', ''])
    expect(() => shippedProfile(unknown)).toThrow(
      expect.objectContaining({ code: 'unknown-profile', values: { profile: unknown } }) as unknown as Error,
    );
});

test('where schools differ: of which knots, and what each rule set does', () => {
  expect(
    DISAGREEMENTS.map((d) => [
      `${d.id}: ${d.knots.join(' ')}`,
      ...stancesOn(d, SHIPPED_PROFILES).map((s) => `${s.profile}: ${s.says}`),
    ]),
  ).toMatchSnapshot();
});
