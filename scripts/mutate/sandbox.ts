/** Copies of the project in which one file at a time is broken and its tests are run. */
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from '../proofs/sources';

const COPIED = [
  'core',
  'contract',
  'server',
  'web',
  'scripts',
  'docs',
  'jest.config.js',
  'package.json',
  'tsconfig.json',
];

export class Sandbox {
  readonly #at = mkdtempSync(join(tmpdir(), 'idiom-broken-'));
  constructor(private readonly env: Record<string, string>) {
    for (const f of COPIED) cpSync(join(root, f), join(this.#at, f), { recursive: true });
    symlinkSync(join(root, 'node_modules'), join(this.#at, 'node_modules'));
  }

  /** Whether all of some suites pass; ended, as not passing, when it takes longer than it may. */
  #pass(tests: readonly string[], most_ms: number): Promise<boolean> {
    const child = spawn(
      process.execPath,
      [
        ...[
          '--experimental-vm-modules',
          '--no-warnings',
          'node_modules/jest/bin/jest.js',
          '--ci',
          '--silent',
          '--bail',
          '-i',
        ],
        ...['--runTestsByPath', ...tests],
      ],
      { cwd: this.#at, stdio: 'ignore', env: { ...process.env, NODE_OPTIONS: '', ...this.env }, detached: true },
    );
    const late = setTimeout(() => process.kill(-child.pid!, 'SIGKILL'), most_ms);
    return new Promise((done) =>
      child.on('close', (code) => {
        clearTimeout(late);
        done(code === 0);
      }),
    );
  }

  /** @returns true where some group of suites does not pass with the file broken */
  async notices(
    file: string | null,
    broken: string,
    groups: readonly (readonly string[])[],
    most_ms: number,
  ): Promise<boolean> {
    const whole = file && readFileSync(join(this.#at, file));
    if (file) writeFileSync(join(this.#at, file), broken);
    try {
      for (const tests of groups) if (!(await this.#pass(tests, most_ms))) return true;
      return false;
    } finally {
      if (file) writeFileSync(join(this.#at, file), whole!);
    }
  }

  end(): void {
    rmSync(this.#at, { recursive: true, force: true });
  }
}
