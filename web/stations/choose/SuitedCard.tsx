import { Button } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import type { z } from 'zod';
import type { chooseReply } from '../../../contract';
import type { Job } from '../../../core/choose/job';
import { untyingAsked } from '../../../core/choose/untying';
import { entryById } from '../../../core/knots/catalogue/lookup';
import type { Family } from '../../../core/knots/facts/types';
import { across_mm } from '../../../core/knots/shape/sizes';
import { upTo } from '../../../core/units';
import { KnotPicture } from '../../parts/KnotPicture';
import { useSend } from '../../store';
import { useRopeNeededQuery } from '../../store/api';
import { knotTaken } from '../../store/job';

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

/** A knot that suits the job: what tells for it, what it costs, and why it stands in this place. */
export function SuitedCard({
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
    use: job.purpose,
    ...(job.stopper_behind && { stopper: true }),
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
          {s.cautions.map((r) => (
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
            {rope?.tail_from === 'common' ? 'of tail, common practice' : 'of tail'}
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
