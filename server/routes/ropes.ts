import type { FastifyInstance } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault, IdiomError } from '../../core/errors';
import { bind } from '../bind';
import { contentHash } from '../canonical';
import type { Context } from '../context';
import { isDuplicate } from '../database';
import { keepingFor } from '../record/keeping';
import { ropesCsv } from '../documents/csv';
import { hasPdfAsked, headOnFile, namesOf, pageHead, publicUrl, sendPdf, verifyUrl } from '../handing';
import { readIn } from '../importing';
import { recordRopeEvent } from '../recording';
import { notAfterToday } from '../recording/entry';
import { storedEntryOf } from '../rows';
import { rowOf } from '../../core/records';
import { entriesAbout, ropeEntries, statuses } from '../tables/entries';
import { insertRope, lifeOf, ropeById, ropesOf, storedRope } from '../tables/ropes';
import { knotsInRope } from '../tables/tiedKnots';
import type { SessionPerson } from '../tables/sessions';
import { askerFor, type Computing } from '../work/asking';
import type { FastifyReply, FastifyRequest } from 'fastify';

/** Checks on the page of a rope's life. */
const LAST_CHECKS = 60;

export function ropeRoutes(app: FastifyInstance, context: Context, { work }: Computing): void {
  const { db } = context;

  bind(app, context, ENDPOINTS.ropes, ({ who }) => ropesOf(db, who.organisation));
  bind(app, context, ENDPOINTS.ropesCsv, async ({ who, reply }) => {
    await headOnFile(context, who, reply);
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="ropes.csv"')
      .send(ropesCsv(await ropesOf(db, who.organisation)));
  });
  bind(app, context, ENDPOINTS.ropesJson, async ({ who, reply }) => {
    await headOnFile(context, who, reply);
    return reply
      .type('application/json')
      .header('content-disposition', 'attachment; filename="ropes.json"')
      .send(JSON.stringify({ format: 'idiom-ropes-1', ropes: await ropesOf(db, who.organisation) }, null, 1));
  });

  bind(app, context, ENDPOINTS.newRope, async ({ body, who }) => {
    notAfterToday('in_service_since', body.in_service_since, context.now());
    const request = contentHash(body);
    const there = await storedRope(db, body.id);
    if (!there) {
      try {
        await keepingFor(context, who, (k) => insertRope(k, body, request));
      } catch (error) {
        const isTaken = error instanceof IdiomError && error.code === 'id-taken';
        if (!isDuplicate(error) && !isTaken) throw error;
        if ((await storedRope(db, body.id))?.request_sha256 !== request)
          throw new IdiomError('bad-input', {}, [
            { path: 'tag', message: 'there is one with this tag, or the id is taken' },
          ]);
      }
    } else if (there.organisation !== who.organisation || there.request_sha256 !== request) throw fault('id-taken');
    return (await ropeById(db, who.organisation, body.id))!;
  });

  const life = async (organisation: string, id: string) => {
    const rope = await ropeById(db, organisation, id);
    if (!rope) throw fault('not-found');
    const stored = await entriesAbout(db, organisation, id);
    return { rope, stored, life: lifeOf(rope.first_length_m, ropeEntries(stored)) };
  };
  const pdf = async (who: SessionPerson, request: FastifyRequest, reply: FastifyReply, id: string) => {
    const found = await life(who.organisation, id);
    const head = await pageHead(context, who, `${found.rope.tag}: its life`);
    const checks = (await statuses(db, who.organisation, { rope: id }, LAST_CHECKS)).map(rowOf);
    const entries = ropeEntries(found.stored).map((entry, i) => ({ entry, sha256: found.stored[i]!.sha256 }));
    const last = found.stored.at(-1);
    const url = verifyUrl(
      context,
      request,
      who.organisation,
      last ?? { sequence: head.count, sha256: head.head_sha256 },
    );
    const { rope, life: own } = found;
    const given = { head, rope, life: own, entries, checks, names: await namesOf(context, who), url };
    const file = Buffer.from(await work.run('ropePage', given, askerFor(who, request, reply)));
    return sendPdf(reply, `rope-${found.rope.tag}`, file);
  };
  bind(app, context, ENDPOINTS.rope, async ({ params, who, request, reply }) => {
    if (hasPdfAsked(request)) return pdf(who, request, reply, params.id);
    const found = await life(who.organisation, params.id);
    const [knots, open] = await Promise.all([
      knotsInRope(db, who.organisation, params.id, context.now()),
      statuses(db, who.organisation, { rope: params.id, open: 'finding' }, 50),
    ]);
    const { length_m, retired, hard_falls, cut_m, last_looked_over, damages } = found.life;
    return {
      rope: found.rope,
      life: { length_m, retired, hard_falls, cut_m, last_looked_over, damages },
      entries: found.stored.map(storedEntryOf),
      knots_in_it: knots,
      open_findings: open.map(rowOf),
    };
  });
  bind(app, context, ENDPOINTS.ropePdf, ({ params, who, request, reply }) => pdf(who, request, reply, params.id));
  bind(app, context, ENDPOINTS.newRopeEvent, ({ params, body, who }) => recordRopeEvent(context, who, params.id, body));

  bind(app, context, ENDPOINTS.ropeLabels, async ({ query, who, request, reply }) => {
    const all = await ropesOf(db, who.organisation);
    const chosen = query.ids ? all.filter((r) => query.ids!.includes(r.id)) : all;
    if (query.ids && chosen.length !== new Set(query.ids).size) throw fault('not-found');
    const given = {
      head: await pageHead(context, who, 'Labels'),
      ropes: chosen,
      address: publicUrl(context, request),
    };
    return sendPdf(reply, 'labels', Buffer.from(await work.run('labels', given, askerFor(who, request, reply))));
  });

  bind(app, context, ENDPOINTS.import, ({ body, who }) => readIn(context, who, body));
}
