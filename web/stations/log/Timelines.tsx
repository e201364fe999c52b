/** The record in sum: tails against the limit over time, what goes wrong most, faults by knot, open findings by age. */
import { extent } from 'd3-array';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { useMemo } from 'react';
import { Form } from 'react-bootstrap';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Statistics } from '../../../contract';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { useKnotName } from '../../parts/CheckRows';
import { Failed, Loading } from '../../parts/States';
import { VerdictShape } from '../../parts/Verdict';
import { CAUTION, dayText, VERDICT_WORDS } from '../../parts/words';
import { usePeopleQuery, useRopesQuery, useStatisticsQuery } from '../../store/api';
import { Tabs } from './Tabs';

const [W, H, LEFT, TOP, BOTTOM] = [860, 300, 62, 14, 36];

/** Each measured tail by its margin to the limit it was judged by: below the line is short. */
function Tails({ tails }: { readonly tails: Statistics['tails'] }) {
  const navigate = useNavigate();
  const judged = useMemo(() => tails.filter((t) => t.margin_mm !== null), [tails]);
  const [low = 0, high = 0] = extent(judged, (t) => t.margin_mm!);
  const [from, to] = extent(judged, (t) => new Date(t.seen_at));
  if (!from || !to) return <p className="quiet">No tail was measured against a limit in this time.</p>;
  const x = scaleUtc(
    [from, to.getTime() === from.getTime() ? new Date(to.getTime() + 86_400_000) : to],
    [LEFT + 10, W - 14],
  );
  const y = scaleLinear([Math.min(-20, low), Math.max(60, high)], [H - BOTTOM, TOP]).nice();
  const short = judged.filter((t) => t.margin_mm! < 0).length;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-100"
      role="img"
      aria-label={`${judged.length} tails against their limits: ${short} missed it`}
    >
      <rect x={LEFT} y={y(0)} width={W - LEFT} height={H - BOTTOM - y(0)} fill="var(--well)" />
      {y.ticks(6).map((t) => (
        <g key={t}>
          <path d={`M${LEFT} ${y(t)}H${W}`} stroke="var(--rule)" />
          <text
            x={LEFT - 8}
            y={y(t)}
            dy="0.35em"
            textAnchor="end"
            fill="var(--ink-2)"
            fontFamily="var(--figures)"
            fontSize="14"
          >
            {t > 0 ? `+${t}` : t}
          </text>
        </g>
      ))}
      <path d={`M${LEFT} ${y(0)}H${W}`} stroke="var(--ink)" strokeWidth="2.5" />
      <text x={LEFT + 6} y={y(0) + 17} fill="var(--ink)" fontWeight="650" fontSize="15">
        limit; below: missed
      </text>
      {x.ticks(6).map((t) => (
        <text key={t.toISOString()} x={x(t)} y={H - 10} textAnchor="middle" fill="var(--ink-2)" fontSize="14">
          {dayText(t.toISOString())}
        </text>
      ))}
      {judged.map((t) => (
        <g
          key={t.check}
          transform={`translate(${x(new Date(t.seen_at))} ${y(t.margin_mm!)})`}
          onClick={() => void navigate(`/log/${t.check}?shown=1`)}
          style={{ cursor: 'pointer' }}
        >
          <title>{`${t.rope_tag}: tail ${Math.round(t.tail_mm)} mm, margin ${t.margin_mm} mm`}</title>
          {t.margin_mm! < 0 ? <path d="M0-7L7 6H-7Z" fill="var(--mend)" /> : <circle r="5" fill="var(--meets)" />}
        </g>
      ))}
    </svg>
  );
}

/** Bars with their number and words, longest first. */
function Bars({
  rows,
  label,
}: {
  readonly rows: readonly { readonly key: string; readonly words: string; readonly n: number; readonly of?: number }[];
  readonly label: string;
}) {
  const most = Math.max(1, ...rows.map((r) => r.of ?? r.n));
  return (
    <ul className="bars" aria-label={label}>
      {rows.map((r) => (
        <li key={r.key}>
          <span>{r.words}</span>
          <span className="bar" aria-hidden="true">
            {r.of === undefined ? null : <i className="of" style={{ width: `${(100 * r.of) / most}%` }} />}
            <i style={{ width: `${(100 * r.n) / most}%` }} />
          </span>
          <b className="figure">
            {r.n}
            {r.of === undefined ? '' : ` of ${r.of}`}
          </b>
        </li>
      ))}
    </ul>
  );
}

