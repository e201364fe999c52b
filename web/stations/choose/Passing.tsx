/** What passed what: trials that ship and those of the organisation, and a form to log one. A size never says that something passes. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { z } from 'zod';
import type { newPassingTrialBody } from '../../../contract';
import {
  refusalText,
  useKnotsQuery,
  useNewPassingTrialMutation,
  usePassingTrialsQuery,
  useSessionQuery,
  useWithdrawTrialMutation,
} from '../../store/api';
import { useApp } from '../../store';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { CAUTION } from '../../parts/words';

type Trial = z.input<typeof newPassingTrialBody>;
const RESULTS = { passes: 'passes', 'by-hand': 'by hand', stuck: 'stuck' } as const;
const CAUGHT = { body: 'the knot’s body', edge: 'an edge of it', tails: 'the tails' } as const;
const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));

function LogOne({ devices }: { devices: readonly { id: string; name: string; opening_mm: number | null }[] }) {
  const { job } = useApp((s) => s.job);
  const knots = (useKnotsQuery().data ?? []).filter((k) => k.family === 'bend');
  const [id, setId] = useState(newId);
  const [knot, setKnot] = useState('offset-overhand');
  const [device, setDevice] = useState(devices[0]!.id);
  const [diameter, setDiameter] = useState(String(job.rope.diameter_mm));
  const [opening, setOpening] = useState('');
  const [tail, setTail] = useState('');
  const [result, setResult] = useState<keyof typeof RESULTS>('passes');
  const [caught, setCaught] = useState<keyof typeof CAUGHT | ''>('');
  const [note, setNote] = useState('');
  const [keep, { error, isLoading, isSuccess }] = useNewPassingTrialMutation();
  const wrong = [diameter, opening, tail].map(
    (v, k) => (k === 0 && number(v) === null) || (number(v) !== null && !(number(v)! >= 0 && number(v)! <= 20000)),
  );
  const send = (e: FormEvent) => {
    e.preventDefault();
    void keep({
      id,
      knot,
      device,
      rope_diameter_mm: number(diameter)!,
      opening_mm: number(opening),
      tail_mm: number(tail),
      result,
      caught: result === 'passes' ? null : caught || null,
      note,
    } as Trial).then((r) => {
      if (r.data) {
        setId(newId());
        setNote('');
      }
    });
  };
  return (
    <Form onSubmit={send} className="sheet p-3 px-4">
      <h2>Log a trial</h2>
      <p className="quiet small mb-2">Try joint and device on the ground first: a jammed joint leaves you hanging.</p>
      <div className="form-grid">
        <Form.Group controlId="trial-knot">
          <Form.Label>Joint</Form.Label>
          <Form.Select value={knot} onChange={(e) => setKnot(e.target.value)}>
            {knots.map((k) => (
              <option key={k.id} value={k.id}>
                {k.names[0]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="trial-device">
          <Form.Label>Has to pass</Form.Label>
          <Form.Select value={device} onChange={(e) => setDevice(e.target.value)}>
            {devices.map((d) => (
              <option key={d.id} value={d.id}>
                {d.name}
                {d.opening_mm === null ? '' : `, about ${d.opening_mm} mm`}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {(
          [
            ['trial-rope', 'Rope, mm', diameter, setDiameter],
            ['trial-opening', 'Its opening, measured, mm', opening, setOpening],
            ['trial-tail', 'Tails, mm', tail, setTail],
          ] as const
        ).map(([key, label, value, set], k) => (
          <Form.Group controlId={key} key={key}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
              inputMode="decimal"
              className="figure"
              value={value}
              onChange={(e) => set(e.target.value)}
              isInvalid={wrong[k]!}
            />
            <Form.Control.Feedback type="invalid">A length in mm.</Form.Control.Feedback>
          </Form.Group>
        ))}
        <Form.Group controlId="trial-caught">
          <Form.Label>What caught</Form.Label>
          <Form.Select
            value={caught}
            disabled={result === 'passes'}
            onChange={(e) => setCaught(e.target.value as typeof caught)}
          >
            <option value="">nothing, or not seen</option>
            {Object.entries(CAUGHT).map(([c, words]) => (
              <option key={c} value={c}>
                {words}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <div className="wide">
          <div className="seg wide" role="group" aria-label="Result">
            {Object.entries(RESULTS).map(([r, words]) => (
              <button
                key={r}
                type="button"
                aria-pressed={r === result}
                onClick={() => setResult(r as keyof typeof RESULTS)}
              >
                {words}
              </button>
            ))}
          </div>
        </div>
        <Form.Group controlId="trial-note" className="wide">
          <Form.Label>Note</Form.Label>
          <Form.Control value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
        </Form.Group>
        <div className="wide">
          <Button type="submit" disabled={isLoading || wrong.some(Boolean)}>
            Log it
          </Button>{' '}
          {isSuccess ? <span className="quiet">Logged. It counts in choosing.</span> : null}
        </div>
      </div>
      {error ? <p className="notice no mt-2 mb-0">{refusalText(error)}</p> : null}
    </Form>
  );
}

/** A trial is withdrawn with a reason: it stays in the list, and no longer counts. */
function Withdraw({ trial }: { readonly trial: string }) {
  const [asked, setAsked] = useState(false);
  const [reason, setReason] = useState('');
  const [id] = useState(newId);
  const [withdraw, { error, isLoading }] = useWithdrawTrialMutation();
  if (!asked)
    return (
      <button type="button" className="btn btn-link p-0 d-block" onClick={() => setAsked(true)}>
        Withdraw it
      </button>
    );
  return (
    <Form
      className="d-flex gap-2 mt-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim() !== '') void withdraw({ trial, body: { id, reason: reason.trim() } });
      }}
    >
      <Form.Control
        aria-label="Why it is withdrawn"
        placeholder="why"
        value={reason}
        maxLength={400}
        onChange={(e) => setReason(e.target.value)}
        autoFocus
      />
      <Button type="submit" size="sm" disabled={isLoading || reason.trim() === ''}>
        Withdraw
      </Button>
      {error ? <span className="invalid-feedback d-block">{refusalText(error)}</span> : null}
    </Form>
  );
}

