/** Every kind of rule that a rule set can hold is read by something: planted, it changes what is answered. */
import { describe, expect, test } from '@jest/globals';
import { choose, ropeNeeded, type Job } from '../choose';
import { TIE_IN } from '../choose/testing/jobs';
import { judge, walkFor, type PointAnswer } from '../inspect/judging';
import { entryById } from '../knots/catalogue/lookup';
import type { Use } from '../knots/facts/uses';
import { lookAgainAfter_h, rulesOf, shippedProfile, type Profile } from './index';
import { askedOf } from './rules';
import type { Asks } from './types';

const CRAG = shippedProfile('sport-crag');
const KNOT = 'bowline-locked';
const planted = (asks: Asks): Profile => ({
  ...CRAG,
  also: [...CRAG.also!, { rule: 'PLANTED', knots: [KNOT], uses: ['tie-in'], asks, text: 'planted', source: 'general' }],
});
const job = { ...(TIE_IN as unknown as Job), must_pass: [] };
const suited = (p: Profile) => choose(job, p).suited.find((s) => s.knot === KNOT)!;
const rope = (p: Profile) => ropeNeeded(p, { knot: KNOT, rope_diameter_mm: 10, use: 'tie-in' });
const walk = (p: Profile) => walkFor(rulesOf(p), entryById(KNOT), { use: 'tie-in' });
const verdict = (p: Profile) =>
  judge(p, {
    knot: KNOT,
    use: 'tie-in',
    rope_diameter_mm: 10,
    fist_mm: 100,
    secondSigned: false,
    answers: walk(p).points.map((x): PointAnswer =>
      x.id === 'tail'
        ? { point: 'tail', found: 'right', tail: { tail_mm: 150, method: 'ruler', uncertainty_mm: 5 } }
        : { point: x.id, found: 'right' },
    ),
  }).verdict;

/** Of each kind a rule, and what is answered with it that is not without. */
const READ: { readonly [K in Asks['kind']]: readonly [Extract<Asks, { kind: K }>, (p: Profile) => unknown] } = {
  companion: [
    { kind: 'companion', companions: ['stopper-behind'], how: 'required' },
    (p) => walk(p).points.find((x) => x.id === 'stopper')?.rule?.id,
  ],
  point: [{ kind: 'point', points: ['set'] }, (p) => walk(p).points.find((x) => x.id === 'set')!.rule!.id],
  named: [{ kind: 'named' }, (p) => suited(p).cautions.some((c) => c.rule === 'PLANTED')],
  bight: [{ kind: 'bight', least_mm: 450 }, (p) => rope(p).notes.includes('planted')],
  'in-hand': [{ kind: 'in-hand', least_mm: 700 }, (p) => rope(p).in_hand_mm],
  time: [{ kind: 'time', most_s: 60 }, (p) => suited(p).cautions.some((c) => c.rule === 'PLANTED')],
  'second-check': [{ kind: 'second-check', asked: 'required' }, verdict],
  'look-again': [{ kind: 'look-again', after_h: 3 }, (p) => lookAgainAfter_h(rulesOf(p), entryById(KNOT), 'tie-in')],
};

describe.each(Object.entries(READ))('a rule of kind %s', (_, [asks, answer]) => {
  test('is read', () => {
    expect(answer(planted(asks as Asks))).not.toEqual((answer as (p: Profile) => unknown)(CRAG));
  });
  test('of another knot or another use says nothing here', () => {
    const of = (change: object) => ({
      ...CRAG,
      also: [...CRAG.also!, { ...planted(asks as Asks).also!.at(-1)!, ...change }],
    });
    const without = (answer as (p: Profile) => unknown)(CRAG);
    expect((answer as (p: Profile) => unknown)(of({ knots: ['prusik'] }))).toEqual(without);
    expect((answer as (p: Profile) => unknown)(of({ uses: ['friction'] }))).toEqual(without);
  });
});

test('a rule of a use holds for what says that use more closely, and one of that for nothing wider', () => {
  const of = (uses: readonly Use[]): Profile => ({
    ...CRAG,
    also: [
      ...CRAG.also!,
      {
        rule: 'PLANTED',
        knots: ['prusik'],
        uses,
        text: 'planted',
        source: 'general',
        asks: { kind: 'second-check', asked: 'required' },
      },
    ],
  });
  const asked = (uses: readonly Use[], use: Use) =>
    askedOf(rulesOf(of(uses)), entryById('prusik'), use, 'second-check').some((a) => a.rule.id === 'PLANTED');
  expect(asked(['friction'], 'friction-climb')).toBe(true);
  expect(asked(['friction-climb'], 'friction-climb')).toBe(true);
  expect(asked(['friction-climb'], 'friction')).toBe(false);
  expect(asked(['friction-climb'], 'friction-backup')).toBe(false);
});
