/** What is no line, or cannot be looked at, is refused by name. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Line3, Point3 } from '../curve';
import {
  closedAtInfinity,
  crossJoined,
  invariantsOf,
  jones,
  laurentText,
  pinnedEye,
  refuseTouching,
  simplestDiagram,
} from './index';
import { closed, refuses, trefoil, unknot } from './testing/curves';

describe('garbage', () => {
  const good = unknot.points;
  const cases: [string, () => unknown, string][] = [
    [
      'not a number',
      () => simplestDiagram([{ points: [...good, [Number.NaN, 0, 0]], closed: true }]),
      'shape-not-finite',
    ],
    ['infinite', () => simplestDiagram([{ points: [...good, [0, Infinity, 0]], closed: true }]), 'shape-not-finite'],
    ['no line', () => simplestDiagram([]), 'too-few-points'],
    ['two points closed', () => simplestDiagram([{ points: good.slice(0, 2), closed: true }]), 'too-few-points'],
    [
      'one place, many times',
      () => simplestDiagram([{ points: new Array<Point3>(9).fill([1, 1, 1]), closed: true }]),
      'too-few-points',
    ],
    [
      'too many points',
      () => simplestDiagram([closed((t) => [Math.cos(t), Math.sin(t), 0], 20_001)]),
      'too-many-points',
    ],
    ['through itself', () => simplestDiagram([closed((t) => [Math.sin(t), Math.sin(2 * t), 0], 40)]), 'strands-touch'],
    ['one line twice', () => simplestDiagram([unknot, unknot]), 'strands-touch'],
    ['nothing to close', () => closedAtInfinity([]), 'too-few-points'],
    [
      'one place to close',
      () =>
        closedAtInfinity([
          [1, 2, 3],
          [1, 2, 3],
        ]),
      'too-few-points',
    ],
    [
      'no number to close',
      () =>
        closedAtInfinity([
          [0, 0, 0],
          [1, Number.NaN, 0],
        ]),
      'shape-not-finite',
    ],
    [
      'nothing to join',
      () =>
        crossJoined(
          [
            [0, 0, 0],
            [1, 0, 0],
          ],
          [],
        ),
      'too-few-points',
    ],
    ['an eye outside the rope', () => pinnedEye(good, good.length), 'eye-not-found'],
    ['an eye between points', () => pinnedEye(good, 3.5), 'eye-not-found'],
    ['an eye in nothing', () => pinnedEye([], 0), 'too-few-points'],
    ['ends loose', () => simplestDiagram([{ points: good, closed: false }]), 'ends-not-joined'],
  ];
  test.each(cases)('%s', (_name, f, code) => expect(f).toThrow(refuses(code)));

  test('points that repeat are no fault', () => {
    const doubled: Line3 = { closed: true, points: [...trefoil.points.flatMap((p) => [p, p]), trefoil.points[0]!] };
    expect(laurentText(jones(simplestDiagram([doubled])))).toBe('t + t^3 - t^4');
  });

  test('strands nearer than a wished distance are refused', () => {
    expect(() => refuseTouching([trefoil], 0.2)).not.toThrow();
    expect(() => refuseTouching([trefoil], 2.5)).toThrow(refuses('strands-touch'));
    expect(() =>
      refuseTouching(
        [
          {
            closed: false,
            points: [
              [0, 0, 0],
              [5, 0, 0],
              [5, 5, 0],
              [0, 0.1, 0],
            ],
          },
        ],
        0.2,
      ),
    ).toThrow(refuses('strands-touch'));
  });

  test('any curve at all gives figures or a refusal with a code', () => {
    const n = fc.double({ min: -3, max: 3, noNaN: false });
    fc.assert(
      fc.property(fc.array(fc.tuple(n, n, n), { maxLength: 14 }), (points) => {
        try {
          expect(invariantsOf(simplestDiagram([{ points, closed: true }])).alexander.length).toBeGreaterThan(0);
        } catch (error) {
          expect(error).toHaveProperty(
            'code',
            expect.stringMatching(
              /^(shape-not-finite|too-few-points|strands-touch|too-many-crossings|view-not-regular)$/,
            ),
          );
        }
      }),
      { numRuns: 150 },
    );
  });
});
