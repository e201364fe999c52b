import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { openDesk } from '../store';
import { Shell } from '../parts/Shell';
import { PERSON, show, TIER } from '../testing/fakeServer';
import { PersonPage } from './log/PersonPage';
import { WhatWasSet } from './log/WhatWasSet';
import { LongWork } from './entrance/LongWork';
import { Me } from './today/Me';

// jsdom does not scroll
window.scrollTo = () => undefined;
afterEach(cleanup);

const setting = (id: string, what: string, change: object = {}) => ({
  id,
  person: TIER.id,
  person_name: TIER.name,
  what,
  roles: null,
  by_name: 'Rask Quillon',
  at: '2026-05-14T09:00:00.000Z',
  ...change,
});
const page = (change: object = {}) => ({
  person: TIER,
  signed_off: [],
  wrong_pins: [],
  passkeys: [],
  settings: [setting('2', 'roles', { roles: ['learner'] }), setting('1', 'made')],
  depends_on: [{ id: '99999999-9999-4999-8999-999999999999', name: 'Rask Quillon' }],
  ...change,
});
const session = (must_change_password: boolean) => ({
  'GET /session': {
    person: PERSON,
    organisation: { id: 'o', name: 'Loft', demo: false },
    demo: false,
    setup_open: false,
    must_change_password,
  },
});

describe('a first password', () => {
  test('shuts everything but its own change', async () => {
    openDesk(PERSON.id);
    const { sent } = show(<Shell />, '/', '/', {
      ...session(true),
      'POST /people/me/password': { ...session(false)['GET /session'] },
    });
    expect(await screen.findByText('Tove Vannmark: choose a password of your own')).toBeTruthy();
    expect(screen.queryByRole('navigation')).toBeNull();
    const type = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    const button = screen.getByRole('button', { name: 'Change my password' }) as HTMLButtonElement;
    expect(button.disabled).toBe(true);
    type('The one until now', 'given to me');
    type('A new one, at least 10 characters', 'chosen by myself');
    fireEvent.click(button);
    await waitFor(() => expect(sent[0]!.body).toEqual({ password: 'given to me', new_password: 'chosen by myself' }));
  });
  test('once changed the places are there', async () => {
    openDesk(PERSON.id);
    show(<Shell />, '/', '/', session(false));
    expect(await screen.findByRole('navigation', { name: 'Places' })).toBeTruthy();
  });
});

