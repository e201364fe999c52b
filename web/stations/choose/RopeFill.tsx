import { useState } from 'react';
import { Button, Dropdown, Form } from 'react-bootstrap';
import { ROPE_KINDS, type Job } from '../../../core/choose/job';
import { useRopesQuery } from '../../store/api';
import { useApp, useSend } from '../../store';
import { jobChanged, ropeTaken } from '../../store/job';
import { KIND_WORDS } from '../../parts/words';

/** The rope: one of the store by its tag, or a kind and a diameter. */
export function RopeFill() {
  const send = useSend();
  const { job, rope } = useApp((s) => s.job);
  const ropes = (useRopesQuery().data ?? []).filter((r) => r.state === 'in-service');
  const [kind, setKind] = useState<Job['rope']['kind']>(job.rope.kind);
  const [diameter, setDiameter] = useState(String(job.rope.diameter_mm));
  const [show, setShow] = useState(false);
  const value = Number(diameter.replace(',', '.'));
  const wrong = !Number.isFinite(value) || value < 2 || value > 40;
  return (
    <Dropdown className="dropdown" show={show} onToggle={setShow} autoClose="outside">
      <Dropdown.Toggle className="fill" aria-label="The rope">{job.rope.diameter_mm} mm {KIND_WORDS[job.rope.kind]}{rope ? ` (${rope.tag})` : ''}</Dropdown.Toggle>
      <Dropdown.Menu style={{ minWidth: 320 }}>
        <Dropdown.Header>From the store</Dropdown.Header>
        {ropes.map((r) => (
          <Dropdown.Item as="button" key={r.id} active={rope?.id === r.id} onClick={() => { send(ropeTaken(r)); setDiameter(String(r.diameter_mm)); setKind(r.kind); setShow(false); }}>
            <b>{r.tag}</b> {r.diameter_mm} mm {KIND_WORDS[r.kind]}
          </Dropdown.Item>
        ))}
        <Dropdown.Divider />
        <div className="px-3 pb-2" style={{ fontSize: 17 }}>
          <p className="eyebrow mb-2">Or another rope</p>
          <Form.Group controlId="rope-kind" className="mb-2">
            <Form.Label>Kind</Form.Label>
            <Form.Select value={kind} onChange={(e) => setKind(e.target.value as Job['rope']['kind'])}>{ROPE_KINDS.map((k) => <option key={k} value={k}>{KIND_WORDS[k]}</option>)}</Form.Select>
          </Form.Group>
          <Form.Group controlId="rope-diameter" className="mb-2">
            <Form.Label>Diameter in mm</Form.Label>
            <Form.Control value={diameter} inputMode="decimal" isInvalid={wrong} onChange={(e) => setDiameter(e.target.value)} />
            {wrong ? <p className="invalid-feedback d-block mb-0">2 to 40 mm</p> : null}
          </Form.Group>
          <Button disabled={wrong} onClick={() => { send(ropeTaken(null)); send(jobChanged({ rope: { kind, diameter_mm: value } })); setShow(false); }}>Take this rope</Button>
        </div>
      </Dropdown.Menu>
    </Dropdown>
  );
}
