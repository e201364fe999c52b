import { Button } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import { paceOf } from '../../../core/inspect/judging';
import { DONE_WORDS, type CheckEntry } from '../../../core/records';
import { useCheckQuery, usePeopleQuery, useProfilesQuery, useSessionQuery } from '../../store/api';
import { useKnotName } from '../../parts/CheckRows';
import { KnotPicture } from '../../parts/KnotPicture';
import { Points } from '../../parts/Points';
import { Failed, Loading } from '../../parts/States';
import { Verdict } from '../../parts/Verdict';
import { CAUTION, momentText, POINT_WORDS, VERDICT_WORDS, COMPANION_WORDS, USE_WORDS } from '../../parts/words';
import { Again } from './Again';
import { LookFirst } from './LookFirst';
import { CloseFinding, Correct, SecondPerson } from './actions';
import { Now } from '../../parts/now';

const TITLES = {
  check: 'Check',
  signature: 'Second person',
  correction: 'Correction',
  'finding-closed': 'Finding closed',
} as const;

function EntryView({ entry, sha256, nameOf }: { entry: CheckEntry; sha256: string; nameOf: (id: string) => string }) {
  return (
    <section className="sheet entry">
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h3>{TITLES[entry.kind]}</h3>
        <span className="quiet">
          recorded {momentText(entry.recorded_at)} by {nameOf(entry.recorded_by)}
        </span>
      </div>
      {entry.kind === 'check' ? (
        <>
          <Points points={entry.body.judgement.points} />
          {entry.body.note ? <p className="mt-2 mb-0">“{entry.body.note}”</p> : null}
        </>
      ) : null}
      {entry.kind === 'signature' ? (
        <>
          <p className="m-0 mt-1">
            {nameOf(entry.body.signer)}{' '}
            {entry.body.answers
              ? 'looked before the first one’s answers were shown'
              : 'looked at both faces, having seen the first one’s answers,'}{' '}
            and {entry.body.agrees ? 'agrees' : 'does not agree'}
            {entry.body.note ? `: “${entry.body.note}”` : '.'} Verdict after it:{' '}
            {VERDICT_WORDS[entry.body.verdict_after]}.
            {entry.body.proved_by === 'pin' ? ' Signed by PIN on the first one’s device.' : ''}
          </p>
          {(entry.body.differences ?? []).length > 0 ? (
            <table className="table mt-2 mb-0">
              <caption className="visually-hidden">Where the two looks differ</caption>
              <thead>
                <tr>
                  <th scope="col">Differs at</th>
                  <th scope="col">First</th>
                  <th scope="col">Second</th>
                </tr>
              </thead>
              <tbody>
                {entry.body.differences!.map((d) => (
                  <tr key={d.point}>
                    <th scope="row">{POINT_WORDS[d.point]}</th>
                    <td>{d.first}</td>
                    <td>{d.second}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          ) : null}
        </>
      ) : null}
      {entry.kind === 'correction' ? (
        <>
          <p className="m-0 mt-1">
            Reason: {entry.body.reason}. Verdict after it: {VERDICT_WORDS[entry.body.verdict_after]}. What was written
            before stays above.
          </p>
          <Points points={entry.body.judgement.points} />
        </>
      ) : null}
      {entry.kind === 'finding-closed' ? (
        <p className="m-0 mt-1">
          {DONE_WORDS[entry.body.what_was_done]}
          {entry.body.later_check ? (
            <>
              {' '}
              (<Link to={`/log/${entry.body.later_check}`}>the later check</Link>)
            </>
          ) : null}
          {entry.body.note ? `: “${entry.body.note}”` : '.'}
        </p>
      ) : null}
      <p className="hash m-0 mt-2">
        no. {entry.sequence} · sha256 {sha256}
      </p>
    </section>
  );
}

export function CheckPage() {
  const { id = '' } = useParams();
  const [params] = useSearchParams();
  const { data, error, isLoading, refetch } = useCheckQuery(id, { refetchOnMountOrArgChange: true });
  const people = usePeopleQuery().data ?? [];
  const profiles = useProfilesQuery().data ?? [];
  const session = useSessionQuery().data!;
  const name = useKnotName();
  if (isLoading) return <Loading what="Opening the check" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const { row } = data;
  const entries = data.entries.map((e) => ({ sha256: e.sha256, entry: e.entry as unknown as CheckEntry }));
  const first = entries[0]!.entry;
  if (first.kind !== 'check') return <Failed error={{ status: 404 }} />;
  const body = first.body;
  const nameOf = (person: string) => people.find((p) => p.id === person)?.name ?? person;
  const profile = profiles.find((p) => p.id === row.profile);
  const me = session.person!;
  const records = me.roles.some((r) => r !== 'learner');
  const current =
    [...entries]
      .reverse()
      .map((e) => e.entry)
      .find((e) => e.kind === 'correction') ?? first;
  const judgement = current.body.judgement;
  const pace = paceOf(current.body.answers);
  const canSign = records && row.signer === null;
  const waits = canSign && row.points_verdict === 'meets-the-rule' && data.second_check !== 'none';
  // somebody who may be the second person looks before reading what the first one found
  const corrector = current.kind === 'correction' ? current.recorded_by : null;
  if (waits && me.id !== row.tied_by && me.id !== row.checker && me.id !== corrector && params.get('shown') !== '1')
    return <LookFirst row={row} />;
  return (
    <>
      {row.demo ? <p className="watermark d-inline-block mb-2">Demo data: made up, no evidence of anything</p> : null}
      {params.get('just') === 'recorded' ? (
        <p className="notice mb-3" role="status">
          Recorded as no. {row.sequence} of your organisation’s record.
        </p>
      ) : null}
      {params.get('just') === 'signed' ? (
        <p className={`notice mb-3${row.differs ? ' bad' : ''}`} role="status">
          {row.differs
            ? 'Recorded. You and the first one differ: it is shown below, to both of you. Look again together.'
            : 'Recorded. You found the same as the first one.'}
        </p>
      ) : null}
      <div className="verdict-page">
        <div>
          <h1>{name(row.knot)}</h1>
          <p className="quiet mt-1 mb-3 fs-5">
            {row.rope_tag} ({body.rope_diameter_mm} mm), {row.place}
          </p>
          <Verdict of={row.verdict} big />
          <p className="mt-2 mb-0">
            As seen then: <b>{momentText(row.seen_at)}</b>. Rules: {profile?.name ?? row.profile}, version{' '}
            {row.profile_version}.
            {row.tail_mm === null ? (
              ''
            ) : (
              <>
                {' '}
                Tail <span className="figure">{Math.round(row.tail_mm)}</span> mm
                {row.tail_margin_mm === null ? (
                  ', no length is asked'
                ) : (
                  <>
                    , margin{' '}
                    <span className="figure">
                      {row.tail_margin_mm > 0 ? '+' : ''}
                      {row.tail_margin_mm}
                    </span>{' '}
                    mm
                  </>
                )}
                .
              </>
            )}
          </p>
          <p className="mb-0">
            For {body.use ? USE_WORDS[body.use] : 'what is not said'}
            {body.companions?.length ? `, with ${body.companions.map((c) => COMPANION_WORDS[c]).join(' and ')}` : ''}.
            {body.short ? ' A short look: it meets no rule.' : ''}{' '}
            {body.not_tied_by_me ? `${row.checker_name} states that they did not tie it. ` : ''}Tied by{' '}
            {row.tied_by_name}, {momentText(body.tied_at)}. Looked at by {row.checker_name}.{' '}
            {row.signer_name ? (
              `Second person: ${row.signer_name}.`
            ) : row.alone ? (
              <b>No second person: tied and checked by the same one.</b>
            ) : data.second_check === 'required' ? (
              <b>No second signature; these rules require one.</b>
            ) : data.second_check === 'advised' ? (
              'No second signature; these rules advise one.'
            ) : (
              ''
            )}
          </p>
          {pace.timed > 0 ? (
            <p className="mb-0">
              Looked at for {Math.round(pace.seconds)} s over {pace.timed} {pace.timed === 1 ? 'point' : 'points'}
              {pace.fast > 0 ? ', all on one screen' : ''}
              {pace.quick ? (
                <>
                  : <b>quicker than one can look</b>
                </>
              ) : (
                ''
              )}
              .
            </p>
          ) : null}
          {body.signed_off && !body.signed_off.to_check ? (
            <p className="mb-0">
              {row.checker_name} was <b>not signed off to check</b> this knot.
            </p>
          ) : null}
          {body.signed_off && !body.signed_off.to_tie ? (
            <p className="mb-0">{row.tied_by_name} was not signed off to tie it.</p>
          ) : null}
          {body.despite_open_finding ? (
            <p className="mb-0">
              Another knot in this rope was to be taken out. Why it was used all the same: “{body.despite_open_finding}”
            </p>
          ) : null}
          {row.differs ? (
            <p className="mb-0 v-put-right">
              <b>The two looks differ</b>: see below.
            </p>
          ) : null}
          {judgement.not_judged.length > 0 ? (
            <p className="mb-0">
              Not judged:{' '}
              {judgement.points
                .filter((p) => p.state === 'not-judged')
                .map((p) => `${p.point} (${p.text})`)
                .join(', ')}
              .
            </p>
          ) : null}
          <div className="d-flex flex-wrap gap-2 mt-3 no-print">
            <a
              className="btn btn-outline-primary"
              href={`/api/v1/checks/${row.id}.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              PDF
            </a>
            <Button variant="outline-primary" onClick={() => window.print()}>
              Print this page
            </Button>
            {records ? <Correct row={row} body={body} answers={current.body.answers} /> : null}
          </div>
          <h2 className="mt-4">What was written</h2>
          {entries.map((e) => (
            <EntryView key={e.sha256} entry={e.entry} sha256={e.sha256} nameOf={nameOf} />
          ))}
        </div>
        <aside className="d-grid gap-3">
          <div className="sheet faces">
            {(['front', 'back'] as const).map((f) => (
              <KnotPicture
                key={f}
                knot={row.knot}
                face={f}
                crop="knot"
                size={190}
                alt={`${name(row.knot)}, ${f}, as it should look`}
              />
            ))}
          </div>
          <p className="small quiet m-0">
            Front and back as they should look, computed: no picture of the knot that was seen.
          </p>
          {row.open_finding && records ? <CloseFinding row={row} /> : null}
          {canSign ? (
            <SecondPerson row={row} mayMyself={me.id !== row.tied_by && me.id !== row.checker && me.id !== corrector} />
          ) : null}
          {records ? <Again body={body} version={row.profile_version} unit={me.length_unit} /> : null}
        </aside>
      </div>
      <p className="only-print small">
        {session.organisation?.name}. Printed <Now say={(now) => momentText(now.toISOString())} />. Entry no.{' '}
        {row.sequence}.
      </p>
      <p className="caution mt-4">
        {profile?.caution} {CAUTION}
      </p>
      <p className="no-print">
        <Link to="/log">All checks</Link>
      </p>
    </>
  );
}
