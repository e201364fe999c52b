import { beforeEach, describe, expect, test } from '@jest/globals';
import { openDesk, store } from './index';
import { jobChanged, knotTaken, ropeTaken } from './job';
import { pointAnswered, walkBegun, walkChanged, walkEnded, type Walk } from './walks';
import { fieldMessage, refusalText } from './api';

const walk: Walk = {
  id: 'w',
  tiedKnot: 'k',
  knot: 'bowline-locked',
  rope: 'r',
  ropeTag: 'NL-07',
  rope_diameter_mm: 10,
  place: 'loft',
  tiedBy: 'p',
  tiedAt: '2026-05-14T09:00:00.000Z',
  profile: 'sport-crag',
  profileVersion: 1,
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
const dispatch = (action: Parameters<typeof store.dispatch>[0]) => store.dispatch(action);
const getState = () => store.getState();
beforeEach(() => {
  openDesk(null);
  localStorage.clear();
});

describe('a person’s desk', () => {
  test('is kept on the device and found again', () => {
    openDesk('tove');
    dispatch(jobChanged({ untie: 'after-hard-falls' }));
    dispatch(walkBegun(walk));
    dispatch(pointAnswered({ id: 'w', answer: { point: 'front', found: 'right' } }));
    openDesk(null);
    expect(getState().walks).toEqual([]);
    openDesk('tove');
    expect(getState().job.job.untie).toBe('after-hard-falls');
    expect(getState().walks[0]!.answers).toEqual([{ point: 'front', found: 'right' }]);
  });

  test('of one is not seen by another', () => {
    openDesk('tove');
    dispatch(walkBegun(walk));
    openDesk('rask');
    expect(getState().walks).toEqual([]);
    expect(getState().job.job.untie).toBe('any');
  });

  test('broken storage is an empty desk, not an error', () => {
    localStorage.setItem('idiom.work.tove', '{"walks":');
    openDesk('tove');
    expect(getState().walks).toEqual([]);
    openDesk(null);
    localStorage.setItem('idiom.work.tove', '{"walks":7,"job":{}}');
    openDesk('tove');
    expect([getState().walks, getState().job.job.purpose]).toEqual([[], 'tie-in']);
  });

  test('a change in another tab is taken over', () => {
    openDesk('tove');
    dispatch(walkBegun(walk));
    const other = JSON.stringify({ job: getState().job, walks: [] });
    localStorage.setItem('idiom.work.tove', other);
    window.dispatchEvent(new StorageEvent('storage', { key: 'idiom.work.tove', newValue: other }));
    expect(getState().walks).toEqual([]);
  });
});

describe('a walk', () => {
  beforeEach(() => {
    openDesk('tove');
    dispatch(walkBegun(walk));
  });
  test('an answer given again replaces the first', () => {
    dispatch(pointAnswered({ id: 'w', answer: { point: 'front', found: 'right' } }));
    dispatch(pointAnswered({ id: 'w', answer: { point: 'front', found: 'pair-crossed' } }));
    expect(getState().walks[0]!.answers).toEqual([{ point: 'front', found: 'pair-crossed' }]);
  });
  test('changes only itself, and ends', () => {
    dispatch(walkBegun({ ...walk, id: 'v' }));
    dispatch(walkChanged({ id: 'w', note: 'wet' }));
    expect(getState().walks.map((w) => w.note)).toEqual(['', 'wet']);
    dispatch(walkEnded('w'));
    expect(getState().walks.map((w) => w.id)).toEqual(['v']);
  });
});

test('taking a rope from the store takes its kind and diameter into the job', () => {
  openDesk('tove');
  dispatch(ropeTaken({ id: 'r', tag: 'NL-03', kind: 'low-stretch', diameter_mm: 10.5 }));
  expect(getState().job).toMatchObject({
    rope: { id: 'r', tag: 'NL-03' },
    job: { rope: { kind: 'low-stretch', diameter_mm: 10.5 } },
  });
  dispatch(ropeTaken(null));
  dispatch(knotTaken('bowline'));
  expect(getState().job).toMatchObject({ rope: null, knot: 'bowline', job: { rope: { diameter_mm: 10.5 } } });
});

test('refusals are put in words; a field finds its own', () => {
  const refusal = {
    status: 400,
    data: {
      title: 'The request has faults',
      detail: 'x',
      code: 'bad-input',
      errors: [{ path: 'tag', message: 'is taken' }],
    },
  };
  expect(refusalText(refusal)).toBe('The request has faults. tag: is taken');
  expect([fieldMessage(refusal, 'tag'), fieldMessage(refusal, 'name'), fieldMessage(undefined, 'tag')]).toEqual([
    'is taken',
    undefined,
    undefined,
  ]);
  expect(refusalText({ status: 'FETCH_ERROR' })).toContain('Nothing is lost');
  expect(refusalText({ status: 500, data: 'gateway' })).toContain('could not be read');
});
