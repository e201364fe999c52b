/**
 * Threads for what computes long, so that nothing one person asks makes others wait: a bounded queue per asker and in all, a limit of time, an end
 * when the asker hangs up. Beyond the bounds: busy, again in so many seconds.
 */
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { fault, IdiomError, type FieldFault, type ErrorCode } from '../../core/errors';
import { usedBy_s } from './busy';
import { Shared } from './shared';
import type { Given, Gives, TaskName } from './tasks';
import worker, { type Answer, type Handed } from './worker';

export interface Asker {
  /** a person's id, or an address where nobody has signed in */
  readonly key: string;
  readonly signedIn: boolean;
  /** ends when whoever asked has gone */
  readonly gone?: AbortSignal | undefined;
}

/** Seconds of one core that a question may take. */
export const LIMIT_s = { open: 2, signedIn: 20, job: 180 } as const;
/** What waits or runs, at most. */
const MOST = { ofOne: 4, ofOneOpen: 2, inAll: 32 } as const;
/** So much longer than its limit a question may take by the clock: threads wait for each other. */
const BY_THE_CLOCK = 6;
const LOOK_EVERY_ms = 100;
const GRACE_ms = 700;
/** so long a question takes as a rule, s: for saying when to come again */
const USUAL_s = 0.5;

export interface WorkOptions {
  /** file of the thread; none: it is computed where it is asked, for tests and scripts */
  readonly file: string | null;
  /** for what is waited for; longer work has threads of its own, so that nobody waits for it */
  readonly threads?: number;
  readonly longThreads?: number;
}
const CORES = availableParallelism();
/** Threads give way to the one that answers: it is counted nearly thirty times as much as they. */
const NICER = 15;

export class Work {
  private readonly quick: Piscina | null;
  private readonly long: Piscina | null;
  private readonly threads: number;
  private readonly of = new Map<string, number>();
  private all = 0;

  constructor({
    file,
    threads = Math.max(1, Math.min(8, CORES - 1)),
    longThreads = Math.max(1, Math.min(4, CORES >> 1)),
  }: WorkOptions) {
    this.threads = threads;
    const pool = (minThreads: number, maxThreads: number) =>
      file === null
        ? null
        : new Piscina({
            filename: file,
            minThreads,
            maxThreads,
            idleTimeout: 120_000,
            niceIncrement: NICER,
            // one that asks too much of the memory is ended, not the server
            resourceLimits: { maxOldGenerationSizeMb: 768 },
          });
    this.quick = pool(1, threads);
    this.long = pool(0, longThreads);
  }

  /** tasks that are computed or wait */
  get inHand(): number {
    return this.all;
  }
  /** The forms that are held against each other are made ready in a thread. */
  async makeReady(): Promise<void> {
    await this.run('ready', undefined as never, { key: 'the program', signedIn: true });
  }
  async close(): Promise<void> {
    await Promise.all([this.quick?.destroy(), this.long?.destroy()]);
  }

  /**
   * @param limit_s seconds of one core; that of the asker where it is not said
   * @throws busy-computing, took-too-long, and what the task refuses
   */
  async run<T extends TaskName>(
    task: T,
    given: Given<T>,
    asker: Asker,
    {
      limit_s = asker.signedIn ? LIMIT_s.signedIn : LIMIT_s.open,
      shared = new Shared(),
      isLong = false,
    }: { limit_s?: number; shared?: Shared; isLong?: boolean } = {},
  ): Promise<Gives<T>> {
    const own = this.of.get(asker.key) ?? 0;
    if (own >= (asker.signedIn ? MOST.ofOne : MOST.ofOneOpen) || this.all >= MOST.inAll)
      throw fault('busy-computing', { seconds: Math.max(1, Math.ceil(((this.all + 1) * USUAL_s) / this.threads)) });
    this.of.set(asker.key, own + 1);
    this.all += 1;
    try {
      const pool = isLong ? this.long : this.quick;
      const handed = { task, given, memory: shared.memory };
      return (await this.inThread(pool, handed, asker, limit_s, shared)) as Gives<T>;
    } finally {
      this.all -= 1;
      const left = this.of.get(asker.key)! - 1;
      if (left > 0) this.of.set(asker.key, left);
      else this.of.delete(asker.key);
    }
  }

  private async inThread(
    pool: Piscina | null,
    handed: Handed,
    asker: Asker,
    limit_s: number,
    shared: Shared,
  ): Promise<unknown> {
    if (!pool) return answered(await worker(handed));
    const end = new AbortController();
    const limit = { reached: false };
    // one that waits is taken out at once; one that is computed is told, and ended where it does not listen: a thread is dear to begin anew
    let grace: NodeJS.Timeout | undefined;
    const leave = () => {
      shared.set('stopped', 1);
      if (shared.get('thread') === 0) end.abort();
      else grace = setTimeout(() => end.abort(), GRACE_ms);
    };
    if (asker.gone?.aborted) throw fault('gone');
    asker.gone?.addEventListener('abort', leave, { once: true });
    let began: { s: number | null; at: number } | null = null;
    const watch = setInterval(() => {
      const thread = shared.get('thread');
      if (thread === 0 && !began) return;
      began ??= { s: usedBy_s(thread), at: Date.now() };
      const used = began.s === null ? null : (usedBy_s(thread) ?? began.s) - began.s;
      const byClock = (Date.now() - began.at) / 1000;
      if ((used ?? byClock) <= limit_s && byClock <= limit_s * BY_THE_CLOCK) return;
      limit.reached = true;
      end.abort();
    }, LOOK_EVERY_ms);
    try {
      return answered((await pool.run(handed, { signal: end.signal })) as Answer);
    } catch (error) {
      if (error instanceof IdiomError) throw error;
      if (asker.gone?.aborted) throw fault('gone');
      if (end.signal.aborted) throw limit.reached ? fault('took-too-long', { seconds: limit_s }) : fault('gone');
      throw error;
    } finally {
      clearInterval(watch);
      clearTimeout(grace);
      asker.gone?.removeEventListener('abort', leave);
    }
  }
}

function answered(answer: Answer): unknown {
  if ('value' in answer) return answer.value;
  const { code, values, errors } = answer.refused;
  throw new IdiomError(code as ErrorCode, values, errors as FieldFault[]);
}
