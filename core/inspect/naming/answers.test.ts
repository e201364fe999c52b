/**
 * What naming answers today, and by what numbers: forms of the catalogue handed in turned, stretched, by one crossing the
 * other way round, without their marks. It says nothing of whether an answer is right (that is what the proofs of names
 * and the tests beside it hold); a change of any answer is seen here as the line that it changes, to be read by somebody
 * before it is kept (`npm run unit -- naming/answers -u`).
 */
import { expect, test } from '@jest/globals';
import type { Point3 } from '../../curve';
import { knotIds, shapeOf } from '../../knots/catalogue/catalogue';
import { STATES } from '../../knots/facts/types';
import { nameables } from '../../proving/nameProof';
import { crossingsSeenFrom, diagramOf, FRONT, gaussCodeOf } from '../../topology';
import { apartAllAlong } from './apart';
import { evidenceOf } from './evidence';
import { prepared } from './figures/formFigures';
import { fitOf } from './fit';
import { allForms } from './forms';
import { knownForms } from './known';
import { identify, identifyCode, withTouched, type Entered } from './naming';
import type { Identified } from './identify';
import { presented } from './presentations';

/** forms that are asked about: one of so many */
const ONE_OF = 10;
const FORMS = knotIds()
  .flatMap(nameables)
  // what is not set has no shape of its own
  .filter(({ form }) => form !== 'loose')
  .filter((_, i) => i % ONE_OF === 0)
  .map(({ knot, form }, n) => ({ knot, form, n, state: STATES[n % STATES.length]! }));
const asked = FORMS.map((f) => [f.knot, f.form, f.state, f] as const);
const entered = ({ knot, form, state }: (typeof FORMS)[number]) => shapeOf(knot, form, state) as readonly Entered[];
const stretched = (components: readonly Entered[], by: readonly [number, number, number]): Entered[] =>
  components.map((c) => ({ ...c, points: c.points.map((p): Point3 => [p[0] * by[0], p[1] * by[1], p[2] * by[2]]) }));

const name = (n: { knot: string; fault: string | null }) => `${n.knot}/${n.fault ?? 'right'}`;
const told = (i: Identified): string[] => [
  `${i.crossings} crossings, figures: ${Object.keys(i.invariants).join(', ')}`,
  ...i.matches.map((m) => `is ${name(m)}, ${m.relation}, ${m.certainty}`),
  ...i.near.map((m) => `near ${name(m)} by crossing ${m.crossing}`),
  ...i.undecided.map((u) => `open: ${u.between.map(name).join(', ')}; by ${u.by}`),
  ...(i.needs.length > 0 ? [`needs ${i.needs.join(', ')}`] : []),
];
const of = (numbers: readonly number[], digits: number) => numbers.map((x) => x.toFixed(digits)).join(' ');

test.each(asked)('%s, %s, %s: turned', (_knot, _form, _state, f) => {
  const shape = presented(entered(f), { turned: true, mirrored: f.n % 2 === 0, noise: 0.05, step: 0.45 }, f.n);
  expect(told(identify(shape))).toMatchSnapshot();
});

const withForm = asked.filter(([knot, form]) => allForms().some(({ id }) => id === `${knot}/${form}`));
test.each(withForm)('%s, %s, %s: where the knot is in it, and how its form lies on it', (knot, form, state, f) => {
  const { template: own } = prepared(presented(entered(f), { turned: true, step: 0.5 }, f.n));
  const known = knownForms().find((k) => k.form.id === `${knot}/${form}`)!;
  const { template } = known.states[state];
  const fit = fitOf(template, own.gauges, false)!;
  const all = apartAllAlong(template, own.gauges, fit, false);
  expect([
    ...own.gauges.map((g) => `anchors ${of(g.anchors, 1)}${g.proper ? `, proper ${of(g.proper, 1)}` : ''}`),
    `${own.places.length} places, ${template.places.length} of the form`,
    `apart ${of([fit.apart, all.mean, all.most], 2)}, falls ${of([fit.at[0]!, fit.at.at(-1)!], 1)}`,
  ]).toMatchSnapshot();
});

const some = asked.filter((_, i) => i % 2 === 0);
test.each(some)('%s, %s, %s: stretched', (_knot, _form, _state, f) => {
  expect(told(identify(stretched(entered(f), [1.3, 1.1, 1.2])))).toMatchSnapshot();
});

test.each(some)('%s, %s, %s: its figures', (_knot, _form, _state, f) => {
  const figures = evidenceOf(prepared(entered(f)).even);
  expect(
    Object.entries(figures).map(
      ([which, values]) => `${which}: ${values.map((v) => `${v.as} ~ ${v.mirrored}`).join(' or ')}`,
    ),
  ).toMatchSnapshot();
});

test.each(some)('%s, %s, %s: its rope alone, without marks', (_knot, _form, _state, f) => {
  const ropes = entered(f).filter((c) => c.role === 'rope');
  expect(told(identify(ropes.map(({ marks: _, ...c }) => c)))).toMatchSnapshot();
});

test.each([
  ...([1, 2, 3, 4] as const).map((n) => ['figure-eight-stopper', n] as const),
  ['overhand-on-bight', 2],
  ['bowline', 3],
  ['figure-eight-bend', 5],
  ...([2, 7, 10] as const).map((n) => ['alpine-butterfly', n] as const),
] as const)('%s, crossing %d the other way round', (knot, crossing) => {
  expect(told(identify(withTouched(knot, [crossing])))).toMatchSnapshot();
});

test.each([
  'open: O1+ U2+ O3+ U1+ O2+ U3+',
  'open: U1- O2- U3- O1- U2- O3-',
  'open: U1+ O2+ U3- O4- U2+ O1+ U4- O3-',
  'closed: O1+ U2+ O3+ U1+ O2+ U3+',
  'open: O1+ U2+ O3+ U4+ O5+ U1+ O2+ U3+ O4+ U5+',
])('the code %s', (code) => {
  expect(told(identifyCode(code))).toMatchSnapshot();
});

/** The code of a knot of one rope, as somebody would note it from the front. */
const codeOf = (knot: string): string => {
  const [rope] = shapeOf(knot, 'right', 'laid').filter((c) => c.role === 'rope');
  return `open: ${gaussCodeOf(diagramOf(crossingsSeenFrom([rope!], FRONT, 200), 1))[0]!}`;
};
test.each(['overhand-stopper', 'double-overhand-stopper', 'figure-nine-stopper', 'trefoil-stopper'])(
  'the code of the %s',
  (knot) => {
    expect([codeOf(knot), ...told(identifyCode(codeOf(knot)))]).toMatchSnapshot();
  },
);

test.each([
  ['figure-eight-follow-through', 'both'],
  ['figure-eight-follow-through', 'one'],
  ['bowline', 'both'],
] as const)('%s, through %s of the points of a harness', (knot, onto) => {
  expect(told(identify(shapeOf(knot, 'right', 'tight', onto) as readonly Entered[]))).toMatchSnapshot();
});
