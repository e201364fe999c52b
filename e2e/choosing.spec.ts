import { expect, test } from './own';
import { expectNoAxeFindings, stepIn } from './people';

test('cord against rope: both schools in one chart, and what they say of this pair', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose');
  await page.getByRole('link', { name: 'Cord for a friction hitch' }).click();
  await page.getByLabel('Cord, mm').fill('6.5');
  await page.getByLabel('Rope it grips, mm').fill('8');
  const said = page.getByTestId('cord');
  await expect(said).toContainText('just over 65 to 80 %');
  await expect(said).toContainText('may not bite');
  await page.getByLabel('Hitch', { exact: true }).selectOption({ label: 'Klemheist' });
  await page.getByRole('button', { name: 'either way' }).click();
  await expect(said).toContainText('grips one way only: pulled the other way it slides');
  await expectNoAxeFindings(page);
});

test('what else could pull is asked, a yes goes into the job; each place is explained part by part', async ({
  page,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose');
  await expect(page.locator('.knot-card').first()).toBeVisible();
  await page.getByText('Why this place').first().click();
  await expect(page.locator('.knot-card').first()).toContainText('mm round it');
  await page.getByText('And if something fails?').click();
  await page.locator('.measure', { hasText: 'pull it apart' }).getByRole('button', { name: 'Yes' }).click();
  await expect(page.getByRole('button', { name: 'eye pulled apart' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('None of the knots in the catalogue does this job.')).toBeVisible();
  await expectNoAxeFindings(page);
});

test('where schools differ: a point with both sides, and what each rule set does', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose/schools');
  await page.getByRole('link', { name: 'Which tie-in knot' }).click();
  await expect(page.getByText('Sport crag: names Figure-eight follow-through and Locked bowline')).toBeVisible();
  await expectNoAxeFindings(page);
});

test('a trial of what passes what is logged, and counts in choosing', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose/passing');
  await expect(page.getByRole('row', { name: /Offset double overhand.*large rescue eight.*passes/ })).toBeVisible();
  await page.getByLabel('Joint').selectOption({ label: 'Butterfly bend' });
  await page.getByLabel('Has to pass').selectOption('ring');
  await page.getByLabel('Rope, mm').fill('-3');
  await expect(page.getByRole('button', { name: 'Log it' })).toBeDisabled();
  await page.getByLabel('Rope, mm').fill('10.2');
  await page.getByRole('button', { name: 'stuck' }).click();
  await page.getByLabel('What caught').selectOption({ label: 'the tails' });
  await page.getByLabel('Note').fill('both tails folded back');
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(
    page.getByRole('row', { name: /Butterfly bend.*a ring.*stuck, the tails caught.*both tails folded back/ }),
  ).toBeVisible();
  await expectNoAxeFindings(page);
});

test('a kept job is opened again by its link', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose');
  await page.getByRole('button', { name: 'tail to eye' }).click();
  await page.getByRole('button', { name: 'Keep this job' }).click();
  await page.getByLabel('Its name').fill('Kitti Ledge, either end');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const link = await page.getByRole('link', { name: 'its link, for everyone here' }).getAttribute('href');
  await page.getByRole('button', { name: 'tail to eye' }).click();
  await expect(page.getByRole('button', { name: 'tail to eye' })).toHaveAttribute('aria-pressed', 'false');
  await page.goto(link!);
  await expect(page.getByText('Kept as Kitti Ledge, either end')).toBeVisible();
  await expect(page.getByRole('button', { name: 'tail to eye' })).toHaveAttribute('aria-pressed', 'true');
  await page.goto('/choose?job=11111111-1111-4111-8111-111111111111');
  await expect(page.getByText(/belongs to another organisation/)).toBeVisible();
});

test('how much rope: for a knot, in own measures too; in inches where they are typed', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose/cut');
  const needed = page.getByTestId('needed');
  await expect(needed).toContainText('By your own measures: 1 arm’s length and 2 fists');
  await page.getByLabel('Rope, mm').fill('7/16 in');
  await page.getByLabel(/^Rope in the eye/).fill('1 ft');
  await expect(needed.locator('.measure', { hasText: 'in the eye' })).toContainText('310 mm');
  await page.getByLabel('Rope, mm').fill('2 ft');
  await expect(page.locator('.is-invalid ~ .invalid-feedback')).toContainText('another unit is written after it');
  await page.goto('/me');
  await page.getByLabel('My foot, in its boot, mm').fill('11 in');
  await page.getByRole('button', { name: 'Keep my measures' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('My foot, in its boot, mm')).toHaveValue('279.4');
  await expectNoAxeFindings(page);
});

test('how long to cut a loop, a cord with two nooses, and how much goes round a tree', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose/cut');
  await page.getByRole('button', { name: 'A loop of cord' }).click();
  const cut = page.getByTestId('cut');
  await expect(cut).toContainText('two tails');
  await page.getByLabel('Once round the finished loop, mm').fill('20');
  await expect(page.getByText(/is not longer than the joint/)).toBeVisible();
  await page.getByRole('button', { name: 'A cord with two nooses' }).click();
  await page.getByLabel('The whole cord, mm').fill('1300');
  await expect(cut).toContainText('mm more than the longest of that');
  await page.getByRole('button', { name: 'from eye to eye' }).click();
  await page.getByLabel('From eye to eye, set, mm').fill('600');
  await expect(cut).toContainText('two stoppers');
  await page.getByRole('button', { name: 'Round a post or tree' }).click();
  await page.getByLabel('A string round it, mm').fill('100');
  await expect(cut).toContainText('thinner than about 8 rope diameters');
  await expectNoAxeFindings(page);
});

test('pulls are touched on the thing itself: a strand, then what pulls against it; ropes go along with the purpose', async ({
  page,
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/choose');
  const thing = page.getByTestId('touched-pulls');
  await expect(thing.locator('.lit').first()).toBeAttached();
  const box = (await thing.locator('svg').boundingBox())!;
  const touchEye = () => page.mouse.click(box.x + box.width / 2, box.y + box.height * 0.93);
  await touchEye();
  await expect(page.getByText('the eye – against what?')).toBeVisible();
  await touchEye();
  await expect(page.getByRole('button', { name: 'eye pulled apart' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: /^Purpose/ }).click();
  await page.getByRole('button', { name: 'gripping another rope', exact: true }).click();
  await expect(page.getByRole('button', { name: 'The cord' })).toHaveText('6 mm accessory cord');
  await expect(page.getByRole('button', { name: 'The gripped rope' })).toHaveText('10.2 mm dynamic');
  await expect(page.getByRole('button', { name: 'downward' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.locator('.knot-card').first()).toBeVisible();
  await page.getByRole('button', { name: /^Purpose/ }).click();
  await page.getByRole('button', { name: 'joining two ropes', exact: true }).click();
  await page.getByRole('button', { name: 'The other rope' }).click();
  await page.getByLabel('Diameter, mm or in').last().fill('3/8"');
  await page.getByRole('button', { name: 'Take this rope' }).click();
  await expect(page.getByRole('button', { name: 'The other rope' })).toHaveText('9.5 mm dynamic');
  await expect(page.locator('.knot-card').first()).toContainText('no limit is set by the rules');
  await expectNoAxeFindings(page);
});
