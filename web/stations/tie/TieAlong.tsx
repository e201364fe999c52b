/** Tying along: step by key, tap or timer, help that fades, and the step at which one stopped. */
import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { keepAlong, keptAlong, leastHelp } from './along';

const TIMERS_s = [0, 8, 15, 30] as const;

export interface AlongNow {
  readonly on: boolean;
  readonly level: number;
  readonly stopped: readonly number[];
  setOn(on: boolean): void;
  setLevel(level: number): void;
  setStopped(stopped: readonly number[]): void;
}

/** What is kept of tying a way along, and what is changed of it. */
export function useAlong(knot: string, way: string, steps: number): AlongNow {
  const [on, setOn] = useState(false);
  const [{ key, level, stopped }, set] = useState(() => ({ key: `${knot} ${way}`, ...keptAlong(knot, way) }));
  const keep = (now: { level: number; stopped: readonly number[] }) => {
    set({ key: `${knot} ${way}`, ...now });
    keepAlong(knot, way, now);
  };
  // another way was opened
  const here = key === `${knot} ${way}` ? { level, stopped } : keptAlong(knot, way);
  return {
    on,
    level: Math.min(here.level, leastHelp(steps)),
    stopped: here.stopped,
    setOn,
    setLevel: (next) => keep({ level: Math.max(0, Math.min(leastHelp(steps), next)), stopped: here.stopped }),
    setStopped: (next) => keep({ level: here.level, stopped: next }),
  };
}

interface Props {
  readonly along: AlongNow;
  readonly steps: number;
  readonly shown: number;
  readonly onNext: () => void;
  readonly onAgain: () => void;
}

export function TieAlong({ along, steps, shown, onNext, onAgain }: Props) {
  const [every_s, setEvery] = useState<(typeof TIMERS_s)[number]>(0);
  useEffect(() => {
    if (!along.on || every_s === 0 || shown >= steps - 1) return;
    const timer = setTimeout(onNext, every_s * 1000);
    return () => clearTimeout(timer);
  }, [along.on, every_s, shown, steps, onNext]);
  if (!along.on)
    return (
      <p className="mt-3 mb-0">
        <Button variant="outline-primary" onClick={() => along.setOn(true)}>
          Tie along
        </Button>
      </p>
    );
  const least = leastHelp(steps);
  return (
    <section className="sheet p-3 px-4 mt-3" aria-label="Tie along">
      <h2 className="h5">Tie along</h2>
      <p className="quiet">
        Tap the picture, press a key or a pedal, or let the time run. When it goes well, take some help away: first
        pictures go, then captions, until only the name is left.
      </p>
      <p className="mb-2">
        Help:{' '}
        {along.level === 0
          ? 'everything is shown'
          : along.level < least
            ? `${Math.min(along.level, steps)} of ${steps} pictures gone${along.level > steps ? `, ${along.level - steps} of ${steps} captions gone` : ''}`
            : 'the name alone'}
      </p>
      <div className="d-flex flex-wrap gap-2 mb-3">
        <Button
          variant="outline-primary"
          disabled={along.level >= least}
          onClick={() => along.setLevel(along.level + 1)}
        >
          Less help
        </Button>
        <Button variant="outline-primary" disabled={along.level === 0} onClick={() => along.setLevel(along.level - 1)}>
          More help
        </Button>
        <Button
          variant="outline-primary"
          onClick={() => {
            along.setStopped([...new Set([...along.stopped, shown])].sort((a, b) => a - b));
            onAgain();
          }}
        >
          I stopped here
        </Button>
        {along.stopped.length > 0 ? (
          <Button variant="outline-primary" onClick={() => along.setStopped([])}>
            Clear marks
          </Button>
        ) : null}
      </div>
      <p className="small quiet mb-1">Next step by itself</p>
      <fieldset className="seg wide">
        <legend className="visually-hidden">Next step by itself</legend>
        {TIMERS_s.map((s) => (
          <label key={s}>
            <input type="radio" name="timer" checked={every_s === s} onChange={() => setEvery(s)} />
            <span>{s === 0 ? 'never' : `${s} s`}</span>
          </label>
        ))}
      </fieldset>
      <p className="mt-3 mb-0">
        <Button variant="link" className="p-0" onClick={() => along.setOn(false)}>
          Leave tying along
        </Button>
      </p>
    </section>
  );
}
