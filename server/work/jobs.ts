/** Longer work of people who have signed in: it has an address, says how far it is, can be stopped, and its result is fetched from there. */
import { randomUUID } from 'node:crypto';
import { fault, IdiomError } from '../../core/errors';
import { Shared } from './shared';
import type { Given, TaskName } from './tasks';
import { LIMIT_s, type Work } from './work';

const KEPT_ms = 15 * 60_000;
/** of one person, running or waiting to be fetched */
const MOST_OF_ONE = 3;
const MOST_BYTES_IN_ALL = 256 * 1024 * 1024;

export type JobState = 'running' | 'done' | 'failed' | 'stopped';
interface Job {
  readonly id: string;
  readonly of: string;
  readonly name: string;
  readonly begun: number;
  readonly shared: Shared;
  readonly end: AbortController;
  state: JobState;
  result: Buffer | null;
  why: string | null;
}
export interface JobSeen {
  readonly id: string;
  readonly name: string;
  readonly state: JobState;
  readonly done: number;
  readonly of: number;
  readonly why: string | null;
}

export class LongWork {
  private readonly jobs = new Map<string, Job>();
  constructor(
    private readonly work: Work,
    private readonly now: () => Date,
  ) {}

  /**
   * @param name under which the result is saved
   * @param of how many pieces it has, for saying how far it is before it has begun
   * @throws busy-computing where the person has too much running or not fetched
   */
  begin<T extends TaskName>(person: string, name: string, of: number, task: T, given: Given<T>): JobSeen {
    this.clear();
    const own = [...this.jobs.values()].filter((j) => j.of === person);
    // what was fetched or failed makes room, the oldest first
    for (const j of own.filter((x) => x.state !== 'running').slice(0, Math.max(0, own.length - MOST_OF_ONE + 1)))
      this.jobs.delete(j.id);
    if ([...this.jobs.values()].filter((j) => j.of === person).length >= MOST_OF_ONE)
      throw fault('busy-computing', { seconds: 10 });
    const shared = new Shared();
    shared.set('of', of);
    const job: Job = {
      id: randomUUID(),
      of: person,
      name,
      begun: this.now().getTime(),
      shared,
      end: new AbortController(),
      state: 'running',
      result: null,
      why: null,
    };
    this.jobs.set(job.id, job);
    void this.work
      .run(
        task,
        given,
        { key: `job of ${person}`, signedIn: true, gone: job.end.signal },
        { limit_s: LIMIT_s.job, shared, isLong: true },
      )
      .then(
        (value) => {
          job.result = Buffer.from(value as Uint8Array);
          job.state = 'done';
          shared.set('done', shared.get('of'));
        },
        (error: unknown) => {
          if (job.state === 'stopped') return;
          job.state = 'failed';
          job.why = error instanceof IdiomError ? error.message : 'A fault of the program.';
        },
      );
    return this.seen(job);
  }
  private seen({ id, name, state, shared, why }: Job): JobSeen {
    return { id, name, state, done: shared.get('done'), of: shared.get('of'), why };
  }
  private found(person: string, id: string): Job {
    this.clear();
    const job = this.jobs.get(id);
    if (job?.of !== person) throw fault('not-found');
    return job;
  }
  /** @throws not-found for one that is not there, or somebody else's */
  look(person: string, id: string): JobSeen {
    return this.seen(this.found(person, id));
  }
  stop(person: string, id: string): JobSeen {
    const job = this.found(person, id);
    if (job.state === 'running') {
      job.state = 'stopped';
      job.shared.set('stopped', 1);
      job.end.abort();
    }
    return this.seen(job);
  }
  /** @throws not-found also where it is not done */
  result(person: string, id: string): { readonly name: string; readonly file: Buffer } {
    const job = this.found(person, id);
    if (!job.result) throw fault('not-found');
    return { name: job.name, file: job.result };
  }
  private clear(): void {
    const at = this.now().getTime();
    let bytes = 0;
    for (const j of [...this.jobs.values()].reverse()) {
      bytes += j.result?.length ?? 0;
      if (j.state !== 'running' && (at - j.begun > KEPT_ms || bytes > MOST_BYTES_IN_ALL)) this.jobs.delete(j.id);
    }
  }
}
