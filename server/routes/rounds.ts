import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault, IdiomError } from '../../core/errors';
import type { EntryOf } from '../../core/records';
import { bind } from '../bind';
import { keepingFor } from '../record/keeping';
import { contentHash } from '../canonical';
import type { Context } from '../context';
import { fromTimeCursor, timeCursor } from '../cursor';
import { tableCsv } from '../documents/csv';
import { VERDICT_WORDS } from '../../core/inspect/judging';
import { knotName } from '../documents/words';
import { hasPdfAsked, headOnFile, pageHead, sendPdf, verifyUrl } from '../handing';
import { keptOnce } from '../kept';
import { knotIn } from '../named';
import { recordRoundFinished } from '../recording';
import { rowOf } from '../../core/records';
import { entriesAbout, statuses, type StoredEntry } from '../tables/entries';
import { ropesOf } from '../tables/ropes';
import {
  insertRound,
  insertRoundWalk,
  roundById,
  roundsPage,
  roundWalkById,
  roundWalksPage,
  type RoundWalkRow,
} from '../tables/rounds';
import type { SessionPerson } from '../tables/sessions';
import { askerFor, type Computing } from '../work/asking';
import { hangsThere } from '../tables/tiedKnots';

const pageOf = <T extends { id: string }>(found: readonly T[], limit: number, at: (t: T) => string) => {
  const items = found.slice(0, limit);
  const last = items.at(-1);
  return { items, next: found.length > limit && last ? timeCursor(at(last), last.id) : null };
};
export const roundWalkRowOf = ({ stops, ...w }: RoundWalkRow) => ({ ...w, stops_count: stops.length });

