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
import { inTransaction, isDuplicate } from '../database';
import { checksCsv } from '../documents/csv';
import { knotIn, profileIn } from '../named';
import { keepTiedKnot, recordCheck, recordCorrection, recordFindingClosed, recordSignature } from '../recording';
import type { TryLimiter } from '../plugins/session';
import { chainHead, entriesOfCheck, statusCounts, statuses, type NamedStatus, type StatusFilter } from '../tables/entries';
import { insertJob, jobById, jobsPage } from '../tables/jobs';
import { insertPassingTrial, passingTrialById, passingTrialsPage } from '../tables/passingTrials';
import { ropeById } from '../tables/ropes';
import { endTiedKnot, insertKnotEvent, knotEventById, tiedKnotById, tiedKnotsPage, toLookAtAgain } from '../tables/tiedKnots';

const rowOf = (s: NamedStatus): CheckRow => ({
  id: s.check_id, sequence: s.sequence, seen_at: s.seen_at, knot: s.knot, rope: s.rope, rope_tag: s.rope_tag, place: s.place, tied_by: s.tied_by, tied_by_name: s.tied_by_name,
  checker: s.checker, checker_name: s.checker_name, signer: s.signer, signer_name: s.signer_name, verdict: s.verdict, points_verdict: s.points_verdict,
  open_finding: s.open_finding, corrected: s.corrected, alone: s.alone, tail_mm: s.tail_mm, tail_margin_mm: s.tail_margin_mm, profile: s.profile, profile_version: s.profile_version, demo: s.demo,
});

