import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entryById } from '../../knots/catalogue/lookup';
import { ENTRIES } from '../../knots/catalogue/entries';
import { PROFILE_IDS, rulesOf, SHIPPED_PROFILES, shippedProfile, type Profile } from '../../profiles';
import type { Companion, Use } from '../../knots/facts/uses';
import { usesOf } from '../../knots/facts/uses';
import { graveBeyondShortLook, judge, walkFor, type JudgeInput, type PointAnswer } from '.';

const EIGHT = 'figure-eight-follow-through';
const tail = (tail_mm: number, uncertainty_mm = 5): PointAnswer => ({
  point: 'tail',
  found: 'right',
  tail: { tail_mm, method: 'ruler', uncertainty_mm },
});
const STOPPER: readonly Companion[] = ['stopper-behind'];
const right = (knot: string, profile: Profile, use?: Use, companions: readonly Companion[] = []): PointAnswer[] =>
  walkFor(rulesOf(profile), entryById(knot), { use, companions }).points.map((p) =>
    p.id === 'tail' ? tail(130) : { point: p.id, found: 'right' },
  );
const ask = (
  profile: string,
  change: Partial<JudgeInput> & { with?: PointAnswer[]; without?: string; common?: boolean } = {},
) => {
  const { with: extra = [], without, common, ...rest } = change;
  const knot = rest.knot ?? EIGHT;
  const use = rest.use ?? 'tie-in';
  const base = right(knot, shippedProfile(profile), use, rest.companions).filter(
    (a) => a.point !== without && !extra.some((e) => e.point === a.point),
  );
  return judge(
    shippedProfile(profile),
    {
      knot,
      use,
      rope_diameter_mm: 10,
      fist_mm: 100,
      secondSigned: false,
      answers: [...base, ...extra],
      ...rest,
    },
    common,
  );
};

describe('the verdict', () => {
  test('everything right meets the rule; where a second person is required only with one', () => {
    expect(ask('sport-crag')).toMatchObject({ verdict: 'meets-the-rule', second_signature: 'missing-advised' });
    expect(ask('rope-access')).toMatchObject({
      verdict: 'not-judged',
      points_verdict: 'meets-the-rule',
      second_signature: 'missing-required',
    });
    expect(ask('rope-access', { secondSigned: true })).toMatchObject({
      verdict: 'meets-the-rule',
      second_signature: 'present',
    });
  });

  test('the worst point decides: take out before put right before not judged', () => {
    const fatal: PointAnswer = { point: 'name', found: 'half-finished' };
    const mend: PointAnswer = { point: 'set', found: 'loose' };
    const unseen: PointAnswer = { point: 'back', found: 'cannot-see' };
    expect(ask('sport-crag', { with: [fatal, mend, unseen] }).verdict).toBe('take-out-and-retie');
    expect(ask('sport-crag', { with: [mend, unseen] })).toMatchObject({ verdict: 'put-right', not_judged: ['back'] });
    expect(ask('sport-crag', { with: [unseen] })).toMatchObject({ verdict: 'not-judged', not_judged: ['back'] });
    expect(ask('rope-access', { with: [mend], secondSigned: true }).verdict).toBe('put-right');
  });

  test('a point not looked at is not judged, and no second signature heals it', () => {
    expect(ask('rope-access', { without: 'harness', secondSigned: true })).toMatchObject({
      verdict: 'not-judged',
      not_judged: ['harness'],
    });
  });

  test('a remark changes nothing', () => {
    const r = ask('sport-crag', {
      knot: 'double-bowline',
      companions: STOPPER,
      with: [{ point: 'path', found: 'tail-outside-eye' }],
    });
    expect(r.points.find((p) => p.point === 'path')!.state).toBe('remark');
    expect(r.points.some((p) => p.state === 'put-right' || p.state === 'take-out-and-retie')).toBe(false);
  });

  test('an answer that is none of the point is refused', () => {
    expect(() => ask('sport-crag', { with: [{ point: 'front', found: 'half-finished' }] })).toThrow(
      expect.objectContaining({
        code: 'bad-input',
        errors: [{ path: 'answers.front.found', message: '"half-finished" is no answer to this point' }],
      }) as unknown as Error,
    );
  });
});

