import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { knotIds } from '../knots/catalogue/catalogue';
import { SHIPPED_PROFILES, shippedProfile, type Profile } from '../profiles';
import { refuses } from '../topology/testing/curves';
import {
  BANDS,
  choose,
  PULLS,
  PURPOSES,
  whatElse,
  withElse,
  FRICTION_HITCHES,
  frictionHitch,
  passage,
  SHIPPED_TRIALS,
  type Job,
  type PassingTrial,
} from './index';
import { everyRule, firings } from './testing/firing';

const JOIN: Job = {
  purpose: 'join',
  profile: 'rope-access',
  rope: { kind: 'low-stretch', diameter_mm: 11 },
  second_rope: { kind: 'low-stretch', diameter_mm: 11 },
  pulls: ['through'],
  object: 'none',
  end_free: true,
  untie: 'any',
  must_pass: [],
  team: 'trained',
  life_load: true,
};
const ask = (change: Partial<Job>, trials?: readonly PassingTrial[]) =>
  choose({ ...JOIN, ...change }, shippedProfile(change.profile ?? JOIN.profile), trials);
const suited = (change: Partial<Job>, trials?: readonly PassingTrial[]) =>
  ask(change, trials).suited.map((s) => s.knot);
const because = (knot: string, change: Partial<Job>, trials?: readonly PassingTrial[]) =>
  ask(change, trials).excluded.find((x) => x.knot === knot)?.because ?? [];

describe('the rules', () => {
  test('every rule says no in some job', () =>
    expect([...firings().keys()].sort()).toEqual(everyRule().map((r) => r.id)));

  test('each no and each reason has its source, and the rule set it belongs to where it is one', () => {
    const c = ask({
      purpose: 'tie-in',
      object: 'harness',
      second_rope: null,
      pulls: ['standing-eye'],
      profile: 'sport-crag',
    });
    for (const r of [
      ...c.suited.flatMap((s) => [...s.reasons, ...s.cautions]),
      ...c.excluded.flatMap((x) => x.because),
    ])
      expect(['practice', 'general']).toContain(r.source);
    expect(c.suited[0]!.reasons.find((r) => r.rule === 'SC-K1')).toMatchObject({
      of: 'sport-crag',
      source: 'practice',
    });
    expect(c.suited[0]!.reasons.find((r) => r.rule === 'P0')).toMatchObject({ of: null });
  });

  test('raising what a rule set asks never suits more', () => {
    const sport = shippedProfile('sport-crag');
    const job: Job = { ...JOIN, purpose: 'tie-in', object: 'harness', second_rope: null, pulls: ['standing-eye'] };
    fc.assert(
      fc.property(fc.constantFrom(...knotIds()), (knot) => {
        const stricter: Profile = {
          ...sport,
          tieIn: [
            ...sport.tieIn.filter((k) => k.knot !== knot),
            { knot, says: 'only-with-stopper', rule: 'X1', text: 'asked', source: 'practice' },
          ],
        };
        const before = choose(job, sport).suited.map((s) => s.knot);
        for (const s of choose(job, stricter).suited) expect(before).toContain(s.knot);
        expect(choose(job, stricter).suited.map((s) => s.knot)).not.toContain(knot);
      }),
    );
  });

  test('exchanging standing part and tail where both are graded alike changes only the words', () => {
    const from = ask({
      purpose: 'midline',
      object: 'clip',
      second_rope: null,
      end_free: false,
      pulls: ['standing-eye'],
    }).suited.find((s) => s.knot === 'alpine-butterfly')!;
    const to = ask({
      purpose: 'midline',
      object: 'clip',
      second_rope: null,
      end_free: false,
      pulls: ['tail-eye'],
    }).suited.find((s) => s.knot === 'alpine-butterfly')!;
    // words change, figures do not
    const figures = (s: typeof from) => s.score_parts.map((p) => [p.part, p.value]);
    expect(figures(to)).toEqual(figures(from));
    expect(to.reasons.map((r) => r.rule)).toEqual(from.reasons.map((r) => r.rule));
    // up and down along a rope, for what grips both ways
    const grip = (pull: 'up' | 'down') =>
      ask({
        purpose: 'friction',
        object: 'rope',
        rope: { kind: 'accessory-cord', diameter_mm: 6 },
        second_rope: { kind: 'low-stretch', diameter_mm: 10 },
        pulls: [pull],
      }).suited.find((s) => s.knot === 'prusik')!;
    expect(figures(grip('up'))).toEqual(figures(grip('down')));
  });

  test('the score is told in parts, among them what loosens, bulk and what passes', () => {
    const parts = ask({}).suited[0]!.score_parts;
    expect(parts.map((p) => p.part)).toEqual([
      'made-for-it',
      'checked-by',
      'equal-ropes',
      'untying',
      'named-by-profile',
      'usual-for',
      'also-stands',
      'known-to',
      'ways-to-get-it-wrong',
      'loosens',
      'passes',
      'rope-used',
      'bulk',
    ]);
    for (const p of parts) expect(p.text.length).toBeGreaterThan(3);
  });

  test('thin slippery cord: only the butterfly is spoken of there', () => {
    const cord = {
      rope: { kind: 'high-modulus-cord' as const, diameter_mm: 6 },
      second_rope: null,
      purpose: 'midline' as const,
      object: 'clip' as const,
      pulls: ['through' as const, 'standing-eye' as const],
    };
    expect(suited(cord)).toEqual(['alpine-butterfly']);
    expect(because('butterfly-rewoven', cord).map((b) => b.rule)).toContain('R3');
  });

  test('unequal ropes: no limit is set, a caution is said, and joints for equal ropes stand behind the others', () => {
    const uneven = ask({ second_rope: { kind: 'low-stretch', diameter_mm: 9 } });
    const at = (id: string) => uneven.suited.findIndex((s) => s.knot === id);
    expect(uneven.suited.every((s) => s.cautions.some((c) => c.rule === 'D1'))).toBe(true);
    for (const other of ['figure-eight-bend', 'butterfly-bend'])
      expect(at('double-fishermans')).toBeGreaterThan(at(other));
    expect(ask({}).suited.some((s) => s.cautions.some((c) => c.rule === 'D1'))).toBe(false);
  });

  test('a rule set that says nothing about a knot is said to', () => {
    expect(
      ask({ profile: 'tree-work' })
        .suited.find((s) => s.knot === 'figure-eight-bend')!
        .cautions.find((c) => c.rule === 'S4'),
    ).toMatchObject({ of: 'tree-work' });
    expect(
      ask({ profile: 'rope-access' })
        .suited.find((s) => s.knot === 'figure-eight-bend')!
        .cautions.map((c) => c.rule),
    ).not.toContain('S4');
  });
});

