import { expect, test } from './own';
import { answerAs, beginWalk, DEMO_PASSWORD, expectNoAxeFindings, measureTail, stepIn, walkThrough } from './people';

test('from the question to the signed record, by pointer', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.getByRole('link', { name: 'Start a job' }).click();

  // choose: trained people, after hard falls
  await expect(page.locator('article h2').first()).toHaveText('Figure-eight follow-through');
  await page.getByRole('button', { name: /^Untying/ }).click();
  await page.getByRole('button', { name: 'by hand after hard falls' }).click();
  await page.getByRole('button', { name: /^Checked by/ }).click();
  await page.getByRole('button', { name: 'people trained on it' }).click();
  await expect(page.locator('article h2').first()).toHaveText('Locked bowline');
  await page.getByRole('button', { name: 'The rope', exact: true }).click();
  await page.getByRole('button', { name: /^NL-07/ }).click();
  await page.locator('article').first().getByRole('button', { name: 'Tie it' }).click();

  // tie: the knot, its steps, how much rope
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Locked bowline');
  await expect(page.getByText('together')).toBeVisible();
  await page.getByRole('button', { name: /^Step 1/ }).click();
  await expect(page.getByText('Make a small loop in the standing part')).toBeVisible();
  await page.getByRole('button', { name: /^Check one/ }).click();

  // check: the job came along
  await expect(page.getByLabel('Knot', { exact: true })).toHaveValue('bowline-locked');
  await expect(page.getByLabel('In which rope').locator('option:checked')).toContainText('NL-07');
  await page.getByLabel('Tied by').selectOption({ label: 'Sunniva Tarn' });
  await page.getByLabel('Where', { exact: true }).fill('Skerry Stack, ledge 2');
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await answerAs(page, {});
  await measureTail(page, '140');
  await answerAs(page, {});
  await expect(page.locator('.verdict.big')).toHaveText('Meets the rule');
  await page.getByRole('button', { name: 'Sign as Tove Vannmark and record' }).click();
  await expect(page.getByText(/Recorded as no\./)).toBeVisible();
  await expect(page.getByText('these rules advise one')).toBeVisible();

  // the second person looks on the same device, and signs by PIN
  await page.getByRole('link', { name: 'Hand this device over' }).click();
  await page.getByLabel('Who looks').selectOption({ label: 'Rask Quillon, on this device' });
  await page.getByRole('button', { name: 'Begin to look' }).click();
  await walkThrough(page);
  await page.getByLabel(/PIN$/).fill('4917');
  await page.getByRole('button', { name: 'Sign as Rask Quillon' }).click();
  await expect(page.getByText('Second person: Rask Quillon.')).toBeVisible();

  // the log shows it, filtered by rope
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await page.getByLabel('Rope', { exact: true }).selectOption({ label: 'NL-07' });
  await expect(page.locator('tbody tr').first()).toContainText('Skerry Stack, ledge 2');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  expect((await download).suggestedFilename()).toBe('checks.csv');
});

