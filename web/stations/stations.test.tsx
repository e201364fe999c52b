import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { SHIPPED_PROFILES } from '../../core/profiles';
import { openDesk, store } from '../store';
import { knotTaken } from '../store/job';
import { walkBegun, type Walk } from '../store/walks';
import { PERSON, ROPE, show, TIER } from '../testing/fakeServer';
import { Begin } from './check/Begin';
import { WalkPage } from './check/WalkPage';
import { Choose } from './choose/Choose';
import { Log } from './log/Log';
import { Today } from './today/Today';
import { Me } from './today/Me';

beforeEach(() => {
  openDesk(null);
  localStorage.clear();
});
afterEach(cleanup);

const WALK: Walk = {
  id: 'aaaaaaaa-aaaa-4aaa-8aaa-aaaaaaaaaaaa',
  tiedKnot: 'bbbbbbbb-bbbb-4bbb-8bbb-bbbbbbbbbbbb',
  knot: 'figure-eight-follow-through',
  rope: ROPE.id,
  ropeTag: ROPE.tag,
  rope_diameter_mm: 10.2,
  place: 'Stack',
  tiedBy: TIER.id,
  tiedAt: '2026-05-14T09:00:00.000Z',
  profile: 'sport-crag',
  profileVersion: 3,
  stopper: false,
  use: 'tie-in',
  companions: [],
  ropeKind: 'dynamic',
  hand: 'right',
  answers: [],
  tailText: '',
  tailUnit: 'mm',
  tailMethod: 'ruler',
  note: '',
  seenAt: null,
  begunAt: '2026-05-14T10:00:00.000Z',
};
const walking = (change: Partial<Walk> = {}, answers = {}, p = '') => {
  openDesk(PERSON.id);
  store.dispatch(walkBegun({ ...WALK, ...change }));
  return show(<WalkPage />, '/check/:walk', `/check/${WALK.id}${p}`, answers);
};
const ALL = ['name', 'front', 'back', 'path', 'set', 'eye', 'harness'].map((point) => ({
  point,
  found: 'right',
})) as Walk['answers'];
const TAIL = {
  point: 'tail',
  found: 'right',
  tail: { tail_mm: 130, method: 'ruler', uncertainty_mm: 5 },
} as Walk['answers'][number];

