import { afterEach, expect, jest, test } from '@jest/globals';
import { act, render } from '@testing-library/react';
import { Now } from './now';

afterEach(() => {
  jest.useRealTimers();
});

test('a page that stands open over midnight says the new day, and a print the moment of printing', () => {
  jest.useFakeTimers({ now: new Date('2026-05-01T23:59:30Z') });
  const { container } = render(<Now say={(now) => now.toISOString()} />);
  expect(container.textContent).toBe('2026-05-01T23:59:30.000Z');
  act(() => void jest.advanceTimersByTime(60_000));
  expect(container.textContent).toBe('2026-05-02T00:00:30.000Z');
  act(() => void jest.advanceTimersByTime(5_000));
  expect(container.textContent).toBe('2026-05-02T00:00:30.000Z');
  act(() => void window.dispatchEvent(new Event('beforeprint')));
  expect(container.textContent).toBe('2026-05-02T00:00:35.000Z');
});