describe('the tail in it', () => {
  const by = (tail_mm: number, method: 'ruler' | 'fists', uncertainty_mm: number): PointAnswer => ({
    point: 'tail',
    found: 'right',
    tail: { tail_mm, method, uncertainty_mm },
  });
  test.each([
    ['sport-crag', by(99, 'ruler', 5), 'put-right', 'tail-short', -1],
    ['sport-crag', by(100, 'ruler', 5), 'meets', 'right', 0],
    ['sport-crag', by(103, 'fists', 10), 'not-judged', 'right', -7],
    ['sport-crag', by(110, 'fists', 10), 'meets', 'right', 0],
    ['sport-crag', by(89.9, 'fists', 10), 'put-right', 'tail-short', -21],
    ['rescue-team', by(99.9, 'ruler', 5), 'put-right', 'tail-short', -1],
    ['rope-access', by(110, 'ruler', 5), 'meets', 'right', 10],
  ] as const)('%s, %j: %s', (profile, given, state, found, margin_mm) => {
    expect(ask(profile, { with: [given] }).points.find((p) => p.point === 'tail')).toMatchObject({
      state,
      found,
      tail: { margin_mm },
    });
  });

  test('a fist laid on is more, just one, or less: it decides where the limit is a fist, else a ruler is asked for', () => {
    const laid = (profile: string, fist: 'yes' | 'just' | 'no', change: object = {}) =>
      ask(profile, { ...change, with: [{ point: 'tail', found: 'right', tail: { fist } }] }).points.find(
        (p) => p.point === 'tail',
      )!.state;
    expect((['yes', 'just', 'no'] as const).map((f) => laid('rope-access', f))).toEqual([
      'meets',
      'meets',
      'put-right',
    ]);
    // 100 mm are asked, and this fist is less
    expect((['yes', 'just', 'no'] as const).map((f) => laid('sport-crag', f, { fist_mm: 90 }))).toEqual([
      'not-judged',
      'put-right',
      'put-right',
    ]);
    // and this one more: less than it may still be enough
    expect((['yes', 'just', 'no'] as const).map((f) => laid('sport-crag', f, { fist_mm: 110 }))).toEqual([
      'meets',
      'meets',
      'not-judged',
    ]);
    // a greatest length is not told by a fist
    const locked = { knot: 'bowline-locked', fist_mm: 100 };
    expect([laid('sport-crag', 'yes', locked), laid('sport-crag', 'just', locked)]).toEqual(['not-judged', 'meets']);
  });

  test('too long is put right with its reason', () => {
    expect(
      ask('sport-crag', { knot: 'bowline-locked', with: [tail(236)] }).points.find((p) => p.point === 'tail'),
    ).toMatchObject({ state: 'put-right', found: 'tail-long', text: 'tail 236 mm, at most 200' });
  });

  test('where a stopper stands in the place of a length, its own tail is asked and the stopper is looked at', () => {
    const gap = ask('sport-crag', { companions: STOPPER, with: [{ point: 'stopper', found: 'stopper-gap' }] });
    expect(gap.points.find((p) => p.point === 'tail')).toMatchObject({
      state: 'meets',
      tail: { length_kind: 'beyond_stopper', required_mm: 75, rule: { id: 'CP-T10', layer: 'common' } },
    });
    expect(gap.verdict).toBe('put-right');
    expect(ask('sport-crag', { companions: STOPPER, with: [tail(74)] }).verdict).toBe('put-right');
  });

  test('cannot see is not judged, whatever length stands beside it; not answered is told apart from it', () => {
    const seen = (...answers: PointAnswer[]) =>
      ask('sport-crag', { without: 'tail', with: answers }).points.find((p) => p.point === 'tail');
    const unseen = { state: 'not-judged', found: 'cannot-see', text: 'could not be seen', what_to_do: null };
    expect(seen({ point: 'tail', found: 'cannot-see' })).toMatchObject(unseen);
    expect(seen({ ...tail(130), found: 'cannot-see' })).toMatchObject(unseen);
    expect(seen()).toMatchObject({ state: 'not-judged', found: 'unanswered', text: 'not measured' });
    expect(ask('sport-crag', { with: [{ point: 'tail', found: 'cannot-see' }] }).not_judged).toEqual(['tail']);
  });

  test('what to do is that of the fault it is: too short, too long', () => {
    const todo = (knot: string, id: string) => entryById(knot).faults.find((f) => f.id === id)!.what_to_do;
    const of = (knot: string, mm: number) =>
      ask('sport-crag', { knot, with: [tail(mm)] }).points.find((p) => p.point === 'tail')!.what_to_do;
    expect(of(EIGHT, 60)).toBe(todo(EIGHT, 'tail-short'));
    expect(of('bowline-locked', 236)).toBe(todo('bowline-locked', 'tail-long'));
  });

  test('silence of every layer that counts is no verdict; a rule that asks no length blocks nothing and says so', () => {
    const tailOf = (change: object) =>
      ask('sport-crag', { ...change, secondSigned: true }).points.find((p) => p.point === 'tail');
    expect(tailOf({ knot: 'bowline', companions: STOPPER, common: false })).toMatchObject({
      state: 'not-judged',
      rule: null,
      tail: { rule: { id: 'none' } },
    });
    const none = tailOf({ companions: STOPPER, common: false });
    expect(none).toMatchObject({ state: 'meets', rule: { id: 'SC-T1', layer: 'school' } });
    expect(none!.text).toBe(
      'tail 130 mm, noted; no length is asked: with a stopper butted up to the eight no length is asked',
    );
  });
});

