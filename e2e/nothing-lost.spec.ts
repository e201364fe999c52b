import { expect, test } from './own';
import { testServer } from '../scripts/lib/testbed.mjs';
import { answerAs, beginWalk, DEMO_PASSWORD, measureTail, stepIn } from './people';

test('reload and Back lose nothing; a half-done check waits on Today', async ({ page }) => {
  await stepIn(page, 'Rask Quillon');
  await page.goto('/choose');
  await page.getByRole('button', { name: /^Rules/ }).click();
  await page.getByRole('button', { name: 'River and expedition rules' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Rules: River and expedition rules' })).toBeVisible();

  await beginWalk(page, { rope: 'NL-08', tiedBy: 'Bridie Fenwater', place: 'Net loft, station 5' });
  await page.keyboard.press('a');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Front');
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Turn it over');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Turn it over');
  await page.goBack();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Front');
  await expect(page.locator('button.choice').nth(1)).toHaveAttribute('aria-pressed', 'true');
  await page.goto('/');
  await page.getByText('2 points answered').click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Turn it over');

  // what is typed but not kept yet survives as well
  await answerAs(page, {});
  await page.getByLabel('Tail', { exact: true }).fill('13');
  await page.reload();
  await expect(page.getByLabel('Tail', { exact: true })).toHaveValue('13');

  // a second tab sees the same half-done check
  const other = await page.context().newPage();
  await other.goto('/');
  await expect(other.getByText('4 points answered')).toBeVisible();
  page.on('dialog', (d) => void d.accept());
  await page.goto('/');
  await page.getByRole('button', { name: /^Throw away/ }).click();
  await expect(other.getByText('4 points answered')).toHaveCount(0);
});

test('no answer while recording: said so, and trying again records it once', async ({ page }) => {
  await stepIn(page, 'Imre Saltway');
  await beginWalk(page, {
    rope: 'NL-08',
    tiedBy: 'Sunniva Tarn',
    place: 'The answer that was lost',
    rules: 'Sport crag',
  });
  await answerAs(page, {});
  await measureTail(page, '150');
  await answerAs(page, {});
  // the server hears it, its answer is cut off
  await page.route(
    '**/api/v1/checks',
    async (route) => {
      await route.fetch();
      await route.abort('connectionreset');
    },
    { times: 1 },
  );
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByText('No answer from the server. Nothing is lost')).toBeVisible();
  await page.getByRole('button', { name: /^Sign as/ }).click();
  await expect(page.getByText(/Recorded as no\./)).toBeVisible();
  const list = (await (await page.request.get('/api/v1/checks?limit=200')).json()) as { items: { place: string }[] };
  expect(list.items.filter((c) => c.place === 'The answer that was lost')).toHaveLength(1);
});

test('wrong input is said at the field, and what was typed stays', async ({ page }) => {
  await stepIn(page, 'Tove Vannmark');
  await page.goto('/check');
  await page.getByLabel('Where', { exact: true }).fill('Somewhere');
  await page.getByLabel('Tied by').selectOption('somebody outside');
  await page.getByRole('button', { name: 'Begin the walk' }).click();
  await expect(page.getByText('who is it, in a few words?')).toBeVisible();
  await expect(page.getByLabel('Tied by')).toBeFocused();
  await expect(page.getByLabel('Where', { exact: true })).toHaveValue('Somewhere');

  await page.goto('/log/people');
  await page.getByLabel('Name', { exact: true }).fill('New Person');
  await page.getByLabel('Name to sign in').fill('Not A Handle');
  await page.getByLabel(/^First password/).fill('short');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('lower-case letters, digits, dot or dash')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('New Person');

  await page.goto('/log/ropes');
  await page.getByLabel('Tag').fill('NL-01');
  await page.getByLabel('Diameter in mm').fill('10');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('there is one with this tag')).toBeVisible();

  await page.goto('/me');
  await page.getByLabel(/^My fist/).fill('300');
  await expect(page.getByText('a fist is 70 to 120 mm broad')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep my measures' })).toBeDisabled();
});

test('a server killed in the middle of recording loses and doubles nothing', async ({ playwright }) => {
  const db = { adminUrl: process.env['IDIOM_TEST_ADMIN_URL']!, socket: process.env['IDIOM_TEST_SOCKET']! };
  let server = await testServer(db, 'killed');
  const open = async () => {
    const r = await playwright.request.newContext({ baseURL: server.url });
    await r.post('/api/v1/session', { data: { handle: 'tove', password: DEMO_PASSWORD } });
    return r;
  };
  let client = await open();
  const { id: rope, diameter_mm } = (
    (await (await client.get('/api/v1/ropes')).json()) as { id: string; diameter_mm: number }[]
  )[0]!;
  const tier = ((await (await client.get('/api/v1/people')).json()) as { id: string; name: string }[]).find((p) =>
    p.name.startsWith('Corin'),
  )!.id;
  const bodies = Array.from({ length: 20 }, (_, i) => ({
    id: crypto.randomUUID(),
    tied_knot: {
      id: crypto.randomUUID(),
      knot: 'bowline-locked',
      rope,
      place: `Kill ${i}`,
      tied_by: tier,
      tied_at: '2026-01-01T10:00:00.000Z',
    },
    profile: 'sport-crag',
    profile_version: 3,
    rope_diameter_mm: diameter_mm,
    use: 'tie-in',
    fist_mm: 100,
    hand: 'right',
    seen_at: '2026-01-01T10:05:00.000Z',
    answers: [],
    note: '',
  }));
  const acknowledged = new Set<string>();
  const send = (body: (typeof bodies)[number]) =>
    client.post('/api/v1/checks', { data: body }).then(
      (r) => (r.ok() ? void acknowledged.add(body.id) : undefined),
      () => undefined,
    );
  const sending = Promise.all(bodies.map(send));
  await new Promise((r) => setTimeout(r, 40));
  server.child.removeAllListeners('exit');
  server.child.kill('SIGKILL');
  await sending;
  server = await testServer(db, 'killed', { IDIOM_DEMO: '0' });
  client = await open();
  const count = async () =>
    ((await (await client.get('/api/v1/checks?limit=200')).json()) as { items: { id: string }[] }).items
      .filter((c) => bodies.some((b) => b.id === c.id))
      .map((c) => c.id);
  // nothing that was acknowledged is lost
  const there = await count();
  for (const id of acknowledged) expect(there).toContain(id);
  // every request sent again: each is recorded exactly once
  for (const b of bodies) expect((await client.post('/api/v1/checks', { data: b })).status()).toBe(200);
  expect((await count()).sort()).toEqual(bodies.map((b) => b.id).sort());
  await server.stop();
});
