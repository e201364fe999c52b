import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { Provider } from 'react-redux';
import { makeStore } from '../store';
import { api } from '../store/api';
import { useAltDigits, useKeys } from './keys';

afterEach(cleanup);
const pressed = jest.fn();
function Page({ go }: { go: (n: number) => void }) {
  useKeys({ f: () => pressed('f'), a: () => pressed('a') });
  useAltDigits(go);
  return (
    <>
      <input aria-label="field" />
      <input type="radio" aria-label="radio" />
      <button>b</button>
    </>
  );
}
async function shown(single_keys: boolean, go: (n: number) => void = () => undefined) {
  const store = makeStore();
  await store.dispatch(
    api.util.upsertQueryData('session', undefined, {
      person: {
        id: 'p',
        handle: 'p',
        name: 'P',
        roles: [],
        fist_mm: 100,
        arm_mm: null,
        hand_mm: null,
        foot_mm: null,
        length_unit: 'mm',
        hand: 'right',
        single_keys,
        calibrated: false,
        has_pin: false,
      },
      organisation: null,
      demo: false,
      setup_open: false,
      must_change_password: false,
    }),
  );
  pressed.mockClear();
  render(
    <Provider store={store}>
      <Page go={go} />
    </Provider>,
  );
}

describe('single keys', () => {
  test('work outside fields, whatever the case, and on buttons and radios', async () => {
    await shown(true);
    fireEvent.keyDown(document.body, { key: 'f' });
    fireEvent.keyDown(screen.getByRole('button'), { key: 'F' });
    fireEvent.keyDown(screen.getByLabelText('radio'), { key: 'a' });
    expect(pressed.mock.calls.flat()).toEqual(['f', 'f', 'a']);
  });
  test('never fire in a field or with a modifier', async () => {
    await shown(true);
    fireEvent.keyDown(screen.getByLabelText('field'), { key: 'f' });
    fireEvent.keyDown(document.body, { key: 'f', ctrlKey: true });
    fireEvent.keyDown(document.body, { key: 'f', metaKey: true });
    fireEvent.keyDown(document.body, { key: 'f', altKey: true });
    expect(pressed).not.toHaveBeenCalled();
  });
  test.each(['modal', 'dropdown-menu'])(
    'reach nothing behind an open %s, and work again when it is shut',
    async (what) => {
      await shown(true);
      const open = document.createElement('div');
      open.className = `${what} show`;
      document.body.append(open);
      fireEvent.keyDown(document.body, { key: 'f' });
      expect(pressed).not.toHaveBeenCalled();
      open.remove();
      fireEvent.keyDown(document.body, { key: 'f' });
      expect(pressed).toHaveBeenCalledTimes(1);
    },
  );
  test('are silent for a person who switched them off', async () => {
    await shown(false);
    fireEvent.keyDown(document.body, { key: 'f' });
    expect(pressed).not.toHaveBeenCalled();
  });
});

test('Alt and a digit go to a place, also from within a field', async () => {
  const go = jest.fn<(n: number) => void>();
  await shown(true, go);
  fireEvent.keyDown(screen.getByLabelText('field'), { code: 'Digit4', key: '¢', altKey: true });
  fireEvent.keyDown(document.body, { code: 'Digit9', altKey: true });
  fireEvent.keyDown(document.body, { code: 'Digit4' });
  expect(go.mock.calls).toEqual([[4]]);
});
