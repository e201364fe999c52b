/**
 * The transform of the tests: SWC, and before each module the language's own objects looked up once. A test runs in a context of its own, in which
 * every look at a global costs a call: computing is three to four times slower there without this. Nothing that a test may replace is among them.
 */
import swc from '@swc/jest';

const LOOKED_UP = ['Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'WeakMap', 'JSON', 'String', 'Infinity', 'NaN'];
const before = LOOKED_UP.map((n) => `const ${n}=globalThis.${n};`).join('');

const withLooks = (result) => ({ ...result, code: before + result.code });

export default {
  createTransformer(options) {
    const own = swc.createTransformer(options);
    return {
      canInstrument: own.canInstrument,
      getCacheKey: (...args) => `${own.getCacheKey(...args)}-${LOOKED_UP.length}`,
      process: (...args) => withLooks(own.process(...args)),
      processAsync: async (...args) => withLooks(await own.processAsync(...args)),
    };
  },
};
