import { expect, test } from '@jest/globals';
import { SHIPPED_PROFILES } from '../profiles';
import { choose, whatDecides, type Job } from '.';
import { TIE_IN } from './testing/jobs';

const profile = SHIPPED_PROFILES.find((p) => p.id === 'sport-crag')!;
const job: Job = TIE_IN;
const between = (j: Job, ...knots: string[]) => whatDecides(choose(j, profile), knots);

test('by whom it can be checked the eight stands before the locked bowline; after hard falls, by how it comes undone, behind it', () => {
  const { order, decided } = between(job, 'bowline-locked', 'figure-eight-follow-through');
  expect(order.map((s) => [s.knot, s.stands])).toEqual([
    ['figure-eight-follow-through', 'suited'],
    ['bowline-locked', 'suited'],
  ]);
  expect(decided).toHaveLength(1);
  expect(decided[0]).toMatchObject({
    before: 'figure-eight-follow-through',
    after: 'bowline-locked',
    by: 'who can check it',
  });
  const undone = between(
    { ...job, team: 'trained', untie: 'after-hard-falls' },
    'bowline-locked',
    'figure-eight-follow-through',
  );
  expect(undone.order[0]!.knot).toBe('bowline-locked');
});

test('one that is ruled out says why, one that is nearly right what would do; a third goes along', () => {
  const { order, decided } = between(
    { ...job, pulls: ['standing-eye', 'ring'] },
    'bowline',
    'figure-eight-follow-through',
    'prusik',
  );
  expect(decided).toEqual([]);
  for (const s of order) expect(s.because === '').toBe(s.stands === 'suited');
  expect(order.find((s) => s.knot === 'bowline')).toMatchObject({ stands: 'excluded', rule: 'P1' });
  expect(between(job, 'bowline').order[0]).toMatchObject({ stands: 'nearly', rule: 'B1' });
});

test('what is said to decide is the first part in which they differ, for every two that suit', () => {
  const wide: Job = { ...job, purpose: 'end-loop', object: 'clip', life_load: false };
  const choice = choose(wide, profile);
  expect(choice.suited.length).toBeGreaterThan(2);
  choice.suited.slice(1).forEach((after, k) => {
    const before = choice.suited[k]!;
    const { decided } = whatDecides(choice, [after.knot, before.knot]);
    expect(decided[0]).toMatchObject({ before: before.knot, after: after.knot });
    const part = before.score_parts.find((p, i) => p.value !== after.score_parts[i]!.value);
    if (part) expect(decided[0]!.has[0]).toBe(part.text);
  });
});
