import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { api, fieldMessage, refusalText, useSetupMutation } from '../../store/api';
import { useSend } from '../../store';

const FIELDS = [
  { key: 'organisation', label: 'Organisation', type: 'text', help: 'A school, a team, or your own name' },
  { key: 'name', label: 'Your name', type: 'text', help: 'As it stands in records' },
  { key: 'handle', label: 'Name to sign in', type: 'text', help: 'Lower-case letters, digits, dot or dash' },
  { key: 'password', label: 'Password', type: 'password', help: 'At least 10 characters' },
] as const;

/** The one-time link: the token stands behind the #, so that it is in no server's log. */
export function Setup() {
  const navigate = useNavigate();
  const send = useSend();
  const [setup, { error, isLoading }] = useSetupMutation();
  const [values, setValues] = useState({ organisation: '', name: '', handle: '', password: '' });
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    const result = await setup({ token: window.location.hash.slice(1) || 'missing-token', ...values });
    if (!result.data) return;
    send(api.util.resetApiState());
    await navigate('/', { replace: true });
  };
  return (
    <main className="door p-0">
      <section className="in">
        <h1>The first instructor</h1>
        <p className="mt-2 mb-4">This link works once. Afterwards you add people and ropes under Log.</p>
        <Form onSubmit={(e) => void submit(e)} noValidate>
          {FIELDS.map((f) => {
            const wrong = fieldMessage(error, f.key);
            return (
              <Form.Group className="mb-3" controlId={f.key} key={f.key}>
                <Form.Label>{f.label}</Form.Label>
                <Form.Control
                  type={f.type}
                  value={values[f.key]}
                  onChange={(e) => setValues({ ...values, [f.key]: e.target.value })}
                  isInvalid={Boolean(wrong)}
                  aria-describedby={`${f.key}-help`}
                  autoCapitalize={f.key === 'handle' ? 'none' : undefined}
                />
                {wrong ? (
                  <p className="invalid-feedback d-block mb-0" role="alert">
                    {wrong}
                  </p>
                ) : null}
                <Form.Text id={`${f.key}-help`}>{f.help}</Form.Text>
              </Form.Group>
            );
          })}
          {error && !('data' in error && (error.data as { errors?: unknown }).errors) ? (
            <p className="invalid-feedback d-block" role="alert">
              {refusalText(error)}
            </p>
          ) : null}
          <Button type="submit" disabled={isLoading}>
            Begin
          </Button>
        </Form>
      </section>
    </main>
  );
}
