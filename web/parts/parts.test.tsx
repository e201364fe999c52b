import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { JudgedPoint } from '../../core/inspect';
import { shippedProfile, judgeTail } from '../../core/profiles';
import { TailGauge } from '../stations/check/TailGauge';
import { typedTail_mm } from '../stations/check/TailView';
import type { Walk } from '../store/walks';
import { pictureUrl } from './KnotPicture';
import { Points } from './Points';
import { v4 } from './uuid';
import { Verdict, VerdictShape } from './Verdict';
import { initials, VERDICT_WORDS } from './words';

afterEach(cleanup);

describe('verdicts', () => {
  test('are told apart by shape and word, not by colour', () => {
    const shapes = (Object.keys(VERDICT_WORDS) as (keyof typeof VERDICT_WORDS)[]).map((v) => {
      const { container } = render(<VerdictShape of={v} />);
      return container.innerHTML.replace(/class="[^"]*"/g, '').replace(/currentColor/g, '');
    });
    expect(new Set(shapes).size).toBe(4);
    render(<Verdict of="put-right" />);
    expect(screen.getByText('Put right')).toBeTruthy();
  });
});

describe('points', () => {
  const base: JudgedPoint = { point: 'set', state: 'put-right', found: 'loose', text: 'not set', what_to_do: 'Pull every strand.', tail: null };
  test('say what was found and what to do, and lead back to the point', () => {
    const open = jest.fn();
    render(<Points points={[base, { ...base, point: 'back', state: 'not-judged', text: 'could not be seen', what_to_do: null }]} onOpen={open} />);
    expect(screen.getByText('Pull every strand.')).toBeTruthy();
    expect(screen.getByText(/not judged: could not be seen/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Set' }));
    expect(open).toHaveBeenCalledWith('set');
  });
  test('a tail carries its margin and its rule', () => {
    const tail = judgeTail(shippedProfile('sport-crag'), { knot: 'bowline-locked', rope_diameter_mm: 10, tail_mm: 87 });
    const { container } = render(<Points points={[{ ...base, point: 'tail', text: 'tail 87 mm, 100 asked', tail }]} />);
    expect(container.textContent).toContain('margin -13 mm at worst sport-crag SC-T2');
  });
});

describe('the tail as typed', () => {
  const walk = (tailText: string, tailUnit: Walk['tailUnit'] = 'mm') => ({ tailText, tailUnit }) as Walk;
  test.each([['131', 'mm', 131], ['13,5', 'mm', 13.5], [' 4.5 ', 'in', 114.3], ['1.5', 'fist', 138], ['', 'mm', null], ['long', 'mm', null], ['-4', 'mm', null], ['1e9', 'mm', null], ['0', 'mm', 0]] as const)('%p in %s is %p mm', (text, unit, mm) => {
    expect(typedTail_mm(walk(text, unit), 92)).toBe(mm);
  });
});

test('the gauge says in words what it shows', () => {
  const answer = judgeTail(shippedProfile('sport-crag'), { knot: 'bowline-locked', rope_diameter_mm: 10, tail_mm: 150 });
  render(<TailGauge tail_mm={150} uncertainty_mm={5} answer={answer} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Asked 100 mm, at most 200 mm, measured 150 mm');
  cleanup();
  render(<TailGauge tail_mm={null} uncertainty_mm={5} answer={judgeTail(shippedProfile('rescue-team'), { knot: 'bowline', rope_diameter_mm: 10 })} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('No length is asked');
});

test('addresses of pictures name only what differs from the plain one', () => {
  expect(pictureUrl({ knot: 'bowline', size: 100, alt: '' }, 'paper')).toBe('/api/v1/knots/bowline/picture.svg?face=front&crop=whole&size=100&theme=paper');
  const one = pictureUrl({ knot: 'bowline', size: 100, alt: '', harness: 'one', fit: 'right' }, 'headlamp');
  expect(one).toContain('fault=one-harness-point&object=ring&fit=right');
});

test('ids are random UUIDs of version 4', () => {
  const ids = Array.from({ length: 50 }, v4);
  for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set(ids).size).toBe(50);
  expect(initials('Oskar Lund-Ray')).toBe('OL');
});
