import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entryById } from '../../knots/catalogue/lookup';
import { ENTRIES } from '../../knots/catalogue/entries';
import { PROFILE_IDS, shippedProfile, type Profile } from '../../profiles';
import { checkPointsFor, judge, stopperAsked, type JudgeInput, type PointAnswer } from '.';

const EIGHT = 'figure-eight-follow-through';
const tail = (tail_mm: number, uncertainty_mm = 5): PointAnswer => ({
  point: 'tail',
  found: 'right',
  tail: { tail_mm, method: 'ruler', uncertainty_mm },
});
const right = (knot: string, profile: string, stopper = false): PointAnswer[] =>
  checkPointsFor(entryById(knot), shippedProfile(profile), stopper).map((p) =>
    p.id === 'tail' ? tail(130) : { point: p.id, found: 'right' },
  );
const ask = (profile: string, change: Partial<JudgeInput> & { with?: PointAnswer[]; without?: string } = {}) => {
  const { with: extra = [], without, ...rest } = change;
  const knot = rest.knot ?? EIGHT;
  const base = right(knot, profile, rest.stopper).filter(
    (a) => a.point !== without && !extra.some((e) => e.point === a.point),
  );
  return judge(shippedProfile(profile), {
    knot,
    rope_diameter_mm: 10,
    stopper: false,
    fist_mm: 100,
    secondSigned: false,
    answers: [...base, ...extra],
    ...rest,
  });
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
      stopper: true,
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
  test.each([
    ['sport-crag', 99, 'put-right', 'tail-short'],
    ['sport-crag', 103, 'not-judged', 'right'],
    ['sport-crag', 105, 'meets', 'right'],
    ['rescue-team', 500, 'not-judged', 'right'],
    ['rope-access', 110, 'meets', 'right'],
  ] as const)('%s, %d mm: %s', (profile, mm, state, found) => {
    const mm_uncertain = mm === 99 ? tail(mm, 0) : tail(mm);
    expect(ask(profile, { with: [mm_uncertain] }).points.find((p) => p.point === 'tail')).toMatchObject({
      state,
      found: state === 'not-judged' ? 'right' : found,
    });
  });

  test('too long is put right with its reason', () => {
    expect(
      ask('sport-crag', { knot: 'bowline-locked', with: [tail(236)] }).points.find((p) => p.point === 'tail'),
    ).toMatchObject({ state: 'put-right', found: 'tail-long', text: 'tail 236 mm, at most 200' });
  });

  test('where a stopper stands in the place of a length, the stopper is judged', () => {
    const missing = ask('sport-crag', { stopper: true, with: [{ point: 'stopper', found: 'stopper-gap' }] });
    expect(missing.points.find((p) => p.point === 'tail')!.state).toBe('meets');
    expect(missing.verdict).toBe('put-right');
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

  test('no rule is no verdict: neither where nothing is asked of a tail, nor where a rule asks no length and no stopper is tied', () => {
    const tailOf = (profile: Profile, stopper: boolean) =>
      judge(profile, {
        knot: EIGHT,
        rope_diameter_mm: 10,
        stopper,
        fist_mm: 100,
        secondSigned: true,
        answers: right(EIGHT, profile.id, stopper),
      }).points.find((p) => p.point === 'tail');
    const [silent, crag] = [shippedProfile('rescue-team'), shippedProfile('sport-crag')];
    expect(tailOf(silent, true)).toMatchObject({ state: 'not-judged', tail: { rule: { id: 'none' } } });
    const lengths = crag.lengths.filter((r) => r.noLength).map(({ stopper: _, ...rule }) => rule);
    expect(tailOf({ ...crag, lengths }, true)).toMatchObject({ state: 'meets' });
    expect(tailOf({ ...crag, lengths }, false)).toMatchObject({ state: 'not-judged', text: lengths[0]!.text });
  });
});

test('the stopper is a point where one is tied or asked', () => {
  expect(stopperAsked('bowline', shippedProfile('sport-crag'))).toBe(true);
  expect(stopperAsked(EIGHT, shippedProfile('rescue-team'))).toBe(true);
  expect(stopperAsked(EIGHT, shippedProfile('rope-access'))).toBe(false);
  const ids = (stopper: boolean) =>
    checkPointsFor(entryById(EIGHT), shippedProfile('sport-crag'), stopper).map((p) => p.id);
  expect(ids(false)).not.toContain('stopper');
  expect(ids(true)).toContain('stopper');
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
      stopper: fc.boolean(),
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
        const points = checkPointsFor(entryById(input.knot), shippedProfile(profile), input.stopper).map((p) => p.id);
        const gone = points[drop % points.length]!;
        const j = judge(shippedProfile(profile), {
          rope_diameter_mm: 10,
          fist_mm: 100,
          ...input,
          answers: input.answers.filter((a) => a.point !== gone),
        });
        // under a stopper rule the tail is judged by the stopper's own point
        if (gone !== 'tail') expect(j.verdict).not.toBe('meets-the-rule');
      }),
      { numRuns: 300 },
    );
  });
});
