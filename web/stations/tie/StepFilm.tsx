import { useMemo, useState } from 'react';
import { useKeys } from '../../parts/keys';
import { useTheme } from '../../parts/theme';
import { useWayQuery } from '../../store/api';
import { stepsOf } from './steps';

/** The steps of a way as small pictures; one of them large, with its words. */
export function StepFilm({
  knot,
  way,
  name,
  onBig,
}: {
  knot: string;
  way: string;
  name: string;
  onBig: (picture: string | null) => void;
}) {
  const { data } = useWayQuery({ id: knot, way });
  const steps = useMemo(() => (data ? stepsOf(knot, way, data) : []), [data, knot, way]);
  const [at, setAt] = useState<number | null>(null);
  const theme = useTheme();
  const count = steps.length;
  const go = (i: number | null) => {
    setAt(i);
    onBig(i === null ? null : steps[i]!.picture(900, theme));
  };
  useKeys({
    ArrowRight: () => go(at === null ? 0 : Math.min(count - 1, at + 1)),
    ArrowLeft: () => go(at === null || at === 0 ? null : at - 1),
    Escape: () => go(null),
  });
  if (!data) return null;
  const now = at === null ? null : steps[at];
  return (
    <section aria-label={`Steps: ${name}`}>
      {now ? (
        <div className="sheet p-3 mt-3" aria-live="polite">
          <p className="m-0 fs-5">
            <b>{at! + 1}.</b> {now.caption}
          </p>
          <p className="m-0 mt-1 small quiet">
            Left hand {now.hands.left}; right hand {now.hands.right}. Moves: {now.moving}.
          </p>
        </div>
      ) : null}
      <div className="strip-film">
        {steps.map((f, i) => (
          <button
            key={`${i} ${f.caption}`}
            aria-current={at === i ? 'step' : undefined}
            aria-label={`Step ${i + 1}: ${f.caption}`}
            onClick={() => go(at === i ? null : i)}
          >
            <img src={f.picture(140, theme)} alt="" loading="lazy" />
            {i + 1}
          </button>
        ))}
      </div>
    </section>
  );
}
