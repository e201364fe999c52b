/** What it can be taken for: computed. Right beside wrong on both faces, with the tell. */
import { Link } from 'react-router';
import { useLookalikesQuery, type KnotReply } from '../../store/api';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed } from '../../parts/States';

const BY = { turn: 'one turn', ends: 'other ends' } as const;

export function Lookalikes({ knot }: { knot: KnotReply }) {
  const { data, error } = useLookalikesQuery(knot.id);
  if (error) return <Failed error={error} />;
  if (!data || data.length === 0) return null;
  return (
    <section className="mt-4" aria-labelledby="alike">
      <h2 id="alike">Taken for it, or it for them</h2>
      <p className="quiet mt-1 mb-2">
        Computed: one crossing the other way round, one turn, or other ends loaded, and it is one of these.
      </p>
      <div className="lookalikes">
        {data.map((l) => (
          <article key={`${l.knot} ${l.fault}`} className="sheet" data-lookalike={`${l.knot}/${l.fault ?? 'right'}`}>
            <div className="beside">
              <span className="small quiet">this knot</span>
              <span className="small quiet">{l.fault ? 'wrong' : 'the other'}</span>
              {(['front', 'back'] as const).flatMap((face) => [
                <KnotPicture
                  key={`own ${face}`}
                  knot={knot.id}
                  face={face}
                  state="tight"
                  crop="knot"
                  size={165}
                  lazy
                  alt={`${knot.names[0]}, right, ${face}`}
                />,
                <KnotPicture
                  key={face}
                  knot={l.knot}
                  form={l.fault ?? 'right'}
                  face={face}
                  state="tight"
                  crop="knot"
                  size={165}
                  lazy
                  alt={`${l.name}, ${face}`}
                />,
              ])}
            </div>
            <div className="p-3">
              <b>
                {l.knot === knot.id ? (
                  l.name.replace(`${knot.names[0]}: `, '')
                ) : (
                  <Link to={`/tie/${l.knot}`}>{l.name}</Link>
                )}
              </b>{' '}
              <span className="small quiet">{l.by === 'crossing' ? `crossing ${l.crossing}` : BY[l.by]}</span>
              {l.tells ? (
                <p className="m-0 mt-1 small">
                  Front: {l.tells.front}. Back: {l.tells.back}. Here: {knot.faces[0].shows}; back: {knot.faces[1].shows}
                  .
                </p>
              ) : (
                <p className="m-0 mt-1 small">Tell: {l.tell}.</p>
              )}
            </div>
          </article>
        ))}
      </div>
    </section>
  );
}
