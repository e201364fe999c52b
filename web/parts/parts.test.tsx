import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { JudgedPoint } from '../../core/inspect/judging';
import { lengthFor, shippedProfile } from '../../core/profiles';
import { TailGauge } from '../stations/check/TailGauge';
import { tailAnswer } from '../store/walks';
import type { Walk } from '../store/walks';
import { pictureUrl } from './KnotPicture';
import { Points } from './Points';
import { framing, type SceneComponent } from './rope/framing';
import { partOfRope, pickedIn, ROPE_PART_WORDS } from './rope/picking';
import { newId } from './newId';
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
  const base: JudgedPoint = {
    point: 'set',
    state: 'put-right',
    found: 'loose',
    text: 'not set',
    what_to_do: 'Pull every strand.',
    tail: null,
  };
  test('say what was found and what to do, and lead back to the point', () => {
    const open = jest.fn();
    render(
      <Points
        points={[base, { ...base, point: 'back', state: 'not-judged', text: 'could not be seen', what_to_do: null }]}
        onOpen={open}
      />,
    );
    expect(screen.getByText('Pull every strand.')).toBeTruthy();
    expect(screen.getByText(/not judged: could not be seen/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Set' }));
    expect(open).toHaveBeenCalledWith('set');
  });
  test('a tail carries its margin and its rule', () => {
    const tail = lengthFor(shippedProfile('sport-crag'), {
      knot: 'bowline-locked',
      use: 'tie-in',
      rope_diameter_mm: 10,
      tail_mm: 87,
    });
    const { container } = render(<Points points={[{ ...base, point: 'tail', text: 'tail 87 mm, 100 asked', tail }]} />);
    expect(container.textContent).toContain('margin -13 mm sport-crag SC-T2');
  });
});

describe('the tail as typed', () => {
  const walk = (change: Partial<Walk>) =>
    ({ tailText: '', tailUnit: 'mm', tailMethod: 'ruler', rope_diameter_mm: 10, ...change }) as Walk;
  test('is an answer once every tail of the knot is a length', () => {
    expect(
      tailAnswer(
        walk({ tailText: '13,5', tailUnit: 'diameter', tailMethod: 'rope-diameters' }),
        { family: 'end-loop' },
        92,
      ),
    ).toEqual({ found: 'right', tail: { tail_mm: 135, method: 'rope-diameters', uncertainty_mm: 10 } });
    expect(tailAnswer(walk({ tailText: 'long' }), { family: 'end-loop' }, 92)).toBeNull();
    expect(tailAnswer(walk({ tailText: '130' }), { family: 'bend' }, 92)).toBeNull();
    expect(
      tailAnswer(walk({ tailText: '130', moreTails: ['140'], tailUncertainty_mm: 2 }), { family: 'bend' }, 92),
    ).toMatchObject({ tail: { tail_mm: 130, uncertainty_mm: 2 }, more_tails: [{ tail_mm: 140, uncertainty_mm: 2 }] });
  });
});

test('the gauge says in words what it shows', () => {
  const answer = lengthFor(shippedProfile('sport-crag'), {
    knot: 'bowline-locked',
    use: 'tie-in',
    rope_diameter_mm: 10,
    tail_mm: 150,
  });
  render(<TailGauge tail_mm={150} uncertainty_mm={5} answer={answer} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Asked 100 mm, at most 200 mm, measured 150 mm');
  cleanup();
  render(
    <TailGauge
      tail_mm={null}
      uncertainty_mm={5}
      answer={lengthFor(shippedProfile('rescue-team'), { knot: 'bowline', rope_diameter_mm: 10, common: false })}
    />,
  );
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe('No length is asked');
});

test('addresses of pictures name only what differs from the plain one', () => {
  expect(pictureUrl({ knot: 'bowline', size: 100, alt: '' }, 'paper')).toBe(
    '/api/v1/knots/bowline/picture.svg?face=front&crop=whole&size=100&theme=paper',
  );
  const one = pictureUrl({ knot: 'bowline', size: 100, alt: '', harness: 'one', fit: 'right' }, 'headlamp');
  expect(one).toContain('fault=one-harness-point&object=ring&fit=right');
});

test('ids are random UUIDs of version 4', () => {
  const ids = Array.from({ length: 50 }, newId);
  for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set(ids).size).toBe(50);
  expect(initials('Oskar Lund-Ray')).toBe('OL');
});

