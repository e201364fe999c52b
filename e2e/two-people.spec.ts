import { expect, test } from '@playwright/test';
import { answerAs, beginWalk, measureTail, stepIn } from './people';

test('the second person signs on a device of her own, and the verdict changes for both', async ({ browser }) => {
  const first = await (await browser.newContext()).newPage();
  const second = await (await browser.newContext()).newPage();
  await stepIn(first, 'Imre Saltway');
  await beginWalk(first, { rope: 'NL-04', tiedBy: 'Pell Haverin', place: 'South light, two devices', rules: 'Rope access' });
  await answerAs(first, {});
  await measureTail(first, '140');
  await answerAs(first, {});
  await first.getByRole('button', { name: /^Sign as/ }).click();
  await expect(first.getByText('No second signature; these rules require one.')).toBeVisible();
  await expect(first.locator('.verdict.big')).toHaveText('Not judged');

  await stepIn(second, 'Dagny Orrin');
  await second.getByRole('list', { name: 'Waiting for a second person' }).getByText('South light, two devices').click();
  await second.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(second.getByText('Look at both faces first, and say so.')).toBeVisible();
  await second.getByLabel(/^I looked at both faces/).check();
  await second.getByText('I agree', { exact: true }).click();
  await second.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(second.locator('.verdict.big')).toHaveText('Meets the rule');

  // meanwhile the first one's page still offers a place for a second signature: it is refused, and the page shows what stands now
  await first.getByLabel('Signs').selectOption({ label: 'Rask Quillon, on this device' });
  await first.getByLabel('Their password').fill('fulmar-sound-demo');
  await first.getByLabel(/^I looked at both faces/).check();
  await first.getByText('I agree', { exact: true }).click();
  await first.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(first.locator('.verdict.big')).toHaveText('Meets the rule');
  await expect(first.getByText('Second person: Dagny Orrin.')).toBeVisible();
  await expect(first.getByRole('heading', { name: 'Second signature' })).toHaveCount(1);
});

test('a job is kept by name and opened again; a theme stays; nothing of it is seen by the next one on the device', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose');
  await page.getByRole('button', { name: /^Purpose/ }).click();
  await page.getByRole('button', { name: 'a loop at the end' }).click();
  await page.getByRole('button', { name: /^Load/ }).click();
  await page.getByRole('button', { name: 'things only' }).click();
  await expect(page.locator('article h2').filter({ hasText: /^Bowline$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this job' }).click();
  await page.getByLabel('Its name').fill('Send up the tripod');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Job kept' })).toBeVisible();
  await page.getByRole('button', { name: /^Load/ }).click();
  await page.getByRole('button', { name: 'a person' }).click();
  await page.goto('/');
  await page.locator('li').filter({ hasText: 'Send up the tripod' }).getByRole('button', { name: 'Open' }).click();
  await expect(page.getByRole('button', { name: 'Load: things only' })).toBeVisible();

  await page.getByRole('button', { name: /^Signed in as/ }).click();
  await page.getByRole('button', { name: 'Headlamp theme (night)' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'headlamp');
  await page.getByRole('button', { name: /^Signed in as/ }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: /^Rask Quillon/ }).click();
  // leaving before the answer would take the sign-in back
  await expect(page.getByRole('button', { name: 'Signed in as Rask Quillon' })).toBeVisible();
  await page.goto('/choose');
  await expect(page.getByRole('button', { name: 'Load: a person' })).toBeVisible();
});
