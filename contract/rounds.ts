/** Rounds: places in walking order, each with the knot expected there; and walks of them. */
import { z } from 'zod';
import { knotId, line, note, page, uuid } from './common';
import { USES } from '../core/knots/facts/uses';
import { checkRow, tiedKnotReply } from './records';

export const MOST_STOPS = 80;
const stop = z.strictObject({
  place: line(160),
  knot: knotId,
  use: z.enum(USES).optional(),
  rope: uuid.nullable().default(null),
});
export const newRoundBody = z.strictObject({ id: uuid, name: line(120), stops: z.array(stop).min(1).max(MOST_STOPS) });
const stopReply = z.strictObject({
  place: z.string(),
  knot: z.string(),
  use: z.enum(USES).optional(),
  rope: z.string().nullable(),
});
export const roundReply = z.strictObject({
  id: z.string(),
  name: z.string(),
  stops: z.array(stopReply),
  created_by: z.string(),
  created_at: z.string(),
});
export const roundsReply = z.strictObject({ items: z.array(roundReply), next: z.string().nullable() });
export const roundParams = z.strictObject({ id: uuid });

export const newRoundWalkBody = z.strictObject({ id: uuid, round: uuid });
const walkHead = {
  id: z.string(),
  round: z.string(),
  name: z.string(),
  begun_by: z.string(),
  begun_by_name: z.string(),
  begun_at: z.string(),
  finished_at: z.string().nullable(),
  stops_count: z.number(),
  reached: z.number(),
};
export const roundWalkRow = z.strictObject(walkHead);
export const roundWalksQuery = page.extend({ open: z.enum(['yes', 'no']).optional() });
export const roundWalksReply = z.strictObject({ items: z.array(roundWalkRow), next: z.string().nullable() });
export const roundWalkReply = z.strictObject({
  ...walkHead,
  stops: z.array(
    stopReply.extend({
      rope_tag: z.string().nullable(),
      check: checkRow.nullable().describe('the last check made there on this walk; null: not reached, not judged'),
      hangs_there: tiedKnotReply.nullable().describe('such a knot that is known to hang there'),
      why_not: z.string(),
    }),
  ),
  finished: z.strictObject({ sequence: z.number(), sha256: z.string(), note: z.string() }).nullable(),
});
export const finishRoundWalkBody = z.strictObject({
  id: uuid,
  why_not: z
    .array(z.strictObject({ stop: z.number().int().min(0).max(MOST_STOPS), why: line(300) }))
    .max(MOST_STOPS)
    .default([]),
  note,
});
