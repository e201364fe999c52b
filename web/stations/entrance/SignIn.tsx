import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useNavigate, useSearchParams } from 'react-router';
import {
  api,
  refusalText,
  useBeginSignInMutation,
  useDemoPeopleQuery,
  useSessionQuery,
  useSignInByPasskeyMutation,
  useSignInMutation,
} from '../../store/api';
import { useSend } from '../../store';
import { KnotPicture } from '../../parts/KnotPicture';
import { deviceText, noPasskeysBecause, readPasskey } from '../../parts/passkeys';
import { CAUTION } from '../../parts/words';

const DEMO_PASSWORD = 'fulmar-sound-demo';

export function SignIn() {
  const navigate = useNavigate();
  const send = useSend();
  const [params] = useSearchParams();
  const session = useSessionQuery().data;
  const demo = useDemoPeopleQuery(undefined, { skip: !session?.demo }).data ?? [];
  const [signIn, { error, isLoading }] = useSignInMutation();
  const [begin, { error: notBegun, isLoading: beginning }] = useBeginSignInMutation();
  const [signInBy, { error: notIn, isLoading: going }] = useSignInByPasskeyMutation();
  const [device, setDevice] = useState<string | null>(null);
  const passkeyRefused = device ?? [notBegun, notIn].map((e) => e && refusalText(e)).find(Boolean);
  const [handle, setHandle] = useState('');
  const [password, setPassword] = useState('');

  const opened = async () => {
    send(api.util.resetApiState());
    const to = params.get('to');
    await navigate(to?.startsWith('/') && !to.startsWith('//') ? to : '/', { replace: true });
  };
  const enter = async (as: { handle: string; password: string }) => {
    setDevice(null);
    const result = await signIn(as);
    if (result.data) await opened();
  };
  const byPasskey = async () => {
    setDevice(null);
    const { data } = await begin();
    if (!data) return;
    try {
      const result = await signInBy({ ceremony: data.ceremony, used: await readPasskey(data.options) });
      if (result.data) await opened();
    } catch (failed) {
      setDevice(deviceText(failed));
    }
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void enter({ handle, password });
  };
  return (
    <main className="door p-0">
      <section className="in">
        <h1>Idiom</h1>
        <p className="mt-2 mb-4 fs-5">Choose the knot, tie it, check it, and keep a record nobody can doubt later.</p>
        <Form onSubmit={submit} noValidate>
          <Form.Group className="mb-3" controlId="handle">
            <Form.Label>Name to sign in</Form.Label>
            <Form.Control
              value={handle}
              onChange={(e) => setHandle(e.target.value)}
              autoComplete="username"
              autoCapitalize="none"
              isInvalid={Boolean(error)}
            />
          </Form.Group>
          <Form.Group className="mb-3" controlId="password">
            <Form.Label>Password</Form.Label>
            <Form.Control
              type="password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              autoComplete="current-password"
              isInvalid={Boolean(error)}
            />
            {error ? (
              <p className="invalid-feedback d-block" role="alert">
                {refusalText(error)}
              </p>
            ) : null}
          </Form.Group>
          <Button type="submit" disabled={isLoading} className="w-100">
            Sign in
          </Button>
        </Form>
        {noPasskeysBecause() === null ? (
          <>
            <Button
              variant="outline-primary"
              disabled={beginning || going}
              className="w-100 mt-2"
              onClick={() => void byPasskey()}
            >
              Sign in by passkey
            </Button>
            {passkeyRefused ? (
              <p className="invalid-feedback d-block" role="alert">
                {passkeyRefused}
              </p>
            ) : null}
          </>
        ) : null}
        <p className="caution mt-4 mb-0">{CAUTION}</p>
      </section>
      <section className="demo">
        {demo.length > 0 ? (
          <>
            <h2>Demo: Fulmar Sound</h2>
            <p className="quiet mt-1 mb-0">
              Everything here is made up. Step in as one of its people; no password is needed for them.
            </p>
            <div className="demo-list">
              {demo.map((p) => (
                <button
                  key={p.handle}
                  onClick={() => void enter({ handle: p.handle, password: DEMO_PASSWORD })}
                  disabled={isLoading}
                >
                  <b>{p.name}</b>
                  <span className="small quiet">
                    {p.roles.join(', ')} · {p.about}
                  </span>
                </button>
              ))}
            </div>
          </>
        ) : (
          <KnotPicture knot="figure-eight-follow-through" size={420} alt="Figure-eight follow-through, front" />
        )}
      </section>
    </main>
  );
}
