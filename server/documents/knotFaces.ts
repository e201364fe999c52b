/** Both faces of a knot, as it should look, for print. Kept once drawn: a knot's faces change only with the catalogue. */
import { goesOn } from '../../core/knots/facts/behaviour';
import { knotById, shapeOf } from '../../core/knots/catalogue/catalogue';
import { drawVector } from '../../core/picture';
import { asPicture, knotRadius, mirroredForLeft } from '../picturing';

const drawn = new Map<string, string>();

/** @param state drawn up as it shall be, where it is not said @param form the right one, where it is not said */
export function faceSvg(
  knot: string,
  face: 'front' | 'back',
  hand: 'right' | 'left',
  state: 'dressed' | 'tight' = 'tight',
  form = 'right',
): string {
  const key = `${knot} ${face} ${hand} ${state} ${form}`;
  const there = drawn.get(key);
  if (there !== undefined) return there;
  const right = asPicture(shapeOf(knot, form, state, null));
  const components = hand === 'left' ? mirroredForLeft(right) : right;
  const { entry } = knotById(knot);
  const svg = drawVector(components, {
    face,
    theme: 'print',
    size_px: 300,
    crop: 'knot',
    knotRadius_ropeDiameters: knotRadius(knot, form, state, 'knot'),
    title: entry.names[0],
    cutTail: !goesOn(entry),
  });
  drawn.set(key, svg);
  return svg;
}
