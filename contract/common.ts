/** Building blocks of the HTTP contract. All objects are strict: unknown fields are refused. */
import { z } from 'zod';
import { ERRORS, type ErrorCode } from '../core/errors';

export const API_BASE = '/api/v1';

export const uuid = z.uuid().transform((v) => v.toLowerCase());
export const knotId = z.string().min(1).max(60);
/** Taken to the millisecond in one spelling: what the bytes say and what a column gives back must be the same text. */
export const instant = z.iso
  .datetime({ offset: false })
  .describe('UTC, like 2026-05-14T09:30:00.000Z, of this century')
  .refine((v) => /^20\d\d-/.test(v), 'is not of this century')
  .transform((v) => new Date(v).toISOString());
export const day = z.iso.date().refine((v) => /^20\d\d-/.test(v), 'is not of this century');
/** Several lines a person typed. */
export const noteOf = (most: number) =>
  z.string().normalize('NFC').max(most).refine(noControl, 'has control characters').default('');
export const note = noteOf(2000);
/** One line of text a person typed: two spellings of one letter are one, and counted as that one, which may be longer. */
export const line = (max: number) =>
  z
    .string()
    .normalize('NFC')
    .trim()
    .min(1)
    .max(max)
    .refine(noControl, 'has control characters')
    .refine((v) => !TURNS_DIRECTION.test(v), 'has marks that turn the direction of reading')
    .refine((v) => VISIBLE.test(v), 'has nothing that can be seen');
/** Marks that turn or hide how what stands around them is read. */
const TURNS_DIRECTION = /[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/;
/** A letter, number, sign or mark of punctuation; blanks, joiners and fillers are none. */
const VISIBLE = /(?![\u115f\u1160\u2800\u3164\uffa0])[\p{L}\p{N}\p{P}\p{S}]/u;
export const diameter_mm = z.number().min(2).max(40);
export const fist_mm = z.number().min(70).max(120);

/** No control characters, and no lone surrogates, which neither JSON canonicalisation nor the database can hold. */
function noControl(text: string): boolean {
  return !/[\u0000-\u0009\u000b-\u001f\u007f]/.test(text) && !/\p{Cs}/u.test(text);
}

export const problem = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  code: z.enum(Object.keys(ERRORS) as [ErrorCode, ...ErrorCode[]]),
  errors: z.array(z.strictObject({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof problem>;

export const page = z.strictObject({
  limit: z.coerce.number().int().min(1).max(200).default(50),
  cursor: z
    .string()
    .max(120)
    .regex(/^[A-Za-z0-9_-]*$/, 'is not a cursor of this list')
    .optional(),
});
