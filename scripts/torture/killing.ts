/** Kills a first start, or the upgrade of old data, at a seeded moment; then starts again and looks through the record. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { loadDataVersion } from '../../server/testing/dataVersions';
import { startMariadb } from '../lib/mariadb.mjs';
import { freePort } from '../lib/place.mjs';

const root = join(import.meta.dirname, '../..');
/** beside what stays: the start command takes no temporary folder */
const PLACE = '/var/lib/idiom-torture-';
const READY = /\nhttp:\/\/127\.0\.0\.1:\d+\//;

/** What is stopped: everything at once as in a fall of power, the start command alone, or Ctrl-C. */
const HOWS = ['power', 'start-command', 'ctrl-c'] as const;
export type How = (typeof HOWS)[number];
/** 0: a first start with demo data; else the version of the data that are upgraded. */
export type From = number;

export interface Kill {
  readonly from: From;
  readonly how: How;
  /** part of the time that an undisturbed start takes, 0 to 1.1 */
  readonly at: number;
  /** the next start is killed too */
  readonly again: number | null;
}
export interface Outcome extends Kill {
  readonly killedAfter_ms: number;
  /** empty where all is well */
  readonly wrong: string;
}

/** The kills of a seed, each from where it says. */
export function killsOf(seed: number, count: number, from: readonly From[]): Kill[] {
  const random = xoroshiro128plus(seed);
  const upTo = (n: number) => uniformInt(random, 0, n - 1);
  return Array.from({ length: count }, (_, i) => ({
    from: from[i % from.length]!,
    how: HOWS[upTo(HOWS.length)]!,
    at: upTo(1101) / 1000,
    again: upTo(4) === 0 ? upTo(1001) / 1000 : null,
  }));
}

const templates = new Map<From, string>();
/** A folder with data of a version, as their own program left them. */
async function folderFrom(from: From): Promise<string> {
  const made = mkdtempSync(PLACE);
  spawnSync('chmod', ['755', made]);
  if (from === 0) return made;
  if (!templates.has(from)) {
    const template = mkdtempSync(PLACE);
    spawnSync('chmod', ['755', template]);
    const db = await startMariadb(template, null);
    loadDataVersion(from, 'idiom', db.socket);
    await db.stop();
    templates.set(from, template);
  }
  // owners and times as they are: a database is copied
  spawnSync('cp', ['-a', join(templates.get(from)!, 'mariadb'), made]);
  return made;
}
/** Takes away what was made for it. */
export function clearTemplates(): void {
  for (const t of templates.values()) rmSync(t, { recursive: true, force: true });
  templates.clear();
}

interface Started {
  readonly child: ChildProcess;
  /** resolves when it is ready, or has ended */
  readonly done: Promise<{ ready: boolean; out: string }>;
  readonly gone: Promise<void>;
}
function start(env: Record<string, string>): Started {
  const child = spawn(process.execPath, [join(root, 'scripts/start.mjs')], {
    cwd: root,
    detached: true,
    env: { PATH: process.env['PATH']!, HOME: process.env['HOME'] ?? '/root', ...env },
  });
  let out = '';
  const done = new Promise<{ ready: boolean; out: string }>((r) => {
    const look = (t: Buffer) => {
      out += String(t);
      if (READY.test(out)) r({ ready: true, out });
    };
    child.stdout.on('data', look);
    child.stderr.on('data', look);
    child.on('close', () => r({ ready: false, out }));
  });
  return { child, done, gone: new Promise((r) => child.on('close', () => r())) };
}

/** Every process that works on a folder or for its start command. */
function workingOn(folder: string, starter: number): number[] {
  const all = readdirSync('/proc').filter((p) => /^\d+$/.test(p));
  const of = (pid: string, what: string) => {
    try {
      return readFileSync(`/proc/${pid}/${what}`, 'utf8');
    } catch {
      return '';
    }
  };
  const parents = new Set([starter]);
  const found = new Set<number>([starter]);
  for (let grown = true; grown;) {
    grown = false;
    for (const p of all) {
      const parent = Number(/\) \S (\d+) /.exec(of(p, 'stat'))?.[1]);
      if (!found.has(Number(p)) && (parents.has(parent) || of(p, 'cmdline').includes(folder))) {
        found.add(Number(p));
        parents.add(Number(p));
        grown = true;
      }
    }
  }
  return [...found].filter((pid) => pid !== process.pid);
}

