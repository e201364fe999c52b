/** One store. Job and unfinished checks are mirrored to the browser's storage, apart for each person. */
import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { useSyncExternalStore } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { keep, kept } from './kept';
import { DEFAULT_JOB, jobOpened, jobReducer, type JobState } from './job';
import { walksLoaded, walksReducer, type Walk } from './walks';

const reducer = combineReducers({ [api.reducerPath]: api.reducer, job: jobReducer, walks: walksReducer });
export const makeStore = () => configureStore({ reducer, middleware: (m) => m().concat(api.middleware) });
export const store = makeStore();
export type RootState = ReturnType<typeof reducer>;
export const useApp = useSelector.withTypes<RootState>();
export const useSend = useDispatch.withTypes<typeof store.dispatch>();

const key = (person: string) => `idiom.work.${person}`;
let owner: string | null = null;
const watchers = new Set<() => void>();
let loading = false;

/** Raised when what is kept has another form. What was kept before it had a version is of version 1. */
const KEPT_VERSION = 1;
interface Kept {
  version?: number;
  job: JobState;
  walks: readonly Walk[];
}
function read(person: string): Kept {
  try {
    const there = JSON.parse(kept(key(person)) ?? '') as Partial<Kept>;
    // what a newer program kept is left alone: it may say what this one does not know
    if ((there.version ?? 1) > KEPT_VERSION) throw new Error('of a newer program');
    return {
      job: there.job?.job ? there.job : { job: DEFAULT_JOB, rope: null, knot: null },
      walks: Array.isArray(there.walks) ? there.walks : [],
    };
  } catch {
    return { job: { job: DEFAULT_JOB, rope: null, knot: null }, walks: [] };
  }
}

/** Loads what this person left unfinished on this device; `null` empties the desk. */
export function openDesk(person: string | null): void {
  if (owner === person) return;
  owner = person;
  const kept = person ? read(person) : { job: { job: DEFAULT_JOB, rope: null, knot: null }, walks: [] };
  loading = true;
  store.dispatch(jobOpened(kept.job));
  store.dispatch(walksLoaded(kept.walks));
  loading = false;
  watchers.forEach((w) => w());
}

/** Whose desk is open. */
export const useDeskOwner = (): string | null =>
  useSyncExternalStore(
    (w) => (watchers.add(w), () => watchers.delete(w)),
    () => owner,
  );

let last: string | null = null;
store.subscribe(() => {
  if (!owner || loading) return;
  const { job, walks } = store.getState();
  const text = JSON.stringify({ version: KEPT_VERSION, job, walks });
  if (text === last) return;
  last = text;
  keep(key(owner), text);
});
// another tab of the same person changed something: take it over, so that neither writes over the other
window.addEventListener('storage', (e) => {
  if (!owner || e.key !== key(owner) || !e.newValue || e.newValue === last) return;
  last = e.newValue;
  const kept = read(owner);
  loading = true;
  store.dispatch(jobOpened(kept.job));
  store.dispatch(walksLoaded(kept.walks));
  loading = false;
});
