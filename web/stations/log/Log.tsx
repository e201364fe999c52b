import { useState } from 'react';
import { Button, Form, Table } from 'react-bootstrap';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { CheckRow } from '../../../contract';
import { VERDICTS } from '../../../core/inspect/judging';
import { useChecksQuery, usePeopleQuery, useProfilesQuery, useRopesQuery } from '../../store/api';
import { CheckRows, useKnotName } from '../../parts/CheckRows';
import { Failed, Loading } from '../../parts/States';
import { Verdict } from '../../parts/Verdict';
import { CAUTION, momentText, VERDICT_WORDS } from '../../parts/words';
import { Tabs } from './Tabs';
import { useNow } from '../../parts/now';

const FILTERS = ['rope', 'person', 'verdict', 'open', 'from', 'to'] as const;

function Rows({ rows }: { rows: readonly CheckRow[] }) {
  const navigate = useNavigate();
  const name = useKnotName();
  const profiles = useProfilesQuery().data;
  const ruleName = (id: string) => profiles?.find((p) => p.id === id)?.name ?? id;
  return (
    <>
      <div className="table-wrap">
        <Table hover>
          <thead>
            <tr>
              <th scope="col">Verdict</th>
              <th scope="col">Knot</th>
              <th scope="col">Rope, place</th>
              <th scope="col">Tail</th>
              <th scope="col">Tied, looked at, signed</th>
              <th scope="col">Rules</th>
              <th scope="col">As seen then</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.id} onClick={() => void navigate(`/log/${r.id}`)} style={{ cursor: 'pointer' }}>
                <td>
                  <Verdict of={r.verdict} />
                  {r.open_finding ? (
                    <div className="small v-take-out-and-retie">
                      <b>open</b>
                    </div>
                  ) : null}
                  {r.corrected ? <div className="small quiet">corrected</div> : null}
                  {r.differs ? (
                    <div className="small v-put-right">
                      <b>looks differ</b>
                    </div>
                  ) : null}
                </td>
                <td>
                  <Link to={`/log/${r.id}`} onClick={(e) => e.stopPropagation()}>
                    {name(r.knot)}
                  </Link>
                </td>
                <td>
                  <b>{r.rope_tag}</b>
                  <br />
                  <span className="quiet">{r.place}</span>
                </td>
                <td className="text-nowrap">
                  {r.tail_mm === null ? (
                    '–'
                  ) : (
                    <>
                      <span className="figure">{Math.round(r.tail_mm)}</span> mm
                      {r.tail_margin_mm === null ? (
                        ''
                      ) : (
                        <span className="quiet">
                          {' '}
                          ({r.tail_margin_mm > 0 ? '+' : ''}
                          {r.tail_margin_mm})
                        </span>
                      )}
                    </>
                  )}
                </td>
                <td>
                  {r.tied_by_name}
                  <br />
                  <span className="quiet">
                    {r.checker_name}
                    {r.signer_name ? `, ${r.signer_name}` : r.alone ? ', no second person' : ''}
                  </span>
                </td>
                <td>
                  {ruleName(r.profile)}
                  <br />
                  <span className="quiet">version {r.profile_version}</span>
                </td>
                <td>{momentText(r.seen_at)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      <div className="only-narrow">
        <CheckRows rows={rows} label="Checks" />
      </div>
    </>
  );
}

/** One page of the list; the next is asked for by a press. */
function Page({ search, cursor, first }: { search: string; cursor: string | null; first: boolean }) {
  const query = cursor ? `${search}&cursor=${cursor}` : search;
  const { data, error, isLoading, refetch } = useChecksQuery(`${query}&limit=30`);
  const [more, setMore] = useState(false);
  if (isLoading) return <Loading what="Reading the record" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  if (first && data.items.length === 0)
    return (
      <p className="quiet fs-5 mt-4">
        No check fits. {search ? 'Widen the filter.' : 'The first check begins under Check.'}
      </p>
    );
  return (
    <>
      <Rows rows={data.items} />
      {data.next ? (
        more ? (
          <Page search={search} cursor={data.next} first={false} />
        ) : (
          <Button variant="outline-primary" className="mt-2" onClick={() => setMore(true)}>
            Older checks
          </Button>
        )
      ) : null}
    </>
  );
}

function DayPdf({ day }: { day: string | null }) {
  const today = useNow().toISOString().slice(0, 10);
  return (
    <a href={`/api/v1/day.pdf?day=${day || today}`} target="_blank" rel="noreferrer">
      PDF of {day || 'today'}
    </a>
  );
}

export function Log() {
  const [params, setParams] = useSearchParams();
  const [filtering, setFiltering] = useState(false);
  const ropes = useRopesQuery().data ?? [];
  const people = usePeopleQuery().data ?? [];
  const set = (key: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value) next.set(key, value);
    else next.delete(key);
    setParams(next, { replace: true });
  };
  const search = new URLSearchParams(FILTERS.flatMap((f) => (params.get(f) ? [[f, params.get(f)!]] : []))).toString();
  const select = (key: string, label: string, options: readonly (readonly [string, string])[]) => (
    <Form.Group controlId={`filter-${key}`}>
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
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>The record</h1>
        <span className="ms-auto no-print">
          <a href={`/api/v1/checks.csv?${search}`} download>
            CSV
          </a>{' '}
          ·{' '}
          <a href={`/api/v1/checks.json?${search}`} download>
            JSON
          </a>{' '}
          · <DayPdf day={params.get('to') || params.get('from')} />
        </span>
      </div>
      <Button
        variant="outline-primary"
        className="only-narrow mt-2"
        aria-expanded={filtering}
        onClick={() => setFiltering(!filtering)}
      >
        {search === '' ? 'Filter' : 'Filter (in use)'}
      </Button>
      <div className={`filters no-print${filtering ? '' : ' hide-narrow'}`}>
        {select(
          'rope',
          'Rope',
          ropes.map((r) => [r.id, r.tag] as const),
        )}
        {select(
          'person',
          'Person',
          people.map((p) => [p.id, p.name] as const),
        )}
        {select(
          'verdict',
          'Verdict',
          VERDICTS.map((v) => [v, VERDICT_WORDS[v]] as const),
        )}
        <Form.Group controlId="filter-from">
          <Form.Label>From</Form.Label>
          <Form.Control type="date" value={params.get('from') ?? ''} onChange={(e) => set('from', e.target.value)} />
        </Form.Group>
        <Form.Group controlId="filter-to">
          <Form.Label>To</Form.Label>
          <Form.Control type="date" value={params.get('to') ?? ''} onChange={(e) => set('to', e.target.value)} />
        </Form.Group>
        <Button variant="outline-primary" disabled={search === ''} onClick={() => setParams({}, { replace: true })}>
          Clear
        </Button>
      </div>
      <Page key={search} search={search} cursor={null} first />
      <p className="caution mt-4">Each verdict is as it was seen then, under the rules named beside it. {CAUTION}</p>
    </>
  );
}