describe('the walk', () => {
  test('asks the first open point, right beside wrong, and goes on when answered', async () => {
    walking();
    expect(await screen.findByRole('heading', { level: 1 })).toHaveProperty(
      'textContent',
      'Is it a figure-eight, brought all the way back?',
    );
    expect(screen.getAllByRole('button', { pressed: false }).length).toBeGreaterThan(2);
    fireEvent.keyDown(document.body, { key: 'b' });
    await screen.findByText('Front: do all pairs run side by side?');
    expect(store.getState().walks[0]!.answers).toMatchObject([{ point: 'name', found: 'half-finished' }]);
    fireEvent.keyDown(document.body, { key: 'x' });
    await screen.findByText(/^Turn it over/);
    expect(store.getState().walks[0]!.answers.at(-1)).toMatchObject({ point: 'front', found: 'cannot-see' });
    fireEvent.keyDown(document.body, { key: 'ArrowLeft' });
    await screen.findByText('Front: do all pairs run side by side?');
  });

  test('the pictures of the next point are fetched while this one is looked at: the very ones, by either hand', async () => {
    for (const hand of ['right', 'left'] as const) {
      walking({ hand, answers: [] });
      const pictures = (where: string) =>
        [...document.querySelectorAll(`${where} img`)].map((i) => i.getAttribute('src'));
      // which faults have a shape comes from the server
      await waitFor(() => expect(pictures('.visually-hidden').length).toBeGreaterThan(1));
      const ahead = pictures('.visually-hidden');
      fireEvent.keyDown(document.body, { key: 'a' });
      await screen.findByText('Front: do all pairs run side by side?');
      expect(pictures('.choice')).toEqual(ahead);
      expect(pictures('.visually-hidden')).not.toEqual(ahead);
      cleanup();
    }
  });

  test('a length near the limit is told as such, a wrong one is not taken', async () => {
    walking({ answers: ALL, tailMethod: 'by-eye' }, {}, '?p=5');
    const field = await screen.findByLabelText('Tail');
    fireEvent.change(field, { target: { value: '103' } });
    expect(screen.getByText(/too near the limit to say/)).toBeTruthy();
    // by ruler it counts as it is read
    fireEvent.click(screen.getByLabelText('with a ruler'));
    expect(screen.getByText('enough')).toBeTruthy();
    fireEvent.change(field, { target: { value: 'long' } });
    expect(screen.getByText('a length, in numbers')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /^Keep this length/ }));
    expect(store.getState().walks[0]!.answers.some((a) => a.point === 'tail')).toBe(false);
    fireEvent.change(field, { target: { value: '1.5' } });
    fireEvent.click(screen.getAllByLabelText('fists')[0]!);
    fireEvent.click(screen.getByRole('button', { name: /^Keep this length/ }));
    await screen.findByText('Meets the rule');
    expect(store.getState().walks[0]!.answers.at(-1)).toMatchObject({
      point: 'tail',
      found: 'right',
      tail: { tail_mm: 138, method: 'fists', uncertainty_mm: 10 },
    });
  });

  test('the verdict stands with rule and version; signing sends what was found and clears the desk', async () => {
    const { sent, router } = walking(
      { answers: [...ALL, TAIL] },
      { 'POST /checks': { id: WALK.id, sequence: 7, sha256: 'f', verdict: 'meets-the-rule', again: false } },
    );
    await screen.findByText('Meets the rule');
    expect(screen.getByText(/Rules: Sport crag, version 3/)).toBeTruthy();
    expect(screen.getByText(/It gives no clearance to load/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Sign as Tove Vannmark and record' }));
    await waitFor(() => expect(router.state.location.pathname).toBe(`/log/${WALK.id}`));
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({
      path: '/checks',
      body: {
        id: WALK.id,
        profile: 'sport-crag',
        profile_version: 3,
        fist_mm: 92,
        use: 'tie-in',
        companions: [],
        tied_knot: { tied_by: TIER.id, rope: ROPE.id },
      },
    });
    expect(store.getState().walks).toEqual([]);
  });

  test('a walk is judged under the version it began with, and goes over to the one in force only when it is told to', async () => {
    const { sent } = walking(
      { answers: [...ALL, TAIL], profileVersion: 1 },
      { 'POST /checks': { id: WALK.id, sequence: 7, sha256: 'f', verdict: 'meets-the-rule', again: false } },
    );
    expect(await screen.findByText(/Rules: Sport crag, version 1/)).toBeTruthy();
    const sign = () => screen.getByRole('button', { name: /^Sign as/ });
    expect([
      screen.getByRole('alert').textContent?.includes('version 3 is in force'),
      (sign() as HTMLButtonElement).disabled,
    ]).toEqual([true, true]);
    fireEvent.click(screen.getByRole('button', { name: 'Judge it under version 3' }));
    expect(await screen.findByText(/Rules: Sport crag, version 3/)).toBeTruthy();
    expect(store.getState().walks[0]).toMatchObject({ profileVersion: 3, answers: [...ALL, TAIL] });
    fireEvent.click(sign());
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ body: { profile_version: 3 } });
  });

  test('a refusal keeps everything on the desk', async () => {
    walking({ answers: [...ALL, TAIL] }, { 'POST /checks': 503 });
    fireEvent.click(await screen.findByRole('button', { name: /^Sign as/ }));
    expect(await screen.findByRole('alert')).toHaveProperty('textContent', 'Refused 503. said by the test');
    expect(store.getState().walks[0]!.answers).toHaveLength(8);
  });

  test('where a knot behind it may be tied it is asked by picture; what is there is then looked at', async () => {
    walking({ companions: undefined, answers: ALL.slice(0, 4) });
    expect(await screen.findByText('Is there a knot tied behind it?')).toBeTruthy();
    expect(screen.getByText(/A stopper butted up to the eight, or 100 mm of tail without one/)).toBeTruthy();
    const choices = screen.getAllByRole('button', { pressed: false }).map((b) => b.textContent);
    expect(choices).toEqual(['none therea', 'a stopper, two turns of the tailb', 'an overhand round both strandsc']);
    fireEvent.keyDown(document.body, { key: 'b' });
    expect(await screen.findByText('Is there a stopper, butted up to the knot?')).toBeTruthy();
    expect(store.getState().walks[0]!.companions).toEqual(['stopper-behind']);
    const pictures = [...document.querySelectorAll('.choice img')].map(
      (i) => new URL(i.getAttribute('src')!, 'http://x'),
    );
    expect(pictures.map((u) => [u.pathname.split('/')[4], u.searchParams.get('fault')])).toEqual([
      ['tie-in-stopper', null],
      ['figure-eight-follow-through', null],
      ['tie-in-stopper', 'stopper-gap'],
      ['tie-in-stopper', 'stopper-wrong-face'],
    ]);
    fireEvent.keyDown(document.body, { key: 'a' });
    // its own tail is measured then
    expect((await screen.findByText(/75 mm of tail of its own/)).textContent).toMatch(/common practice CP-T10/);
  });

  test('what it is for is changed by one press at the end, and what is asked with it', async () => {
    walking({ answers: [...ALL, TAIL] });
    fireEvent.change(await screen.findByLabelText('What is it for'), { target: { value: 'hitch-object' } });
    expect(await screen.findByText(/for making fast to a thing/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Harness' })).toBeNull();
    expect(store.getState().walks[0]).toMatchObject({ use: 'hitch-object' });
  });

  test('rope, place and who tied it may follow: they are asked before it is signed, the rope before a length is kept', async () => {
    const rest = { rope: '', ropeTag: '', place: '', tiedBy: null, tiedBySaid: false, restLater: true };
    const { sent } = walking(
      { answers: [...ALL, TAIL], ...rest },
      { 'POST /checks': { id: WALK.id, sequence: 7, sha256: 'f', verdict: 'meets-the-rule', again: false } },
    );
    const sign = async () => fireEvent.click(await screen.findByRole('button', { name: /^Sign as/ }));
    await sign();
    for (const text of ['which rope is it in?', 'who tied it?', 'where is it?'])
      expect(screen.getByText(text)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('In which rope'), { target: { value: ROPE.id } });
    fireEvent.change(screen.getByLabelText('Where'), { target: { value: 'Stack' } });
    fireEvent.change(screen.getByLabelText('Tied by'), { target: { value: 'unknown' } });
    await sign();
    expect(screen.getByText('state that you did not tie it')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('I did not tie this'));
    await sign();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      body: { tied_knot: { rope: ROPE.id, place: 'Stack', tied_by_unknown: true }, use: 'tie-in' },
    });
    expect((sent[0]!.body as { tied_knot: object }).tied_knot).not.toHaveProperty('tied_by');
    cleanup();
    walking({ answers: ALL, ...rest }, {}, '?p=5');
    fireEvent.change(await screen.findByLabelText('Tail'), { target: { value: '130' } });
    fireEvent.click(screen.getByRole('button', { name: /^Keep this length/ }));
    expect(document.activeElement?.id).toBe('rope-first');
    expect(store.getState().walks[0]!.answers).toHaveLength(ALL.length);
  });

  test('one who tied it and looks alone is told what the record will say', async () => {
    walking({ answers: [...ALL, TAIL], tiedBy: PERSON.id });
    expect(await screen.findByText('No second person.')).toBeTruthy();
  });

  test('that is not on this device says where to go', async () => {
    show(<WalkPage />, '/check/:walk', '/check/nowhere');
    expect(await screen.findByText('This check is not on this device')).toBeTruthy();
  });
});

