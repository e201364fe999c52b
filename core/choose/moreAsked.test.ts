/** What can be asked beyond the rest of a job, and what practice keeps from a person's weight. */
import { describe, expect, test } from '@jest/globals';
import { entryById } from '../knots/catalogue/lookup';
import { shippedProfile } from '../profiles';
import { choose, jobFor, passage, SHIPPED_TRIALS, type Job, type PassingTrial } from './index';
import { TIE_IN } from './testing/jobs';

const BASE = TIE_IN as unknown as Job;
const job = (purpose: Job['purpose'], change: Partial<Job> = {}): Job => ({
  ...BASE,
  ...jobFor(purpose, BASE),
  must_pass: [],
  untie: 'any',
  team: 'trained',
  ...change,
});
const answer = (j: Job, trials?: readonly PassingTrial[]) => choose(j, shippedProfile(j.profile), trials);
const suited = (j: Job) => answer(j).suited.map((s) => s.knot);
const because = (knot: string, j: Job) =>
  answer(j)
    .excluded.find((x) => x.knot === knot)
    ?.because.map((b) => b.rule) ?? [];

describe('a stopper that will be tied', () => {
  test('makes those suited that are tied only with one, says so, and counts its rope', () => {
    expect(suited(job('tie-in'))).not.toEqual(expect.arrayContaining(['double-bowline']));
    const a = answer(job('tie-in', { stopper_behind: true }));
    expect(a.suited.map((s) => s.knot)).toEqual(expect.arrayContaining(['bowline', 'double-bowline']));
    expect(a.nearly).toEqual([]);
    const double = a.suited.find((s) => s.knot === 'double-bowline')!;
    expect(double.cautions.find((c) => c.rule === 'S5')!.text).toBe(
      'with the stopper behind it: a stopper gives the double bowline a margin',
    );
    const rope = (stopper_behind?: true) =>
      answer(job('tie-in', { life_load: false, stopper_behind }))
        .suited.find((s) => s.knot === 'bowline-locked')!
        .score_parts.find((p) => p.part === 'rope-used')!.value;
    expect(rope(true)).toBeGreaterThan(rope() + 200);
  });
  test('an overhand on a bight is a tether only with its stopper', () => {
    const tether = job('tether');
    expect(answer(tether).nearly).toMatchObject([
      { knot: 'overhand-on-bight', rule: 'CP-K3', change: 'add-stopper', wouldDoIf: 'with a stopper in the tag' },
    ]);
    expect(suited({ ...tether, stopper_behind: true })).toContain('overhand-on-bight');
  });
});

test('what is to be adjusted where it hangs decides first: a tether is a clove then', () => {
  expect(suited(job('tether'))[0]).toBe('figure-eight-on-bight');
  expect(suited(job('tether', { adjustable: true }))[0]).toBe('clove-hitch');
  const parts = answer(job('tether', { adjustable: true })).suited[0]!.score_parts;
  expect(parts[0]).toMatchObject({ part: 'adjusts', value: 0, text: entryById('clove-hitch').adjust.text });
  expect(answer(job('tether')).suited[0]!.score_parts.map((p) => p.part)).not.toContain('adjusts');
});

describe('the end of a rope', () => {
  test('a plain overhand is not offered for a person; the larger stopper comes first', () => {
    expect(because('overhand-stopper', job('stopper'))[0]).toBe('L3');
    expect(suited(job('stopper', { life_load: false }))).toContain('overhand-stopper');
    // of two that tie in everything before it the larger comes first
    const order = suited(job('stopper'));
    expect(order.indexOf('double-overhand-stopper')).toBeLessThan(order.indexOf('figure-eight-stopper'));
    expect(order).toHaveLength(4);
  });
  test('what is smaller than the opening it stops at goes through', () => {
    const at = (opening_mm: number) => job('stopper', { devices: [{ kind: 'descender', opening_mm }] });
    expect(suited(at(10)).length).toBeGreaterThan(2);
    expect(suited(at(200))).toEqual([]);
    expect(because('figure-eight-stopper', at(200))).toContain('M4');
  });
});

describe('pulls that come to others', () => {
  test('a loop in the middle that is pulled any way is a butterfly; one way only an inline eight', () => {
    const every = ['standing-eye', 'tail-eye', 'through', 'all', 'cross', 'ring'] as const;
    expect(suited(job('midline', { pulls: every }))).toEqual(['alpine-butterfly']);
    expect(suited(job('midline', { pulls: ['standing-eye'] }))[0]).toBe('inline-eight');
    expect(because('inline-eight', job('midline', { pulls: ['cross'] }))).toContain('P1');
  });
  test('a sling of tape is found whatever pull was kept', () => {
    for (const pull of ['standing-eye', 'through', 'ring'] as const)
      expect(suited(job('sling', { pulls: [pull], rope: { kind: 'webbing', diameter_mm: 16 } }))[0]).toBe('water-knot');
  });
});

