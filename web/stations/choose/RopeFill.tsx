import { useState } from 'react';
import { Button, Dropdown, Form } from 'react-bootstrap';
import { TWO_ROPES } from '../../../core/choose/forPurpose';
import { ROPE_KINDS, type Job, type JobRope } from '../../../core/choose/job';
import { lengthFromText } from '../../../core/units';
import { useRopesQuery } from '../../store/api';
import { useApp, useSend } from '../../store';
import { jobChanged, ropeTaken } from '../../store/job';
import { forLife, tieable, type TieableRope } from '../../store/tieable';
import { KIND_WORDS } from '../../parts/words';

interface Props {
  readonly label: string;
  /** null where it is the same as the first */
  readonly rope: JobRope | null;
  readonly tag: string | null;
  readonly onTake: (rope: JobRope, of: TieableRope | null) => void;
  /** it may be the same as the first */
  readonly onSame?: () => void;
}

const ropeText = (r: JobRope) => `${r.diameter_mm} mm ${KIND_WORDS[r.kind]}`;

/** A rope: one of the store by its tag, or a kind and a diameter. */
function RopeFill({ label, rope, tag, onTake, onSame }: Props) {
  const all = useRopesQuery().data ?? [];
  // damage is isolated in a rope that has some
  const ropes =
    useApp((s) => s.job.job.purpose) === 'isolate-damage'
      ? tieable(all).filter((r) => r.state !== 'retired')
      : forLife(all);
  const [kind, setKind] = useState<Job['rope']['kind']>(rope?.kind ?? 'dynamic');
  const [diameter, setDiameter] = useState(String(rope?.diameter_mm ?? 10));
  const [show, setShow] = useState(false);
  const value = Math.round(lengthFromText(diameter, 'mm') * 10) / 10;
  const wrong = !(value >= 2 && value <= 40);
  const id = label.replaceAll(' ', '-').toLowerCase();
  return (
    <Dropdown className="dropdown" show={show} onToggle={setShow} autoClose="outside">
      <Dropdown.Toggle className="fill" aria-label={label}>
        {rope ? ropeText(rope) : 'one like it'}
        {tag ? ` (${tag})` : ''}
      </Dropdown.Toggle>
      <Dropdown.Menu style={{ minWidth: 320 }}>
        {onSame ? (
          <Dropdown.Item
            as="button"
            active={rope === null}
            onClick={() => {
              onSame();
              setShow(false);
            }}
          >
            one like it
          </Dropdown.Item>
        ) : null}
        <Dropdown.Header>From the store</Dropdown.Header>
        {ropes.map((r) => (
          <Dropdown.Item
            as="button"
            key={r.id}
            active={tag === r.tag}
            onClick={() => {
              onTake({ kind: r.kind, diameter_mm: r.diameter_mm }, r);
              setDiameter(String(r.diameter_mm));
              setKind(r.kind);
              setShow(false);
            }}
          >
            <b>{r.tag}</b> {r.diameter_mm} mm {KIND_WORDS[r.kind]}
          </Dropdown.Item>
        ))}
        <Dropdown.Divider />
        <div className="px-3 pb-2" style={{ fontSize: 17 }}>
          <p className="eyebrow mb-2">Or another rope</p>
          <Form.Group controlId={`${id}-kind`} className="mb-2">
            <Form.Label>Kind</Form.Label>
            <Form.Select value={kind} onChange={(e) => setKind(e.target.value as Job['rope']['kind'])}>
              {ROPE_KINDS.map((k) => (
                <option key={k} value={k}>
                  {KIND_WORDS[k]}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId={`${id}-diameter`} className="mb-2">
            <Form.Label>{kind === 'webbing' ? 'Width' : 'Diameter'}, mm or in</Form.Label>
            <Form.Control
              value={diameter}
              inputMode="text"
              isInvalid={wrong}
              onChange={(e) => setDiameter(e.target.value)}
              placeholder="10.5, or 7/16 in"
            />
            {wrong ? (
              <p className="invalid-feedback d-block mb-0">2 to 40 mm; with in or &quot; for inches</p>
            ) : /[a-z"”]/i.test(diameter) ? (
              <p className="small quiet mb-0">{value} mm</p>
            ) : null}
          </Form.Group>
          <Button
            disabled={wrong}
            onClick={() => {
              onTake({ kind, diameter_mm: value }, null);
              setShow(false);
            }}
          >
            Take this rope
          </Button>
        </div>
      </Dropdown.Menu>
    </Dropdown>
  );
}

/** The ropes of the job: one; two that are joined; or a cord and the rope it grips. */
export function JobRopes() {
  const send = useSend();
  const { job, rope } = useApp((s) => s.job);
  const two = TWO_ROPES[job.purpose];
  const first = (taken: JobRope, of: TieableRope | null) => {
    send(ropeTaken(of));
    send(jobChanged({ rope: taken }));
  };
  const second = (taken: JobRope) => send(jobChanged({ second_rope: taken }));
  return (
    <>
      <RopeFill
        key={`${job.rope.kind} ${job.rope.diameter_mm}`}
        label={two === 'gripped' ? 'The cord' : 'The rope'}
        rope={job.rope}
        tag={rope?.tag ?? null}
        onTake={first}
      />
      {two === 'joined' ? (
        <>
          {' '}
          and{' '}
          <RopeFill
            label="The other rope"
            rope={job.second_rope ?? null}
            tag={null}
            onTake={second}
            onSame={() => send(jobChanged({ second_rope: null }))}
          />
        </>
      ) : null}
      {two === 'gripped' ? (
        <>
          {' '}
          round{' '}
          <RopeFill
            label="The gripped rope"
            rope={job.second_rope ?? { kind: 'low-stretch', diameter_mm: 10 }}
            tag={null}
            onTake={second}
          />
        </>
      ) : null}
    </>
  );
}
