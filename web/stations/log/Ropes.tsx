import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { ROPE_KINDS } from '../../../core/choose/job';
import { fieldMessage, refusalText, useNewRopeMutation, useRopesQuery, useSessionQuery } from '../../store/api';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { KIND_WORDS, ROPE_STATE_WORDS, THING_WORDS } from '../../parts/words';
import { Tabs } from './Tabs';

type Thing = keyof typeof THING_WORDS;

function AddRope() {
  const [add, { error, isLoading, isSuccess }] = useNewRopeMutation();
  const [id, setId] = useState(newId);
  const [v, setV] = useState({
    tag: '',
    thing: 'rope' as Thing,
    kind: 'dynamic' as (typeof ROPE_KINDS)[number],
    diameter: '',
    length: '',
    since: '',
    note: '',
  });
  const num = (t: string) => (t.trim() === '' ? null : Number(t.replace(',', '.')));
  const tied = v.thing !== 'karabiner';
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void add({
      id,
      tag: v.tag,
      thing: v.thing,
      kind: tied ? v.kind : null,
      diameter_mm: tied ? num(v.diameter) : null,
      length_m: tied ? num(v.length) : null,
      in_service_since: v.since || null,
      note: v.note,
    }).then((r) => {
      if (!r.data) return;
      setId(newId());
      setV({ ...v, tag: '', length: '', note: '' });
    });
  };
  const field = (key: 'tag' | 'diameter' | 'length' | 'note', label: string, path: string, numeric = false) => (
    <Form.Group controlId={`rope-${key}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        value={v[key]}
        inputMode={numeric ? 'decimal' : 'text'}
        onChange={(e) => setV({ ...v, [key]: e.target.value })}
        isInvalid={Boolean(fieldMessage(error, path))}
      />
      {fieldMessage(error, path) ? (
        <p className="invalid-feedback d-block mb-0" role="alert">
          {fieldMessage(error, path)}
        </p>
      ) : null}
    </Form.Group>
  );
  return (
    <Form noValidate onSubmit={submit} className="form-grid mt-4" aria-label="Add a rope">
      <h2 className="wide">Add a rope, cord, sling or karabiner</h2>
      {field('tag', 'Tag', 'tag')}
      <Form.Group controlId="rope-thing">
        <Form.Label>What</Form.Label>
        <Form.Select value={v.thing} onChange={(e) => setV({ ...v, thing: e.target.value as Thing })}>
          {(Object.keys(THING_WORDS) as Thing[]).map((t) => (
            <option key={t} value={t}>
              {THING_WORDS[t]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {tied ? (
        <Form.Group controlId="rope-kind">
          <Form.Label>Kind</Form.Label>
          <Form.Select value={v.kind} onChange={(e) => setV({ ...v, kind: e.target.value as 'dynamic' })}>
            {ROPE_KINDS.map((k) => (
              <option key={k} value={k}>
                {KIND_WORDS[k]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      ) : null}
      {tied
        ? field(
            'diameter',
            v.thing === 'sling' ? 'Diameter or width in mm (may be left out)' : 'Diameter in mm',
            'diameter_mm',
            true,
          )
        : null}
      {tied ? field('length', 'Length in m (may be left out)', 'length_m', true) : null}
      <Form.Group controlId="rope-since">
        <Form.Label>In service since (may be left out)</Form.Label>
        <Form.Control type="date" value={v.since} onChange={(e) => setV({ ...v, since: e.target.value })} />
      </Form.Group>
      {field('note', 'Note', 'note')}
      <div className="wide d-flex gap-3 align-items-center">
        <Button type="submit" disabled={isLoading}>
          Add
        </Button>
        <span role="status" className="quiet">
          {isSuccess ? 'Added.' : ''}
        </span>
        {error && !(error as { data?: { errors?: unknown } }).data?.errors ? (
          <span role="alert" className="v-take-out-and-retie">
            {refusalText(error)}
          </span>
        ) : null}
      </div>
    </Form>
  );
}

export function Ropes() {
  const { data, error, isLoading, refetch } = useRopesQuery();
  const roles = useSessionQuery().data?.person?.roles ?? [];
  if (isLoading) return <Loading what="Looking at the ropes" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  return (
    <>
      <Tabs />
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>Ropes and what belongs to them</h1>
        <span className="ms-auto no-print">
          <a href="/api/v1/ropes/labels.pdf" target="_blank" rel="noreferrer">
            Labels
          </a>{' '}
          ·{' '}
          <a href="/api/v1/ropes.csv" download>
            CSV
          </a>{' '}
          ·{' '}
          <a href="/api/v1/ropes.json" download>
            JSON
          </a>
          {roles.includes('instructor') ? (
            <>
              {' '}
              · <Link to="/log/import/ropes">Read a file in</Link>
            </>
          ) : null}
        </span>
      </div>
      {data.length === 0 ? (
        <p className="quiet fs-5">No rope yet. A check needs one.</p>
      ) : (
        <ul className="rows mt-3" style={{ maxWidth: 860 }} aria-label="Ropes">
          {data.map((r) => (
            <li key={r.id}>
              <Link className="row-link" to={`/log/ropes/${r.id}`}>
                <b className="figure">{r.tag}</b>
                <span>
                  {[
                    r.thing === 'rope' ? '' : THING_WORDS[r.thing],
                    r.diameter_mm === null ? '' : `${r.diameter_mm} mm`,
                    r.kind ? KIND_WORDS[r.kind] : '',
                  ]
                    .filter(Boolean)
                    .join(' ')}
                  {r.length_m === null ? '' : `, ${r.length_m} m`}
                  <br />
                  <span className="sub">
                    {[
                      r.note,
                      r.knots_in_it > 0 ? `${r.knots_in_it} ${r.knots_in_it === 1 ? 'knot' : 'knots'} in it` : '',
                      r.hard_falls > 0 ? `${r.hard_falls} hard ${r.hard_falls === 1 ? 'fall' : 'falls'}` : '',
                    ]
                      .filter(Boolean)
                      .join(' · ') || ' '}
                  </span>
                </span>
                <span className="sub text-end">
                  {r.state === 'in-service' ? (
                    'in service'
                  ) : (
                    <b className="v-take-out-and-retie">{ROPE_STATE_WORDS[r.state]}</b>
                  )}
                  {r.open_findings > 0 ? (
                    <>
                      <br />
                      <b className="v-take-out-and-retie">a knot to take out</b>
                    </>
                  ) : null}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {roles.some((r) => r === 'instructor' || r === 'inspector' || r === 'owner') ? <AddRope /> : null}
    </>
  );
}
