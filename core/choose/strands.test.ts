import { describe, expect, test } from '@jest/globals';
import { CATALOGUE } from '../knots/catalogue/shelved';
import { knotById, shapeOf } from '../knots/catalogue/catalogue';
import { SHIPPED_PROFILES } from '../profiles';
import { choose } from './choose';
import { PURPOSES, type Job } from './job';
import { jobFor, OBJECTS_FOR, PULLS_ASKED, pullsFor, SHOWN_FOR } from './forPurpose';
import { pullBetween, strandAt, strandsPulled, strandsThere, type StrandedComponent } from './strands';
import { TIE_IN } from './testing/jobs';

const thing = (purpose: Job['purpose']) =>
  shapeOf(SHOWN_FOR[purpose], 'right', 'tight') as readonly StrandedComponent[];

describe('the thing that is shown for a purpose', () => {
  test.each(PURPOSES)('%s: is made for it, and every pull asked is known of some knot made for it', (purpose) => {
    const made = CATALOGUE.map(({ entry }) => entry).filter((e) => (e.purposes as readonly string[]).includes(purpose));
    expect(knotById(SHOWN_FOR[purpose]).entry.purposes).toContain(purpose);
    const known = new Set(made.flatMap((e) => e.pulls.map((p) => p.pull as string)));
    const missing = [...known].filter((p) => !(PULLS_ASKED[purpose] as readonly string[]).includes(p));
    expect(missing).toEqual([]);
    // a stopper is pulled against what it stops, which is no pull of its own
    expect(PULLS_ASKED[purpose].filter((p) => !known.has(p) && purpose !== 'stopper')).toEqual([]);
  });

  test.each(PURPOSES)('%s: at least one of its pulls can be touched, strand against strand', (purpose) => {
    const there = strandsThere(thing(purpose));
    const between = there.flatMap((a) => there.map((b) => pullBetween(a, b))).filter((p) => p !== null);
    expect(between.some((p) => PULLS_ASKED[purpose].includes(p!))).toBe(true);
  });
});

test('strands are where they are marked: ends, eye, the rope that is gripped', () => {
  const eight = thing('tie-in');
  expect(strandsThere(eight)).toEqual(['standing', 'tail', 'eye']);
  const { points, marks } = eight[0]!;
  const at = (i: number) => strandAt(eight, points[i]![0], points[i]![1]);
  expect([at(0), at(points.length - 1), at(marks!.eye as number)]).toEqual(['standing', 'tail', 'eye']);
  expect(strandAt(eight, 60, 60)).toBeNull();
  expect(strandsThere(thing('join'))).toEqual(['standing', 'tail', 'other-standing', 'other-tail']);
  const prusik = thing('friction');
  expect(strandsThere(prusik)).toEqual(['legs', 'up', 'down']);
  expect([strandAt(prusik, 0, 12), strandAt(prusik, 0, -12)]).toEqual(['up', 'down']);
});

test('two strands make one pull in either order, and a pull lights the strands it draws at', () => {
  expect([
    pullBetween('eye', 'standing'),
    pullBetween('standing', 'eye'),
    pullBetween('eye', 'eye'),
    pullBetween('up', 'down'),
  ]).toEqual(['standing-eye', 'standing-eye', 'ring', null]);
  const there = strandsThere(thing('tie-in'));
  expect(strandsPulled(['standing-eye'], there)).toEqual(['standing', 'eye']);
  expect(strandsPulled(['ring'], there)).toEqual(['eye']);
  expect(strandsPulled(['all'], there)).toEqual(there);
  expect(strandsPulled([], there)).toEqual([]);
  expect(strandsPulled(['standing-eye'], strandsThere(thing('stopper')))).toEqual(['standing']);
});

test('with another purpose only pulls go along that are asked for it; one there always is', () => {
  expect(pullsFor('friction', ['standing-eye', 'ring'])).toEqual(['down']);
  expect(pullsFor('midline', ['standing-eye', 'up'])).toEqual(['standing-eye']);
});

describe('the job for another purpose', () => {
  const tieIn: Job = TIE_IN;

  test('gripping a rope: the rope becomes the gripped one, a cord takes its place; and back', () => {
    const grips = { ...tieIn, ...jobFor('friction', tieIn) };
    expect(grips).toMatchObject({
      rope: { kind: 'accessory-cord', diameter_mm: 6 },
      second_rope: { kind: 'dynamic', diameter_mm: 10 },
      object: 'rope',
      pulls: ['down'],
    });
    expect({ ...grips, ...jobFor('friction', grips) }).toEqual(grips);
    expect({ ...grips, ...jobFor('tie-in', grips) }).toEqual(tieIn);
  });

  test('from a joint to a hitch no pull goes along: it has another meaning there', () => {
    const joint = { ...tieIn, ...jobFor('join', tieIn) };
    expect([joint.pulls, jobFor('hitch-object', joint).pulls, jobFor('join-to-retrieve', joint).pulls]).toEqual([
      ['through'],
      ['standing-eye'],
      ['through'],
    ]);
  });

  test.each(PURPOSES)('%s: something suits the job as it then stands, under some rule set', (purpose) => {
    const job: Job = { ...tieIn, life_load: false, ...jobFor(purpose, tieIn) };
    const fits = (kind: Job['rope']['kind']) =>
      SHIPPED_PROFILES.some((profile) => choose({ ...job, rope: { ...job.rope, kind } }, profile).suited.length > 0);
    expect(fits(job.rope.kind) || fits(purpose === 'sling' ? 'webbing' : 'accessory-cord')).toBe(true);
    expect(OBJECTS_FOR[purpose]).toContain(job.object);
  });
});
