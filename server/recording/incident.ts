/** Recording what happened, its cause unsettled: nothing is frozen by it, and nobody is named guilty. */
import type { z } from 'zod';
import type { newIncidentBody } from '../../contract';
import type { IncidentBody } from '../../core/records';
import type { Context } from '../context';
import type { Recorded } from '../tables/entries';
import { ropeById } from '../tables/ropes';
import type { SessionPerson } from '../tables/sessions';
import { storedTiedKnot } from '../tables/tiedKnots';
import { badField, notInTheFuture, recordEntry } from './entry';

/** @throws bad-input for a knot or rope that is not of this organisation, or a time in the future */
export async function recordIncident(
  context: Context,
  who: SessionPerson,
  body: z.output<typeof newIncidentBody>,
): Promise<Recorded> {
  const { id, ...told } = body;
  const asked = { kind: 'incident', id, request: { body, by: who.id } } as const;
  return recordEntry(context, who, asked, async ({ c, now }): Promise<IncidentBody> => {
    notInTheFuture('happened_at', told.happened_at, now);
    for (const [i, knot] of told.tied_knots.entries())
      if ((await storedTiedKnot(c, knot))?.organisation !== who.organisation)
        throw badField(`tied_knots.${i}`, 'is no knot of this organisation');
    for (const [i, rope] of told.ropes.entries())
      if (!(await ropeById(c, who.organisation, rope))) throw badField(`ropes.${i}`, 'is no rope of this organisation');
    return { ...told, demo: who.demo };
  });
}