test('the whole journey by keyboard only', async ({ page }) => {
  await page.goto('/sign-in');
  const press = async (key: string, times = 1) => {
    for (let i = 0; i < times; i++) await page.keyboard.press(key);
  };
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 80; i++) {
      await press('Tab');
      const text = await page.evaluate(() => {
        const e = document.activeElement as HTMLInputElement | null;
        return `${e?.getAttribute('aria-label') ?? ''} ${e?.labels?.[0]?.textContent ?? ''} ${e?.textContent ?? ''}`.trim();
      });
      if (name.test(text)) return;
    }
    throw new Error(`never came to ${name.source}`);
  };
  await tabTo(/^Name to sign in/);
  await page.keyboard.type('imre');
  await tabTo(/^Password/);
  await page.keyboard.type(DEMO_PASSWORD);
  await press('Enter');
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await press('Alt+1');
  await expect(page).toHaveURL(/\/choose$/);
  await expect(page.getByRole('heading', { name: 'Figure-eight follow-through' })).toBeVisible();
  await tabTo(/^Rules:/);
  await press('Enter');
  await press('ArrowDown', 2);
  await press('Enter');
  await expect(page.getByRole('button', { name: 'Rules: Rope access rules' })).toBeVisible();
  await press('Alt+2');
  await expect(page).toHaveURL(/\/tie$/);
  await expect(page.getByRole('heading', { name: 'Which knot?' })).toBeVisible();
  await tabTo(/Figure-eight follow-through/);
  await press('Enter');
  await expect(page).toHaveURL(/figure-eight-follow-through$/);
  await expect(page.getByText('Front · set')).toBeVisible();
  await press('f');
  await expect(page.getByText('Back · set')).toBeVisible();
  await press('ArrowRight');
  await expect(page.getByText('tie a single eight')).toBeVisible();
  await press('Escape');
  await press('c');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Which knot do you look at?');
  await tabTo(/^In which rope/);
  await page.keyboard.type('NL-03');
  await tabTo(/^Tied by/);
  await page.keyboard.type('Corin');
  await tabTo(/^Where/);
  await page.keyboard.type('North light, gallery');
  await press('Enter');
  for (const point of [
    'Is it a figure-eight',
    'Front:',
    'Turn it over',
    'Follow the tail back',
    'Is there a knot tied behind it?',
  ]) {
    await expect(page.getByRole('heading', { level: 1 })).toContainText(point);
    await press('a');
  }
  await expect(page.getByLabel('Tail', { exact: true })).toBeFocused();
  await page.keyboard.type('131');
  await press('Enter');
  for (const point of ['Is every strand drawn tight', 'Is the eye as small', 'Does the rope go through both']) {
    await expect(page.getByRole('heading', { level: 1 })).toContainText(point);
    await press('a');
  }
  await expect(page.locator('.verdict.big')).toHaveText('Not judged');
  await expect(page.getByText('until one has signed it stays not judged')).toBeVisible();
  await tabTo(/^Sign as Imre Saltway/);
  await press('Enter');
  await expect(page.getByText(/Recorded as no\./)).toBeVisible();
});

test.describe('at phone width', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a fatal fault is found, recorded, and closed later', async ({ page }) => {
    await stepIn(page, 'Maelle Brack');
    await beginWalk(page, { rope: 'NL-10', tiedBy: 'Joss Marrable', place: 'Gannet Face, rescue top', rules: 'River' });
    await answerAs(page, { 'Is it a figure-eight': 'one strand only: never brought back' });
    await measureTail(page, '120');
    await answerAs(page, {});
    await expect(page.locator('.verdict.big')).toHaveText('Take out and retie');
    await expect(page.getByText('Nothing holds this. Take it out and tie it again.')).toBeVisible();
    // no part of the page is wider than the phone
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.getByRole('button', { name: /^Sign as/ }).click();
    await expect(page.getByText(/Recorded as no\./)).toBeVisible();
    await page.getByRole('link', { name: 'Today', exact: true }).click();
    await page.getByRole('list', { name: 'Open findings' }).getByText('Gannet Face, rescue top').click();
    await page.getByLabel('What was done').selectOption({ label: 'taken out' });
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(page.getByRole('heading', { name: 'Finding closed' })).toBeVisible();
    await expect(page.getByText('taken out.')).toBeVisible();
    await page.getByRole('link', { name: 'Today', exact: true }).click();
    await expect(page.getByRole('list', { name: 'Open findings' }).getByText('Gannet Face, rescue top')).toHaveCount(0);
  });
});

test('a left-hander’s knot is shown mirrored, and a short tail is put right and leads back', async ({ page }) => {
  await stepIn(page, 'Dagny Orrin');
  await page.goto('/check');
  await page.getByLabel('In which rope').selectOption({ label: 'NL-08, 10.2 mm dynamic' });
  await page.getByLabel('Tied by').selectOption({ label: 'Sunniva Tarn' });
  await page.getByLabel('Where', { exact: true }).fill('Net loft, station 3');
  await page.getByLabel('Tied with the').selectOption({ label: 'left hand: pictures mirrored' });
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await expect(page.getByText('Pictures mirrored for left-handers.')).toBeVisible();
  await expect(page.locator('button.choice img').first()).toHaveAttribute('src', /hand=left/);
  await answerAs(page, {});
  await measureTail(page, '87');
  await answerAs(page, {});
  await expect(page.locator('.verdict.big')).toHaveText('Put right');
  await expect(page.getByText('tail 87 mm, 100 asked').first()).toBeVisible();
  await page.getByRole('button', { name: 'Tail', exact: true }).last().click();
  await measureTail(page, '4.5');
  await expect(page.locator('.verdict.big')).toHaveText('Put right');
  await page.getByRole('button', { name: 'Tail', exact: true }).last().click();
  await page.getByText('inches', { exact: true }).click();
  await measureTail(page, '4.5');
  await expect(page.locator('.verdict.big')).toHaveText('Meets the rule');
});

