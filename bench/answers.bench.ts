/** How long answers take: choose and tail in process and over HTTP; pictures. */
import { choose, jobFor, PURPOSES, type Job } from '../core/choose';
import { lengthFor, shippedProfile } from '../core/profiles';
import { JOB, timed } from './measure';

const url = `${process.env['IDIOM_TEST_URL']}/api/v1`;
const line = (name: string, t: { p50_ms: number; p95_ms: number }) =>
  console.log(`${name.padEnd(34)} p50 ${t.p50_ms.toFixed(2)} ms   p95 ${t.p95_ms.toFixed(2)} ms`);
const post = (path: string, body: unknown) => async () => {
  const r = await fetch(url + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  await r.arrayBuffer();
  if (!r.ok) throw new Error(`${path}: ${r.status}`);
};
const TAIL = { knot: 'bowline-locked', rope_diameter_mm: 10, tail_mm: 140 };
/** a job of every purpose in turn */
const jobs = PURPOSES.map((purpose) => ({ ...(JOB as unknown as Job), ...jobFor(purpose, JOB as unknown as Job) }));
let turn = 0;
const next = () => jobs[turn++ % jobs.length]!;
line('choose, in process', await timed(1800, () => choose(next(), shippedProfile('sport-crag'))));
line('choose, over HTTP', await timed(900, () => post('/choose', next())()));
line('tail, in process', await timed(1000, () => lengthFor(shippedProfile('sport-crag'), TAIL)));
line('tail, over HTTP', await timed(500, post('/tail', { profile: 'sport-crag', ...TAIL })));
line(
  'picture.svg, over HTTP',
  await timed(40, () => fetch(`${url}/knots/figure-eight-follow-through/picture.svg`).then((r) => r.arrayBuffer())),
);
