/** Longer work: how far it is, stopping it; done, its file is opened. */
import { useEffect } from 'react';
import { Button, ProgressBar } from 'react-bootstrap';
import { useParams } from 'react-router';
import { Failed, Loading } from '../../parts/States';
import { useLongWorkQuery, useStopWorkMutation } from '../../store/api';

const LOOK_EVERY_ms = 700;

/** @param open leads to what came of it */
export function LongWork({ open = (address: string) => window.location.replace(address) }) {
  const { id = '' } = useParams();
  const { data, error, refetch } = useLongWorkQuery(id, { pollingInterval: LOOK_EVERY_ms });
  const [stop, stopped] = useStopWorkMutation();
  const result = data?.result ?? null;
  useEffect(() => {
    if (result) open(result);
  }, [result, open]);
  if (error) return <Failed error={error} again={refetch} />;
  if (!data) return <Loading what="Looking how far it is" />;
  const state = stopped.data?.state ?? data.state;
  return (
    <div className="state-page">
      <h1>
        {state === 'running'
          ? 'This takes a while'
          : state === 'done'
            ? 'Ready'
            : state === 'stopped'
              ? 'Stopped'
              : 'It could not be done'}
      </h1>
      {state === 'running' ? (
        <>
          <ProgressBar
            style={{ width: '100%', maxWidth: 480, height: 24 }}
            now={data.done}
            max={Math.max(1, data.of)}
            label={`${data.done} of ${data.of}`}
            aria-label="How far it is"
          />
          <p className="m-0 quiet" role="status">
            {data.done} of {data.of}. You may leave this page open and go on in another.
          </p>
          <Button variant="outline-primary" onClick={() => void stop(id)}>
            Stop
          </Button>
        </>
      ) : state === 'done' ? (
        <a className="btn btn-primary" href={result ?? '#'}>
          Open {data.name}.pdf
        </a>
      ) : (
        <p className="m-0">{state === 'failed' ? data.why : 'Nothing came of it. Ask for it again where you began.'}</p>
      )}
    </div>
  );
}