export function Timelines() {
  const [params, setParams] = useSearchParams();
  const search = new URLSearchParams(
    ['from', 'to', 'rope', 'person'].flatMap((k) => (params.get(k) ? [[k, params.get(k)!]] : [])),
  ).toString();
  const { data, error, isLoading, refetch } = useStatisticsQuery(search);
  const ropes = useRopesQuery().data ?? [];
  const people = usePeopleQuery().data ?? [];
  const name = useKnotName();
  const set = (key: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(key, value);
    else next.delete(key);
    setParams(next, { replace: true });
  };
  const faultName = (knot: string, fault: string) =>
    entryById(knot).faults.find((f) => f.id === fault)?.name ??
    ({ retired: 'rope retired', damaged: 'rope damaged' } as Record<string, string>)[fault] ??
    fault;
  const select = (key: string, label: string, options: readonly (readonly [string, string])[]) => (
    <Form.Group controlId={`of-${key}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Select value={params.get(key) ?? ''} onChange={(e) => set(key, e.target.value)}>
        <option value="">all</option>
        {options.map(([v, t]) => (
          <option key={v} value={v}>
            {t}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
  return (
    <>
      <Tabs />
      <h1>Timelines</h1>
      <div className="filters no-print">
        <Form.Group controlId="of-from">
          <Form.Label>From</Form.Label>
          <Form.Control type="date" value={params.get('from') ?? ''} onChange={(e) => set('from', e.target.value)} />
        </Form.Group>
        <Form.Group controlId="of-to">
          <Form.Label>To</Form.Label>
          <Form.Control type="date" value={params.get('to') ?? ''} onChange={(e) => set('to', e.target.value)} />
        </Form.Group>
        {select(
          'rope',
          'Rope',
          ropes.filter((r) => r.kind !== null).map((r) => [r.id, r.tag] as const),
        )}
        {select(
          'person',
          'Person',
          people.map((p) => [p.id, p.name] as const),
        )}
      </div>
      {isLoading ? (
        <Loading what="Adding up the record" />
      ) : error || !data ? (
        <Failed error={error} again={refetch} />
      ) : (
        <>
          <p className="quiet mt-2">
            {data.checks} checks from {dayText(data.from)} to {dayText(data.to)}.
          </p>
          <div className="d-flex flex-wrap gap-4 mb-2">
            {data.verdicts.map((v) => (
              <span key={v.verdict} className="d-inline-flex gap-2 align-items-center">
                <span className="verdict">
                  <VerdictShape of={v.verdict} />
                </span>
                <b className="figure">{v.checks}</b> {VERDICT_WORDS[v.verdict]}
              </span>
            ))}
          </div>
          <h2 className="mt-3 mb-1">Tails against the limit</h2>
          <p className="small quiet mb-1">
            Margin in mm: the length measured, less how far off it may be where it was not read with a ruler, against
            what the rules asked. {data.tails.length >= 400 ? 'The latest 400. ' : ''}Press one for its check.
          </p>
          <div className="sheet p-2">
            <Tails tails={data.tails} />
          </div>
          <div className="halves mt-4">
            <section>
              <h2 className="mb-1">What goes wrong most</h2>
              {data.faults.length === 0 ? (
                <p className="quiet">Nothing was found in this time.</p>
              ) : (
                <Bars
                  label="What goes wrong most"
                  rows={data.faults.slice(0, 10).map((f) => ({
                    key: `${f.knot} ${f.fault}`,
                    words: `${faultName(f.knot, f.fault)}: ${name(f.knot)}`,
                    n: f.checks,
                  }))}
                />
              )}
            </section>
            <section>
              <h2 className="mb-1">Faults by knot</h2>
              {data.by_knot.length === 0 ? (
                <p className="quiet">No check in this time.</p>
              ) : (
                <Bars
                  label="Faults by knot"
                  rows={data.by_knot
                    .slice(0, 10)
                    .map((k) => ({ key: k.knot, words: name(k.knot), n: k.with_fault, of: k.checks }))}
                />
              )}
            </section>
          </div>
          <h2 className="mt-4 mb-1">Open findings by age</h2>
          {data.open_findings.length === 0 ? (
            <p className="quiet">None is open.</p>
          ) : (
            <ul className="rows" aria-label="Open findings by age">
              {data.open_findings.map((o) => (
                <li key={o.check}>
                  <Link className="row-link" to={`/log/${o.check}`}>
                    <b className="figure">{o.days} d</b>
                    <span>
                      <b>{name(o.knot)}</b>, {o.place}
                      <br />
                      <span className="sub">
                        {o.rope_tag} · found {dayText(o.seen_at)}
                      </span>
                    </span>
                    <span className="sub">open</span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </>
      )}
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
