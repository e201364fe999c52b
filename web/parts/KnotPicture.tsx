import { useTheme } from './theme';

export interface KnotPictureProps {
  readonly knot: string;
  readonly form?: string;
  readonly face?: 'front' | 'back';
  /** tight if not said */
  readonly state?: 'laid' | 'dressed' | 'tight' | undefined;
  readonly crop?: 'whole' | 'knot' | 'tall';
  readonly harness?: 'both' | 'one' | undefined;
  /** what hangs in the eye, where it is not the harness */
  readonly object?: 'clip' | 'ring' | undefined;
  readonly wraps?: number | undefined;
  /** another form that is right too */
  readonly variant?: string | undefined;
  /** a knot tied to it */
  readonly companion?: string | undefined;
  /** another form whose frame is shared, so that both pictures have one scale */
  readonly fit?: string | undefined;
  /** a ring where it differs from the form named by fit */
  readonly ring?: boolean | undefined;
  readonly size: number;
  /** fetched only when it comes near the screen */
  readonly lazy?: boolean;
  readonly alt: string;
}

/** Address of a computed picture. */
export function pictureUrl(
  {
    knot,
    form = 'right',
    face = 'front',
    state,
    crop = 'whole',
    harness,
    object,
    wraps,
    variant,
    companion,
    fit,
    ring,
    size,
  }: KnotPictureProps,
  theme: string,
): string {
  const q = new URLSearchParams({ face, crop, size: String(size), theme });
  if (state) q.set('state', state);
  if (companion) q.set('companions', companion);
  if (variant) q.set('variant', variant);
  else if (wraps !== undefined) q.set('wraps', String(wraps));
  const fault = harness === 'one' ? 'one-harness-point' : form;
  if (fault !== 'right') q.set('fault', fault);
  if (harness) q.set('object', 'ring');
  else if (object) q.set('object', object);
  if (fit) q.set('fit', fit);
  if (fit && ring) q.set('ring', 'differs');
  return `/api/v1/knots/${knot}/picture.svg?${q.toString()}`;
}

export function KnotPicture(props: KnotPictureProps) {
  return (
    <img
      src={pictureUrl(props, useTheme())}
      alt={props.alt}
      width={props.size}
      draggable={false}
      loading={props.lazy ? 'lazy' : undefined}
    />
  );
}
