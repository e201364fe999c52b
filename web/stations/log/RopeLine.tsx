/** A rope as a line from its tagged end: damage at its place, what was cut off, on one scale. */
import { scaleLinear } from 'd3-scale';
import type { Damage } from '../../../core/records';

const [WIDTH, LEFT, RIGHT] = [900, 30, 870];

export function RopeLine({
  length_m,
  first_length_m,
  damages,
}: {
  readonly length_m: number;
  readonly first_length_m: number;
  readonly damages: readonly Damage[];
}) {
  const x = scaleLinear([0, Math.max(first_length_m, length_m)], [LEFT, RIGHT]);
  const open = damages.filter((d) => d.settled === null && d.at_m !== null);
  const looked = damages.filter((d) => d.settled === 'looked-into' && d.at_m !== null);
  const said = `${length_m} m now, ${first_length_m} m as it came. ${open.length === 0 ? 'No open damage.' : `Open damage at ${open.map((d) => `${d.at_m} m`).join(', ')} from the tagged end.`}`;
  return (
    <svg viewBox={`0 0 ${WIDTH} 92`} role="img" aria-label={said} className="w-100">
      <line
        x1={x(length_m)}
        x2={x(first_length_m)}
        y1="40"
        y2="40"
        stroke="var(--rule-strong)"
        strokeWidth="3"
        strokeDasharray="3 7"
      />
      <line x1={x(0)} x2={x(length_m)} y1="40" y2="40" stroke="#c98a2b" strokeWidth="13" strokeLinecap="butt" />
      <rect x={x(0) - 8} y="27" width="8" height="26" fill="var(--ink)" />
      <text x={x(0)} y="18" fill="var(--ink)" fontWeight="650">
        tag
      </text>
      {looked.map((d) => (
        <circle key={d.id} cx={x(d.at_m!)} cy="40" r="7" fill="var(--sheet)" stroke="var(--ink-2)" strokeWidth="3" />
      ))}
      {open.map((d) => (
        <g key={d.id} fill="var(--no)" stroke="none">
          <rect x={x(d.at_m!) - 2} y="22" width={Math.max(4, x(d.at_m! + d.over_m) - x(d.at_m!))} height="36" />
          <text x={Math.min(RIGHT, Math.max(LEFT, x(d.at_m!)))} y="17" textAnchor="middle" fontWeight="700">
            {d.at_m} m
          </text>
        </g>
      ))}
      {x.ticks(8).map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 60v8`} stroke="var(--ink)" strokeWidth="2" />
          <text x={x(t)} y="86" textAnchor="middle" fill="var(--ink-2)" fontFamily="var(--figures)" fontSize="15">
            {t}
          </text>
        </g>
      ))}
    </svg>
  );
}
