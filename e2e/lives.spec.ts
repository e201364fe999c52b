/** Ropes, rounds, people and what is handed over, as they are used. */
import { expect, test } from './own';
import { beginWalk, expectNoAxeFindings, stepIn, walkThrough } from './people';

test('a round is walked, waits over a reload, and at its end says what was not reached', async ({ page }) => {
  await stepIn(page, 'Rask Quillon');
  await page.goto('/check/rounds');
  await page.getByRole('button', { name: 'Make a round' }).click();
  await page.getByLabel('Its name').fill('Loft, evening');
  await page.getByLabel('Place 1', { exact: true }).fill('Loft, east beam');
  await page.getByLabel('Knot').selectOption({ label: 'Clove hitch' });
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByLabel('Place 2', { exact: true }).fill('Loft, west beam');
  await page.getByLabel('Knot').nth(1).selectOption({ label: 'Bowline' });
  await page.getByRole('button', { name: 'Keep this round' }).click();
  await page
    .getByRole('list', { name: 'To walk' })
    .getByRole('listitem')
    .filter({ hasText: 'Loft, evening' })
    .getByRole('button', { name: 'Walk it' })
    .click();
  await expect(page.getByRole('region', { name: 'Next stop' })).toContainText('Loft, east beam');
  await expectNoAxeFindings(page);
  await page.getByRole('link', { name: 'Look at it' }).click();
  await expect(page.getByRole('heading', { name: 'Stop 1: Loft, east beam' })).toBeVisible();
  await expect(page.getByLabel('Knot', { exact: true })).toHaveValue('clove-hitch');
  await page.getByLabel('In which rope').selectOption({ label: 'NL-03, 10.5 mm low-stretch' });
  await page.getByLabel('Tied by').selectOption({ label: 'Pell Haverin' });
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await walkThrough(page);
  await page.getByRole('button', { name: /^Sign as/ }).click();
  // back at the round, the next stop stands there
  await expect(page.getByRole('region', { name: 'Next stop' })).toContainText('Loft, west beam');
  await page.goto('/');
  await page.getByRole('list', { name: 'Rounds begun, not finished' }).getByText('Loft, evening').click();
  await page.getByRole('button', { name: 'Finish the round' }).click();
  await expect(page.getByText(/stays not judged|It stays/)).toBeVisible();
  await page.getByLabel('Loft, west beam, Bowline').fill('ladder away');
  await page.getByRole('button', { name: 'Record the round' }).click();
  await expect(page.getByText('not reached: not judged (ladder away)')).toBeVisible();
  const pdf = await page.request.get(`/api/v1/round-walks/${page.url().split('/').at(-1)!}.pdf`);
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
});

test('damage takes a rope out of use until it is cut off; a knot in it is asked for again; retiring is asked for twice', async ({
  page,
}) => {
  await stepIn(page, 'Rask Quillon');
  await page.goto('/log/ropes');
  await page.getByRole('link', { name: /^NL-15/ }).click();
  await page.getByRole('button', { name: 'Damage found' }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('say what was seen, or why')).toBeVisible();
  await page.getByLabel(/^Where, metres/).fill('2,5');
  await page.getByLabel('What was seen').fill('sheath cut to the core');
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('damaged: never for a life load')).toBeVisible();
  await expect(page.getByRole('img', { name: /Open damage at 2.5 m/ })).toBeVisible();
  await expectNoAxeFindings(page);
  // choosing does not offer it, a check in it cannot meet the rule
  await beginWalk(page, { rope: 'NL-15', tiedBy: 'Pell Haverin', place: 'Loft, damaged', rules: 'Sport crag' });
  await walkThrough(page);
  await expect(page.locator('.verdict.big')).toHaveText('Take out and retie');
  await page.goto('/log/ropes');
  await page.getByRole('link', { name: /^NL-15/ }).click();
  await page.getByRole('button', { name: 'End cut off' }).click();
  await page.getByLabel(/^How much was cut off/).fill('3');
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('in service', { exact: true })).toBeVisible();
  await expect(page.getByText('27 m now, 3 m cut off')).toBeVisible();
  await page.getByRole('button', { name: 'Retired' }).click();
  await page.getByLabel('Why').fill('short now, and old');
  await page.getByRole('button', { name: 'Retire it', exact: true }).click();
  await page.getByRole('button', { name: 'Retire it for good' }).click();
  await expect(page.getByText('Retired: short now, and old.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hard fall' })).toHaveCount(0);
});

