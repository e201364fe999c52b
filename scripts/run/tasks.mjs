/** Runs programs beside each other, as many as there are processors; what each says is printed when it ends. */
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { root } from '../lib/install.mjs';
import { say, Stop } from '../lib/say.mjs';

/** Told to end what still runs. */
export const undo = [];

/**
 * @param most_s ended, as failed, when it takes longer: for what hangs
 * @returns {Promise<{code: number, seconds: number, said: string}>}
 */
export function run(args, { env = {}, shown = true, most_s = 3600 } = {}) {
  const begun = Date.now();
  return new Promise((done) => {
    const child = spawn(process.execPath, args, {
      cwd: root,
      stdio: ['ignore', shown ? 'inherit' : 'pipe', shown ? 'inherit' : 'pipe'],
      env: { ...process.env, ...env },
    });
    undo.push(() => child.exitCode === null && child.kill('SIGTERM'));
    const hangs = setTimeout(
      () => (say(`ended after ${most_s} s: ${args.join(' ')}`), child.kill('SIGKILL')),
      1000 * most_s,
    );
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (text) => (said += text));
    child.on('close', (code) => {
      clearTimeout(hangs);
      done({ code: code ?? 1, seconds: (Date.now() - begun) / 1000, said });
    });
  });
}

/** Starts a program that says "listening at <address>" and goes on until the run ends. @returns {Promise<string>} the address */
export function serve(script, env) {
  const child = spawn(process.execPath, ['--import', './scripts/lib/typescript.mjs', script], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, ...env },
  });
  undo.push(() => child.exitCode === null && child.kill('SIGTERM'));
  return new Promise((ready, fail) => {
    child.stdout.on('data', (text) => /listening at (\S+)/.test(text) && ready(/listening at (\S+)/.exec(text)[1]));
    child.on('exit', (code) => fail(new Stop(`${script} ended with ${code}`)));
  });
}

/**
 * @param tasks each `{ name, args }`; the longest first
 * @param onEnd told of each as it ends
 */
export async function beside(tasks, onEnd) {
  const waiting = [...tasks];
  const one = async () => {
    for (let task = waiting.shift(); task; task = waiting.shift()) {
      const { code, seconds, said } = await run(task.args, { shown: false });
      if (said.trim() !== '') console.log(said.trimEnd());
      say(`${code === 0 ? 'passed' : 'FAILED'}: ${task.name} (${seconds.toFixed(0)} s)`);
      onEnd(task.name, code === 0, seconds);
    }
  };
  await Promise.all(Array.from({ length: Math.max(1, availableParallelism()) }, one));
}
