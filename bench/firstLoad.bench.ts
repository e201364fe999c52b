/** A cold first load in the browser: bytes over the wire until a view can be used, and how long that takes. The shelf can be used when every picture in sight is there. */
import { chromium } from '@playwright/test';
import config from '../playwright.config';

const url = process.env['IDIOM_TEST_URL']!;
const browser = await chromium.launch(config.use!.launchOptions!);
for (const [name, path, ready] of [
  ['sign-in', '/sign-in', 'Demo: Fulmar Sound'],
  ['Today, signed in', '/', 'Last done'],
  ['shelf', '/tie', 'Which knot?'],
  ['shelf as sheets', '/tie?show=sheet', 'Which knot?'],
  ['Tie, 3D drawn', '/tie/figure-eight-follow-through', 'together'],
] as const) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await context.request.post(`${url}/api/v1/session`, { data: { handle: 'tove', password: 'fulmar-sound-demo' } });
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  let bytes = 0;
  let script = 0;
  const types = new Map<string, string>();
  session.on('Network.responseReceived', (e) => types.set(e.requestId, e.response.mimeType));
  session.on('Network.loadingFinished', (e) => {
    bytes += e.encodedDataLength;
    if (types.get(e.requestId)?.includes('javascript')) script += e.encodedDataLength;
  });
  const begun = performance.now();
  await page.goto(url + path);
  await page.getByText(ready).first().waitFor();
  if (name.startsWith('Tie'))
    await page.waitForFunction(() => document.querySelector<HTMLCanvasElement>('.stage canvas')?.style.opacity === '1');
  if (name.startsWith('shelf'))
    await page.waitForFunction(() => {
      const inSight = [...document.querySelectorAll<HTMLImageElement>('.shelf img')].filter(
        (i) => i.getBoundingClientRect().top < innerHeight,
      );
      return inSight.length > 0 && inSight.every((i) => i.complete && i.naturalWidth > 0);
    });
  const usable = performance.now() - begun;
  await page.waitForLoadState('networkidle');
  console.log(
    `${name.padEnd(20)} usable after ${(usable / 1000).toFixed(2)} s, ${(bytes / 1024).toFixed(0)} kB over the wire, of it ${(script / 1024).toFixed(0)} kB script`,
  );
  await context.close();
}
await browser.close();
