import { expect, test } from '@jest/globals';
import { faultsWithShape, shapeOf } from '../../knots/catalogue/catalogue';
import { ENTRIES } from '../../knots/catalogue/entries';
import { wrongPicture } from './pictured';

test('a wrong answer is shown wherever the wrong form has a shape, in the state and from the face of the right one', () => {
  let [shown, words] = [0, 0];
  for (const e of ENTRIES)
    for (const p of e.check_points)
      for (const w of p.wrong) {
        const picture = wrongPicture(e.id, p, w, faultsWithShape(e.id));
        if (!picture) {
          words++;
          continue;
        }
        shown++;
        if (w.picture) expect(picture).toBe(w.picture);
        else {
          expect([e.id, picture.face, picture.state, picture.form]).toEqual([
            e.id,
            p.right.picture.face,
            p.right.picture.state,
            w.fault,
          ]);
          expect(shapeOf(e.id, picture.form, picture.state, null).length).toBeGreaterThan(0);
        }
      }
  expect(shown).toBeGreaterThan(180);
  expect(words).toBeGreaterThan(0);
});

test('what cannot be told apart at sight, or lies on another thing, is said in words', () => {
  const right = { right: { label: '', picture: { form: 'right', face: 'front' as const, state: 'tight' as const } } };
  const wrong = (fault: string) => ({ fault: fault as 'loose', label: '', picture: null });
  expect(wrongPicture('prusik', right, wrong('turns-reversed'), ['turns-reversed'])).toMatchObject({
    form: 'turns-reversed',
  });
  expect(wrongPicture('prusik', right, wrong('turns-reversed'), [])).toBeNull();
  expect(wrongPicture('munter-hitch', right, wrong('gate-to-brake'), ['gate-to-brake'])).toBeNull();
  expect(wrongPicture('clove-hitch', right, wrong('not-tucked'), ['not-tucked'])).toBeNull();
});

test('beside a picture of another form, of another knot or of a harness the wrong form is not shown', () => {
  const picture = { form: 'right', face: 'front' as const, state: 'tight' as const };
  const wrong = { fault: 'loose' as const, label: '', picture: null };
  const shown = (other: object) =>
    wrongPicture('bowline', { right: { picture: { ...picture, ...other } as typeof picture } }, wrong, ['loose']);
  expect(shown({})).toEqual({ ...picture, form: 'loose' });
  expect([shown({ form: 'tail-short' }), shown({ knot: 'prusik' }), shown({ harness: 'two' })]).toEqual([
    null,
    null,
    null,
  ]);
});
