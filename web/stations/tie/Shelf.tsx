import { Link } from 'react-router';
import { useKnotsQuery } from '../../store/api';
import { KnotPicture } from '../../parts/KnotPicture';
import { Failed, Loading } from '../../parts/States';

/** The shelf: every knot of the catalogue. */
export function Shelf() {
  const { data, error, isLoading, refetch } = useKnotsQuery();
  if (isLoading) return <Loading what="Laying out the knots" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  return (
    <>
      <h1>Which knot?</h1>
      <p className="quiet mt-1 mb-0">Every picture is computed from the rope’s path. Four tie-in knots so far.</p>
      <div className="shelf">
        {data.map((k) => (
          <Link key={k.id} to={`/tie/${k.id}`} className="sheet">
            <div className="pic"><KnotPicture knot={k.id} size={200} alt={`${k.names[0]}, front`} /></div>
            <div className="say"><h2>{k.names[0]}</h2><span className="small quiet">{k.ways.length > 0 ? `${k.ways.length} way to tie it` : 'finished knot only, no steps yet'}</span></div>
          </Link>
        ))}
      </div>
    </>
  );
}
