/**
 * What choosing answers today: four jobs of each kind, every knot's length, cord against rope. It says nothing of whether
 * an answer is right (that is what the tests beside it hold); a change of any answer is seen here as the line that it
 * changes, to be read by somebody before it is kept (`npm run unit -- answers -u`).
 */
import { expect, test } from '@jest/globals';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { knotIds } from '../knots/catalogue/catalogue';
import { PROFILE_IDS, shippedProfile } from '../profiles';
import { cordCautions } from './friction';
import { OBJECTS_FOR, PULLS_ASKED, TWO_ROPES } from './forPurpose';
import {
  choose,
  eyeToEyeLength,
  frictionHitch,
  FRICTION_HITCHES,
  jobFor,
  loopLength,
  LOOP_JOINTS,
  MUST_PASS,
  PURPOSES,
  ropeNeeded,
  roundAPost,
  TEAMS,
  UNTYING_WISHES,
  whatElse,
  type Job,
} from './index';

const DIAMETERS = [6, 9, 10.5, 11] as const;

/** A job that somebody could have, by a number. */
function jobOf(purpose: Job['purpose'], seed: number): Job {
  const random = xoroshiro128plus(seed);
  const one = <T>(all: readonly T[]): T => all[uniformInt(random, 0, all.length - 1)]!;
  const some = <T>(all: readonly T[], most: number): T[] => [
    ...new Set(Array.from({ length: uniformInt(random, 0, most) }, () => one(all))),
  ];
  const two = TWO_ROPES[purpose];
  const other = { kind: 'low-stretch', diameter_mm: one([10.5, 11, 9] as const) } as const;
  return {
    purpose,
    profile: one(PROFILE_IDS),
    rope: {
      kind:
        two === 'gripped' ? 'accessory-cord' : one(['dynamic', 'low-stretch', 'accessory-cord', 'webbing'] as const),
      diameter_mm: one(DIAMETERS),
    },
    second_rope: two && uniformInt(random, 0, 3) > 0 ? other : null,
    pulls: [PULLS_ASKED[purpose][0]!, ...some(PULLS_ASKED[purpose].slice(1), 1)],
    object: one(OBJECTS_FOR[purpose]),
    ...(uniformInt(random, 0, 2) === 0 && { fits_thicknesses: uniformInt(random, 1, 3) }),
    end_free: uniformInt(random, 0, 3) > 0,
    untie: one(UNTYING_WISHES),
    must_pass: some(MUST_PASS, 2),
    team: one(TEAMS),
    life_load: uniformInt(random, 0, 1) === 1,
  };
}
const rules = (all: readonly { rule: string }[]) => all.map((r) => r.rule).join(' ');
const JOBS = PURPOSES.flatMap((purpose, k) =>
  [1, 2, 3, 4].map((n) => [purpose, n, jobOf(purpose, 100 * k + n)] as const),
);
const chosen = (job: Job) => choose(job, shippedProfile(job.profile));

test.each(JOBS)('%s, job %d', (_purpose, _n, job) => {
  const { suited, nearly, excluded } = chosen(job);
  expect([
    JSON.stringify(job),
    ...suited.map(
      (s) =>
        `${s.knot}: ${s.score_parts.map((p) => p.value).join(' ')} for it ${rules(s.reasons)}, care ${rules(s.cautions)}`,
    ),
    ...nearly.map((n) => `nearly ${n.knot}: ${n.rule} ${n.change}`),
    excluded.map((e) => `not ${e.knot}: ${rules(e.because)}`).join(', '),
    ...whatElse(job).map((w) => JSON.stringify(w)),
    ...PURPOSES.map((p) => jobFor(p, job)).map(
      (j) => `${j.purpose} ${j.pulls.join(' ')} ${j.object} ${j.rope.diameter_mm} ${j.second_rope?.diameter_mm ?? ''}`,
    ),
  ]).toMatchSnapshot();
});