test('one’s own password is changed under one’s own name; what is wrong stands beside its field', async () => {
  show(<Me />, '/me', '/me', { 'POST /people/me/password': 401 });
  fireEvent.change(await screen.findByLabelText('The one until now'), { target: { value: 'x' } });
  fireEvent.change(screen.getByLabelText('A new one, at least 10 characters'), {
    target: { value: 'chosen by myself' },
  });
  fireEvent.click(screen.getByRole('button', { name: 'Change my password' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/401/);
  // what was typed as the new one stays, the old one is asked again
  expect((screen.getByLabelText('A new one, at least 10 characters') as HTMLInputElement).value).toBe(
    'chosen by myself',
  );
});

test('one’s own passkeys are listed and removed; where the browser knows none, it is said instead of a form', async () => {
  const { sent } = show(<Me />, '/me', '/me', {
    'GET /people/me/passkeys': [{ id: 'k', name: 'Grey telephone', made_at: '2026-05-13T09:00:00.000Z' }],
    'DELETE /people/me/passkeys/k': [],
  });
  fireEvent.click(await screen.findByRole('button', { name: 'Remove Grey telephone' }));
  await waitFor(() => expect(sent.map((s) => `${s.method} ${s.path}`)).toEqual(['DELETE /people/me/passkeys/k']));
  expect(screen.getByText(/^This browser knows no passkeys/)).toBeTruthy();
  expect(screen.queryByLabelText('What you call this device')).toBeNull();
});

describe('whom somebody depends on', () => {
  const at = `/log/people/${TIER.id}`;
  test('stands on their page; another instructor confirms them, once they say that they have seen them', async () => {
    const { sent } = show(<PersonPage />, '/log/people/:id', at, {
      [`GET /people/${TIER.id}`]: page(),
      [`POST /people/${TIER.id}/confirmations`]: page({ depends_on: [] }),
    });
    expect(await screen.findByText('No second person to Rask Quillon.')).toBeTruthy();
    const button = screen.getByRole('button', { name: 'Confirm in person' }) as HTMLButtonElement;
    expect(button.disabled).toBe(true);
    fireEvent.click(screen.getByLabelText(/^Joss stands before me/));
    fireEvent.click(button);
    await waitFor(() => expect(sent[0]!.path).toBe(`/people/${TIER.id}/confirmations`));
    expect(Object.keys(sent[0]!.body as object)).toEqual(['id']);
  });
  test('a passkey on the account is named to whoever confirms: somebody else may have made it', async () => {
    const passkeys = [{ id: 'k', name: 'Grey telephone', made_at: '2026-05-13T09:00:00.000Z' }];
    show(<PersonPage />, '/log/people/:id', at, { [`GET /people/${TIER.id}`]: page({ passkeys }) });
    expect((await screen.findByText(/^Passkeys also sign in as Joss/)).textContent).toMatch(
      /Grey telephone \(since .*\)\. If Joss does not know one of them, do not confirm/,
    );
  });
  test('who they depend on is not asked to confirm them', async () => {
    show(<PersonPage />, '/log/people/:id', at, {
      [`GET /people/${TIER.id}`]: page({ depends_on: [{ id: PERSON.id, name: PERSON.name }] }),
    });
    expect(await screen.findByText(`No second person to ${PERSON.name}.`)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Confirm in person' })).toBeNull();
  });
  test('on nobody: nothing is said; what was set is listed with who did it', async () => {
    show(<PersonPage />, '/log/people/:id', at, { [`GET /people/${TIER.id}`]: page({ depends_on: [] }) });
    expect(await screen.findByText('What was set for Joss, and by whom')).toBeTruthy();
    expect(screen.queryByText(/^No second person to/)).toBeNull();
    expect(document.body.textContent).toContain('given other roles: learner · by Rask Quillon');
    expect(document.body.textContent).toContain('added, with a first password · by Rask Quillon');
  });
});

test('what was set of everybody: page after page', async () => {
  show(<WhatWasSet />, '/log/people/set', '/log/people/set', {
    'GET /credentials': { items: [setting('1', 'confirmed'), setting('0', 'own-pin')], next: 'abc' },
  });
  expect((await screen.findAllByRole('link', { name: TIER.name })).length).toBe(2);
  expect(document.body.textContent).toContain('confirmed in person · by Rask Quillon');
  // what somebody does for themselves is by nobody else
  expect(document.body.textContent).not.toContain('their own PIN · by');
  expect(screen.getByRole('button', { name: 'Earlier' })).toBeTruthy();
});

describe('longer work', () => {
  const job = (change: object) => ({
    id: 'w',
    name: 'knots',
    state: 'running',
    done: 12,
    of: 44,
    why: null,
    result: null,
    ...change,
  });
  test('says how far it is, and is stopped by one press', async () => {
    const { sent } = show(<LongWork />, '/work/:id', '/work/w', {
      'GET /work/w': job({}),
      'DELETE /work/w': job({ state: 'stopped' }),
    });
    expect((await screen.findByRole('progressbar')).getAttribute('aria-valuenow')).toBe('12');
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(await screen.findByText('Stopped')).toBeTruthy();
    expect(sent.map((s) => s.path)).toEqual(['/work/w']);
  });
  test('done, its file is opened; failed, it is said why', async () => {
    const opened: string[] = [];
    const open = (address: string) => void opened.push(address);
    show(<LongWork open={open} />, '/work/:id', '/work/w', {
      'GET /work/w': job({ state: 'done', result: '/api/v1/work/w/result' }),
    });
    await waitFor(() => expect(opened).toEqual(['/api/v1/work/w/result']));
    expect(screen.getByRole('link', { name: 'Open knots.pdf' }).getAttribute('href')).toBe('/api/v1/work/w/result');
    cleanup();
    show(<LongWork open={open} />, '/work/:id', '/work/w', {
      'GET /work/w': job({ state: 'failed', why: 'too long' }),
    });
    expect(await screen.findByText('too long')).toBeTruthy();
  });
});
