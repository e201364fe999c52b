import { describe, expect, test } from '@jest/globals';
import { judge } from '../inspect/judging';
import { shippedProfile } from '../profiles';
import {
  aboutOf,
  FILE_COLUMNS,
  FIRST_PREVIOUS,
  rowOf,
  SHOWN_COLUMNS,
  statusOf,
  STORED_COLUMNS,
  tailMeasured,
  YES_OR_NO,
  type Entry,
} from './index';

const judged = (tail_mm: number, name = 'right') =>
  judge(shippedProfile('rope-access'), {
    knot: 'bowline-locked',
    rope_diameter_mm: 10,
    use: 'tie-in',
    fist_mm: 100,
    secondSigned: false,
    answers: [
      { point: 'name', found: name as 'right' },
      ...(['front', 'back', 'path', 'set', 'eye', 'harness'] as const).map((point) => ({
        point,
        found: 'right' as const,
      })),
      { point: 'tail', found: 'right', tail: { tail_mm, method: 'ruler', uncertainty_mm: 0 } },
    ],
  });
const head = (sequence: number, id: string) => ({
  format: 1 as const,
  id,
  organisation: 'org',
  sequence,
  previous_sha256: FIRST_PREVIOUS,
  recorded_at: `2026-05-14T10:0${sequence}:00.000Z`,
  recorded_by: 'checker',
});
const check = (tail_mm = 130, name = 'right'): Entry => ({
  ...head(1, 'c'),
  kind: 'check',
  body: {
    tied_knot: 'k',
    knot: 'bowline-locked',
    knot_entry_sha256: '',
    catalogue_version: 1,
    rope: 'r',
    rope_diameter_mm: 10,
    place: 'loft',
    tied_by: 'tier',
    tied_at: '2026-05-14T09:00:00.000Z',
    seen_at: '2026-05-14T10:00:00.000Z',
    profile: 'rope-access',
    profile_version: 1,
    profile_sha256: '',
    stopper: false,
    fist_mm: 100,
    hand: 'right',
    answers: [{ point: 'tail', found: 'right', tail: { tail_mm, method: 'ruler', uncertainty_mm: 0 } }],
    judgement: judged(tail_mm, name),
    alone: false,
    note: '',
    demo: false,
  },
});
const signature = (sequence: number, agrees = true): Entry => ({
  ...head(sequence, `s${sequence}`),
  kind: 'signature',
  body: {
    check: 'c',
    tied_knot: 'k',
    signer: 'second',
    agrees,
    note: '',
    verdict_after: agrees ? 'meets-the-rule' : 'not-judged',
    demo: false,
  },
});
const correction = (sequence: number, tail_mm: number): Entry => ({
  ...head(sequence, `x${sequence}`),
  kind: 'correction',
  body: {
    check: 'c',
    tied_knot: 'k',
    reason: 'ruler',
    answers: [{ point: 'tail', found: 'right', tail: { tail_mm, method: 'ruler', uncertainty_mm: 0 } }],
    judgement: judged(tail_mm),
    verdict_after: judged(tail_mm).verdict,
    demo: false,
  },
});
const closed = (sequence: number): Entry => ({
  ...head(sequence, `f${sequence}`),
  kind: 'finding-closed',
  body: { check: 'c', tied_knot: 'k', what_was_done: 'retied', note: '', demo: false },
});

describe('of an entry', () => {
  test('it follows what it is about, and the tail that was measured', () => {
    for (const e of [check(), signature(2), correction(2, 90), closed(2)]) expect(aboutOf(e)).toBe('c');
    const tailOf = (e: Entry) => (e.kind === 'check' || e.kind === 'correction' ? tailMeasured(e.body) : null);
    expect(tailOf(check())).toEqual({ tail_mm: 130, tail_margin_mm: 30 });
    expect(tailOf(correction(2, 90))).toEqual({ tail_mm: 90, tail_margin_mm: -10 });
    expect(tailMeasured({ answers: [], judgement: { ...judged(90), points: [] } })).toEqual({
      tail_mm: null,
      tail_margin_mm: null,
    });
  });
});

describe('a status column', () => {
  test('is stored, shown and written to the file as its table says; nothing else is', () => {
    const status = { ...statusOf([check()])!, faults: 'loose,tail-short' };
    expect(Object.keys(statusOf([check()])!).sort()).toEqual([...STORED_COLUMNS].sort());
    const named = { ...status, rope_tag: 'NL-07', tied_by_name: 'A', checker_name: 'B', signer_name: null };
    const row = rowOf(named);
    expect(Object.keys(row)).toEqual(SHOWN_COLUMNS.map((c) => c.name));
    expect(row).toMatchObject({ id: 'c', rope_tag: 'NL-07', faults: ['loose', 'tail-short'], signer_name: null });
    expect(rowOf({ ...named, faults: '' }).faults).toEqual([]);
    for (const inner of ['organisation', 'tied_knot', 'awaits_signature', 'round_walk', 'check_id'])
      expect(row).not.toHaveProperty(inner);
    for (const k of YES_OR_NO) expect([k, typeof status[k]]).toEqual([k, 'boolean']);
    expect(FILE_COLUMNS.every((c) => c in row)).toBe(true);
  });
});

describe('where a check stands', () => {
  test('alone it waits for a signature; signed it does not', () => {
    expect(statusOf([check()])).toMatchObject({
      verdict: 'not-judged',
      awaits_signature: true,
      signer: null,
      open_finding: false,
    });
    expect(statusOf([check(), signature(2)])).toMatchObject({
      verdict: 'meets-the-rule',
      awaits_signature: false,
      signer: 'second',
    });
    expect(statusOf([check(), signature(2, false)])).toMatchObject({
      verdict: 'not-judged',
      awaits_signature: false,
      signer: 'second',
    });
  });

  test('a correction makes the signature void and shows the new measure', () => {
    expect(statusOf([check(60), signature(2), correction(3, 130)])).toMatchObject({
      verdict: 'not-judged',
      signer: null,
      corrected: true,
      awaits_signature: true,
      tail_mm: 130,
    });
    expect(statusOf([check(60), correction(2, 130), signature(3)])).toMatchObject({
      verdict: 'meets-the-rule',
      signer: 'second',
      corrected: true,
    });
  });

  test('a finding stays open until it is closed; its verdict stays', () => {
    const fatal = check(130, 'another-knot');
    expect(statusOf([fatal])).toMatchObject({
      verdict: 'take-out-and-retie',
      open_finding: true,
      awaits_signature: false,
    });
    // what was found stands in lists, the fatal one too; the second who does not agree found something else
    expect(statusOf([fatal])!.faults).toBe('another-knot');
    expect(statusOf([check(60)])!.faults).toBe('tail-short');
    expect([true, false].map((agrees) => statusOf([check(), signature(2, agrees)])!.differs)).toEqual([false, true]);
    expect(statusOf([fatal, closed(2)])).toMatchObject({ verdict: 'take-out-and-retie', open_finding: false });
  });

  test('without its check there is none', () => expect(statusOf([signature(2)])).toBeNull());
});
