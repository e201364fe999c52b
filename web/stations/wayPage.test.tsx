import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { entryById } from '../../core/knots/catalogue/lookup';
import { store } from '../store';
import { show } from '../testing/fakeServer';
import { Projector } from './tie/Projector';
import { WayPage } from './tie/WayPage';

const BOWLINE = { ...entryById('bowline'), drawn_up_here: true, wraps: [], measures: null };
const STEPS = [
  ['Through the object.', 'holds the standing part', 'leads the end'],
  ['A small loop.', 'turns the loop', 'holds the end'],
] as const;
/** Two steps of two key frames each, and one state after them. */
const WAY = {
  path: 'changes',
  making: 'end',
  form: 'right',
  box_ropeDiameters: [-4, -2, 12, 8],
  right: true,
  ends_in: null,
  then: [
    { state: 'tight', caption: 'Set it: each strand.', hands: { left: 'holds', right: 'pulls' }, moving: 'strands' },
  ],
  frames: [0, 1, 2, 3, 4].map((k) => {
    const step = k <= 2 ? 0 : 1;
    const [caption, left, right] = STEPS[step];
    return {
      key: true,
      step,
      come_ropeDiameters: [k],
      caption,
      hands: { left, right },
      moving: 'the end',
      camera: {
        yaw_deg: 0,
        pitch_deg: 0,
        right_ropeDiameters: 0,
        up_ropeDiameters: 0,
        width_ropeDiameters: 12,
        height_ropeDiameters: 8,
      },
      palm: null,
      joint: null,
      components: [
        {
          name: 'rope',
          role: 'rope',
          closed: false,
          diameter: 1,
          points: [0, 1, 2, 3, 4, 5].map((x) => [x, x > 3 ? k : 0, 0]),
          marks: {},
        },
      ],
    };
  }),
};
const ANSWERS = {
  'GET /knots/bowline': BOWLINE,
  'GET /knots/bowline/ways/loop': WAY,
  'GET /knots/bowline/look-alikes': [],
};
const open = (search = '', answers: object = {}) =>
  show(<WayPage />, '/tie/:knot/ways/:way', `/tie/bowline/ways/loop${search}`, { ...ANSWERS, ...answers });
const stepTag = () => document.querySelector('.stage .tag')!.textContent;