async function kill(run: Started, folder: string, how: How): Promise<void> {
  const { pid } = run.child;
  if (pid === undefined || run.child.exitCode !== null) return;
  if (how === 'ctrl-c') process.kill(-pid, 'SIGINT');
  else if (how === 'start-command') process.kill(pid, 'SIGKILL');
  else
    for (const p of workingOn(folder, pid))
      try {
        process.kill(p, 'SIGKILL');
      } catch {
        // it has ended by itself
      }
  await run.gone;
}

const waited = (ms: number) => new Promise((r) => setTimeout(r, ms));

/** How long an undisturbed start takes from there, ms, and how many entries there are then. */
export async function undisturbed(from: From): Promise<{ takes_ms: number; entries: number }> {
  const folder = await folderFrom(from);
  const env = await envOf(folder);
  const begun = Date.now();
  const run = start(env);
  const { ready, out } = await run.done;
  const takes_ms = Date.now() - begun;
  await kill(run, folder, 'ctrl-c');
  if (!ready) throw new Error(`an undisturbed start from ${from} does not come up: ${out}`);
  const verified = verify(env);
  rmSync(folder, { recursive: true, force: true });
  if (verified.wrong !== '') throw new Error(`after an undisturbed start from ${from}: ${verified.wrong}`);
  return { takes_ms, entries: verified.entries };
}

async function envOf(folder: string): Promise<Record<string, string>> {
  return {
    IDIOM_DATA: folder,
    PORT: String(await freePort()),
    IDIOM_DB_PORT: String(await freePort()),
    IDIOM_DEMO_NOW: '2026-11-30T12:00:00.000Z',
  };
}

function verify(env: Record<string, string>): { entries: number; wrong: string } {
  const r = spawnSync(process.execPath, [join(root, 'scripts/verify.mjs')], {
    cwd: root,
    encoding: 'utf8',
    env: { PATH: process.env['PATH']!, HOME: process.env['HOME'] ?? '/root', ...env },
  });
  const entries = [...r.stdout.matchAll(/: (\d+) entries, each as written/g)].reduce((n, m) => n + Number(m[1]), 0);
  return { entries, wrong: r.status === 0 ? '' : `${r.stdout}${r.stderr}`.trim() };
}

/**
 * @param usual of an undisturbed start from the same data
 * @param discard the folder is taken away whatever came out; else it stays where something is wrong
 */
export async function killed(k: Kill, usual: { takes_ms: number; entries: number }, discard = false): Promise<Outcome> {
  const folder = await folderFrom(k.from);
  const env = await envOf(folder);
  const killedAfter_ms = Math.round(k.at * usual.takes_ms);
  let wrong = '';
  for (const at of [k.at, ...(k.again === null ? [] : [k.again])]) {
    const run = start(env);
    await Promise.race([waited(at * usual.takes_ms), run.gone]);
    await kill(run, folder, k.how);
  }
  const run = start(env);
  const { ready, out } = await run.done;
  if (!ready) wrong = `does not start again: ${out.trim()}`;
  await kill(run, folder, 'ctrl-c');
  if (wrong === '') {
    const v = verify(env);
    wrong = v.wrong;
    if (wrong === '' && v.entries !== usual.entries) wrong = `${v.entries} entries, ${usual.entries} were to be there`;
    const left = readdirSync(folder).filter((f) => /^mariadb\./.test(f));
    if (wrong === '' && left.length > 0) wrong = `left behind: ${left.join(', ')}`;
  }
  if (wrong === '' || discard) rmSync(folder, { recursive: true, force: true });
  else wrong += ` (the folder stays: ${folder})`;
  return { ...k, killedAfter_ms, wrong };
}