export function roundRoutes(app: FastifyInstance, context: Context, { work }: Computing): void {
  const { db } = context;

  bind(app, context, ENDPOINTS.rounds, async ({ query, who }) =>
    pageOf(
      await roundsPage(db, who.organisation, query.limit + 1, fromTimeCursor(query.cursor)),
      query.limit,
      (r) => r.created_at,
    ),
  );
  bind(app, context, ENDPOINTS.round, async ({ params, who }) => {
    const there = await roundById(db, params.id);
    if (!there || there.organisation !== who.organisation) throw fault('not-found');
    return there.row;
  });
  bind(app, context, ENDPOINTS.newRound, async ({ body, who }) => {
    const ropes = new Set((await ropesOf(db, who.organisation)).map((r) => r.id));
    body.stops.forEach((s, i) => {
      knotIn(`stops.${i}.knot`, s.knot);
      if (s.rope && !ropes.has(s.rope))
        throw new IdiomError('bad-input', {}, [
          { path: `stops.${i}.rope`, message: 'is no rope of this organisation' },
        ]);
    });
    const request = contentHash({ body, by: who.id });
    return keptOnce(
      who.organisation,
      request,
      () => roundById(db, body.id),
      () =>
        keepingFor(context, who, (k) =>
          insertRound(k, { id: body.id, name: body.name, stops: body.stops, created_by: who.id }, request),
        ),
    );
  });

  bind(app, context, ENDPOINTS.roundWalks, async ({ query, who }) => {
    const found = await roundWalksPage(
      db,
      who.organisation,
      query.limit + 1,
      fromTimeCursor(query.cursor),
      query.open === undefined ? null : query.open === 'yes',
    );
    return pageOf(found.map(roundWalkRowOf), query.limit, (w) => w.begun_at);
  });

  /** The walk, stop by stop, as it stands now; finished: as it stood then. */
  const walked = async (who: SessionPerson, id: string) => {
    const there = await roundWalkById(db, id);
    if (!there || there.organisation !== who.organisation) throw fault('not-found');
    const { row } = there;
    const [ropes, found, entries] = await Promise.all([
      ropesOf(db, who.organisation),
      statuses(db, who.organisation, { roundWalk: id }, 1000),
      entriesAbout(db, who.organisation, id),
    ]);
    const stored: StoredEntry | undefined = entries[0];
    const finished = stored ? (JSON.parse(stored.bytes.toString('utf8')) as EntryOf<'round-finished'>) : null;
    const stops = await Promise.all(
      row.stops.map(async (s, i) => {
        // newest first: the last check made at the stop
        const check = found.find((c) => c.round_stop === i);
        const hangs =
          check || row.finished_at
            ? null
            : await hangsThere(db, who.organisation, s.knot, s.place, s.rope, context.now());
        return {
          ...s,
          rope_tag: ropes.find((r) => r.id === s.rope)?.tag ?? null,
          check: check ? rowOf(check) : null,
          hangs_there: hangs,
          why_not: finished?.body.stops[i]?.why_not ?? '',
        };
      }),
    );
    return { row, stops, stored, note: finished?.body.note ?? '' };
  };
  const asReply = ({ row, stops, stored, note }: Awaited<ReturnType<typeof walked>>) => ({
    ...roundWalkRowOf(row),
    stops,
    finished: stored ? { sequence: stored.sequence, sha256: stored.sha256, note } : null,
  });
  const pdf = async (who: SessionPerson, request: FastifyRequest, reply: FastifyReply, id: string) => {
    const w = await walked(who, id);
    const head = await pageHead(context, who, `Round: ${w.row.name}`);
    const url = verifyUrl(
      context,
      request,
      who.organisation,
      w.stored ?? { sequence: head.count, sha256: head.head_sha256 },
    );
    const given = { head, walk: { ...w.row, note: w.note, stops: w.stops }, url };
    const file = Buffer.from(await work.run('roundPage', given, askerFor(who, request, reply)));
    return sendPdf(reply, `round-${w.row.name}`, file);
  };

  bind(app, context, ENDPOINTS.newRoundWalk, async ({ body, who }) => {
    const round = await roundById(db, body.round);
    if (!round || round.organisation !== who.organisation)
      throw new IdiomError('bad-input', {}, [{ path: 'round', message: 'is no round of this organisation' }]);
    const request = contentHash({ body, by: who.id });
    await keptOnce(
      who.organisation,
      request,
      () => roundWalkById(db, body.id),
      () => keepingFor(context, who, (k) => insertRoundWalk(k, { ...body, begun_by: who.id }, request)),
    );
    return asReply(await walked(who, body.id));
  });
  bind(app, context, ENDPOINTS.roundWalk, async ({ params, who, request, reply }) =>
    hasPdfAsked(request) ? pdf(who, request, reply, params.id) : asReply(await walked(who, params.id)),
  );
  bind(app, context, ENDPOINTS.roundWalkPdf, ({ params, who, request, reply }) => pdf(who, request, reply, params.id));
  bind(app, context, ENDPOINTS.roundWalkCsv, async ({ params, who, reply }) => {
    const w = await walked(who, params.id);
    await headOnFile(context, who, reply);
    const rows = w.stops.map((s, i) => [
      i + 1,
      s.place,
      knotName(s.knot),
      s.rope_tag ?? '',
      s.check ? knotName(s.check.knot) : '',
      s.check?.sequence ?? '',
      s.check?.seen_at ?? '',
      s.check?.checker_name ?? '',
      VERDICT_WORDS[s.check?.verdict ?? 'not-judged'],
      s.check ? '' : 'not reached',
      s.why_not,
    ]);
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="round.csv"')
      .send(
        tableCsv(
          [
            'stop',
            'place',
            'expected',
            'rope_tag',
            'found',
            'sequence',
            'seen_at',
            'checker_name',
            'verdict',
            'reached',
            'why_not',
          ],
          rows,
        ),
      );
  });
  bind(app, context, ENDPOINTS.finishRoundWalk, ({ params, body, who }) =>
    recordRoundFinished(context, who, params.id, body),
  );
}
