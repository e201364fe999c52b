import { useEffect, useRef, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import { newId } from '../../parts/newId';
import { useApp, useSend } from '../../store';
import { refusalText, useKeptJobQuery, useNewJobMutation } from '../../store/api';
import { jobOpened } from '../../store/job';

/** The kept job that the address names: taken once and out of the address, so that coming back does not undo what was changed since. */
export function useJobOfTheAddress(): { name: string | null; error: unknown } {
  const send = useSend();
  const [search, setSearch] = useSearchParams();
  const id = search.get('job');
  const [name, setName] = useState<string | null>(null);
  const { data, error } = useKeptJobQuery(id ?? '', { skip: id === null });
  const taken = useRef<string | null>(null);
  useEffect(() => {
    if (!data || data.id !== id || taken.current === id) return;
    taken.current = id;
    send(jobOpened({ job: data.job, rope: null, knot: null }));
    setName(data.name);
    setSearch({}, { replace: true });
  }, [data, id, send, setSearch]);
  return { name, error: id === null ? undefined : error };
}

export function KeepJob() {
  const { job, rope } = useApp((s) => s.job);
  const [kept, setKept] = useState<string | null>(null);
  const [show, setShow] = useState(false);
  const [name, setName] = useState('');
  const [id, setId] = useState(newId);
  const [keep, { error, isLoading, isSuccess }] = useNewJobMutation();
  return (
    <>
      <Button variant="link" onClick={() => setShow(true)}>
        {isSuccess ? 'Job kept' : 'Keep this job'}
      </Button>
      {kept ? <Link to={`/choose?job=${kept}`}>its link, for everyone here</Link> : null}
      <Button variant="link" onClick={() => window.print()}>
        Print it
      </Button>
      <Modal show={show} onHide={() => setShow(false)} aria-labelledby="keep-title">
        <Modal.Body>
          <h2 id="keep-title">Keep this job</h2>
          <Form
            onSubmit={(e) => {
              e.preventDefault();
              void keep({
                id,
                name,
                rope: rope?.id ?? null,
                job: {
                  ...job,
                  pulls: [...job.pulls],
                  must_pass: [...job.must_pass],
                  second_rope: job.second_rope ?? null,
                },
              }).then((r) => {
                if (r.data) {
                  setShow(false);
                  setKept(r.data.id);
                  setId(newId());
                }
              });
            }}
          >
            <Form.Group controlId="job-name" className="my-3">
              <Form.Label>Its name</Form.Label>
              <Form.Control
                value={name}
                onChange={(e) => setName(e.target.value)}
                maxLength={120}
                autoFocus
                isInvalid={Boolean(error)}
              />
              {error ? <p className="invalid-feedback d-block">{refusalText(error)}</p> : null}
            </Form.Group>
            <div className="d-flex gap-2">
              <Button type="submit" disabled={isLoading || name.trim() === ''}>
                Keep
              </Button>
              <Button variant="outline-primary" onClick={() => setShow(false)}>
                Cancel
              </Button>
            </div>
          </Form>
        </Modal.Body>
      </Modal>
    </>
  );
}
