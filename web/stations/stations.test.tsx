import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { openDesk, store } from '../store';
import { knotTaken } from '../store/job';
import { walkBegun, type Walk } from '../store/walks';
import { PERSON, ROPE, show, TIER } from '../testing/fakeServer';
import { Begin } from './check/Begin';
import { WalkPage } from './check/WalkPage';
import { Choose } from './choose/Choose';
import { Log } from './log/Log';
import { ENTRIES } from '../../core/knots/catalogue/entries';
import { entryById } from '../../core/knots/catalogue/lookup';
import { FAMILIES } from '../../core/knots/facts/types';
import { Compare } from './tie/Compare';
import { Shelf } from './tie/Shelf';
import { Tie } from './tie/Tie';
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
  profileVersion: 2,
  stopper: false,
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

  test('a length near the limit is told as such, a wrong one is not taken', async () => {
    walking({ answers: ALL }, {}, '?p=4');
    const field = await screen.findByLabelText('Tail');
    fireEvent.change(field, { target: { value: '103' } });
    expect(screen.getByText(/too near the limit to say/)).toBeTruthy();
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
    expect(screen.getByText(/Rules: Sport crag, version 2/)).toBeTruthy();
    expect(screen.getByText(/It gives no clearance to load/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Sign as Tove Vannmark and record' }));
    await waitFor(() => expect(router.state.location.pathname).toBe(`/log/${WALK.id}`));
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({
      path: '/checks',
      body: {
        id: WALK.id,
        profile: 'sport-crag',
        profile_version: 2,
        fist_mm: 92,
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
      screen.getByRole('alert').textContent?.includes('version 2 is in force'),
      (sign() as HTMLButtonElement).disabled,
    ]).toEqual([true, true]);
    fireEvent.click(screen.getByRole('button', { name: 'Judge it under version 2' }));
    expect(await screen.findByText(/Rules: Sport crag, version 2/)).toBeTruthy();
    expect(store.getState().walks[0]).toMatchObject({ profileVersion: 2, answers: [...ALL, TAIL] });
    fireEvent.click(sign());
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ body: { profile_version: 2 } });
  });

  test('a refusal keeps everything on the desk', async () => {
    walking({ answers: [...ALL, TAIL] }, { 'POST /checks': 503 });
    fireEvent.click(await screen.findByRole('button', { name: /^Sign as/ }));
    expect(await screen.findByRole('alert')).toHaveProperty('textContent', 'Refused 503. said by the test');
    expect(store.getState().walks[0]!.answers).toHaveLength(8);
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
  test('what is missing is said at its field; rules that ask for a stopper set it', async () => {
    show(<Begin />, '/check', '/check');
    fireEvent.click(await screen.findByRole('button', { name: 'Begin the walk' }));
    for (const text of ['which rope is it in?', 'who tied it?', 'where is it?'])
      expect(screen.getByText(text)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Rules'), { target: { value: 'rescue-team' } });
    expect(screen.getByLabelText('A stopper is asked by these rules')).toHaveProperty('checked', true);
  });

  test('a learner does not record', async () => {
    show(<Begin />, '/check', '/check', {
      'GET /session': { person: { ...PERSON, roles: ['learner'] }, organisation: null, demo: false, setup_open: false },
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
      notes: [],
    });
    show(<Choose />, '/choose', '/choose', { 'POST /choose': answer, 'POST /rope-needed': needed('general') });
    expect(await screen.findByText('1.01 m')).toBeTruthy();
    expect(screen.getByText('47 mm').parentElement!.textContent).toBe('47 mmof tail (no rule)');
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

describe('the shelf', () => {
  const names = () => screen.getAllByRole('heading', { level: 3 }).map((h) => h.textContent);

  test('holds every knot by family; the name, the family and the purpose narrow it, and stay in the address', async () => {
    const { router } = show(<Shelf />, '/tie', '/tie');
    await screen.findByText(`${ENTRIES.length} knots, laid out so that every crossing can be read`);
    expect(names()).toHaveLength(ENTRIES.length);
    fireEvent.change(screen.getByLabelText('Family'), { target: { value: 'stopper' } });
    expect(names()).toHaveLength(7);
    fireEvent.change(screen.getByLabelText(/^Name/), { target: { value: 'fig 9' } });
    expect(names()).toEqual(['Figure-nine stopper']);
    fireEvent.change(screen.getByLabelText('Family'), { target: { value: '' } });
    fireEvent.change(screen.getByLabelText('Purpose'), { target: { value: 'end-loop' } });
    expect(names()).toEqual(['Figure-nine on a bight']);
    expect(router.state.location.search).toBe('?name=fig+9&purpose=end-loop');
  });

  test('asks which is meant where one name stands for several; nothing found can be undone', async () => {
    show(<Shelf />, '/tie', '/tie?name=Double%20overhand');
    expect(
      await screen.findByRole('heading', {
        name: '“Double overhand” is said of more than one knot. Which do you mean?',
      }),
    ).toBeTruthy();
    expect(screen.getByText('a noose with two turns').closest('a')!.getAttribute('href')).toBe('/tie/barrel-noose');
    expect(
      screen
        .getByText(/double fisherman’s\)/)
        .closest('a')!
        .getAttribute('href'),
    ).toBe('/tie/double-fishermans');
    fireEvent.change(screen.getByLabelText(/^Name/), { target: { value: 'sheepdog' } });
    expect(screen.queryByRole('heading', { name: /Which do you mean/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Show all knots' }));
    expect(names()).toHaveLength(ENTRIES.length);
  });

  test('a sheet shows both faces of every knot, set; it stays in the address', async () => {
    const { router } = show(<Shelf />, '/tie', '/tie?family=bend');
    // a page each of those that are shown, for the job's rope
    const booklet = new URL((await screen.findByRole<HTMLAnchorElement>('link', { name: 'A5' })).href);
    expect(booklet.pathname).toBe('/api/v1/cards.pdf');
    expect(
      booklet.searchParams
        .get('knots')!
        .split(',')
        .every((id) => ENTRIES.find((e) => e.id === id)!.family === 'bend'),
    ).toBe(true);
    expect([
      booklet.searchParams.get('paper'),
      booklet.searchParams.get('hand'),
      booklet.searchParams.get('way'),
    ]).toEqual(['a5', 'right', null]);
    fireEvent.click(await screen.findByRole('button', { name: 'sheet: both faces, set' }));
    expect(router.state.location.search).toContain('show=sheet');
    const faces = screen
      .getAllByRole('img', { name: /^Square knot, (front|back), set$/ })
      .map((img) => new URL(img.getAttribute('src')!, 'http://x').searchParams);
    expect(faces.map((q) => [q.get('face'), q.get('state')])).toEqual([
      ['front', 'tight'],
      ['back', 'tight'],
    ]);
  });
});

describe('two knots compared', () => {
  const range = { low: 10, value: 11, high: 12 };
  const measures = { of: 'rope-diameter', in_knot: range, girth: range, width: range, length: range };
  const reply = (id: string) => ({
    ...entryById(id),
    catalogue_version: 3,
    family_name: FAMILIES[entryById(id).family],
    faults_with_shape: [],
    wraps: [],
    tied_to: null,
    drawn_up_here: true,
    path_in_words: '',
    crossings: { count: 1 },
    measures,
  });
  const answers = { 'GET /knots/prusik': reply('prusik'), 'GET /knots/klemheist': reply('klemheist') };

  test('faces side by side; what differs in two cells, what is the same in one; a pull that an entry does not grade is not known', async () => {
    show(<Compare />, '/tie/compare', '/tie/compare?a=prusik&b=klemheist', answers);
    expect(await screen.findAllByRole('img', { name: /^(Prusik|Klemheist), (front|back), set$/ })).toHaveLength(4);
    const row = (name: string) =>
      [...screen.getByRole('rowheader', { name }).closest('tr')!.querySelectorAll('td')].map((td) => td.textContent);
    expect(row('Family')).toEqual(['both: friction hitch']);
    expect(row('upward')).toEqual([
      'made for it, wraps flat and alike, tested on a short hard pull',
      'fails, the other way; it slides: one way only',
    ]);
    expect(screen.queryByRole('rowheader', { name: 'eye pulled apart' })).toBeNull();
  });

  test('the choice stays in the address; the same knot twice is asked for again', async () => {
    const { router } = show(<Compare />, '/tie/compare', '/tie/compare?a=prusik', answers);
    fireEvent.change(await screen.findByLabelText('The other'), { target: { value: 'klemheist' } });
    expect(router.state.location.search).toBe('?a=prusik&b=klemheist');
    fireEvent.change(screen.getByLabelText('The other'), { target: { value: 'prusik' } });
    expect(screen.getByText('Choose different knots.')).toBeTruthy();
  });
});

describe('a knot’s page', () => {
  const range = { low: 10, value: 11, high: 12 };
  const measures = {
    of: 'rope-diameter',
    in_knot: range,
    girth: range,
    width: range,
    length: { low: 5, value: 5, high: 5 },
  };
  const page = (id: string, change: object = {}) =>
    show(<Tie />, '/tie/:knot', `/tie/${id}`, {
      [`GET /knots/${id}`]: {
        ...entryById(id),
        catalogue_version: 2,
        family_name: 'family',
        faults_with_shape: [],
        wraps: [],
        tied_to: null,
        drawn_up_here: true,
        path_in_words: 'Over at 1.',
        crossings: { count: 1 },
        measures,
        ...change,
      },
    });

  test('both faces, facts with their source, the size on the job’s rope, its shape to take along', async () => {
    page('alpine-butterfly', { faults_with_shape: ['false-butterfly'] });
    await screen.findByRole('heading', { name: 'Both faces, laid out' });
    expect(screen.getAllByRole('img', { name: /^Alpine butterfly, (front|back)\. Over at 1\.$/ })).toHaveLength(2);
    expect(screen.getByText(/eye pulled apart: will do/)).toBeTruthy();
    expect(screen.getAllByTitle('from practice').length).toBeGreaterThan(5);
    expect(screen.getByRole('button', { name: /Check one/ })).toBeTruthy();
    expect(screen.getByText('To adjust')).toBeTruthy();
    expect(screen.getByText('Look again')).toBeTruthy();
    // 10.2 mm: rounded up, low to high
    expect(screen.getByText(/it is about 51 mm long, 102–123 mm wide and 102–123 mm round/)).toBeTruthy();
    for (const [name, file] of [
      ['glTF', 'shape.glb'],
      ['OBJ', 'shape.obj'],
      ['SVG', 'picture.svg'],
      ['JSON', 'shape'],
    ] as const)
      expect(screen.getByRole('link', { name }).getAttribute('href')).toContain(
        `/alpine-butterfly/${file}?state=tight`,
      );
  });

  test('a fault beside the right form: one scale, one face, turned over together, a ring where they differ', async () => {
    page('alpine-butterfly', { faults_with_shape: ['false-butterfly', 'loose'] });
    const pair = async (face: string) =>
      (await screen.findAllByRole('img', { name: new RegExp(`, ${face}, (right|wrong)`) })).map(
        (img) => new URL(img.getAttribute('src')!, 'http://x').searchParams,
      );
    const [right, wrong] = await pair('front');
    expect([right!.get('fault'), right!.get('fit'), right!.get('ring')]).toEqual([null, 'false-butterfly', 'differs']);
    expect([wrong!.get('fault'), wrong!.get('fit'), wrong!.get('ring')]).toEqual([
      'false-butterfly',
      'right',
      'differs',
    ]);
    fireEvent.click(screen.getByRole('button', { name: /Turn both over/ }));
    for (const q of await pair('back')) expect([q.get('face'), q.get('state')]).toEqual(['back', 'laid']);
    // laid out, a condition of the set knot shows nothing; set, it can be chosen
    expect(screen.queryByRole('button', { name: 'not set' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Show them set' }));
    fireEvent.click(await screen.findByRole('button', { name: 'not set' }));
    for (const q of await pair('front')) expect(q.get('state')).toBe('tight');
  });

  test('a form that is not settled says so first', async () => {
    page('bowline-yosemite');
    const notice = await screen.findByText('Not settled.');
    expect(notice.closest('.notice')!.textContent).toContain('one derivation');
  });

  test('wraps are chosen where there is a choice, and the pictures follow', async () => {
    page('barrel-noose', { wraps: [2, 3] });
    fireEvent.click(await screen.findByLabelText('3'));
    for (const img of screen
      .getAllByRole('img', { name: /^Barrel noose, (front|back)/ })
      .filter((i) => i.tagName === 'IMG'))
      expect(img.getAttribute('src')).toContain('wraps=3');
  });
});
