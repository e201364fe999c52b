/** What happened, its cause unsettled: written down as it is told, pointing at ropes and the knots in them. It freezes nothing and names nobody guilty. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { useKnotName } from '../../parts/CheckRows';
import { newId } from '../../parts/newId';
import { Failed, Loading } from '../../parts/States';
import { momentText } from '../../parts/words';
import {
  refusalText,
  useIncidentsQuery,
  useNewIncidentMutation,
  usePeopleQuery,
  useRopeQuery,
  useRopesQuery,
  useSessionQuery,
} from '../../store/api';
import { liesAhead, localNow } from '../check/WhoAndWhere';
import { Tabs } from './Tabs';

/** The knots that are known to hang in a rope, each to be ticked. */
function KnotsIn({
  rope,
  chosen,
  onChosen,
}: {
  readonly rope: string;
  readonly chosen: readonly string[];
  readonly onChosen: (all: readonly string[]) => void;
}) {
  const knots = useRopeQuery(rope).data?.knots_in_it ?? [];
  const name = useKnotName();
  return (
    <>
      {knots.map((k) => (
        <Form.Check
          key={k.id}
          id={`about-${k.id}`}
          checked={chosen.includes(k.id)}
          onChange={(e) => onChosen(e.target.checked ? [...chosen, k.id] : chosen.filter((x) => x !== k.id))}
          label={`${name(k.knot)}, ${k.place}`}
        />
      ))}
    </>
  );
}

function WriteDown() {
  const ropes = useRopesQuery().data ?? [];
  const [id, setId] = useState(newId);
  const [at, setAt] = useState(localNow);
  const [words, setWords] = useState('');
  const [rope, setRope] = useState('');
  const [knots, setKnots] = useState<readonly string[]>([]);
  const [tried, setTried] = useState(false);
  const [record, { error, isLoading, isSuccess }] = useNewIncidentMutation();
  const wrongTime = at === '' || Number.isNaN(new Date(at).getTime()) || liesAhead(at);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    if (words.trim() === '' || wrongTime) return;
    void record({
      id,
      happened_at: new Date(at).toISOString(),
      words: words.trim(),
      ropes: rope === '' ? [] : [rope],
      tied_knots: [...knots],
    }).then((r) => {
      if (!r.data) return;
      setId(newId());
      setWords('');
      setKnots([]);
      setTried(false);
    });
  };
  return (
    <Form noValidate onSubmit={submit} className="sheet p-3 px-4 mt-3">
      <h2>Write it down</h2>
      <p className="quiet small">As it was seen or told. What caused it stays open; nobody is named guilty here.</p>
      <div className="form-grid">
        <Form.Group controlId="happened-at">
          <Form.Label>When</Form.Label>
          <Form.Control
            type="datetime-local"
            value={at}
            onChange={(e) => setAt(e.target.value)}
            isInvalid={tried && wrongTime}
          />
          <Form.Control.Feedback type="invalid">when it was, not later than now</Form.Control.Feedback>
        </Form.Group>
        <Form.Group controlId="happened-rope">
          <Form.Label>In which rope, if in one</Form.Label>
          <Form.Select
            value={rope}
            onChange={(e) => {
              setRope(e.target.value);
              setKnots([]);
            }}
          >
            <option value="">none, or not known</option>
            {ropes.map((r) => (
              <option key={r.id} value={r.id}>
                {r.tag}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {rope === '' ? null : (
          <div className="wide">
            <KnotsIn rope={rope} chosen={knots} onChosen={setKnots} />
          </div>
        )}
        <Form.Group controlId="happened-words" className="wide">
          <Form.Label>What happened</Form.Label>
          <Form.Control
            as="textarea"
            rows={4}
            maxLength={2000}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            isInvalid={tried && words.trim() === ''}
          />
          <Form.Control.Feedback type="invalid">say what happened</Form.Control.Feedback>
        </Form.Group>
        <div className="wide">
          <Button type="submit" disabled={isLoading}>
            Record it
          </Button>{' '}
          {isSuccess ? <span className="quiet">Recorded. Nothing is frozen by it.</span> : null}
          {error ? (
            <p className="invalid-feedback d-block" role="alert">
              {refusalText(error)}
            </p>
          ) : null}
        </div>
      </div>
    </Form>
  );
}

export function Happened() {
  const { data, error, isLoading, refetch } = useIncidentsQuery();
  const people = usePeopleQuery().data ?? [];
  const ropes = useRopesQuery().data ?? [];
  const records = (useSessionQuery().data?.person?.roles ?? []).some((r) => r !== 'learner');
  if (isLoading) return <Loading what="Reading what happened" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  return (
    <>
      <Tabs />
      <h1>What happened</h1>
      {data.items.length === 0 ? <p className="quiet mt-2">Nothing is written down.</p> : null}
      <ul className="rows" aria-label="What happened">
        {data.items.map((i) => (
          <li key={i.id}>
            <div className="p-2">
              <b>{momentText(i.happened_at)}</b>
              {i.ropes.map((r) => (
                <Link key={r} to={`/log/ropes/${r}`} className="ms-2">
                  {ropes.find((x) => x.id === r)?.tag ?? 'a rope'}
                </Link>
              ))}
              {i.tied_knots.length > 0
                ? `, ${i.tied_knots.length === 1 ? 'one knot' : `${i.tied_knots.length} knots`} in it`
                : ''}
              <p className="m-0 mt-1" style={{ whiteSpace: 'pre-wrap' }}>
                {i.words}
              </p>
              <p className="small quiet m-0">
                Written by {people.find((p) => p.id === i.recorded_by)?.name ?? '…'}, no. {i.sequence} of the record.
                Cause unsettled.
              </p>
            </div>
          </li>
        ))}
      </ul>
      {records ? <WriteDown /> : null}
    </>
  );
}
