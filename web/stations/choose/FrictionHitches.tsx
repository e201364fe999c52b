/** Cord against rope for a friction hitch: both schools in one chart, wraps, which way it grips, how it is let go, where the joint goes. */
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { BANDS, FRICTION_HITCHES } from '../../../core/choose/friction';
import { refusalText, useFrictionHitchQuery, useKnotsQuery } from '../../store/api';
import { useApp } from '../../store';
import { KnotPicture } from '../../parts/KnotPicture';
import { LengthField, useTypedLength, within } from '../../parts/NumberField';
import { CAUTION } from '../../parts/words';

const SIZE = { width: 560, height: 380, left: 46, bottom: 44, top: 12, right: 14 };
const ROPES_mm = [7, 14] as const;
const CORDS_mm = [3, 11] as const;
const SHADES = ['var(--act)', 'var(--mend)'] as const;

function Chart({ cord, rope, names }: { cord: number; rope: number; names: readonly string[] }) {
  const x = scaleLinear([ROPES_mm[0], ROPES_mm[1]], [SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear([CORDS_mm[0], CORDS_mm[1]], [SIZE.height - SIZE.bottom, SIZE.top]);
  const edge = (share: number) => ROPES_mm.map((r): [number, number] => [x(r), y(share * r)]);
  const inside = rope >= ROPES_mm[0] && rope <= ROPES_mm[1] && cord >= CORDS_mm[0] && cord <= CORDS_mm[1];
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="chart"
      role="img"
      aria-label={`Cord against rope. ${names.join('. ')}. Yours: ${cord} mm cord on ${rope} mm rope.`}
    >
      <clipPath id="plot">
        <rect
          x={SIZE.left}
          y={SIZE.top}
          width={SIZE.width - SIZE.left - SIZE.right}
          height={SIZE.height - SIZE.top - SIZE.bottom}
        />
      </clipPath>
      {x.ticks(7).map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={SIZE.top} y2={SIZE.height - SIZE.bottom} stroke="var(--rule)" />
          <text x={x(t)} y={SIZE.height - SIZE.bottom + 17} textAnchor="middle">
            {t}
          </text>
        </g>
      ))}
      {y.ticks(8).map((t) => (
        <g key={t}>
          <line x1={SIZE.left} x2={SIZE.width - SIZE.right} y1={y(t)} y2={y(t)} stroke="var(--rule)" />
          <text x={SIZE.left - 8} y={y(t) + 5} textAnchor="end">
            {t}
          </text>
        </g>
      ))}
      <g clipPath="url(#plot)">
        {BANDS.map((b, k) => {
          const [low, high] = [edge(b.least), edge(b.most)];
          return (
            <g key={b.id}>
              <polygon
                points={[...low, ...high.slice().reverse()].map((p) => p.join(',')).join(' ')}
                fill={SHADES[k]}
                opacity="0.22"
              />
              {[low, high].map((line, i) => (
                <polyline
                  key={i}
                  points={line.map((p) => p.join(',')).join(' ')}
                  fill="none"
                  stroke={SHADES[k]}
                  strokeWidth="2"
                  strokeDasharray={k === 1 ? '7 5' : undefined}
                />
              ))}
            </g>
          );
        })}
        {BANDS.map((b, k) => (
          <text
            key={b.id}
            x={x(12.1)}
            y={y(12.1 * ((b.least + b.most) / 2)) + 5}
            textAnchor="middle"
            fontWeight="600"
            transform={`rotate(${(Math.atan2(y(b.most * 8) - y(b.most * 12), x(8) - x(12)) * 180) / Math.PI + 180} ${x(12.1)} ${y(12.1 * ((b.least + b.most) / 2))})`}
          >
            {k === 0 ? '65 to 80 %' : 'above one half'}
          </text>
        ))}
      </g>
      {inside ? (
        <g>
          <circle cx={x(rope)} cy={y(cord)} r="9" fill="none" stroke="var(--ink)" strokeWidth="3" />
          <circle cx={x(rope)} cy={y(cord)} r="3" fill="var(--ink)" />
        </g>
      ) : null}
      <text x={(SIZE.left + SIZE.width) / 2} y={SIZE.height - 6} textAnchor="middle">
        rope, mm
      </text>
      <text transform={`translate(13 ${SIZE.height / 2 - 20}) rotate(-90)`} textAnchor="middle">
        cord, mm
      </text>
    </svg>
  );
}

