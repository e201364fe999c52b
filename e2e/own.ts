/**
 * Every file of journeys has a server and an organisation of its own, so that they can be walked side by side and none sees what another did.
 * A file whose tests run beside each other has one for each of its processes.
 */
import { expect, test as base } from '@playwright/test';
import { testServer } from '../scripts/lib/testbed.mjs';

export { expect };

interface Own {
  readonly url: string;
}

export const test = base.extend<object, { readonly own: Own }>({
  own: [
    // eslint-disable-next-line no-empty-pattern -- the form that Playwright asks for
    async ({}, use, { project, workerIndex }) => {
      const db = { adminUrl: process.env['IDIOM_TEST_ADMIN_URL']!, socket: process.env['IDIOM_TEST_SOCKET']! };
      const server = await testServer(db, `${project.name.replaceAll('-', '_')}_${workerIndex}`);
      await use(server);
      await server.stop();
    },
    { scope: 'worker', timeout: 600_000 },
  ],
  baseURL: async ({ own }, use) => use(own.url),
});
