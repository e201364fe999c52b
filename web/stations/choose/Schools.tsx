/** Where schools differ: each point with both sides, their reasons, and what each rule set does. */
import { Link, useParams } from 'react-router';
import { DISAGREEMENTS, stancesOn, type Disagreement } from '../../../core/profiles/disagreements';
import { useKnotsQuery, useProfilesQuery } from '../../store/api';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed } from '../../parts/States';
import { CAUTION } from '../../parts/words';

function Point({ d }: { d: Disagreement }) {
  const { data: profiles, error } = useProfilesQuery();
  const knots = useKnotsQuery().data;
  const name = (id: string) => knots?.find((k) => k.id === id)?.names[0] ?? id;
  const inWords = (says: string) => d.knots.reduce((text, id) => text.replaceAll(id, name(id)), says);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>{d.title}</h1>
        <Link to="/choose/schools" className="ms-auto">
          every point
        </Link>
        <Link to="/choose">choose a knot</Link>
      </div>
      <div className="pair mt-3">
        {d.sides.map((s) => (
          <section key={s.says} className="sheet p-3 px-4">
            <h2>{s.says}</h2>
            <p className="m-0 mt-1">
              {s.because} <span className="rule-id">{s.source}</span>
            </p>
          </section>
        ))}
      </div>
      <p className="notice mt-3">
        <b>Here:</b> {d.here}
      </p>
      <h2 className="mt-3">What the rule sets do</h2>
      {error ? (
        <Failed error={error} />
      ) : (
        <div className="mt-1">
          {stancesOn(d, profiles ?? []).map((s) => (
            <div className="measure" key={s.profile}>
              <span>
                <strong>{s.name}</strong>:{' '}
                {s.says === null ? <span className="quiet">says nothing</span> : inWords(s.says)}
              </span>
            </div>
          ))}
        </div>
      )}
      <div className="d-flex flex-wrap gap-3 mt-3">
        {d.knots.map((id) => (
          <Link key={id} to={`/tie/${id}`} className="sheet p-2 d-flex align-items-center gap-2">
            <KnotPicture knot={id} crop="knot" size={88} alt="" />
            {name(id)}
          </Link>
        ))}
      </div>
    </>
  );
}

export function Schools() {
  const { id } = useParams();
  const d = DISAGREEMENTS.find((x) => x.id === id);
  return (
    <>
      {d ? (
        <Point key={d.id} d={d} />
      ) : (
        <>
          <div className="d-flex flex-wrap align-items-baseline gap-3">
            <h1>Where schools differ</h1>
            <Link to="/choose" className="ms-auto">
              choose a knot
            </Link>
          </div>
          {id ? <p className="notice no mt-2">There is no point of this name.</p> : null}
          <p className="quiet mt-1">
            Both sides are practised. The rules of employer, scheme or country win over all of them.
          </p>
          <ul className="rows mt-2">
            {DISAGREEMENTS.map((x) => (
              <li key={x.id} className="py-2">
                <Link to={`/choose/schools/${x.id}`}>{x.title}</Link>{' '}
                <span className="quiet">{x.sides.map((s) => s.says.replace(/\.$/, '')).join(' or ')}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
