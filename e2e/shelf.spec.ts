import { ENTRIES } from '../core/knots/catalogue/entries';
import { expect, test } from './own';
import { expectNoAxeFindings, stepIn } from './people';

test('a knot is found by any of its names, an ambiguous one is asked about, and its page shows both faces', async ({
  page,
}) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie');
  await expect(page.getByRole('status')).toContainText(`${ENTRIES.length} knots`);
  await page.getByLabel(/^Name/).fill('barrel');
  await expect(page.getByRole('heading', { name: /is said of more than one knot/ })).toBeVisible();
  await expectNoAxeFindings(page);
  await page.getByRole('link', { name: /a noose that slides shut/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Barrel noose');
  const faces = page.locator('.two-faces img');
  await expect
    .poll(() =>
      faces.evaluateAll((all) => (all as HTMLImageElement[]).filter((i) => i.complete && i.naturalWidth > 0).length),
    )
    .toBe(2);
  const two = await faces.first().getAttribute('src');
  await page.getByRole('group', { name: 'Wraps' }).getByText('3', { exact: true }).click();
  await expect(faces.first()).not.toHaveAttribute('src', two!);
  await expectNoAxeFindings(page);
  await page.goBack();
  await expect(page.getByLabel(/^Name/)).toHaveValue('barrel');
  await page.goto('/tie/bowline-yosemite');
  await expect(page.getByText('Not settled.')).toBeVisible();
  expect(errors).toEqual([]);
});

test('each crossing and each piece of a picture can be touched: they carry their numbers', async ({ page }) => {
  await page.goto('/api/v1/knots/figure-eight-stopper/picture.svg?state=laid&size=240');
  const spots = page.locator('[data-crossing]');
  await expect(spots).toHaveCount(4);
  for (const n of [1, 2, 3, 4]) {
    const box = (await page.locator(`[data-crossing="${n}"]`).boundingBox())!;
    const hit = await page.evaluate(
      ([x, y]) => (document.elementFromPoint(x!, y!) as Element | null)?.getAttribute('data-crossing'),
      [box.x + box.width / 2, box.y + box.height / 2],
    );
    expect(hit).toBe(String(n));
  }
  expect(await page.locator('[data-component="rope"]').count()).toBeGreaterThan(30);
});
