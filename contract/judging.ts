/** What is asked of a knot at its place, and how answers are judged: nothing is stored. */
import { z } from 'zod';
import { FIST_ANSWERS, ROPE_STATES, TAIL_METHODS, VERDICTS } from '../core/inspect/judging';
import { ROPE_KINDS } from '../core/choose';
import { CHECK_POINTS } from '../core/knots/facts/types';
import { COMPANIONS, USES } from '../core/knots/facts/uses';
import { diameter_mm, fist_mm } from './common';
import { companionsIds, tailReply } from './knots';

const use = z.enum(USES).optional().describe('what it is for; where it is not said, the use that asks most');
const yesNo = z.enum(['1', '0', 'true', 'false']).transform((v) => v === '1' || v === 'true');

export const walkQuery = z.strictObject({
  profile: z.string().min(1).max(80),
  use,
  companions: companionsIds.optional().describe('knots tied to it, parted by commas'),
  rope_kind: z.enum(ROPE_KINDS).optional(),
  short: yesNo.optional().describe('1: a look at four things alone, where the rule set allows it'),
  common: yesNo.optional().describe('0: without common practice'),
});
export const namedRule = z.strictObject({
  id: z.string(),
  layer: z.enum(['own', 'school', 'common']),
  text: z.string(),
  source: z.string(),
  profile: z.string(),
  version: z.number(),
});
const picture = z.string().nullable().describe('address of a picture; none where no form of it is stored');
export const walkReply = z.strictObject({
  use: z.enum(USES),
  uses: z.array(z.enum(USES)).readonly().describe('what the knot is made for'),
  companions: z.array(z.enum(COMPANIONS)).readonly().describe('tied, or asked: each has to be there'),
  points: z.array(
    z.strictObject({
      id: z.enum([...CHECK_POINTS, 'use']),
      question: z.string(),
      help: z.string(),
      right: z.strictObject({ label: z.string(), picture }),
      wrong: z.array(z.strictObject({ fault: z.string(), label: z.string(), picture })),
      rule: namedRule.nullable(),
    }),
  ),
  of: z.number().describe('how many points the whole walk has'),
});

const length_mm = z.number().min(0).max(20_000);
const tailGiven = z.union([
  z.strictObject({
    tail_mm: length_mm,
    method: z.enum(TAIL_METHODS),
    uncertainty_mm: z.number().min(0).max(1000).optional().describe('what is usual for the method where not said'),
  }),
  z.strictObject({ fist: z.enum(FIST_ANSWERS) }),
]);
export const judgeBody = z.strictObject({
  profile: z.string().min(1).max(80),
  knot: z.string().min(1).max(60),
  use,
  rope: z.strictObject({
    kind: z.enum(ROPE_KINDS),
    diameter_mm,
    state: z.enum(ROPE_STATES).optional(),
  }),
  companions: z.array(z.enum(COMPANIONS)).max(COMPANIONS.length).optional(),
  fist_mm: fist_mm.optional(),
  answers: z
    .array(
      z.strictObject({
        point: z
          .enum([...CHECK_POINTS, 'use'])
          .describe('use: as the walk lists it; it is judged whatever is answered'),
        found: z.string().min(1).max(60),
        tail: tailGiven.optional(),
        more_tails: z.array(tailGiven).max(3).optional(),
        touched: z.literal(true).optional(),
      }),
    )
    .max(CHECK_POINTS.length + 1)
    .refine((a) => new Set(a.map((x) => x.point)).size === a.length, 'answers a point twice'),
  second_signed: z.boolean().optional(),
  tied_by_unknown: z.literal(true).optional(),
  short: z.boolean().optional(),
  common: z.boolean().optional().describe('false: without common practice'),
});
export const judgeReply = z.strictObject({
  use: z.enum(USES),
  verdict: z.enum(VERDICTS),
  points_verdict: z.enum(VERDICTS),
  second_signature: z.enum(['present', 'missing-required', 'missing-advised', 'not-asked']),
  not_judged: z.array(z.enum(CHECK_POINTS)).readonly(),
  short: z.strictObject({ points: z.number(), of: z.number() }).optional(),
  points: z
    .array(
      z.strictObject({
        point: z.enum([...CHECK_POINTS, 'rope', 'use']),
        state: z.enum(['meets', 'put-right', 'take-out-and-retie', 'remark', 'not-judged']),
        found: z.string(),
        text: z.string(),
        what_to_do: z.string().nullable(),
        tail: tailReply.nullable(),
        rule: namedRule.nullable().optional(),
      }),
    )
    .readonly(),
});
