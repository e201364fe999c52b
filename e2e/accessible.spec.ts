import type { Page } from '@playwright/test';
import { expect, test } from './own';
import { answerAs, beginWalk, expectNoAxeFindings, measureTail, stepIn } from './people';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 360, height: 780 };

/** By the menu, as a person does. */
async function switchTheme(page: Page): Promise<void> {
  const to = (await page.locator('html').getAttribute('data-bs-theme')) === 'paper' ? 'Headlamp' : 'Paper';
  await page.getByRole('button', { name: /^Signed in as/ }).click();
  await page.getByRole('button', { name: `${to} theme` }).click();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', to.toLowerCase());
  // colours that glide from one to the other are there
  await page.evaluate(() => Promise.allSettled(document.getAnimations().map((a) => a.finished)));
}

/** In both themes; in the second, in which it stays, only what a theme can change. */
async function expectNoAxeFindingsInEither(page: Page): Promise<void> {
  await expectNoAxeFindings(page);
  await switchTheme(page);
  await expectNoAxeFindings(page, 'colours');
}

async function expectFitForGlovesOnAPhone(page: Page, path: string): Promise<void> {
  await page.setViewportSize(PHONE);
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth), { message: path })
    .toBe(PHONE.width);
  const small = await page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'main button.btn:not(.fill):not(.p-0), nav.rail a.place, main select, main input:not([type=checkbox]):not([type=radio])',
      ),
    ]
      .filter((e) => e.offsetParent && e.getBoundingClientRect().height < 48)
      .map((e) => e.outerHTML.slice(0, 90)),
  );
  expect([path, small]).toEqual([path, []]);
  await page.setViewportSize(DESK);
}

test('on every main view the accessibility checker finds nothing in either theme; nothing is wider than a phone, and every target is big enough for a glove', async ({
  page,
}) => {
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto('/sign-in');
    await expect(page.getByText('Demo: Fulmar Sound')).toBeVisible();
    await expect(page.locator('html')).toHaveAttribute('data-bs-theme', scheme === 'dark' ? 'headlamp' : 'paper');
    await expectNoAxeFindings(page, scheme === 'dark' ? 'colours' : 'all');
  }
  await stepIn(page, 'Tove Vannmark');
  for (const [path, ready] of [
    ['/', 'Last done'],
    ['/choose', 'Nearly'],
    ['/tie', 'Which knot?'],
    ['/tie/bowline-locked', 'together'],
    ['/tie/alpine-butterfly', 'Both faces, laid out'],
    ['/tie/two-strand-backup', 'Not settled'],
    ['/tie/compare?a=prusik&b=klemheist', 'Known to'],
    ['/check', 'Begin the walk'],
    ['/check/rounds', 'To walk'],
    ['/log', 'Older checks'],
    ['/log/ropes', 'NL-07'],
    ['/log/people', 'Rask Quillon'],
    ['/log/rules', 'River and expedition'],
    ['/log/timelines', 'What goes wrong most'],
    ['/log/import/people', 'or the text itself'],
    ['/me', 'Keep my measures'],
  ] as const) {
    await page.goto(path);
    await expect(page.getByText(ready).first()).toBeVisible();
    await expectNoAxeFindingsInEither(page);
    await expectFitForGlovesOnAPhone(page, path);
  }
  for (const [path, ready] of [
    ['/tie/figure-eight-follow-through', 'Both faces, laid out'],
    ['/tie/barrel-noose', 'Both faces, laid out'],
    ['/tie/clove-hitch', 'Both faces, laid out'],
    ['/tie?show=sheet', 'Which knot?'],
    ['/tie?name=barrel', 'Which knot?'],
    ['/log/import/ropes', 'or the text itself'],
  ] as const) {
    await page.goto(path);
    await expect(page.getByText(ready).first()).toBeVisible();
    await expectFitForGlovesOnAPhone(page, path);
  }
});

test('the accessibility checker finds nothing on a walk and in the record, in either theme', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await beginWalk(page, {
    knot: 'Figure-eight follow-through',
    rope: 'NL-07',
    tiedBy: 'Corin Stell',
    place: 'Kitti Ledge, west count',
  });
  await expectNoAxeFindingsInEither(page);
  await answerAs(page, {});
  await measureTail(page, '150');
  await page.goBack();
  await expect(page.getByLabel('Tail', { exact: true })).toBeVisible();
  await expectNoAxeFindingsInEither(page);
  await page.goForward();
  await answerAs(page, {});
  await expect(page.locator('.verdict.big')).toBeVisible();
  await expectNoAxeFindingsInEither(page);
  await page.goto('/log');
  // it waits for a second person: she looks before she reads
  await page.locator('tbody a').first().click();
  await expect(page.getByText('Look at the knot before you read')).toBeVisible();
  await expectNoAxeFindingsInEither(page);
  await page.getByRole('link', { name: 'Only read what was found' }).click();
  await expect(page.getByRole('heading', { name: 'What was written' })).toBeVisible();
  await expectNoAxeFindingsInEither(page);
});
