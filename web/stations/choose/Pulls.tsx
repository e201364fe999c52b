import { useEffect, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { PULLS_ASKED, SHOWN_CLOSE, SHOWN_FOR, TWO_ROPES } from '../../../core/choose/forPurpose';
import {
  pullBetween,
  STRAND_WORDS,
  strandAt,
  strandOf,
  strandsPulled,
  strandsThere,
  type Strand,
} from '../../../core/choose/strands';
import { whatElse, type WhatElse } from '../../../core/choose/whatElse';
import type { Job } from '../../../core/choose/job';
import { touchedPoint, useSvg } from '../../parts/svg';
import { useTheme } from '../../parts/theme';
import { pullWords } from '../../parts/words';
import { useShapeQuery } from '../../store/api';

type Pull = Job['pulls'][number];
const SHORT: Readonly<Record<Pull, string>> = {
  'standing-eye': 'standing – eye',
  'tail-eye': 'tail – eye',
  ring: 'eye apart',
  through: 'standing – tail',
  cross: 'one end across',
  all: 'all at once',
  up: 'up',
  down: 'down',
};

const SHORT_OF_A_JOINT: Readonly<Partial<Record<Pull, string>>> = {
  through: 'rope – rope',
  'standing-eye': 'rope – clip-in eye',
  ring: 'tails apart',
  cross: 'rope – own tail',
};

/** What else could come: each is asked, a yes goes into the job. */
export function IfSomethingFails({
  job,
  onYes,
}: {
  readonly job: Pick<Job, 'purpose' | 'pulls' | 'must_pass'>;
  readonly onYes: (asked: WhatElse) => void;
}) {
  const asked = whatElse(job);
  if (asked.length === 0) return null;
  return (
    <details className="what-else">
      <summary>And if something fails? {asked.length === 1 ? 'One question' : `${asked.length} questions`}</summary>
      {asked.map((q) => (
        <div className="measure" key={q.id}>
          <span>{q.question}</span>
          <Button variant="outline-primary" onClick={() => onYes(q)}>
            Yes
          </Button>
        </div>
      ))}
    </details>
  );
}

/** The thing itself, as it is computed: touch a strand, then what it is pulled against; strands that may be pulled light up. */
function TouchedPulls({
  purpose,
  pulls,
  onPull,
}: {
  readonly purpose: Job['purpose'];
  readonly pulls: readonly Pull[];
  readonly onPull: (pull: Pull) => void;
}) {
  const theme = useTheme();
  const knot = SHOWN_FOR[purpose];
  const box = useRef<HTMLDivElement>(null);
  const svg = useSvg(
    `/api/v1/knots/${knot}/picture.svg?state=tight&crop=${SHOWN_CLOSE.includes(purpose) ? 'knot' : 'whole'}&size=300&theme=${theme}`,
  );
  const shape = useShapeQuery({ id: knot, state: 'tight' }).data?.components;
  const [first, setFirst] = useState<Strand | null>(null);
  const [none, setNone] = useState<string | null>(null);
  const asked = PULLS_ASKED[purpose];
  useEffect(() => {
    if (!shape || !box.current) return;
    const lit = strandsPulled(pulls, strandsThere(shape));
    const gripped = shape.some((c) => c.role === 'host');
    for (const piece of box.current.querySelectorAll<SVGElement>('[data-component]')) {
      const of = shape.find((c) => c.name === piece.dataset['component']);
      const strand = of ? strandOf(of, Number(piece.dataset['from']), Number(piece.dataset['to']), gripped) : null;
      piece.classList.toggle('lit', strand !== null && lit.includes(strand));
      piece.classList.toggle('picked', strand !== null && strand === first);
    }
  }, [shape, svg, pulls, first]);
  const touch = (e: PointerEvent) => {
    const at = touchedPoint(box.current, e);
    const strand = at && shape ? strandAt(shape, at.x, -at.y) : null;
    if (!strand) return;
    setNone(null);
    if (first === null) return setFirst(strand);
    const pull = pullBetween(first, strand);
    setFirst(null);
    if (pull && asked.includes(pull)) onPull(pull);
    else
      setNone(
        `${STRAND_WORDS[first]} against ${first === strand ? 'itself' : STRAND_WORDS[strand]}: no pull that is asked here`,
      );
  };
  return (
    <div>
      {/* the buttons beside it do the same by key */}
      <div
        ref={box}
        className="touch-pull"
        data-testid="touched-pulls"
        onPointerUp={touch}
        role="img"
        aria-label="The knot; strands that may be pulled are lit"
        dangerouslySetInnerHTML={{ __html: svg ?? '' }}
      />
      <p className="small quiet text-center m-0" aria-live="polite">
        {first ? (
          <>
            <b>{STRAND_WORDS[first]}</b> – against what? Touch that.
          </>
        ) : (
          (none ?? 'Touch a strand, then what pulls against it.')
        )}
      </p>
    </div>
  );
}

/** Which strands may ever be pulled: touched on the thing itself, or switched by the buttons beside it. At least one stays. */
export function Pulls({
  purpose,
  pulls,
  onChange,
  children,
}: {
  purpose: Job['purpose'];
  pulls: readonly Pull[];
  onChange: (pulls: Pull[]) => void;
  children?: ReactNode;
}) {
  const on = (p: Pull) => pulls.includes(p);
  const joint = TWO_ROPES[purpose] === 'joined';
  const toggle = (p: Pull) => {
    const next = on(p) ? pulls.filter((x) => x !== p) : [...pulls, p];
    if (next.length > 0) onChange(next);
  };
  return (
    <section className="sheet pulls" aria-label="Which strands may ever be pulled?">
      <h2>Which strands may ever be pulled?</h2>
      <div className="pull-both">
        <TouchedPulls key={purpose} purpose={purpose} pulls={pulls} onPull={toggle} />
        <div className="pull-toggle" role="group" aria-label="Pulls">
          {PULLS_ASKED[purpose].map((p) => (
            <Button
              key={p}
              variant={on(p) ? 'primary' : 'outline-primary'}
              className={on(p) ? '' : 'off'}
              aria-pressed={on(p)}
              aria-label={purpose === 'stopper' && p === 'standing-eye' ? 'against what it stops' : pullWords(p, joint)}
              onClick={() => toggle(p)}
            >
              {purpose === 'stopper' && p === 'standing-eye'
                ? 'what it stops'
                : (joint && SHORT_OF_A_JOINT[p]) || SHORT[p]}
            </Button>
          ))}
        </div>
      </div>
      {children}
    </section>
  );
}
