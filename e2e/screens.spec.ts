import { expect, test } from './own';
import { stepIn } from './people';

test('the rope is drawn in three dimensions, turned by keys and pointer, and turned over', async ({ page }) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/figure-eight-follow-through');
  const canvas = page.locator('.stage canvas');
  await expect(canvas).toHaveCSS('opacity', '1');
  const inked = () =>
    canvas.evaluate((c: HTMLCanvasElement) => {
      const small = document.createElement('canvas');
      small.width = small.height = 40;
      const context = small.getContext('2d')!;
      context.drawImage(c, 0, 0, 40, 40);
      return [...context.getImageData(0, 0, 40, 40).data]
        .filter((_, i) => i % 4 === 3)
        .map((v) => (v > 128 ? 1 : 0))
        .join('');
    });
  const before = await inked();
  expect(before).toContain('1');
  await canvas.focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(inked).not.toBe(before);
  await page.keyboard.press('f');
  await expect(page.getByText('Back · set')).toBeVisible();
  const box = (await canvas.boundingBox())!;
  await page.mouse.move(box.x + 300, box.y + 200);
  await page.mouse.down();
  await page.mouse.move(box.x + 300 + 290, box.y + 200, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText('Front · set')).toBeVisible();
  // another state on the same canvas
  const set = await inked();
  await page.getByRole('button', { name: 'Show it dressed, not set' }).click();
  await expect(page.getByText('Front · dressed, not set')).toBeVisible();
  await expect.poll(inked).not.toBe(set);
  expect(await inked()).toContain('1');
  // steps and back to the rope
  await page.getByRole('button', { name: /^Step 3/ }).click();
  await page.getByRole('button', { name: 'Finished knot' }).click();
  await expect(canvas).toHaveCSS('opacity', '1');
  await expect.poll(inked).toContain('1');
  expect(errors).toEqual([]);
});

test('what is touched on the turning rope has the numbers of the flat picture, on both faces', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/bowline');
  const stage = page.locator('.stage');
  const canvas = stage.locator('canvas');
  await expect(canvas).toHaveCSS('opacity', '1');
  const box = (await canvas.boundingBox())!;
  for (const face of ['front', 'back'] as const) {
    if (face === 'back') await page.keyboard.press('f');
    await expect(page.getByText(face === 'front' ? 'Front · set' : 'Back · set')).toBeVisible();
    const svg = await (
      await page.request.get(`/api/v1/knots/bowline/picture.svg?face=${face}&state=tight&object=ring`)
    ).text();
    const ids = [...svg.matchAll(/data-crossing="(\d+)"/g)].map((m) => m[1]);
    const found = new Set<string>();
    for (let k = 0; k < 9 && found.size < 2; k++) {
      await page.mouse.click(box.x + box.width * (0.46 + 0.01 * (k % 3)), box.y + box.height * (0.3 + 0.05 * k));
      await page.waitForTimeout(400);
      // read at once: the next answer may come at any moment
      const [component, from, to, crossing] = await stage.evaluate((e) =>
        ['component', 'from', 'to', 'crossing'].map((what) => e.getAttribute(`data-picked-${what}`)),
      );
      if (component !== 'rope') continue;
      expect(svg).toContain(`data-component="rope" data-from="${from}" data-to="${to}"`);
      if (crossing) {
        expect(ids).toContain(crossing);
        found.add(crossing);
      }
    }
    expect(found.size).toBeGreaterThan(0);
  }
});

test('a knot is drawn up in the browser: with progress, can be stopped, and it is the stored form', async ({
  page,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/bowline');
  await expect(page.locator('.stage canvas')).toHaveCSS('opacity', '1');
  await page.getByRole('button', { name: 'See it drawn up' }).click();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByRole('button', { name: 'See it drawn up' }).click();
  const way = page.getByRole('group', { name: 'Drawn up, step by step' });
  await expect(way).toBeVisible();
  expect(Number(await way.getAttribute('data-apart'))).toBeLessThanOrEqual(0.02);
  const slider = page.getByLabel('From laid to set');
  await slider.fill('0');
  const laid = await page.locator('.stage canvas').screenshot();
  await slider.fill('40');
  await expect.poll(async () => (await page.locator('.stage canvas').screenshot()).equals(laid)).toBe(false);
  await way.getByRole('button', { name: 'Finished knot' }).click();
  await expect(page.getByText('Front · set')).toBeVisible();
});

test('nothing is drawn while nothing moves', async ({ page }) => {
  await page.addInitScript(() => {
    (window as unknown as { idiomFrames: unknown[] }).idiomFrames = [];
  });
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/tie/overhand-stopper');
  const canvas = page.locator('.stage canvas');
  await expect(canvas).toHaveCSS('opacity', '1');
  const frames = () =>
    page.evaluate(() => (window as unknown as { idiomFrames: { full: boolean }[] }).idiomFrames.map((f) => f.full));
  await page.waitForTimeout(600);
  const before = (await frames()).length;
  await page.waitForTimeout(800);
  expect((await frames()).length).toBe(before);
  await canvas.focus();
  await page.keyboard.press('ArrowLeft');
  // one while it moves, one at rest in full quality, and no more
  await expect.poll(async () => (await frames()).slice(before)).toEqual([false, true]);
  await page.waitForTimeout(600);
  expect((await frames()).slice(before)).toEqual([false, true]);
});

test('a learner sees the record and does not write in it', async ({ page }) => {
  await stepIn(page, 'Bridie Fenwater');
  await page.goto('/check');
  await expect(page.getByRole('heading', { name: 'Not with your roles' })).toBeVisible();
  await page.goto('/log');
  await page.locator('tbody a').first().click();
  await expect(page.getByRole('heading', { name: 'What was written' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Correct it' })).toHaveCount(0);
});

test('places that do not exist, a check of nowhere and a lost session lead somewhere', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible();
  await page.goto('/log/3f2b8a3e-1111-4222-8333-444455556666');
  await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
  await page.goto('/check/3f2b8a3e-1111-4222-8333-444455556666');
  await expect(page.getByRole('heading', { name: 'This check is not on this device' })).toBeVisible();
  await page.context().clearCookies();
  await page.goto('/log/ropes');
  await expect(page).toHaveURL(/sign-in\?to=%2Flog%2Fropes/);
  await page.getByRole('button', { name: /^Tove Vannmark/ }).click();
  await expect(page.getByRole('heading', { name: 'Ropes and what belongs to them' })).toBeVisible();
});

test('a correction adds an entry and leaves the old one', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/log?verdict=put-right');
  await page.locator('tbody a').first().click();
  await page.getByRole('button', { name: 'Correct it' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Why').fill('looked again with a ruler');
  await dialog.getByLabel('Tail in mm').fill('133');
  await dialog.getByRole('button', { name: 'Record the correction' }).click();
  await expect(page.getByRole('heading', { name: 'Correction', exact: true })).toBeVisible();
  await expect(page.getByText('looked again with a ruler')).toBeVisible();
  await expect(page.getByText('What was written before stays above.')).toBeVisible();
});
