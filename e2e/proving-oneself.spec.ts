/** People prove themselves: a first password that is changed before anything else, being confirmed in person, a passkey. */
import type { Page } from '@playwright/test';
import { expect, test } from './own';
import { stepIn } from './people';

const FIRST = 'given-by-tove-today';
const OWN = 'the-only-one-who-knows';

async function signIn(page: Page, handle: string, password: string): Promise<void> {
  await page.getByLabel('Name to sign in').fill(handle);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

test('somebody new comes in with a first password, chooses their own, and is confirmed face to face by another instructor', async ({
  page,
  browser,
  own: { url },
}) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/log/people');
  const form = page.getByRole('form', { name: 'Add a person' });
  await form.getByLabel('Name', { exact: true }).fill('Wren Hallow');
  await form.getByLabel('Name to sign in').fill('wren');
  await form.getByLabel(/^First password/).fill(FIRST);
  await form.getByRole('button', { name: 'Add' }).click();
  await expect(form.getByRole('status')).toHaveText('Added.');

  const hers = await (await browser.newContext({ baseURL: url })).newPage();
  await hers.goto('/log');
  await signIn(hers, 'wren', FIRST);
  // nothing else is open, whatever address is asked for
  await expect(hers.getByRole('heading', { name: 'Wren Hallow: choose a password of your own' })).toBeVisible();
  await hers.goto('/check');
  await expect(hers.getByRole('heading', { name: 'Wren Hallow: choose a password of your own' })).toBeVisible();
  await expect(hers.getByRole('navigation', { name: 'Places' })).toHaveCount(0);
  await hers.getByLabel('The one until now').fill(FIRST);
  await hers.getByLabel(/^A new one/).fill(FIRST);
  await hers.getByRole('button', { name: 'Change my password' }).click();
  await expect(hers.getByRole('alert')).toContainText('is the one until now');
  await hers.getByLabel('The one until now').fill(FIRST);
  await hers.getByLabel(/^A new one/).fill(OWN);
  await hers.getByRole('button', { name: 'Change my password' }).click();
  await expect(hers.getByRole('navigation', { name: 'Places' })).toBeVisible();

  // who made her cannot confirm her; another instructor can, and only after having said that she stands there
  await page.goto('/log/people');
  await page.getByRole('link', { name: 'Wren Hallow' }).click();
  await expect(page.getByText('No second person to Tove Vannmark.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Confirm in person' })).toHaveCount(0);
  const herPage = page.url();
  const another = await (await browser.newContext({ baseURL: url })).newPage();
  await stepIn(another, 'Rask Quillon');
  await another.goto(herPage);
  await expect(another.getByRole('button', { name: 'Confirm in person' })).toBeDisabled();
  await another.getByRole('checkbox', { name: /^Wren stands before me/ }).check();
  await another.getByRole('button', { name: 'Confirm in person' }).click();
  await expect(another.getByText('No second person to Tove Vannmark.')).toHaveCount(0);
  await another.getByText('What was set for Wren, and by whom').click();
  await expect(another.getByText('confirmed in person').first()).toBeVisible();
});

test('a passkey is made on the own device, signs in there without a password, and opens nothing once it is removed', async ({
  browser,
  own: { url },
}) => {
  // a passkey is made for a name
  const context = await browser.newContext({ baseURL: url.replace('127.0.0.1', 'localhost') });
  const page = await context.newPage();
  const device = await context.newCDPSession(page);
  await device.send('WebAuthn.enable');
  await device.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await stepIn(page, 'Imre Saltway');
  await page.goto('/me');
  const mine = page.getByRole('form', { name: 'Own passkeys' });
  await mine.getByLabel('What you call this device').fill('My telephone');
  await mine.getByLabel('Your password').fill('not-my-password');
  await mine.getByRole('button', { name: /^Add a passkey/ }).click();
  await expect(mine.getByRole('alert')).toContainText('do not match');
  await mine.getByLabel('Your password').fill('fulmar-sound-demo');
  await mine.getByRole('button', { name: /^Add a passkey/ }).click();
  await expect(mine.getByRole('listitem')).toContainText('My telephone');

  await context.clearCookies();
  await page.goto('/log');
  await page.getByRole('button', { name: 'Sign in by passkey' }).click();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  expect(new URL(page.url()).pathname).toBe('/log');

  await page.goto('/me');
  await mine.getByRole('button', { name: 'Remove My telephone' }).click();
  await expect(mine.getByRole('listitem')).toHaveCount(0);
  await context.clearCookies();
  await page.goto('/');
  await page.getByRole('button', { name: 'Sign in by passkey' }).click();
  await expect(page.getByRole('alert')).toContainText('The passkey was not accepted');
  await expect(page.getByRole('navigation', { name: 'Places' })).toHaveCount(0);
});

test('by the number of the machine no passkey is offered, and it is said why', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Sign in by passkey' })).toHaveCount(0);
  await stepIn(page, 'Imre Saltway');
  await page.goto('/me');
  await expect(page.getByText('Passkeys are made for a name: this address is a number.')).toBeVisible();
});