describe('before the walk', () => {
  test('a look begins with the knot in the hand: what it is for is asked where that leaves a choice, the rest may follow', async () => {
    const { router } = show(<Begin />, '/check', '/check');
    const use = (await screen.findByLabelText('What is it for')) as HTMLSelectElement;
    expect([...use.options].map((o) => o.value)).toEqual(['tie-in', 'end-loop', 'hitch-object']);
    fireEvent.change(use, { target: { value: 'end-loop' } });
    fireEvent.change(screen.getByLabelText('Tied by'), { target: { value: 'outside' } });
    fireEvent.click(screen.getByRole('button', { name: 'Begin the walk' }));
    // what was begun to be said is said whole
    expect(screen.getByText('who is it, in a few words?')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Who it is, in a few words'), { target: { value: 'a guest on the rope' } });
    fireEvent.click(screen.getByRole('button', { name: 'Begin the walk' }));
    await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/check\/[0-9a-f-]{36}$/));
    expect(store.getState().walks[0]).toMatchObject({
      use: 'end-loop',
      rope: '',
      tiedBy: null,
      tiedByOutside: 'a guest on the rope',
      restLater: true,
    });
  });

  test('a short look is offered where the rule set allows it for the knot, and begun as one', async () => {
    const allowing = SHIPPED_PROFILES.map((p) => ({ ...p, shortLook: ['figure-eight-follow-through'] }));
    show(<Begin />, '/check', '/check');
    await screen.findByLabelText('What is it for');
    expect(screen.queryByLabelText('Look')).toBeNull();
    cleanup();
    show(<Begin />, '/check', '/check', { 'GET /profiles': allowing });
    const look = await screen.findByLabelText('Look');
    expect(screen.queryByText(/never meets the rule/)).toBeNull();
    fireEvent.change(look, { target: { value: 'short' } });
    expect(screen.getByText(/never meets the rule/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Begin the walk' }));
    await waitFor(() => expect(store.getState().walks[0]).toMatchObject({ short: true }));
  });

  test('what a knot is kept from is said before it is looked at, with its rule; for what it is made for nothing is', async () => {
    const listed = {
      family: 'friction',
      purposes: [],
      can_be_checked: true,
      ways: [],
      faults: [],
      form_certainty: 'settled',
    };
    show(<Begin />, '/check', '/check', { 'GET /knots': [{ id: 'autoblock', names: ['Autoblock'], ...listed }] });
    fireEvent.change(await screen.findByLabelText('Knot'), { target: { value: 'autoblock' } });
    const use = await screen.findByLabelText('What is it for');
    const kept = () => screen.queryByText(/take it out and tie one that is made for that/);
    fireEvent.change(use, { target: { value: 'friction-backup' } });
    expect(kept()).toBeNull();
    fireEvent.change(use, { target: { value: 'friction-climb' } });
    expect(kept()!.textContent).toContain('CP-U4');
  });

  test('a knot is found by any name, or by a fault it may have, and taken by a press alone', async () => {
    const listed = (id: string, names: string[], family: string) => ({
      ...{ id, names, family, purposes: [], can_be_checked: true, ways: [], faults: [], form_certainty: 'settled' },
    });
    show(<Begin />, '/check', '/check', {
      'GET /knots': [
        listed('figure-eight-follow-through', ['Figure-eight follow-through'], 'end-loop'),
        listed('barrel-noose', ['Barrel noose'], 'noose'),
        listed('double-fishermans', ['Double fisherman’s'], 'bend'),
        listed('alpine-butterfly', ['Alpine butterfly'], 'midline'),
        listed('offset-overhand', ['Offset overhand'], 'bend'),
      ],
    });
    const field = await screen.findByLabelText('Or find it by any name');
    const offered = () =>
      within(screen.getByRole('group', { name: 'Goes by that name' }))
        .queryAllByRole('button')
        .map((b) => b.textContent);
    const type = (value: string) => fireEvent.change(field, { target: { value } });
    const chosen = () => (screen.getByLabelText('Knot') as HTMLSelectElement).value;
    type('double fisherman');
    expect(offered()).toEqual([
      'Barrel noose: a noose, the same turns round its own strand',
      'Double fisherman’s: a joint of two ropes, each end round both',
    ]);
    type('european death knot');
    expect(offered()).toEqual(['Offset overhand: European death knot']);
    // typing alone, and enter, take nothing
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(chosen()).toBe('figure-eight-follow-through');
    fireEvent.click(screen.getByRole('button', { name: /^Offset overhand/ }));
    expect(chosen()).toBe('offset-overhand');
    expect(field).toHaveProperty('value', '');
    type('dragonfly');
    expect(offered()).toEqual(['Alpine butterfly: may have the fault “false butterfly”']);
    type('sheepdog');
    expect(offered()).toEqual([]);
    expect(screen.getByText('No knot that can be walked through has that name.')).toBeTruthy();
  });

  test('a learner does not record', async () => {
    show(<Begin />, '/check', '/check', {
      'GET /session': {
        person: { ...PERSON, roles: ['learner'] },
        organisation: null,
        demo: false,
        setup_open: false,
        must_change_password: false,
      },
    });
    expect(await screen.findByText('Not with your roles')).toBeTruthy();
  });
});

describe('choose', () => {
  const answer = {
    suited: [
      {
        knot: 'bowline-locked',
        score_parts: [{ part: 'untying', value: 1, text: '1 of 5: does not jam' }],
        reasons: [{ rule: 'SC-K2', of: 'sport-crag', text: 'named here as a tie-in', source: 'practice' }],
        cautions: [{ rule: 'C1', of: 'common', text: 'fewer people can check it', source: 'practice' }],
      },
    ],
    nearly: [{ knot: 'bowline', wouldDoIf: 'if a stopper is tied', rule: 'B1', change: 'add-stopper' }],
    excluded: [
      { knot: 'double-bowline', because: [{ rule: 'P3', of: 'common', text: 'not known', source: 'practice' }] },
    ],
    versions: { catalogue: 1, profile: 'sport-crag', profile_version: 1 },
  };
  test('shows the three groups, each with its rule', async () => {
    show(<Choose />, '/choose', '/choose', { 'POST /choose': answer, 'POST /rope-needed': 404 });
    expect(await screen.findByRole('heading', { name: 'Locked bowline' })).toBeTruthy();
    for (const rule of ['SC-K2', 'C1', 'B1', 'P3']) expect(screen.getByText(rule)).toBeTruthy();
  });
  test('what has to be there is shown up to the next step, never down; whether a rule says it', async () => {
    const parts = ['in_knot', 'eye', 'tail', 'stopper', 'total', 'start_at'];
    const needed = (tail_from: string) => ({
      ...Object.fromEntries(parts.flatMap((p) => ['', '_low', '_high'].map((of) => [`${p}_mm${of}`, 300]))),
      tail_mm: 46.4,
      total_mm_high: 1001,
      tail_from,
      use: 'tie-in',
      companions: [],
      in_hand_mm: null,
      notes: [],
    });
    show(<Choose />, '/choose', '/choose', { 'POST /choose': answer, 'POST /rope-needed': needed('common') });
    expect(await screen.findByText('1.01 m')).toBeTruthy();
    expect(screen.getByText('47 mm').parentElement!.textContent).toBe('47 mmof tail, common practice');
    cleanup();
    show(<Choose />, '/choose', '/choose', { 'POST /choose': answer, 'POST /rope-needed': needed('rule') });
    expect((await screen.findByText('47 mm')).parentElement!.textContent).toBe('47 mmof tail');
  });
  test('a pull can be added, the last one cannot be taken away', async () => {
    show(<Choose />, '/choose', '/choose', { 'POST /choose': answer, 'POST /rope-needed': 404 });
    fireEvent.click(await screen.findByRole('button', { name: 'standing part to eye' }));
    expect(store.getState().job.job.pulls).toEqual(['standing-eye']);
    fireEvent.click(screen.getByRole('button', { name: 'eye pulled apart' }));
    expect(store.getState().job.job.pulls).toEqual(['standing-eye', 'ring']);
    fireEvent.click(screen.getByRole('button', { name: 'standing part to eye' }));
    expect(store.getState().job.job.pulls).toEqual(['ring']);
  });
  test('says plainly when nothing does the job', async () => {
    show(<Choose />, '/choose', '/choose', { 'POST /choose': { ...answer, suited: [] }, 'POST /rope-needed': 404 });
    expect(await screen.findByText('None of the knots in the catalogue does this job.')).toBeTruthy();
  });
});

describe('empty, failed, forbidden', () => {
  test('an empty day names the first step', async () => {
    show(<Today />, '/', '/');
    expect(await screen.findByText(/Nothing is open/)).toBeTruthy();
    expect(screen.getByText(/The first one begins with/)).toBeTruthy();
  });
  test('a half-done check waits there', async () => {
    openDesk(PERSON.id);
    store.dispatch(walkBegun({ ...WALK, answers: ALL.slice(0, 2) }));
    show(<Today />, '/', '/');
    expect(await screen.findByText(/2 points answered/)).toBeTruthy();
  });
  test('a failed list can be asked for again', async () => {
    show(<Log />, '/log', '/log', { 'GET /checks': 500 });
    expect(await screen.findByRole('button', { name: 'Try again' })).toBeTruthy();
  });
  test('a forbidden one leads away', async () => {
    show(<Log />, '/log', '/log', { 'GET /checks': 403 });
    expect(await screen.findByText('Not with your roles')).toBeTruthy();
  });
  test('an empty list says so', async () => {
    show(<Log />, '/log', '/log', { 'GET /checks': { items: [], next: null } });
    expect(await screen.findByText(/The first check begins under Check/)).toBeTruthy();
  });
});

test('own measures: a fist out of range is said, a good one is sent', async () => {
  const { sent } = show(<Me />, '/me', '/me', { 'PATCH /people/me': { ...PERSON, fist_mm: 95 } });
  const field = await screen.findByLabelText(/^My fist/);
  fireEvent.change(field, { target: { value: '200' } });
  expect(screen.getByText(/a fist is 70 to 120 mm/)).toBeTruthy();
  fireEvent.change(field, { target: { value: '95,5' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep my measures' }));
  await screen.findByText('Kept.');
  expect(sent[0]).toMatchObject({ method: 'PATCH', body: { fist_mm: 95.5 } });
});

test('a knot that cannot be walked through is never exchanged for another', async () => {
  const { router } = show(<Begin />, '/check', '/check', {
    'GET /knots': [
      {
        id: 'alpine-butterfly',
        names: ['Alpine butterfly'],
        family: 'midline',
        purposes: [],
        can_be_checked: false,
        ways: [],
        faults: [],
        form_certainty: 'settled',
      },
    ],
  });
  store.dispatch(knotTaken('alpine-butterfly'));
  expect(await screen.findByText(/^Alpine butterfly: its check points are not stored yet/)).toBeTruthy();
  expect((screen.getByLabelText('Knot') as HTMLSelectElement).value).toBe('');
  fireEvent.click(screen.getByRole('button', { name: 'Begin the walk' }));
  expect(screen.getByText('which knot is it?')).toBeTruthy();
  expect(router.state.location.pathname).toBe('/check');
});