class Events {
  static last: Events | null = null;
  onmessage: ((e: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  closed = false;
  constructor(readonly url: string) {
    Events.last = this;
  }
  close() {
    this.closed = true;
  }
}
beforeEach(() => {
  // no WebGL here: the flat picture stands
  HTMLCanvasElement.prototype.getContext = (() => null) as never;
  localStorage.clear();
  (globalThis as { EventSource?: unknown }).EventSource = Events;
});
afterEach(cleanup);

describe('a way of tying', () => {
  test('goes step by step by key and by button, to the set knot; what it says and what it shows go together', async () => {
    open();
    await screen.findByText('Step 1 of 3');
    fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(stepTag()).toBe('Step 2 of 3');
    expect(screen.getAllByText('A small loop.').length).toBeGreaterThan(0);
    expect(screen.getByLabelText<HTMLInputElement>('How far it is tied').value).toBe('4');
    // a pedal sends a page key
    fireEvent.keyDown(document.body, { key: 'PageDown' });
    expect(stepTag()).toBe('Step 3 of 3');
    expect(screen.getByRole('img', { name: 'Set it: each strand.' }).getAttribute('src')).toContain('state=tight');
    expect(screen.getByRole('heading', { name: 'Finished, it shows' })).toBeTruthy();
    for (const f of BOWLINE.faces) expect(screen.getByText(f.shows)).toBeTruthy();
    fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(stepTag()).toBe('Step 3 of 3');
    fireEvent.click(screen.getByRole('button', { name: 'Step 1' }));
    expect(stepTag()).toBe('Step 1 of 3');
    expect(screen.getByRole('button', { name: /^Step back/ })).toHaveProperty('disabled', true);
  });

  test('by the left hand the hands are exchanged, and every link is to the mirrored picture', async () => {
    const { router } = open();
    await screen.findByText('Step 1 of 3');
    expect(screen.getByText(/leads the end/).textContent).toContain('Right hand leads the end');
    fireEvent.keyDown(document.body, { key: 'm' });
    expect(stepTag()).toContain('mirrored for left-handers');
    expect(router.state.location.search).toContain('hand=left');
    expect(screen.getByText(/leads the end/).textContent).toContain('Left hand leads the end');
    expect(screen.getByRole('link', { name: 'This frame as SVG' }).getAttribute('href')).toContain('hand=left');
    // with the rules and the rope of the job, on either paper
    const { job } = store.getState().job;
    for (const [name, paper] of [
      ['A5', 'a5'],
      ['half letter', 'half-letter'],
    ] as const) {
      const url = new URL(screen.getByRole<HTMLAnchorElement>('link', { name }).href);
      expect([url.pathname, Object.fromEntries(url.searchParams)]).toEqual([
        '/api/v1/knots/bowline/card.pdf',
        {
          paper,
          hand: 'left',
          way: 'loop',
          profile: job.profile,
          rope_diameter_mm: String(job.rope.diameter_mm),
          rope_kind: job.rope.kind,
        },
      ]);
    }
  });

  test('tied along, the space key is the next step; a step without its picture says its caption, and then the name alone', async () => {
    open();
    await screen.findByText('Step 1 of 3');
    fireEvent.click(screen.getByRole('button', { name: 'Tie along' }));
    for (let k = 0; k < 4; k++) fireEvent.click(screen.getByRole('button', { name: 'Less help' }));
    expect(document.querySelector('.no-picture')!.textContent).toBe('Bowline');
    expect(screen.queryByText('Through the object.')).toBeNull();
    fireEvent.keyDown(document.body, { key: ' ' });
    expect(stepTag()).toContain('Step 2 of 3');
    expect(document.querySelector('.no-picture')!.textContent).toBe('A small loop.');
    fireEvent.click(screen.getByRole('button', { name: 'I stopped here' }));
    expect(screen.getByText(/^2 · stopped here$/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Leave tying along' }));
    expect(document.querySelector('.no-picture')).toBeNull();
  });

  test('a wrong way says so; a way that there is not is told as that', async () => {
    open('', {
      'GET /knots/bowline': {
        ...BOWLINE,
        ways: [{ id: 'loop', name: 'Wrong', right: false, ends_in: { fault: BOWLINE.faults[0]!.id } }],
      },
      'GET /knots/bowline/ways/loop': {
        ...WAY,
        right: false,
        ends_in: { fault: BOWLINE.faults[0]!.id },
        form: BOWLINE.faults[0]!.id,
      },
    });
    expect((await screen.findByText('Wrong on purpose.')).parentElement!.textContent).toContain(
      BOWLINE.faults[0]!.name,
    );
    // set, the wrong knot is shown, never the right one
    fireEvent.click(screen.getByRole('button', { name: 'Step 3' }));
    expect(screen.getByRole('img', { name: 'Set it: each strand.' }).getAttribute('src')).toContain(
      `fault=${BOWLINE.faults[0]!.id}`,
    );
    cleanup();
    open('', { 'GET /knots/bowline/ways/loop': 404 });
    expect(await screen.findByRole('heading', { name: 'Not here' })).toBeTruthy();
  });

  test('is read aloud where the browser can, and only when it is asked for', async () => {
    const spoken: string[] = [];
    const speech = { cancel: jest.fn(), speak: (u: { text: string }) => spoken.push(u.text) };
    Object.assign(window, { speechSynthesis: speech });
    Object.assign(globalThis, {
      SpeechSynthesisUtterance: class {
        lang = '';
        constructor(readonly text: string) {}
      },
    });
    open();
    await screen.findByText('Step 1 of 3');
    expect(spoken).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: 'Read aloud' }));
    fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    expect(spoken).toEqual(['Through the object.', 'A small loop.']);
  });

  test('two steps that say the same are two steps', async () => {
    const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    open('', {
      'GET /knots/bowline/ways/loop': {
        ...WAY,
        frames: WAY.frames.map((f) => ({ ...f, caption: 'In through its turns.' })),
      },
    });
    await screen.findByText('Step 1 of 3');
    expect(screen.getAllByRole('button', { name: /^Step \d$/ })).toHaveLength(3);
    expect(complained.mock.calls.filter(([first]) => String(first).includes('same key'))).toEqual([]);
    complained.mockRestore();
  });

  test('shown on another screen it tells where it stands whenever that changes', async () => {
    const { sent } = open('', {
      'POST /shows': { code: '654321', ends_at: '2026-05-14T18:00:00.000Z' },
      'POST /shows/654321': { screens: 2 },
    });
    await screen.findByText('Step 1 of 3');
    fireEvent.click(screen.getByRole('button', { name: 'Show on another screen' }));
    expect(await screen.findByText('654321')).toBeTruthy();
    fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({
        path: '/shows/654321',
        body: { knot: 'bowline', way: 'loop', at_keyFrames: 4, then: null, hand: 'right' },
      }),
    );
    fireEvent.keyDown(document.body, { key: 'ArrowRight' });
    await waitFor(() => expect(sent.at(-1)!.body).toMatchObject({ then: 0 }));
    expect(await screen.findByText(/2 screens follow/)).toBeTruthy();
  });
});