test('all points on one screen: each is answered once its pictures were seen; what differs is touched in the picture', async ({
  page,
}) => {
  await stepIn(page, 'Rask Quillon');
  await beginWalk(page, {
    knot: 'Figure-eight follow-through',
    rope: 'NL-07',
    tiedBy: 'Joss Marrable',
    place: 'loft, station 3',
    rules: 'Sport crag',
  });
  await page.getByRole('link', { name: 'all points on one screen' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Every point');
  await page.getByRole('button', { name: 'none there' }).click();
  const points = page.locator('.fast-point');
  // below the screen nothing can be answered yet
  await expect(points.last().locator('button').first()).toBeDisabled();
  for (let k = 0; k < (await points.count()); k++) {
    const point = points.nth(k);
    await point.scrollIntoViewIfNeeded();
    await expect(point).toHaveAttribute('data-seen', 'true');
    if (await point.getByLabel(/^Tail, /).count()) {
      await point.getByLabel(/^Tail, /).fill('150');
      await point.getByRole('button', { name: 'Keep this length' }).click();
    } else await point.locator('button.choice').first().click();
  }
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'To the verdict' }).click();
  await page.getByRole('button', { name: 'Path', exact: true }).click();
  await page.getByRole('button', { name: 'Touch what differs' }).click();
  await page.getByRole('button', { name: 'how strands pass' }).click();
  await page
    .getByRole('button', { name: /^half finished/i })
    .first()
    .click();
  await page.getByRole('button', { name: /^Found here: half finished/ }).click();
  await expect(page.getByText('Take out and retie').first()).toBeVisible();
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByText(/Looked at for \d+ s over \d+ points, all on one screen/)).toBeVisible();
});

test('a knot that was moved is unchecked, stands under what is to be looked at again, and is walked through again', async ({
  page,
}) => {
  await stepIn(page, 'Rask Quillon');
  await page.goto('/log');
  await beginWalk(page, {
    knot: 'Figure-eight follow-through',
    rope: 'NL-06',
    tiedBy: 'Joss Marrable',
    place: 'loft, moved',
    rules: 'Sport crag',
  });
  await answerAs(page, {});
  await measureTail(page, '150');
  await answerAs(page, {});
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByRole('heading', { name: 'The look still stands' })).toBeVisible();
  await page.getByRole('button', { name: 'moved', exact: true }).click();
  await page.getByLabel(/^Moved where to/).fill('Loft, other beam');
  await page.getByRole('button', { name: 'It was moved' }).click();
  await expect(page.getByText('Moved to Loft, other beam.')).toBeVisible();
  await expect(page.getByText('moved since it was looked at: unchecked.')).toBeVisible();
  await expectNoAxeFindings(page);
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  await page.getByRole('list', { name: 'To look at again' }).getByText('loft, moved').click();
  await page.getByRole('button', { name: 'Look at it again' }).click();
  await answerAs(page, {});
  await measureTail(page, '140');
  await answerAs(page, {});
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByRole('heading', { name: 'The look still stands' })).toBeVisible();
});

test('an eight-point check takes a press a point, one to keep the tail and one to sign', async ({ page }) => {
  await stepIn(page, 'Dagny Orrin');
  await beginWalk(page, {
    knot: 'Figure-eight follow-through',
    rope: 'NL-05',
    tiedBy: 'Corin Stell',
    place: 'Kitti Ledge, pressed',
    rules: 'Rope access',
  });
  await page.evaluate(() => {
    const counted = window as unknown as { presses: number };
    counted.presses = 0;
    window.addEventListener('pointerup', () => counted.presses++, true);
    window.addEventListener(
      'keydown',
      (e) => {
        if (!(e.target instanceof HTMLInputElement) || e.key === 'Enter') counted.presses++;
      },
      true,
    );
  });
  let points = 0;
  for (;;) {
    const heading = (await page.getByRole('heading', { level: 1 }).textContent())!;
    if (heading === 'Verdict') break;
    points++;
    if (heading.startsWith('How long')) {
      await page.keyboard.type('140');
      await page.keyboard.press('Enter');
    } else await page.keyboard.press('a');
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(heading);
  }
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByText(/Recorded as no\./)).toBeVisible();
  const presses = await page.evaluate(() => (window as unknown as { presses: number }).presses);
  expect([points, presses]).toEqual([9, 10]);
});
