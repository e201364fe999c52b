/**
 * Ways of tying: bytes of each as it is first fetched, packed; the time until its first frame stands on a cold page, and the frames while it is played (median and
 * 95th percentile of the time from frame to frame). Milliseconds, and multiples of a fixed piece of arithmetic in the same run.
 */
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import config from '../playwright.config';
import { percentile, reference_ms } from './measure';

const url = process.env['IDIOM_TEST_URL']!;
const reference = reference_ms();
console.log(`reference ${reference.toFixed(0)} ms`);
const knots = (await (await fetch(`${url}/api/v1/knots`)).json()) as {
  id: string;
  ways: { id: string; right: boolean }[];
}[];
const ways = knots.flatMap((k) => k.ways.map((w) => ({ knot: k.id, ...w })));
const sizes: number[] = [];
const times: number[] = [];
for (const { knot, id } of ways) {
  const begun = performance.now();
  const text = await (await fetch(`${url}/api/v1/knots/${knot}/ways/${id}`)).text();
  times.push(performance.now() - begun);
  sizes.push(gzipSync(text).length / 1000);
}
console.log(
  `${ways.length} ways, ${ways.filter((w) => w.right).length} right; packed ${Math.min(...sizes).toFixed(0)} to ${Math.max(...sizes).toFixed(0)} kB, median ${percentile(sizes, 0.5).toFixed(0)}; answered in p50 ${percentile(times, 0.5).toFixed(0)} ms, p95 ${percentile(times, 0.95).toFixed(0)} ms`,
);

const browser = await chromium.launch(config.use!.launchOptions!);
const say = (what: string, ms: number) =>
  console.log(`${what.padEnd(60)} ${ms.toFixed(0)} ms  ${(ms / reference).toFixed(3)} references`);
for (const [knot, way] of [
  ['figure-eight-follow-through', 'retrace'],
  ['alpine-butterfly', 'three-wrap'],
  ['munter-hitch', 'folded-loops'],
] as const) {
  // a context of its own: nothing is kept from the one before
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    baseURL: url,
    reducedMotion: 'no-preference',
  });
  await context.request.post('/api/v1/session', { data: { handle: 'tove', password: 'fulmar-sound-demo' } });
  const page = await context.newPage();
  const begun = performance.now();
  await page.goto(`/tie/${knot}/ways/${way}`, { waitUntil: 'commit' });
  await page.waitForFunction(() => document.querySelector<HTMLImageElement>('.stage .cold img')?.complete);
  say(`${knot} ${way}: its first frame as a picture, cold page`, performance.now() - begun);
  await page.waitForFunction(() => document.querySelector<HTMLCanvasElement>('.stage canvas')?.style.opacity === '1');
  say(`${knot} ${way}: first frame in 3D, cold page`, performance.now() - begun);
  await page.getByRole('button', { name: /^Play/ }).click();
  await page.waitForTimeout(400);
  // told as text: what the loader adds to functions is not there in the page
  const frames = (await page.evaluate(`new Promise((done) => {
    const gaps = [];
    let before = performance.now();
    requestAnimationFrame(function tick() {
      const now = performance.now();
      gaps.push(now - before);
      before = now;
      if (gaps.length < 90) requestAnimationFrame(tick);
      else done(gaps.slice(1));
    });
  })`)) as number[];
  say(`${knot} ${way}: from frame to frame, played, median`, percentile(frames, 0.5));
  say(`${knot} ${way}: from frame to frame, played, 95th percentile`, percentile(frames, 0.95));
  await context.close();
}
await browser.close();
