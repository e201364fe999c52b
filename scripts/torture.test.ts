import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DATA_VERSIONS } from '../server/testing/dataVersions';
import { clearTemplates, killed, killsOf, undisturbed, type From } from './torture/killing';

/** Another one every day, and said: what fails can be done again. */
const SEED = Math.floor(Date.now() / 86_400_000);
const FROM: readonly From[] = [0, ...DATA_VERSIONS.slice(-2)];
const usual = new Map<From, Awaited<ReturnType<typeof undisturbed>>>();

afterAll(clearTemplates);
beforeAll(async () => {
  for (const from of FROM) usual.set(from, await undisturbed(from));
});

describe('a first start and an upgrade, killed at a moment by lot', () => {
  test.each(killsOf(SEED, 6, FROM).map((k) => [k] as const))('%j', async (kill) => {
    expect((await killed(kill, usual.get(kill.from)!)).wrong).toBe('');
  });

  test('what is missing afterwards is named', async () => {
    const { takes_ms, entries } = usual.get(FROM.at(-1)!)!;
    const outcome = await killed(
      { from: FROM.at(-1)!, how: 'power', at: 0.5, again: null },
      { takes_ms, entries: entries + 1 },
      true,
    );
    expect(outcome.wrong).toMatch(`${entries} entries, ${entries + 1} were to be there`);
  });
});

test('a seed gives the same kills, another one others; every place to begin from is tried', () => {
  const kills = killsOf(7, 60, [0, ...DATA_VERSIONS]);
  expect(killsOf(7, 60, [0, ...DATA_VERSIONS])).toEqual(kills);
  expect(killsOf(8, 60, [0, ...DATA_VERSIONS])).not.toEqual(kills);
  expect(new Set(kills.map((k) => k.from))).toEqual(new Set([0, ...DATA_VERSIONS]));
  expect(new Set(kills.map((k) => k.how)).size).toBe(3);
  expect(Math.max(...kills.map((k) => k.at))).toBeGreaterThan(0.9);
});
