import { Readable } from 'node:stream';
import type { FastifyInstance } from 'fastify';
import type { z } from 'zod';
import { ENDPOINTS, type CheckRow, type checksQuery } from '../../contract';
import { DEVICES, MUST_PASS, SHIPPED_TRIALS } from '../../core/choose';
import { fault, IdiomError } from '../../core/errors';
import { shippedProfile } from '../../core/profiles';
import { contentHash } from '../canonical';
import type { Context } from '../context';
import { bind } from '../bind';
import { fromSequenceCursor, fromTimeCursor, sequenceCursor, timeCursor } from '../cursor';
import { keepingFor } from '../record/keeping';
import { hasPdfAsked, headOnFile } from '../handing';
import { keptOnce } from '../kept';
import type { Computing } from '../work/asking';
import { sendCheckPdf } from './evidence';
import { storedEntryOf } from '../rows';
import { rowOf } from '../../core/records';
import { checksCsv } from '../documents/csv';
import { knotIn, profileIn } from '../named';
import {
  keepTiedKnot,
  recordCheck,
  recordCorrection,
  recordFindingClosed,
  recordIncident,
  recordSignature,
} from '../recording';
import type { TryLimiter } from '../plugins/session';
import {
  incidentsPage,
  chainHead,
  checkEntries,
  entriesAbout,
  statusCounts,
  statuses,
  type StatusFilter,
} from '../tables/entries';
import { insertJob, jobById, jobsPage } from '../tables/jobs';
import {
  insertPassingTrial,
  insertWithdrawal,
  passingTrialById,
  passingTrialsPage,
  withdrawalOf,
} from '../tables/passingTrials';
import { ropeById } from '../tables/ropes';
import { roundWalksPage } from '../tables/rounds';
import {
  endTiedKnot,
  insertKnotEvent,
  knotEventById,
  tiedKnotById,
  tiedKnotsPage,
  toLookAtAgain,
} from '../tables/tiedKnots';

function filterOf(q: z.output<typeof checksQuery>): StatusFilter {
  return {
    rope: q.rope,
    person: q.person,
    verdict: q.verdict,
    open: q.open,
    from: q.from ? new Date(`${q.from}T00:00:00.000Z`) : undefined,
    to: q.to ? new Date(new Date(`${q.to}T00:00:00.000Z`).getTime() + 86_400_000) : undefined,
    ...(withinDays(q)
      ? { before: fromTimeCursor(q.cursor) ?? undefined }
      : { beforeSequence: fromSequenceCursor(q.cursor) }),
  };
}
/** Within days the list is in the order of the time seen, else in that of the record; a cursor is of the one or the other. */
const withinDays = (q: z.output<typeof checksQuery>): boolean => q.from !== undefined || q.to !== undefined;
const cursorAfter = (q: z.output<typeof checksQuery>, row: CheckRow): string =>
  withinDays(q) ? timeCursor(row.seen_at, row.id) : sequenceCursor(row.sequence);
/** Rows read at once for a file. */
const FILE_BATCH = 2000;

