/** What bakes or proves runs in one pool of processes, one for each processor. */
import { Worker } from 'jest-worker';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { BakedForm } from '../../core/knots/shape/stored';
import type { CheapFigures } from './cheap';
import type { Item } from './proofFile';

/** What a process of the pool can be asked for. */
export interface Tasks {
  readonly bake: (knot: string, form: string) => Promise<BakedForm>;
  readonly prove: (item: Item) => Promise<unknown>;
  readonly cheapFigures: (knot: string) => Promise<Record<string, CheapFigures>>;
}

export type Pool = Tasks & { readonly end: () => Promise<unknown> };

/** Ended once what was made is written: a process keeps the lists that it began with. */
export function pool(most: number = availableParallelism()): Pool {
  return new Worker(join(import.meta.dirname, 'worker.mjs'), {
    numWorkers: Math.max(1, most),
    exposedMethods: ['bake', 'prove', 'cheapFigures'],
    forkOptions: { execArgv: process.execArgv, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] },
  }) as unknown as Pool;
}
