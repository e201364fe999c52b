/** Shows the way on another screen, which follows: a code to type there, or to read with a camera. */
import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { z } from 'zod';
import type { openedShow, showState } from '../../../contract';
import { QrCode } from '../../parts/QrCode';
import { refusalText, useMoveShowMutation, useOpenShowMutation } from '../../store/api';

type State = z.input<typeof showState>;
/** so often is told where it stands while it plays */
const TELL_EVERY_ms = 160;

export function ShowElsewhere({ state }: { readonly state: State }) {
  const [begin, begun] = useOpenShowMutation();
  const [move, moved] = useMoveShowMutation();
  const [show, setShow] = useState<z.output<typeof openedShow> | null>(null);
  const last = useRef(0);
  const key = JSON.stringify(state);
  useEffect(() => {
    if (!show) return;
    const wait = Math.max(0, TELL_EVERY_ms - (Date.now() - last.current));
    const timer = setTimeout(() => {
      last.current = Date.now();
      void move({ code: show.code, state: JSON.parse(key) as State });
    }, wait);
    return () => clearTimeout(timer);
  }, [show, key, move]);
  if (!show)
    return (
      <p className="mt-3 mb-0">
        <Button
          variant="outline-primary"
          disabled={begun.isLoading}
          onClick={() =>
            void begin(state)
              .unwrap()
              .then(setShow, () => undefined)
          }
        >
          Show on another screen
        </Button>
        {begun.error ? <span role="alert"> {refusalText(begun.error)}</span> : null}
      </p>
    );
  const address = `${window.location.origin}/projector?code=${show.code}`;
  return (
    <section className="sheet p-3 px-4 mt-3" aria-label="On another screen">
      <h2 className="h5">On another screen</h2>
      <div className="d-flex gap-3 align-items-center">
        <QrCode text={address} label={`Address of the other screen, code ${show.code}`} size={120} />
        <p className="m-0">
          Open <b>{window.location.host}/projector</b> there and type
          <br />
          <b className="fs-3">{show.code}</b>
        </p>
      </div>
      <p className="quiet mb-0">
        {moved.data?.screens
          ? `${moved.data.screens === 1 ? 'One screen follows' : `${moved.data.screens} screens follow`} what you do here, until you leave this page.`
          : 'It follows what you do here until you leave this page.'}
      </p>
    </section>
  );
}
