import { COMMON_PRACTICE } from '../../../core/profiles';
import { useProfilesQuery } from '../../store/api';
import { Failed, Loading } from '../../parts/States';
import { Tabs } from './Tabs';

const STOPPER = { required: 'required', optional: 'may be tied', 'not-asked': 'not asked' } as const;

/** What holds beneath every rule set: lengths, knots that belong to one, and what a knot is kept from. */
function CommonPractice() {
  const { name, version, lengths, asked, refused } = COMMON_PRACTICE;
  const row = (id: string, text: string, source: string) => (
    <div className="measure" key={id}>
      <span>
        {text}{' '}
        <span className="rule-id">
          {id}, {source}
        </span>
      </span>
    </div>
  );
  return (
    <section className="sheet p-3 px-4">
      <h2>
        {name} <span className="quiet small">version {version}</span>
      </h2>
      <p className="quiet small mb-2">
        Beneath every rule set. One of its rules is silenced only by a rule that names that knot, that use and the same
        kind of length; of all that is left the one that asks most decides.
      </p>
      {lengths.map((l) => row(l.id, l.text, l.source))}
      {asked.map((a) => row(a.rule, a.text, a.source))}
      <p className="quiet small mt-3 mb-2">Whatever a rule set says, these are taken out:</p>
      {refused.map((r) => row(r.rule, r.text, r.source))}
    </section>
  );
}

/** The rule sets as they stand: every figure with its source. */
export function Rules() {
  const { data, error, isLoading, refetch } = useProfilesQuery();
  if (isLoading) return <Loading what="Reading the rules" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  return (
    <>
      <Tabs />
      <h1>Rules</h1>
      <p className="quiet mt-1">
        Five schools, as practised. “general” marks what is general knowledge of the field and wants a competent
        person’s look. They are read-only for now.
      </p>
      <div className="pair mt-3">
        {data.map((p) => (
          <section key={p.id} className="sheet p-3 px-4">
            <h2>
              {p.name} <span className="quiet small">version {p.version}</span>
            </h2>
            <p className="quiet small mb-2">{p.about}</p>
            {p.lengths.length === 0 ? (
              <div className="measure">
                <span>No tail length is given</span>
              </div>
            ) : null}
            {p.lengths.map((l) => (
              <div className="measure" key={l.id + String(l.stopper)}>
                <span>
                  {l.text}{' '}
                  <span className="rule-id">
                    {l.id}, {l.source}
                  </span>
                </span>
              </div>
            ))}
            {p.tieIn.map((k) => (
              <div className="measure" key={k.rule}>
                <span>
                  {k.knot.replaceAll('-', ' ')}: {k.text}{' '}
                  <span className="rule-id">
                    {k.rule}, {k.source}
                  </span>
                </span>
              </div>
            ))}
            {(p.also ?? []).map((a) => (
              <div className="measure" key={a.rule}>
                <span>
                  {a.knots.length > 0 ? `${a.knots.map((k) => k.replaceAll('-', ' ')).join(', ')}: ` : ''}
                  {a.text}{' '}
                  <span className="rule-id">
                    {a.rule}, {a.source}
                  </span>
                </span>
              </div>
            ))}
            {p.unequalOver_mm === undefined ? null : (
              <div className="measure">
                <span>
                  Ropes that differ by more than {p.unequalOver_mm} mm are not joined by a joint for equal ones{' '}
                  <span className="rule-id">D2</span>
                </span>
              </div>
            )}
            <div className="measure">
              <span>
                Stopper behind a tie-in: {STOPPER[p.stopperBehindTieIn.asked]}; {p.stopperBehindTieIn.text}
              </span>
            </div>
            <div className="measure">
              <span>
                Second person: {p.secondCheck.asked} <span className="rule-id">{p.secondCheck.source}</span>
              </span>
            </div>
            <p className="caution mt-3 mb-0">{p.caution}</p>
          </section>
        ))}
        <CommonPractice />
      </div>
    </>
  );
}
