/** Takes the pictures; run by screenshots.mjs, which has started a server. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import config from '../playwright.config';

const url = process.env['IDIOM_TEST_URL']!;
const folder = process.env['IDIOM_PICTURES']!;
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch(config.use!.launchOptions!);

async function open(theme: 'paper' | 'headlamp', size: { width: number; height: number }): Promise<Page> {
  const context = await browser.newContext({ viewport: size, baseURL: url, reducedMotion: 'reduce' });
  await context.addInitScript((t) => localStorage.setItem('idiom.theme', t), theme);
  await context.request.post('/api/v1/session', { data: { handle: 'tove', password: 'fulmar-sound-demo' } });
  return context.newPage();
}
const shot = async (page: Page, name: string) => {
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(700);
  await page.screenshot({ path: join(folder, `${name}.png`) });
};
const walk = async (page: Page, knot: string) => {
  await page.goto('/check');
  await page.getByLabel('Knot', { exact: true }).selectOption(knot);
  await page.getByLabel('In which rope').selectOption({ index: 7 });
  await page.getByLabel('Tied by').selectOption({ label: 'Sunniva Tarn' });
  await page.getByLabel('Where', { exact: true }).fill('Skerry Stack, ledge 2');
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await page.locator('button.choice').first().waitFor();
};
const choose = async (page: Page) => {
  await page.goto('/choose');
  await page.getByRole('button', { name: /^Untying/ }).click();
  await page.getByRole('button', { name: 'by hand after hard falls' }).click();
  await page.getByRole('button', { name: /^Checked by/ }).click();
  await page.getByRole('button', { name: 'people trained on it' }).click();
  await page.mouse.move(5, 500);
};

const desk = await open('paper', { width: 1280, height: 800 });
await desk.goto('/');
await shot(desk, 'today');
await choose(desk);
await shot(desk, 'choose');
await desk.goto('/tie?name=double+overhand');
await shot(desk, 'shelf');
await desk.goto('/tie?family=friction&show=sheet');
await desk.locator('.shelf img').last().scrollIntoViewIfNeeded();
await shot(desk, 'sheet');
await desk.goto('/tie/compare?a=square-knot&b=figure-eight-bend');
await desk.locator('.compare-faces img').nth(3).waitFor();
await shot(desk, 'compare');
const drawn = (page: Page) =>
  page.waitForFunction(() => document.querySelector<HTMLCanvasElement>('.stage canvas')?.style.opacity === '1');
await desk.goto('/tie/alpine-butterfly');
await drawn(desk);
await shot(desk, 'knot');
await desk.getByRole('button', { name: 'See it drawn up' }).click();
await desk.getByRole('group', { name: 'Drawn up, step by step' }).waitFor();
await desk.getByLabel('From laid to set').fill('14');
await shot(desk, 'drawn-up');
await desk.getByRole('button', { name: 'Finished knot' }).click();
await desk.goto('/tie/figure-eight-follow-through');
await drawn(desk);
await shot(desk, 'tie');
await walk(desk, 'figure-eight-follow-through');
await desk.keyboard.press('a');
await desk.getByText('Front: do all pairs').waitFor();
await shot(desk, 'check');
for (const next of ['Turn it over', 'Follow the tail', 'Is there a knot tied behind it', 'How long']) {
  await desk.keyboard.press('a');
  await desk.getByText(next).first().waitFor();
}
await desk.getByLabel('Tail', { exact: true }).fill('87');
await desk.getByRole('button', { name: /^Keep this length/ }).click();
for (const next of ['Is the eye', 'Does the rope', 'Put right']) {
  await desk.getByRole('heading', { level: 1 }).waitFor();
  await desk.keyboard.press('a');
  await desk.getByText(next).first().waitFor();
}
await shot(desk, 'verdict');
await desk.goto('/log');
await desk.getByText('Older checks').waitFor();
await shot(desk, 'log');
await desk.locator('tbody tr').filter({ hasText: 'looks differ' }).first().click();
await desk.getByText('What was written').waitFor();
await shot(desk, 'one-check');
await desk.goto('/tie/alpine-butterfly/ways/twist');
await drawn(desk);
await desk.getByLabel('How far it is tied').fill('45');
await shot(desk, 'way');
await desk.goto('/log/ropes');
await desk.getByRole('link', { name: /^NL-02/ }).click();
await desk.getByText('Its life').waitFor();
await desk.getByRole('button', { name: 'End cut off' }).click();
await shot(desk, 'rope');
await desk.goto('/log/timelines');
await desk.getByText('What goes wrong most').waitFor();
await shot(desk, 'timelines');
await desk.goto('/check/rounds');
await desk.getByRole('list', { name: 'Begun, not finished' }).getByRole('link').first().click();
await desk.getByRole('region', { name: 'Next stop' }).waitFor();
await shot(desk, 'round');
await desk.goto('/check/what-is-this?by=touch&knot=bowline&crossings=2');
await desk.getByText('What you entered is').waitFor();
await desk.getByTestId('answer').scrollIntoViewIfNeeded();
await shot(desk, 'what-is-this');
await desk.goto('/teach');
await desk.getByRole('button', { name: /Turn it over/ }).click();
await desk.locator('.touchable svg').waitFor();
await shot(desk, 'spot-it');

const night = await open('headlamp', { width: 390, height: 844 });
await walk(night, 'bowline-locked');
await night.keyboard.press('a');
await night.getByText('Front: three strands').waitFor();
await shot(night, 'check-headlamp');
await browser.close();
