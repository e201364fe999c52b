import type { Locator } from '@playwright/test';
import { expect, test } from './own';
import { expectNoAxeFindings, stepIn } from './people';

test('what looks different is touched, and it is said what that would be', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/check/what-is-this?by=touch&knot=bowline');
  await page.getByRole('button', { name: 'Crossing 2 the other way round' }).click();
  const answer = page.getByTestId('answer');
  await expect(answer).toContainText('What you entered is Bowline with a fault: loop made the other way round');
  await expect(answer).toContainText('falls apart when loaded');
  await expect(answer.locator('[data-knot="bowline"][data-fault="nip-reversed"]')).toBeVisible();
  await expectNoAxeFindings(page);
});

test('a part is touched, in the flat picture or by its name', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/check/what-is-this?by=touch&knot=figure-eight-follow-through');
  await page.getByRole('button', { name: 'a pair', exact: true }).click();
  await page.getByRole('button', { name: 'pair crossed inside' }).click();
  const answer = page.getByTestId('answer');
  await expect(answer).toContainText(
    'What you entered is Figure-eight follow-through with a fault: pair crossed inside',
  );
  await expect(page).toHaveURL(/fault=pair-crossed/);
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Crossing 1 the other way round' }).click();
  await expect(answer).not.toContainText('pair crossed inside');
  // on the tail, high above the knot
  const face = page.getByRole('img', { name: 'Figure-eight follow-through, front, laid out' });
  await page.getByRole('button', { name: 'Crossing 1 the other way round' }).click();
  await face.click({ position: { x: (await face.boundingBox())!.width / 2 + 6, y: 45 } });
  await expect(page.getByRole('button', { name: 'the tail' })).toHaveAttribute('aria-pressed', 'true');
});

test('a shape from a file is named once its eye is marked, and an unknown one is not', async ({ page, request }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/check/what-is-this?by=file');
  const obj = await (await request.get('/api/v1/knots/overhand-stopper/shape.obj?state=laid')).body();
  await page.getByLabel(/A shape: OBJ/).setInputFiles({ name: 'unknown.obj', mimeType: 'model/obj', buffer: obj });
  await page.getByLabel('There is no eye').check();
  await page.getByRole('button', { name: 'What is this?' }).click();
  await expect(page.getByTestId('answer')).toContainText(/^What you entered is .*overhand/i);
  await page
    .getByLabel(/A shape: OBJ/)
    .setInputFiles({ name: 'broken.obj', mimeType: 'model/obj', buffer: Buffer.from('v 0 0 zero\nl 1 2') });
  await expect(page.getByText('has no three numbers')).toBeVisible();
});

test('by hand both faces have to agree', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/check/what-is-this?by=hand');
  const ask = page.getByRole('button', { name: 'What is this?' });
  await page.getByLabel('Front').fill('open: U1+ O2+ U3- O4- U2+ O1+ U4- O3-');
  await expect(ask).toBeDisabled();
  await page.getByLabel('Back').fill('open: U1+ O2+ U3- O4- U2+ O1+ U4- O3-');
  await ask.click();
  await expect(page.getByText('The two faces do not agree')).toBeVisible();
  await page.getByLabel('Back').fill('open: O1+ U2+ O3- U4- O2+ U1+ O4- U3-');
  await ask.click();
  await expect(page.getByTestId('answer')).toContainText('take out and retie');
});

test('spot it: both faces first, then the decision; the errors are counted apart', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/teach');
  await expect(page.getByRole('heading', { name: 'Spot it' })).toBeVisible();
  await expect(page.getByRole('button', { name: /It is right/ })).toBeDisabled();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: /Turn it over/ }).click();
  await page.getByRole('button', { name: /It is right/ }).click();
  await expect(page.getByTestId('outcome')).toBeVisible();
  const round = page.getByLabel('This round');
  const [missed, alarms] = ['missed faults', 'false alarms'].map((name) =>
    round.locator('.measure').filter({ hasText: name }),
  ) as [Locator, Locator];
  await expect(alarms).toContainText('0');
  await expect(missed).toContainText((await page.getByTestId('outcome').textContent())!.includes('Missed') ? '1' : '0');
  await page.getByRole('button', { name: /The next one/ }).click();
  await expect(page.getByRole('button', { name: /It is right/ })).toBeDisabled();
});

test('a knot’s page shows what it is taken for', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/alpine-butterfly');
  await page.getByRole('heading', { name: 'Does yours look different?' }).scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 1600);
  await expect(page.getByRole('heading', { name: 'Taken for it, or it for them' })).toBeVisible();
  await expect(page.locator('[data-lookalike="alpine-butterfly/false-butterfly"]')).toBeVisible();
});
