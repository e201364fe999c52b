/** A recorded judgement comes out again, or it is said that it does not, or that it cannot be known. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { join } from 'node:path';
import { ENTRIES } from '../core/knots/catalogue/entries';
import { entryById } from '../core/knots/catalogue/lookup';
import { judgedBy } from '../core/judgings';
import { shippedProfile } from '../core/profiles';
import type { CheckEntry } from '../core/records';
import { contentHash, sha256 } from './canonical';
import { judgingAgain } from './judgingAgain';
import { checkEntries, entriesAbout } from './tables/entries';
import { entriesBefore } from './tables/knotEntries';
import { storedProfiles } from './tables/profiles';
import { call, checkBody, member, organisation, testbed, type Testbed } from './testing/harness';

let t: Testbed;
let check: Extract<CheckEntry, { kind: 'check' }>;
beforeAll(async () => {
  t = await testbed('judging_again');
  const { id, rope } = await organisation(t, 'Loft');
  const [who, tier] = [await member(t, id, ['instructor']), await member(t, id, ['learner'])];
  const body = checkBody({ tier: tier.id, rope });
  await call(t, 'POST', '/checks', who, body);
  check = checkEntries(await entriesAbout(t.db, id, body.id))[0] as typeof check;
});
afterAll(() => t.close());

const profiles = async () => new Map((await storedProfiles(t.db)).map((p) => [`${p.profile}@${p.version}`, p]));
const again = async (body: object) => {
  const changed = { ...check, body: { ...check.body, ...body } } as typeof check;
  return (await judgingAgain(t.db, await profiles())).again(changed, changed.body);
};

test('as it was recorded it comes out the same; an entry names its judging, and one that names none is of version 1', async () => {
  expect(check.body.judging).toBe(2);
  expect(await again({})).toBe('same');
  const { knot, rope_diameter_mm, fist_mm, answers, profile, profile_version } = check.body;
  const before = judgedBy(
    1,
    { profile: shippedProfile(`${profile}@${profile_version}`), entry: entryById(knot), practice: null },
    { knot, rope_diameter_mm, fist_mm, answers, stopper: false, secondSigned: false },
  );
  expect(contentHash(before)).not.toBe(contentHash(check.body.judgement));
  expect(await again({ judging: undefined, judgement: before })).toBe('same');
});

test('another verdict, or an answer taken away, does not come out', async () => {
  const { judgement, answers } = check.body;
  const other = 'judged again from its answers, its judgement is another';
  expect(await again({ judgement: { ...judgement, verdict: 'take-out-and-retie' } })).toBe(other);
  expect(await again({ answers: answers.slice(1) })).toBe(other);
  // for another use another tail is asked, and no harness
  expect(await again({ use: 'hitch-object' })).toBe(other);
});

test('what it was made by is not there: it cannot be known, and nothing is accused', async () => {
  expect(await again({ knot_entry_sha256: '0'.repeat(64) })).toBe('cannot');
  expect(await again({ profile_version: 99 })).toBe('cannot');
  expect(await again({ common_practice: { version: 99, sha256: '' } })).toBe('cannot');
  expect(await again({ judging: 99 })).toBe('cannot');
});

test('a stored entry of a knot whose content was changed is named', async () => {
  const [hash, content] = [check.body.knot_entry_sha256, '{}'];
  const altered = {
    query: (sql: string, values: unknown[]) =>
      sql.includes('FROM knot_entries')
        ? Promise.resolve([[{ sha256: hash, knot: check.body.knot, content }], []])
        : t.db.query(sql, values),
  } as unknown as typeof t.db;
  expect((await judgingAgain(altered, await profiles())).faults).toEqual([
    expect.stringMatching(/its content was altered/),
  ]);
});

test('entries from before they were stored are what their hashes say, those of now among them or stored anew', () => {
  const before = entriesBefore(join(import.meta.dirname, 'migrations/entries-before-0006.jsonl.gz'));
  expect(before.length).toBeGreaterThan(200);
  for (const e of before) expect([e.knot, sha256(e.content)]).toEqual([e.knot, e.sha256]);
  expect(new Set(before.map((e) => e.sha256)).size).toBe(before.length);
  expect(ENTRIES.some((e) => before.some((b) => b.sha256 === contentHash(e)))).toBe(true);
});
