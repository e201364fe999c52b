/** A walk of a round: the next stop large, the others below; what was not reached is asked for at its end. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { useKnotName } from '../../parts/CheckRows';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed, Loading } from '../../parts/States';
import { Verdict, VerdictShape } from '../../parts/Verdict';
import { newId } from '../../parts/newId';
import { USE_WORDS, momentText } from '../../parts/words';
import { verdictSaid } from '../../../core/inspect/judging/words';
import { refusalText, useFinishRoundWalkMutation, useRoundWalkQuery, useSessionQuery } from '../../store/api';
import { useApp } from '../../store';

export function RoundWalk() {
  const { id = '' } = useParams();
  const { data, error, isLoading, refetch } = useRoundWalkQuery(id, { refetchOnMountOrArgChange: true });
  const begun = useApp((s) => s.walks);
  const roles = useSessionQuery().data!.person!.roles;
  const [finish, { error: refused, isLoading: finishing }] = useFinishRoundWalkMutation();
  const [entry] = useState(newId);
  const [ending, setEnding] = useState(false);
  const [why, setWhy] = useState<Readonly<Record<number, string>>>({});
  const [note, setNote] = useState('');
  const name = useKnotName();
  if (isLoading) return <Loading what="Opening the round" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const records = roles.some((r) => r !== 'learner') && data.finished_at === null;
  const missing = data.stops.flatMap((s, i) => (s.check ? [] : [{ ...s, i }]));
  const next = missing[0];
  const halfDone = (i: number) => begun.find((w) => w.round?.walk === id && w.round.stop === i);
  const go = (i: number) => {
    const half = halfDone(i);
    return half ? `/check/${half.id}` : `/check?round=${id}&stop=${i}`;
  };
  const end = () =>
    void finish({
      of: id,
      body: {
        id: entry,
        why_not: missing.flatMap((s) => (why[s.i]?.trim() ? [{ stop: s.i, why: why[s.i]!.trim() }] : [])),
        note,
      },
    }).then((r) => r.data && setEnding(false));
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>{data.name}</h1>
        <span className="ms-auto no-print">
          <a href={`/api/v1/round-walks/${id}.pdf`} target="_blank" rel="noreferrer">
            PDF
          </a>{' '}
          ·{' '}
          <a href={`/api/v1/round-walks/${id}.csv`} download>
            CSV
          </a>
        </span>
      </div>
      <p className="quiet fs-5 mt-1">
        {data.reached} of {data.stops_count} reached. Begun {momentText(data.begun_at)} by {data.begun_by_name}
        {data.finished_at ? `; finished ${momentText(data.finished_at)}` : ''}.
      </p>
      {records && next && !ending ? (
        <section className="sheet next-stop" aria-label="Next stop">
          <div>
            <p className="eyebrow">
              Stop {next.i + 1} of {data.stops_count}
            </p>
            <p className="fs-3 fw-bold m-0">{next.place}</p>
            <p className="fs-5 mt-1">
              {name(next.knot)}
              {next.use ? `, for ${USE_WORDS[next.use]}` : ''}
              {next.rope_tag ? ` in ${next.rope_tag}` : ''}
            </p>
            {next.hangs_there ? (
              <p className="quiet">
                Known to hang there since {momentText(next.hangs_there.tied_at)}.
                {next.hangs_there.again[0]
                  ? ` ${next.hangs_there.again[0].text[0]!.toUpperCase()}${next.hangs_there.again[0].text.slice(1)}.`
                  : ''}
              </p>
            ) : null}
            <Link className="btn btn-primary btn-lg" to={go(next.i)}>
              {halfDone(next.i) ? 'Go on looking' : 'Look at it'}
            </Link>
          </div>
          <KnotPicture knot={next.knot} crop="knot" size={200} alt="" />
        </section>
      ) : null}
      {records && !next && !ending ? <p className="notice fs-5">Every place was reached. Finish the round.</p> : null}
      <ol className="rows mt-3" aria-label="Stops">
        {data.stops.map((s, i) => (
          <li key={`${i} ${s.place}`}>
            <div className="row-line">
              <span className="figure">
                {s.check ? (
                  <span className="verdict">
                    <VerdictShape of={s.check.verdict} />
                  </span>
                ) : (
                  i + 1
                )}
              </span>
              <span>
                <b>{s.place}</b>, {name(s.knot)}
                {s.use ? `, for ${USE_WORDS[s.use]}` : ''}
                <br />
                <span className="sub">
                  {s.rope_tag ?? 'any rope'}
                  {s.check ? (
                    <>
                      {' '}
                      · {verdictSaid(s.check)} · <Link to={`/log/${s.check.id}`}>no. {s.check.sequence}</Link> by{' '}
                      {s.check.checker_name}
                      {s.check.knot === s.knot ? '' : ` · ${name(s.check.knot)} was found there`}
                    </>
                  ) : data.finished_at ? (
                    <> · not reached: not judged{s.why_not ? ` (${s.why_not})` : ''}</>
                  ) : (
                    ''
                  )}
                </span>
              </span>
              {records ? (
                <Link className="btn btn-outline-primary" to={go(i)}>
                  {s.check ? 'Again' : 'Look'}
                </Link>
              ) : s.check ? (
                <Verdict of={s.check.verdict} />
              ) : (
                <Verdict of="not-judged" />
              )}
            </div>
          </li>
        ))}
      </ol>
      {records && ending ? (
        <section className="sheet p-3 mt-3" aria-label="Finish the round">
          <h2>Finish the round</h2>
          {missing.length > 0 ? (
            <p className="mt-1">
              {missing.length} {missing.length === 1 ? 'place was' : 'places were'} not reached.{' '}
              {missing.length === 1 ? 'It stays' : 'They stay'} <b>not judged</b>; say why, if you can.
            </p>
          ) : (
            <p className="mt-1">Every place was reached.</p>
          )}
          {missing.map((s) => (
            <Form.Group controlId={`why-${s.i}`} className="mb-2" key={s.i}>
              <Form.Label>
                {s.place}, {name(s.knot)}
              </Form.Label>
              <Form.Control
                value={why[s.i] ?? ''}
                maxLength={300}
                placeholder="why it was not reached"
                onChange={(e) => setWhy({ ...why, [s.i]: e.target.value })}
              />
            </Form.Group>
          ))}
          <Form.Group controlId="round-note" className="mb-3">
            <Form.Label>Note</Form.Label>
            <Form.Control value={note} maxLength={2000} onChange={(e) => setNote(e.target.value)} />
          </Form.Group>
          {refused ? (
            <p className="invalid-feedback d-block" role="alert">
              {refusalText(refused)}
            </p>
          ) : null}
          <div className="d-flex gap-2">
            <Button disabled={finishing} onClick={end}>
              Record the round
            </Button>
            <Button variant="outline-primary" onClick={() => setEnding(false)}>
              Not yet
            </Button>
          </div>
        </section>
      ) : null}
      {records && !ending ? (
        <Button variant={next ? 'outline-primary' : 'primary'} className="mt-3" onClick={() => setEnding(true)}>
          Finish the round
        </Button>
      ) : null}
      {data.finished ? (
        <p className="hash mt-3">
          no. {data.finished.sequence} · sha256 {data.finished.sha256}
        </p>
      ) : null}
      {data.finished?.note ? <p>“{data.finished.note}”</p> : null}
      <p className="no-print mt-3">
        <Link to="/check/rounds">All rounds</Link>
      </p>
    </>
  );
}
