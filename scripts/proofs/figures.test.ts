/** The figures of the proofs: computed anew they are those that are stored, and of what is bad by a hair they say so. */
import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Point3 } from '../../core/curve';
import { storedForm } from '../../core/knots/catalogue/catalogue';
import type { FormToBake } from '../../core/knots/shape/eye-variants';
import type { BakedForm } from '../../core/knots/shape/stored';
import { BETWEEN, type Frame } from '../../core/knots/tying/motion';
import { framesOf } from '../../core/knots/tying/motions';
import { proveFrames, proveWay, type NamedAs } from '../../core/knots/tying/proving';
import { wayFaults } from '../../core/knots/tying/wayLimits';
import { formFaults } from '../../core/proving/formLimits';
import { formFigures, identityOf } from '../../core/proving/formProof';
import { nameables, nameFigures } from '../../core/proving/nameProof';
import { placeFigures } from '../../core/proving/placeProof';
import { authored } from './shelf';

type Kind = 'form' | 'way' | 'name' | 'place';
const stored = (kind: Kind, knot: string, name: string): unknown => {
  const file = join(import.meta.dirname, `../../core/knots/shelf/${knot}/proof.json`);
  const proofs = JSON.parse(readFileSync(file, 'utf8')) as Record<Kind, Record<string, { figures: unknown }>>;
  return proofs[kind][name]!.figures;
};

describe('computed anew they are those that are stored', () => {
  test.each([
    ['square-knot', 'granny'],
    ['overhand-on-bight', 'bight'],
    ['half-hitches', 'round-the-standing-part'],
    ['prusik', 'through-the-loop'],
  ])('of the way %s, %s', (knot, way) =>
    // what its last shape is named as is not asked here
    expect({ ...proveWay(knot, way, () => []), named: null }).toEqual({
      ...(stored('way', knot, way) as object),
      named: null,
    }),
  );

  test.each([
    ['clove-hitch', 'not-tucked'],
    ['bowline', 'one-harness-point'],
    ['water-knot', 'tail-short'],
  ])('of the place %s, %s', (knot, form) => expect(placeFigures(knot, form)).toEqual(stored('place', knot, form)));

  test.each(['right', 'loose'])('of the name overhand-stopper, %s', (form) =>
    expect(nameFigures({ knot: 'overhand-stopper', form, name: form })).toEqual(
      stored('name', 'overhand-stopper', form),
    ),
  );

  test.each(['girth-hitch', 'water-knot'])('of the form of the %s', async (knot) =>
    expect(stored('form', knot, 'right')).toMatchObject(formFigures(storedForm(knot, 'right'), await toBake(knot))),
  );

  test.each(['bowline', 'butterfly-bend', 'barrel-noose', 'bowline-on-bight', 'tension-free-hitch'])(
    'of what tells the %s as a knot',
    (knot) => expect(stored('form', knot, 'right')).toMatchObject(identityOf(storedForm(knot, 'right'))),
  );
});

async function toBake(knot: string): Promise<FormToBake> {
  return (await authored(knot)).toBake.find((f) => f.name === 'right')!;
}

describe('a form that is bad', () => {
  const KNOT = 'figure-eight-stopper';
  const good = storedForm(KNOT, 'right');
  const moved = (change: (p: Point3, i: number) => Point3): BakedForm => {
    const xyz = [...good.laid.xyz];
    for (let i = 0; i < xyz.length / 3; i++)
      change([xyz[3 * i]!, xyz[3 * i + 1]!, xyz[3 * i + 2]!], i).forEach((v, k) => (xyz[3 * i + k] = v));
    return { ...good, laid: { ...good.laid, xyz } };
  };
  test('a point moved, a measure that is another: how far it is off is said, and that', async () => {
    const measured = { ...good.set, smallestDistance_ropeDiameters: 2 };
    const off = formFigures(
      { ...moved((p, i) => (i === 60 ? [p[0], p[1], p[2] + 0.002] : p)), set: measured },
      await toBake(KNOT),
    );
    expect(off.bakedAgainOff).toBeCloseTo(0.002, 3);
    expect(off.measuresAgain).toBe(false);
    expect(formFaults(off, good)).toHaveLength(2);
  });
  test('pressed flat it is another knot once shaken, and its strands lie in each other', async () => {
    const flat = formFigures(
      moved(([x, y, z]) => [x, y, z * 0.01]),
      await toBake(KNOT),
    );
    expect(flat.presented.asked).toBe(4);
    expect(flat.presented.same).toBeLessThan(4);
    expect(flat.laidApart).toBeLessThan(0.2);
  });
});

