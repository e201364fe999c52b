import { useEffect, useRef, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { z } from 'zod';
import type { chooseReply } from '../../../contract';
import { newId } from '../../parts/newId';
import type { Job } from '../../../core/choose/job';
import { jobFor, OBJECTS_FOR, TWO_ROPES } from '../../../core/choose/forPurpose';
import { untyingAsked } from '../../../core/choose/untying';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { upTo } from '../../../core/units';
import { withElse } from '../../../core/choose/whatElse';
import { across_mm } from '../../../core/knots/shape/sizes';
import type { Family } from '../../../core/knots/facts/types';
import {
  refusalText,
  useChooseQuery,
  useKeptJobQuery,
  useKnotsQuery,
  useNewJobMutation,
  useProfilesQuery,
  useRopeNeededQuery,
} from '../../store/api';
import { useApp, useSend } from '../../store';
import { jobChanged, jobOpened, knotTaken } from '../../store/job';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed, Loading } from '../../parts/States';
import {
  CAUTION,
  OBJECT_WORDS,
  PASS_WORDS,
  pullWords,
  PURPOSE_WORDS,
  TEAM_WORDS,
  UNTIE_WORDS,
} from '../../parts/words';
import { Fill } from './Fill';
import { IfSomethingFails, Pulls } from './Pulls';
import { JobRopes } from './RopeFill';
import { Now } from '../../parts/now';

type Suited = z.output<typeof chooseReply>['suited'][number];

/** What is looked at, in the order in which it decides. */
const SCORE_WORDS: Readonly<Record<string, string>> = {
  'made-for-it': 'made for',
  'usual-for': 'usual',
  'also-stands': 'stands as well',
  'checked-by': 'who can check it',
  'equal-ropes': 'unequal ropes',
  untying: 'undone',
  'named-by-profile': 'the rules',
  'known-to': 'known',
  'ways-to-get-it-wrong': 'ways to get it wrong',
  loosens: 'idle',
  passes: 'passes',
  'rope-used': 'rope',
  bulk: 'bulk',
};
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

function Card({
  s,
  place,
  of,
  job,
  name,
  family,
  checked,
}: {
  s: Suited;
  place: number;
  of: number;
  job: Job;
  name: string;
  family: Family;
  checked: boolean;
}) {
  const navigate = useNavigate();
  const send = useSend();
  // it lies across the page: shown whole in its width
  const across = family === 'bend' || family === 'midline';
  const rope = useRopeNeededQuery({
    knot: s.knot,
    rope_diameter_mm: across_mm({ family }, job.rope),
    profile: job.profile,
  }).data;
  const { least, most } = untyingAsked(entryById(s.knot), job);
  const untying = least === most ? `${most}` : `${least}–${most}`;
  const take = (to: string) => {
    send(knotTaken(s.knot));
    void navigate(to);
  };
  return (
    <article className={`sheet knot-card${place === 0 ? ' first' : ''}`}>
      <div className={`pic${across ? ' across' : ''}`}>
        <KnotPicture knot={s.knot} crop={across ? 'knot' : 'tall'} size={172} alt={`${name}, front`} />
      </div>
      <div className="say">
        <h2>{name}</h2>
        <p className="small quiet m-0">
          suited, {ORDINALS[place] ?? `${place + 1}th`} of {of}
        </p>
        <ul className="tells">
          {s.reasons
            .filter((r) => r.rule !== 'P0')
            .slice(0, 3)
            .map((r) => (
              <li key={r.rule}>
                {r.text}
                <span className="rule-id">{r.rule}</span>
              </li>
            ))}
          {s.cautions.slice(0, 2).map((r) => (
            <li key={r.rule} className="care">
              {r.text}
              <span className="rule-id">{r.rule}</span>
            </li>
          ))}
        </ul>
        <div className="price">
          <span>
            <b>{rope ? `${(upTo(10, rope.total_mm_high) / 1000).toFixed(2)} m` : '–'}</b>rope, eye and tail in
          </span>
          <span>
            <b>{untying}</b>untying, 5 is worst
          </span>
          <span>
            <b>{rope ? (rope.tail_mm === 0 ? 'none' : `${upTo(1, rope.tail_mm)} mm`) : '–'}</b>
            {rope?.tail_from === 'general' ? 'of tail (no rule)' : 'of tail'}
          </span>
        </div>
        <details className="small mt-2">
          <summary>Why this place</summary>
          {s.score_parts.map((p) => (
            <div className="measure" key={p.part}>
              <span>{SCORE_WORDS[p.part] ?? p.part}</span>
              <span>{p.text}</span>
            </div>
          ))}
        </details>
        <div className="card-acts">
          <Button onClick={() => take(`/tie/${s.knot}`)}>Tie it</Button>
          {checked ? (
            <Button variant="outline-primary" onClick={() => take('/check')}>
              Check one
            </Button>
          ) : null}
        </div>
      </div>
    </article>
  );
}

