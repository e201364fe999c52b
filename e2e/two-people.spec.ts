import type { Page } from '@playwright/test';
import { expect, test } from './own';
import { answerAs, beginWalk, measureTail, stepIn, walkThrough } from './people';

/** Imre checks an eight that Pell tied, to the signature. */
async function checked(page: Page, place: string): Promise<string> {
  await stepIn(page, 'Imre Saltway');
  await beginWalk(page, { rope: 'NL-04', tiedBy: 'Pell Haverin', place, rules: 'Rope access' });
  await walkThrough(page);
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByText('No second signature; these rules require one.')).toBeVisible();
  return /\/log\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

test('the second person looks on a device of her own, led there by the code, before she is shown what was found', async ({
  browser,
}) => {
  const first = await (await browser.newContext()).newPage();
  const second = await (await browser.newContext()).newPage();
  await checked(first, 'South light, two devices');
  await expect(first.locator('.verdict.big')).toHaveText('Not judged');
  const code = await first.getByRole('img', { name: /^Code that opens/ }).getAttribute('data-code');

  await stepIn(second, 'Dagny Orrin');
  // the list leads to the same place, and shows nothing of it before she has looked
  await second.getByRole('list', { name: 'Waiting for a second person' }).getByText('South light, two devices').click();
  await expect(second.getByText('Look at the knot before you read')).toBeVisible();
  await expect(second.getByText('What was written')).toHaveCount(0);
  await second.goto(code!);
  await expect(second.getByRole('heading', { name: 'Look at it yourself' })).toBeVisible();
  await second.getByRole('button', { name: 'Begin to look' }).click();
  await walkThrough(second);
  await expect(second.getByText('Whether the first one found the same is shown once you have signed.')).toBeVisible();
  await second.getByRole('button', { name: 'Sign as Dagny Orrin' }).click();
  await expect(second.getByText('Recorded. You found the same as the first one.')).toBeVisible();
  await expect(second.locator('.verdict.big')).toHaveText('Meets the rule');

  // the first one's page still offers the way: it is shut, and the check shows both
  await first.getByRole('link', { name: 'Hand this device over' }).click();
  await expect(first.getByText('A second person has looked already')).toBeVisible();
  await first.getByRole('link', { name: 'Open the check' }).click();
  await expect(first.getByText('Second person: Dagny Orrin.')).toBeVisible();
});

test('handed over, the second person signs by PIN; a wrong one is refused and recorded; where the two differ both are shown it', async ({
  page,
}) => {
  await checked(page, 'South light, handed over');
  await page.getByRole('link', { name: 'Hand this device over' }).click();
  await page.getByLabel('Who looks').selectOption({ label: 'Maelle Brack, on this device' });
  await page.getByRole('button', { name: 'Begin to look' }).click();
  await answerAs(page, {});
  await measureTail(page, '165');
  await walkThrough(page);
  await page.getByRole('button', { name: 'Sign as Maelle Brack' }).click();
  await page.getByLabel(/PIN$/).fill('2580');
  await page.getByRole('button', { name: 'Sign as Maelle Brack' }).click();
  await expect(page.getByRole('alert')).toContainText('The PIN does not match');
  // nothing that was answered is lost
  await page.reload();
  await page.getByLabel(/PIN$/).fill('4917');
  await page.getByRole('button', { name: 'Sign as Maelle Brack' }).click();
  await expect(page.getByText('You and the first one differ')).toBeVisible();
  const row = page.getByRole('table').getByRole('row').filter({ hasText: 'Tail' });
  await expect(row).toContainText('140 mm');
  await expect(row).toContainText('165 mm');
  await expect(page.locator('.verdict.big')).toHaveText('Not judged');
  await page.goto('/log?person=');
  await expect(page.getByText('looks differ').first()).toBeVisible();
});

test('a job is kept by name and opened again; a theme stays; nothing of it is seen by the next one on the device', async ({
  page,
}) => {
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
