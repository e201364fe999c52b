/** What a person does, in words that the journeys share. */
import { expect, type Page } from '@playwright/test';
import type { AxeResults, RunOptions } from 'axe-core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

export const DEMO_PASSWORD = 'fulmar-sound-demo';

/** Steps in as one of the demo people. */
export async function stepIn(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
}

/** Fills the form before a walk. */
export async function beginWalk(
  page: Page,
  walk: { knot?: string; rope: string; tiedBy: string; place: string; rules?: string; use?: string },
): Promise<void> {
  await page.goto('/check');
  await expect(page.getByRole('button', { name: 'Begin the walk' })).toBeVisible();
  if (walk.knot) await page.getByLabel('Knot', { exact: true }).selectOption({ label: walk.knot });
  await page
    .getByLabel('In which rope')
    .selectOption({ label: await optionStarting(page, 'In which rope', walk.rope) });
  await page.getByLabel('Tied by').selectOption({ label: await optionStarting(page, 'Tied by', walk.tiedBy) });
  await page.getByLabel('Where', { exact: true }).fill(walk.place);
  if (walk.rules)
    await page.getByLabel('Rules').selectOption({ label: await optionStarting(page, 'Rules', walk.rules) });
  if (walk.use) await page.getByLabel('What is it for').selectOption({ label: walk.use });
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await expect(page.getByRole('list', { name: 'Points of the walk' })).toBeVisible();
}

async function optionStarting(page: Page, label: string, start: string): Promise<string> {
  await expect(page.getByLabel(label)).toBeVisible();
  const texts = await page.getByLabel(label).locator('option').allTextContents();
  const found = texts.find((t) => t.startsWith(start));
  if (found === undefined) throw new Error(`no option starting "${start}" under "${label}": ${texts.join(' | ')}`);
  return found;
}

/** Answers the picture points by their label until the tail is asked for or the verdict stands there. */
export async function answerAs(page: Page, answers: Readonly<Record<string, string>>): Promise<void> {
  for (;;) {
    const heading = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
    if (heading === 'Verdict' || heading.startsWith('How long ')) return;
    const chosen = Object.entries(answers).find(([question]) => heading.startsWith(question))?.[1];
    const choices = page.locator('button.choice');
    await (chosen ? choices.filter({ hasText: chosen }) : choices.first()).click();
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(heading);
  }
}

export async function measureTail(page: Page, tail: string): Promise<void> {
  for (const field of await page.getByLabel(/^Tail( of|$)/).all()) await field.fill(tail);
  await page.getByRole('button', { name: /^Keep th(is|ese) length/ }).click();
  // the next point stands there, or what follows would look at this one again
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/^How long /);
}

/** Of what the accessibility checker looks at, all that a theme can change. */
const COLOURS = ['color-contrast', 'link-in-text-block'];
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

const CHECKER = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Nothing that the accessibility checker finds; `colours`: where all else was looked at in the other theme. */
export async function expectNoAxeFindings(page: Page, looked: 'all' | 'colours' = 'all'): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(CHECKER);
  const only: RunOptions['runOnly'] =
    looked === 'all' ? { type: 'tag', values: RULES } : { type: 'rule', values: COLOURS };
  // no page of ours has frames of others, no rule asked for reads style sheets, and of what holds only the count is wanted
  const options: RunOptions = { resultTypes: ['violations'], runOnly: only, iframes: false, preload: false };
  const { violations } = await page.evaluate(
    (asked) => (window as unknown as { axe: { run(o: RunOptions): Promise<AxeResults> } }).axe.run(asked),
    options,
  );
  expect(
    violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .slice(0, 3)
          .map((n) => n.target.join(' '))
          .join(', ')}`,
    ),
  ).toEqual([]);
}

/** Walks every point as right, from where the walk stands to the verdict. */
export async function walkThrough(page: Page, tail = '140'): Promise<void> {
  await expect(page.getByRole('list', { name: 'Points of the walk' })).toBeVisible();
  for (;;) {
    await answerAs(page, {});
    if ((await page.getByRole('heading', { level: 1 }).textContent()) === 'Verdict') return;
    await measureTail(page, tail);
  }
}
