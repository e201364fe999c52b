/** A thread for tests: turns round for so long, or fails, or refuses. */
import { readlinkSync } from 'node:fs';

export default async function spinning({ given, memory }) {
  Atomics.store(new Int32Array(memory), 0, Number(readlinkSync('/proc/thread-self').split('/').at(-1)));
  if (given.refuse) return { refused: { code: 'bad-code', values: { reason: given.refuse }, errors: [] } };
  if (given.fail) throw new Error(given.fail);
  const until = Date.now() + given.spin_ms;
  while (Date.now() < until);
  return { value: given.answer };
}
