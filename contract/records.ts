import { z } from 'zod';
import { CAUGHT, MUST_PASS, PASSING_RESULTS } from '../core/choose';
import { CHECK_POINTS } from '../core/knots/facts/types';
import { COMPANIONS, USES } from '../core/knots/facts/uses';
import { FIST_ANSWERS, TAIL_METHODS, VERDICTS } from '../core/inspect/judging';
import { KNOT_EVENTS, SHOWN_COLUMNS, type StatusRow } from '../core/records';
import { day, diameter_mm, fist_mm, instant, knotId, line, note, noteOf, page, uuid } from './common';
import { job } from './knots';

export const newJobBody = z.strictObject({
  id: uuid,
  name: line(120),
  rope: uuid.nullable().default(null),
  job,
  despite_open_finding: line(400).optional().describe('why, where a knot in the rope is to be taken out'),
});
export const jobReply = z.strictObject({
  id: z.string(),
  name: z.string(),
  rope: z.string().nullable(),
  job,
  created_by: z.string(),
  created_at: z.string(),
});
export const jobParams = z.strictObject({ id: uuid });
export const jobsReply = z.strictObject({ items: z.array(jobReply), next: z.string().nullable() });

const length_mm = z.number().min(0).max(20000);
export const newPassingTrialBody = z.strictObject({
  id: uuid,
  knot: knotId,
  device: z.enum(MUST_PASS),
  opening_mm: length_mm.nullable().default(null),
  rope_diameter_mm: diameter_mm,
  tail_mm: length_mm.nullable().default(null),
  result: z.enum(PASSING_RESULTS),
  caught: z.enum(CAUGHT).nullable().default(null),
  note: noteOf(400),
});
const tried = {
  knot: z.string(),
  device: z.string(),
  rope_diameter_mm: z.number(),
  result: z.enum(PASSING_RESULTS),
  caught: z.enum(CAUGHT).nullable(),
  note: z.string(),
};
export const passingTrialReply = z.strictObject({
  ...tried,
  id: z.string(),
  opening_mm: z.number().nullable(),
  tail_mm: z.number().nullable(),
  created_by: z.string(),
  created_at: z.string(),
  withdrawn: z
    .strictObject({ reason: z.string(), by: z.string(), at: z.string() })
    .nullable()
    .describe('why it no longer counts'),
});
export const passingTrialParams = z.strictObject({ id: uuid });
export const newWithdrawalBody = z.strictObject({ id: uuid, reason: line(400) });
export const withdrawalReply = z.strictObject({ id: z.string(), trial: z.string(), reason: z.string() });
export const passingTrialsReply = z.strictObject({
  items: z.array(passingTrialReply),
  next: z.string().nullable(),
  shipped: z.array(z.strictObject({ ...tried, source: z.string() })),
  devices: z
    .array(z.strictObject({ id: z.string(), name: z.string(), opening_mm: z.number().nullable(), source: z.string() }))
    .describe('usual openings: measure your own'),
});

const tailMeasured = z.union([
  z.strictObject({
    tail_mm: z.number().min(0).max(20000),
    method: z.enum(TAIL_METHODS),
    uncertainty_mm: z.number().min(0).max(1000),
  }),
  z.strictObject({ fist: z.enum(FIST_ANSWERS).describe('a fist laid on it: more than one, just one, less') }),
]);
export const pointAnswer = z.strictObject({
  point: z.enum(CHECK_POINTS),
  found: z.string().min(1).max(60),
  tail: tailMeasured.optional(),
  more_tails: z
    .array(tailMeasured)
    .max(3)
    .readonly()
    .optional()
    .describe('the tails after the first, where the knot has several'),
  seconds: z.number().min(0).max(86_400).optional(),
  lane: z.enum(['fast']).optional(),
  touched: z.literal(true).optional(),
});
const answers = z
  .array(pointAnswer)
  .max(CHECK_POINTS.length)
  .refine((a) => new Set(a.map((x) => x.point)).size === a.length, 'answers a point twice');

export const newTiedKnotBody = z
  .strictObject({
    id: uuid,
    knot: knotId,
    rope: uuid,
    place: line(160),
    tied_by: uuid.optional(),
    tied_by_outside: z
      .strictObject({ words: line(120) })
      .optional()
      .describe('somebody who is no member'),
    tied_by_unknown: z
      .literal(true)
      .optional()
      .describe('nobody knows: the checker states that they did not tie it, and a second person is asked'),
    tied_at: instant,
  })
  .refine((k) => [k.tied_by, k.tied_by_outside, k.tied_by_unknown].filter((w) => w !== undefined).length === 1, {
    message: 'needs one of tied_by, tied_by_outside, tied_by_unknown',
    path: ['tied_by'],
  });
