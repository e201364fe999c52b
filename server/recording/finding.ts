/** Recording that an open finding was done something about. */
import type { z } from 'zod';
import type { newFindingClosedBody } from '../../contract';
import { fault } from '../../core/errors';
import type { Context } from '../context';
import { type Connection } from '../database';
import { statusesInChain, type Recorded } from '../tables/entries';
import type { SessionPerson } from '../tables/sessions';
import { endTiedKnot } from '../tables/tiedKnots';
import { badField, samePlace, recordEntry } from './entry';
import { checkInChain } from './standing';
import type { FindingClosedBody } from '../../core/records';

/** Tied again closes a finding only with a later check of that rope at that place that meets the rule, by someone other than who tied it. @throws bad-input */
async function mustBeLaterCheck(
  c: Connection,
  organisation: string,
  found: Awaited<ReturnType<typeof checkInChain>>,
  later: string | undefined,
): Promise<void> {
  const wrong = (message: string) => badField('later_check', message);
  if (later === undefined) throw wrong('tied again it stays open until someone else has looked at it: name that check');
  const [status] = await statusesInChain(c, organisation, later);
  if (!status) throw wrong('is no check of this organisation');
  if (
    status.sequence <= found.status.sequence ||
    status.rope !== found.check.rope ||
    !samePlace(status.place, found.check.place)
  )
    throw wrong('is no later check of a knot in that rope at that place');
  if (status.points_verdict !== 'meets-the-rule') throw wrong('does not meet the rule');
  if (status.alone) throw wrong('was made by who tied it');
}

export async function recordFindingClosed(
  context: Context,
  who: SessionPerson,
  check: string,
  body: z.output<typeof newFindingClosedBody>,
): Promise<Recorded> {
  const asked = { kind: 'finding-closed', id: body.id, request: { check, body, by: who.id } } as const;
  return recordEntry(
    context,
    who,
    asked,
    async ({ c }): Promise<FindingClosedBody> => {
      const found = await checkInChain(c, who.organisation, check);
      if (found.status.points_verdict !== 'take-out-and-retie') throw fault('nothing-open');
      if (!found.status.open_finding) throw fault('already-closed');
      if (body.what_was_done === 'retied') await mustBeLaterCheck(c, who.organisation, found, body.later_check);
      return {
        check,
        tied_knot: found.check.tied_knot,
        what_was_done: body.what_was_done,
        ...(body.what_was_done === 'retied' && { later_check: body.later_check! }),
        note: body.note,
        demo: who.demo,
      };
    },
    (k, { tied_knot }) => endTiedKnot(k, tied_knot, body.what_was_done),
  );
}