/** what may be asked, mm */
const CORD_mm = [2, 20] as const;
const ROPE_mm = [4, 40] as const;
const GRIPS = {
  'one-way': 'grips one way only',
  both: 'grips both ways',
  'both-weakly': 'grips both ways, weakly',
} as const;
const WAYS = { 'one-way': 'one way', both: 'either way' } as const;

export function FrictionHitches() {
  const { job } = useApp((s) => s.job);
  const [hitch, setHitch] = useState<string>('prusik');
  const cord = useTypedLength(job.rope.kind === 'accessory-cord' ? job.rope.diameter_mm : 6);
  const rope = useTypedLength(
    job.rope.kind === 'accessory-cord' ? (job.second_rope?.diameter_mm ?? 10) : job.rope.diameter_mm,
  );
  const [direction, setDirection] = useState<keyof typeof WAYS>('one-way');
  const names = useKnotsQuery().data;
  const [c, r] = [cord.mm, rope.mm];
  const right = within(c, ...CORD_mm) && within(r, ...ROPE_mm);
  const { data, error } = useFrictionHitchQuery(
    { hitch, cord_diameter_mm: c, rope_diameter_mm: r, direction },
    { skip: !right },
  );
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>Cord for a friction hitch</h1>
        <Link to="/choose" className="ms-auto">
          choose a knot
        </Link>
      </div>
      <div className="what mt-3">
        <div className="sheet p-3">
          <Chart cord={c} rope={r} names={BANDS.map((b) => b.name)} />
        </div>
        <div>
          <div className="form-grid">
            <Form.Group controlId="hitch" className="wide">
              <Form.Label>Hitch</Form.Label>
              <Form.Select value={hitch} onChange={(e) => setHitch(e.target.value)}>
                {FRICTION_HITCHES.map((h) => (
                  <option key={h} value={h}>
                    {names?.find((k) => k.id === h)?.names[0] ?? h}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            <LengthField id="cord" label="Cord" of={cord} least={CORD_mm[0]} most={CORD_mm[1]} />
            <LengthField id="rope" label="Rope it grips" of={rope} least={ROPE_mm[0]} most={ROPE_mm[1]} />
          </div>
          <div className="seg wide mt-3" role="group" aria-label="Pulled">
            {Object.entries(WAYS).map(([id, words]) => (
              <button
                key={id}
                type="button"
                aria-pressed={id === direction}
                onClick={() => setDirection(id as keyof typeof WAYS)}
              >
                {words}
              </button>
            ))}
          </div>
          {error ? <p className="notice no mt-3">{refusalText(error)}</p> : null}
          {data && right ? (
            <section className="mt-3" aria-live="polite" data-testid="cord">
              {BANDS.map((b) => (
                <div className="measure" key={b.id}>
                  <span>{data.zone_texts[b.id]}</span>
                </div>
              ))}
              <div className="measure">
                <span>turns on the rope</span>
                <b>{data.wraps_advised}</b>
              </div>
              <div className="measure">
                <span>
                  {GRIPS[data.grips]}; {data.release}
                </span>
              </div>
              {data.joint ? (
                <div className="measure">
                  <span>joint of the sling: {data.joint}</span>
                </div>
              ) : null}
              <ul className="tells mt-2">
                {data.cautions.map((x) => (
                  <li key={x.rule} className="care">
                    {x.text}
                    <span className="rule-id">
                      {x.rule}, {x.source}
                    </span>
                  </li>
                ))}
              </ul>
              <div className="d-flex align-items-center gap-3">
                <KnotPicture knot={hitch} crop="knot" size={120} alt="" />
                <Link to={`/tie/${hitch}`}>how it is tied and what can be wrong with it</Link>
              </div>
            </section>
          ) : null}
        </div>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
