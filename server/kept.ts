/** Keeping things that a device sends with an id of its own. */
import { fault, IdiomError } from '../core/errors';
import { isDuplicate } from './database';

export interface Kept<T> {
  readonly row: T;
  readonly organisation: string;
  readonly request_sha256: string;
}

/** Keeps a thing once: the same request again gets what was kept then; another one with its id, or of another organisation, is refused. @throws id-taken */
export async function keptOnce<T>(
  organisation: string,
  request_sha256: string,
  find: () => Promise<Kept<T> | null>,
  keep: () => Promise<void>,
): Promise<T> {
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
    // in the same moment the same request may have been kept by another hand: then it is there
    const isTaken = error instanceof IdiomError && error.code === 'id-taken';
    if (!isDuplicate(error) && !isTaken) throw error;
  }
  const row = await same();
  if (row === null) throw fault('id-taken');
  return row;
}