describe('what passes what', () => {
  test('only a trial of that joint in about that rope says that it passes', () => {
    expect(suited({ must_pass: ['large-eight'] })).toEqual(['double-fishermans']);
    expect(suited({ must_pass: ['large-eight'], purpose: 'join-to-retrieve' })).toContain('offset-double-overhand');
    expect(suited({ must_pass: ['large-eight'] })).not.toContain('figure-eight-bend');
    expect(
      suited({
        must_pass: ['large-eight'],
        rope: { kind: 'low-stretch', diameter_mm: 9 },
        second_rope: { kind: 'low-stretch', diameter_mm: 9 },
      }),
    ).toEqual([]);
    // the trial was of two equal ropes
    expect(suited({ must_pass: ['large-eight'], second_rope: { kind: 'low-stretch', diameter_mm: 8 } })).toEqual([]);
    expect(
      because('double-fishermans', {
        must_pass: ['large-eight'],
        second_rope: { kind: 'low-stretch', diameter_mm: 8 },
      })[0],
    ).toMatchObject({ rule: 'M1', source: 'computed', text: expect.stringContaining('11 and 8 mm') });
    expect(suited({ must_pass: ['standard-eight'] })).toEqual([]);
    expect(because('triple-fishermans', { must_pass: ['large-eight'] })[0]).toMatchObject({
      rule: 'M2',
      text: expect.stringContaining('stuck'),
    });
    expect(because('figure-eight-bend', { must_pass: ['large-eight'] })[0]).toMatchObject({ rule: 'M1' });
  });

  test('what only passed by hand comes behind, and it is said', () => {
    const { suited: all } = ask({ must_pass: ['large-eight'] });
    expect(all.find((s) => s.knot === 'double-fishermans')!.cautions[0]).toMatchObject({
      rule: 'M3',
      text: expect.stringContaining('by hand'),
    });
    expect(
      ask({ must_pass: ['large-eight'], purpose: 'join-to-retrieve' })
        .suited.find((s) => s.knot === 'offset-double-overhand')!
        .reasons.at(-1),
    ).toMatchObject({ rule: 'M0', source: 'practice' });
  });

  test('a trial that is logged counts, the worst of several decides', () => {
    const trial = (result: PassingTrial['result']): PassingTrial => ({
      knot: 'figure-eight-bend',
      device: 'pulley',
      rope_diameter_mm: 11,
      result,
      caught: null,
      note: '',
      source: 'recorded',
    });
    expect(suited({ must_pass: ['pulley'] }, [...SHIPPED_TRIALS, trial('passes')])).toEqual(['figure-eight-bend']);
    expect(ask({ must_pass: ['pulley'] }, [trial('passes')]).suited[0]!.reasons.at(-1)).toMatchObject({
      rule: 'M0',
      source: 'recorded',
    });
    expect(suited({ must_pass: ['pulley'] }, [...SHIPPED_TRIALS, trial('passes'), trial('stuck')])).toEqual([]);
  });

  test('a size says at most that it is likely stuck', () => {
    for (const girth of [1, 30, 200])
      for (const device of ['pulley', 'tube', 'ring', 'edge'] as const)
        expect(['likely-stuck', 'not-known']).toContain(passage('figure-eight-bend', device, 11, girth).says);
    expect(passage('figure-eight-bend', 'tube', 11, 30)).toMatchObject({ says: 'likely-stuck', source: 'computed' });
    expect(passage('figure-eight-bend', 'tube', 11, 30, SHIPPED_TRIALS, 50).says).toBe('not-known');
    expect(passage('offset-overhand', 'edge', 11, 30)).toMatchObject({ says: 'passes', source: 'practice' });
  });
});

