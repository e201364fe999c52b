import { describe, expect, test } from '@jest/globals';
import { testsThatReach, withinTime } from './changed.mjs';

const PROJECT = new Map([
  ['core/a/rope.ts', 'export const rope = 1;\n'],
  ['core/a/index.ts', "export * from './rope';\n"],
  ['core/a/rope.test.ts', "import { rope } from './rope';\n"],
  ['core/b/knot.ts', "import {\n  rope,\n} from '../a';\n"],
  ['core/b/knot.test.ts', "import { knot } from './knot';\n"],
  ['core/b/words.ts', "import type { Rope } from '../a/rope';\n"],
  ['core/b/words.test.ts', "import { words } from './words';\n"],
  ['web/Page.tsx', "const Later = lazy(() => import('./Later'));\n"],
  ['web/Later.tsx', "import { knot } from '../core/b/knot';\n"],
  ['web/Page.test.tsx', "import { Page } from './Page';\n"],
]);

describe('tests that a change can reach', () => {
  test('are found over imports, the nearest first; a type carries nothing to run', () => {
    expect(testsThatReach(['core/a/rope.ts'], PROJECT)).toEqual([
      { test: 'core/a/rope.test.ts', steps: 1 },
      { test: 'core/b/knot.test.ts', steps: 3 },
      { test: 'web/Page.test.tsx', steps: 5 },
    ]);
  });

  test('a changed test reaches itself', () => {
    expect(testsThatReach(['core/b/knot.test.ts'], PROJECT)).toEqual([{ test: 'core/b/knot.test.ts', steps: 0 }]);
  });
});

describe('as many as there is time for', () => {
  const reached = [
    { test: 'changed', steps: 0 },
    { test: 'near', steps: 1 },
    { test: 'long', steps: 2 },
    { test: 'far', steps: 3 },
  ];
  const took = (t: string) => ({ changed: 50, near: 10, long: 31, far: 20 })[t]!;

  test('what was changed always runs; a long one is passed over, shorter ones behind it are not; all is said', () => {
    expect(withinTime(reached, took, 80)).toEqual({ run: ['changed', 'near', 'far'], leftOut: ['long'] });
    expect(withinTime(reached, took, 79)).toEqual({ run: ['changed', 'near'], leftOut: ['long', 'far'] });
    expect(withinTime(reached, took, 1)).toEqual({ run: ['changed'], leftOut: ['near', 'long', 'far'] });
  });
});
