import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { frictionHitch } from '../../core/choose/friction';
import { openDesk } from '../store';
import { show } from '../testing/fakeServer';
import { FrictionHitches } from './choose/FrictionHitches';
import { Schools } from './choose/Schools';

beforeEach(() => {
  openDesk(null);
  localStorage.clear();
});
afterEach(cleanup);

describe('cord for a friction hitch', () => {
  test('both schools are said, the cautions below; a thickness that is none is not asked for', async () => {
    const answer = frictionHitch({ hitch: 'prusik', cord_diameter_mm: 6.5, rope_diameter_mm: 8 });
    const { sent } = show(<FrictionHitches />, '/choose/friction', '/choose/friction', {
      'POST /rig/friction-hitch': answer,
    });
    expect(await screen.findByText(answer.zone_texts['65-80'])).toBeTruthy();
    expect(screen.getByText(answer.zone_texts['over-half'])).toBeTruthy();
    expect(screen.getByRole('img', { name: /Yours: 6 mm cord on 10.2 mm rope/ })).toBeTruthy();
    const before = sent.length;
    fireEvent.change(screen.getByLabelText('Cord, mm'), { target: { value: 'x' } });
    expect(screen.queryByText(answer.zone_texts['65-80'])).toBeNull();
    expect(sent.length).toBe(before);
    fireEvent.change(screen.getByLabelText('Cord, mm'), { target: { value: '6,5' } });
    await screen.findByText(answer.zone_texts['65-80']);
    expect(sent.at(-1)!.body).toMatchObject({ hitch: 'prusik', cord_diameter_mm: 6.5 });
  });
});

describe('where schools differ', () => {
  test('every point is listed; a point shows its sides and what each rule set does', async () => {
    show(<Schools />, '/choose/schools', '/choose/schools');
    expect((await screen.findAllByRole('listitem')).length).toBe(16);
    cleanup();
    show(<Schools />, '/choose/schools/:id', '/choose/schools/second-person');
    expect(await screen.findByText('Sport crag')).toBeTruthy();
    expect(screen.getByText(/: advised/)).toBeTruthy();
    cleanup();
    show(<Schools />, '/choose/schools/:id', '/choose/schools/nothing');
    expect(await screen.findByText('There is no point of this name.')).toBeTruthy();
  });
});
