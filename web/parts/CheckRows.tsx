import { Link } from 'react-router';
import type { CheckRow } from '../../contract';
import { useKnotsQuery } from '../store/api';
import { VerdictShape } from './Verdict';
import { dateText, VERDICT_WORDS } from './words';

export function useKnotName(): (id: string) => string {
  const knots = useKnotsQuery().data;
  return (id) => knots?.find((k) => k.id === id)?.names[0] ?? id;
}

/** Checks as rows to press: shape and word of the verdict, knot, rope, place, who, when. */
export function CheckRows({ rows, label }: { rows: readonly CheckRow[]; label: string }) {
  const name = useKnotName();
  return (
    <ul className="rows" aria-label={label}>
      {rows.map((r) => (
        <li key={r.id}>
          <Link className="row-link" to={`/log/${r.id}`}>
            <span className="verdict">
              <VerdictShape of={r.verdict} />
            </span>
            <span>
              <b>{VERDICT_WORDS[r.verdict]}</b>, {name(r.knot)}
              {r.corrected ? <span className="quiet"> · corrected</span> : null}
              <br />
              <span className="sub">
                {r.rope_tag} · {r.place} · tied by {r.tied_by_name} · {r.profile.replaceAll('-', ' ')} v
                {r.profile_version}
                {r.tail_margin_mm === null ? '' : `, tail ${r.tail_margin_mm > 0 ? '+' : ''}${r.tail_margin_mm} mm`}
              </span>
            </span>
            <span className="sub text-end">
              {dateText(r.seen_at)}
              <br />
              {r.open_finding ? (
                <b className="v-take-out-and-retie">open</b>
              ) : r.signer_name ? (
                'two looked'
              ) : (
                'one looked'
              )}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