/** The kept job that the address names: taken once and out of the address, so that coming back does not undo what was changed since. */
function useJobOfTheAddress(): { name: string | null; error: unknown } {
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

function KeepJob() {
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

export function Choose() {
  const send = useSend();
  const { job } = useApp((s) => s.job);
  const address = useJobOfTheAddress();
  const { data, error, isLoading, refetch } = useChooseQuery(job);
  const profiles = useProfilesQuery().data ?? [];
  const knots = useKnotsQuery().data;
  const knot = (id: string) => knots?.find((k) => k.id === id);
  const name = (id: string) => knot(id)?.names[0] ?? id;
  const elsewhere = (x: { because: readonly { rule: string }[] }) => x.because.some((b) => b.rule === 'F1');
  const set = (change: Partial<Job>) => send(jobChanged(change));
  const objects = [...new Set([...OBJECTS_FOR[job.purpose], job.object])];
  const several = job.must_pass.length > 1;
  const passes: Readonly<Record<string, string>> = {
    none: 'nothing',
    ...PASS_WORDS,
    ...(several && { several: job.must_pass.map((d) => PASS_WORDS[d]).join(' and ') }),
  };
  return (
    <>
      <div className="choose-top">
        <div>
          <h1 className="visually-hidden">Choose a knot</h1>
          {address.name ? (
            <p className="quiet m-0">
              Kept as <b>{address.name}</b>
            </p>
          ) : address.error ? (
            <p className="notice no mb-2">{refusalText(address.error)}</p>
          ) : null}
          <div className="sentence">
            For{' '}
            <Fill
              label="Purpose"
              value={job.purpose}
              options={PURPOSE_WORDS}
              onPick={(purpose) => set(jobFor(purpose, job))}
            />
            {objects.length > 1 ? (
              <>
                {' '}
                to{' '}
                <Fill
                  label="Object"
                  value={job.object}
                  options={
                    Object.fromEntries(objects.map((o) => [o, OBJECT_WORDS[o]])) as Record<Job['object'], string>
                  }
                  onPick={(object) => set({ object })}
                />
              </>
            ) : null}{' '}
            with <JobRopes />, its end{' '}
            <Fill
              label="End of the rope"
              value={job.end_free ? 'free' : 'fixed'}
              options={{ free: 'free', fixed: 'not free' }}
              onPick={(v) => set({ end_free: v === 'free' })}
            />
            , to be undone{' '}
            <Fill label="Untying" value={job.untie} options={UNTIE_WORDS} onPick={(untie) => set({ untie })} />, looked
            at by <Fill label="Checked by" value={job.team} options={TEAM_WORDS} onPick={(team) => set({ team })} />,
            under{' '}
            <Fill
              label="Rules"
              value={job.profile}
              options={Object.fromEntries(profiles.map((p) => [p.id, `${p.name} rules`]))}
              onPick={(profile) => set({ profile })}
            />
            ; it carries{' '}
            <Fill
              label="Load"
              value={job.life_load ? 'life' : 'things'}
              options={{ life: 'a person', things: 'things only' }}
              onPick={(v) => set({ life_load: v === 'life' })}
            />{' '}
            and must pass{' '}
            <Fill
              label="Must pass"
              value={several ? 'several' : (job.must_pass[0] ?? 'none')}
              options={passes}
              onPick={(v) => {
                if (v !== 'several') set({ must_pass: v === 'none' ? [] : [v as Job['must_pass'][number]] });
              }}
            />
            .
          </div>
        </div>
        <Pulls purpose={job.purpose} pulls={job.pulls} onChange={(pulls) => set({ pulls })}>
          <IfSomethingFails
            job={job}
            onYes={(asked) => {
              const { pulls, must_pass } = withElse(job, asked);
              set({ pulls, must_pass });
            }}
          />
        </Pulls>
      </div>
      <p className="printed-only">
        Pulled {job.pulls.map((p) => pullWords(p, TWO_ROPES[job.purpose] === 'joined')).join(', ')}.{' '}
        {data
          ? `Catalogue ${data.versions.catalogue}, rules ${data.versions.profile} version ${data.versions.profile_version}; `
          : ''}
        printed <Now say={(now) => now.toLocaleDateString('en-GB')} />.
      </p>
      {isLoading ? (
        <Loading what="Weighing the knots" />
      ) : error || !data ? (
        <Failed error={error} again={refetch} />
      ) : (
        <div aria-live="polite">
          {data.suited.length === 0 ? (
            <div className="notice mt-3">
              <h2>None of the knots in the catalogue does this job.</h2>
              <p className="m-0 mt-1">
                Below stands why, knot by knot. Change the job, not the rule: leave out no pull that may come.
              </p>
            </div>
          ) : (
            <div className="best">
              {data.suited.map((s, i) => (
                <Card
                  key={s.knot}
                  s={s}
                  place={i}
                  of={data.suited.length}
                  job={job}
                  name={name(s.knot)}
                  family={knot(s.knot)?.family ?? 'end-loop'}
                  checked={knot(s.knot)?.can_be_checked ?? false}
                />
              ))}
            </div>
          )}
          <div className="others">
            <section aria-labelledby="nearly">
              <h2 id="nearly" className="eyebrow mb-1">
                Nearly
              </h2>
              {data.nearly.map((n) => (
                <div className="other" key={n.knot}>
                  <KnotPicture knot={n.knot} crop="knot" size={56} alt="" />
                  <span>
                    <b>{name(n.knot)}</b> – {n.wouldDoIf}
                    <span className="rule-id">{n.rule}</span>
                  </span>
                </div>
              ))}
              {data.nearly.length === 0 ? (
                <p className="other quiet" style={{ display: 'block' }}>
                  Nothing that one visible change would mend.
                </p>
              ) : null}
            </section>
            <section aria-labelledby="not" className={data.excluded.every(elsewhere) ? 'not-printed' : ''}>
              <h2 id="not" className="eyebrow mb-1">
                Not, because
              </h2>
              {data.excluded
                .filter((x) => !elsewhere(x))
                .map((x) => (
                  <div className="other" key={x.knot}>
                    <KnotPicture knot={x.knot} crop="knot" size={56} alt="" />
                    <span>
                      <b>{name(x.knot)}</b> –{' '}
                      {x.because.map((b, i) => (
                        <span key={b.rule + b.text}>
                          {i > 0 ? '; ' : ''}
                          {b.text}
                          <span className="rule-id">{b.rule}</span>
                        </span>
                      ))}
                    </span>
                  </div>
                ))}
              {data.excluded.some(elsewhere) ? (
                <details className="other" style={{ display: 'block' }}>
                  <summary>{data.excluded.filter(elsewhere).length} more are made for other purposes</summary>
                  <ul className="mt-2 mb-0 ps-3">
                    {data.excluded.filter(elsewhere).map((x) => (
                      <li key={x.knot}>
                        <b>{name(x.knot)}</b> – {x.because.map((b) => b.text).join('; ')}
                      </li>
                    ))}
                  </ul>
                </details>
              ) : null}
              {data.excluded.length === 0 ? (
                <p className="other quiet" style={{ display: 'block' }}>
                  None is ruled out.
                </p>
              ) : null}
            </section>
          </div>
          <div className="d-flex flex-wrap align-items-center gap-3 mt-3 choose-links">
            <KeepJob />
            <Link to="/choose/friction">Cord for a friction hitch</Link>
            <Link to="/choose/cut">How much rope</Link>
            <Link to="/choose/passing">What passes what</Link>
            <Link to="/choose/schools">Where schools differ</Link>
            <span className="small quiet">
              Catalogue {data.versions.catalogue}, rules{' '}
              {profiles.find((p) => p.id === data.versions.profile)?.name ?? data.versions.profile} version{' '}
              {data.versions.profile_version}
            </span>
          </div>
          <p className="caution mt-2">
            {profiles.find((p) => p.id === job.profile)?.caution} {CAUTION}
          </p>
        </div>
      )}
    </>
  );
}
