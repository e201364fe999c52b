/** The second person signs what they saw: by their session, or on somebody else's device by PIN or password. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate } from 'react-router';
import { refusalText, usePeopleQuery, useSessionQuery, useSignMutation, type Refusal } from '../../store/api';
import { useSend } from '../../store';
import { walkChanged, walkEnded, type Walk } from '../../store/walks';
import { newId } from '../../parts/newId';

export function SignSecond({ walk, second }: { readonly walk: Walk; readonly second: NonNullable<Walk['second']> }) {
  const send = useSend();
  const navigate = useNavigate();
  const session = useSessionQuery().data!;
  const people = usePeopleQuery().data;
  const [sign, { error, isLoading }] = useSignMutation();
  const [id] = useState(newId);
  const [secret, setSecret] = useState('');
  const [tried, setTried] = useState(false);
  const signer = people?.find((p) => p.id === second.signer) ?? null;
  const byPin = signer?.has_pin ?? false;
  const missing = second.signer !== null && secret === '';
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    if (missing) return document.getElementById('secret')?.focus();
    const seen_at = walk.seenAt ?? new Date().toISOString();
    send(walkChanged({ id: walk.id, seenAt: seen_at }));
    const result = await sign({
      check: second.check,
      body: {
        id,
        answers: walk.answers.map((a) => ({ ...a })),
        seen_at,
        note: walk.note,
        ...(second.signer !== null && {
          signer: { person: second.signer, ...(byPin ? { pin: secret } : { password: secret }) },
        }),
      },
    });
    setSecret('');
    if (!result.data) {
      if ((result.error as Refusal).data?.code === 'bad-input') send(walkChanged({ id: walk.id, seenAt: null }));
      return;
    }
    await navigate(`/log/${second.check}?just=signed`, { replace: true });
    send(walkEnded(walk.id));
  };
  const done = (error as Refusal | undefined)?.data?.code === 'already-signed';
  return (
    <Form onSubmit={(e) => void submit(e)} noValidate aria-label="Sign the second look">
      <Form.Group controlId="note" className="mb-3">
        <Form.Label>Note (goes into the record)</Form.Label>
        <Form.Control
          as="textarea"
          rows={2}
          maxLength={2000}
          value={walk.note}
          onChange={(e) => send(walkChanged({ id: walk.id, note: e.target.value }))}
        />
      </Form.Group>
      {signer ? (
        <Form.Group controlId="secret" className="mb-3">
          <Form.Label>
            {signer.name}’s {byPin ? 'PIN' : 'password'}
          </Form.Label>
          <Form.Control
            type="password"
            inputMode={byPin ? 'numeric' : 'text'}
            autoComplete="off"
            value={secret}
            isInvalid={tried && missing}
            onChange={(e) => setSecret(e.target.value)}
            aria-describedby="secret-help"
          />
          <Form.Text id="secret-help">
            {session.demo ? (byPin ? 'In the demo: 4917. ' : 'In the demo: fulmar-sound-demo. ') : ''}Wrong ones are
            recorded.
          </Form.Text>
        </Form.Group>
      ) : null}
      <Button size="lg" type="submit" className="w-100" disabled={isLoading}>
        {isLoading ? 'Recording …' : `Sign as ${signer?.name ?? session.person!.name}`}
      </Button>
      {error ? (
        <p className="notice bad mt-3 mb-0" role="alert">
          {done ? (
            <>
              Somebody else signed it in the meantime. <Link to={`/log/${second.check}`}>Open it</Link>.
            </>
          ) : (
            refusalText(error)
          )}
        </p>
      ) : null}
    </Form>
  );
}
