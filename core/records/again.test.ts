import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entryById } from '../knots/catalogue/lookup';
import { askedAgain, HOURS_UNTIL_AGAIN, KNOT_EVENTS } from './again';

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