describe('what practice keeps from a person', () => {
  test('a girth hitch on one strand of rope; in a sling it will do', () => {
    expect(because('girth-hitch', job('hitch-object', { object: 'post' }))).toContain('L4');
    const sling = { rope: { kind: 'webbing', diameter_mm: 16 } } as const;
    expect(because('girth-hitch', job('hitch-object', { object: 'post', ...sling }))).not.toContain('L4');
  });
  const grip = (change: Partial<Job> = {}) =>
    job('friction', {
      rope: { kind: 'accessory-cord', diameter_mm: 6 },
      second_rope: { kind: 'low-stretch', diameter_mm: 10 },
      ...change,
    });
  test('an autoblock that is climbed on; a cord as thick as the rope', () => {
    expect(because('autoblock', grip({ pulls: ['up'] }))).toEqual(['L5']);
    expect(suited(grip({ pulls: ['down'] }))).toContain('autoblock');
    const thick = grip({
      rope: { kind: 'accessory-cord', diameter_mm: 7 },
      second_rope: { kind: 'low-stretch', diameter_mm: 7 },
    });
    expect(suited(thick)).toEqual([]);
    expect(because('prusik', thick)).toEqual(['L6']);
  });
  test('in cord the hitches that are let go under load are offered, the one that is harder to dress last of its kind', () => {
    const offered = suited(
      job('releasable', {
        rope: { kind: 'accessory-cord', diameter_mm: 6 },
        object: 'rope',
        untie: 'under-load',
        pulls: ['down'],
      }),
    ).filter((k) => ['distel', 'schwabisch', 'michoacan'].includes(k));
    expect(offered.at(-1)).toBe('distel');
    expect(offered).toHaveLength(3);
  });
});

test('on a post the tension-free hitch comes first; what a rule set says of a harness names nothing there', () => {
  for (const profile of ['sport-crag', 'rescue-team']) {
    const a = answer(job('hitch-object', { object: 'post', profile }));
    expect(a.suited[0]!.knot).toBe('tension-free-hitch');
    expect(a.suited.flatMap((s) => [...s.reasons, ...s.cautions]).map((r) => r.rule)).not.toContain('SC-A2');
    const said = a.suited[0]!.cautions.map((c) => c.rule);
    expect(said.includes('S4') && said.some((r) => r.startsWith('RT-'))).toBe(false);
  }
});

test('cord is closed by a double fisherman’s, then a triple, before anything else', () => {
  const cord = { kind: 'accessory-cord', diameter_mm: 6 } as const;
  expect(suited(job('cord-loop', { rope: cord })).slice(0, 2)).toEqual(['double-fishermans', 'triple-fishermans']);
});

describe('trials of passing', () => {
  const trial = (change: Partial<PassingTrial> = {}): PassingTrial => ({
    knot: 'figure-eight-bend',
    device: 'pulley',
    rope_diameter_mm: 11,
    result: 'passes',
    caught: null,
    note: '',
    source: 'recorded',
    opening_mm: 60,
    tail_mm: 100,
    ...change,
  });
  test('speak for their opening and for tails no longer than theirs', () => {
    const says = (opening: number | null, tail: number | null, t = trial()) =>
      passage('figure-eight-bend', 'pulley', 11, 30, [t], opening, tail).says;
    expect([says(60, 100), says(61, 90), says(null, null)]).toEqual(['passes', 'passes', 'passes']);
    expect(says(62, 100)).toBe('not-known');
    expect(says(60, 101)).toBe('not-known');
    expect(says(40, 300, trial({ opening_mm: null, tail_mm: null }))).toBe('passes');
    expect(passage('figure-eight-bend', 'pulley', 11, 30, [trial()], 60, 100).text).toBe(
      'passed a pulley of 60 mm in a trial with 11 mm, tails of 100 mm',
    );
  });
  test('that the joint of another purpose passed is told beside why it is not offered', () => {
    const j = job('join-to-retrieve', {
      rope: { kind: 'low-stretch', diameter_mm: 11 },
      second_rope: { kind: 'low-stretch', diameter_mm: 11 },
      must_pass: ['large-eight'],
    });
    const told = answer(j, SHIPPED_TRIALS).excluded.find((x) => x.knot === 'double-fishermans')!.because;
    expect(told.map((b) => b.rule)).toEqual(['F1', 'M3']);
  });
});

describe('how it may be set, and a stiff rope', () => {
  const undo = { untie: 'by-hand-after-load', life_load: false } as const;
  const eight = (change: Partial<Job>) =>
    answer(job('tie-in', { ...undo, ...change })).suited.find((s) => s.knot === 'figure-eight-follow-through')!;
  const price = (change: Partial<Job>) => eight(change).score_parts.find((p) => p.part === 'untying')!.value;
  const said = (change: Partial<Job>) => eight(change).cautions.map((c) => c.rule);
  test('set unevenly the eight jams: what is known of that is its price, and it is warned of', () => {
    expect([price({}), price({ set_unevenly: true })]).toEqual([3, 5]);
    expect(said({ set_unevenly: true })).toContain('U2');
    expect(said({})).not.toContain('U2');
    const other = answer(job('tie-in', { ...undo, set_unevenly: true })).suited.find(
      (s) => s.knot === 'bowline-locked',
    )!;
    expect(other.cautions.map((c) => c.rule)).toContain('U4');
  });
  test('of a stiff rope it is said that it counts, of a knot that comes undone by itself it is not', () => {
    expect(said({ stiff_rope: true })).toContain('U5');
    const locked = answer(job('tie-in', { ...undo, stiff_rope: true })).suited.find(
      (s) => s.knot === 'bowline-locked',
    )!;
    expect(locked.cautions.map((c) => c.rule)).not.toContain('U5');
    expect(said({ stiff_rope: true, untie: 'any' })).not.toContain('U5');
  });
});