describe('cord against rope', () => {
  const on = (cord: number, rope: number, more: object = {}) =>
    frictionHitch({ hitch: 'prusik', cord_diameter_mm: cord, rope_diameter_mm: rope, ...more });
  test.each([
    [6.5, 8, 'just-above', 'above'],
    [6, 10, 'just-below', 'inside'],
    [5.5, 9, 'just-below', 'just-above'],
    [7, 10, 'inside', 'above'],
    [8, 10, 'inside', 'above'],
    [5, 10, 'below', 'inside'],
    [3, 10, 'below', 'below'],
  ] as const)('%d mm on %d mm', (cord, rope, first, second) =>
    expect(on(cord, rope).zones).toEqual({ '65-80': first, 'over-half': second }),
  );

  test('what is used outside both bands is said to be, and is no error; what will not bite or is weak is said', () => {
    expect(on(5.5, 9).cautions[0]).toMatchObject({ rule: 'H1', text: expect.stringContaining('used in practice') });
    expect(on(8, 10).zone_texts['over-half']).toMatch(/may not bite/);
    expect(on(3, 10).zone_texts['over-half']).toMatch(/weak/);
    expect(on(6, 10).cautions.map((c) => c.rule)).not.toContain('H1');
  });

  test('three wraps, one more for thick cord; a number of turns that is the hitch’s own is no choice', () => {
    expect([on(7, 10).wraps_advised, on(6.5, 8).wraps_advised]).toEqual([3, 4]);
    expect(on(7, 10, { wraps: 2 }).cautions.map((c) => c.rule)).toContain('H7');
    expect(
      frictionHitch({ hitch: 'distel', cord_diameter_mm: 7, rope_diameter_mm: 10, wraps: 4 }).cautions.map(
        (c) => c.rule,
      ),
    ).toContain('H7');
  });

  test('one way only: pulled both ways it is a caution, for the prusik it is none', () => {
    for (const hitch of FRICTION_HITCHES) {
      const found = frictionHitch({ hitch, cord_diameter_mm: 6.5, rope_diameter_mm: 9, direction: 'both' });
      expect([hitch, found.cautions.some((c) => c.rule === 'H5')]).toEqual([hitch, found.grips === 'one-way']);
    }
    expect(
      frictionHitch({
        hitch: 'klemheist',
        cord_diameter_mm: 6.5,
        rope_diameter_mm: 9,
        direction: 'down',
      }).cautions.some((c) => c.rule === 'H5'),
    ).toBe(false);
  });

  test('a job’s cord is held against the rope it grips', () => {
    const grip: Partial<Job> = {
      purpose: 'friction',
      object: 'rope',
      rope: { kind: 'accessory-cord', diameter_mm: 6 },
      second_rope: { kind: 'low-stretch', diameter_mm: 10 },
      pulls: ['down'],
    };
    expect(
      ask(grip)
        .suited.find((s) => s.knot === 'prusik')!
        .cautions.find((c) => c.rule === 'H0')!.text,
    ).toMatch(/60 %/);
  });

  test('every ratio has one zone for each school; what is no friction hitch is refused', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 4, max: 40, noNaN: true }),
        (cord, rope) => {
          const { zones, ratio } = on(cord, rope);
          for (const b of BANDS)
            expect(zones[b.id] === 'inside').toBe(ratio >= b.least - 1e-9 && ratio <= b.most + 1e-9);
        },
      ),
    );
    expect(() => frictionHitch({ hitch: 'bowline', cord_diameter_mm: 6, rope_diameter_mm: 10 })).toThrow(
      refuses('bad-input'),
    );
    expect(() => frictionHitch({ hitch: 'prusik', cord_diameter_mm: Number.NaN, rope_diameter_mm: 10 })).toThrow(
      refuses('not-a-number'),
    );
  });
});

