/** Every rule set with every knot for every use it is made for: a right one can meet the rule, a wrong one cannot. */
import { describe, expect, test } from '@jest/globals';
import { ENTRIES } from '../../knots/catalogue/entries';
import { entryById } from '../../knots/catalogue/lookup';
import type { KnotEntry } from '../../knots/facts/types';
import { companionsFor, partsOf, USES, usesOf, type Companion, type Use } from '../../knots/facts/uses';
import { lengthFor, refusalOf, rulesOf, SHIPPED_PROFILES, type Profile } from '../../profiles';
import { judge, tailNames, walkFor, wrongPicture, type PointAnswer, type Verdict } from '.';
import { faultsWithShape } from '../../knots/catalogue/catalogue';

/** What practice keeps from a life, written by hand: the knot, the use, the rule that says so. */
const REFUSED: readonly (readonly [string, Use, string])[] = [
  ['square-knot', 'sling', 'CP-U1'],
  ['square-knot', 'join', 'CP-U1'],
  ['square-knot', 'join-to-retrieve', 'CP-U1'],
  ['square-knot', 'cord-loop', 'CP-U1'],
  ['half-hitches', 'hitch-object', 'CP-U2'],
  ['overhand-stopper', 'stopper', 'CP-U3'],
  ['bowline', 'midline', 'CP-U9'],
  ['bowline', 'tether', 'CP-U9'],
  ['bowline', 'join', 'CP-U9'],
  ['bowline-yosemite', 'tie-in', 'CP-U9'],
  ['inline-eight', 'isolate-damage', 'CP-U9'],
  ['alpine-butterfly', 'tie-in', 'CP-U9'],
  ['offset-overhand', 'cord-loop', 'CP-U9'],
  ['figure-eight-bend', 'join-to-retrieve', 'CP-U9'],
  ['munter-hitch', 'tie-in', 'CP-U9'],
  ['girth-hitch', 'tether', 'CP-U9'],
  ['clove-hitch', 'tie-in', 'CP-U9'],
  ['figure-eight-on-bight', 'tie-in', 'CP-U9'],
  ['prusik', 'tie-in', 'CP-U9'],
  ['two-strand-backup', 'stopper', 'CP-U9'],
  ['autoblock', 'friction-climb', 'CP-U4'],
  ['autoblock', 'friction-escape', 'CP-U4'],
  ['distel', 'friction-both', 'CP-U8'],
  ['klemheist', 'friction-both', 'CP-U8'],
  ['michoacan', 'friction-both', 'CP-U8'],
  ['schwabisch', 'friction-both', 'CP-U8'],
];

test('what practice keeps from a life is refused, whatever the rule set and with common practice off', () => {
  for (const [knot, use, rule] of REFUSED)
    for (const profile of SHIPPED_PROFILES)
      for (const common of [true, false]) {
        const entry = entryById(knot);
        const walk = walkFor(rulesOf(profile, common), entry, { use });
        expect([knot, use, walk.refused?.id]).toEqual([knot, use, rule]);
        const j = judge(
          profile,
          { knot, use, rope_diameter_mm: 10, fist_mm: 100, answers: allRight(walk.points, 500), secondSigned: true },
          common,
        );
        expect([j.verdict, j.points[0]!.point, j.points[0]!.rule?.id]).toEqual(['take-out-and-retie', 'use', rule]);
      }
});

test('of the uses that knots are made for nothing else is refused', () => {
  const rules = rulesOf(SHIPPED_PROFILES[0]!);
  const refused = ENTRIES.flatMap((e) =>
    usesOf(e).flatMap((use) => (refusalOf(rules, e, use) ? [`${e.id} ${use}`] : [])),
  );
  expect(refused.sort()).toEqual([
    'autoblock friction-climb',
    'autoblock friction-escape',
    'distel friction-both',
    'half-hitches hitch-object',
    'klemheist friction-both',
    'michoacan friction-both',
    'overhand-stopper stopper',
    'schwabisch friction-both',
    'square-knot sling',
  ]);
});

test('a use whose pull the knot fails under is refused, by what happens then', () => {
  const hitch = entryById('figure-eight-follow-through');
  const failing = { ...hitch, pulls: [{ ...hitch.pulls[0]!, grade: 'fails' as const, what_happens: 'it runs' }] };
  expect(refusalOf(rulesOf(SHIPPED_PROFILES[0]!), failing, 'tie-in')).toMatchObject({
    id: 'CP-U8',
    text: 'pulled as this use pulls it, it fails: it runs',
  });
});

const allRight = (
  points: readonly { readonly id: PointAnswer['point'] }[],
  tail_mm: number,
  tails = 1,
): PointAnswer[] =>
  points.map(({ id }) => {
    const tail = { tail_mm, method: 'ruler' as const, uncertainty_mm: 5 };
    return id === 'tail'
      ? { point: id, found: 'right', tail, ...(tails > 1 && { more_tails: [tail] }) }
      : { point: id, found: 'right' };
  });

