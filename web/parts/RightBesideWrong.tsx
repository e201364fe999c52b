/** A knot beside a wrong form of it, and why: both are turned over together. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { PictureOf, ShapeState } from '../../core/knots/facts/types';
import { useKeys } from './keys';
import { otherFace, PairedPicture } from './PairedPicture';

interface Props {
  readonly knot: string;
  readonly name: string;
  readonly fault: { readonly id: string; readonly name: string; readonly shows: string };
  readonly state: ShapeState;
  readonly harness?: PictureOf['harness'];
  /** the key that turns both over; none where the page has one of its own */
  readonly turnKey?: string | undefined;
}

export function RightBesideWrong({ knot, name, fault, state, harness, turnKey }: Props) {
  const [turnedOver, setTurnedOver] = useState(false);
  const turn = () => setTurnedOver((over) => !over);
  useKeys(turnKey ? { [turnKey]: turn } : {});
  const face = turnedOver ? otherFace('front') : 'front';
  const of = (form: string): PictureOf => ({ form, face: 'front', state, ...(harness && { harness }) });
  const shared = { knot, turnedOver, hand: 'right' } as const;
  return (
    <div className="right-wrong" data-face={face}>
      <figure className="sheet">
        <figcaption>
          <b>Right</b> {face}
        </figcaption>
        <div className="pic">
          <PairedPicture
            {...shared}
            of={of('right')}
            partner={of(fault.id)}
            alt={`${name}, ${face}, right; ringed where the wrong one differs`}
          />
        </div>
      </figure>
      <figure className="sheet">
        <figcaption>
          <b>Wrong: {fault.name}</b> {face}
        </figcaption>
        <div className="pic">
          <PairedPicture
            {...shared}
            of={of(fault.id)}
            partner={of('right')}
            alt={`${name}, ${face}, wrong: ${fault.name}; ringed where it differs`}
          />
        </div>
      </figure>
      <div className="under">
        <span>Look at the ring: {fault.shows}.</span>{' '}
        <Button variant="outline-primary" onClick={turn}>
          Turn both over {turnKey ? <kbd>{turnKey}</kbd> : null}
        </Button>
      </div>
    </div>
  );
}
