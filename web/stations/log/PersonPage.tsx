/** One person: roles, what they are signed off to tie and, apart, to check; wrong PINs. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Person, PersonPage as Page } from '../../../contract';
import { ROLES } from '../../../contract/roles';
import { useKnotName } from '../../parts/CheckRows';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { SetFor } from '../../parts/SetFor';
import { dateText, momentText } from '../../parts/words';
import {
  fieldMessage,
  refusalText,
  useChangePersonMutation,
  useConfirmPersonMutation,
  useKnotsQuery,
  usePersonByIdQuery,
  useSessionQuery,
  useSignOffMutation,
} from '../../store/api';

function SignOffs({ of, may }: { readonly of: Page; readonly may: boolean }) {
  const [give, { error, isLoading }] = useSignOffMutation();
  const [knot, setKnot] = useState('');
  const knots = useKnotsQuery().data ?? [];
  const name = useKnotName();
  const listed = [...new Set(of.signed_off.map((s) => s.knot))].sort((a, b) => name(a).localeCompare(name(b)));
  const has = (k: string, what: 'tie' | 'check') => of.signed_off.find((s) => s.knot === k && s.may === what);
  const toggle = (k: string, what: 'tie' | 'check') =>
    void give({ of: of.person.id, body: { id: newId(), knot: k, may: what, given: !has(k, what) } });
  const cell = (k: string, what: 'tie' | 'check') => {
    const s = has(k, what);
    const said = s ? `since ${dateText(s.at)}, by ${s.by_name}` : 'no';
    return may ? (
      <Button
        variant={s ? 'primary' : 'outline-primary'}
        aria-pressed={Boolean(s)}
        disabled={isLoading}
        onClick={() => toggle(k, what)}
        title={said}
        aria-label={`${name(k)}: signed off to ${what}`}
      >
        {s ? 'yes' : 'no'}
      </Button>
    ) : (
      <span>{said}</span>
    );
  };
  return (
    <section aria-label="Signed off">
      <h2 className="mt-4">Signed off</h2>
      <p className="quiet small mb-2">
        To tie a knot and to check it are two things. A check says whether its maker was signed off for it.
      </p>
      {listed.length === 0 ? (
        <p className="quiet">For no knot yet.</p>
      ) : (
        <table className="table" style={{ maxWidth: 720 }}>
          <thead>
            <tr>
              <th scope="col">Knot</th>
              <th scope="col">to tie</th>
              <th scope="col">to check</th>
            </tr>
          </thead>
          <tbody>
            {listed.map((k) => (
              <tr key={k}>
                <th scope="row" className="fw-normal">
                  {name(k)}
                </th>
                <td>{cell(k, 'tie')}</td>
                <td>{cell(k, 'check')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {may ? (
        <div className="d-flex flex-wrap gap-2 align-items-end">
          <Form.Group controlId="sign-off-knot">
            <Form.Label>Another knot</Form.Label>
            <Form.Select value={knot} onChange={(e) => setKnot(e.target.value)}>
              <option value="">choose</option>
              {knots
                .filter((k) => !listed.includes(k.id))
                .map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.names[0]}
                  </option>
                ))}
            </Form.Select>
          </Form.Group>
          <Button
            variant="outline-primary"
            disabled={knot === '' || isLoading}
            onClick={() => {
              toggle(knot, 'tie');
              setKnot('');
            }}
          >
            to tie
          </Button>
          <Button
            variant="outline-primary"
            disabled={knot === '' || isLoading}
            onClick={() => {
              toggle(knot, 'check');
              setKnot('');
            }}
          >
            to check
          </Button>
        </div>
      ) : null}
      {error ? (
        <p className="invalid-feedback d-block" role="alert">
          {refusalText(error)}
        </p>
      ) : null}
    </section>
  );
}

function Roles({ of }: { readonly of: Page }) {
  const [change, { error, isLoading, isSuccess }] = useChangePersonMutation();
  const [roles, setRoles] = useState(of.person.roles);
  const [password, setPassword] = useState('');
  return (
    <section aria-label="Roles" className="sheet p-3 mt-3" style={{ maxWidth: 720 }}>
      <h2>Roles</h2>
      <div className="d-flex flex-wrap gap-4">
        {ROLES.map((r) => (
          <Form.Check
            key={r}
            type="checkbox"
            id={`has-${r}`}
            label={r}
            checked={roles.includes(r)}
            onChange={(e) => setRoles(e.target.checked ? [...roles, r] : roles.filter((x) => x !== r))}
          />
        ))}
      </div>
      <Form.Group controlId="first-password" className="mt-2" style={{ maxWidth: 420 }}>
        <Form.Label>A new first password (may be left out)</Form.Label>
        <Form.Control
          type="password"
          autoComplete="new-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          isInvalid={Boolean(fieldMessage(error, 'password'))}
        />
        {fieldMessage(error, 'password') ? (
          <p className="invalid-feedback d-block mb-0">{fieldMessage(error, 'password')}</p>
        ) : null}
      </Form.Group>
      <div className="d-flex gap-3 align-items-center mt-3">
        <Button
          disabled={isLoading || roles.length === 0}
          onClick={() =>
            void change({ of: of.person.id, body: { roles, ...(password && { password }) } }).then(() =>
              setPassword(''),
            )
          }
        >
          Keep
        </Button>
        <span role="status" className="quiet">
          {isSuccess ? 'Kept.' : ''}
        </span>
        {error ? (
          <span role="alert" className="v-take-out-and-retie">
            {refusalText(error)}
          </span>
        ) : null}
      </div>
    </section>
  );
}

const passkeysText = (of: Page) => of.passkeys.map((p) => `${p.name} (since ${dateText(p.made_at)})`).join(', ');

/** On whom they depend, what was set for them, and saying that one has seen them. */
function WhoTheyAre({ of, me }: { readonly of: Page; readonly me: Person }) {
  const [confirm, { error, isLoading }] = useConfirmPersonMutation();
  const [id] = useState(newId);
  const [sure, setSure] = useState(false);
  const others = of.depends_on.filter((d) => d.id !== me.id);
  const mayConfirm = me.roles.includes('instructor') && of.person.id !== me.id && others.length > 0;
  const first = of.person.name.split(' ')[0];
  return (
    <section aria-label="What was set for them">
      {of.depends_on.length > 0 ? (
        <div className="notice mt-3">
          <p className="m-0">
            <b>No second person to {of.depends_on.map((d) => d.name).join(', ')}.</b> Who adds somebody, or gives them a
            password, could sign as them. It ends when an instructor who does not depend on them has seen {first} face
            to face and says so here; where there is none, at the machine itself:{' '}
            <code className="text-reset">npm run confirm</code>.
          </p>
          {mayConfirm && of.passkeys.length > 0 ? (
            <p className="mt-2 mb-0">
              Passkeys also sign in as {first}: {passkeysText(of)}. If {first} does not know one of them, do not
              confirm: give a new first password, which removes all of them.
            </p>
          ) : null}
          {mayConfirm ? (
            <div className="mt-2 d-flex flex-wrap gap-3 align-items-center">
              <Form.Check
                type="checkbox"
                id="seen"
                label={`${first} stands before me, and it is ${first} who has this account`}
                checked={sure}
                onChange={(e) => setSure(e.target.checked)}
              />
              <Button disabled={!sure || isLoading} onClick={() => void confirm({ of: of.person.id, body: { id } })}>
                Confirm in person
              </Button>
            </div>
          ) : null}
          {error ? (
            <p className="invalid-feedback d-block mb-0" role="alert">
              {refusalText(error)}
            </p>
          ) : null}
        </div>
      ) : null}
      {of.settings.length > 0 ? (
        <details className="mt-3">
          <summary>What was set for {first}, and by whom</summary>
          <SetFor settings={of.settings} />
        </details>
      ) : null}
    </section>
  );
}

