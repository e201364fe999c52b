/** Both faces of a knot, as it should look, for print. Kept once drawn: a knot's faces change only with the catalogue. */
import { goesOn } from '../../core/knots/facts/behaviour';
import { knotById, shapeOf } from '../../core/knots/catalogue/catalogue';
import { pictureOf, type Picture } from '../../core/picture';
import { asPicture, knotRadius, mirroredForLeft } from '../picturing';

const MOST_KEPT = 60;
const drawn = new Map<string, Picture>();

/** @param state drawn up as it shall be, where it is not said @param form the right one, where it is not said */
export function facePicture(
  knot: string,
  face: 'front' | 'back',
  hand: 'right' | 'left',
  state: 'dressed' | 'tight' = 'tight',
  form = 'right',
): Picture {
  const key = `${knot} ${face} ${hand} ${state} ${form}`;
  const there = drawn.get(key);
  if (there !== undefined) return there;
  const right = asPicture(shapeOf(knot, form, state, null));
  const components = hand === 'left' ? mirroredForLeft(right) : right;
  const { entry } = knotById(knot);
  const picture = pictureOf(components, {
    face,
    theme: 'print',
    size_px: 300,
    crop: 'knot',
    knotRadius_ropeDiameters: knotRadius(knot, form, state, 'knot'),
    title: entry.names[0],
    cutTail: !goesOn(entry),
  });
  if (drawn.size >= MOST_KEPT) drawn.delete(drawn.keys().next().value!);
  drawn.set(key, picture);
  return picture;
}
