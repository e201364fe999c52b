/**
 * A knot beside a wrong form of it: one camera, one scale, one state, ends in the same places; both are turned over
 * together, and a ring lies where they differ.
 */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { KnotPicture, type KnotPictureProps } from './KnotPicture';
import { useKeys } from './keys';

interface Props {
  readonly knot: string;
  readonly name: string;
  readonly fault: { readonly id: string; readonly name: string; readonly shows: string };
  readonly state: KnotPictureProps['state'];
  readonly harness?: KnotPictureProps['harness'];
  /** the key that turns both over; none where the page has one of its own */
  readonly turnKey?: string | undefined;
}

/** Faults in which one measure of the whole knot is changed, so that all of it must be seen. */
const WHOLE = ['eye-too-large', 'half-finished', 'one-harness-point', 'tail-short'];

export function RightBesideWrong({ knot, name, fault, state, harness, turnKey }: Props) {
  const [face, setFace] = useState<'front' | 'back'>('front');
  const turn = () => setFace((f) => (f === 'front' ? 'back' : 'front'));
  useKeys(turnKey ? { [turnKey]: turn } : {});
  const shared = { knot, face, state, harness, crop: WHOLE.includes(fault.id) ? 'whole' : 'knot', size: 420, ring: true } as const;
  return (
    <div className="right-wrong" data-face={face}>
      <figure className="sheet">
        <figcaption><b>Right</b> {face}</figcaption>
        <div className="pic"><KnotPicture {...shared} fit={fault.id} alt={`${name}, ${face}, right; ringed where the wrong one differs`} /></div>
      </figure>
      <figure className="sheet">
        <figcaption><b>Wrong: {fault.name}</b> {face}</figcaption>
        <div className="pic"><KnotPicture {...shared} form={fault.id} fit="right" alt={`${name}, ${face}, wrong: ${fault.name}; ringed where it differs`} /></div>
      </figure>
      <div className="under"><span>Look at the ring: {fault.shows}.</span> <Button variant="outline-primary" onClick={turn}>Turn both over {turnKey ? <kbd>{turnKey}</kbd> : null}</Button></div>
    </div>
  );
}
