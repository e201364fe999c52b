/** Recording what happened to a rope. */
import type { z } from 'zod';
import type { newRopeEventBody } from '../../contract';
import { fault } from '../../core/errors';
import { refusedEvent, type RopeEventBody } from '../../core/records';
import type { Context } from '../context';
import { entriesAbout, ropeEntries, type Recorded } from '../tables/entries';
import { firstLengthOf, lifeOf, ropeById } from '../tables/ropes';
import type { SessionPerson } from '../tables/sessions';
import { badField, notInTheFuture, present, recordEntry } from './entry';

/** What happened to a rope. @throws not-found, bad-input */
export async function recordRopeEvent(
  context: Context,
  who: SessionPerson,
  rope: string,
  body: z.output<typeof newRopeEventBody>,
): Promise<Recorded> {
  const { id, note, ...event } = body;
  const asked = { kind: 'rope-event', id, request: { rope, body, by: who.id } } as const;
  return recordEntry(context, who, asked, async ({ c, now }): Promise<RopeEventBody> => {
    const there = await ropeById(c, who.organisation, rope);
    if (!there) throw fault('not-found');
    notInTheFuture('happened_at', body.happened_at, now);
    const life = lifeOf(await firstLengthOf(c, rope), ropeEntries(await entriesAbout(c, who.organisation, rope)));
    const refused =
      there.state === 'retired' && !life.retired
        ? { path: 'event', message: 'it is retired: nothing more is noted of it' }
        : refusedEvent(life, present(event));
    if (refused) throw badField(refused.path, refused.message);
    return { rope, ...present(event), note, demo: who.demo };
  });
}
