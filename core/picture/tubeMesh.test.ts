import { describe, expect, test } from '@jest/globals';
import { straight, type Point3 } from '../curve';
import { finePoints, linearColour, tubeMesh } from './index';

const plain = {
  closed: false,
  radius: 0.5,
  sides: 8,
  step: 0.5,
  tint: ['#ffffff', '#000000'],
  drift: [0, 1],
  others: [],
  othersStep: 0.4,
} as const;
const line = straight([0, 0, 0], [0, 10, 0], 0.5);

describe('a tube', () => {
  const mesh = tubeMesh(line, plain);
  test('every vertex lies a radius from the line, its normal straight out, its faces outward', () => {
    for (let v = 0; v < mesh.position.length / 3; v++) {
      const [x, , z] = mesh.position.subarray(3 * v, 3 * v + 3);
      expect(Math.hypot(x!, z!)).toBeCloseTo(0.5, 5);
      expect(mesh.normal[3 * v]! * 0.5).toBeCloseTo(x!, 5);
    }
    const at = (v: number): Point3 => [mesh.position[3 * v]!, mesh.position[3 * v + 1]!, mesh.position[3 * v + 2]!];
    for (let t = 0; t < mesh.index.length; t += 3) {
      const [a, b, c] = [at(mesh.index[t]!), at(mesh.index[t + 1]!), at(mesh.index[t + 2]!)];
      const [u, w] = [
        [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
        [c[0] - a[0], c[1] - a[1], c[2] - a[2]],
      ];
      const out = [u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!];
      expect(out[0]! * (a[0] + b[0] + c[0]) + out[2]! * (a[2] + b[2] + c[2])).toBeGreaterThan(0);
    }
    expect([mesh.rings, mesh.sides, mesh.index.length]).toEqual([line.length, 8, 6 * 8 * (line.length - 1)]);
  });

  test('its tint drifts along it; a gate has its own; a strand beside it darkens the side that faces it', () => {
    const red = (m: typeof mesh, ring: number, side = 0) => m.colour[3 * (ring * 9 + side)]!;
    expect([red(mesh, 0), red(mesh, line.length - 1)]).toEqual([1, 0]);
    const gated = tubeMesh(line, {
      ...plain,
      tint: ['#ffffff', '#ffffff'],
      gate: { from: 0.4, to: 0.6, tint: '#000000' },
    });
    expect([red(gated, 2), red(gated, 10), red(gated, 18)]).toEqual([1, 0, 1]);
    const beside = straight([1, 0, 0], [1, 10, 0], 0.4);
    const shaded = tubeMesh(line, { ...plain, tint: ['#ffffff', '#ffffff'], others: beside });
    const facing = Array.from({ length: 8 }, (_, j) => ({
      x: shaded.normal[3 * (10 * 9 + j)]!,
      light: red(shaded, 10, j),
    })).sort((a, b) => a.x - b.x);
    expect(facing[0]!.light).toBe(1);
    expect(facing.at(-1)!.light).toBeLessThan(0.75);
  });

  test('colours are linear, fine points evenly spaced', () => {
    expect(linearColour('#ffffff')).toEqual([1, 1, 1]);
    expect(linearColour('#808080')[0]).toBeCloseTo(0.2159, 3);
    const fine = finePoints(
      [
        [0, 0, 0],
        [1, 1, 0],
        [2, 0, 0],
        [3, 1, 0],
      ],
      false,
      0.1,
    );
    const steps = fine.slice(1).map((p, i) => Math.hypot(p[0] - fine[i]![0], p[1] - fine[i]![1], p[2] - fine[i]![2]));
    expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.01);
  });
});
