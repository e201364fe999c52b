/** What was read from a file, drawn flat: a touch marks the far point of the eye. */
import { useMemo, useRef, type PointerEvent } from 'react';
import type { Entered } from '../../../core/inspect/naming/naming';

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
    const [width, height] = [Math.max(...xs) - x, Math.max(...ys) - y];
    const side = 1.12 * Math.max(width, height, 1e-9);
    return { x: x + (width - side) / 2, y: y + (height - side) / 2, side };
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
  // each end's label on its outer side, so that they never lie over each other
  const ends = rope
    ? ([
        ['loaded end', rope.points[0]!, rope.points.at(-1)!],
        ['tail', rope.points.at(-1)!, rope.points[0]!],
      ] as const)
    : [];
  return (
    <svg
      ref={svg}
      className="line-view"
      width={SIZE}
      height={SIZE}
      viewBox={`${box.x} ${box.y} ${box.side} ${box.side}`}
      onPointerUp={touch}
      role="img"
      aria-label="What was read, drawn flat. Touch the far point of the eye."
    >
      {components.map((c, k) => {
        const d = `M${c.points.map((p) => `${flip * p[0]} ${-p[1]}`).join('L')}${c.closed ? 'Z' : ''}`;
        return (
          <path
            key={`${c.name} ${k}`}
            d={d}
            fill="none"
            stroke={TINTS[k % TINTS.length]}
            strokeWidth={w}
            strokeLinejoin="round"
          />
        );
      })}
      {rope ? (
        <>
          <circle cx={flip * rope.points[0]![0]} cy={-rope.points[0]![1]} r={w * 2} fill="var(--act)" />
          <rect
            x={flip * rope.points.at(-1)![0] - w * 1.7}
            y={-rope.points.at(-1)![1] - w * 1.7}
            width={w * 3.4}
            height={w * 3.4}
            fill="var(--mend)"
          />
          {ends.map(([words, own, other]) => {
            const right = flip * own[0] > flip * other[0] || (own[0] === other[0] && words === 'tail');
            const room = right ? box.x + box.side - flip * own[0] : flip * own[0] - box.x;
            // no room outside: inside then
            const outside = room > w * 4.5 * words.length * 0.6 ? right : !right;
            return (
              <text
                key={words}
                x={flip * own[0] + (outside ? 3 : -3) * w}
                y={-own[1] + 1.5 * w}
                fontSize={w * 4.5}
                textAnchor={outside ? 'start' : 'end'}
                fill="var(--ink)"
              >
                {words}
              </text>
            );
          })}
          {eye !== null && rope.points[eye] ? (
            <circle
              cx={flip * rope.points[eye]![0]}
              cy={-rope.points[eye]![1]}
              r={w * 3.4}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={w * 1.2}
            />
          ) : null}
        </>
      ) : null}
    </svg>
  );
}
