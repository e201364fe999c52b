/** Spot it: a knot, right or wrong. Decide, name what is wrong, touch where it is; the two kinds of error are counted apart. */
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { z } from 'zod';
import type { drillReply } from '../../../contract';
import { scored, type Attempt } from '../../../core/train';
import { FAMILIES } from '../../../core/knots/facts/types';
import { refusalText, useDrillMutation, useKnotsQuery } from '../../store/api';
import { useKeys } from '../../parts/keys';
import { KnotOptions } from '../../parts/KnotOptions';
import { Loading } from '../../parts/States';
import { touchedPoint, useSvg } from '../../parts/svg';
import { useTheme } from '../../parts/theme';
import { CAUTION } from '../../parts/words';

type Drill = z.output<typeof drillReply>;
type Decision = Attempt['decided'];
const DECISIONS: readonly (readonly [Decision, string, string])[] = [
  ['right', 'It is right', '1'],
  ['put-right', 'Put right', '2'],
  ['take-out', 'Take out and retie', '3'],
];
/** A touch counts where it falls no farther outside the ring than this, rope diameters. */
const BESIDE = 1;
const clock = () => performance.now();

function Picture({
  drill,
  face,
  mark,
  onTouch,
}: {
  drill: Drill;
  face: 'front' | 'back';
  mark: boolean;
  onTouch: (hit: boolean) => void;
}) {
  const theme = useTheme();
  const box = useRef<HTMLDivElement>(null);
  const ring = mark && drill.key.fault ? '&ring=differs' : '';
  const url = `${drill.pictures[face]}&theme=${theme}${ring}`;
  const svg = useSvg(url) ?? '';
  const touch = (e: PointerEvent) => {
    const at = touchedPoint(box.current, e);
    const { where } = drill.key;
    if (!at || !where) return onTouch(false);
    onTouch(Math.hypot((face === 'front' ? at.x : -at.x) - where.x, -at.y - where.y) <= where.radius + BESIDE);
  };
  // the title inside the picture would give the answer away
  const shown = mark
    ? svg
    : svg.replace(/<(title|desc)>.*?<\/\1>/gs, '').replace(/role="img"|aria-label(?:ledby)?="[^"]*"/g, '');
  return (
    <div
      ref={box}
      className="pic touchable"
      onPointerUp={touch}
      role="img"
      aria-label={`${drill.name}, ${face}`}
      dangerouslySetInnerHTML={{ __html: shown }}
    />
  );
}

