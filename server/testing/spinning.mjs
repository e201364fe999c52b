/** A thread for tests: turns round for so long, or fails, or refuses. */
import { readFileSync, readlinkSync } from 'node:fs';

/** What this thread used of a core, ms: the system counts hundredths of a second. */
const used_ms = () => {
  const stat = readFileSync('/proc/thread-self/stat', 'utf8').split(') ')[1].split(' ');
  return (Number(stat[11]) + Number(stat[12])) * 10;
};

export default async function spinning({ given, memory }) {
  Atomics.store(new Int32Array(memory), 0, Number(readlinkSync('/proc/thread-self').split('/').at(-1)));
  if (given.refuse) return { refused: { code: 'bad-code', values: { reason: given.refuse }, errors: [] } };
  if (given.fail) throw new Error(given.fail);
  if (given.sleep_ms) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, given.sleep_ms);
  const from_ms = used_ms();
  while (given.use_ms && used_ms() < from_ms + given.use_ms);
  const until = Date.now() + (given.spin_ms ?? 0);
  while (Date.now() < until);
  return { value: given.answer };
}