function filterOf(q: z.output<typeof checksQuery>): StatusFilter {
  return {
    rope: q.rope, person: q.person, verdict: q.verdict, open: q.open,
    from: q.from ? new Date(`${q.from}T00:00:00.000Z`) : undefined,
    to: q.to ? new Date(new Date(`${q.to}T00:00:00.000Z`).getTime() + 86_400_000) : undefined,
    beforeSequence: fromSequenceCursor(q.cursor),
  };
}
interface Kept<T> {
  readonly row: T;
  readonly organisation: string;
  readonly request_sha256: string;
}
/** Keeps a thing once: the same request again gets what was kept then; another one with its id, or of another organisation, is refused. @throws id-taken */
async function keptOnce<T>(organisation: string, request_sha256: string, find: () => Promise<Kept<T> | null>, keep: () => Promise<void>): Promise<T | null> {
  const same = async (): Promise<T | null> => {
    const there = await find();
    if (!there) return null;
    if (there.organisation !== organisation || there.request_sha256 !== request_sha256) throw fault('id-taken');
    return there.row;
  };
  const before = await same();
  if (before) return before;
  try {
    await keep();
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
  return same();
}

/** Most rows in one file; a longer record is exported by date. */
const FILE_ROWS = 20_000;

export function recordRoutes(app: FastifyInstance, context: Context, limiter: TryLimiter): void {
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

  bind(app, context, ENDPOINTS.newJob, async ({ body, who }) => {
    profileIn('job.profile', body.job.profile);
    const request = contentHash({ body, by: who.id });
    return keptOnce(
      who.organisation, request,
      async () => {
        const there = await jobById(db, body.id);
        if (!there) return null;
        const { organisation, request_sha256, ...row } = there;
        return { row, organisation, request_sha256 };
      },
      async () => {
        if (body.rope && !(await ropeById(db, who.organisation, body.rope))) throw new IdiomError('bad-input', {}, [{ path: 'rope', message: 'is no rope of this organisation' }]);
        await insertJob(db, who.organisation, { id: body.id, name: body.name, rope: body.rope, job: body.job, created_by: who.id }, context.now(), request);
      },
    );
  });

  bind(app, context, ENDPOINTS.passingTrials, async ({ query, who }) => {
    const found = await passingTrialsPage(db, who.organisation, query.limit + 1, fromTimeCursor(query.cursor));
    const items = found.slice(0, query.limit);
    const last = items.at(-1);
    const devices = MUST_PASS.map((id) => ({ id, ...DEVICES[id] }));
    return { items, next: found.length > query.limit && last ? timeCursor(last.created_at, last.id) : null, shipped: SHIPPED_TRIALS, devices };
  });

  bind(app, context, ENDPOINTS.newPassingTrial, ({ body, who }) => {
    knotIn('body.knot', body.knot);
    const request = contentHash({ body, by: who.id });
    return keptOnce(who.organisation, request, () => passingTrialById(db, body.id), () => insertPassingTrial(db, who.organisation, { ...body, created_by: who.id }, context.now(), request));
  });

  bind(app, context, ENDPOINTS.tiedKnots, async ({ query, who }) => {
    const found = await tiedKnotsPage(db, who.organisation, query.limit + 1, fromTimeCursor(query.cursor), context.now());
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
    await inTransaction(db, (c) => keepTiedKnot(c, context, who.organisation, body));
    return tiedKnot(who.organisation, body.id);
  });
  bind(app, context, ENDPOINTS.tiedKnot, ({ params, who }) => tiedKnot(who.organisation, params.id));
  bind(app, context, ENDPOINTS.newKnotEvent, async ({ params, body, who }) => {
    await tiedKnot(who.organisation, params.id);
    const request = contentHash({ body, of: params.id, by: who.id });
    await keptOnce(who.organisation, request, () => knotEventById(db, body.id), () => insertKnotEvent(db, who.organisation, { ...body, tied_knot: params.id, noted_by: who.id }, context.now(), request));
    return tiedKnot(who.organisation, params.id);
  });
  bind(app, context, ENDPOINTS.endTiedKnot, async ({ params, body, who }) => {
    await tiedKnot(who.organisation, params.id);
    await endTiedKnot(db, who.organisation, params.id, context.now(), body.why);
    return tiedKnot(who.organisation, params.id);
  });

  bind(app, context, ENDPOINTS.today, async ({ who }) => {
    const [open, waiting, last, counts, again] = await Promise.all([
      statuses(db, who.organisation, { open: 'finding' }, 20),
      statuses(db, who.organisation, { open: 'signature' }, 20),
      statuses(db, who.organisation, {}, 6),
      statusCounts(db, who.organisation),
      toLookAtAgain(db, who.organisation, 20, context.now()),
    ]);
    return { open_findings: open.map(rowOf), waiting_signatures: waiting.map(rowOf), last_checks: last.map(rowOf), to_look_at_again: again, counts };
  });

  const all = async (organisation: string, q: z.output<typeof checksQuery>) => (await statuses(db, organisation, filterOf(q), FILE_ROWS)).map(rowOf);

  bind(app, context, ENDPOINTS.checks, async ({ query, who, request, reply }) => {
    if (request.headers.accept?.split(',')[0]?.trim().startsWith('text/csv'))
      return reply.type('text/csv; charset=utf-8').send(checksCsv(await all(who.organisation, query)));
    const found = await statuses(db, who.organisation, filterOf(query), query.limit + 1);
    const items = found.slice(0, query.limit).map(rowOf);
    return { items, next: found.length > query.limit ? sequenceCursor(items.at(-1)!.sequence) : null };
  });
  bind(app, context, ENDPOINTS.checksCsv, async ({ query, who, reply }) =>
    reply.type('text/csv; charset=utf-8').header('content-disposition', 'attachment; filename="checks.csv"').send(checksCsv(await all(who.organisation, query))),
  );
  bind(app, context, ENDPOINTS.checksJson, async ({ query, who, reply }) =>
    reply.type('application/json').header('content-disposition', 'attachment; filename="checks.json"').send(JSON.stringify({ format: 'idiom-checks-1', checks: await all(who.organisation, query) }, null, 1)),
  );

  bind(app, context, ENDPOINTS.newCheck, ({ body, who }) => recordCheck(context, who, body));
  bind(app, context, ENDPOINTS.check, async ({ params, who }) => {
    const [status] = await statuses(db, who.organisation, { check: params.id }, 1);
    if (!status) throw fault('not-found');
    const entries = await entriesOfCheck(db, who.organisation, params.id);
    return {
      row: rowOf(status),
      entries: entries.map((e) => ({ sequence: e.sequence, sha256: e.sha256, entry: JSON.parse(e.bytes.toString('utf8')) as Record<string, unknown> })),
      second_check: shippedProfile(`${status.profile}@${status.profile_version}`).secondCheck.asked,
    };
  });
  bind(app, context, ENDPOINTS.sign, ({ params, body, who, request }) => recordSignature(context, who, limiter, request.ip, params.id, body));
  bind(app, context, ENDPOINTS.correct, ({ params, body, who }) => recordCorrection(context, who, params.id, body));
  bind(app, context, ENDPOINTS.closeFinding, ({ params, body, who }) => recordFindingClosed(context, who, params.id, body));

  bind(app, context, ENDPOINTS.head, async ({ who }) => {
    const head = await chainHead(db, who.organisation);
    return { organisation: who.organisation, count: head.sequence, head_sha256: head.sha256 };
  });
}
