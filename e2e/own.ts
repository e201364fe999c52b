/**
 * Every file of journeys has an organisation, a database and an address of its own, so that they can be walked side by
 * side and none sees what another did. One process serves them all (server/testing/sideBySide.ts).
 */
import { expect, test as base, type BrowserContext } from '@playwright/test';
import { preparedDatabase } from '../scripts/lib/testbed.mjs';

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

export const test = base.extend<object, { readonly own: string; readonly device: BrowserContext }>({
  own: [
    // oxlint-disable-next-line no-empty-pattern -- the form that Playwright asks for
    async ({}, use, { project, workerIndex }) => {
      const db = { adminUrl: process.env['IDIOM_TEST_ADMIN_URL']!, socket: process.env['IDIOM_TEST_SOCKET']! };
      const databaseUrl = preparedDatabase(db, `${project.name.replaceAll('-', '_')}_${workerIndex}`);
      const { url } = (await servers('POST', { databaseUrl })) as { url: string };
      await use(url);
      await servers('DELETE', { url });
    },
    { scope: 'worker', timeout: 600_000 },
  ],
  baseURL: async ({ own }, use) => use(own),
  device: [
    async ({ browser, own }, use) => {
      const device = await browser.newContext({
        baseURL: own,
        viewport: { width: 1280, height: 800 },
        serviceWorkers: 'block',
      });
      await use(device);
      await device.close();
    },
    { scope: 'worker' },
  ],
  // the program is loaded once for a file; what a journey leaves on the device is taken away before the next
  page: async ({ device, browser, own, viewport, hasTouch }, use) => {
    if (hasTouch) {
      const touched = await browser.newContext({ baseURL: own, viewport, hasTouch });
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
