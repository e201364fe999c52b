/**
 * One of two pictures that stand beside each other, right and wrong: one camera, one scale, ends in the same places,
 * a ring where they differ; turned over, both show their other face.
 */
import type { PictureOf } from '../../core/knots/facts/types';
import { pictureUrl } from './KnotPicture';
import { useTheme } from './theme';

interface Props {
  readonly knot: string;
  readonly of: PictureOf;
  /** what it is held against; null where it stands alone */
  readonly partner: PictureOf | null;
  readonly turnedOver: boolean;
  readonly hand: 'left' | 'right';
  readonly alt: string;
}

/** Forms in which something beyond the knot proper is the point, so that all of it must be seen. */
const WHOLE = [
  'eye-too-large',
  'half-finished',
  'one-harness-point',
  'tail-short',
  'uneven-legs',
  'ears-unequal',
  'eye-pulled-through',
  'stopper-gap',
];

const nameOf = (p: PictureOf) => (p.harness === 'one' ? 'one-harness-point' : p.form);
const seenWhole = (p: PictureOf) => p.harness !== undefined || p.state === 'dressed' || WHOLE.includes(p.form);
export const otherFace = (face: 'front' | 'back') => (face === 'front' ? 'back' : 'front');

export function PairedPicture({ knot, of, partner, turnedOver, hand, alt }: Props) {
  const theme = useTheme();
  // with another knot tied to it one is framed by itself
  const joined = of.companion !== undefined || partner?.companion !== undefined;
  const fit =
    !joined && partner && !partner.knot && !of.knot && nameOf(partner) !== nameOf(of) ? nameOf(partner) : undefined;
  const ring = fit !== undefined && (nameOf(of) === 'right') !== (fit === 'right');
  const whole = joined || seenWhole(of) || (partner !== null && seenWhole(partner));
  const url = pictureUrl(
    {
      knot: of.knot ?? knot,
      form: of.form,
      face: turnedOver ? otherFace(of.face) : of.face,
      state: of.state,
      harness: of.harness,
      crop: whole ? 'whole' : 'knot',
      companion: of.companion,
      fit,
      ring,
      size: 420,
      alt,
    },
    theme,
  );
  return <img src={`${url}${hand === 'left' ? '&hand=left' : ''}`} alt={alt} draggable={false} />;
}