export function SpotIt() {
  const [ask, { data: drill, error, isLoading }] = useDrillMutation();
  const [face, setFace] = useState<'front' | 'back'>('front');
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const [decided, setDecided] = useState<Decision | null>(null);
  const [named, setNamed] = useState<string | null>(null);
  const [touched, setTouched] = useState<boolean | null>(null);
  const [done, setDone] = useState<readonly Attempt[]>([]);
  const [among, setAmong] = useState('');
  const knots = useKnotsQuery().data;
  /** The knots that are meant: one, or a family of them. */
  const knotsOf = (which: string) => (knots ?? []).filter((k) => k.id === which || k.family === which).map((k) => k.id);
  const [seconds, setSeconds] = useState(0);
  const begun = useRef(0);
  const next = (from = among) => {
    setDecided(null);
    setNamed(null);
    setTouched(null);
    void ask(from === '' ? {} : { knots: knotsOf(from) }).then((r) => {
      if (!r.data) return;
      setFace(r.data.face);
      setSeen(new Set([r.data.face]));
      begun.current = clock();
    });
  };
  const first = useRef(false);
  useEffect(() => {
    if (first.current) return;
    first.current = true;
    next();
  });
  const both = seen.size === 2;
  const turn = () => {
    const other = face === 'front' ? 'back' : 'front';
    setFace(other);
    setSeen(new Set([...seen, other]));
  };
  // a wrong knot is asked on: what is it, where is it
  const finished =
    drill !== undefined && decided !== null && (decided === 'right' || (named !== null && touched !== null));
  const decide = (d: Decision) => {
    if (!drill || decided !== null || !both) return;
    setDecided(d);
    setSeconds((clock() - begun.current) / 1000);
  };
  const counted = useRef<Drill | null>(null);
  useEffect(() => {
    if (!finished || counted.current === drill) return;
    counted.current = drill;
    setDone((all) => [
      ...all,
      { right: drill.key.right, decided, named: named === drill.key.fault, touched: touched === true, seconds },
    ]);
  }, [finished, drill, decided, named, touched, seconds]);
  useKeys({
    f: turn,
    '1': () => decide('right'),
    '2': () => decide('put-right'),
    '3': () => decide('take-out'),
    ...(finished && { n: () => next() }),
  });
  const score = scored(done);
  if (error)
    return (
      <div className="state-page">
        <h1>Spot it</h1>
        <p className="notice no">{refusalText(error)}</p>
        <Button onClick={() => next()}>Try again</Button>{' '}
        {among === '' ? null : (
          <Button
            variant="outline-primary"
            onClick={() => {
              setAmong('');
              next('');
            }}
          >
            From every knot
          </Button>
        )}
      </div>
    );
  if (!drill || isLoading) return <Loading what="Tying one" />;
  const { key } = drill;
  const well = decided === null ? null : key.right ? decided === 'right' : decided !== 'right';
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>Spot it</h1>
        <span className="quiet">
          This should be the {drill.name}
          {drill.hand === 'left' ? ', tied left-handed' : ''}. Look at both faces.
        </span>
        <Form.Group controlId="among" className="ms-auto">
          <Form.Label className="visually-hidden">Which knots</Form.Label>
          <Form.Select
            value={among}
            onChange={(e) => {
              setAmong(e.target.value);
              next(e.target.value);
            }}
          >
            <option value="">every knot</option>
            <optgroup label="A family">
              {Object.entries(FAMILIES).map(([family, name]) => (
                <option key={family} value={family}>
                  every one: {name}
                </option>
              ))}
            </optgroup>
            <KnotOptions knots={knots} />
          </Form.Select>
        </Form.Group>
      </div>
      <div className="what mt-3">
        <figure className="sheet m-0">
          <Picture
            key={drill.pictures.front}
            drill={drill}
            face={face}
            mark={finished}
            onTouch={(hit) => {
              if (decided !== null && decided !== 'right' && touched === null) setTouched(hit);
            }}
          />
          <figcaption className="px-3 pb-2">
            <b>{face === 'front' ? 'Front' : 'Back'}</b>
            {finished && !key.right ? ' ringed where it differs' : ''}
          </figcaption>
        </figure>
        <div>
          <Button onClick={turn}>
            Turn it over <kbd>f</kbd>
          </Button>
          <div className="answers mt-3" role="group" aria-label="Your decision">
            {DECISIONS.map(([id, words, k]) => (
              <Button
                key={id}
                variant={decided === id ? 'primary' : 'outline-primary'}
                aria-pressed={decided === id}
                disabled={!both || decided !== null}
                onClick={() => decide(id)}
              >
                {words} <kbd>{k}</kbd>
              </Button>
            ))}
          </div>
          {both ? null : <p className="quiet mt-2 mb-0">Nothing can be decided before both faces have been seen.</p>}
          {decided !== null && decided !== 'right' ? (
            <>
              <h2 className="mt-3">What is wrong?</h2>
              <div className="d-grid gap-2 mt-2">
                {drill.choices.map((c) => (
                  <Button
                    key={c.fault}
                    variant={named === c.fault ? 'primary' : 'outline-primary'}
                    disabled={named !== null}
                    onClick={() => setNamed(c.fault)}
                  >
                    {c.name}
                  </Button>
                ))}
              </div>
              <h2 className="mt-3">Where is it?</h2>
              <p className="m-0">
                {touched === null
                  ? 'Touch the place in the picture.'
                  : touched
                    ? 'You touched it.'
                    : 'That was beside it.'}{' '}
                {touched === null ? (
                  <Button variant="link" onClick={() => setTouched(false)}>
                    I cannot say
                  </Button>
                ) : null}
              </p>
            </>
          ) : null}
          {finished ? (
            <section className={`notice mt-3 ${well ? '' : 'no'}`} aria-live="polite" data-testid="outcome">
              <b>
                {key.right
                  ? well
                    ? 'Right: nothing was wrong with it.'
                    : 'A false alarm: it was right.'
                  : well
                    ? named === key.fault
                      ? 'Found and named.'
                      : 'Found, but it has another name.'
                    : 'Missed. This one hurts people.'}
              </b>
              {key.text ? (
                <p className="m-0 mt-1">
                  {key.text.name}: {key.text.shows}. {key.text.what_to_do}
                </p>
              ) : null}
              {key.fault ? (
                <p className="m-0 mt-1">
                  <Link to={`/tie/${drill.knot}`}>Right beside wrong, on the knot’s page</Link>
                </p>
              ) : null}
              <div className="mt-2">
                <Button onClick={() => next()}>
                  The next one <kbd>n</kbd>
                </Button>
              </div>
            </section>
          ) : null}
          <section className="mt-4" aria-label="This round">
            <div className="measure">
              <span>looked at</span>
              <b>{score.count}</b>
            </div>
            <div className="measure">
              <span>missed faults</span>
              <b>{score.missed}</b>
            </div>
            <div className="measure">
              <span>false alarms</span>
              <b>{score.false_alarms}</b>
            </div>
            <div className="measure">
              <span>named rightly, touched rightly</span>
              <b>
                {score.named}, {score.touched}
              </b>
            </div>
            <div className="measure">
              <span>time to decide, median</span>
              <b>{score.median_s === null ? 'none yet' : `${score.median_s.toFixed(1)} s`}</b>
            </div>
          </section>
          <p className="small quiet mt-1 mb-0">About a third are right. A missed fault weighs five false alarms.</p>
        </div>
      </div>
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
