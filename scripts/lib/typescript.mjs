/**
 * node --import ./scripts/lib/typescript.mjs: runs TypeScript by tsx, without its keeping of function names. That names
 * each inner function anew whenever it is made, which costs where many are made: places, ways, pictures.
 */
import { register } from 'node:module';
import 'tsx';

const NAMING = /__name=\((\w+),(\w+)\)=>[^;]*;/;
const hooks = `
export async function load(url, context, next) {
  const loaded = await next(url, context);
  if (!/\\.tsx?$/.test(url.split('?')[0]) || !loaded.source) return loaded;
  return { ...loaded, source: String(loaded.source).replace(${NAMING}, '__name=($1)=>$1;') };
}`;
register(`data:text/javascript,${encodeURIComponent(hooks)}`);
