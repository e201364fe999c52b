import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  fieldMessage,
  refusalText,
  useBeginPasskeyMutation,
  useNewPasskeyMutation,
  usePasskeysQuery,
  useRemovePasskeyMutation,
} from '../store/api';
import { deviceText, makePasskey, noPasskeysBecause } from './passkeys';
import { dateText } from './words';

/** One's own passkeys: made on this device, removed from wherever. */
export function OwnPasskeys() {
  const { data: passkeys = [] } = usePasskeysQuery();
  const [begin, { error: notBegun, isLoading: beginning }] = useBeginPasskeyMutation();
  const [keep, { error: notKept, isLoading: keeping, isSuccess }] = useNewPasskeyMutation();
  const [remove, { error: notRemoved, isLoading: removing }] = useRemovePasskeyMutation();
  const [v, setV] = useState({ name: '', password: '' });
  const [device, setDevice] = useState<string | null>(null);
  const why = noPasskeysBecause();
  const busy = beginning || keeping || removing;
  const make = async () => {
    setDevice(null);
    const { data } = await begin({ password: v.password });
    if (!data) return;
    try {
      const made = await makePasskey(data.options);
      const kept = await keep({ ceremony: data.ceremony, name: v.name, made });
      if (kept.data) setV({ name: '', password: '' });
    } catch (error) {
      setDevice(deviceText(error));
    }
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void make();
  };
  const wrong = device ?? [notBegun, notKept, notRemoved].map((e) => e && refusalText(e)).find(Boolean);
  return (
    <Form noValidate onSubmit={submit} className="form-grid mt-4" aria-label="Own passkeys">
      <h2 className="wide">My passkeys</h2>
      <p className="wide quiet m-0">
        Sign in by finger, face or the PIN of a device of yours, without a password. The key stays on that device;
        remove it here when the device is lost. A check is still signed with your session, PIN or password.
      </p>
      {passkeys.length > 0 ? (
        <ul className="rows wide" style={{ maxWidth: 640 }}>
          {passkeys.map((p) => (
            <li key={p.id} className="py-2 d-flex align-items-center gap-3">
              <span>
                {p.name} <span className="sub">· since {dateText(p.made_at)}</span>
              </span>
              <Button
                className="ms-auto"
                variant="outline-primary"
                disabled={busy}
                aria-label={`Remove ${p.name}`}
                onClick={() => void remove(p.id)}
              >
                Remove
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      {why === null ? (
        <>
          <Form.Group controlId="passkey-name">
            <Form.Label>What you call this device</Form.Label>
            <Form.Control
              value={v.name}
              onChange={(e) => setV({ ...v, name: e.target.value })}
              isInvalid={Boolean(fieldMessage(notKept, 'name'))}
            />
          </Form.Group>
          <Form.Group controlId="passkey-password">
            <Form.Label>Your password</Form.Label>
            <Form.Control
              type="password"
              autoComplete="current-password"
              value={v.password}
              onChange={(e) => setV({ ...v, password: e.target.value })}
            />
          </Form.Group>
          <div className="wide d-flex gap-3 align-items-center">
            <Button type="submit" disabled={busy || v.password === '' || v.name.trim() === ''}>
              Add a passkey on this device
            </Button>
            <span role="status" className="quiet">
              {isSuccess && !wrong ? 'Added.' : ''}
            </span>
          </div>
        </>
      ) : (
        <p className="wide m-0">{why}</p>
      )}
      {wrong ? (
        <p role="alert" className="wide v-take-out-and-retie m-0">
          {wrong}
        </p>
      ) : null}
    </Form>
  );
}
