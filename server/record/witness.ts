/**
 * A witness keeps signed heads in a place of its own: whoever rewrites the record cannot rewrite what it was told. The one that ships is a
 * simulated one: a file to which lines are added, or an address to which they are sent (scripts/witness.mjs answers there).
 */
import { appendFile, mkdir } from 'node:fs/promises';
import { existsSync, readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { SignedHead, Witness } from './signing';

const MOST_WAITING = 1000;
const AGAIN_AFTER_ms = 30_000;

const isAddress = (where: string): boolean => /^https?:\/\//.test(where);

async function tell(where: string, heads: readonly SignedHead[]): Promise<void> {
  const lines = heads.map((h) => `${JSON.stringify(h)}\n`).join('');
  if (!isAddress(where)) {
    await mkdir(dirname(where), { recursive: true });
    await appendFile(where, lines);
    return;
  }
  const answer = await fetch(where, { method: 'POST', headers: { 'content-type': 'application/jsonl' }, body: lines });
  if (!answer.ok) throw new Error(`the witness answers ${answer.status}`);
}

/** Tells a witness, one after the other; what could not be told waits and is told later, in its order. */
export function witnessAt(
  where: string,
  complain: (why: string) => void,
): Witness & { readonly told: () => Promise<void> } {
  const waiting: SignedHead[] = [];
  let telling: Promise<void> = Promise.resolve();
  const go = async (): Promise<void> => {
    const now = [...waiting];
    if (now.length === 0) return;
    try {
      await tell(where, now);
      waiting.splice(0, now.length);
    } catch (error) {
      complain((error as Error).message);
      setTimeout(() => {
        telling = telling.then(go);
      }, AGAIN_AFTER_ms).unref();
    }
  };
  return {
    note: (head) => {
      if (waiting.length >= MOST_WAITING) waiting.shift();
      waiting.push(head);
      telling = telling.then(go);
    },
    told: () => telling,
  };
}

/** Every head that a witness was told. @throws where it cannot be read */
export async function toldTo(where: string): Promise<SignedHead[]> {
  const text = isAddress(where)
    ? await (await fetch(where)).text()
    : existsSync(where)
      ? readFileSync(where, 'utf8')
      : '';
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => JSON.parse(line) as SignedHead);
}
