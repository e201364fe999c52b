/**
 * The picture beside the right one at a point of the walk: that which the point names, else the wrong form itself as it is stored, by the same
 * camera and in the same state. None where the two cannot be told apart at sight, or where the wrong form is stored on another thing.
 */
import type { CheckPoint, PictureOf } from '../../knots/facts/types';

/** What differs is which strand is loaded, on which side the gate lies, or what a clip carries: said in words. */
const NOT_AT_SIGHT: ReadonlySet<string> = new Set(['other-ends-loaded', 'gate-to-brake', 'clip-carries']);
/** Wrong forms that lie on another thing than the right one. */
const ON_ANOTHER_THING: ReadonlySet<string> = new Set(['clove-hitch not-tucked']);

/** @param withShape faults of the knot that have a form of their own */
export function wrongPicture(
  knot: string,
  point: { readonly right: { readonly picture: PictureOf | null } },
  wrong: CheckPoint['wrong'][number],
  withShape: readonly string[],
): PictureOf | null {
  if (wrong.picture) return wrong.picture;
  const { picture } = point.right;
  if (!picture) return null;
  const comparable = picture.form === 'right' && picture.knot === undefined && picture.harness === undefined;
  if (
    !comparable ||
    !withShape.includes(wrong.fault) ||
    NOT_AT_SIGHT.has(wrong.fault) ||
    ON_ANOTHER_THING.has(`${knot} ${wrong.fault}`)
  )
    return null;
  return { ...picture, form: wrong.fault };
}
