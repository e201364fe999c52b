/**
 * People at work while others attack: recordings and lists of so many people at once, beside booklets that are hung up, ways that are asked over and
 * over and shapes that are hard to name, all without sign-in. Percentiles of each kind of answer, of health as a thread of its own sees it (this one
 * is busy itself), and memory minute by minute. The first ten seconds are not counted: nothing is warm.
 * IDIOM_LOAD_PEOPLE (100), IDIOM_LOAD_SECONDS (30); IDIOM_LOAD_ATTACK=0: people alone.
 */
import { randomUUID } from 'node:crypto';
import { Worker } from 'node:worker_threads';
import { percentile, signedIn } from './measure';

const url = `${process.env['IDIOM_TEST_URL']}/api/v1`;
const people = Number(process.env['IDIOM_LOAD_PEOPLE'] ?? 100);
const seconds = Number(process.env['IDIOM_LOAD_SECONDS'] ?? 30);
const { cookie, person } = await signedIn(process.env['IDIOM_TEST_URL']!);
const headers = { cookie, 'content-type': 'application/json' };
const ropes = (await (await fetch(`${url}/ropes`, { headers })).json()) as {
  id: string;
  diameter_mm: number;
  kind: string | null;
  state: string;
}[];
const rope = ropes.find((r) => r.kind === 'dynamic' && r.state === 'in-service')!;
const members = (await (await fetch(`${url}/people`, { headers })).json()) as { id: string }[];
const tier = members.find((p) => p.id !== person.id)!;
const memory_MB = async (): Promise<number> => {
  const figures = await (await fetch(`${process.env['IDIOM_TEST_URL']}/metrics`)).text();
  return Math.round(Number(/^idiom_process_resident_memory_bytes (\S+)/m.exec(figures)?.[1] ?? 0) / 1e6);
};
const before_MB = await memory_MB();
const WARM_ms = 10_000;
const begun_ms = Date.now();
const until = begun_ms + WARM_ms + seconds * 1000;
const times: Record<string, number[]> = {};
const statuses: Record<string, number> = {};

async function ask(kind: string, path: string, from: string, init: RequestInit = {}): Promise<void> {
  const begun = performance.now();
  try {
    const r = await fetch(url + path, { ...init, headers: { ...init.headers, 'x-forwarded-for': from } });
    await r.arrayBuffer();
    statuses[`${kind} ${r.status}`] = (statuses[`${kind} ${r.status}`] ?? 0) + 1;
  } catch {
    statuses[`${kind} hung up`] = (statuses[`${kind} hung up`] ?? 0) + 1;
  }
  if (Date.now() > begun_ms + WARM_ms) (times[kind] ??= []).push(performance.now() - begun);
}
const points = ['name', 'front', 'back', 'path', 'set', 'eye', 'harness'];
const check = () => {
  const at = new Date(Date.now() - 60_000).toISOString();
  return {
    id: randomUUID(),
    tied_knot: {
      id: randomUUID(),
      knot: 'figure-eight-follow-through',
      rope: rope.id,
      place: `stance ${randomUUID().slice(0, 4)}`,
      tied_by: tier.id,
      tied_at: at,
    },
    profile: 'rope-access',
    profile_version: 1,
    rope_diameter_mm: rope.diameter_mm,
    use: 'tie-in',
    fist_mm: 100,
    hand: 'right',
    seen_at: at,
    answers: [
      ...points.map((point) => ({ point, found: 'right' })),
      { point: 'tail', found: 'right', tail: { tail_mm: 140, method: 'ruler', uncertainty_mm: 5 } },
    ],
    note: '',
  };
};
const over = async (work: () => Promise<unknown>) => {
  while (Date.now() < until) await work();
};
const pause = (ms: number) => new Promise((r) => setTimeout(r, ms));
const work = [
  // each looks at something every few seconds, and every third one records
  ...Array.from({ length: people }, (_, i) =>
    // nobody comes at the same moment as everybody else
    pause(Math.random() * 3000).then(() =>
      over(async () => {
        await ask('list', '/checks?limit=20', `10.0.${i >> 8}.${i & 255}`, { headers });
        if (i % 3 === 0)
          await ask('record', '/checks', `10.0.${i >> 8}.${i & 255}`, {
            method: 'POST',
            headers,
            body: JSON.stringify(check()),
          });
        await pause(1000 + Math.random() * 2000);
      }),
    ),
  ),
];
const memories: { minute: number; MB: number }[] = [];
const noting = setInterval(() => {
  void memory_MB().then((MB) => memories.push({ minute: Math.floor((Date.now() - begun_ms) / 60_000) + 1, MB }));
}, 5000);
/** Asks for health from a thread of its own. */
const health = new Worker(
  `const { parentPort, workerData: { url, from, until } } = require('node:worker_threads');
  const ms = [];
  (async () => {
    while (Date.now() < until) {
      const begun = performance.now();
      await (await fetch(url, { headers: { 'x-forwarded-for': '10.1.0.1' } })).arrayBuffer();
      if (Date.now() > from) ms.push(performance.now() - begun);
      await new Promise((r) => setTimeout(r, 100));
    }
    parentPort.postMessage(ms);
  })();`,
  { eval: true, workerData: { url: `${url}/health`, from: begun_ms + WARM_ms, until } },
);
const asked = new Promise<number[]>((r) => health.once('message', r));
const torus = Array.from({ length: 1500 }, (_, i) => {
  const a = (i / 1500) * 2 * Math.PI * 7.95;
  const r = 5 + 2 * Math.cos((a * 9) / 8);
  return [r * Math.cos(a), r * Math.sin(a), 2 * Math.sin((a * 9) / 8)];
});
const shape = { components: [{ name: 'rope', role: 'rope', closed: false, points: torus, marks: { eye: 750 } }] };
const knots = 'bowline,prusik,distel,klemheist,clove-hitch,square-knot,inline-eight,munter-hitch';
const attacks = () => [
  ...Array.from({ length: 12 }, (_, i) =>
    over(async () => {
      await ask('booklet, hung up', `/cards.pdf?knots=${knots}`, `10.9.0.${i}`, { signal: AbortSignal.timeout(100) });
    }),
  ),
  ...Array.from({ length: 4 }, (_, i) =>
    over(() =>
      ask('shape', '/identify', `10.9.1.${i}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(shape),
      }),
    ),
  ),
  ...Array.from({ length: 4 }, (_, i) =>
    over(() => ask('way', `/knots/bowline-on-bight/ways/bight-opened?between=${9 + i}`, `10.9.2.${i}`)),
  ),
];
await Promise.all([...work, ...(process.env['IDIOM_LOAD_ATTACK'] === '0' ? [] : attacks())]);
clearInterval(noting);
times['health'] = await asked;
for (const [kind, ms] of Object.entries(times))
  console.log(
    `${kind.padEnd(18)} ${String(ms.length).padStart(6)}   p50 ${percentile(ms, 0.5).toFixed(0)} ms   p95 ${percentile(ms, 0.95).toFixed(0)} ms   p99 ${percentile(ms, 0.99).toFixed(0)} ms`,
  );
console.log(JSON.stringify(statuses));
console.log(`memory of the server: ${before_MB} MB before, ${await memory_MB()} MB after; mean of each minute, MB:`);
const minutes = [...new Set(memories.map((m) => m.minute))];
const mean = (of: readonly number[]) => Math.round(of.reduce((a, b) => a + b, 0) / of.length);
console.log(minutes.map((m) => mean(memories.filter((x) => x.minute === m).map((x) => x.MB))).join(' '));
