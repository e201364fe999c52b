import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { openDesk } from '../store';
import { show } from '../testing/fakeServer';
import { WhatIsThis } from './check/WhatIsThis';
import { SpotIt } from './teach/SpotIt';

beforeEach(() => {
  openDesk(null);
  localStorage.clear();
});
afterEach(cleanup);

const UNKNOWN = { crossings: 3, matches: [], near: [], needs: [], undecided: [], invariants: {} };
const NOTHING = {
  ...UNKNOWN,
  said: 'What you entered is unknown: take out and retie.',
  known: [],
};
const OVERHAND = {
  ...NOTHING,
  said: 'What you entered is the Overhand stopper.',
  matches: [{ knot: 'overhand-stopper', fault: null, relation: 'same', certainty: 'lies-as-stored' }],
  known: [
    {
      knot: 'overhand-stopper',
      fault: null,
      name: 'Overhand stopper',
      fault_text: null,
      pulls: [
        {
          pull: 'through',
          grade: 'ok',
          condition: 'set',
          what_happens: 'it holds in a narrow slot',
          source: 'general',
        },
      ],
    },
  ],
};
// the file of the made-up browser cannot be read as text
const file = (name: string, text: string) =>
  Object.assign(new File([text], name), { text: () => Promise.resolve(text) });
const choose = (f: File) => fireEvent.change(screen.getByLabelText(/A shape: OBJ/), { target: { files: [f] } });

describe('what is this', () => {
  test('a file is read, marked and sent; the answer speaks of what was entered', async () => {
    const { sent } = show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=file', {
      'POST /identify': OVERHAND,
    });
    await screen.findByRole('heading', { name: 'What is this?' });
    choose(file('line.obj', 'v 0 0 0\nv 4 0 0\nv 8 1 0\nv 12 0 0\nl 1 2 3 4\n'));
    fireEvent.click(await screen.findByLabelText('There is no eye'));
    fireEvent.click(screen.getByRole('button', { name: 'What is this?' }));
    expect(await screen.findByText('What you entered is the Overhand stopper.')).toBeTruthy();
    expect(sent[0]!.body).toEqual({
      components: [
        {
          name: 'line 1',
          role: 'rope',
          closed: false,
          points: [
            [0, 0, 0],
            [4, 0, 0],
            [8, 1, 0],
            [12, 0, 0],
          ],
          marks: { standing: [0, 1], tail: [2, 3] },
        },
      ],
    });
    expect(screen.queryByText(/This knot is/)).toBeNull();
  });

  test('the other end can be the loaded one', async () => {
    const { sent } = show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=file', {
      'POST /identify': NOTHING,
    });
    await screen.findByRole('heading', { name: 'What is this?' });
    choose(file('line.obj', 'v 0 0 0\nv 4 0 0\nv 8 1 0\nl 1 2 3\n'));
    fireEvent.click(await screen.findByRole('button', { name: 'The other end is loaded' }));
    fireEvent.click(screen.getByRole('button', { name: 'What is this?' }));
    await screen.findByText(NOTHING.said);
    expect((sent[0]!.body as { components: { points: unknown }[] }).components[0]!.points).toEqual([
      [8, 1, 0],
      [4, 0, 0],
      [0, 0, 0],
    ]);
  });

  test('a file in other units is sent in thicknesses of its rope; a thickness of nothing is not taken', async () => {
    const { sent } = show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=file', {
      'POST /identify': NOTHING,
    });
    await screen.findByRole('heading', { name: 'What is this?' });
    choose(file('line.obj', 'v 0 0 0\nv 40 0 0\nv 80 10 0\nl 1 2 3\n'));
    const thickness = await screen.findByLabelText(/How thick the rope is/);
    fireEvent.change(thickness, { target: { value: '0' } });
    expect(screen.getByText('A number above 0.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'What is this?' }) as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(thickness, { target: { value: '10' } });
    fireEvent.click(screen.getByRole('button', { name: 'What is this?' }));
    await screen.findByText(NOTHING.said);
    expect((sent[0]!.body as { components: { points: unknown }[] }).components[0]!.points).toEqual([
      [0, 0, 0],
      [4, 0, 0],
      [8, 1, 0],
    ]);
  });

  test('a part that looks different is opened, and its wrong form shown with what it does', async () => {
    const said = 'What you entered is Bowline with a fault: tail short.';
    const known = [
      {
        knot: 'bowline',
        fault: 'tail-short',
        name: 'Bowline',
        fault_text: {
          name: 'tail short',
          arises: 'a',
          shows: 's',
          verdict: 'put-right',
          what_to_do: 'Draw more tail through.',
          source: 'practice',
        },
        pulls: [],
      },
    ];
    const { router } = show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=touch&knot=bowline', {
      'GET /knots/bowline': { id: 'bowline', names: ['Bowline'], crossings: { count: 2 } },
      'GET /knots/bowline/changes': [
        { fault: 'tail-short', name: 'tail short', part: 'tail', state: 'laid', where: { x: 0, y: 9, radius: 2 } },
        { fault: 'loose', name: 'not set', part: 'set', state: 'tight', where: null },
      ],
      'GET /knots/bowline/touched': {
        components: [],
        identified: {
          ...UNKNOWN,
          matches: [{ knot: 'bowline', fault: 'tail-short', relation: 'same', certainty: 'lies-as-stored' }],
        },
        said,
        known,
      },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'the tail' }));
    expect(screen.queryByRole('button', { name: 'not set' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'tail short' }));
    expect(await screen.findByText(said)).toBeTruthy();
    expect(screen.getByText(/Draw more tail through/)).toBeTruthy();
    expect(screen.getByText(/What it does under a pull: not known/)).toBeTruthy();
    expect(router.state.location.search).toContain('fault=tail-short');
    // a crossing touched after it stands alone
    fireEvent.click(screen.getByRole('button', { name: 'Crossing 2 the other way round' }));
    await waitFor(() => expect(router.state.location.search).toBe('?by=touch&knot=bowline&crossings=2'));
  });

  test('what cannot be read is said, and nothing is sent', async () => {
    const { sent } = show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=file', {});
    await screen.findByRole('heading', { name: 'What is this?' });
    choose(file('line.obj', 'v 0 0 nothing'));
    expect(await screen.findByText(/has no three numbers/)).toBeTruthy();
    for (const text of [
      '{"components": 7}',
      '{"components": []}',
      '{"components": [{"role": "rope", "points": null}]}',
      '{"components": [{"role": "rope", "points": [[0, 0, "x"], [1, 2, 3]]}]}',
      '{',
    ]) {
      choose(file('broken.obj', ''));
      await screen.findByText(/no polyline in it/);
      choose(file('line.json', text));
      expect(await screen.findByText(/neither an OBJ with polylines nor a shape in JSON/)).toBeTruthy();
    }
    expect(sent).toEqual([]);
  });

  test('near forms come only under unknown, as what it is not', async () => {
    show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=hand', {
      'POST /identify': {
        ...NOTHING,
        near: [
          {
            knot: 'figure-eight-stopper',
            fault: null,
            crossing: 2,
            means: 'with this one crossing the other way round',
          },
        ],
      },
    });
    fireEvent.change(await screen.findByLabelText('Front'), { target: { value: 'open: O1+ U1+' } });
    expect((screen.getByRole('button', { name: 'What is this?' }) as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Back'), { target: { value: 'open: U1+ O1+' } });
    fireEvent.click(screen.getByRole('button', { name: 'What is this?' }));
    expect(await screen.findByRole('heading', { name: 'Not this, but close to' })).toBeTruthy();
    expect(screen.getByText(/It is none of them: take out and retie/)).toBeTruthy();
  });

  test('a refusal is said in words', async () => {
    show(<WhatIsThis />, '/check/what-is-this', '/check/what-is-this?by=hand', { 'POST /identify': 400 });
    fireEvent.change(await screen.findByLabelText('Front'), { target: { value: 'x' } });
    fireEvent.change(screen.getByLabelText('Back'), { target: { value: 'x' } });
    fireEvent.click(screen.getByRole('button', { name: 'What is this?' }));
    expect(await screen.findByText(/Refused 400/)).toBeTruthy();
  });
});

