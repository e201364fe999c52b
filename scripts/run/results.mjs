/** What a run found: counted, what failed by name, and what took longest. */
import { existsSync, readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { root } from '../lib/install.mjs';

export class Results {
  passed = 0;
  /** what failed by name, said again at the end, where it is not buried in the output */
  failures = [];
  /** [seconds, what] of every check and test */
  times = [];

  /** @param why what the test said, of which the first lines are kept */
  fail(name, why = '') {
    const lines = stripVTControlCharacters(why).split('\n');
    const told = lines.filter((line) => line.trim() !== '').slice(0, 12);
    this.failures.push([name, ...told.map((line) => `    ${line.trim()}`)].join('\n'));
  }
  check(name, ok, seconds) {
    this.times.push([seconds, name]);
    if (ok) this.passed++;
    else this.fail(name);
  }
  slowest(count) {
    return this.times.sort(([a], [b]) => b - a).slice(0, count);
  }

  /** @param file what Jest wrote */
  readUnit(file) {
    if (!existsSync(file)) return this.fail('unit tests: no result');
    const before = this.failures.length;
    const r = JSON.parse(readFileSync(file, 'utf8'));
    this.passed += r.numPassedTests;
    for (const f of r.testResults) {
      const name = relative(root, f.name);
      const called = (t) => `${name}: ${[...t.ancestorTitles, t.title].join(' ')}`;
      for (const t of f.assertionResults) this.times.push([(t.duration ?? 0) / 1000, called(t)]);
      const wrong = f.assertionResults.filter((t) => t.status === 'failed');
      for (const t of wrong) this.fail(called(t), t.failureMessages.join('\n'));
      if (f.status === 'failed' && wrong.length === 0) this.fail(`${name}: could not run`, f.message);
    }
    if (!r.success && this.failures.length === before) this.fail('unit tests: ended with an error');
  }

  /** @param file what Playwright wrote @param code its exit code */
  readBrowser(file, code) {
    if (!existsSync(file)) return this.fail('browser tests: no result');
    const before = this.failures.length;
    const { stats, suites } = JSON.parse(readFileSync(file, 'utf8'));
    this.passed += stats.expected + stats.flaky;
    const specs = (all) => all.flatMap((s) => [...s.specs, ...specs(s.suites ?? [])]);
    for (const x of specs(suites)) {
      const name = `${x.file}: ${x.title}`;
      this.times.push([Math.max(0, ...x.tests.flatMap((t) => t.results.map((r) => r.duration))) / 1000, name]);
      const errors = x.tests.flatMap((t) => t.results.flatMap((r) => r.errors));
      if (!x.ok) this.fail(name, errors.map((e) => e.message ?? '').join('\n'));
    }
    if (code !== 0 && this.failures.length === before) this.fail('browser tests: ended with an error');
  }
}
