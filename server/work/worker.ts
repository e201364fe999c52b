/** Runs in a thread of its own. What is refused comes back as it is; the class of an error would not. */
import { readlinkSync } from 'node:fs';
import { IdiomError } from '../../core/errors';
import { Shared } from './shared';
import { TASKS, type Progress, type TaskName } from './tasks';

export interface Handed {
  readonly task: TaskName;
  readonly given: unknown;
  readonly memory: SharedArrayBuffer;
}
export type Answer =
  | { readonly value: unknown }
  | {
      readonly refused: { code: string; values: Readonly<Record<string, string | number>>; errors: readonly unknown[] };
    };

export class Stopped extends Error {}

/** The number by which the system knows this thread; 0 where it does not tell. */
function ownThread(): number {
  try {
    return Number(readlinkSync('/proc/thread-self').split('/').at(-1));
  } catch {
    return 0;
  }
}

export default async function worker({ task, given, memory }: Handed): Promise<Answer> {
  const shared = new Shared(memory);
  shared.set('thread', ownThread());
  const progress: Progress = (done, of) => {
    shared.set('done', done);
    shared.set('of', of);
    if (shared.get('stopped')) throw new Stopped('stopped');
  };
  try {
    const run = TASKS[task] as (g: unknown, p: Progress) => unknown;
    return { value: await run(given, progress) };
  } catch (error) {
    if (!(error instanceof IdiomError)) throw error;
    return { refused: { code: error.code, values: error.values, errors: error.errors } };
  }
}
