import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { ROPE_KINDS } from '../../../core/choose/job';
import { fieldMessage, refusalText, useNewRopeMutation, useRopesQuery, useSessionQuery } from '../../store/api';
import { Failed, Loading } from '../../parts/States';
import { v4 } from '../../parts/uuid';
import { KIND_WORDS } from '../../parts/words';
import { Tabs } from './Tabs';

function AddRope() {
  const [add, { error, isLoading, isSuccess }] = useNewRopeMutation();
  const [id, setId] = useState(v4);
  const [v, setV] = useState({ tag: '', kind: 'dynamic' as (typeof ROPE_KINDS)[number], diameter: '', length: '', note: '' });
  const num = (t: string) => Number(t.replace(',', '.'));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void add({ id, tag: v.tag, kind: v.kind, diameter_mm: num(v.diameter || 'x'), length_m: v.length.trim() === '' ? null : num(v.length), note: v.note }).then((r) => {
      if (!r.data) return;
      setId(v4());
      setV({ ...v, tag: '', length: '', note: '' });
    });
  };
  const field = (key: 'tag' | 'diameter' | 'length' | 'note', label: string, path: string, numeric = false) => (
    <Form.Group controlId={`rope-${key}`}><Form.Label>{label}</Form.Label>
      <Form.Control value={v[key]} inputMode={numeric ? 'decimal' : 'text'} onChange={(e) => setV({ ...v, [key]: e.target.value })} isInvalid={Boolean(fieldMessage(error, path))} />
      {fieldMessage(error, path) ? <p className="invalid-feedback d-block mb-0" role="alert">{fieldMessage(error, path)}</p> : null}</Form.Group>
  );
  return (
    <Form noValidate onSubmit={submit} className="form-grid mt-3" aria-label="Add a rope">
      <h2 className="wide">Add a rope</h2>
      {field('tag', 'Tag', 'tag')}
      <Form.Group controlId="rope-kind"><Form.Label>Kind</Form.Label><Form.Select value={v.kind} onChange={(e) => setV({ ...v, kind: e.target.value as 'dynamic' })}>{ROPE_KINDS.map((k) => <option key={k} value={k}>{KIND_WORDS[k]}</option>)}</Form.Select></Form.Group>
      {field('diameter', 'Diameter in mm', 'diameter_mm', true)}
      {field('length', 'Length in m (may be left out)', 'length_m', true)}
      {field('note', 'Note', 'note')}
      <div className="wide d-flex gap-3 align-items-center"><Button type="submit" disabled={isLoading}>Add</Button><span role="status" className="quiet">{isSuccess ? 'Added.' : ''}</span>{error && !(error as { data?: { errors?: unknown } }).data?.errors ? <span role="alert" className="v-take-out-and-retie">{refusalText(error)}</span> : null}</div>
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
      <h1>Ropes</h1>
      {data.length === 0 ? <p className="quiet fs-5">No rope yet. A check needs one.</p> : (
        <ul className="rows mt-3" style={{ maxWidth: 860 }}>
          {data.map((r) => (
            <li key={r.id}><Link className="row-link" to={`/log?rope=${r.id}`}><b className="figure">{r.tag}</b><span>{r.diameter_mm} mm {KIND_WORDS[r.kind]}{r.length_m ? `, ${r.length_m} m` : ''}<br /><span className="sub">{r.note || ' '}</span></span><span className="sub">{r.state === 'retired' ? <b>retired</b> : 'in service'}</span></Link></li>
          ))}
        </ul>
      )}
      {roles.some((r) => r === 'instructor' || r === 'inspector' || r === 'owner') ? <AddRope /> : null}
    </>
  );
}
