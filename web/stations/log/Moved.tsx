/** That a knot was moved, and where to: then the look at it no longer stands. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { newId } from '../../parts/newId';
import { refusalText, useKnotEventMutation } from '../../store/api';

export function Moved({ knot }: { readonly knot: string }) {
  const [asked, setAsked] = useState(false);
  const [to, setTo] = useState('');
  const [id, setId] = useState(newId);
  const [note, { error, isLoading }] = useKnotEventMutation();
  if (!asked)
    return (
      <Button variant="outline-primary" onClick={() => setAsked(true)}>
        moved
      </Button>
    );
  return (
    <Form
      className="d-flex flex-wrap gap-2 align-items-end"
      onSubmit={(e) => {
        e.preventDefault();
        const moved_to = to.trim() === '' ? {} : { moved_to: to.trim() };
        void note({ of: knot, body: { id, kind: 'moved', ...moved_to } }).then((r) => {
          if (!r.data) return;
          setId(newId());
          setAsked(false);
          setTo('');
        });
      }}
    >
      <Form.Group controlId={`moved-${knot}`}>
        <Form.Label className="mb-1">Moved where to (may be left out)</Form.Label>
        <Form.Control value={to} maxLength={160} onChange={(e) => setTo(e.target.value)} autoFocus />
      </Form.Group>
      <Button type="submit" disabled={isLoading}>
        It was moved
      </Button>
      {error ? (
        <p className="invalid-feedback d-block m-0" role="alert">
          {refusalText(error)}
        </p>
      ) : null}
    </Form>
  );
}
