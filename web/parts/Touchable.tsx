/** A face of a laid knot whose crossings can be touched: by pointer in the picture, or by the row of numbers below. */
import { useRef, type PointerEvent } from 'react';
import { touchedPoint, useSvg } from './svg';
import { useTheme } from './theme';

interface Props {
  readonly knot: string;
  readonly name: string;
  readonly face: 'front' | 'back';
  /** crossings that go the other way round */
  readonly crossings: readonly number[];
  /** the wrong form that is shown instead of the right one */
  readonly fault: string | null;
  readonly state: 'laid' | 'tight';
  readonly onTouch: (at: TouchedAt) => void;
}
/** Where it was touched: rope diameters, x of the front; and the crossing there, if there is one. */
export interface TouchedAt {
  readonly x: number;
  readonly y: number;
  readonly crossing: number | null;
}

/** A touch farther from every crossing than this touches none, rope diameters. */
const NEAR = 1.6;

export function Touchable({ knot, name, face, crossings, fault, state, onTouch }: Props) {
  const theme = useTheme();
  const box = useRef<HTMLDivElement>(null);
  const how = `face=${face}&size=440&theme=${theme}`;
  const url =
    crossings.length > 0
      ? `/api/v1/knots/${knot}/touched.svg?crossings=${crossings.join(',')}&${how}`
      : `/api/v1/knots/${knot}/picture.svg?state=${state}&crop=knot&${how}${fault ? `&fault=${fault}&fit=right&ring=differs` : ''}`;
  const svg = useSvg(url);
  const touch = (e: PointerEvent) => {
    const at = touchedPoint(box.current, e);
    if (!at) return;
    const near = [...at.svg.querySelectorAll('[data-crossing]')]
      .map((c) => ({
        crossing: Number(c.getAttribute('data-crossing')),
        apart: Math.hypot(Number(c.getAttribute('cx')) - at.x, Number(c.getAttribute('cy')) - at.y),
      }))
      .sort((a, b) => a.apart - b.apart)[0];
    onTouch({
      x: face === 'front' ? at.x : -at.x,
      y: -at.y,
      crossing: near && near.apart <= NEAR ? near.crossing : null,
    });
  };
  return (
    <figure className="sheet m-0">
      {/* the numbers below do the same by key */}
      <div
        ref={box}
        className="pic touchable"
        onPointerUp={touch}
        role="img"
        aria-label={`${name}, ${face}, ${state === 'laid' ? 'laid out' : 'set'}${crossings.length > 0 ? `, crossing ${crossings.join(', ')} the other way round` : fault ? ', with the change' : ''}`}
        dangerouslySetInnerHTML={{ __html: svg ?? '' }}
      />
      <figcaption className="px-3 pb-2">
        <b>{face === 'front' ? 'Front' : 'Back'}</b> touch what looks different
      </figcaption>
    </figure>
  );
}

export function CrossingNumbers({
  count,
  chosen,
  onTouch,
}: {
  readonly count: number;
  readonly chosen: readonly number[];
  readonly onTouch: (crossing: number) => void;
}) {
  return (
    <div className="seg wide mt-2" role="group" aria-label="Crossings, numbered along the rope">
      {Array.from({ length: count }, (_, k) => k + 1).map((n) => (
        <button
          key={n}
          type="button"
          aria-pressed={chosen.includes(n)}
          onClick={() => onTouch(n)}
          aria-label={`Crossing ${n} the other way round`}
        >
          {n}
        </button>
      ))}
    </div>
  );
}
