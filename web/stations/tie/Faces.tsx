import type { KnotReply } from '../../store/api';
import type { ShapeState } from '../../../core/knots/facts/types';
import { KnotPicture } from '../../parts/KnotPicture';
import { From } from './Said';

/** Both faces beside each other, laid out or drawn up, and what each shows. */
export function Faces({
  knot,
  wraps,
  variant,
  state,
}: {
  knot: KnotReply;
  wraps: number | undefined;
  variant: string | undefined;
  state: ShapeState;
}) {
  return (
    <div className="two-faces">
      {knot.faces.map((f) => (
        <figure key={f.face} className="sheet">
          <div className="pic">
            <KnotPicture
              knot={knot.id}
              face={f.face}
              state={state}
              wraps={wraps}
              variant={variant}
              size={440}
              lazy
              alt={`${knot.names[0]}, ${f.face}. ${knot.path_in_words}`}
            />
          </div>
          <figcaption>
            <b>{f.face === 'front' ? 'Front' : 'Back'}</b> {f.shows} <From source={f.source} />
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

export function Wraps({
  all,
  value,
  onPick,
}: {
  all: readonly number[];
  value: number;
  onPick: (wraps: number) => void;
}) {
  return (
    <fieldset className="d-flex align-items-center gap-3">
      <legend className="fs-6 fw-semibold w-auto m-0">Wraps</legend>
      <span className="seg">
        {all.map((w) => (
          <label key={w}>
            <input type="radio" name="wraps" checked={w === value} onChange={() => onPick(w)} />
            <span>{w}</span>
          </label>
        ))}
      </span>
    </fieldset>
  );
}

/** Other forms that are right too: on another object, or made another way. */
export function Variants({
  all,
  value,
  onPick,
}: {
  all: NonNullable<KnotReply['variants']>;
  value: string | undefined;
  onPick: (form: string | undefined) => void;
}) {
  const now = all.find((v) => v.form === value);
  return (
    <div className="mt-3">
      <span className="seg wide" role="group" aria-label="Form">
        <button type="button" aria-pressed={!now} onClick={() => onPick(undefined)}>
          usual form
        </button>
        {all.map((v) => (
          <button key={v.form} type="button" aria-pressed={v === now} onClick={() => onPick(v.form)}>
            {v.name}
          </button>
        ))}
      </span>
      {now ? (
        <p className="small quiet m-0 mt-1">
          {now.text} <From source={now.source} />
        </p>
      ) : null}
    </div>
  );
}
