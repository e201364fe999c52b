import type { JudgedPoint } from '../../core/inspect/judging';
import { VerdictShape } from './Verdict';
import { POINT_WORDS } from './words';

/** Points of a judgement: shape, name, what was found and what to do. */
export function Points({ points, onOpen }: { points: readonly JudgedPoint[]; onOpen?: (point: string) => void }) {
  return (
    <ol className="points">
      {points.map((p) => (
        <li key={p.point}>
          <VerdictShape of={p.state} />
          <b>
            {onOpen ? (
              <button
                type="button"
                className="btn btn-link p-0"
                style={{ minHeight: 0, fontSize: 16 }}
                onClick={() => onOpen(p.point)}
              >
                {POINT_WORDS[p.point]}
              </button>
            ) : (
              POINT_WORDS[p.point]
            )}
          </b>
          <span>
            {p.state === 'not-judged' ? `not judged: ${p.text}` : p.text}
            {p.tail?.margin_mm !== null && p.tail ? (
              <>
                , margin{' '}
                <span className="figure">
                  {p.tail.margin_mm > 0 ? '+' : ''}
                  {p.tail.margin_mm}
                </span>{' '}
                mm{' '}
                <span className="rule-id">
                  {p.tail.rule.layer === 'common' ? 'common practice' : p.tail.rule.profile} {p.tail.rule.id}
                </span>
              </>
            ) : p.rule ? (
              <span className="rule-id" title={p.rule.text}>
                {' '}
                {p.rule.layer === 'common' ? 'common practice' : p.rule.profile} {p.rule.id}
              </span>
            ) : null}
            {p.what_to_do ? (
              <span className="todo">
                <br />
                {p.what_to_do}
              </span>
            ) : null}
          </span>
        </li>
      ))}
    </ol>
  );
}
