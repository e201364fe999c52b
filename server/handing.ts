/** Handing pages over: whose they are, where their code leads, under what name they are saved. */
import type { FastifyReply, FastifyRequest } from 'fastify';
import type { Context } from './context';
import type { PageHead } from './documents/page';
import { chainHead } from './tables/entries';
import { peopleOf } from './tables/people';
import type { SessionPerson } from './tables/sessions';

/** Where the application is reached: as it was set, or as it was asked. */
export const publicUrl = (context: Context, request: FastifyRequest): string =>
  context.settings.publicUrl ?? `${request.protocol}://${request.headers.host ?? 'localhost'}`;
export const verifyUrl = (
  context: Context,
  request: FastifyRequest,
  organisation: string,
  entry: { readonly sequence: number; readonly sha256: string },
): string | null =>
  entry.sequence === 0
    ? null
    : `${publicUrl(context, request)}/verify?o=${organisation}&n=${entry.sequence}&h=${entry.sha256}`;

export async function pageHead(context: Context, who: SessionPerson, title: string): Promise<PageHead> {
  const signed = await context.signer?.sign(who.organisation, 'page');
  const head = signed ?? (await chainHead(context.db, who.organisation));
  return {
    title,
    organisation: who.organisation_name,
    demo: who.demo,
    made_at: context.now(),
    count: head.sequence,
    head_sha256: head.sha256,
    signed: signed ? `${signed.number} by ${signed.signing_key}` : null,
  };
}
export const namesOf = async (context: Context, who: SessionPerson): Promise<Record<string, string>> =>
  Object.fromEntries((await peopleOf(context.db, who.organisation)).map((p) => [p.id, p.name]));
export const hasPdfAsked = (request: FastifyRequest): boolean =>
  request.headers.accept?.split(',')[0]?.trim().startsWith('application/pdf') ?? false;

export function sendPdf(reply: FastifyReply, name: string, file: Buffer): FastifyReply {
  // a tag may hold what a header may not
  const safe = name.replace(/[^A-Za-z0-9._-]+/g, '-').slice(0, 80);
  return reply
    .type('application/pdf')
    .header('content-disposition', `inline; filename="${safe}.pdf"`)
    .header('cache-control', 'no-store')
    .send(file);
}
/** A file that leaves says by which head of the record it was made, and that it was signed. */
export async function headOnFile(context: Context, who: SessionPerson, reply: FastifyReply): Promise<void> {
  const signed = await context.signer?.sign(who.organisation, 'file');
  const head = signed ?? (await chainHead(context.db, who.organisation));
  void reply.header('x-record-head', `${head.sequence} ${head.sha256}`);
  if (signed) void reply.header('x-record-signature', `${signed.number} ${signed.signing_key} ${signed.signature}`);
}
