import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { fieldMessage, refusalText, useOwnPasswordMutation } from '../store/api';

/** One's own password: the one until now is asked, every other session ends. */
export function OwnPassword() {
  const [change, { error, isLoading, isSuccess }] = useOwnPasswordMutation();
  const [v, setV] = useState({ password: '', new_password: '' });
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void change(v).then((r) => setV({ password: '', new_password: r.data ? '' : v.new_password }));
  };
  const field = (key: keyof typeof v, label: string, autoComplete: string) => (
    <Form.Group controlId={key}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type="password"
        autoComplete={autoComplete}
        value={v[key]}
        onChange={(e) => setV({ ...v, [key]: e.target.value })}
        isInvalid={Boolean(fieldMessage(error, key))}
      />
      {fieldMessage(error, key) ? (
        <p className="invalid-feedback d-block mb-0" role="alert">
          {fieldMessage(error, key)}
        </p>
      ) : null}
    </Form.Group>
  );
  const named = fieldMessage(error, 'new_password') ?? fieldMessage(error, 'password');
  return (
    <Form noValidate onSubmit={submit} className="form-grid mt-4" aria-label="Own password">
      <h2 className="wide">My password</h2>
      <p className="wide quiet m-0">Changed, it ends your sessions on every other device.</p>
      {field('password', 'The one until now', 'current-password')}
      {field('new_password', 'A new one, at least 10 characters', 'new-password')}
      <div className="wide d-flex gap-3 align-items-center">
        <Button type="submit" disabled={isLoading || v.password === '' || v.new_password === ''}>
          Change my password
        </Button>
        <span role="status" className="quiet">
          {isSuccess ? 'Changed.' : ''}
        </span>
        {error && !named ? (
          <span role="alert" className="v-take-out-and-retie">
            {refusalText(error)}
          </span>
        ) : null}
      </div>
    </Form>
  );
}
