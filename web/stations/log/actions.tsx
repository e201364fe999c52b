/** What can be added to a check: a second signature, a correction, what was done about a finding. */
import { useState, type FormEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { Link } from 'react-router';
import type { CheckRow } from '../../../contract';
import { isByFist, pointsAsked, TAIL_UNCERTAINTY_MM, type PointAnswer } from '../../../core/inspect/judging';
import { shippedProfile } from '../../../core/profiles';
import type { CheckBody } from '../../../core/records';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { useKnotName } from '../../parts/CheckRows';
import { refusalText, useChecksQuery, useCloseFindingMutation, useCorrectMutation } from '../../store/api';
import { QrCode } from '../../parts/QrCode';
import { newId } from '../../parts/newId';
import { POINT_WORDS } from '../../parts/words';

/** The way to a second person: on their own device by the code, or on this one handed over. */
export function SecondPerson({ row, mayMyself }: { readonly row: CheckRow; readonly mayMyself: boolean }) {
  const address = `${window.location.origin}/check/second/${row.id}`;
  return (
    <section className="sheet p-3 no-print" aria-label="Second person">
      <h2>Second person</h2>
      <p className="small quiet mt-1">
        Neither the one who tied it nor the first checker. They look for themselves, before they are shown what was
        found; asking the one who tied it is no check.
      </p>
      <Link className="btn btn-primary w-100" to={`/check/second/${row.id}`}>
        {mayMyself ? 'Look at it yourself' : 'Hand this device over'}
      </Link>
      {mayMyself ? null : (
        <div className="d-flex flex-wrap gap-3 align-items-center mt-3">
          <QrCode text={address} label="Code that opens the second look on another device" />
          <p className="small quiet m-0">
            Or on their own device: point its camera here, and sign in there.
            <br />
            <a href={address} className="text-break">
              {address}
            </a>
          </p>
        </div>
      )}
    </section>
  );
}

/** Later checks of the same rope at the same place by which a finding can be closed: they meet the rule, and someone other than who tied it looked. */
function useLaterChecks(row: CheckRow): readonly CheckRow[] {
  const later = useChecksQuery(`rope=${row.rope}&limit=50`).data?.items ?? [];
  return later.filter(
    (c) =>
      c.sequence > row.sequence &&
      c.points_verdict === 'meets-the-rule' &&
      !c.alone &&
      c.place.trim().toLowerCase() === row.place.trim().toLowerCase(),
  );
}

export function CloseFinding({ row }: { row: CheckRow }) {
  const [id] = useState(newId);
  const [what, setWhat] = useState<'' | 'taken-out' | 'retied' | 'rope-retired'>('');
  const [later, setLater] = useState('');
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const checks = useLaterChecks(row);
  const name = useKnotName();
  const [close, { error, isLoading }] = useCloseFindingMutation();
  const missing = what === '' || (what === 'retied' && later === '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    if (!missing)
      void close({
        check: row.id,
        body: { id, what_was_done: what as 'retied', note, ...(what === 'retied' && { later_check: later }) },
      });
  };
  return (
    <Form className="notice bad no-print" aria-label="Close the finding" onSubmit={submit}>
      <h2>Open: take out and retie</h2>
      <p className="small mt-1">It stays open until an entry says what was done.</p>
      <Form.Group controlId="what-done" className="mb-2">
        <Form.Label>What was done</Form.Label>
        <Form.Select
          value={what}
          onChange={(e) => setWhat(e.target.value as 'retied')}
          isInvalid={tried && what === ''}
        >
          <option value="">choose</option>
          <option value="taken-out">taken out</option>
          <option value="retied">taken out and tied again</option>
          <option value="rope-retired">rope retired</option>
        </Form.Select>
      </Form.Group>
      {what === 'retied' ? (
        <Form.Group controlId="later-check" className="mb-2">
          <Form.Label>Who looked at it since</Form.Label>
          <Form.Select value={later} onChange={(e) => setLater(e.target.value)} isInvalid={tried && later === ''}>
            <option value="">choose the later check</option>
            {checks.map((c) => (
              <option key={c.id} value={c.id}>
                no. {c.sequence}: {name(c.knot)}, {c.place}, by {c.checker_name}
              </option>
            ))}
          </Form.Select>
          {checks.length === 0 ? (
            <Form.Text>
              There is none yet: someone other than who tied it checks it first. Until then it stays open.
            </Form.Text>
          ) : null}
        </Form.Group>
      ) : null}
      <Form.Group controlId="done-note" className="mb-3">
        <Form.Label>Note</Form.Label>
        <Form.Control value={note} maxLength={2000} onChange={(e) => setNote(e.target.value)} />
      </Form.Group>
      {error ? (
        <p className="invalid-feedback d-block" role="alert">
          {refusalText(error)}
        </p>
      ) : null}
      <Button type="submit" disabled={isLoading}>
        Record it
      </Button>
    </Form>
  );
}

/** A correction is a new entry that points at the old one; the old one stays. */
export function Correct({ row, body, answers }: { row: CheckRow; body: CheckBody; answers: readonly PointAnswer[] }) {
  const [show, setShow] = useState(false);
  const [id, setId] = useState(newId);
  const [reason, setReason] = useState('');
  const [found, setFound] = useState<Record<string, string>>({});
  const [tail, setTail] = useState('');
  const [correct, { error, isLoading }] = useCorrectMutation();
  const entry = entryById(row.knot);
  const profile = shippedProfile(`${body.profile}@${body.profile_version}`);
  const points = pointsAsked(body, { profile, entry });
  const given = answers.find((a) => a.point === 'tail')?.tail;
  const oldTail = given && !isByFist(given) ? given : undefined;
  const oldMore = answers.find((a) => a.point === 'tail')?.more_tails;
  const tail_mm = tail.trim() === '' ? oldTail?.tail_mm : Number(tail.replace(',', '.'));
  const wrong =
    reason.trim() === ''
      ? 'say why'
      : tail_mm !== undefined && !(Number.isFinite(tail_mm) && tail_mm >= 0 && tail_mm <= 20_000)
        ? 'the tail is no length'
        : null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (wrong) return;
    const next = points.flatMap((p): PointAnswer[] => {
      if (p.id === 'tail') {
        if (tail_mm === undefined) return answers.filter((a) => a.point === 'tail');
        return [
          {
            point: p.id,
            found: 'right',
            tail: {
              tail_mm,
              method: oldTail?.method ?? ('ruler' as const),
              uncertainty_mm: oldTail?.uncertainty_mm ?? TAIL_UNCERTAINTY_MM.ruler,
            },
            ...(oldMore && { more_tails: oldMore }),
          },
        ];
      }
      const value = found[p.id] ?? answers.find((a) => a.point === p.id)?.found;
      return value ? [{ point: p.id, found: value as PointAnswer['found'] }] : [];
    });
    void correct({ check: row.id, body: { id, reason, answers: next } }).then((r) => {
      if (!r.data) return;
      setShow(false);
      setId(newId());
      setReason('');
      setFound({});
      setTail('');
    });
  };
  return (
    <>
      <Button variant="outline-primary" onClick={() => setShow(true)}>
        Correct it
      </Button>
      <Modal show={show} onHide={() => setShow(false)} aria-labelledby="correct-title" scrollable>
        <Modal.Body>
          <h2 id="correct-title">Correct this check</h2>
          <p className="small quiet mt-1">
            Nothing is changed or removed: this adds an entry. A second signature has to be given anew.
          </p>
          <Form onSubmit={submit}>
            <Form.Group controlId="reason" className="mb-3">
              <Form.Label>Why</Form.Label>
              <Form.Control value={reason} maxLength={500} onChange={(e) => setReason(e.target.value)} autoFocus />
            </Form.Group>
            <Form.Group controlId="new-tail" className="mb-2">
              <Form.Label>Tail in mm</Form.Label>
              <Form.Control
                value={tail}
                placeholder={oldTail ? String(oldTail.tail_mm) : 'not measured'}
                inputMode="decimal"
                onChange={(e) => setTail(e.target.value)}
              />
            </Form.Group>
            {points
              .filter((p) => p.id !== 'tail')
              .map((p) => (
                <Form.Group key={p.id} controlId={`new-${p.id}`} className="mb-2">
                  <Form.Label>{POINT_WORDS[p.id]}</Form.Label>
                  <Form.Select
                    value={found[p.id] ?? answers.find((a) => a.point === p.id)?.found ?? ''}
                    onChange={(e) => setFound({ ...found, [p.id]: e.target.value })}
                  >
                    <option value="" disabled>
                      not looked at
                    </option>
                    <option value="right">{p.right.label}</option>
                    {p.wrong.map((w) => (
                      <option key={w.fault} value={w.fault}>
                        {w.label}
                      </option>
                    ))}
                    <option value="cannot-see">cannot see</option>
                  </Form.Select>
                </Form.Group>
              ))}
            {error ? (
              <p className="invalid-feedback d-block" role="alert">
                {refusalText(error)}
              </p>
            ) : null}
            <div className="d-flex gap-2 mt-3">
              <Button type="submit" disabled={isLoading || wrong !== null}>
                Record the correction
              </Button>
              <Button variant="outline-primary" onClick={() => setShow(false)}>
                Cancel
              </Button>
            </div>
          </Form>
        </Modal.Body>
      </Modal>
    </>
  );
}