export function Passing() {
  const records = (useSessionQuery().data?.person?.roles ?? []).some((r) => r !== 'learner');
  const { data, error, isLoading, refetch } = usePassingTrialsQuery();
  const knots = useKnotsQuery().data;
  const name = (id: string) => knots?.find((k) => k.id === id)?.names[0] ?? id;
  if (isLoading) return <Loading what="Reading the trials" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const device = (id: string) => data.devices.find((d) => d.id === id)?.name ?? id;
  const rows = [
    ...data.items.map((t) => ({ ...t, key: t.id, from: 'logged here' })),
    ...data.shipped.map((t, k) => ({
      ...t,
      tail_mm: null,
      opening_mm: null,
      withdrawn: null,
      key: `shipped ${k}`,
      from: t.source,
    })),
  ];
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>What passes what</h1>
        <Link to="/choose" className="ms-auto">
          choose a knot
        </Link>
      </div>
      <p className="quiet mt-1">
        Only trials say that a joint passes, and only in about that rope, that opening and with tails as long; of
        several the worst counts. Openings of devices are usual ones: measure yours.
      </p>
      <div className="what mt-2">
        <div className="table-scroll" tabIndex={0} role="region" aria-label="Trials">
          <table className="table">
            <thead>
              <tr>
                <th>Joint</th>
                <th>Device</th>
                <th>Rope</th>
                <th>Result</th>
                <th>Note</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((t) => (
                <tr key={t.key}>
                  <td>{name(t.knot)}</td>
                  <td>
                    {device(t.device)}
                    {t.opening_mm === null ? '' : `, ${t.opening_mm} mm`}
                  </td>
                  <td className="text-nowrap">{t.rope_diameter_mm} mm</td>
                  <td>
                    <b>{RESULTS[t.result]}</b>
                    {t.caught ? `, ${CAUGHT[t.caught]} caught` : ''}
                  </td>
                  <td>
                    {t.note}
                    {t.tail_mm === null ? '' : ` Tails of ${t.tail_mm} mm.`} <span className="rule-id">{t.from}</span>
                    {t.withdrawn ? (
                      <b className="d-block">Withdrawn, no longer counts: {t.withdrawn.reason}</b>
                    ) : records && t.from === 'logged here' ? (
                      <Withdraw trial={t.key} />
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {records ? <LogOne devices={data.devices} /> : null}
      </div>
      <p className="caution mt-3">{CAUTION}</p>
    </>
  );
}
