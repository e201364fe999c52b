/** What is handed over or looked at in sum: pages, statistics, whether a printed page is in the record. */
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault } from '../../core/errors';
import { isOfCheck, type Entry, rowOf } from '../../core/records';
import { bind } from '../bind';
import { sha256 } from '../canonical';
import type { Context } from '../context';
import { checkPdf, dayPdf } from '../documents/evidence';
import { knotName } from '../documents/words';
import { namesOf, pageHead, sendPdf, verifyUrl } from '../handing';
import { entriesAbout, entryKnown, statuses } from '../tables/entries';
import { statisticsOf } from '../tables/statistics';
import type { SessionPerson } from '../tables/sessions';

const DAY_MS = 86_400_000;
const MOST_ON_A_DAY = 2000;
const USUAL_DAYS = 90;

/** The page of one check. @throws not-found */
export async function sendCheckPdf(
  context: Context,
  who: SessionPerson,
  request: FastifyRequest,
  reply: FastifyReply,
  id: string,
): Promise<FastifyReply> {
  const [status] = await statuses(context.db, who.organisation, { check: id }, 1);
  if (!status) throw fault('not-found');
  const stored = await entriesAbout(context.db, who.organisation, id);
  const entries = stored
    .map((e) => ({ entry: JSON.parse(e.bytes.toString('utf8')) as Entry, sha256: e.sha256 }))
    .filter((e) => isOfCheck(e.entry));
  const head = await pageHead(context, who, `Check: ${knotName(status.knot)}`);
  return sendPdf(
    reply,
    `check-${status.sequence}`,
    await checkPdf(
      head,
      rowOf(status),
      entries,
      await namesOf(context, who),
      verifyUrl(context, request, who.organisation, stored.at(-1)!),
    ),
  );
}

export function evidenceRoutes(app: FastifyInstance, context: Context): void {
  const { db } = context;
  bind(app, context, ENDPOINTS.checkPdf, ({ params, who, request, reply }) =>
    sendCheckPdf(context, who, request, reply, params.id),
  );
  bind(app, context, ENDPOINTS.dayPdf, async ({ query, who, request, reply }) => {
    const from = new Date(`${query.day}T00:00:00.000Z`);
    const rows = (
      await statuses(db, who.organisation, { from, to: new Date(from.getTime() + DAY_MS) }, MOST_ON_A_DAY + 1)
    ).map(rowOf);
    const head = await pageHead(context, who, `Checks of ${query.day}`);
    return sendPdf(
      reply,
      `day-${query.day}`,
      await dayPdf(
        head,
        query.day,
        rows.slice(0, MOST_ON_A_DAY).reverse(),
        rows.length > MOST_ON_A_DAY,
        verifyUrl(context, request, who.organisation, { sequence: head.count, sha256: head.head_sha256 }),
      ),
    );
  });
  bind(app, context, ENDPOINTS.statistics, async ({ query, who }) => {
    const now = context.now();
    const to = query.to ? new Date(new Date(`${query.to}T00:00:00.000Z`).getTime() + DAY_MS) : now;
    const from = query.from ? new Date(`${query.from}T00:00:00.000Z`) : new Date(to.getTime() - USUAL_DAYS * DAY_MS);
    return statisticsOf(db, who.organisation, { from, to, rope: query.rope, person: query.person }, now);
  });
  bind(app, context, ENDPOINTS.verifyEntry, async ({ query }) => {
    const stored = await entryKnown(db, query.organisation, query.sequence, query.sha256);
    return {
      known: stored !== null,
      as_written: stored !== null && sha256(stored.bytes) === stored.sha256,
      recorded_at: stored?.recorded_at.toISOString() ?? null,
    };
  });
}
