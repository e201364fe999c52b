/** Showing a way of tying on another screen: the one who teaches moves, the projector follows. */
import { z } from 'zod';
import { knotId } from './common';

export const showParams = z.strictObject({ code: z.string().regex(/^\d{6}$/, 'six digits') });
/** Where the one who shows it stands. */
export const showState = z.strictObject({
  knot: knotId,
  way: z.string().min(1).max(60),
  at_keyFrames: z.number().min(0).max(1000).describe('key frames done, with a fraction'),
  /** dressing and setting follow the making: which of those steps is shown, null while it is being made */
  then: z.number().int().min(0).max(9).nullable(),
  hand: z.enum(['right', 'left']),
  face: z.enum(['front', 'back']),
  ghost: z.boolean(),
  hands: z.boolean(),
});
export const openedShow = z.strictObject({ code: z.string(), ends_at: z.iso.datetime() });
export const movedShow = z.strictObject({ screens: z.number().int().describe('how many screens follow') });
