/** A way of tying as a motion: played, stepped, looped, mirrored, and a wrong one told as wrong. */
import { expect, test } from './own';
import { expectNoAxeFindings, stepIn } from './people';

test('a knot is seen tied: it plays to its end, goes step by step, and by the left hand', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/bowline');
  await page.getByRole('link', { name: /^See it tied/ }).click();
  await expect(page.getByRole('list', { name: 'Steps', exact: true })).toBeVisible();
  const far = page.getByLabel('How far it is tied');
  const most = Number(await far.getAttribute('max'));
  const stage = page.locator('.stage canvas');
  await expect(stage).toHaveCSS('opacity', '1');
  const inked = () =>
    stage.evaluate((c: HTMLCanvasElement) => {
      const small = document.createElement('canvas');
      small.width = small.height = 32;
      const context = small.getContext('2d')!;
      context.drawImage(c, 0, 0, 32, 32);
      return context.getImageData(0, 0, 32, 32).data.join();
    });
  const untied = await inked();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Step 2 of 6')).toBeVisible();
  await expect.poll(inked).not.toBe(untied);
  await expectNoAxeFindings(page);
  // stepped on past the making, it is dressed and set
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Step 6 of 6')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Set it/ })).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByText('mirrored for left-handers')).toBeVisible();
  await expect(page).toHaveURL(/hand=left/);
  // played from the beginning to the end
  await far.fill('0');
  await page.getByRole('button', { name: /^Play/ }).click();
  await expect.poll(async () => Number(await far.inputValue()), { timeout: 60_000 }).toBe(most);
  await expect(page.getByRole('button', { name: /^Play again/ })).toBeVisible();
});

test('a way that goes wrong is told as wrong, with the fault it ends in', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/buntline-hitch');
  await page.getByRole('link', { name: 'Wrong: begun at the clip and worked up' }).click();
  await expect(page.getByText('Wrong on purpose.')).toBeVisible();
  await page.getByRole('button', { name: 'This step again and again' }).click();
  await page.getByRole('button', { name: /^Stop/ }).click();
  await expectNoAxeFindings(page);
});

test('the butterfly by the twist: hands change its path; tied along, help fades and the step where one stopped is marked', async ({
  page,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/alpine-butterfly/ways/twist');
  await expect(page.locator('.stage canvas')).toHaveCSS('opacity', '1');
  await expect(page.getByText('Step 1 of 8')).toBeVisible();
  await page.getByRole('button', { name: 'Tie along' }).click();
  await page.getByRole('button', { name: 'Less help' }).click();
  // the first picture is gone, its caption stands
  await expect(page.locator('.no-picture')).toHaveText('Let a bight hang from the line.');
  await page.locator('.way-stage').click();
  await expect(page.getByText('Step 2 of 8')).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(page.getByText('Step 3 of 8')).toBeVisible();
  await page.getByRole('button', { name: 'I stopped here' }).click();
  await expect(page.getByRole('list', { name: 'Steps', exact: true }).getByText('stopped here')).toHaveCount(1);
  await expectNoAxeFindings(page);
  await page.reload();
  await expect(page.getByRole('list', { name: 'Steps', exact: true }).getByText('stopped here')).toHaveCount(1);
  // set: what the finished knot shows, and what it is taken for
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Finished, it shows' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'See it drawn up' })).toBeVisible();
  const card = await page.request.get((await page.getByRole('link', { name: 'A5' }).getAttribute('href'))!);
  expect([card.status(), card.headers()['content-type'], (await card.body()).subarray(0, 5).toString()]).toEqual([
    200,
    'application/pdf',
    '%PDF-',
  ]);
});

test('another screen follows: it shows the same step, and the next when it is taken', async ({
  page,
  browser,
  baseURL,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/bowline/ways/loop');
  await page.getByRole('button', { name: 'Show on another screen' }).click();
  const code = (await page.getByRole('region', { name: 'On another screen' }).locator('b.fs-3').textContent())!.trim();
  // a device on which nobody is signed in
  const hall = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await hall.goto('/projector');
  // a form of the size of a form
  expect((await hall.getByLabel('Code, six digits').boundingBox())!.height).toBeLessThan(120);
  await expectNoAxeFindings(hall);
  await hall.getByLabel('Code, six digits').fill(code);
  await hall.getByRole('button', { name: 'Follow' }).click();
  await expect(hall.getByText('1 / 6')).toBeVisible();
  await expectNoAxeFindings(hall);
  await page.getByRole('button', { name: 'Next step' }).click();
  await expect(hall.getByText('2 / 6')).toBeVisible();
  await expect(page.getByText('One screen follows')).toBeVisible();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(hall.getByText('6 / 6')).toBeVisible();
  await expect(hall.getByRole('img', { name: /^Set it/ })).toBeVisible();
  await hall.context().close();
});