describe('what is touched on the turning rope', () => {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg"><g data-component="rope" data-from="0" data-to="2"/><g data-component="rope" data-from="2" data-to="4"/><g data-component="ring" data-from="0" data-to="9"/><circle data-crossing="7" cx="1" cy="-2" r="0.7"/><circle data-crossing="8" cx="5" cy="-2" r="0.7"/></svg>';
  test('has the names of the flat picture of the face that is nearer', () => {
    expect(pickedIn(svg, 'front', { component: 'rope', at: 3.2, point: [1.3, 2.2, 5] })).toEqual({
      component: 'rope',
      from: 2,
      to: 4,
      crossing: 7,
    });
    // on the back the picture is the front turned about the upright axis
    expect(pickedIn(svg, 'back', { component: 'rope', at: 3.2, point: [-5.2, 2, 5] })).toEqual({
      component: 'rope',
      from: 2,
      to: 4,
      crossing: 8,
    });
    expect(pickedIn(svg, 'front', { component: 'ring', at: 1, point: [9, 9, 0] })).toEqual({
      component: 'ring',
      from: 0,
      to: 9,
      crossing: null,
    });
    expect(pickedIn(svg, 'front', { component: 'rope', at: 40, point: [0, 0, 0] })).toBeNull();
  });

  test('is told by the part of the rope', () => {
    const marks = {
      standing: [0, 10],
      tail: [80, 90],
      legs: [
        [40, 50],
        [50, 60],
      ],
      collar: [65, 70],
      nipping_loop: [12, 30],
    } as const;
    expect([5, 20, 35, 55, 66, 85].map((at) => ROPE_PART_WORDS[partOfRope(at, marks)])).toEqual([
      'the standing part',
      'the nipping loop',
      'the rope in the knot',
      'the eye',
      'the collar',
      'the tail',
    ]);
  });
});

describe('what of a shape is shown', () => {
  const rope = (marks: object): SceneComponent => ({
    name: 'rope',
    role: 'rope',
    closed: false,
    diameter: 1,
    points: Array.from({ length: 101 }, (_, k): [number, number, number] => [k === 50 ? 3 : 0, 20 - k * 0.5, 0]),
    marks,
  });
  test('the knot with a little rope round it; long ends run out of the picture', () => {
    const f = framing([rope({ standing: [0, 40], tail: [60, 100] })], false);
    expect(f.height).toBeLessThan(20);
    expect(f.centreY).toBeCloseTo(-5, 0);
    expect(f.width).toBeCloseTo(8, 6);
  });
  test('with its eye when asked; a ring only where it touches', () => {
    // down to the eye and up again
    const points = Array.from({ length: 101 }, (_, k): [number, number, number] => [
      k < 50 ? -1 : 1,
      k < 50 ? 20 - k : k - 80,
      0,
    ]);
    const eye: SceneComponent = {
      ...rope({
        standing: [0, 15],
        tail: [85, 100],
        legs: [
          [25, 50],
          [50, 75],
        ],
        eye: 50,
      }),
      points,
    };
    expect(framing([eye], true).height).toBeGreaterThan(framing([eye], false).height + 15);
    const ring: SceneComponent = {
      name: 'ring',
      role: 'ring',
      closed: true,
      diameter: 1,
      points: [
        [0, -29, 0],
        [0, -90, 0],
      ],
    };
    expect(framing([eye, ring], true)).toEqual(framing([eye], true));
  });
});