describe('the companion', () => {
  test('that is said to be tied has its own tail measured; where it is only asked the length is the knot’s own', () => {
    const asked = (companions?: readonly Companion[]) =>
      ask('rescue-team', { ...(companions && { companions }), with: [tail(80)], secondSigned: true });
    expect(asked(['two-strand-backup']).verdict).toBe('meets-the-rule');
    expect(asked().points.find((p) => p.point === 'tail')).toMatchObject({
      state: 'put-right',
      tail: { length_kind: 'tail', required_mm: 100 },
    });
  });
  const points = (profile: string, knot: string, use: Use, companions: readonly Companion[] = []) =>
    walkFor(rulesOf(shippedProfile(profile)), entryById(knot), { use, companions });
  test('is a point where a rule asks it, or it is tied; the rule is named', () => {
    const at = (...of: Parameters<typeof points>) => points(...of).points.find((p) => p.id === 'stopper');
    expect(at('rope-access', EIGHT, 'tie-in')).toBeUndefined();
    expect(at('rope-access', EIGHT, 'tie-in', STOPPER)).toMatchObject({ companion: 'stopper-behind' });
    expect(at('rescue-team', EIGHT, 'tie-in')).toMatchObject({
      companion: 'two-strand-backup',
      rule: { id: 'RT-K2', layer: 'school' },
    });
    expect(at('tree-work', 'bowline', 'tie-in')).toMatchObject({ rule: { id: 'B1', layer: 'school' } });
    expect(at('river-expedition', 'bowline-yosemite', 'end-loop')).toMatchObject({ rule: { id: 'CP-K2' } });
    expect(at('river-expedition', 'overhand-on-bight', 'tether')).toMatchObject({ companion: 'stopper-in-tag' });
    expect(at('rescue-team', 'water-knot', 'sling')).toMatchObject({ rule: { id: 'RT-A1' } });
    expect(at('sport-crag', 'water-knot', 'sling')).toBeUndefined();
  });
  test('either of those that a rule names will do; one that is not tied to this knot is refused', () => {
    expect(points('sport-crag', 'bowline', 'tie-in').companions).toEqual(['stopper-behind']);
    expect(points('sport-crag', 'bowline', 'tie-in', ['two-strand-backup']).companions).toEqual(['two-strand-backup']);
    expect(() => points('sport-crag', 'bowline', 'tie-in', ['backed-both-sides'])).toThrow(/field|faults/);
  });
  test('shows the knot with it beside the knot without: no right answer shows what the question denies', () => {
    const { right: r, wrong } = points('rescue-team', EIGHT, 'tie-in').points.find((p) => p.id === 'stopper')!;
    expect(r.picture).toMatchObject({ knot: 'two-strand-backup', form: 'right' });
    expect(wrong.map((w) => [w.fault, w.picture?.knot ?? EIGHT, w.picture?.form])).toEqual([
      ['stopper-missing', EIGHT, 'right'],
      ['stopper-gap', 'two-strand-backup', 'stopper-gap'],
      ['stopper-wrong-strand', 'two-strand-backup', 'stopper-wrong-face'],
    ]);
  });
  test('its faults are judged by their own words', () => {
    const found = (id: 'stopper-missing' | 'stopper-wrong-strand') =>
      ask('sport-crag', { companions: STOPPER, with: [{ point: 'stopper', found: id }] });
    expect(found('stopper-missing').verdict).toBe('put-right');
    expect(found('stopper-wrong-strand').points.find((p) => p.point === 'stopper')).toMatchObject({
      state: 'put-right',
      text: 'round the tail alone',
      what_to_do: 'Take the stopper out and tie it round the standing part.',
    });
    // a stopper that nobody said was tied, found wrong, counts all the same
    expect(ask('sport-crag', { with: [{ point: 'stopper', found: 'stopper-gap' }] }).verdict).toBe('put-right');
  });
});

