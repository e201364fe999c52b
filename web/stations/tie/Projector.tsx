/** The other screen: large, nothing to press, it follows whoever shows. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import { showState } from '../../../contract/shows';
import type { RopeHandle } from '../../parts/rope/Rope3D';
import { useKnotQuery, useWayQuery } from '../../store/api';
import { stepsOf } from './steps';
import { wayMotion } from './wayMotion';
import { WayStage } from './WayStage';

type State = ReturnType<typeof showState.parse>;
/** how fast it comes after, share of the way left per second */
const FOLLOWS = 9;
/** farther than this it does not run after, it is there at once; key frames */
const LEAPS = 12;

/** What is shown under a code, pushed by the server. */
function useFollowed(code: string | null): { state: State | null; lost: boolean } {
  const [state, setState] = useState<State | null>(null);
  const [lost, setLost] = useState(false);
  useEffect(() => {
    if (!code) return;
    const events = new EventSource(`/api/v1/shows/${code}/events`);
    events.onmessage = (e) => {
      const read = showState.safeParse(JSON.parse(String(e.data)));
      if (read.success) setState(read.data);
      setLost(false);
    };
    events.onerror = () => setLost(true);
    return () => events.close();
  }, [code]);
  return { state, lost };
}

export function Projector() {
  const [params, setParams] = useSearchParams();
  const code = params.get('code');
  const [typed, setTyped] = useState('');
  const [short, setShort] = useState(false);
  const { state, lost } = useFollowed(code);
  if (!code)
    return (
      <main className="projector-code">
        <h1>Another screen</h1>
        <p className="quiet">It follows a way of tying that somebody shows; the code stands beside it there.</p>
        <Form
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            setShort(typed.length !== 6);
            if (typed.length === 6) setParams({ code: typed });
          }}
        >
          <Form.Label htmlFor="show-code">Code, six digits</Form.Label>
          <div className="d-flex gap-3">
            <Form.Control
              id="show-code"
              className="fs-1"
              autoFocus
              autoComplete="off"
              inputMode="numeric"
              maxLength={6}
              value={typed}
              isInvalid={short}
              aria-describedby={short ? 'show-code-short' : undefined}
              onChange={(e) => {
                setTyped(e.target.value.replace(/\D/g, ''));
                setShort(false);
              }}
            />
            <Button type="submit" size="lg">
              Follow
            </Button>
          </div>
          {short ? (
            <p id="show-code-short" className="text-danger mt-2" role="alert">
              A code has six digits; {typed.length === 0 ? 'none is typed yet' : `these are ${typed.length}`}.
            </p>
          ) : null}
        </Form>
      </main>
    );
  return (
    <main className="projector">
      {state ? (
        <Followed state={state} />
      ) : (
        <p className="p-4 fs-3">
          {lost
            ? 'There is no show under this code, or it has ended. Ask for the code anew.'
            : 'Waiting for what is shown.'}
        </p>
      )}
      {state && lost ? (
        <p className="tag at-foot" role="status">
          The line is gone: this is where it stood.
        </p>
      ) : null}
    </main>
  );
}

function Followed({ state }: { readonly state: State }) {
  const { knot: id, way } = state;
  const knot = useKnotQuery(id);
  const data = useWayQuery({ id, way }).data;
  const mirrored = state.hand === 'left';
  const motion = useMemo(() => (data ? wayMotion(data, mirrored) : null), [data, mirrored]);
  const steps = useMemo(() => (data ? stepsOf(id, way, data) : []), [data, id, way]);
  const [at, setAt] = useState(state.at_keyFrames);
  const stands = useRef(state.at_keyFrames);
  const rope = useRef<RopeHandle>(null);
  const face = useRef<'front' | 'back'>('front');
  const target = state.at_keyFrames;
  useEffect(() => {
    let before: number | null = null;
    let frame = requestAnimationFrame(function tick(now) {
      const passed = before === null ? 0 : Math.min(0.1, (now - before) / 1000);
      before = now;
      const was = stands.current;
      const there = Math.abs(target - was) < 0.01 || Math.abs(target - was) > LEAPS;
      stands.current = there ? target : was + (target - was) * Math.min(1, FOLLOWS * passed);
      setAt(stands.current);
      // no loop while nothing moves
      if (!there) frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [target]);
  useEffect(() => {
    if (face.current === state.face) return;
    face.current = state.face;
    rope.current?.flip();
  }, [state.face]);
  if (!knot.data || !data || !motion) return <p className="p-4 fs-3">Getting the motion.</p>;
  const making = steps.length - data.then.length;
  const shown =
    state.then === null
      ? data.frames[Math.min(motion.most, Math.ceil(at - 1e-9))]!.step
      : Math.min(steps.length - 1, making + state.then);
  return (
    <>
      <header>
        <h1>{knot.data.names[0]}</h1>
        <span>
          {shown + 1} / {steps.length}
        </span>
      </header>
      <div className="stage">
        <WayStage
          ref={rope}
          name={knot.data.names[0]}
          knot={id}
          motion={motion}
          steps={steps}
          at={Math.min(at, motion.most)}
          shown={shown}
          mirrored={mirrored}
          ghost={state.ghost}
          hands={state.hands}
          onFace={(f) => {
            face.current = f;
          }}
        />
      </div>
      <p className="said">{steps[shown]!.caption}</p>
    </>
  );
}
