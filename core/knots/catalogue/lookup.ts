/** The facts of a knot by its id, without its shapes. */
import { fault } from '../../errors';
import { ENTRIES } from './entries';
import type { KnotEntry } from '../facts/types';

/** @throws unknown-knot */
export function entryById(id: string): KnotEntry {
  const found = ENTRIES.find((e) => e.id === id);
  if (!found) throw fault('unknown-knot', { knot: id });
  return found;
}