const use = z.enum(USES).nullable().describe('what it was for; null where that was not known');
const again = z.strictObject({ why: z.string(), text: z.string(), since: z.string().nullable() });
export const newKnotEventBody = z.strictObject({
  id: uuid,
  kind: z.enum(KNOT_EVENTS),
  moved_to: line(160).optional().describe('where to, of what was moved'),
  note: noteOf(400),
});
export const tiedKnotReply = z.strictObject({
  id: z.string(),
  knot: z.string(),
  rope: z.string(),
  place: z.string(),
  tied_by: z.string().nullable(),
  tied_by_words: z.string().nullable(),
  tied_at: z.string(),
  ended_at: z.string().nullable(),
  ended_why: z.string().nullable(),
  last_check: z.string().nullable(),
  last_check_at: z.string().nullable(),
  use,
  moved_to: z.string().nullable().describe('where it was moved to last, where that was said'),
  again: z.array(again).describe('why it is to be looked at again; empty where the last look still stands'),
});
export const tiedKnotsReply = z.strictObject({ items: z.array(tiedKnotReply), next: z.string().nullable() });
export const endTiedKnotBody = z.strictObject({ why: line(200) });

export const newCheckBody = z.strictObject({
  id: uuid,
  tied_knot: newTiedKnotBody,
  profile: z.string().min(1).max(80),
  profile_version: z.number().int().min(1),
  rope_diameter_mm: diameter_mm,
  stopper: z.boolean().default(false).describe('older than companions: the one that the rules mean is tied'),
  use: z.enum(USES).optional().describe('what the knot is for; needed where it is made for more than one thing'),
  companions: z.array(z.enum(COMPANIONS)).max(COMPANIONS.length).optional().describe('knots tied that belong to it'),
  short: z.literal(true).optional().describe('a look at four things alone, where the rule set allows it'),
  fist_mm: fist_mm,
  hand: z.enum(['right', 'left']),
  seen_at: instant,
  answers,
  round: z
    .strictObject({ walk: uuid, stop: z.number().int().min(0).max(200) })
    .optional()
    .describe('the stop of a walked round it belongs to'),
  despite_open_finding: line(400).optional().describe('why, where another knot in the rope is to be taken out'),
  note,
});
export type NewCheck = z.input<typeof newCheckBody>;

export const newSignatureBody = z
  .strictObject({
    id: uuid,
    agrees: z.boolean().optional().describe('having seen the first one’s answers; left out with answers of one’s own'),
    answers: answers.optional().describe('an own look, made before the first one’s answers were shown'),
    seen_at: instant.optional(),
    note,
    /** who signs on this device; left out, the person of the session signs */
    signer: z
      .strictObject({
        person: uuid,
        password: z.string().min(1).max(200).optional(),
        pin: z.string().min(1).max(20).optional(),
      })
      .refine((s) => (s.password === undefined) !== (s.pin === undefined), {
        message: 'needs either the PIN or the password',
        path: ['pin'],
      })
      .optional(),
  })
  .refine((s) => (s.agrees === undefined) !== (s.answers === undefined), {
    message: 'needs either agrees or answers',
    path: ['answers'],
  })
  .refine((s) => (s.answers === undefined) === (s.seen_at === undefined), {
    message: 'goes with answers',
    path: ['seen_at'],
  });
/** What the second person is told before looking: nothing of what the first one found. */
export const toLookAtReply = z.strictObject({
  check: z.string(),
  tied_knot: z.string(),
  knot: z.string(),
  rope: z.string(),
  rope_tag: z.string(),
  rope_diameter_mm: z.number(),
  place: z.string(),
  tied_by: z.string().nullable(),
  tied_by_words: z.string().nullable(),
  tied_at: z.string(),
  checker: z.string(),
  corrector: z.string().nullable(),
  profile: z.string(),
  profile_version: z.number(),
  stopper: z.boolean(),
  use,
  companions: z.array(z.enum(COMPANIONS)).readonly(),
  rope_kind: z.string().nullable(),
  judging: z.number().describe('the version of judging that the check was made by'),
  fist_mm: z.number(),
  hand: z.enum(['right', 'left']),
});
export const newCorrectionBody = z.strictObject({ id: uuid, reason: line(500), answers });
export const newFindingClosedBody = z.strictObject({
  id: uuid,
  what_was_done: z.enum(['taken-out', 'retied', 'rope-retired']),
  later_check: uuid
    .optional()
    .describe(
      'needed where it was tied again: a later check of that rope at that place that meets the rule, by someone other than who tied it',
    ),
  note,
});

