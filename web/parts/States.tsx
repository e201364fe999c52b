/** Loading, failed, forbidden, empty: each with the next step. */
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import { refusalText, type Refusal } from '../store/api';

export function Loading({ what }: { what: string }) {
  return (
    <div className="state-page" role="status">
      <p className="eyebrow">{what}</p>
      <div className="loading-bar" style={{ width: '100%' }} />
    </div>
  );
}

export function Failed({ error, again }: { error: unknown; again?: () => unknown }) {
  const status = (error as Refusal).status;
  if (status === 403)
    return (
      <div className="state-page">
        <h1>Not with your roles</h1>
        <p className="m-0">{refusalText(error)} Ask an instructor of your organisation.</p>
        <Link className="btn btn-outline-primary" to="/">
          To today
        </Link>
      </div>
    );
  if (status === 404)
    return (
      <div className="state-page">
        <h1>Not here</h1>
        <p className="m-0">{refusalText(error)}</p>
        <Link className="btn btn-outline-primary" to="/">
          To today
        </Link>
      </div>
    );
  return (
    <div className="state-page" role="alert">
      <h1>That did not come through</h1>
      <p className="m-0">{refusalText(error)}</p>
      {again ? <Button onClick={() => again()}>Try again</Button> : null}
    </div>
  );
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="state-page">
      <h2>{title}</h2>
      {children}
    </div>
  );
}
