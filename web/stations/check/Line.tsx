/** What was read from a file, drawn flat: a touch marks the far point of the eye. */
import { useMemo, useRef, type PointerEvent } from 'react';
import type { Entered } from '../../../core/inspect/naming';

const SIZE = 440;
const TINTS = ['var(--act)', 'var(--mend)', 'var(--meets)', 'var(--ink-2)'];

interface Props {
  readonly components: readonly Entered[];
  readonly eye: number | null;
  /** seen from the front, or from behind */
  readonly behind: boolean;
  readonly onEye: (index: number) => void;
}

export function Line({ components, eye, behind, onEye }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const flip = behind ? -1 : 1;
  const box = useMemo(() => {
    const all = components.flatMap((c) => c.points);
    const xs = all.map((p) => flip * p[0]);
    const ys = all.map((p) => -p[1]);
    const [x, y] = [Math.min(...xs), Math.min(...ys)];
    const side = Math.max(Math.max(...xs) - x, Math.max(...ys) - y, 1e-9);
    return { x: x - side * 0.06, y: y - side * 0.06, side: side * 1.12 };
  }, [components, flip]);
  const rope = components.find((c) => c.role === 'rope');
  const touch = (e: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM();
    if (!rope || !matrix) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    let [best, least] = [1, Infinity];
    rope.points.forEach((p, i) => {
      const d = Math.hypot(flip * p[0] - at.x, -p[1] - at.y);
      if (i > 0 && i < rope.points.length - 1 && d < least) [least, best] = [d, i];
    });
    onEye(best);
  };
  const w = box.side / 90;
  return (
    <svg ref={svg} className="line-view" width={SIZE} height={SIZE} viewBox={`${box.x} ${box.y} ${box.side} ${box.side}`} onPointerUp={touch} role="img" aria-label="What was read, drawn flat. Touch the far point of the eye.">
      {components.map((c, k) => {
        const d = `M${c.points.map((p) => `${flip * p[0]} ${-p[1]}`).join('L')}${c.closed ? 'Z' : ''}`;
        return <path key={`${c.name} ${k}`} d={d} fill="none" stroke={TINTS[k % TINTS.length]} strokeWidth={w} strokeLinejoin="round" />;
      })}
      {rope ? (
        <>
          <circle cx={flip * rope.points[0]![0]} cy={-rope.points[0]![1]} r={w * 2.4} fill="var(--act)" /><text x={flip * rope.points[0]![0]} y={-rope.points[0]![1] - w * 3.4} fontSize={w * 6} textAnchor="middle" fill="var(--ink)">loaded end</text>
          <rect x={flip * rope.points.at(-1)![0] - w * 2} y={-rope.points.at(-1)![1] - w * 2} width={w * 4} height={w * 4} fill="var(--mend)" /><text x={flip * rope.points.at(-1)![0]} y={-rope.points.at(-1)![1] - w * 3.4} fontSize={w * 6} textAnchor="middle" fill="var(--ink)">tail</text>
          {eye !== null && rope.points[eye] ? <circle cx={flip * rope.points[eye]![0]} cy={-rope.points[eye]![1]} r={w * 3.4} fill="none" stroke="var(--ink)" strokeWidth={w * 1.2} /> : null}
        </>
      ) : null}
    </svg>
  );
}
