/** Recording what a walked round came to. */
import type { z } from 'zod';
import type { finishRoundWalkBody } from '../../contract';
import { fault } from '../../core/errors';
import type { RoundFinishedBody } from '../../core/records';
import type { Context } from '../context';
import { statusesOfRoundWalk, type Recorded } from '../tables/entries';
import { finishRoundWalk, roundWalkById } from '../tables/rounds';
import type { SessionPerson } from '../tables/sessions';
import { badField, recordEntry } from './entry';

/** Ends a walk of a round: each stop with the last check made there, or not reached. @throws not-found, round-finished, bad-input */
export async function recordRoundFinished(
  context: Context,
  who: SessionPerson,
  walk: string,
  body: z.output<typeof finishRoundWalkBody>,
): Promise<Recorded> {
  const asked = { kind: 'round-finished', id: body.id, request: { walk, body, by: who.id } } as const;
  return recordEntry(
    context,
    who,
    asked,
    async ({ c }): Promise<RoundFinishedBody> => {
      const found = await roundWalkById(c, walk);
      if (!found || found.organisation !== who.organisation) throw fault('not-found');
      if (found.row.finished_at) throw fault('round-finished');
      const { row } = found;
      if (body.why_not.some((w) => w.stop >= row.stops.length))
        throw badField('why_not', `this round has ${row.stops.length} stops`);
      const checks = await statusesOfRoundWalk(c, walk);
      const stops = row.stops.map((s, i): RoundFinishedBody['stops'][number] => {
        const check = checks.findLast((x) => x.round_stop === i);
        return {
          place: s.place,
          knot: s.knot,
          rope: s.rope,
          check: check?.check_id ?? null,
          verdict: check?.verdict ?? 'not-judged',
          why_not: check ? '' : (body.why_not.find((w) => w.stop === i)?.why ?? ''),
        };
      });
      const { round, name, begun_by, begun_at } = row;
      return { walk, round, name, begun_by, begun_at, stops, note: body.note, demo: who.demo };
    },
    (k, _body, at) => finishRoundWalk(k, walk, at),
  );
}