const DRILL = {
  seed: 1,
  knot: 'bowline',
  name: 'Bowline',
  state: 'tight',
  hand: 'right',
  face: 'front',
  pictures: { front: '/api/v1/f', back: '/api/v1/b' },
  choices: [
    { fault: 'nip-reversed', name: 'loop made the other way round' },
    { fault: 'loose', name: 'not set' },
  ],
  key: {
    right: false,
    fault: 'nip-reversed',
    text: {
      name: 'loop made the other way round',
      arises: 'a',
      shows: 's',
      verdict: 'take-out-and-retie',
      what_to_do: 'Take it out.',
    },
    verdict: 'take-out-and-retie',
    where: { x: 0, y: 0, radius: 2 },
  },
};
const button = (name: RegExp) => screen.getByRole('button', { name }) as HTMLButtonElement;

describe('spot it', () => {
  test('a fault let pass is a miss; nothing can be decided before both faces were seen', async () => {
    show(<SpotIt />, '/teach', '/teach', { 'POST /drills/next': DRILL });
    await screen.findByRole('heading', { name: 'Spot it' });
    expect(button(/It is right/).disabled).toBe(true);
    fireEvent.click(button(/Turn it over/));
    await waitFor(() => expect(button(/It is right/).disabled).toBe(false));
    fireEvent.click(button(/It is right/));
    expect((await screen.findByTestId('outcome')).textContent).toMatch(/Missed/);
    expect(screen.getByText('missed faults').parentElement!.textContent).toBe('missed faults1');
    expect(screen.getByText('false alarms').parentElement!.textContent).toBe('false alarms0');
  });

  test('found is asked on: what and where; then it is counted once', async () => {
    show(<SpotIt />, '/teach', '/teach', { 'POST /drills/next': DRILL });
    await screen.findByRole('heading', { name: 'Spot it' });
    fireEvent.click(button(/Turn it over/));
    fireEvent.click(button(/Take out and retie/));
    expect(screen.queryByTestId('outcome')).toBeNull();
    fireEvent.click(button(/loop made the other way round/));
    fireEvent.click(button(/I cannot say/));
    expect((await screen.findByTestId('outcome')).textContent).toMatch(/Found and named/);
    expect(screen.getByText('looked at').parentElement!.textContent).toBe('looked at1');
    expect(screen.getByText('named rightly, touched rightly').parentElement!.textContent).toBe(
      'named rightly, touched rightly1, 0',
    );
  });

  test('a right one sent back is a false alarm', async () => {
    show(<SpotIt />, '/teach', '/teach', {
      'POST /drills/next': {
        ...DRILL,
        key: { ...DRILL.key, right: true, fault: null, text: null, verdict: 'meets-the-rule', where: null },
      },
    });
    await screen.findByRole('heading', { name: 'Spot it' });
    fireEvent.click(button(/Turn it over/));
    fireEvent.click(button(/Put right/));
    fireEvent.click(button(/not set/));
    fireEvent.click(button(/I cannot say/));
    expect((await screen.findByTestId('outcome')).textContent).toMatch(/false alarm/);
    expect(screen.getByText('false alarms').parentElement!.textContent).toBe('false alarms1');
  });
});
