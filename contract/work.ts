/** Longer work: it has an address, says how far it is, and can be stopped. */
import { z } from 'zod';
import { uuid } from './common';

export const workParams = z.strictObject({ id: uuid });
export const WORK_STATES = ['running', 'done', 'failed', 'stopped'] as const;
export const workReply = z.strictObject({
  id: z.string(),
  name: z.string(),
  state: z.enum(WORK_STATES),
  done: z.number().int().describe('pieces that are done'),
  of: z.number().int().describe('pieces in all'),
  why: z.string().nullable().describe('why it failed'),
  result: z.string().nullable().describe('where what came of it is fetched, once it is done; for a quarter of an hour'),
});
