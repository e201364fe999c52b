/** The frame: places, the job that goes along, who is signed in. */
import { useEffect, useState } from 'react';
import { Button, Dropdown, Modal } from 'react-bootstrap';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { OwnPassword } from './OwnPassword';
import { useKnotsQuery, useProfilesQuery, useSessionQuery, useSignOutMutation } from '../store/api';
import { openDesk, useApp, useDeskOwner } from '../store';
import { useAltDigits, useKeys } from './keys';
import { setTheme, useTheme } from './theme';
import { initials, KIND_WORDS, pullWords, PURPOSE_WORDS } from './words';
import { TWO_ROPES } from '../../core/choose/forPurpose';

const PLACES = [
  {
    digit: 0,
    to: '/',
    name: 'Today',
    icon: (
      <>
        <circle cx="13" cy="13" r="5" />
        <path d="M13 2v3M13 21v3M2 13h3M21 13h3M5 5l2 2M19 19l2 2M5 21l2-2M19 7l2-2" />
      </>
    ),
  },
  { digit: 1, to: '/choose', name: 'Choose', icon: <path d="M3 13h7M10 13l9-8M10 13h11M10 13l9 8" /> },
  { digit: 2, to: '/tie', name: 'Tie', icon: <path d="M3 18c7 0 7-12 13-12 6 0 6 8 0 8S9 8 3 8M16 14c3 3 5 4 7 4" /> },
  {
    digit: 4,
    to: '/check',
    name: 'Check',
    icon: (
      <>
        <path d="M2 13c6-9 16-9 22 0-6 9-16 9-22 0z" />
        <circle cx="13" cy="13" r="3.4" />
      </>
    ),
  },
  { digit: 6, to: '/teach', name: 'Teach', icon: <path d="M3 8l10-4 10 4-10 4zM7 10v6c3 3 9 3 12 0v-6M23 8v7" /> },
  { digit: 7, to: '/log', name: 'Log', icon: <path d="M5 3h16v20H5zM9 9h8M9 13h8M9 17h5" /> },
] as const;

function JobStrip() {
  const { job, rope, knot } = useApp((s) => s.job);
  const profiles = useProfilesQuery().data;
  const knots = useKnotsQuery().data;
  const profile = profiles?.find((p) => p.id === job.profile);
  const pulled =
    job.pulls.length === 1 ? pullWords(job.pulls[0]!, TWO_ROPES[job.purpose] === 'joined') : `${job.pulls.length} ways`;
  const purpose = PURPOSE_WORDS[job.purpose].replace(/^an? /, '');
  return (
    <Link to="/choose" className="strip" aria-label="The job: change it under Choose">
      <span>{purpose[0]!.toUpperCase() + purpose.slice(1)}</span>
      <span>
        <small>rope</small>
        {rope ? `${rope.tag}, ` : ''}
        {job.rope.diameter_mm} mm {KIND_WORDS[job.rope.kind]}
      </span>
      <span>
        <small>rules</small>
        {profile ? `${profile.name}, v${profile.version}` : job.profile}
      </span>
      <span>
        <small>pulled</small>
        {pulled}
      </span>
      <span>
        <small>knot</small>
        {knot ? (knots?.find((k) => k.id === knot)?.names[0] ?? knot) : <span className="quiet">not chosen</span>}
      </span>
    </Link>
  );
}

function KeyHelp({ show, close }: { show: boolean; close: () => void }) {
  return (
    <Modal show={show} onHide={close} aria-labelledby="keys-title">
      <Modal.Body>
        <h2 id="keys-title">Keys</h2>
        <dl className="facts mt-3 mb-3">
          {PLACES.map((p) => (
            <div className="measure" key={p.to}>
              <span>{p.name}</span>
              <kbd>Alt {p.digit}</kbd>
            </div>
          ))}
          <div className="measure">
            <span>Turn the knot over (Tie)</span>
            <kbd>f</kbd>
          </div>
          <div className="measure">
            <span>Turn the knot (Tie, picture in focus)</span>
            <kbd>arrows</kbd>
          </div>
          <div className="measure">
            <span>Next, previous step (Tie)</span>
            <kbd>→ ←</kbd>
          </div>
          <div className="measure">
            <span>Start a check</span>
            <kbd>c</kbd>
          </div>
          <div className="measure">
            <span>Answer (Check)</span>
            <span>
              <kbd>a</kbd> <kbd>b</kbd> … <kbd>x</kbd> cannot see
            </span>
          </div>
          <div className="measure">
            <span>Decide, turn over (Teach)</span>
            <span>
              <kbd>1</kbd> <kbd>2</kbd> <kbd>3</kbd> <kbd>f</kbd>
            </span>
          </div>
          <div className="measure">
            <span>Back one point (Check)</span>
            <kbd>←</kbd>
          </div>
        </dl>
        <p className="small quiet">Single keys do nothing inside a field. They can be switched off under your name.</p>
        <Button onClick={close}>Close</Button>
      </Modal.Body>
    </Modal>
  );
}