interface Case {
  readonly profile: Profile;
  readonly entry: KnotEntry;
  readonly use: Use;
  readonly companions: readonly Companion[];
}
const CASES: readonly Case[] = SHIPPED_PROFILES.flatMap((profile) =>
  ENTRIES.flatMap((entry) =>
    usesOf(entry)
      .filter((use) => refusalOf(rulesOf(profile), entry, use) === null)
      .flatMap((use): Case[] => {
        const may = companionsFor(entry, use).filter((c) => !partsOf(entry).includes(c));
        return [[], ...may.map((c) => [c])].map((companions) => ({ profile, entry, use, companions }));
      }),
  ),
);
const WORST: readonly Verdict[] = ['take-out-and-retie', 'put-right', 'not-judged', 'meets-the-rule'];
const atLeastAsBad = (v: Verdict, as: Verdict) => WORST.indexOf(v) <= WORST.indexOf(as);

function asked({ profile, entry, use, companions }: Case) {
  const rules = rulesOf(profile);
  const walk = walkFor(rules, entry, { use, companions });
  const length = lengthFor(profile, { knot: entry.id, use, companions, rope_diameter_mm: 10 });
  const least = length.required_mm ?? 0;
  const enough = Math.min(least + 30, length.max_mm ?? Infinity);
  const verdict = (answers: readonly PointAnswer[], secondSigned = true) =>
    judge(profile, { knot: entry.id, use, companions, rope_diameter_mm: 10, fist_mm: 100, answers, secondSigned });
  const right = (tail_mm: number) => allRight(walk.points, tail_mm, tailNames(entry).length);
  return { walk, length, least, enough, verdict, right };
}
const named = ({ profile, entry, use, companions }: Case) =>
  `${profile.id} ${entry.id} ${use} ${companions.join(',')}`.trim();

describe('every rule set, knot, use and companion', () => {
  test('there are as many as there are', () => {
    expect(CASES.length).toBeGreaterThan(500);
    expect(new Set(CASES.map((c) => c.use)).size).toBe(USES.length - 1); // nothing is made for lashing yet
  });

  test('all points right, the least tail and 30 mm, and a second person meet the rule', () => {
    for (const c of CASES) {
      const { verdict, right, enough } = asked(c);
      expect([named(c), verdict(right(enough)).verdict]).toEqual([named(c), 'meets-the-rule']);
    }
  });

  test('every wrong answer ends at least as badly as its fault says', () => {
    let answered = 0;
    for (const c of CASES) {
      const { walk, verdict, right, enough } = asked(c);
      for (const p of walk.points)
        for (const w of p.wrong) {
          answered++;
          const given = right(enough).map((a): PointAnswer => (a.point === p.id ? { point: p.id, found: w.fault } : a));
          const fault = c.entry.faults.find((f) => f.id === w.fault)?.verdict;
          const as = fault === 'remark' ? 'meets-the-rule' : (fault ?? 'put-right');
          const v = verdict(given).verdict;
          expect([named(c), p.id, w.fault, atLeastAsBad(v, as)]).toEqual([named(c), p.id, w.fault, true]);
        }
    }
    expect(answered).toBeGreaterThan(5000);
  });

  test('a tail that grows shorter never makes a verdict better; below the least none meets the rule', () => {
    for (const c of CASES) {
      const { walk, least, verdict, right } = asked(c);
      if (!walk.points.some((p) => p.id === 'tail') || least === 0) continue;
      const at = [least + 30, least + 1, least, least - 0.1, least / 2, 0].map((mm) => verdict(right(mm)).verdict);
      expect([named(c), at.slice(3)]).toEqual([named(c), ['put-right', 'put-right', 'put-right']]);
      expect([named(c), at[2]]).toEqual([named(c), 'meets-the-rule']);
    }
  });

  test('the length is the same whoever asks: the walk, and the length alone', () => {
    for (const c of CASES) {
      const { length, verdict, right, enough } = asked(c);
      const tail = verdict(right(enough)).points.find((p) => p.point === 'tail')?.tail;
      if (tail) expect([named(c), tail.required_mm]).toEqual([named(c), length.required_mm]);
      else expect([named(c), length.required_mm]).toEqual([named(c), null]);
    }
  });

  test('no right answer shows what a wrong one shows, and every point names its rule', () => {
    let pictures = 0;
    for (const c of CASES) {
      const { walk } = asked(c);
      for (const p of walk.points) {
        expect([named(c), p.id, p.id === 'tail' || p.rule !== null]).toEqual([named(c), p.id, true]);
        for (const w of p.wrong) {
          const picture = wrongPicture(c.entry.id, p, w, faultsWithShape(c.entry.id));
          if (!picture || !p.right.picture) continue;
          pictures++;
          const as = (of: typeof picture) =>
            JSON.stringify([of.knot ?? c.entry.id, of.form, of.face, of.state, of.harness, of.companion]);
          expect([named(c), p.id, as(picture)]).not.toEqual([named(c), p.id, as(p.right.picture)]);
        }
      }
    }
    expect(pictures).toBeGreaterThan(2000);
  });
});
