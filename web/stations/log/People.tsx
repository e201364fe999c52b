import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { ROLES, type Role } from '../../../contract/roles';
import { fieldMessage, refusalText, useNewPersonMutation, usePeopleQuery, useSessionQuery } from '../../store/api';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { Tabs } from './Tabs';

function AddPerson() {
  const [add, { error, isLoading, isSuccess }] = useNewPersonMutation();
  const [id, setId] = useState(newId);
  const [v, setV] = useState({ name: '', handle: '', password: '' });
  const [roles, setRoles] = useState<readonly Role[]>(['owner']);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void add({ id, ...v, roles: [...roles] }).then((r) => {
      if (!r.data) return;
      setId(newId());
      setV({ name: '', handle: '', password: '' });
    });
  };
  const field = (key: keyof typeof v, label: string) => (
    <Form.Group controlId={`person-${key}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type={key === 'password' ? 'password' : 'text'}
        autoComplete="off"
        autoCapitalize={key === 'handle' ? 'none' : undefined}
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
  return (
    <Form noValidate onSubmit={submit} className="form-grid mt-3" aria-label="Add a person">
      <h2 className="wide">Add a person</h2>
      {field('name', 'Name')}
      {field('handle', 'Name to sign in')}
      {field('password', 'First password, at least 10 characters')}
      <fieldset>
        <legend className="form-label fs-6">Roles</legend>
        {ROLES.map((r) => (
          <Form.Check
            key={r}
            type="checkbox"
            id={`role-${r}`}
            label={r}
            checked={roles.includes(r)}
            onChange={(e) => setRoles(e.target.checked ? [...roles, r] : roles.filter((x) => x !== r))}
          />
        ))}
        {fieldMessage(error, 'roles') ? (
          <p className="invalid-feedback d-block mb-0" role="alert">
            {fieldMessage(error, 'roles')}
          </p>
        ) : null}
      </fieldset>
      <div className="wide d-flex gap-3 align-items-center">
        <Button type="submit" disabled={isLoading}>
          Add
        </Button>
        <span role="status" className="quiet">
          {isSuccess ? 'Added.' : ''}
        </span>
        {error && !(error as { data?: { errors?: unknown } }).data?.errors ? (
          <span role="alert" className="v-take-out-and-retie">
            {refusalText(error)}
          </span>
        ) : null}
      </div>
    </Form>
  );
}

export function People() {
  const { data, error, isLoading, refetch } = usePeopleQuery();
  const mine = useSessionQuery().data?.person?.roles ?? [];
  if (isLoading) return <Loading what="Looking who is there" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  return (
    <>
      <Tabs />
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>People</h1>
        {mine.includes('instructor') ? (
          <span className="ms-auto no-print">
            <Link to="/log/people/set">What was set, and by whom</Link> ·{' '}
            <Link to="/log/import/people">Read a file in</Link>
          </span>
        ) : null}
      </div>
      <ul className="rows mt-3" style={{ maxWidth: 860 }}>
        {data.map((p) => (
          <li key={p.id}>
            <Link className="row-link" to={`/log/people/${p.id}`}>
              <span />
              <span>
                <b>{p.name}</b>
                <br />
                <span className="sub">{p.roles.join(', ')}</span>
              </span>
              <span className="sub text-end">
                {p.hand === 'left' ? 'left hand · ' : ''}
                {p.has_pin ? 'PIN · ' : ''}
                {p.calibrated ? (
                  <>
                    fist <span className="figure">{p.fist_mm}</span> mm
                  </>
                ) : (
                  'fist not calibrated'
                )}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {mine.includes('instructor') ? <AddPerson /> : null}
    </>
  );
}
