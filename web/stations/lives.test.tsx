import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { PERSON, ROPE, show, TIER } from '../testing/fakeServer';
import { RoundWalk } from './check/RoundWalk';
import { SecondLook } from './check/SecondLook';
import { Import } from './log/Import';
import { RopePage } from './log/RopePage';
import { Timelines } from './log/Timelines';
import { Verify } from './log/Verify';

afterEach(cleanup);

const LIFE = { length_m: 60, retired: null, hard_falls: 0, cut_m: 0, last_looked_over: null, damages: [] };
const lifeOf = (life: object = {}, rope: object = {}) => ({
  rope: { ...ROPE, ...rope },
  life: { ...LIFE, ...life },
  entries: [],
  knots_in_it: [],
  open_findings: [],
});

describe('a rope', () => {
  const at = `/log/ropes/${ROPE.id}`;
  test('damage is sent with its place; a decimal comma is read', async () => {
    const { sent } = show(<RopePage />, '/log/ropes/:id', at, {
      [`GET /ropes/${ROPE.id}`]: lifeOf(),
      [`POST /ropes/${ROPE.id}/events`]: { id: 'x', sequence: 1, sha256: 'a', verdict: null, again: false },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Damage found' }));
    fireEvent.change(screen.getByLabelText(/^Where, metres/), { target: { value: '12,5' } });
    fireEvent.change(screen.getByLabelText('What was seen'), { target: { value: 'sheath cut' } });
    fireEvent.click(screen.getByRole('button', { name: 'Record it' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ event: 'damaged', at_m: 12.5, note: 'sheath cut' });
  });

  test('is retired only at the second press; damage is looked into only where there is some', async () => {
    const { sent } = show(<RopePage />, '/log/ropes/:id', at, {
      [`GET /ropes/${ROPE.id}`]: lifeOf(),
      [`POST /ropes/${ROPE.id}/events`]: { id: 'x', sequence: 1, sha256: 'a', verdict: null, again: false },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Retired' }));
    expect(screen.queryByRole('button', { name: /^Damage looked into/ })).toBeNull();
    fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'old' } });
    fireEvent.click(screen.getByRole('button', { name: 'Retire it' }));
    expect(sent).toHaveLength(0);
    fireEvent.click(screen.getByRole('button', { name: 'Retire it for good' }));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ event: 'retired', note: 'old' }));
  });

  test('with open damage says so in words, and shows where', async () => {
    show(<RopePage />, '/log/ropes/:id', at, {
      [`GET /ropes/${ROPE.id}`]: lifeOf(
        {
          damages: [
            { id: 'd', at_m: 12.5, over_m: 0, note: 'sheath cut', found_at: '2026-05-14T09:00:00.000Z', settled: null },
          ],
        },
        { state: 'damaged', open_damages: 1 },
      ),
    });
    expect(await screen.findByText('damaged: never for a life load')).toBeTruthy();
    expect(screen.getByRole('img', { name: /Open damage at 12.5 m from the tagged end/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Damage looked into/ })).toBeTruthy();
  });
});

describe('a round', () => {
  const stop = {
    place: 'Mast foot',
    knot: 'clove-hitch',
    rope: null,
    rope_tag: null,
    check: null,
    hangs_there: null,
    why_not: '',
  };
  const walk = {
    id: 'w',
    round: 'r',
    name: 'North light',
    begun_by: PERSON.id,
    begun_by_name: PERSON.name,
    begun_at: '2026-05-14T09:00:00.000Z',
    finished_at: null,
    stops_count: 2,
    reached: 0,
    stops: [stop, { ...stop, place: 'Gallery' }],
    finished: null,
  };
  test('is finished with why a place was not reached; one without a reason is sent without', async () => {
    const { sent } = show(<RoundWalk />, '/check/rounds/:id', '/check/rounds/w', {
      'GET /round-walks/w': walk,
      'POST /round-walks/w/finish': { id: 'x', sequence: 1, sha256: 'a', verdict: null, again: false },
    });
    expect((await screen.findByRole('region', { name: 'Next stop' })).textContent).toContain('Mast foot');
    fireEvent.click(screen.getByRole('button', { name: 'Finish the round' }));
    fireEvent.change(screen.getByLabelText(/^Gallery/), { target: { value: 'sea' } });
    fireEvent.click(screen.getByRole('button', { name: 'Record the round' }));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ why_not: [{ stop: 1, why: 'sea' }] }));
  });
});

describe('the second person', () => {
  const asked = {
    check: 'c',
    tied_knot: 'k',
    knot: 'bowline',
    rope: ROPE.id,
    rope_tag: 'NL-07',
    rope_diameter_mm: 10,
    place: 'loft',
    tied_by: TIER.id,
    tied_by_words: null,
    tied_at: '2026-05-14T09:00:00.000Z',
    checker: PERSON.id,
    corrector: null,
    profile: 'sport-crag',
    profile_version: 3,
    stopper: false,
    use: 'tie-in',
    companions: [],
    rope_kind: 'dynamic',
    judging: 2,
    fist_mm: 100,
    hand: 'right',
  };
  const third = { ...PERSON, id: '44444444-4444-4444-8444-444444444444', handle: 'rask', name: 'Rask Quillon' };
  test('is neither who tied it, nor the first checker, nor a learner; without one nothing begins', async () => {
    const { router } = show(<SecondLook />, '/check/second/:check', '/check/second/c', {
      'GET /checks/c/to-look-at': asked,
      'GET /people': [PERSON, TIER, third],
    });
    const select = await screen.findByLabelText('Who looks');
    expect([...select.querySelectorAll('option')].map((o) => o.textContent)).toEqual([
      'choose',
      'Rask Quillon, on this device',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Begin to look' }));
    expect(screen.getByText('who looks?')).toBeTruthy();
    fireEvent.change(select, { target: { value: third.id } });
    fireEvent.click(screen.getByRole('button', { name: 'Begin to look' }));
    await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/check\/[0-9a-f-]{36}$/));
  });
});

