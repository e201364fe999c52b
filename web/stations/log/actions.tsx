/** What can be added to a check: a second signature, a correction, what was done about a finding. */
import { useState, type FormEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { CheckRow, Person } from '../../../contract';
import { checkPointsFor, TAIL_UNCERTAINTY_MM, type Judgement, type PointAnswer } from '../../../core/inspect';
import { entryById } from '../../../core/knots/lookup';
import { useKnotName } from '../../parts/CheckRows';
import { refusalText, useChecksQuery, useCloseFindingMutation, useCorrectMutation, useProfilesQuery, useSignMutation } from '../../store/api';
import { v4 } from '../../parts/uuid';
import { POINT_WORDS } from '../../parts/words';

export function Sign({ row, me, people, demo }: { row: CheckRow; me: Person; people: readonly Person[]; demo: boolean }) {
  const mayMyself = me.id !== row.tied_by && me.id !== row.checker;
  const others = people.filter((p) => p.id !== row.tied_by && p.id !== row.checker && p.id !== me.id && p.roles.some((r) => r !== 'learner'));
  const [id] = useState(v4);
  const [who, setWho] = useState(mayMyself ? me.id : '');
  const [password, setPassword] = useState('');
  const [looked, setLooked] = useState(false);
  const [note, setNote] = useState('');
  const [agrees, setAgrees] = useState<'yes' | 'no' | ''>('');
  const [tried, setTried] = useState(false);
  const [sign, { error, isLoading }] = useSignMutation();
  const missing = who === '' ? 'Who signs?' : !looked ? 'Look at both faces first, and say so.' : agrees === '' ? 'Do you agree with what was found?' : who !== me.id && password === '' ? 'The one who signs enters their password.' : null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    if (!missing) void sign({ check: row.id, body: { id, agrees: agrees === 'yes', note, ...(who === me.id ? {} : { signer: { person: who, password } }) } });
  };
  return (
    <Form className="sheet p-3 no-print" onSubmit={submit} aria-label="Second person">
      <h2>Second person</h2>
      <p className="small quiet mt-1">Neither the one who tied it nor the first checker. Look for yourself before you sign; asking the one who tied it is no check.</p>
      <Form.Group controlId="signer" className="mb-2"><Form.Label>Signs</Form.Label>
        <Form.Select value={who} onChange={(e) => setWho(e.target.value)}>
          <option value="">choose</option>
          {mayMyself ? <option value={me.id}>{me.name} (signed in)</option> : null}
          {others.map((p) => <option key={p.id} value={p.id}>{p.name}, on this device</option>)}
        </Form.Select></Form.Group>
      {who !== '' && who !== me.id ? (
        <Form.Group controlId="signer-password" className="mb-2"><Form.Label>Their password</Form.Label>
          <Form.Control type="password" autoComplete="off" value={password} onChange={(e) => setPassword(e.target.value)} />
          {demo ? <Form.Text>In the demo: fulmar-sound-demo</Form.Text> : null}</Form.Group>
      ) : null}
      <Form.Check type="checkbox" id="looked" label="I looked at both faces, the path, the tail, the set and the harness" checked={looked} onChange={(e) => setLooked(e.target.checked)} />
      <fieldset className="my-2"><legend className="form-label fs-6 mb-1">What was found</legend>
        <div className="seg">{(['yes', 'no'] as const).map((v) => <label key={v}><input type="radio" name="agrees" checked={agrees === v} onChange={() => setAgrees(v)} /><span>{v === 'yes' ? 'I agree' : 'I do not agree'}</span></label>)}</div></fieldset>
      <Form.Group controlId="sign-note" className="mb-3"><Form.Label>Note</Form.Label><Form.Control value={note} maxLength={2000} onChange={(e) => setNote(e.target.value)} /></Form.Group>
      {tried && missing ? <p className="invalid-feedback d-block" role="alert">{missing}</p> : null}
      {error ? <p className="invalid-feedback d-block" role="alert">{refusalText(error)}</p> : null}
      <Button type="submit" disabled={isLoading} className="w-100">Sign</Button>
    </Form>
  );
}

/** Later checks of the same rope at the same place by which a finding can be closed: they meet the rule, and someone other than who tied it looked. */
function useLaterChecks(row: CheckRow): readonly CheckRow[] {
  const later = useChecksQuery(`rope=${row.rope}&limit=50`).data?.items ?? [];
  return later.filter((c) => c.sequence > row.sequence && c.points_verdict === 'meets-the-rule' && !c.alone && c.place.trim().toLowerCase() === row.place.trim().toLowerCase());
}