test('a file of ropes is looked at row by row and read in only whole', async ({ page }) => {
  await stepIn(page, 'Rask Quillon');
  await page.goto('/log/import/ropes');
  await page
    .getByLabel('or the text itself')
    .fill('tag,thing,kind,diameter_mm,length_m\nNL-30,rope,low-stretch,10.5,60\nNL-31,rope,hemp,10.5,60');
  await expect(page.getByText('1 cell is wrong in 1 of 2 rows')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Read all 2 in' })).toBeDisabled();
  await expectNoAxeFindings(page);
  await page
    .getByLabel('or the text itself')
    .fill('tag,thing,kind,diameter_mm,length_m\nNL-30,rope,low-stretch,10.5,60\nNL-31,rope,dynamic,10.5,60');
  await page.getByRole('button', { name: 'Read all 2 in' }).click();
  await expect(page.getByText('2 ropes read in.')).toBeVisible();
  await page.getByRole('link', { name: 'Show them' }).click();
  await expect(page.getByRole('link', { name: /^NL-31/ })).toBeVisible();
});

test('a person is signed off to check a knot, sets a PIN, and the page on paper is verified by who holds it', async ({
  page,
  browser,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/log/people');
  await page.getByRole('link', { name: /^Corin Stell/ }).click();
  await page.getByRole('button', { name: 'Clove hitch: signed off to check' }).click();
  await expect(page.getByRole('button', { name: 'Clove hitch: signed off to check' })).toHaveText('yes');
  await expectNoAxeFindings(page);
  await page.goto('/me');
  await page.getByLabel(/^New PIN/).fill('1234');
  await page.getByLabel('My password').fill('fulmar-sound-demo');
  await page.getByRole('button', { name: 'Keep my PIN' }).click();
  await expect(page.getByText('is guessed too easily')).toBeVisible();
  await page.getByLabel(/^New PIN/).fill('7305');
  await page.getByLabel('My password').fill('fulmar-sound-demo');
  await page.getByRole('button', { name: 'Keep my PIN' }).click();
  await expect(page.getByRole('form', { name: 'My PIN' }).getByText('Kept.')).toBeVisible();

  const head = (await (await page.request.get('/api/v1/record/head')).json()) as {
    organisation: string;
    count: number;
    head_sha256: string;
  };
  const stranger = await (await browser.newContext()).newPage();
  await stranger.goto(`/verify?o=${head.organisation}&n=${head.count}&h=${head.head_sha256}`);
  await expect(stranger.getByText(/^Yes\./)).toBeVisible();
  await stranger.goto(
    `/verify?o=${head.organisation}&n=${head.count}&h=${head.head_sha256.replace(/^./, (c) => (c === '0' ? '1' : '0'))}`,
  );
  await expect(stranger.getByText(/^No\./)).toBeVisible();
});

test('the record in sum can be read, and each mark leads to its check', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/log/timelines');
  await expect(page.getByRole('img', { name: /tails against their limits: \d+ missed it/ })).toBeVisible();
  await expectNoAxeFindings(page);
  await page
    .getByRole('img', { name: /tails against their limits/ })
    .locator('g')
    .filter({ has: page.locator('title') })
    .last()
    .click();
  await expect(page.getByRole('heading', { name: 'What was written' })).toBeVisible();
});
