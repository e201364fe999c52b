/** The answer to "what is this?": what was entered is this, or it is not decided, or unknown. Never more than that. */
import { entryById } from '../../core/knots/catalogue/lookup';
import type { z } from 'zod';
import type { identifyReply } from '../../contract';
import { Link } from 'react-router';
import { KnotPicture } from './KnotPicture';
import { GRADE_WORDS, pullWords, SOURCE_WORDS } from './words';
import type { Grade, Pull, Source, ShapeState } from '../../core/knots/facts/types';

type Reply = z.output<typeof identifyReply>;
type Answer = Pick<Reply, 'matches' | 'near' | 'needs' | 'undecided'>;

const VERDICTS: Readonly<Record<string, string>> = {
  'take-out-and-retie': 'take out and retie',
  'put-right': 'put right',
  remark: 'a remark, no fault',
};

function OneForm({
  known,
  state,
  pulled,
}: {
  known: Reply['known'][number];
  state: ShapeState;
  pulled: readonly string[];
}) {
  const joint = entryById(known.knot).family === 'bend';
  const rows = known.pulls.filter((p) => pulled.length === 0 || pulled.includes(p.pull));
  return (
    <article className="named sheet" data-knot={known.knot} data-fault={known.fault ?? ''}>
      <div className="named-faces">
        {(['front', 'back'] as const).map((face) => (
          <div className="pic" key={face}>
            <KnotPicture
              knot={known.knot}
              form={known.fault ?? 'right'}
              face={face}
              state={state}
              crop="knot"
              size={220}
              alt={`${known.name}${known.fault_text ? `, ${known.fault_text.name}` : ''}, ${face}`}
            />
          </div>
        ))}
      </div>
      <div className="p-3">
        <h2 className="fs-5">
          <Link to={`/tie/${known.knot}`}>{known.name}</Link>
          {known.fault_text ? `: ${known.fault_text.name}` : ''}
        </h2>
        {known.fault_text ? (
          <p className="m-0 mt-1">
            <b>{VERDICTS[known.fault_text.verdict]}.</b> {known.fault_text.what_to_do}{' '}
            <span className="quiet">
              It comes about: {known.fault_text.arises}. It shows: {known.fault_text.shows}.
            </span>
          </p>
        ) : (
          <p className="m-0 mt-1 quiet">
            In its right form, as far as what was entered says. Tail, set, eye and what it is tied to are for the check.
          </p>
        )}
        <ul className="plain mt-2 mb-0">
          {rows.map((p) => (
            <li key={`${p.pull} ${p.condition}`}>
              <b>
                {pullWords(p.pull as Pull, joint)}: {GRADE_WORDS[p.grade as Grade]}
              </b>
              , {p.condition}
              {p.grade === 'made' ? '' : `; ${p.what_happens}`}{' '}
              <abbr className="src" title={SOURCE_WORDS[p.source as Source]}>
                {p.source === 'practice' ? 'p' : 'g'}
              </abbr>
            </li>
          ))}
          {rows.length === 0 ? (
            <li>
              What it does under {pulled.length > 0 ? 'this job’s pulls' : 'a pull'}: not known. Take out and retie.
            </li>
          ) : null}
        </ul>
      </div>
    </article>
  );
}

interface Props {
  readonly said: string;
  readonly answer: Answer;
  readonly known: Reply['known'];
  readonly state?: ShapeState;
  /** the job's pulls, where the answer is about a job */
  readonly pulled?: readonly string[];
}

export function Named({ said, answer, known, state = 'tight', pulled = [] }: Props) {
  const none = answer.matches.length === 0;
  return (
    <section aria-live="polite" className="answer-named" data-testid="answer">
      <p className={`notice ${none ? 'no' : ''} fs-5`}>{said}</p>
      {none ? null : (
        <div className="named-list">
          {known.map((k) => (
            <OneForm key={`${k.knot} ${k.fault}`} known={k} state={state} pulled={pulled} />
          ))}
        </div>
      )}
      {none && answer.near.length > 0 ? (
        <div className="mt-3">
          <h2 className="fs-5">Not this, but close to</h2>
          <p className="quiet mt-1">
            With one crossing the other way round it would be one of these. It is none of them: take out and retie.
          </p>
          <ul className="rows">
            {answer.near.slice(0, 8).map((n) => (
              <li key={`${n.knot} ${n.fault}`} className="py-2">
                {n.knot.replaceAll('-', ' ')}
                {n.fault ? `, ${n.fault.replaceAll('-', ' ')}` : ''}: crossing {n.crossing}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
    </section>
  );
}