export function CloseFinding({ row }: { row: CheckRow }) {
  const [id] = useState(v4);
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
    if (!missing) void close({ check: row.id, body: { id, what_was_done: what as 'retied', note, ...(what === 'retied' && { later_check: later }) } });
  };
  return (
    <Form className="notice bad no-print" aria-label="Close the finding" onSubmit={submit}>
      <h2>Open: take out and retie</h2>
      <p className="small mt-1">It stays open until an entry says what was done.</p>
      <Form.Group controlId="what-done" className="mb-2"><Form.Label>What was done</Form.Label>
        <Form.Select value={what} onChange={(e) => setWhat(e.target.value as 'retied')} isInvalid={tried && what === ''}><option value="">choose</option><option value="taken-out">taken out</option><option value="retied">taken out and tied again</option><option value="rope-retired">rope retired</option></Form.Select></Form.Group>
      {what === 'retied' ? (
        <Form.Group controlId="later-check" className="mb-2"><Form.Label>Who looked at it since</Form.Label>
          <Form.Select value={later} onChange={(e) => setLater(e.target.value)} isInvalid={tried && later === ''}>
            <option value="">choose the later check</option>{checks.map((c) => <option key={c.id} value={c.id}>no. {c.sequence}: {name(c.knot)}, {c.place}, by {c.checker_name}</option>)}
          </Form.Select>
          {checks.length === 0 ? <Form.Text>There is none yet: someone other than who tied it checks it first. Until then it stays open.</Form.Text> : null}</Form.Group>
      ) : null}
      <Form.Group controlId="done-note" className="mb-3"><Form.Label>Note</Form.Label><Form.Control value={note} maxLength={2000} onChange={(e) => setNote(e.target.value)} /></Form.Group>
      {error ? <p className="invalid-feedback d-block" role="alert">{refusalText(error)}</p> : null}
      <Button type="submit" disabled={isLoading}>Record it</Button>
    </Form>
  );
}

/** A correction is a new entry that points at the old one; the old one stays. */
export function Correct({ row, judgement, answers }: { row: CheckRow; judgement: Judgement; answers: readonly PointAnswer[] }) {
  const profile = useProfilesQuery().data?.find((p) => p.id === row.profile);
  const [show, setShow] = useState(false);
  const [id, setId] = useState(v4);
  const [reason, setReason] = useState('');
  const [found, setFound] = useState<Record<string, string>>({});
  const [tail, setTail] = useState('');
  const [correct, { error, isLoading }] = useCorrectMutation();
  if (!profile) return null;
  const entry = entryById(row.knot);
  const points = checkPointsFor(entry, profile, judgement.points.some((p) => p.point === 'stopper'));
  const oldTail = answers.find((a) => a.point === 'tail')?.tail;
  const tail_mm = tail.trim() === '' ? oldTail?.tail_mm : Number(tail.replace(',', '.'));
  const wrong = reason.trim() === '' ? 'say why' : tail_mm !== undefined && !(Number.isFinite(tail_mm) && tail_mm >= 0 && tail_mm <= 20_000) ? 'the tail is no length' : null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (wrong) return;
    const next = points.flatMap((p): PointAnswer[] => {
      if (p.id === 'tail') {
        if (tail_mm === undefined) return answers.filter((a) => a.point === 'tail');
        return [{ point: p.id, found: 'right', tail: { tail_mm, method: oldTail?.method ?? ('ruler' as const), uncertainty_mm: oldTail?.uncertainty_mm ?? TAIL_UNCERTAINTY_MM.ruler } }];
      }
      const value = found[p.id] ?? answers.find((a) => a.point === p.id)?.found;
      return value ? [{ point: p.id, found: value as PointAnswer['found'] }] : [];
    });
    void correct({ check: row.id, body: { id, reason, answers: next } }).then((r) => {
      if (!r.data) return;
      setShow(false);
      setId(v4());
      setReason('');
      setFound({});
      setTail('');
    });
  };
  return (
    <>
      <Button variant="outline-primary" onClick={() => setShow(true)}>Correct it</Button>
      <Modal show={show} onHide={() => setShow(false)} aria-labelledby="correct-title" scrollable>
        <Modal.Body>
          <h2 id="correct-title">Correct this check</h2>
          <p className="small quiet mt-1">Nothing is changed or removed: this adds an entry. A second signature has to be given anew.</p>
          <Form onSubmit={submit}>
            <Form.Group controlId="reason" className="mb-3"><Form.Label>Why</Form.Label><Form.Control value={reason} maxLength={500} onChange={(e) => setReason(e.target.value)} autoFocus /></Form.Group>
            <Form.Group controlId="new-tail" className="mb-2"><Form.Label>Tail in mm</Form.Label><Form.Control value={tail} placeholder={oldTail ? String(oldTail.tail_mm) : 'not measured'} inputMode="decimal" onChange={(e) => setTail(e.target.value)} /></Form.Group>
            {points.filter((p) => p.id !== 'tail').map((p) => (
              <Form.Group key={p.id} controlId={`new-${p.id}`} className="mb-2"><Form.Label>{POINT_WORDS[p.id]}</Form.Label>
                <Form.Select value={found[p.id] ?? answers.find((a) => a.point === p.id)?.found ?? ''} onChange={(e) => setFound({ ...found, [p.id]: e.target.value })}>
                  <option value="" disabled>not looked at</option><option value="right">{p.right.label}</option>{p.wrong.map((w) => <option key={w.fault} value={w.fault}>{w.label}</option>)}<option value="cannot-see">cannot see</option>
                </Form.Select></Form.Group>
            ))}
            {error ? <p className="invalid-feedback d-block" role="alert">{refusalText(error)}</p> : null}
            <div className="d-flex gap-2 mt-3"><Button type="submit" disabled={isLoading || wrong !== null}>Record the correction</Button><Button variant="outline-primary" onClick={() => setShow(false)}>Cancel</Button></div>
          </Form>
        </Modal.Body>
      </Modal>
    </>
  );
}
