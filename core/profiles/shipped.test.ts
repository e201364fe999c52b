/** A rule set that ships is never changed under its version: who was judged by it is judged by just that. */
import { expect, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { DISAGREEMENTS, stancesOn } from './disagreements';
import { shippedProfile, SHIPPED_PROFILES } from './index';
import { SHIPPED_VERSIONS } from './shipped';

const sha256 = (of: unknown) => createHash('sha256').update(JSON.stringify(of)).digest('hex');

test('every version that ships is what it was when it was first shipped', () => {
  expect(SHIPPED_VERSIONS.map((p) => `${p.id}@${p.version} ${sha256(p).slice(0, 16)}`)).toMatchSnapshot();
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