export function recordRoutes(app: FastifyInstance, context: Context, limiter: TryLimiter, compute: Computing): void {
  const { db } = context;

  bind(app, context, ENDPOINTS.jobs, async ({ query, who }) => {
    const found = await jobsPage(db, who.organisation, query.limit + 1, fromTimeCursor(query.cursor));
    const items = found.slice(0, query.limit);
    const last = items.at(-1);
    return { items, next: found.length > query.limit && last ? timeCursor(last.created_at, last.id) : null };
  });

  bind(app, context, ENDPOINTS.keptJob, async ({ params, who }) => {
    const there = await jobById(db, params.id);
    // another organisation's is as unknown as one that is not there
    if (!there || there.organisation !== who.organisation) throw fault('not-found');
    const { organisation: _organisation, request_sha256: _request, ...job } = there;
    return job;
  });

  /** A retired rope, or one with damage, never for a life load; one with a knot to be taken out only with a reason. @throws bad-input, rope-not-for-life, reason-needed */
  const mayBeUsed = async (organisation: string, id: string, life_load: boolean, despite: string | undefined) => {
    const rope = await ropeById(db, organisation, id);
    if (!rope) throw new IdiomError('bad-input', {}, [{ path: 'rope', message: 'is no rope of this organisation' }]);
    if (!life_load) return;
    if (rope.state !== 'in-service')
      throw fault('rope-not-for-life', {
        tag: rope.tag,
        state: rope.state === 'retired' ? 'retired' : 'damaged, and nothing was done about it',
      });
    if (rope.open_findings > 0 && !despite)
      throw fault('reason-needed', {
        places: (await statuses(db, organisation, { rope: id, open: 'finding' }, 3)).map((s) => s.place).join('; '),
      });
  };
  bind(app, context, ENDPOINTS.newJob, async ({ body, who }) => {
    profileIn('job.profile', body.job.profile);
    const request = contentHash({ body, by: who.id });
    return keptOnce(
      who.organisation,
      request,
      async () => {
        const there = await jobById(db, body.id);
        if (!there) return null;
        const { organisation, request_sha256, ...row } = there;
        return { row, organisation, request_sha256 };
      },
      async () => {
        if (body.rope) await mayBeUsed(who.organisation, body.rope, body.job.life_load, body.despite_open_finding);
        await keepingFor(context, who, (k) =>
          insertJob(k, { id: body.id, name: body.name, rope: body.rope, job: body.job, created_by: who.id }, request),
        );
      },
    );
  });

  bind(app, context, ENDPOINTS.passingTrials, async ({ query, who }) => {
    const found = await passingTrialsPage(db, who.organisation, query.limit + 1, fromTimeCursor(query.cursor));
    const items = found.slice(0, query.limit);
    const last = items.at(-1);
    const devices = MUST_PASS.map((id) => ({ id, ...DEVICES[id] }));
    return {
      items,
      next: found.length > query.limit && last ? timeCursor(last.created_at, last.id) : null,
      shipped: SHIPPED_TRIALS,
      devices,
    };
  });

  bind(app, context, ENDPOINTS.newPassingTrial, ({ body, who }) => {
    knotIn('body.knot', body.knot);
    const request = contentHash({ body, by: who.id });
    return keptOnce(
      who.organisation,
      request,
      () => passingTrialById(db, body.id),
      () => keepingFor(context, who, (k) => insertPassingTrial(k, { ...body, created_by: who.id }, request)),
    );
  });

  bind(app, context, ENDPOINTS.withdrawTrial, async ({ params, body, who }) => {
    const trial = await passingTrialById(db, params.id);
    if (!trial || trial.organisation !== who.organisation) throw fault('not-found');
    const request = contentHash({ trial: params.id, body, by: who.id });
    return keptOnce(
      who.organisation,
      request,
      () => withdrawalOf(db, params.id),
      () =>
        keepingFor(context, who, (k) =>
          insertWithdrawal(k, { id: body.id, trial: params.id, reason: body.reason, by: who.id }, request),
        ),
    );
  });

  bind(app, context, ENDPOINTS.tiedKnots, async ({ query, who }) => {
    const found = await tiedKnotsPage(
      db,
      who.organisation,
      query.limit + 1,
      fromTimeCursor(query.cursor),
      context.now(),
    );
    const items = found.slice(0, query.limit);
    const last = items.at(-1);
    return { items, next: found.length > query.limit && last ? timeCursor(last.tied_at, last.id) : null };
  });

  const tiedKnot = async (organisation: string, id: string) => {
    const found = await tiedKnotById(db, organisation, id, context.now());
    if (!found) throw fault('not-found');
    return found;
  };
  bind(app, context, ENDPOINTS.newTiedKnot, async ({ body, who }) => {
    await keepingFor(context, who, (k) => keepTiedKnot(k, body));
    return tiedKnot(who.organisation, body.id);
  });
  bind(app, context, ENDPOINTS.tiedKnot, ({ params, who }) => tiedKnot(who.organisation, params.id));
  bind(app, context, ENDPOINTS.newKnotEvent, async ({ params, body, who }) => {
    await tiedKnot(who.organisation, params.id);
    const request = contentHash({ body, of: params.id, by: who.id });
    await keptOnce(
      who.organisation,
      request,
      () => knotEventById(db, body.id),
      () =>
        keepingFor(context, who, (k) =>
          insertKnotEvent(k, { ...body, tied_knot: params.id, noted_by: who.id }, request),
        ),
    );
    return tiedKnot(who.organisation, params.id);
  });
  bind(app, context, ENDPOINTS.endTiedKnot, async ({ params, body, who }) => {
    await tiedKnot(who.organisation, params.id);
    await keepingFor(context, who, (k) => endTiedKnot(k, params.id, body.why));
    return tiedKnot(who.organisation, params.id);
  });

  bind(app, context, ENDPOINTS.today, async ({ who }) => {
    const [open, waiting, last, counts, again, rounds] = await Promise.all([
      statuses(db, who.organisation, { open: 'finding' }, 20),
      statuses(db, who.organisation, { open: 'signature' }, 20),
      statuses(db, who.organisation, {}, 6),
      statusCounts(db, who.organisation),
      toLookAtAgain(db, who.organisation, 20, context.now()),
      roundWalksPage(db, who.organisation, 10, null, true),
    ]);
    return {
      open_findings: open.map(rowOf),
      waiting_signatures: waiting.map(rowOf),
      last_checks: last.map(rowOf),
      to_look_at_again: again,
      rounds_waiting: rounds.map((w) => ({
        id: w.id,
        name: w.name,
        begun_by_name: w.begun_by_name,
        begun_at: w.begun_at,
        reached: w.reached,
        stops_count: w.stops.length,
      })),
      counts,
    };
  });

  /** Every row that fits, so many at a time: the record may be larger than memory. */
  const all = async function* (organisation: string, q: z.output<typeof checksQuery>): AsyncGenerator<CheckRow[]> {
    let asked = q;
    for (;;) {
      const found = (await statuses(db, organisation, filterOf(asked), FILE_BATCH)).map(rowOf);
      if (found.length > 0) yield found;
      if (found.length < FILE_BATCH) return;
      asked = { ...q, cursor: cursorAfter(q, found.at(-1)!) };
    }
  };
  const csv = async function* (organisation: string, q: z.output<typeof checksQuery>) {
    yield checksCsv([]);
    for await (const rows of all(organisation, q)) yield checksCsv(rows, false);
  };
  const json = async function* (organisation: string, q: z.output<typeof checksQuery>) {
    yield '{"format":"idiom-checks-1","checks":[';
    let first = true;
    for await (const rows of all(organisation, q)) {
      yield `${first ? '' : ','}\n${rows.map((r) => JSON.stringify(r)).join(',\n')}`;
      first = false;
    }
    yield '\n]}\n';
  };

  bind(app, context, ENDPOINTS.checks, async ({ query, who, request, reply }) => {
    if (request.headers.accept?.split(',')[0]?.trim().startsWith('text/csv'))
      return reply.type('text/csv; charset=utf-8').send(Readable.from(csv(who.organisation, query)));
    const found = await statuses(db, who.organisation, filterOf(query), query.limit + 1);
    const items = found.slice(0, query.limit).map(rowOf);
    return { items, next: found.length > query.limit ? cursorAfter(query, items.at(-1)!) : null };
  });
  bind(app, context, ENDPOINTS.checksCsv, async ({ query, who, reply }) => {
    await headOnFile(context, who, reply);
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="checks.csv"')
      .send(Readable.from(csv(who.organisation, query)));
  });
  bind(app, context, ENDPOINTS.checksJson, async ({ query, who, reply }) => {
    await headOnFile(context, who, reply);
    return reply
      .type('application/json')
      .header('content-disposition', 'attachment; filename="checks.json"')
      .send(Readable.from(json(who.organisation, query)));
  });

  bind(app, context, ENDPOINTS.newCheck, ({ body, who }) => recordCheck(context, who, body));
  bind(app, context, ENDPOINTS.newIncident, ({ body, who }) => recordIncident(context, who, body));
  bind(app, context, ENDPOINTS.incidents, async ({ query, who }) => {
    const before = fromSequenceCursor(query.cursor) ?? null;
    const found = await incidentsPage(db, who.organisation, query.limit + 1, before);
    const items = found.slice(0, query.limit).map(({ entry, sha256 }) => {
      const { happened_at, words, tied_knots, ropes } = entry.body;
      const { id, sequence, recorded_at, recorded_by } = entry;
      return { id, sequence, sha256, recorded_at, recorded_by, happened_at, words, tied_knots, ropes };
    });
    return { items, next: found.length > query.limit ? sequenceCursor(items.at(-1)!.sequence) : null };
  });
  bind(app, context, ENDPOINTS.toLookAt, async ({ params, who }) => {
    const [status] = await statuses(db, who.organisation, { check: params.id }, 1);
    if (!status) throw fault('not-found');
    if (status.signer !== null) throw fault('already-signed');
    const entries = checkEntries(await entriesAbout(db, who.organisation, params.id));
    const first = entries[0]!;
    if (first.kind !== 'check') throw fault('not-found');
    const {
      tied_knot,
      knot,
      rope,
      rope_diameter_mm,
      place,
      tied_by,
      tied_at,
      profile,
      profile_version,
      stopper,
      fist_mm,
      hand,
      use = null,
      companions = [],
      rope_kind = null,
      judging = 1,
      tied_by_outside = null,
    } = first.body;
    return {
      check: params.id,
      tied_knot,
      knot,
      rope,
      rope_tag: status.rope_tag,
      rope_diameter_mm,
      place,
      tied_by,
      tied_by_words: tied_by_outside,
      tied_at,
      checker: status.checker,
      corrector: entries.findLast((e) => e.kind === 'correction')?.recorded_by ?? null,
      profile,
      profile_version,
      stopper,
      use,
      companions,
      rope_kind,
      judging,
      fist_mm,
      hand,
    };
  });
  bind(app, context, ENDPOINTS.check, async ({ params, who, request, reply }) => {
    if (hasPdfAsked(request)) return sendCheckPdf(context, compute, who, request, reply, params.id);
    const [status] = await statuses(db, who.organisation, { check: params.id }, 1);
    if (!status) throw fault('not-found');
    const entries = await entriesAbout(db, who.organisation, params.id);
    return {
      row: rowOf(status),
      entries: entries.map(storedEntryOf),
      second_check: shippedProfile(`${status.profile}@${status.profile_version}`).secondCheck.asked,
    };
  });
  bind(app, context, ENDPOINTS.sign, async ({ params, body, who, request }) => {
    const recorded = await recordSignature(context, who, limiter, request.ip, params.id, body);
    await context.signer?.sign(who.organisation, 'sign-off');
    return recorded;
  });
  bind(app, context, ENDPOINTS.correct, ({ params, body, who }) => recordCorrection(context, who, params.id, body));
  bind(app, context, ENDPOINTS.closeFinding, ({ params, body, who }) =>
    recordFindingClosed(context, who, params.id, body),
  );

  bind(app, context, ENDPOINTS.head, async ({ who }) => {
    const head = await chainHead(db, who.organisation);
    return { organisation: who.organisation, count: head.sequence, head_sha256: head.sha256 };
  });
}