describe('a name', () => {
  test('is asked for of every form that a knot can be shown in: right, wrong, with more wraps, on another object', () => {
    const asked = (knot: string) => nameables(knot).map((n) => `${n.form} as ${n.name}`);
    expect(asked('overhand-stopper')).toEqual(['right as right', 'loose as loose', 'tail-short as tail-short']);
    expect(asked('barrel-noose')).toEqual(
      expect.arrayContaining(['right as right', 'not-tucked as not-tucked', 'wraps-3 as right']),
    );
    expect(asked('clove-hitch')).toContain('on-post as right');
    expect(nameables('clove-hitch').every((n) => n.knot === 'clove-hitch')).toBe(true);
  });
  test('by which it is not asked for is said as what it is', () => {
    const figures = nameFigures({ knot: 'overhand-stopper', form: 'right', name: 'tail-short' });
    expect(figures).toMatchObject({ named: 0, asked: 3 });
    expect(figures.otherwise.length + figures.leftOpen).toBe(3);
    expect(figures.otherwise.join()).toMatch(/^laid: .*overhand-stopper\/right/);
  });
});

describe('a motion that is bad by a hair', () => {
  const KNOT = 'overhand-on-bight';
  const frames = framesOf(KNOT, 'bight', BETWEEN);
  const figures = (changed: readonly Frame[], names: readonly NamedAs[] = []) =>
    proveFrames(KNOT, 'bight', changed, () => names);
  const withRope = (k: number, change: (p: Point3, i: number) => Point3) =>
    frames.map((f, n) =>
      n === k ? { ...f, components: f.components.map((c) => ({ ...c, points: c.points.map(change) })) } : f,
    );
  const good = figures(frames);

  test('as it is it holds', () => expect(wayFaults(good)).toEqual([]));
  test('one point that leaps farther than half the gap takes more than its bound', () => {
    const leap = (far: number) => figures(withRope(40, (p, i) => (i === 100 ? [p[0], p[1], p[2] + far] : p)));
    expect(leap(0.05).largestShare).toBeLessThan(1);
    expect(wayFaults(leap(0.9)).join()).toMatch(/takes .* of its bound/);
  });
  test('a frame that is longer strays by that share', () => {
    const longer = figures(withRope(30, ([x, y, z]) => [x * 1.06, y * 1.06, z * 1.06]));
    expect(longer.lengthStrays).toBeGreaterThan(0.055);
    expect(longer.lengthStrays).toBeLessThan(0.065);
  });
  test('an end beside the stored form is off by as much', () => {
    const off = figures(withRope(frames.length - 1, ([x, y, z]) => [x, y, z + 0.4]));
    expect(off.lastOff).toBeCloseTo(0.4, 1);
    expect(good.lastOff).toBe(0);
  });
  test('begun at its end it begins with crossings', () => {
    expect(figures([...frames].reverse()).crossingsAtFirst).toBeGreaterThan(0);
    expect(good.crossingsAtFirst).toBe(0);
  });
});

describe('what a way led by hands ends in', () => {
  const frames = framesOf('alpine-butterfly', 'twist-back', 8).slice(-3);
  const ends = (way: string, ...names: NamedAs[]) =>
    proveFrames('alpine-butterfly', way, frames, () => names).named!.asTold;
  const is = (fault: string | null, relation: 'same' | 'mirror' = 'same', knot = 'alpine-butterfly'): NamedAs => ({
    knot,
    fault,
    relation,
  });
  test('is asked of the last frame', () => {
    const asked: unknown[] = [];
    proveFrames('alpine-butterfly', 'twist-back', frames, (components) => (asked.push(components), []));
    expect(asked).toEqual([frames.at(-1)!.components]);
  });
  test('is as told where it is named so, of that knot, not mirrored', () => {
    expect(ends('twist-back', is('false-butterfly'))).toBe(true);
    expect(ends('twist-back', is('false-butterfly', 'mirror'))).toBe(false);
    const both = [is(null), is('false-butterfly', 'mirror')];
    expect(proveFrames('alpine-butterfly', 'twist-back', frames, () => both).named!.as).toEqual([
      'alpine-butterfly right',
      'the mirrored alpine-butterfly false-butterfly',
    ]);
    expect(ends('twist-back', is('false-butterfly', 'same', 'butterfly-bend'))).toBe(false);
    expect(ends('twist-back')).toBe(false);
  });
  test('a wrong way is never taken for a right one; another knot’s right form beside it is no matter', () => {
    expect(ends('twist-back', is('false-butterfly'), is(null))).toBe(false);
    expect(ends('twist-back', is('false-butterfly'), is(null, 'same', 'butterfly-bend'))).toBe(true);
    expect(ends('twist', is(null))).toBe(true);
    expect(ends('twist', is('false-butterfly'))).toBe(false);
  });
});
