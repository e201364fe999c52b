/** Judging as it was when entries were made: frozen, and, while it is the version in force, the same as judging is now. */
import { expect, test } from '@jest/globals';
import { transformSync } from 'esbuild';
import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkPointsFor, judge, tailNames, type PointAnswer } from '../inspect/judging';
import { ENTRIES } from '../knots/catalogue/entries';
import { SHIPPED_VERSIONS } from '../profiles';
import { judgedBy, JUDGING_VERSION } from './index';

/** SHA-256 of a frozen version's code, without comments: it may never change. */
const FROZEN: Readonly<Record<number, string>> = {
  1: '2c7a38fdf103c9e72c9c4945a113c6bda93f75203a24a2c9c7325ab56e634808',
};

test.each(Object.entries(FROZEN))('version %s is what it was', (version, hash) => {
  const source = readFileSync(join(import.meta.dirname, `v${version}/judge.ts`), 'utf8');
  const { code } = transformSync(source, { loader: 'ts', minifyWhitespace: true, legalComments: 'none' });
  expect(createHash('sha256').update(code).digest('hex')).toBe(hash);
});

const pick = <T>(all: readonly T[]) => fc.constantFrom(...(all as readonly [T, ...T[]]));
const tail = fc.record({
  tail_mm: fc.integer({ min: 0, max: 800 }),
  method: pick(['ruler', 'by-eye'] as const),
  uncertainty_mm: pick([0, 5, 10, 30]),
});
const asked = fc
  .record({
    entry: pick(ENTRIES),
    profile: pick(SHIPPED_VERSIONS),
    stopper: fc.boolean(),
    rope_diameter_mm: fc.double({ min: 5, max: 14, noNaN: true }),
    fist_mm: fc.integer({ min: 70, max: 120 }),
    secondSigned: fc.boolean(),
    rope_state: pick(['in-service', 'damaged', 'retired', undefined] as const),
    rolls: fc.array(fc.integer({ min: 0, max: 99 }), { minLength: 40, maxLength: 40 }),
    tails: fc.array(tail, { minLength: 2, maxLength: 2 }),
  })
  .map(({ entry, rolls, tails, ...input }) => {
    const answers = checkPointsFor(entry, input.profile, input.stopper).flatMap((p, i): PointAnswer[] => {
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
    return { entry, profile: input.profile, input: { ...input, knot: entry.id, answers } };
  });

test('the version in force answers as judging does, of any knot under any rule set', () => {
  fc.assert(
    fc.property(asked, ({ entry, profile, input }) => {
      expect(judgedBy(JUDGING_VERSION, profile, entry, input)).toEqual(judge(profile, input));
    }),
    { numRuns: 400 },
  );
});

test('a version that this program does not know judges nothing', () => {
  expect(
    judgedBy(999, SHIPPED_VERSIONS[0]!, ENTRIES[0]!, {
      knot: ENTRIES[0]!.id,
      rope_diameter_mm: 10,
      stopper: false,
      fist_mm: 100,
      answers: [],
      secondSigned: false,
    }),
  ).toBeNull();
});
