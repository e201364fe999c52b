/** A face of a laid knot whose crossings can be touched: by pointer in the picture, or by the row of numbers below. */
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { useTheme } from './theme';

interface Props {
  readonly knot: string;
  readonly name: string;
  readonly face: 'front' | 'back';
  readonly chosen: readonly number[];
  readonly onTouch: (crossing: number) => void;
}

/** A touch farther from every crossing than this touches nothing, rope diameters. */
const NEAR = 2.4;

export function Touchable({ knot, name, face, chosen, onTouch }: Props) {
  const theme = useTheme();
  const box = useRef<HTMLDivElement>(null);
  const [svg, setSvg] = useState<string | null>(null);
  const url = chosen.length > 0 ? `/api/v1/knots/${knot}/touched.svg?crossings=${chosen.join(',')}&face=${face}&size=440&theme=${theme}` : `/api/v1/knots/${knot}/picture.svg?face=${face}&state=laid&crop=knot&size=440&theme=${theme}`;
  useEffect(() => {
    let gone = false;
    void fetch(url).then(async (r) => {
      const text = await r.text();
      // the last picture stays where this one cannot be made
      if (!gone && r.ok) setSvg(text);
    }, () => undefined);
    return () => {
      gone = true;
    };
  }, [url]);
  const touch = (e: PointerEvent) => {
    const picture = box.current?.querySelector('svg');
    const matrix = picture?.getScreenCTM();
    if (!picture || !matrix) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    const near = [...picture.querySelectorAll('[data-crossing]')]
      .map((c) => ({ crossing: Number(c.getAttribute('data-crossing')), apart: Math.hypot(Number(c.getAttribute('cx')) - at.x, Number(c.getAttribute('cy')) - at.y) }))
      .sort((a, b) => a.apart - b.apart)[0];
    if (near && near.apart <= NEAR) onTouch(near.crossing);
  };
  return (
    <figure className="sheet m-0">
      {/* the numbers below do the same by key */}
      <div ref={box} className="pic touchable" onPointerUp={touch} role="img" aria-label={`${name}, ${face}, laid out${chosen.length > 0 ? `, crossing ${chosen.join(', ')} the other way round` : ''}`} dangerouslySetInnerHTML={{ __html: svg ?? '' }} />
      <figcaption className="px-3 pb-2"><b>{face === 'front' ? 'Front' : 'Back'}</b> touch what looks different</figcaption>
    </figure>
  );
}

export function CrossingNumbers({ count, chosen, onTouch }: { readonly count: number; readonly chosen: readonly number[]; readonly onTouch: (crossing: number) => void }) {
  return (
    <div className="seg wide mt-2" role="group" aria-label="Crossings, numbered along the rope">
      {Array.from({ length: count }, (_, k) => k + 1).map((n) => <button key={n} type="button" aria-pressed={chosen.includes(n)} onClick={() => onTouch(n)} aria-label={`Crossing ${n} the other way round`}>{n}</button>)}
    </div>
  );
}
