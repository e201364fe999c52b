/**
 * Every file of journeys has an organisation, a database and an address of its own, so that they can be walked side by
 * side and none sees what another did. One process serves them all (server/testing/sideBySide.ts).
 */
import { basename } from 'node:path';
import { expect, test as base, type Browser, type BrowserContext } from '@playwright/test';

export { expect };

const servers = async (method: string, body: object): Promise<unknown> => {
  const answer = await fetch(process.env['IDIOM_TEST_SERVERS']!, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`the servers of the journeys answer ${answer.status}: ${await answer.text()}`);
  return answer.json();
};

/** The organisation of the file whose journeys are walked now, and the device they are walked on: the program is loaded once for a file. */
class Place {
  private file = '';
  url = '';
  device: BrowserContext | null = null;
  constructor(
    private readonly browser: Browser,
    private readonly worker: number,
  ) {}

  async of(file: string): Promise<{ readonly url: string; readonly device: BrowserContext }> {
    if (file !== this.file) {
      await this.end();
      const name = `${basename(file, '.spec.ts').replaceAll('-', '_')}_${this.worker}`;
      this.url = ((await servers('POST', { name })) as { url: string }).url;
      this.file = file;
    }
    this.device ??= await this.browser.newContext({
      baseURL: this.url,
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    });
    return { url: this.url, device: this.device };
  }

  async end(): Promise<void> {
    if (this.file === '') return;
    await this.device?.close();
    this.device = null;
    await servers('DELETE', { url: this.url });
    this.file = '';
  }
}

export const test = base.extend<
  { readonly own: { readonly url: string; readonly device: BrowserContext } },
  { readonly place: Place }
>({
  place: [
    async ({ browser }, use, { workerIndex }) => {
      const place = new Place(browser, workerIndex);
      await use(place);
      await place.end();
    },
    { scope: 'worker', timeout: 600_000 },
  ],
  own: [async ({ place }, use, { file }) => use(await place.of(file)), { timeout: 600_000 }],
  baseURL: async ({ own }, use) => use(own.url),
  // what a journey leaves on the device is taken away before the next
  page: async ({ own: { url, device }, browser, viewport, hasTouch }, use) => {
    if (hasTouch) {
      const touched = await browser.newContext({ baseURL: url, viewport, hasTouch });
      await use(await touched.newPage());
      return touched.close();
    }
    const page = await device.newPage();
    await page.setViewportSize(viewport!);
    await use(page);
    await page.goto('/icon.svg');
    await page.evaluate(() => (localStorage.clear(), sessionStorage.clear()));
    for (const open of device.pages()) await open.close();
    await device.clearCookies();
  },
});