describe('if something fails', () => {
  test('a midline eye is asked about its other end, about lying idle and about two things in it; a joint about an edge', () => {
    expect(whatElse({ purpose: 'midline', pulls: ['standing-eye'], must_pass: [] }).map((q) => q.id)).toEqual([
      'point-fails',
      'eye-idle',
      'two-in-the-eye',
    ]);
    expect(whatElse({ purpose: 'join-to-retrieve', pulls: ['through'], must_pass: [] }).map((q) => q.id)).toEqual([
      'over-an-edge',
    ]);
  });

  test('a yes goes into the job, and is not asked again; nothing that was suited before is gained by it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PURPOSES),
        fc.uniqueArray(fc.constantFrom(...PULLS), { minLength: 1 }),
        (purpose, pulls) => {
          const job: Job = { ...JOIN, purpose, pulls, second_rope: null, object: 'clip' };
          for (const q of whatElse(job)) {
            const next = withElse(job, q);
            expect(whatElse(next).map((x) => x.id)).not.toContain(q.id);
            expect(next.pulls.length + next.must_pass.length).toBeGreaterThan(job.pulls.length + job.must_pass.length);
            const before = choose(job, shippedProfile(job.profile)).suited.map((s) => s.knot);
            for (const s of choose(next, shippedProfile(job.profile)).suited) expect(before).toContain(s.knot);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what a rule set may say of joints', () => {
  const joining: Job = {
    ...JOIN,
    rope: { kind: 'dynamic', diameter_mm: 10 },
    second_rope: { kind: 'dynamic', diameter_mm: 8 },
  };
  const strict = { ...SHIPPED_PROFILES[0]!, unequalOver_mm: 1 };

  test('no shipped one sets a limit for unequal ropes; one that does rules the joints for equal ropes out beyond it, and only those', () => {
    expect(SHIPPED_PROFILES.every((p) => p.unequalOver_mm === undefined)).toBe(true);
    const free = choose(joining, SHIPPED_PROFILES[0]!);
    const held = choose(joining, strict);
    const out = held.excluded.filter((x) => x.because.some((b) => b.rule === 'D2')).map((x) => x.knot);
    expect(out.sort()).toEqual(['double-fishermans', 'triple-fishermans']);
    expect(free.suited.filter((s) => !out.includes(s.knot)).map((s) => s.knot)).toEqual(held.suited.map((s) => s.knot));
    expect(
      choose({ ...joining, second_rope: { kind: 'dynamic', diameter_mm: 9 } }, strict).excluded.some((x) =>
        x.because.some((b) => b.rule === 'D2'),
      ),
    ).toBe(false);
  });

  test('what it asks of a knot beside lengths is said of it', () => {
    const webbing: Job = { ...joining, second_rope: null, rope: { kind: 'webbing', diameter_mm: 25 } };
    const rescue = SHIPPED_PROFILES.find((p) => p.id === 'rescue-team')!;
    expect(choose(webbing, rescue).suited.find((s) => s.knot === 'water-knot')!.cautions).toContainEqual({
      rule: 'RT-A1',
      text: 'in webbing always with an overhand backup on both sides',
      source: 'practice',
      of: 'rescue-team',
    });
  });
});
