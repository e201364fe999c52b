/** Ropes and what belongs to them: their lives, labels, files of them. */
import { z } from 'zod';
import { ROPE_KINDS } from '../core/choose';
import { ROPE_STATES } from '../core/inspect/judging';
import { ROPE_ENDS, ROPE_EVENTS } from '../core/records';
import { day, diameter_mm, instant, line, note, uuid } from './common';
import { checkRow, tiedKnotReply } from './records';

export const ROPE_THINGS = ['rope', 'cord', 'sling', 'karabiner'] as const;
const length_m = z.number().min(0.1).max(2000);

export const ropeReply = z.strictObject({
  id: z.string(),
  tag: z.string(),
  thing: z.enum(ROPE_THINGS),
  kind: z.enum(ROPE_KINDS).nullable(),
  diameter_mm: z.number().nullable(),
  length_m: z.number().nullable().describe('as it is now, ends cut off taken away'),
  first_length_m: z.number().nullable().describe('as it came'),
  state: z.enum(ROPE_STATES),
  open_damages: z.number(),
  hard_falls: z.number(),
  open_findings: z.number(),
  knots_in_it: z.number(),
  in_service_since: z.string().nullable(),
  note: z.string(),
});
export type RopeRow = z.infer<typeof ropeReply>;
export const newRopeBody = z
  .strictObject({
    id: uuid,
    tag: line(40),
    thing: z.enum(ROPE_THINGS).default('rope'),
    kind: z.enum(ROPE_KINDS).nullable().default(null),
    diameter_mm: diameter_mm.nullable().default(null),
    length_m: length_m.nullable().default(null),
    in_service_since: day.nullable().default(null),
    note,
  })
  .refine((r) => r.thing === 'karabiner' || r.kind !== null, { message: 'what is it made of?', path: ['kind'] })
  .refine((r) => r.thing === 'karabiner' || r.thing === 'sling' || r.diameter_mm !== null, {
    message: 'which diameter has it?',
    path: ['diameter_mm'],
  })
  .refine((r) => r.thing !== 'karabiner' || (r.kind === null && r.diameter_mm === null && r.length_m === null), {
    message: 'a karabiner has neither kind of rope nor diameter nor length',
    path: ['kind'],
  });
export const ropesReply = z.array(ropeReply);
export const ropeParams = z.strictObject({ id: uuid });

const metres = z.number().min(0).max(2000);
export const newRopeEventBody = z
  .strictObject({
    id: uuid,
    event: z.enum(ROPE_EVENTS),
    happened_at: instant,
    at_m: metres.optional().describe('damage: from the tagged end as it is now; left out where it cannot be told'),
    over_m: metres.optional().describe('damage: length of rope it takes'),
    end: z.enum(ROPE_ENDS).optional(),
    cut_m: z.number().min(0.01).max(2000).optional(),
    damage: uuid.optional().describe('the damage that was looked into: the id it was noted under'),
    note,
  })
  .refine((e) => !['damaged', 'damage-settled', 'retired'].includes(e.event) || e.note.trim() !== '', {
    message: 'say what was seen, or why',
    path: ['note'],
  })
  .refine((e) => e.event === 'damaged' || (e.at_m === undefined && e.over_m === undefined), {
    message: 'belongs to damage',
    path: ['at_m'],
  })
  .refine((e) => e.event === 'end-cut' || (e.end === undefined && e.cut_m === undefined), {
    message: 'belongs to an end cut off',
    path: ['cut_m'],
  })
  .refine((e) => (e.event === 'damage-settled') === (e.damage !== undefined), {
    message: 'names the damage that was looked into',
    path: ['damage'],
  });

export const storedEntry = z.strictObject({
  sequence: z.number(),
  sha256: z.string(),
  entry: z.record(z.string(), z.unknown()),
});
export const ropeLifeReply = z.strictObject({
  rope: ropeReply,
  life: z.strictObject({
    length_m: z.number().nullable(),
    retired: z.strictObject({ at: z.string(), note: z.string() }).nullable(),
    hard_falls: z.number(),
    cut_m: z.number(),
    last_looked_over: z.string().nullable(),
    damages: z.array(
      z.strictObject({
        id: z.string(),
        at_m: z.number().nullable(),
        over_m: z.number(),
        note: z.string(),
        found_at: z.string(),
        settled: z.enum(['looked-into', 'cut-off']).nullable(),
      }),
    ),
  }),
  entries: z.array(storedEntry),
  knots_in_it: z.array(tiedKnotReply),
  open_findings: z.array(checkRow),
});
export type RopeLifePage = z.infer<typeof ropeLifeReply>;
export const labelsQuery = z.strictObject({
  ids: z
    .string()
    .max(8000)
    .regex(/^[0-9a-f-]{36}(,[0-9a-f-]{36})*$/, 'are ids with commas between')
    .transform((v) => v.split(','))
    .optional(),
});

export const IMPORTS = ['ropes', 'people'] as const;
export const importBody = z.strictObject({
  id: uuid,
  what: z.enum(IMPORTS),
  csv: z.string().min(1).max(200_000),
  commit: z.boolean().describe('false: only read it and say what is wrong'),
});
export const importReply = z.strictObject({
  columns: z.array(z.string()),
  rows: z.array(
    z.strictObject({
      row: z.number().describe('as a spreadsheet counts, the heading is row 1'),
      values: z.record(z.string(), z.string()),
      errors: z.array(z.strictObject({ column: z.string(), message: z.string() })),
    }),
  ),
  errors: z.number(),
  read_in: z.boolean(),
  first_passwords: z
    .array(z.strictObject({ handle: z.string(), password: z.string() }))
    .describe('of people without one in the file; told once'),
});
