/** A way of tying as a motion: played, stepped, looped, mirrored, and a wrong one told as wrong. */
import { expect, test } from '@playwright/test';
import { expectNoAxeFindings, stepIn } from './people';

test('a knot is seen tied: it plays to its end, goes step by step, and by the left hand', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/bowline');
  await page.getByRole('link', { name: /^See it tied/ }).click();
  await expect(page.getByRole('list', { name: 'Steps' })).toBeVisible();
  const far = page.getByLabel('How far it is tied');
  const most = Number(await far.getAttribute('max'));
  const stage = page.locator('.stage canvas');
  await expect(stage).toHaveCSS('opacity', '1');
  const inked = () => stage.evaluate((c: HTMLCanvasElement) => {
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
