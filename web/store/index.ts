/** One store. Job and unfinished checks are mirrored to the browser's storage, apart for each person. */
import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { useSyncExternalStore } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
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

interface Kept {
  job: JobState;
  walks: readonly Walk[];
}
function read(person: string): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(key(person)) ?? '') as Partial<Kept>;
    return {
      job: kept.job?.job ? kept.job : { job: DEFAULT_JOB, rope: null, knot: null },
      walks: Array.isArray(kept.walks) ? kept.walks : [],
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
  const text = JSON.stringify({ job, walks });
  if (text === last) return;
  last = text;
  localStorage.setItem(key(owner), text);
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
