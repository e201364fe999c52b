import type { LengthAnswer } from '../../../core/profiles';

/** The tail against the rule on one scale: asked, at most, and what was measured with its uncertainty. */
export function TailGauge({
  tail_mm,
  uncertainty_mm,
  answer,
}: {
  tail_mm: number | null;
  uncertainty_mm: number;
  answer: LengthAnswer;
}) {
  const end = Math.max(300, (answer.required_mm ?? 0) * 1.25, (answer.max_mm ?? 0) * 1.3, (tail_mm ?? 0) * 1.15);
  const x = (mm: number) => 20 + (Math.min(mm, end) / end) * 960;
  const ticks = Array.from({ length: Math.floor(end / 50) + 1 }, (_, i) => i * 50).filter(
    (t) => end <= 800 || t % 200 === 0,
  );
  const from = answer.required_mm;
  return (
    <svg
      viewBox="0 -22 1000 152"
      role="img"
      aria-label={
        from === null
          ? 'No length is asked'
          : `Asked ${from} mm${answer.max_mm ? `, at most ${answer.max_mm} mm` : ''}${tail_mm === null ? '' : `, measured ${tail_mm} mm`}`
      }
    >
      {from !== null ? (
        <rect x={x(from)} y="34" width={x(answer.max_mm ?? end) - x(from)} height="34" fill="var(--act-soft)" />
      ) : null}
      {tail_mm !== null ? (
        <>
          <rect x="20" y="40" width={x(tail_mm) - 20} height="22" fill="#c98a2b" />
          <path
            d={`M${x(Math.max(0, tail_mm - uncertainty_mm))} 51H${x(tail_mm + uncertainty_mm)}M${x(Math.max(0, tail_mm - uncertainty_mm))} 40v22M${x(tail_mm + uncertainty_mm)} 40v22`}
            stroke="var(--ink)"
            strokeWidth="3"
          />
        </>
      ) : null}
      <path d="M20 68H980" stroke="var(--ink)" strokeWidth="2" />
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 68v8`} stroke="var(--ink)" strokeWidth="2" />
          <text
            x={x(t)}
            y="84"
            dominantBaseline="hanging"
            textAnchor="middle"
            fill="var(--ink-2)"
            fontFamily="var(--figures)"
          >
            {t}
          </text>
        </g>
      ))}
      {from !== null ? (
        <g>
          <path d={`M${x(from)} 26v44`} stroke="var(--act)" strokeWidth="4" />
          <text x={x(from)} y="20" textAnchor="middle" fontWeight="650" fill="var(--ink)">
            asked {from}
          </text>
        </g>
      ) : null}
      {answer.max_mm ? (
        <g>
          <path d={`M${x(answer.max_mm)} 26v44`} stroke="var(--act)" strokeWidth="4" />
          <text x={x(answer.max_mm)} y="20" textAnchor="middle" fontWeight="650" fill="var(--ink)">
            at most {answer.max_mm}
          </text>
        </g>
      ) : null}
    </svg>
  );
}
