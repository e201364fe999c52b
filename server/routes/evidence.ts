/** What is handed over or looked at in sum: pages, statistics, whether a printed page is in the record. */
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault } from '../../core/errors';
import { isOfCheck, type Entry, rowOf } from '../../core/records';
import { bind } from '../bind';
import { sha256 } from '../canonical';
import type { Context } from '../context';
import { knotName } from '../documents/words';
import { namesOf, pageHead, sendPdf, verifyUrl } from '../handing';
import { entriesAbout, entryKnown, statuses } from '../tables/entries';
import { statisticsOf } from '../tables/statistics';
import type { SessionPerson } from '../tables/sessions';
import { askerFor, type Computing } from '../work/asking';
import { sendBegun } from './work';

const DAY_MS = 86_400_000;
const MOST_ON_A_DAY = 2000;
const USUAL_DAYS = 90;

/** The page of one check. @throws not-found */
export async function sendCheckPdf(
  context: Context,
  { work }: Computing,
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
  const given = {
    head,
    row: rowOf(status),
    entries,
    names: await namesOf(context, who),
    url: verifyUrl(context, request, who.organisation, stored.at(-1)!),
  };
  const file = await work.run('checkPage', given, askerFor(who, request, reply));
  return sendPdf(reply, `check-${status.sequence}`, Buffer.from(file));
}

/** Checks on a day's page that is made while one waits; more is longer work. */
const MOST_AT_ONCE = 200;

export function evidenceRoutes(app: FastifyInstance, context: Context, compute: Computing): void {
  const { work, long } = compute;
  const { db } = context;
  bind(app, context, ENDPOINTS.checkPdf, ({ params, who, request, reply }) =>
    sendCheckPdf(context, compute, who, request, reply, params.id),
  );
  bind(app, context, ENDPOINTS.dayPdf, async ({ query, who, request, reply }) => {
    const from = new Date(`${query.day}T00:00:00.000Z`);
    const rows = (
      await statuses(db, who.organisation, { from, to: new Date(from.getTime() + DAY_MS) }, MOST_ON_A_DAY + 1)
    ).map(rowOf);
    const head = await pageHead(context, who, `Checks of ${query.day}`);
    const given = {
      head,
      day: query.day,
      rows: rows.slice(0, MOST_ON_A_DAY).reverse(),
      more: rows.length > MOST_ON_A_DAY,
      url: verifyUrl(context, request, who.organisation, { sequence: head.count, sha256: head.head_sha256 }),
    };
    const name = `day-${query.day}`;
    if (given.rows.length > MOST_AT_ONCE)
      return sendBegun(request, reply, long.begin(who.id, name, given.rows.length, 'dayPage', given));
    return sendPdf(reply, name, Buffer.from(await work.run('dayPage', given, askerFor(who, request, reply))));
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
