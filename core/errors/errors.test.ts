import { expect, test } from '@jest/globals';
import { ERRORS, fault, finite, IdiomError, type ErrorCode } from './index';

test('every code has a status that fits and a text whose gaps can be filled', () => {
  for (const [code, e] of Object.entries(ERRORS)) {
    expect([code, e.status >= 400 && e.status < 600, e.title.length > 3]).toEqual([code, true, true]);
    const gaps = [...e.detail.matchAll(/\{(\w+)\}/g)].map((m) => m[1]!);
    const made = fault(code as ErrorCode, Object.fromEntries(gaps.map((g) => [g, 'X'])));
    expect(made).toBeInstanceOf(IdiomError);
    expect(made.message).not.toMatch(/[{}]/);
    expect(made.status).toBe(e.status);
  }
});

test('finite lets numbers within their range through', () => {
  expect(finite('x', 5, 0, 10)).toBe(5);
  for (const bad of [Number.NaN, Infinity, -1, 11])
    expect(() => finite('x', bad, 0, 10)).toThrow('"x" must be a finite number from 0 to 10');
});
