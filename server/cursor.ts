/** Opaque cursors of lists. */
import { fault } from '../core/errors';

const refuse = () => fault('bad-input', {}, [{ path: 'querystring.cursor', message: 'is not a cursor of this list' }]);

export const timeCursor = (at: string, id: string): string => Buffer.from(`${at}|${id}`).toString('base64url');
/** @throws bad-input */
export function fromTimeCursor(cursor: string | undefined): { at: Date; id: string } | null {
  if (cursor === undefined) return null;
  const [at, id] = Buffer.from(cursor, 'base64url').toString('utf8').split('|');
  const time = new Date(at ?? '');
  if (!id || !/^[0-9a-f-]{36}$/.test(id) || Number.isNaN(time.getTime())) throw refuse();
  return { at: time, id };
}

export const sequenceCursor = (sequence: number): string => Buffer.from(`s${sequence}`).toString('base64url');
/** @throws bad-input */
export function fromSequenceCursor(cursor: string | undefined): number | undefined {
  if (cursor === undefined) return undefined;
  const match = /^s(\d{1,10})$/.exec(Buffer.from(cursor, 'base64url').toString('utf8'));
  if (!match) throw refuse();
  return Number(match[1]);
}
