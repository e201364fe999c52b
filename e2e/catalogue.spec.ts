/** The whole catalogue as it is met: on the shelf, on sheets, two by two, in three dimensions, and on a walk. */
import type { Page } from '@playwright/test';
import { ENTRIES } from '../core/knots/catalogue/entries';
import { expect, test } from './own';
import { answerAs, beginWalk, expectNoAxeFindings, measureTail, stepIn } from './people';

const KNOTS = ENTRIES.length;
let errors: string[];
test.beforeEach(({ page }) => {
  errors = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
});
test.afterEach(() => expect(errors).toEqual([]));

/** Goes down the shelf card by card, so that every lazy picture is asked for. */
async function picturesShown(page: Page): Promise<number> {
  for (const card of await page.locator('.shelf > a').all()) await card.scrollIntoViewIfNeeded();
  const there = () =>
    page
      .locator('.shelf img')
      .evaluateAll((all) => (all as HTMLImageElement[]).filter((i) => i.complete && i.naturalWidth > 0).length);
  const all = await page.locator('.shelf img').count();
  await expect.poll(there, { timeout: 15_000 }).toBe(all);
  return all;
}

test('every knot has its picture on the shelf and both faces on the sheet, by family', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie');
  await expect(page.getByRole('status')).toContainText(`${KNOTS} knots`);
  expect(await picturesShown(page)).toBe(KNOTS);
  await page.getByRole('button', { name: 'sheet: both faces, set' }).click();
  expect(await picturesShown(page)).toBe(2 * KNOTS);
  await expectNoAxeFindings(page);
  await page.getByLabel('Family').selectOption('friction');
  await expect(page.locator('.shelf > a')).toHaveCount(6);
  await page.getByLabel('Family').selectOption('');
  await expect(page.locator('.shelf > a')).toHaveCount(KNOTS);
  await page.getByLabel('Purpose').selectOption({ label: 'a joint to be pulled down' });
  await expect(page.getByRole('status')).toContainText(`of ${KNOTS} knots`);
  await expect(page.locator('.shelf > a[href="/tie/offset-overhand"]')).toBeVisible();
  await expect(page.locator('.shelf > a[href="/tie/prusik"]')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('button', { name: 'sheet: both faces, set' })).toHaveAttribute('aria-pressed', 'true');
});

test('two knots are compared from the page of one, and the address keeps it', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/square-knot');
  await page.getByRole('link', { name: 'compare it' }).click();
  await page.getByLabel('The other', { exact: true }).selectOption({ label: 'Figure-eight bend' });
  await expect(page.locator('.compare-faces img')).toHaveCount(4);
  await expect(page.getByRole('columnheader', { name: 'Figure-eight bend' })).toBeVisible();
  await expect
    .poll(() =>
      page
        .locator('.compare-faces img')
        .evaluateAll((all) => (all as HTMLImageElement[]).every((i) => i.complete && i.naturalWidth > 0)),
    )
    .toBe(true);
  await expectNoAxeFindings(page);
  await page.reload();
  await expect(page.getByLabel('The other', { exact: true })).toHaveValue('figure-eight-bend');
  await page.getByLabel('The one').selectOption({ label: 'Figure-eight bend' });
  await expect(page.getByText('Choose different knots.')).toBeVisible();
});

test('a hitch with its host, a joint, tape and a hitch on a post are drawn in three dimensions', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  const inked = async () =>
    page.locator('.stage canvas').evaluate((c: HTMLCanvasElement) => {
      const small = document.createElement('canvas');
      small.width = small.height = 40;
      const context = small.getContext('2d')!;
      context.drawImage(c, 0, 0, 40, 40);
      return [...context.getImageData(0, 0, 40, 40).data].filter((v, i) => i % 4 === 3 && v > 128).length;
    });
  for (const knot of ['prusik', 'klemheist', 'double-fishermans', 'water-knot', 'munter-hitch', 'tension-free-hitch']) {
    await page.goto(`/tie/${knot}`);
    await expect(page.locator('.stage canvas')).toHaveCSS('opacity', '1');
    await expect.poll(inked, { message: knot }).toBeGreaterThan(60);
  }
  await page.goto('/tie/clove-hitch');
  await expect(page.locator('.stage canvas')).toHaveCSS('opacity', '1');
  const face = page.locator('.two-faces img').first();
  const usual = await face.getAttribute('src');
  await page.getByRole('button', { name: 'on a post' }).click();
  await expect(face).not.toHaveAttribute('src', usual!);
  await expect
    .poll(() =>
      page
        .locator('.two-faces img')
        .evaluateAll((all) => (all as HTMLImageElement[]).every((i) => i.complete && i.naturalWidth > 0)),
    )
    .toBe(true);
  await expectNoAxeFindings(page);
});

test('what is touched on a joint is named: which rope, and the crossing', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/figure-eight-bend');
  const stage = page.locator('.stage');
  await expect(stage.locator('canvas')).toHaveCSS('opacity', '1');
  const box = (await stage.locator('canvas').boundingBox())!;
  const named = new Set<string>();
  for (let k = 0; k < 25 && named.size < 2; k++) {
    await page.mouse.click(
      box.x + box.width * (0.4 + 0.05 * (k % 5)),
      box.y + box.height * (0.3 + 0.1 * Math.floor(k / 5)),
    );
    await page.waitForTimeout(350);
    const component = await stage.getAttribute('data-picked-component');
    if (component) named.add(component);
  }
  expect([...named].sort()).toEqual(['rope', 'second-rope']);
});

test('a joint is walked through to its verdict: one wrap short is found, and it is to be taken out', async ({
  page,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await beginWalk(page, {
    knot: 'Double fisherman’s',
    rope: 'NL-07',
    tiedBy: 'Corin Stell',
    place: 'Kitti Ledge, west count',
  });
  await answerAs(page, { 'Are there two wraps': 'one coil has a wrap less' });
  await expectNoAxeFindings(page);
  if (((await page.getByRole('heading', { level: 1 }).textContent()) ?? '').startsWith('How long '))
    await measureTail(page, '150');
  await answerAs(page, {});
  await expect(page.locator('.verdict.big')).toContainText(/take out and retie/i);
});
