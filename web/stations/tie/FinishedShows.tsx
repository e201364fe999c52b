import type { KnotReply } from '../../store/api';
import { Lookalikes } from './Lookalikes';

/** What is looked at once it is finished, and what it is taken for. */
export function FinishedShows({ knot }: { knot: KnotReply }) {
  return (
    <section className="mt-4">
      <h2>Finished, it shows</h2>
      <ul className="rows">
        {knot.faces.map((f) => (
          <li key={f.face} className="row-line">
            <b>{f.face}</b>
            <span>{f.shows}</span>
            <span />
          </li>
        ))}
        {knot.check_points.flatMap((p) =>
          p.count
            ? [
                <li key={p.id} className="row-line">
                  <b>count</b>
                  <span>{p.count.of}</span>
                  <b>{p.count.is}</b>
                </li>,
              ]
            : [],
        )}
      </ul>
      <Lookalikes knot={knot} />
    </section>
  );
}
