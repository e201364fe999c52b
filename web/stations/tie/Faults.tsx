import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { KnotReply } from '../../store/api';
import type { ShapeState } from '../../../core/knots/facts/types';
import { RightBesideWrong } from '../../parts/RightBesideWrong';
import { tieIn } from './hung';
import { From } from './Said';

/** What goes wrong: one beside the right knot, all in words, the most dangerous first. */
export function Faults({ knot, state }: { knot: KnotReply; state: ShapeState }) {
  const order = { 'take-out-and-retie': 0, 'put-right': 1, remark: 2 } as const;
  const all = [...knot.faults].sort((a, b) => order[a.verdict] - order[b.verdict]);
  // laid out, a condition of the set knot shows nothing
  const drawn = all.filter(
    (f) =>
      knot.faults_with_shape.includes(f.id) &&
      !(state === 'laid' && ['loose', 'eye-too-large', 'tail-short', 'one-harness-point'].includes(f.id)),
  );
  // who was led here by a fault sees that one
  const asked = useSearchParams()[0].get('fault');
  const [chosen, setChosen] = useState<string | null>(asked);
  const section = useRef<HTMLElement>(null);
  useEffect(() => {
    if (asked !== null) section.current?.scrollIntoView();
  }, [asked]);
  const shown = drawn.find((f) => f.id === chosen) ?? drawn[0];
  const harness = (fault: string) =>
    tieIn(knot) && state !== 'laid' && ['one-harness-point', 'half-finished', 'eye-too-large'].includes(fault)
      ? ('both' as const)
      : undefined;
  return (
    <section className="mt-4" aria-labelledby="wrong" ref={section} style={{ scrollMarginTop: '1rem' }}>
      <h2 id="wrong">What goes wrong</h2>
      {shown ? (
        <>
          <div className="seg wide mb-2" role="group" aria-label="Held against">
            {drawn.map((f) => (
              <button key={f.id} type="button" aria-pressed={f === shown} onClick={() => setChosen(f.id)}>
                {f.name}
              </button>
            ))}
          </div>
          <RightBesideWrong
            key={shown.id + state}
            knot={knot.id}
            name={knot.names[0]}
            fault={shown}
            state={state}
            harness={harness(shown.id)}
            turnKey="w"
          />
        </>
      ) : null}
      <ul className="rows mt-3">
        {all.map((f) => (
          <li key={f.id} className="py-2">
            <b>{f.name}</b> <From source={f.source} />
            <br />
            <span className="quiet">
              It shows: {f.shows}. It comes about: {f.arises}.
            </span>{' '}
            {f.what_to_do}
          </li>
        ))}
      </ul>
    </section>
  );
}
