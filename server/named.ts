/** Things named in a request's body: an unknown one is a fault of that field, 400, not an address that is not there. */
import { IdiomError } from '../core/errors';
import { entryById } from '../core/knots/catalogue/lookup';
import type { KnotEntry } from '../core/knots/facts/types';
import { shippedProfile, type Profile } from '../core/profiles';

function named<T>(path: string, find: () => T): T {
  try {
    return find();
  } catch (error) {
    if (error instanceof IdiomError) throw new IdiomError('bad-input', {}, [{ path, message: error.message }]);
    throw error;
  }
}

/** @throws bad-input naming `path` */
export const profileIn = (path: string, reference: string): Profile => named(path, () => shippedProfile(reference));
/** @throws bad-input naming `path` */
export const knotIn = (path: string, id: string): KnotEntry => named(path, () => entryById(id));
