/**
 * The transform of the tests that have a browser's document: SWC, and before each module the language's own objects
 * looked up once. They run in a context of their own, in which every look at a global costs a call: computing is three to
 * four times slower there without this. Nothing that a test may replace is among them. Packages that compute much are
 * looked through too, as they are.
 */
import swc from '@swc/jest';
import { createHash } from 'node:crypto';

// prettier-ignore
const LOOKED_UP = [
  'Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'WeakMap', 'JSON', 'String', 'BigInt', 'Infinity', 'NaN', 'Float64Array', 'Int32Array', 'Uint8Array',
];
const before = LOOKED_UP.map((n) => `const ${n}=globalThis.${n};`).join('');

const withLooks = (result) => ({ ...result, code: before + result.code });

const asItIs = {
  getCacheKey: (text, path) => createHash('sha256').update(`${path}\0${text}\0${before}`).digest('hex'),
  process: (text) => withLooks({ code: text }),
};

export default {
  /** @param options of SWC; none for what is JavaScript already */
  createTransformer(options) {
    if (!options?.jsc) return asItIs;
    const own = swc.createTransformer(options);
    return {
      canInstrument: own.canInstrument,
      getCacheKey: (...args) => `${own.getCacheKey(...args)}-${LOOKED_UP.length}`,
      process: (...args) => withLooks(own.process(...args)),
      processAsync: async (...args) => withLooks(await own.processAsync(...args)),
    };
  },
};
