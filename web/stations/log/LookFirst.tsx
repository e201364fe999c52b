import { Link } from 'react-router';
import type { CheckRow } from '../../../contract';
import { useKnotName } from '../../parts/CheckRows';
import { KnotPicture } from '../../parts/KnotPicture';
import { momentText } from '../../parts/words';

/** A check that waits for a second person: who may be that one looks before reading. */
export function LookFirst({ row }: { readonly row: CheckRow }) {
  const name = useKnotName();
  return (
    <div className="verdict-page">
      <div>
        <h1>{name(row.knot)}</h1>
        <p className="quiet mt-1 mb-3 fs-5">
          {row.rope_tag}, {row.place}
        </p>
        <p className="fs-5">
          This check waits for a second person, and that can be you. Look at the knot before you read what{' '}
          {row.checker_name} found.
        </p>
        <p className="quiet">
          Tied by {row.tied_by_name}. Looked at by {row.checker_name}, {momentText(row.seen_at)}.
        </p>
        <div className="d-flex flex-wrap gap-3 mt-3">
          <Link className="btn btn-primary btn-lg" to={`/check/second/${row.id}`}>
            Look at it yourself
          </Link>
          <Link className="btn btn-outline-primary" to={`/log/${row.id}?shown=1`}>
            Only read what was found
          </Link>
        </div>
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
          Front and back as they should look, computed: no picture of the knot that hangs there.
        </p>
      </aside>
    </div>
  );
}
