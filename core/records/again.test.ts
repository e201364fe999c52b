import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entryById } from '../knots/catalogue/lookup';
import { askedAgain, dueAt, HOURS_UNTIL_AGAIN, KNOT_EVENTS } from './again';

const bowline = entryById('bowline');
const eight = entryById('figure-eight-follow-through');
const AT = Date.parse('2026-05-14T09:00:00.000Z');
const after = (hours: number) => new Date(AT + hours * 3_600_000).toISOString();
const checked = after(0);

test('a knot that nobody has looked at is asked for, whatever else', () => {
  expect(askedAgain(eight, { last_check_at: null, events: [] }, after(1)).map((a) => a.why)).toEqual(['never']);
});

test.each(KNOT_EVENTS)('%s since it was looked at: unchecked; before it, or looked at again, not', (kind) => {
  const events = [{ kind, at: after(1) }];
  expect(askedAgain(eight, { last_check_at: checked, events }, after(2)).map((a) => [a.why, a.since])).toEqual([
    [kind, after(1)],
  ]);
  expect(askedAgain(eight, { last_check_at: after(2), events }, after(3))).toEqual([]);
});

test('what loosens when idle is asked for after hours, what keeps after days', () => {
  const why = (knot: typeof eight, hours: number) =>
    askedAgain(knot, { last_check_at: checked, events: [] }, after(hours)).map((a) => a.why);
  expect([
    why(bowline, HOURS_UNTIL_AGAIN.loosens - 1),
    why(bowline, HOURS_UNTIL_AGAIN.loosens + 1),
    why(eight, HOURS_UNTIL_AGAIN.loosens + 1),
    why(eight, HOURS_UNTIL_AGAIN.keeps + 1),
  ]).toEqual([[], ['long-ago'], [], ['long-ago']]);
  expect(askedAgain(bowline, { last_check_at: checked, events: [] }, after(20))[0]!.text).toContain(
    bowline.loosens.text,
  );
});

test('more time and more events never take a reason away', () => {
  const event = fc.record({
    kind: fc.constantFrom(...KNOT_EVENTS),
    at: fc.integer({ min: -100, max: 100 }).map(after),
  });
  fc.assert(
    fc.property(
      fc.constantFrom(bowline, eight),
      fc.array(event, { maxLength: 5 }),
      event,
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 0, max: 400 }),
      (knot, events, one, now, more) => {
        const why = (of: typeof events, at: number) =>
          askedAgain(knot, { last_check_at: checked, events: of }, after(at)).map((a) => a.why);
        expect(why([...events, one], now + more)).toEqual(expect.arrayContaining(why(events, now)));
      },
    ),
  );
});

describe('from when on it is due', () => {
  const [TIED, LOOKED] = ['2026-05-01T08:00:00.000Z', '2026-05-02T08:00:00.000Z'];
  const idle = { last_check_at: LOOKED, events: [] };
  const after = (hours: number) => new Date(Date.parse(LOOKED) + hours * 3_600_000).toISOString();

  test('never looked at, or in a rope out of use: since it was tied', () => {
    expect(dueAt({}, { last_check_at: null, events: [] }, TIED)).toBe(TIED);
    for (const rope_state of ['damaged', 'retired'] as const)
      expect(dueAt({}, { ...idle, rope_state }, TIED)).toBe(TIED);
    expect(dueAt({}, { ...idle, rope_state: 'in-service' }, TIED)).toBe(after(12));
  });

  test('what happened since it was looked at comes before the hours; what happened before does not count', () => {
    const at = after(3);
    expect(
      dueAt(
        {},
        {
          ...idle,
          events: [
            { kind: 'moved', at },
            { kind: 'reloaded', at: after(2) },
          ],
        },
        TIED,
      ),
    ).toBe(after(2));
    expect(dueAt({}, { ...idle, events: [{ kind: 'moved', at: TIED }] }, TIED)).toBe(after(12));
    expect(dueAt({}, { ...idle, events: [{ kind: 'moved', at: LOOKED }] }, TIED)).toBe(after(12));
  });

  test('a rule set shortens the time of any knot, and stretches only that of one that keeps', () => {
    expect(dueAt({}, { ...idle, interval_h: 4 }, TIED)).toBe(after(4));
    expect(dueAt({}, { ...idle, interval_h: 400 }, TIED)).toBe(after(12));
    expect(dueAt({ keeps_when_idle: true }, { ...idle, interval_h: 400 }, TIED)).toBe(after(400));
    expect(dueAt({ keeps_when_idle: true }, idle, TIED)).toBe(after(168));
  });

  test('it is asked for again from just after then on, not before', () => {
    const knot = { loosens: { text: 'shakes loose', source: 'practice' as const } };
    const due = dueAt({}, idle, TIED);
    const asked = (ms: number) => askedAgain(knot, idle, new Date(Date.parse(due) + ms).toISOString()).length;
    expect([asked(-1), asked(0), asked(1)]).toEqual([0, 0, 1]);
  });
});
