import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { WalkPoint } from '../../../core/inspect/judging';
import type { KnotEntry } from '../../../core/knots/facts/types';
import { useKeys } from '../../parts/keys';
import { otherFace, PairedPicture } from '../../parts/PairedPicture';
import { TouchWhatDiffers, NOTHING, type Difference } from '../../parts/TouchWhatDiffers';
import { useKnotQuery } from '../../store/api';
import { useOptions } from './options';
import type { Walk } from '../../store/walks';

interface Props {
  readonly walk: Walk;
  readonly knot: KnotEntry;
  readonly point: WalkPoint;
  /** the next point that has pictures */
  readonly next: WalkPoint | undefined;
  readonly onAnswer: (found: string, touched?: true) => void;
  readonly onBack: () => void;
}

/** What differs is touched in the picture; the wrong form that it comes to is the finding. */
export function Touched({ walk, onTake }: { readonly walk: Walk; readonly onTake: (fault: string) => void }) {
  const knot = useKnotQuery(walk.knot).data;
  const [chosen, setChosen] = useState<Difference>(NOTHING);
  if (!knot) return null;
  const named = knot.faults.find((f) => f.id === chosen.fault);
  return (
    <section className="mt-3" aria-label="Touch what differs">
      <TouchWhatDiffers knot={knot} chosen={chosen} onChosen={setChosen} />
      {named ? (
        <Button onClick={() => onTake(named.id)}>Found here: {named.name}</Button>
      ) : (
        <p className="quiet">
          Touch the part that looks different and say how; where it is none of these, press “Cannot see” here or take
          the knot out.
        </p>
      )}
    </section>
  );
}

/** Pictures of the point that comes next, fetched while this one is looked at: they stand there when it is reached. */
function PicturesAhead({ walk, point }: { readonly walk: Walk; readonly point: WalkPoint }) {
  const options = useOptions(walk.knot, point);
  return (
    <div className="visually-hidden" aria-hidden="true">
      {options.map((o) =>
        o.picture ? (
          <PairedPicture
            key={o.found}
            knot={walk.knot}
            of={o.picture}
            turnedOver={false}
            hand={walk.hand}
            partner={o.partner}
            alt=""
          />
        ) : null,
      )}
    </div>
  );
}

/** One point, one decision: the right form beside the wrong ones; each picture is the button. */
export function PointView({ walk, knot, point, next, onAnswer, onBack }: Props) {
  const options = useOptions(walk.knot, point).map((o, i) => ({ ...o, key: String.fromCharCode(97 + i) }));
  const [over, setOver] = useState(false);
  const [touching, setTouching] = useState(false);
  const shown = walk.answers.find((a) => a.point === point.id)?.found;
  useKeys({
    ...Object.fromEntries(options.map((o) => [o.key, () => onAnswer(o.found)])),
    x: () => onAnswer('cannot-see'),
    f: () => setOver(!over),
    ArrowLeft: onBack,
  });
  return (
    <>
      <h1>{point.question}</h1>
      <p className="quiet mt-1 mb-3 fs-5">
        {point.help}
        {walk.hand === 'left' ? ' Pictures mirrored for left-handers.' : ''}
      </p>
      <div className={`pair${options.length > 2 ? ' three' : ''}`}>
        {options.map((o) => (
          <button
            key={o.found}
            type="button"
            className={`choice${o.picture ? '' : ' words'}`}
            aria-pressed={shown === o.found}
            onClick={() => onAnswer(o.found)}
            style={
              shown === o.found ? { borderColor: 'var(--act)', boxShadow: 'inset 0 0 0 1px var(--act)' } : undefined
            }
          >
            <span className="cap d-flex justify-content-between gap-2 align-items-center">
              <span>{o.label}</span>
              <kbd className="hide-narrow">{o.key}</kbd>
            </span>
            <span className="pic">
              {o.picture ? (
                <PairedPicture
                  knot={walk.knot}
                  of={o.picture}
                  turnedOver={over}
                  hand={walk.hand}
                  partner={o.partner}
                  alt={`${knot.names[0]}, ${over ? otherFace(o.picture.face) : o.picture.face}: ${o.label}`}
                />
              ) : (
                (knot.faults.find((f) => f.id === o.found)?.shows ?? o.label)
              )}
            </span>
          </button>
        ))}
      </div>
      <div className="answers">
        <Button variant="outline-primary" className="back" onClick={onBack}>
          Back <kbd>←</kbd>
        </Button>
        <Button variant="outline-primary" onClick={() => setOver(!over)} aria-pressed={over}>
          Turn over <kbd>f</kbd>
        </Button>
        <Button variant="outline-primary" onClick={() => setTouching(!touching)} aria-pressed={touching}>
          Touch what differs
        </Button>
        <Button variant="outline-primary" onClick={() => onAnswer('cannot-see')} aria-pressed={shown === 'cannot-see'}>
          Cannot see <kbd>x</kbd>
        </Button>
      </div>
      {touching ? <Touched walk={walk} onTake={(fault) => onAnswer(fault, true)} /> : null}
      {next ? <PicturesAhead walk={walk} point={next} /> : null}
    </>
  );
}