export function PersonPage() {
  const { id = '' } = useParams();
  const { data, error, isLoading, refetch } = usePersonByIdQuery(id);
  const me = useSessionQuery().data!.person!;
  if (isLoading) return <Loading what="Looking who it is" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const { person } = data;
  const measures = [
    `fist ${person.fist_mm} mm${person.calibrated ? '' : ' (not calibrated)'}`,
    person.arm_mm ? `arm’s length ${person.arm_mm} mm` : '',
    person.hand_mm ? `hand ${person.hand_mm} mm` : '',
    person.foot_mm ? `boot ${person.foot_mm} mm` : '',
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <>
      <p className="no-print mb-1">
        <Link to="/log/people">All people</Link>
      </p>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>{person.name}</h1>
        <span className="ms-auto no-print">
          <Link to={`/log?person=${id}`}>Checks</Link>
          {id === me.id ? (
            <>
              {' '}
              · <Link to="/me">My measures, PIN and keys</Link>
            </>
          ) : null}
        </span>
      </div>
      <p className="quiet fs-5 mt-1">
        {person.roles.join(', ')}. Ties with the {person.hand} hand; {measures}.{' '}
        {data.passkeys.length > 0 ? `Passkeys: ${passkeysText(data)}. ` : ''}
        {person.has_pin ? 'Has a PIN.' : 'Has no PIN: signs on other people’s devices with the password.'}
      </p>
      {data.wrong_pins.length > 0 ? (
        <div className="notice">
          <b>Wrong PINs</b>
          <ul className="m-0">
            {data.wrong_pins.map((w) => (
              <li key={w.at}>
                {momentText(w.at)}, on the device of {w.on_device_of_name}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      <WhoTheyAre key={id} of={data} me={me} />
      <SignOffs of={data} may={id !== me.id && me.roles.some((r) => r === 'instructor' || r === 'assessor')} />
      {me.roles.includes('instructor') ? <Roles key={person.roles.join()} of={data} /> : null}
    </>
  );
}
