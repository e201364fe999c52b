import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { openDesk } from '../store';
import { show } from '../testing/fakeServer';
import { ENTRIES } from '../../core/knots/catalogue/entries';
import { entryById } from '../../core/knots/catalogue/lookup';
import { FAMILIES } from '../../core/knots/facts/types';
import { Compare } from './tie/Compare';
import { Shelf } from './tie/Shelf';
import { Tie } from './tie/Tie';

beforeEach(() => {
  openDesk(null);
  localStorage.clear();
});
afterEach(cleanup);

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

  test('a name that is not its own here leads to the knot; so do a fault and a way, to their places', async () => {
    show(<Shelf />, '/tie', '/tie?name=french%20prusik');
    const also = () =>
      screen.queryAllByRole('listitem').map((li) => [li.textContent, li.querySelector('a')!.getAttribute('href')]);
    await screen.findByRole('heading', { name: '“french prusik” is also said of' });
    expect(also()).toEqual([['French prusik: here Autoblock', '/tie/autoblock']]);
    expect(names()).toEqual(['Autoblock']);
    const type = (value: string) => fireEvent.change(screen.getByLabelText(/^Name/), { target: { value } });
    type('dragonfly');
    expect(also()).toEqual([
      ['false butterfly: a fault of Alpine butterfly', '/tie/alpine-butterfly?fault=false-butterfly'],
    ]);
    expect(screen.getByText('No knot on the shelf has that name.')).toBeTruthy();
    type('turns on the hand');
    for (const [text, href] of also())
      expect([text, href]).toEqual([
        expect.stringMatching(/: a way of /),
        expect.stringMatching(/^\/tie\/[a-z-]+\/ways\/[a-z-]+$/),
      ]);
    expect(also().length).toBeGreaterThan(0);
    // too many to read through are counted
    type('tail');
    expect(screen.getByText(/^and \d+ more: go on typing$/)).toBeTruthy();
    type('');
    expect(screen.queryByRole('heading', { name: /also said of/ })).toBeNull();
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
  const page = (path: string, change: object = {}) => {
    const id = path.split('?')[0]!;
    return show(<Tie />, '/tie/:knot', `/tie/${path}`, {
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
  };

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

  test('who is led there by a fault sees that one held against the right form', async () => {
    const scrolled = jest.fn();
    Element.prototype.scrollIntoView = scrolled;
    const shape = { faults_with_shape: ['false-butterfly', 'eye-pulled-through'] };
    const pressed = async (path: string) => {
      page(path, { ...shape });
      return (await screen.findByRole('group', { name: 'Held against' })).querySelector('[aria-pressed=true]')!
        .textContent;
    };
    expect(await pressed('alpine-butterfly')).toBe('false butterfly');
    expect(scrolled).not.toHaveBeenCalled();
    cleanup();
    expect(await pressed('alpine-butterfly?fault=eye-pulled-through')).toBe('eye pulled back through');
    expect(scrolled).toHaveBeenCalledTimes(1);
    cleanup();
    // one that it does not have is passed over
    expect(await pressed('alpine-butterfly?fault=half-finished')).toBe('false butterfly');
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
