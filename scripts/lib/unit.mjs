/**
 * Set up once in each process that runs unit tests without a browser's document: they run in Node itself, not in a context of their own, so that
 * a module is read once for all files and computing is as quick as in the program. TypeScript is read as the program's tools read it.
 */
import { register } from 'node:module';
import './typescript.mjs';

const globals = new URL('jestGlobals.mjs', import.meta.url).href;
const hooks = `export const resolve = (name, context, next) =>
  name === '@jest/globals' ? { url: ${JSON.stringify(globals)}, shortCircuit: true } : next(name, context);`;
register(`data:text/javascript,${encodeURIComponent(hooks)}`);
