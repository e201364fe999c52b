/** Judging as it was when entries were made: frozen, and, while it is the version in force, the same as judging is now. */
import { expect, test } from '@jest/globals';
import { transformSync } from 'esbuild';
import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { judge, pointsAsked, tailNames, walkFor, type PointAnswer } from '../inspect/judging';
import { ENTRIES } from '../knots/catalogue/entries';
import { entryById } from '../knots/catalogue/lookup';
import type { KnotEntry } from '../knots/facts/types';
import { usesOf } from '../knots/facts/uses';
import { COMMON_PRACTICE, rulesOf, shippedProfile, SHIPPED_VERSIONS } from '../profiles';
import { judgedBy, JUDGING_VERSION } from './index';

/** SHA-256 of a frozen version's code, without comments: it may never change. */
const FROZEN: Readonly<Record<number, string>> = {
  1: '2c7a38fdf103c9e72c9c4945a113c6bda93f75203a24a2c9c7325ab56e634808',
  2: 'b70af6f197776dbc84885c5091b2865d2cf3de60581dd3be1e39b667f11338db',
};

test.each(Object.entries(FROZEN))('version %s is what it was', (version, hash) => {
  const loader = version === '1' ? 'ts' : 'js';
  const source = readFileSync(join(import.meta.dirname, `v${version}/judge.${loader}`), 'utf8');
  const { code } = transformSync(source, { loader, minifyWhitespace: true, legalComments: 'none' });
  expect(createHash('sha256').update(code).digest('hex')).toBe(hash);
});

const pick = <T>(all: readonly T[]) => fc.constantFrom(...(all as readonly [T, ...T[]]));
const tail = fc.oneof(
  fc.record({
    tail_mm: fc.integer({ min: 0, max: 800 }),
    method: pick(['ruler', 'by-eye'] as const),
    uncertainty_mm: pick([0, 5, 10, 30]),
  }),
  fc.record({ fist: pick(['yes', 'just', 'no'] as const) }),
);
const askedOf = (entries: readonly KnotEntry[]) =>
  fc
    .record({
      entry: pick(entries),
      profile: pick(SHIPPED_VERSIONS),
      use: fc.nat(),
      stopper: fc.boolean(),
      rope_diameter_mm: fc.integer({ min: 5, max: 14 }),
      fist_mm: fc.integer({ min: 70, max: 120 }),
      secondSigned: fc.boolean(),
      rope_state: pick(['in-service', 'damaged', 'retired', undefined] as const),
      rolls: fc.array(fc.integer({ min: 0, max: 99 }), { minLength: 40, maxLength: 40 }),
      tails: fc.array(tail, { minLength: 2, maxLength: 2 }),
    })
    .map(({ entry, profile, use: of, rolls, tails, ...input }) => {
      const uses = usesOf(entry);
      const use = uses[of % uses.length]!;
      const answers = walkFor(rulesOf(profile), entry, { use }).points.flatMap((p, i): PointAnswer[] => {
        const roll = rolls[i % rolls.length]!;
        if (roll < 8) return [];
        if (roll < 14) return [{ point: p.id, found: 'cannot-see' }];
        if (p.id === 'tail')
          return [
            {
              point: p.id,
              found: 'right',
              tail: tails[0]!,
              ...(tailNames(entry).length > 1 && { more_tails: [tails[1]!] }),
            },
          ];
        if (roll < 25 && p.wrong.length > 0) return [{ point: p.id, found: p.wrong[roll % p.wrong.length]!.fault }];
        return [{ point: p.id, found: 'right' }];
      });
      return { entry, profile, input: { ...input, use, knot: entry.id, answers } };
    });

test('the version in force answers as judging does, of any knot under any rule set', () => {
  fc.assert(
    fc.property(askedOf(ENTRIES), ({ entry, profile, input: { stopper, ...input } }) => {
      expect(judgedBy(JUDGING_VERSION, { profile, entry, practice: COMMON_PRACTICE }, { ...input, stopper })).toEqual(
        judge(profile, input),
      );
    }),
    { numRuns: 400 },
  );
});

test('version 1 is asked as its checks were; a version that this program does not know judges nothing, nor one without what it judges by', () => {
  const [profile, entry] = [SHIPPED_VERSIONS[0]!, entryById('figure-eight-follow-through')];
  const input = {
    knot: entry.id,
    rope_diameter_mm: 10,
    stopper: true,
    fist_mm: 100,
    answers: [],
    secondSigned: false,
  };
  const by = { profile, entry, practice: null };
  expect(judgedBy(1, by, input)).toMatchObject({
    verdict: 'not-judged',
    not_judged: expect.arrayContaining(['stopper', 'harness']) as unknown,
  });
  expect(judgedBy(999, by, input)).toBeNull();
  expect(judgedBy(2, by, input)).toBeNull();
});

test('the points of a check are those of the judging it names', () => {
  const of = { profile: shippedProfile('sport-crag'), entry: entryById('bowline') };
  const ids = (check: Parameters<typeof pointsAsked>[0]) => pointsAsked(check, of).map((p) => p.id);
  // under version 1 a simple bowline's stopper is asked with the harness, whatever it is for
  expect(ids({ stopper: false })).toEqual(of.entry.check_points.map((p) => p.id));
  expect(ids({ judging: 2, stopper: false, use: 'hitch-object' })).not.toContain('harness');
  expect(
    pointsAsked({ stopper: false }, { ...of, entry: entryById('figure-eight-follow-through') }).map((p) => p.id),
  ).not.toContain('stopper');
});