/** A first password is changed before anything else. */
function FirstPassword({ name, onSignOut }: { readonly name: string; readonly onSignOut: () => void }) {
  return (
    <main className="state-page" style={{ margin: '0 auto', maxWidth: 720, padding: 20 }}>
      <h1>{name}: choose a password of your own</h1>
      <p className="m-0">
        The one you came in with was given to you by somebody who knows it. Until you have changed it nothing else is
        open: what you sign has to be yours alone.
      </p>
      <OwnPassword />
      <Button variant="outline-primary" onClick={onSignOut}>
        Sign out
      </Button>
    </main>
  );
}

export function Shell() {
  const navigate = useNavigate();
  const location = useLocation();
  const { data, isLoading } = useSessionQuery();
  const [signOut] = useSignOutMutation();
  const theme = useTheme();
  const [help, setHelp] = useState(false);
  const walking = /^\/(check\/.|teach)/.test(location.pathname);
  useAltDigits((digit) => {
    const place = PLACES.find((p) => p.digit === digit);
    if (place) void navigate(place.to);
  });
  useKeys({ '?': () => setHelp(true), ...(walking ? {} : { c: () => void navigate('/check') }) });
  const person = data?.person ?? null;
  const desk = useDeskOwner();
  useEffect(() => {
    if (isLoading) return;
    if (!person)
      void navigate(`/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`, { replace: true });
    else openDesk(person.id);
  }, [person, isLoading, navigate, location.pathname, location.search]);
  useEffect(() => {
    // newer browsers answer with a promise, which is no clean-up
    void window.scrollTo(0, 0);
  }, [location.pathname, location.search]);
  if (desk !== person?.id || !person)
    return <div style={{ padding: 40 }} className="loading-bar" role="status" aria-label="Opening" />;
  // whoever gave it knows it: nothing is open before it is changed
  if (data?.must_change_password)
    return (
      <FirstPassword
        name={person.name}
        onSignOut={() => void signOut().then(() => window.location.assign('/sign-in'))}
      />
    );
  return (
    <div className="frame">
      <a href="#main" className="visually-hidden-focusable">
        To the content
      </a>
      <nav className="rail" aria-label="Places">
        <Link to="/" className="brand">
          Idiom
        </Link>
        {PLACES.map((p) => (
          <NavLink
            key={p.to}
            to={p.to}
            end={p.to === '/'}
            className={({ isActive }) => `place${isActive ? ' on' : ''}`}
            aria-keyshortcuts={`Alt+${p.digit}`}
          >
            <svg viewBox="0 0 26 26" aria-hidden="true">
              {p.icon}
            </svg>
            {p.name}
            <kbd aria-hidden="true">⌥{p.digit}</kbd>
          </NavLink>
        ))}
        <div className="foot">
          <Button variant="link" className="p-0" onClick={() => setHelp(true)} aria-label="Keys">
            <kbd>?</kbd>
          </Button>
        </div>
      </nav>
      <header className="top">
        <JobStrip />
        <div className="end">
          {data?.organisation?.demo ? <span className="watermark">Demo data</span> : null}
          <Dropdown align="end">
            <Dropdown.Toggle className="who" aria-label={`Signed in as ${person.name}`}>
              {initials(person.name)}
            </Dropdown.Toggle>
            <Dropdown.Menu>
              <Dropdown.Header>
                {person.name}
                <br />
                {data?.organisation?.name}
              </Dropdown.Header>
              <Dropdown.Item as={Link} to="/me">
                My measures and keys
              </Dropdown.Item>
              <Dropdown.Item as="button" onClick={() => setTheme(theme === 'paper' ? 'headlamp' : 'paper')}>
                {theme === 'paper' ? 'Headlamp theme (night)' : 'Paper theme (day)'}
              </Dropdown.Item>
              <Dropdown.Item as="button" onClick={() => setHelp(true)}>
                Keys
              </Dropdown.Item>
              <Dropdown.Divider />
              <Dropdown.Item as="button" onClick={() => void signOut().then(() => window.location.assign('/sign-in'))}>
                Sign out
              </Dropdown.Item>
            </Dropdown.Menu>
          </Dropdown>
        </div>
      </header>
      <main id="main" tabIndex={-1} style={{ outline: 'none' }}>
        <Outlet />
      </main>
      <KeyHelp show={help} close={() => setHelp(false)} />
    </div>
  );
}
