/** How long a page takes to be made over HTTP, and how large it is: a check, a rope, a walked round, a day, labels, cards. */
import { reference_ms, signedIn, timed } from './measure';

const url = process.env['IDIOM_TEST_URL']!;
const headers = { cookie: (await signedIn(url)).cookie };
const json = async (path: string) =>
  (await (await fetch(`${url}/api/v1${path}`, { headers })).json()) as { items: { id: string; seen_at: string }[] } & {
    id: string;
    tag: string;
  }[];
const checks = (await json('/checks?limit=60')).items;
const ropes = await json('/ropes');
const walk = (await json('/round-walks')).items[0]!;
const knots = (await (await fetch(`${url}/api/v1/knots`)).json()) as { id: string }[];
let bytes = 0;
const get = (path: string) => async () => {
  const r = await fetch(`${url}/api/v1${path}`, { headers });
  if (!r.ok) throw new Error(`${path}: ${r.status}`);
  bytes = (await r.arrayBuffer()).byteLength;
};
const reference = Math.min(...Array.from({ length: 5 }, reference_ms));
let turn = 0;
for (const [name, path] of [
  ['a check, each in turn', () => `/checks/${checks[turn++ % checks.length]!.id}.pdf`],
  ['a rope, each in turn', () => `/ropes/${ropes[turn++ % ropes.length]!.id}.pdf`],
  ['a walked round', () => `/round-walks/${walk.id}.pdf`],
  ['a day', () => `/day.pdf?day=${checks[0]!.seen_at.slice(0, 10)}`],
  ['labels of all', () => '/ropes/labels.pdf'],
  ['a card, each in turn', () => `/knots/${knots[turn++ % knots.length]!.id}/card.pdf`],
  ['a card, for the left hand', () => `/knots/${knots[turn++ % knots.length]!.id}/card.pdf?hand=left`],
] as const) {
  const t = await timed(100, () => get(path())());
  console.log(
    `${name.padEnd(24)} p50 ${t.p50_ms.toFixed(0).padStart(4)} ms   p95 ${t.p95_ms.toFixed(0).padStart(4)} ms (${(t.p95_ms / reference).toFixed(2)} references)   ${(bytes / 1024).toFixed(0)} kB`,
  );
}