describe('what it is for', () => {
  test('decides what is asked: a harness of a tie-in alone, no tail in the middle of a rope', () => {
    const ids = (knot: string, use: Use) =>
      walkFor(rulesOf(shippedProfile('sport-crag')), entryById(knot), { use }).points.map((p) => p.id);
    expect(ids(EIGHT, 'tie-in')).toEqual(expect.arrayContaining(['harness', 'eye', 'tail']));
    expect(ids(EIGHT, 'hitch-object')).not.toContain('harness');
    expect(ids('bowline-on-bight', 'two-eyes')).toContain('tail');
    expect(ids('bowline-on-bight', 'midline')).not.toContain('tail');
  });
  test('a knot that isolates damage is judged as that; any other in that rope is ordered out', () => {
    const damaged = (use: Use, rope_state: 'damaged' | 'retired' = 'damaged') =>
      ask('sport-crag', { knot: 'alpine-butterfly', use, rope_state }).verdict;
    expect([damaged('isolate-damage'), damaged('midline'), damaged('isolate-damage', 'retired')]).toEqual([
      'meets-the-rule',
      'take-out-and-retie',
      'take-out-and-retie',
    ]);
  });
  test('who tied it unknown: a second person is asked whatever the rule set says', () => {
    expect(ask('sport-crag', { tied_by_unknown: true })).toMatchObject({
      verdict: 'not-judged',
      second_signature: 'missing-required',
    });
    expect(ask('sport-crag', { tied_by_unknown: true, secondSigned: true }).verdict).toBe('meets-the-rule');
  });
  test('no rule set that ships allows a short look for a knot that has a grave fault elsewhere', () => {
    expect(graveBeyondShortLook(entryById(EIGHT))).toContain('half-finished');
    for (const p of SHIPPED_PROFILES)
      for (const knot of p.shortLook ?? [])
        expect([p.id, knot, graveBeyondShortLook(entryById(knot))]).toEqual([p.id, knot, []]);
  });
  test('a short look is allowed by the rule set alone, and never meets the rule', () => {
    expect(() => ask('sport-crag', { short: true })).toThrow(/short look/);
    const allows = { ...shippedProfile('sport-crag'), shortLook: ['bowline-on-bight', EIGHT] };
    const short = (knot: string, use: Use) =>
      judge(allows, {
        knot,
        use,
        rope_diameter_mm: 10,
        fist_mm: 100,
        secondSigned: true,
        short: true,
        answers: right(knot, allows, use),
      });
    const look = short('bowline-on-bight', 'two-eyes');
    expect(look).toMatchObject({ verdict: 'not-judged', not_judged: [], short: { points: 5, of: 7 } });
    // it is no second look either
    expect(look.second_signature).not.toBe('present');
    expect(short(EIGHT, 'tie-in').short!.of).toBeGreaterThan(look.short!.of);
    const walk = walkFor(rulesOf(allows), entryById('bowline-on-bight'), { use: 'two-eyes', short: true });
    expect(walk.points.map((p) => p.id)).toEqual(['front', 'back', 'eye', 'tail', 'set']);
  });
});

describe('any answers', () => {
  const answers = (knot: string) => {
    const points = entryById(knot).check_points;
    return fc
      .tuple(
        ...points.map((p) =>
          fc.option(
            p.id === 'tail'
              ? fc.integer({ min: 0, max: 400 }).map((mm) => tail(mm))
              : fc
                  .constantFrom<PointAnswer['found']>('right', 'cannot-see', ...p.wrong.map((w) => w.fault))
                  .map((found): PointAnswer => ({ point: p.id, found })),
          ),
        ),
      )
      .map((all) => all.filter((a) => a !== null));
  };
  const any = fc.constantFrom(...ENTRIES.map((e) => e.id)).chain((knot) =>
    fc.record({
      knot: fc.constant(knot),
      profile: fc.constantFrom(...PROFILE_IDS),
      answers: answers(knot),
      use: fc.constantFrom(...usesOf(entryById(knot))),
      secondSigned: fc.boolean(),
    }),
  );

  test('meets the rule only when every point meets it (or is a remark) and who must sign has signed', () => {
    fc.assert(
      fc.property(any, ({ profile, ...input }) => {
        const j = judge(shippedProfile(profile), { rope_diameter_mm: 10, fist_mm: 100, ...input });
        const clean = j.points.length > 0 && j.points.every((p) => p.state === 'meets' || p.state === 'remark');
        expect(j.verdict === 'meets-the-rule').toBe(clean && j.second_signature !== 'missing-required');
        expect(j.not_judged).toEqual(j.points.filter((p) => p.state === 'not-judged').map((p) => p.point));
        for (const p of j.points)
          if (p.state === 'put-right' || p.state === 'take-out-and-retie') expect(p.what_to_do).toBeTruthy();
      }),
      { numRuns: 400 },
    );
  });

  test('leaving an answer out never makes a verdict better than not judged', () => {
    fc.assert(
      fc.property(any, fc.nat(), ({ profile, ...input }, drop) => {
        const points = walkFor(rulesOf(shippedProfile(profile)), entryById(input.knot), input).points.map((p) => p.id);
        const gone = points[drop % points.length]!;
        const j = judge(shippedProfile(profile), {
          rope_diameter_mm: 10,
          fist_mm: 100,
          ...input,
          answers: input.answers.filter((a) => a.point !== gone),
        });
        expect(j.verdict).not.toBe('meets-the-rule');
      }),
      { numRuns: 300 },
    );
  });
});
