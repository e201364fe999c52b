import { describe, expect, test } from '@jest/globals';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { giveTurnBack, Turns } from './turns';

interface Asked {
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
  readonly raw: { destroyed: boolean };
}
function asked(): Asked {
  const raw = { destroyed: false };
  return { request: {} as FastifyRequest, reply: { raw } as unknown as FastifyReply, raw };
}
/** Work that goes on until it is told to end. */
function going() {
  let end = () => {};
  const ended = new Promise<void>((r) => (end = r));
  return { ended, end };
}
const settled = () => new Promise((r) => setTimeout(r, 5));

/** So many ask for a turn; which of them have begun, and how each is ended. */
function crowd(turns: Turns, kind: 'read' | 'record', count: number) {
  const begun: number[] = [];
  const each = Array.from({ length: count }, (_, i) => {
    const [a, work] = [asked(), going()];
    const answer = turns.inTurn(kind, a.request, a.reply, async () => {
      begun.push(i);
      await work.ended;
      return i;
    });
    return { ...a, end: work.end, answer };
  });
  return { begun, each };
}

describe('turns', () => {
  test('so many are answered at once; the others follow in the order in which they came', async () => {
    const { begun, each } = crowd(new Turns(), 'read', 14);
    await settled();
    expect(begun).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
    each[7]!.end();
    each[2]!.end();
    await settled();
    expect(begun.slice(10)).toEqual([10, 11]);
    each.forEach((e) => e.end());
    expect(await Promise.all(each.map((e) => e.answer))).toEqual(each.map((_, i) => i));
  });
  test('however many read, recording has turns of its own', async () => {
    const turns = new Turns();
    const reading = crowd(turns, 'read', 40);
    const recording = crowd(turns, 'record', 2);
    await settled();
    expect(recording.begun).toEqual([0, 1]);
    [...reading.each, ...recording.each].forEach((e) => e.end());
    await Promise.all(reading.each.map((e) => e.answer));
  });
  test('who has hung up while waiting is not answered, and who fails gives the turn back', async () => {
    const turns = new Turns();
    const { begun, each } = crowd(turns, 'record', 9);
    await settled();
    each[8]!.raw.destroyed = true;
    const last = expect(each[8]!.answer).rejects.toMatchObject({ code: 'gone' });
    each.forEach((e) => e.end());
    await last;
    expect(begun).not.toContain(8);
    for (let i = 0; i < 20; i++) {
      const a = asked();
      const failing = turns.inTurn('record', a.request, a.reply, () => Promise.reject(new Error('no')));
      await expect(failing).rejects.toThrow('no');
    }
  });
  test('who waits for a thread lets the next one go on, once', async () => {
    const { begun, each } = crowd(new Turns(), 'record', 11);
    await settled();
    giveTurnBack(each[0]!.request);
    giveTurnBack(each[0]!.request);
    await settled();
    expect(begun).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    each[0]!.end();
    await settled();
    expect(begun).toHaveLength(9);
    each.forEach((e) => e.end());
    await Promise.all(each.map((e) => e.answer));
    expect(begun).toHaveLength(11);
  });
});