const verdict = z.enum(VERDICTS);
const AS_SHOWN = {
  text: z.string(),
  'text or none': z.string().nullable(),
  number: z.number(),
  'number or none': z.number().nullable(),
  'yes or no': z.boolean(),
  moment: z.string(),
  verdict,
  list: z.array(z.string()),
} as const;
/** A check as lists show it: what each column is says core/records/statusColumns.ts. */
export const checkRow = z.strictObject(
  Object.fromEntries(
    SHOWN_COLUMNS.map(({ name, is, means }) => [name, means ? AS_SHOWN[is].describe(means) : AS_SHOWN[is]]),
  ),
) as unknown as z.ZodType<StatusRow>;
export type CheckRow = StatusRow;
export const checksQuery = page.extend({
  rope: uuid.optional(),
  person: uuid.optional(),
  verdict: verdict.optional(),
  open: z.enum(['finding', 'signature']).optional(),
  from: day.optional(),
  to: day.optional(),
});
export const checksReply = z.strictObject({ items: z.array(checkRow), next: z.string().nullable() });

export const checkParams = z.strictObject({ id: uuid });
/** Entries of one check, oldest first, each with its hash; `entry` is the stored content. */
export const checkReply = z.strictObject({
  row: checkRow,
  entries: z.array(
    z.strictObject({ sequence: z.number(), sha256: z.string(), entry: z.record(z.string(), z.unknown()) }),
  ),
  second_check: z.enum(['required', 'advised', 'none']),
});
export const recordedReply = z.strictObject({
  id: z.string(),
  sequence: z.number(),
  sha256: z.string(),
  verdict: verdict.nullable(),
  again: z.boolean(),
});
export const newIncidentBody = z.strictObject({
  id: uuid,
  happened_at: instant,
  words: line(2000).describe('what happened, as it is told; its cause stays open'),
  tied_knots: z.array(uuid).max(20).default([]).describe('knots it is about'),
  ropes: z.array(uuid).max(20).default([]),
});
export const incidentsReply = z.strictObject({
  items: z.array(
    z.strictObject({
      id: z.string(),
      sequence: z.number(),
      sha256: z.string(),
      recorded_at: z.string(),
      recorded_by: z.string(),
      happened_at: z.string(),
      words: z.string(),
      tied_knots: z.array(z.string()).readonly(),
      ropes: z.array(z.string()).readonly(),
    }),
  ),
  next: z.string().nullable(),
});
export const headReply = z.strictObject({ organisation: z.string(), count: z.number(), head_sha256: z.string() });

export const todayReply = z.strictObject({
  open_findings: z.array(checkRow),
  waiting_signatures: z.array(checkRow),
  last_checks: z.array(checkRow),
  to_look_at_again: z
    .array(tiedKnotReply.extend({ rope_tag: z.string() }))
    .describe('of the 200 knots in ropes that were tied last, the last tied first'),
  rounds_waiting: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        begun_by_name: z.string(),
        begun_at: z.string(),
        reached: z.number(),
        stops_count: z.number(),
      }),
    )
    .describe('rounds begun and not finished'),
  counts: z.strictObject({ checks: z.number(), open_findings: z.number(), waiting_signatures: z.number() }),
});

export const verifyQuery = z.strictObject({
  organisation: uuid,
  sequence: z.coerce.number().int().min(1).max(4_294_967_295),
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'is 64 hexadecimal digits'),
});
export const verifyReply = z.strictObject({
  known: z.boolean().describe('an entry with this number and this hash stands in the record'),
  as_written: z.boolean().describe('its bytes still have that hash'),
  recorded_at: z.string().nullable(),
});

export const statisticsQuery = z.strictObject({
  from: day.optional(),
  to: day.optional(),
  rope: uuid.optional(),
  person: uuid.optional(),
});
export const statisticsReply = z.strictObject({
  from: z.string(),
  to: z.string(),
  checks: z.number(),
  verdicts: z.array(z.strictObject({ verdict, checks: z.number() })),
  faults: z
    .array(z.strictObject({ knot: z.string(), fault: z.string(), checks: z.number() }))
    .describe('most frequent first'),
  by_knot: z.array(z.strictObject({ knot: z.string(), checks: z.number(), with_fault: z.number() })),
  tails: z
    .array(
      z.strictObject({
        check: z.string(),
        seen_at: z.string(),
        knot: z.string(),
        rope_tag: z.string(),
        profile: z.string(),
        tail_mm: z.number(),
        margin_mm: z.number().nullable(),
        verdict,
      }),
    )
    .describe('the latest 400 measured tails, oldest first'),
  open_findings: z
    .array(
      z.strictObject({
        check: z.string(),
        knot: z.string(),
        rope_tag: z.string(),
        place: z.string(),
        seen_at: z.string(),
        days: z.number(),
      }),
    )
    .describe('whenever found, oldest first'),
});
export type Statistics = z.infer<typeof statisticsReply>;
export const dayQuery = z.strictObject({ day });