test('everything that is said', () => {
  const said = JOBS.flatMap(([, , job]) => {
    const { suited, nearly, excluded } = chosen(job);
    const texts = [...suited.flatMap((s) => [...s.reasons, ...s.cautions]), ...excluded.flatMap((e) => e.because)];
    return [
      ...texts.map((r) => `${r.rule} ${r.text} (${r.source}, ${r.of ?? 'anywhere'})`),
      ...nearly.map((n) => `${n.rule} ${n.wouldDoIf}`),
      ...suited.flatMap((s) => s.score_parts.map((p) => `${p.part}: ${p.text}`)),
    ];
  });
  expect([...new Set(said)].sort()).toMatchSnapshot();
});

const numbers = (all: object) =>
  Object.entries(all)
    .map(([name, v]) => `${name} ${typeof v === 'number' ? Math.round(v * 10) / 10 : JSON.stringify(v)}`)
    .join(', ');

test('how much rope', () => {
  const asked = [{}, { eye_mm: 300 }, { object_diameter_mm: 40 }, { object_diameter_mm: 300 }];
  const told = knotIds().flatMap((knot, k) => {
    const profile = shippedProfile(PROFILE_IDS[k % PROFILE_IDS.length]!);
    return asked.map((q) => `${knot}: ${numbers(ropeNeeded(profile, { knot, rope_diameter_mm: 10.5, ...q }))}`);
  });
  expect(told).toMatchSnapshot();
});

test('how long to cut', () => {
  const access = shippedProfile('rope-access');
  expect([
    ...LOOP_JOINTS.map((joint) => numbers(loopLength(access, { joint, cord_diameter_mm: 7, round_mm: 1300 }))),
    ...[true, false].map((stoppers) =>
      numbers(eyeToEyeLength(access, { cord_diameter_mm: 8, between_mm: 900, stoppers })),
    ),
    ...[2, 3.5].map((turns) => numbers(roundAPost({ rope_diameter_mm: 11, girth_mm: 900, turns }))),
  ]).toMatchSnapshot();
});

test('two nooses have to have room between them', () => {
  const between = (between_mm: number) =>
    eyeToEyeLength(shippedProfile('rope-access'), { cord_diameter_mm: 8, between_mm, stoppers: false });
  const least = Number(/nooses, (\d+) mm/.exec(refusal(() => between(1)))![1]);
  expect(least).toBeGreaterThan(100);
  expect(() => between(least - 1)).toThrow();
  expect(between(least + 1).mm).toBeGreaterThan(0);
});
function refusal(of: () => unknown): string {
  try {
    of();
  } catch (error) {
    return JSON.stringify((error as { errors: unknown }).errors);
  }
  throw new Error('it was not refused');
}

test.each(FRICTION_HITCHES)('cord against rope: %s', (hitch) => {
  const told = [3, 4.9, 5, 5.5, 6, 6.3, 6.5, 7, 8, 8.4, 9, 10].flatMap((cord_diameter_mm) =>
    ([undefined, 2, 3, 5, 7] as const).map((wraps) => {
      const direction = cord_diameter_mm > 6 ? 'both' : 'one-way';
      const asked = { hitch, cord_diameter_mm, rope_diameter_mm: 10, direction, ...(wraps && { wraps }) } as const;
      const { zones, wraps_advised, cautions } = frictionHitch(asked);
      return `${cord_diameter_mm} mm, ${wraps ?? 'any'}: ${Object.values(zones).join(' ')}, ${wraps_advised}, ${rules(cautions)}`;
    }),
  );
  const { zone_texts, ...rest } = frictionHitch({ hitch, cord_diameter_mm: 6, rope_diameter_mm: 10 });
  const job = { ...jobOf('friction', 7), rope: { kind: 'accessory-cord', diameter_mm: 4.5 } } as const;
  const of = [null, { kind: 'dynamic', diameter_mm: 10 } as const].map((second_rope) =>
    cordCautions(hitch, { ...job, second_rope }),
  );
  expect([told, zone_texts, rest, of]).toMatchSnapshot();
});
