/** All points on one screen, for the practised: each is answered by itself, after its pictures were wholly on screen. There is no "all right". */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Judgement, PointAnswer, WalkPoint } from '../../../core/inspect/judging';
import type { KnotEntry } from '../../../core/knots/facts/types';
import { PairedPicture } from '../../parts/PairedPicture';
import { POINT_WORDS, TAIL_UNIT_WORDS } from '../../parts/words';
import { VerdictShape } from '../../parts/Verdict';
import { tailAnswer, typedTails, type Walk } from '../../store/walks';
import { useOptions } from './options';
import { Touched } from './PointView';
import { secondsSince, useOnScreen } from './useOnScreen';

interface Props {
  readonly walk: Walk;
  readonly knot: KnotEntry;
  readonly points: readonly WalkPoint[];
  readonly judgement: Judgement;
  readonly fist_mm: number;
  readonly onAnswer: (answer: PointAnswer) => void;
  readonly onChange: (change: Partial<Walk>) => void;
  readonly onDone: () => void;
}

function FastPoint({
  walk,
  knot,
  point,
  judgement,
  fist_mm,
  onAnswer,
  onChange,
}: Omit<Props, 'points' | 'onDone'> & { readonly point: WalkPoint }) {
  const { ref, since } = useOnScreen();
  const seen = since !== null;
  const given = walk.answers.find((a) => a.point === point.id);
  // answered again it goes on from what it took before
  const seconds = () => secondsSince(since, given?.seconds);
  const judged = judgement.points.find((p) => p.point === point.id);
  const [tried, setTried] = useState(false);
  const [touching, setTouching] = useState(false);
  const tails = typedTails(walk, knot, fist_mm);
  const measured = tailAnswer(walk, knot, fist_mm);
  const answer = (a: Omit<PointAnswer, 'point' | 'seconds' | 'lane'>) =>
    onAnswer({ point: point.id, ...a, seconds: seconds(), lane: 'fast' });
  const options = useOptions(walk.knot, point);
  const keepTail = () => {
    setTried(true);
    if (measured) answer(measured);
  };
  return (
    <section ref={ref} className="sheet fast-point" aria-labelledby={`point-${point.id}`} data-seen={seen}>
      <h2 id={`point-${point.id}`}>
        {given ? <VerdictShape of={judged!.state} /> : null} {point.question}
      </h2>
      {point.id === 'tail' ? (
        <form
          className="d-flex flex-wrap gap-2 align-items-end"
          onSubmit={(e) => {
            e.preventDefault();
            keepTail();
          }}
        >
          {tails.names.map((name, k) => (
            <Form.Group controlId={`fast-tail${k || ''}`} key={name}>
              <Form.Label className="mb-1">
                {name[0]!.toUpperCase() + name.slice(1)}, {TAIL_UNIT_WORDS[walk.tailUnit]}
              </Form.Label>
              <Form.Control
                value={tails.texts[k]!}
                inputMode="decimal"
                autoComplete="off"
                isInvalid={tried && tails.mm[k] === null}
                onChange={(e) =>
                  onChange(
                    k === 0
                      ? { tailText: e.target.value }
                      : { moreTails: tails.texts.slice(1).map((t, i) => (i === k - 1 ? e.target.value : t)) },
                  )
                }
                style={{ width: 130 }}
              />
            </Form.Group>
          ))}
          <Button type="submit" disabled={!seen}>
            Keep this length
          </Button>
          <Button variant="outline-primary" disabled={!seen} onClick={() => answer({ found: 'cannot-see' })}>
            Cannot see
          </Button>
          {tried && !measured ? <p className="invalid-feedback d-block m-0">a length, in numbers</p> : null}
        </form>
      ) : (
        <div className="fast-options">
          {options.map((o) => (
            <button
              key={o.found}
              type="button"
              className="choice small"
              disabled={!seen}
              aria-pressed={given?.found === o.found}
              onClick={() => answer({ found: o.found })}
            >
              <span className="cap">{o.label}</span>
              <span className="pic">
                {o.picture ? (
                  <PairedPicture
                    knot={walk.knot}
                    of={o.picture}
                    turnedOver={false}
                    hand={walk.hand}
                    partner={o.partner}
                    alt={`${knot.names[0]}: ${o.label}`}
                  />
                ) : (
                  (knot.faults.find((f) => f.id === o.found)?.shows ?? o.label)
                )}
              </span>
            </button>
          ))}
          <button
            type="button"
            className="choice small words"
            disabled={!seen}
            aria-pressed={given?.found === 'cannot-see'}
            onClick={() => answer({ found: 'cannot-see' })}
          >
            <span className="cap">cannot see</span>
          </button>
          <button
            type="button"
            className="choice small words"
            disabled={!seen}
            aria-expanded={touching}
            onClick={() => setTouching(!touching)}
          >
            <span className="cap">touch what differs</span>
          </button>
        </div>
      )}
      {touching ? (
        <Touched
          walk={walk}
          onTake={(fault) => {
            setTouching(false);
            answer({ found: fault as PointAnswer['found'], touched: true });
          }}
        />
      ) : null}
      {judged && given ? <p className="small quiet m-0">{judged.text}</p> : null}
    </section>
  );
}

export function FastLane({ points, onDone, ...rest }: Props) {
  const open = points.filter((p) => !rest.walk.answers.some((a) => a.point === p.id));
  return (
    <>
      <h1>Every point</h1>
      <p className="quiet mt-1 mb-2">Each is answered by itself, once its pictures were wholly on screen.</p>
      {points.map((point) => (
        <FastPoint key={point.id} point={point} {...rest} />
      ))}
      <div className="answers">
        <Button onClick={onDone}>
          {open.length === 0
            ? 'To the verdict'
            : `To the verdict; open: ${open.map((p) => POINT_WORDS[p.id]).join(', ')}`}
        </Button>
      </div>
    </>
  );
}
