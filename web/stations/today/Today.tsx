import { Link, useNavigate } from 'react-router';
import { Button } from 'react-bootstrap';
import { useJobsQuery, useSessionQuery, useTodayQuery } from '../../store/api';
import { useApp, useSend } from '../../store';
import { walkEnded } from '../../store/walks';
import { CheckRows, useKnotName } from '../../parts/CheckRows';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed, Loading } from '../../parts/States';
import { CAUTION, dayText, momentText, PURPOSE_WORDS } from '../../parts/words';
import { Now } from '../../parts/now';

export function Today() {
  const navigate = useNavigate();
  const send = useSend();
  const { data: session } = useSessionQuery();
  const { data, error, isLoading, refetch } = useTodayQuery(undefined, { refetchOnMountOrArgChange: true });
  const jobs = useJobsQuery().data?.items ?? [];
  const walks = useApp((s) => s.walks);
  const name = useKnotName();
  if (isLoading) return <Loading what="Looking at the day" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const mine = session?.person?.id;
  const mayRecord = session?.person?.roles.some((r) => r !== 'learner');
  const forMe = data.waiting_signatures.filter((r) => r.checker !== mine && r.tied_by !== mine);
  const open =
    data.open_findings.length +
    data.to_look_at_again.length +
    data.rounds_waiting.length +
    walks.length +
    (mayRecord ? forMe.length : 0);
  return (
    <>
      <h1>
        <Now say={(now) => now.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })} />
      </h1>
      <section className="sheet hero">
        <div>
          <h2>{open === 0 ? 'Nothing is open.' : `${open} open.`} What are you tying into?</h2>
          <p className="quiet mt-1 mb-3">
            Say the job once; it goes along to the knot, to the check and into the record.
          </p>
          <div className="d-flex flex-wrap gap-2">
            <Link className="btn btn-primary" to="/choose">
              Start a job
            </Link>
            <Link className="btn btn-outline-primary" to="/check">
              Check a knot <kbd className="hide-narrow">c</kbd>
            </Link>
          </div>
        </div>
        <KnotPicture knot="figure-eight-follow-through" crop="knot" size={240} alt="" />
      </section>
      <div className="today">
        <section aria-labelledby="open">
          <h2 id="open" className="mb-2">
            Open
          </h2>
          {walks.length > 0 ? (
            <>
              <p className="eyebrow">Half done on this device</p>
              <ul className="rows mb-4">
                {walks.map((w) => (
                  <li key={w.id}>
                    <div className="row-line">
                      <span />
                      <Link to={`/check/${w.id}`} className="text-reset">
                        <b>{name(w.knot)}</b>
                        {w.second ? ', second look' : ''}, {w.answers.length} points answered
                        <br />
                        <span className="sub">
                          {w.ropeTag} · {w.place} · begun {momentText(w.begunAt)}
                        </span>
                      </Link>
                      <Button
                        variant="link"
                        onClick={() =>
                          window.confirm('Throw this half-done check away? It was not recorded.') &&
                          send(walkEnded(w.id))
                        }
                        aria-label={`Throw away the check of ${name(w.knot)}, ${w.place}`}
                      >
                        Discard
                      </Button>
                    </div>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
          {data.rounds_waiting.length > 0 ? (
            <>
              <p className="eyebrow">Rounds begun, not finished</p>
              <ul className="rows mb-4" aria-label="Rounds begun, not finished">
                {data.rounds_waiting.map((w) => (
                  <li key={w.id}>
                    <Link className="row-link" to={`/check/rounds/${w.id}`}>
                      <b className="figure">
                        {w.reached}/{w.stops_count}
                      </b>
                      <span>
                        <b>{w.name}</b>
                        <br />
                        <span className="sub">
                          begun {momentText(w.begun_at)} by {w.begun_by_name}
                        </span>
                      </span>
                      <span />
                    </Link>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
          {data.open_findings.length > 0 ? (
            <>
              <p className="eyebrow">Take out and retie: not closed yet</p>
              <div className="mb-4">
                <CheckRows rows={data.open_findings} label="Open findings" />
              </div>
            </>
          ) : null}
          {data.to_look_at_again.length > 0 ? (
            <>
              <p className="eyebrow">To look at again</p>
              <ul className="rows mb-4" aria-label="To look at again">
                {data.to_look_at_again.slice(0, 6).map((k) => (
                  <li key={k.id}>
                    <Link className="row-link" to={k.last_check ? `/log/${k.last_check}` : '/check'}>
                      <span />
                      <span>
                        <b>{name(k.knot)}</b>, {k.place}
                        <br />
                        <span className="sub">
                          {k.rope_tag} · {k.again[0]!.text}
                        </span>
                      </span>
                      <span />
                    </Link>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
          {mayRecord && forMe.length > 0 ? (
            <>
              <p className="eyebrow">Waiting for a second person: you can sign these</p>
              <CheckRows rows={forMe.slice(0, 6)} label="Waiting for a second person" />
              {forMe.length > 6 ? (
                <Link className="btn btn-link" to="/log?open=signature">
                  all {data.counts.waiting_signatures}
                </Link>
              ) : null}
            </>
          ) : null}
          {open === 0 ? <p className="quiet">No half-done check, no open finding, nothing to sign.</p> : null}
        </section>
        <section aria-labelledby="last">
          <h2 id="last" className="mb-2">
            Last done
          </h2>
          {data.last_checks.length > 0 ? (
            <CheckRows rows={data.last_checks.slice(0, 5)} label="Last checks" />
          ) : (
            <p className="quiet">No check is recorded yet. The first one begins with “Check a knot”.</p>
          )}
          {jobs.length > 0 ? (
            <>
              <h2 className="mt-4 mb-2">Kept jobs</h2>
              <ul className="rows">
                {jobs.slice(0, 4).map((j) => (
                  <li key={j.id}>
                    <div className="row-line">
                      <span />
                      <span>
                        <b>{j.name}</b>
                        <br />
                        <span className="sub">
                          {PURPOSE_WORDS[j.job.purpose]} · {j.job.rope.diameter_mm} mm · {dayText(j.created_at)}
                        </span>
                      </span>
                      <Button
                        variant="outline-primary"
                        onClick={() => {
                          void navigate(`/choose?job=${j.id}`);
                        }}
                      >
                        Open
                      </Button>
                    </div>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
        </section>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