test('a file with a wrong cell is shown and cannot be read in', async () => {
  const { sent } = show(<Import />, '/log/import/:what', '/log/import/ropes', {
    'POST /imports': {
      columns: ['tag'],
      rows: [
        { row: 2, values: { tag: 'A' }, errors: [] },
        { row: 3, values: { tag: '' }, errors: [{ column: 'tag', message: 'is empty' }] },
      ],
      errors: 1,
      read_in: false,
      first_passwords: [],
    },
  });
  fireEvent.change(await screen.findByLabelText('or the text itself'), { target: { value: 'tag\nA\n,' } });
  expect(await screen.findByText('tag: is empty')).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Read all 2 in' }).disabled).toBe(true);
  expect(sent.map((s) => (s.body as { commit: boolean }).commit)).toEqual([false]);
});

const looked = (rows: { tag: string; wrong?: string }[], read_in = false) => ({
  columns: ['tag'],
  rows: rows.map(({ tag, wrong }, i) => ({
    row: i + 2,
    values: { tag },
    errors: wrong ? [{ column: 'tag', message: wrong }] : [],
  })),
  errors: rows.filter((r) => r.wrong).length,
  read_in,
  first_passwords: [],
});

test('what is wrong in a file stands first, however far down it is', async () => {
  const rows = Array.from({ length: 80 }, (_, i) => ({
    tag: `R-${i}`,
    ...(i === 77 && { wrong: 'is there already' }),
  }));
  show(<Import />, '/log/import/:what', '/log/import/ropes', { 'POST /imports': looked(rows) });
  fireEvent.change(await screen.findByLabelText('or the text itself'), { target: { value: 'tag\nA' } });
  expect(await screen.findByText('tag: is there already')).toBeTruthy();
  expect(screen.getAllByRole('rowheader')[0]!.textContent).toBe('79');
  expect(screen.getByText('and 20 more rows')).toBeTruthy();
});

test('a file is read in under the reading that was looked at; another file is another reading', async () => {
  const { sent } = show(<Import />, '/log/import/:what', '/log/import/ropes', {
    'POST /imports': looked([{ tag: 'A' }]),
  });
  const text = await screen.findByLabelText('or the text itself');
  fireEvent.change(text, { target: { value: 'tag\nA' } });
  await screen.findByText('1 rows, nothing wrong.');
  fireEvent.change(text, { target: { value: 'tag\nB' } });
  await waitFor(() => expect(sent).toHaveLength(2));
  await screen.findByText('1 rows, nothing wrong.');
  fireEvent.click(screen.getByRole('button', { name: 'Read all 1 in' }));
  await waitFor(() => expect(sent).toHaveLength(3));
  const [first, second, third] = sent.map((s) => s.body as { id: string; csv: string; commit: boolean });
  expect(second!.id).not.toBe(first!.id);
  expect(third).toMatchObject({ id: second!.id, csv: 'tag\nB', commit: true });
});

test('the record in sum says how many tails missed their limit', async () => {
  const tail = {
    check: 'c',
    seen_at: '2026-05-14T09:00:00.000Z',
    knot: 'bowline',
    rope_tag: 'NL-07',
    profile: 'sport-crag',
    tail_mm: 80,
    margin_mm: -25,
    verdict: 'put-right',
  };
  show(<Timelines />, '/log/timelines', '/log/timelines', {
    'GET /checks/statistics': {
      from: '2026-03-01T00:00:00.000Z',
      to: '2026-05-15T00:00:00.000Z',
      checks: 2,
      verdicts: [{ verdict: 'put-right', checks: 2 }],
      faults: [{ knot: 'bowline', fault: 'tail-short', checks: 1 }],
      by_knot: [{ knot: 'bowline', checks: 2, with_fault: 1 }],
      tails: [tail, { ...tail, check: 'd', margin_mm: 12, seen_at: '2026-05-13T09:00:00.000Z' }],
      open_findings: [],
    },
  });
  expect(await screen.findByRole('img', { name: '2 tails against their limits: 1 missed it' })).toBeTruthy();
  expect(screen.getByText('1 of 2')).toBeTruthy();
});

test.each([
  [{ known: true, as_written: true, recorded_at: '2026-05-14T09:00:00.000Z' }, 'Yes.'],
  [{ known: true, as_written: false, recorded_at: '2026-05-14T09:00:00.000Z' }, 'Its content was altered since.'],
  [{ known: false, as_written: false, recorded_at: null }, 'No.'],
])('a printed page is in the record or not: %p', async (reply, said) => {
  show(<Verify />, '/verify', '/verify?o=x&n=3&h=ab', { 'GET /record/verify': reply });
  expect(await screen.findByText(said)).toBeTruthy();
});
