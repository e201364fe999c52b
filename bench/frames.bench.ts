/**
 * The turning rope in a browser at 1280x800: when its flat picture and when its first frame stand, frames while it is
 * turned by hand (median, 95th percentile), the frame at rest, and memory after a hundred knots were opened.
 * Milliseconds, and multiples of a fixed piece of arithmetic in the same run.
 */
import { chromium } from '@playwright/test';
import config from '../playwright.config';
import { percentile, reference_ms } from './measure';

const reference = reference_ms();
console.log(`reference ${reference.toFixed(0)} ms`);
const browser = await chromium.launch(config.use!.launchOptions!);
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  baseURL: process.env['IDIOM_TEST_URL']!,
});
await context.addInitScript(() => {
  window.idiomFrames = [];
});
await context.request.post('/api/v1/session', { data: { handle: 'tove', password: 'fulmar-sound-demo' } });
const page = await context.newPage();
const drawn = () =>
  page.waitForFunction(() => document.querySelector<HTMLCanvasElement>('.stage canvas')?.style.opacity === '1');
const say = (what: string, ms: number) =>
  console.log(`${what.padEnd(60)} ${ms.toFixed(0)} ms  ${(ms / reference).toFixed(3)} references`);

for (const knot of ['figure-eight-follow-through', 'alpine-butterfly', 'figure-nine-on-bight']) {
  const begun = performance.now();
  await page.goto(`/tie/${knot}`);
  await page
    .locator('.stage .cold img')
    .first()
    .waitFor({ state: 'attached' })
    .catch(() => null);
  say(`${knot}: page and flat picture`, performance.now() - begun);
  await drawn();
  say(`${knot}: first frame in 3D`, performance.now() - begun);
  await page.waitForTimeout(500);
  const box = (await page.locator('.stage canvas').boundingBox())!;
  await page.evaluate(() => {
    window.idiomFrames!.length = 0;
  });
  await page.mouse.move(box.x + 300, box.y + 200);
  await page.mouse.down();
  for (let i = 0; i < 300; i++)
    await page.mouse.move(box.x + 300 + 150 * Math.sin(i / 20), box.y + 250 + 60 * Math.sin(i / 7));
  await page.mouse.up();
  await page.waitForTimeout(900);
  const frames = await page.evaluate(() => window.idiomFrames!);
  // the first draw of a kind makes its shader
  const moving = frames
    .filter((f) => !f.full)
    .map((f) => f.ms)
    .slice(1);
  say(`${knot}: frame while it turns, median of ${moving.length}`, percentile(moving, 0.5));
  say(`${knot}: frame while it turns, 95th percentile`, percentile(moving, 0.95));
  say(
    `${knot}: frame at rest`,
    percentile(
      frames.filter((f) => f.full).map((f) => f.ms),
      1,
    ),
  );
}

const devtools = await context.newCDPSession(page);
await devtools.send('HeapProfiler.enable');
const heap_MB = async () => {
  await devtools.send('HeapProfiler.collectGarbage');
  return (await devtools.send('Runtime.getHeapUsage')).usedSize / 1e6;
};
await page.goto('/tie');
const knots = (await (await context.request.get('/api/v1/knots')).json()) as { id: string }[];
/** Opens knots from the shelf, one after another, as a reader does: the page is never loaded anew. */
const openAll = async (times: number) => {
  for (let k = 0; k < times; k++) {
    await page
      .locator(`a[href="/tie/${knots[k % knots.length]!.id}"]`)
      .first()
      .click();
    await drawn();
    await page.getByRole('link', { name: 'all knots' }).click();
    await page.locator('.stage canvas').waitFor({ state: 'detached' });
  }
};
await openAll(knots.length);
const first = await heap_MB();
await openAll(100);
console.log(
  `memory in use: ${first.toFixed(1)} MB after every knot once, ${(await heap_MB()).toFixed(1)} MB after 100 more`,
);
await browser.close();
