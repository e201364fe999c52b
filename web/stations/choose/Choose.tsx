import { Link } from 'react-router';
import { jobFor, OBJECTS_FOR, TWO_ROPES } from '../../../core/choose/forPurpose';
import type { Job } from '../../../core/choose/job';
import { withElse } from '../../../core/choose/whatElse';
import { KnotPicture } from '../../parts/KnotPicture';
import { Now } from '../../parts/now';
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
import { useApp, useSend } from '../../store';
import { refusalText, useChooseQuery, useKnotsQuery, useProfilesQuery } from '../../store/api';
import { jobChanged } from '../../store/job';
import { Fill } from './Fill';
import { KeepJob, useJobOfTheAddress } from './KeptJob';
import { IfSomethingFails, Pulls } from './Pulls';
import { JobRopes } from './RopeFill';
import { SuitedCard } from './SuitedCard';

/** What is asked beyond the rest of the sentence: it goes with a purpose, and out with it. */
const NOTHING_MORE = {
  fits_thicknesses: undefined,
  stopper_behind: undefined,
  adjustable: undefined,
  set_unevenly: undefined,
  stiff_rope: undefined,
  devices: undefined,
} satisfies Partial<Job>;
const WITH_STOPPER: readonly Job['purpose'][] = ['tie-in', 'end-loop', 'hitch-object', 'tether'];
const ADJUSTED: readonly Job['purpose'][] = ['tether', 'hitch-object', 'midline', 'two-eyes', 'friction'];
const FITS = { any: 'any number', '1': 'one', '2': 'two', '3': 'three', '4': 'four' } as const;
const OPENINGS_MM = [10, 13, 16, 20, 25, 30, 40, 60] as const;

/** What may be asked besides: thicknesses that go through, a stopper behind it, adjusting, what it has to stop at. */
function Besides({ job, set }: { readonly job: Job; readonly set: (change: Partial<Job>) => void }) {
  const opening = job.devices?.[0]?.opening_mm;
  return (
    <>
      {job.object === 'clip' || job.object === 'closed-ring' ? (
        <>
          , of whose rope{' '}
          <Fill
            label="Thicknesses that go through"
            value={job.fits_thicknesses === undefined ? 'any' : (String(job.fits_thicknesses) as keyof typeof FITS)}
            options={FITS}
            onPick={(v) => set({ fits_thicknesses: v === 'any' ? undefined : Number(v) })}
          />{' '}
          may go through
        </>
      ) : null}
      {WITH_STOPPER.includes(job.purpose) ? (
        <>
          ,{' '}
          <Fill
            label="Stopper"
            value={job.stopper_behind ? 'yes' : 'no'}
            options={{ no: 'no stopper in mind', yes: 'with a stopper behind it' }}
            onPick={(v) => set({ stopper_behind: v === 'yes' ? true : undefined })}
          />
        </>
      ) : null}
      {ADJUSTED.includes(job.purpose) ? (
        <>
          ,{' '}
          <Fill
            label="Adjusting"
            value={job.adjustable ? 'yes' : 'no'}
            options={{ no: 'left as it is', yes: 'adjusted where it hangs' }}
            onPick={(v) => set({ adjustable: v === 'yes' ? true : undefined })}
          />
        </>
      ) : null}
      {job.purpose === 'stopper' ? (
        <>
          , stopping at{' '}
          <Fill
            label="Opening it stops at"
            value={opening === undefined ? 'any' : String(opening)}
            options={{
              any: 'an opening nobody measured',
              ...Object.fromEntries(OPENINGS_MM.map((mm) => [String(mm), `an opening of ${mm} mm`])),
            }}
            onPick={(v) => set({ devices: v === 'any' ? undefined : [{ kind: 'device', opening_mm: Number(v) }] })}
          />
        </>
      ) : null}
    </>
  );
}

/** What else decides how a knot comes undone. */
function UndoneHow({ job, set }: { readonly job: Job; readonly set: (change: Partial<Job>) => void }) {
  return (
    <>
      , set{' '}
      <Fill
        label="Set"
        value={job.set_unevenly ? 'uneven' : 'even'}
        options={{ even: 'evenly', uneven: 'perhaps unevenly' }}
        onPick={(v) => set({ set_unevenly: v === 'uneven' ? true : undefined })}
      />{' '}
      in{' '}
      <Fill
        label="Stiffness of the rope"
        value={job.stiff_rope ? 'stiff' : 'any'}
        options={{ any: 'a rope that is not stiff', stiff: 'a stiff rope' }}
        onPick={(v) => set({ stiff_rope: v === 'stiff' ? true : undefined })}
      />
    </>
  );
}

/** What a visible change makes of the job. */
const CHANGED: Readonly<Record<'add-stopper' | 'free-an-end', Partial<Job>>> = {
  'add-stopper': { stopper_behind: true },
  'free-an-end': { end_free: true },
};

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
              onPick={(purpose) => set({ ...jobFor(purpose, job), ...NOTHING_MORE })}
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
            <Fill label="Untying" value={job.untie} options={UNTIE_WORDS} onPick={(untie) => set({ untie })} />
            {job.untie === 'any' ? null : <UndoneHow job={job} set={set} />}, looked at by{' '}
            <Fill label="Checked by" value={job.team} options={TEAM_WORDS} onPick={(team) => set({ team })} />, under{' '}
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
            <Besides job={job} set={set} />.
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
                <SuitedCard
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
                    <span className="rule-id">{n.rule}</span>{' '}
                    <button type="button" className="btn btn-link p-0" onClick={() => set(CHANGED[n.change])}>
                      change the job so
                    </button>
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