describe('the other screen', () => {
  const STATE = {
    knot: 'bowline',
    way: 'loop',
    at_keyFrames: 0,
    then: null,
    hand: 'right',
    face: 'front',
    ghost: true,
    hands: true,
  };
  const push = (state: object) => act(() => Events.last!.onmessage!({ data: JSON.stringify(state) }));

  test('asks for a code of six digits, then follows what is pushed', async () => {
    const { router } = show(<Projector />, '/projector', '/projector', ANSWERS);
    const code = await screen.findByLabelText<HTMLInputElement>('Code, six digits');
    fireEvent.change(code, { target: { value: '12a34' } });
    expect(code.value).toBe('1234');
    // a code that is too short is said to be, beside it, and goes nowhere
    fireEvent.click(screen.getByRole('button', { name: 'Follow' }));
    expect(screen.getByRole('alert').textContent).toBe('A code has six digits; these are 4.');
    expect([code.getAttribute('aria-invalid') ?? code.className, router.state.location.search]).toEqual([
      expect.stringMatching(/true|is-invalid/),
      '',
    ]);
    fireEvent.change(code, { target: { value: '123456' } });
    expect(screen.queryByRole('alert')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Follow' }));
    await screen.findByText('Waiting for what is shown.');
    expect([router.state.location.search, Events.last!.url]).toEqual(['?code=123456', '/api/v1/shows/123456/events']);
    push(STATE);
    expect(await screen.findByText('1 / 3')).toBeTruthy();
    push({ ...STATE, at_keyFrames: 4, then: 0 });
    expect(await screen.findByText('3 / 3')).toBeTruthy();
    expect(screen.getByText('Set it: each strand.')).toBeTruthy();
    // what is no state is not taken; where the line goes it says so, and stands where it stood
    push({ knot: 'bowline' });
    act(() => Events.last!.onerror!());
    expect(screen.getByRole('status').textContent).toContain('The line is gone');
    expect(screen.getByText('3 / 3')).toBeTruthy();
  });

  test('says so where there is no show under the code, and lets go when it is closed', async () => {
    show(<Projector />, '/projector', '/projector?code=111111', ANSWERS);
    await screen.findByText('Waiting for what is shown.');
    act(() => Events.last!.onerror!());
    expect(screen.getByText(/There is no show under this code/)).toBeTruthy();
    cleanup();
    expect(Events.last!.closed).toBe(true);
  });
});
