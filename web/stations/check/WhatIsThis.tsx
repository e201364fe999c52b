/** What is this? A shape from a file, the crossings of both faces by hand, or a knot of the catalogue with what looks different touched. */
import { useState, type ChangeEvent, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import { parseObj, type Entered } from '../../../core/inspect/naming/naming';
import { IdiomError } from '../../../core/errors';
import { refusalText, useIdentifyMutation, useKnotQuery, useKnotsQuery } from '../../store/api';
import { Failed, Loading } from '../../parts/States';
import { Named } from '../../parts/Named';
import { NOTHING, TouchWhatDiffers, type Difference, type Part } from '../../parts/TouchWhatDiffers';
import { CAUTION } from '../../parts/words';
import { Line } from './Line';

const ROLES = [
  ['rope', 'rope'],
  ['second-rope', 'second rope'],
  ['sling', 'closed sling'],
  ['ring', 'ring or karabiner'],
  ['post', 'post'],
  ['host', 'gripped rope'],
  ['leave-out', 'leave it out'],
] as const;
const MOST_BYTES = 2_000_000;
/** more points than this are thinned out before they are sent */
const MOST_POINTS = 1500;

const thinned = (c: Entered): Entered => {
  if (c.points.length <= MOST_POINTS) return c;
  const every = c.points.length / MOST_POINTS;
  return { ...c, points: Array.from({ length: MOST_POINTS }, (_, k) => c.points[Math.floor(k * every)]!) };
};

/** What can be drawn and sent on; the server looks more closely. */
const isDrawable = (c: Partial<Entered> | null): boolean =>
  Array.isArray(c?.points) &&
  c.points.length > 1 &&
  c.points.every((p) => Array.isArray(p) && p.length === 3 && p.every((v) => Number.isFinite(v)));

function read(name: string, text: string): { components: Entered[]; marked: boolean } {
  if (!/\.json$/i.test(name) && !text.trimStart().startsWith('{'))
    return { components: parseObj(text).map(thinned), marked: false };
  const given = JSON.parse(text) as { components?: Entered[] } | null;
  if (!Array.isArray(given?.components) || given.components.length === 0 || !given.components.every(isDrawable))
    throw new SyntaxError('no components');
  return { components: given.components, marked: given.components.some((c) => c.marks?.standing !== undefined) };
}

function FromFile() {
  const [components, setComponents] = useState<readonly Entered[]>([]);
  const [roles, setRoles] = useState<readonly string[]>([]);
  const [marked, setMarked] = useState(false);
  const [eye, setEye] = useState<number | null>(null);
  const [noEye, setNoEye] = useState(false);
  const [behind, setBehind] = useState(false);
  const [thickness, setThickness] = useState('1');
  const [wrong, setWrong] = useState<string | null>(null);
  const [ask, { data, error, isLoading, reset }] = useIdentifyMutation();
  const take = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    reset();
    setWrong(null);
    setComponents([]);
    setEye(null);
    setNoEye(false);
    if (!file) return;
    if (file.size > MOST_BYTES) return setWrong('The file is larger than 2 MB.');
    try {
      const found = read(file.name, await file.text());
      setComponents(found.components);
      setRoles(found.components.map((c) => c.role));
      setMarked(found.marked);
    } catch (error_) {
      setWrong(
        error_ instanceof IdiomError
          ? error_.message
          : 'The file is neither an OBJ with polylines nor a shape in JSON.',
      );
    }
  };
  const now = components
    .map((c, k) => ({ ...c, role: roles[k] as Entered['role'] }))
    .filter((c) => (c.role as string) !== 'leave-out');
  const swap = () => {
    setComponents(components.map((c, k) => (roles[k] === 'rope' ? { ...c, points: c.points.slice().reverse() } : c)));
    if (eye !== null) setEye((components.find((_, k) => roles[k] === 'rope')?.points.length ?? 1) - 1 - eye);
    reset();
  };
  const send = (e: FormEvent) => {
    e.preventDefault();
    const thick = marked ? 1 : Number(thickness);
    const ends = (n: number) => ({ standing: [0, 1] as [number, number], tail: [n - 2, n - 1] as [number, number] });
    void ask({
      components: now.map((c) => {
        const n = c.points.length;
        const own = marked
          ? c.marks
          : c.role === 'rope' && (eye !== null || noEye)
            ? { ...ends(n), ...(eye !== null && { eye }) }
            : undefined;
        return {
          ...c,
          points: c.points.map((p) => [p[0] / thick, p[1] / thick, p[2] / thick] as [number, number, number]),
          ...(own && { marks: own }),
        } as never;
      }),
    });
  };
  return (
    <Form onSubmit={send} className="mt-3">
      <Form.Group controlId="file">
        <Form.Label>A shape: OBJ with polylines, or JSON as this program hands it out</Form.Label>
        <Form.Control
          type="file"
          accept=".obj,.json,model/obj,application/json"
          onChange={(e) => void take(e as ChangeEvent<HTMLInputElement>)}
          isInvalid={wrong !== null}
        />
        {wrong ? (
          <p className="invalid-feedback d-block">{wrong}</p>
        ) : (
          <Form.Text>A rope runs from its loaded end to its tail.</Form.Text>
        )}
      </Form.Group>
      {components.length > 0 ? (
        <div className="what mt-3">
          <div className="sheet p-2">
            <Line
              components={now}
              eye={marked ? null : eye}
              behind={behind}
              onEye={(i) => {
                if (!marked) {
                  setEye(i);
                  setNoEye(false);
                  reset();
                }
              }}
            />
          </div>
          <div>
            {components.map((c, k) => (
              <Form.Group key={`${c.name} ${k}`} controlId={`role-${k}`} className="mb-2">
                <Form.Label>
                  {c.name ?? `line ${k + 1}`}, {c.points.length} points, {c.closed ? 'closed' : 'open'}
                </Form.Label>
                <Form.Select
                  value={roles[k]}
                  onChange={(e) => {
                    setRoles(roles.map((r, i) => (i === k ? e.target.value : r)));
                    reset();
                  }}
                >
                  {ROLES.map(([id, words]) => (
                    <option key={id} value={id}>
                      {words}
                    </option>
                  ))}
                </Form.Select>
              </Form.Group>
            ))}
            {marked ? (
              <p className="quiet">Eye and ends are marked in the file.</p>
            ) : (
              <>
                <p className="m-0 mb-2">
                  <b>Mark it:</b> touch the far point of the eye in the picture;{' '}
                  {eye === null ? 'none is marked.' : 'it is marked with a ring.'}
                </p>
                <Form.Group controlId="thickness" className="mb-2">
                  <Form.Label>How thick the rope is, in the file’s units</Form.Label>
                  <Form.Control
                    inputMode="decimal"
                    className="figure"
                    value={thickness}
                    onChange={(e) => {
                      setThickness(e.target.value);
                      reset();
                    }}
                    isInvalid={!(Number(thickness) > 0)}
                  />
                  <Form.Control.Feedback type="invalid">A number above 0.</Form.Control.Feedback>
                </Form.Group>
                <Form.Check
                  type="checkbox"
                  id="no-eye"
                  checked={noEye}
                  onChange={(e) => {
                    setNoEye(e.target.checked);
                    setEye(null);
                    reset();
                  }}
                  label="There is no eye"
                />
                <Button variant="outline-primary" className="mt-2" onClick={swap}>
                  The other end is loaded
                </Button>
              </>
            )}
            <Button variant="link" className="mt-2" onClick={() => setBehind(!behind)}>
              {behind ? 'Seen from behind: turn it over' : 'Turn it over'}
            </Button>
            <div className="mt-3">
              <Button type="submit" size="lg" disabled={isLoading || (!marked && !(Number(thickness) > 0))}>
                {isLoading ? 'Looking' : 'What is this?'}
              </Button>
            </div>
          </div>
        </div>
      ) : null}
      {error ? <p className="notice no mt-3">{refusalText(error)}</p> : null}
      {data ? (
        <div className="mt-3">
          <Named said={data.said} answer={data} known={data.known} />
        </div>
      ) : null}
    </Form>
  );
}

function ByHand() {
  const [front, setFront] = useState('');
  const [back, setBack] = useState('');
  const [ask, { data, error, isLoading, reset }] = useIdentifyMutation();
  return (
    <Form
      className="mt-3"
      onSubmit={(e) => {
        e.preventDefault();
        void ask({ code: front, back });
      }}
    >
      <p className="m-0">
        Follow the rope from its loaded end to its tail. At each crossing write <b>O</b> when you pass over, <b>U</b>{' '}
        when under, the crossing’s number in the order met, and its sign: look along the strand on top; one below that
        goes from right to left is <b>+</b>, from left to right <b>−</b>. A line per rope, <code>open:</code> before it.
        Then turn the knot over and do it again.
      </p>
      <div className="form-grid mt-3">
        <Form.Group controlId="front-code">
          <Form.Label>Front</Form.Label>
          <Form.Control
            as="textarea"
            rows={4}
            className="figure"
            value={front}
            onChange={(e) => {
              setFront(e.target.value);
              reset();
            }}
            placeholder="open: O1- U2- O3+ U4+ …"
            spellCheck={false}
          />
        </Form.Group>
        <Form.Group controlId="back-code">
          <Form.Label>Back</Form.Label>
          <Form.Control
            as="textarea"
            rows={4}
            className="figure"
            value={back}
            onChange={(e) => {
              setBack(e.target.value);
              reset();
            }}
            placeholder="open: U1- O2- U3+ O4+ …"
            spellCheck={false}
          />
        </Form.Group>
        <div className="wide">
          <Button type="submit" size="lg" disabled={isLoading || front.trim() === '' || back.trim() === ''}>
            What is this?
          </Button>
          {front.trim() === '' || back.trim() === '' ? (
            <p className="quiet mt-1 mb-0">Both faces are needed: one alone is no check.</p>
          ) : null}
        </div>
      </div>
      {error ? <p className="notice no mt-3">{refusalText(error)}</p> : null}
      {data ? (
        <div className="mt-3">
          <Named said={data.said} answer={data} known={data.known} />
        </div>
      ) : null}
    </Form>
  );
}

function ByTouch() {
  const knots = useKnotsQuery();
  const [search, setSearch] = useSearchParams();
  const id = search.get('knot') ?? 'figure-eight-follow-through';
  const chosen: Difference = {
    crossings: (search.get('crossings') ?? '')
      .split(',')
      .map(Number)
      .filter((n) => n > 0),
    fault: search.get('fault'),
    part: search.get('part') as Part | null,
  };
  const knot = useKnotQuery(id);
  const put = ({ crossings, fault, part }: Difference, other = id) =>
    setSearch(
      {
        by: 'touch',
        knot: other,
        ...(crossings.length > 0 && { crossings: crossings.join(',') }),
        ...(fault && { fault }),
        ...(part && { part }),
      },
      { replace: true },
    );
  if (knot.error) return <Failed error={knot.error} />;
  return (
    <div className="mt-3">
      <Form.Group controlId="touched-knot">
        <Form.Label>It looks like this knot</Form.Label>
        <Form.Select value={id} onChange={(e) => put(NOTHING, e.target.value)}>
          {knots.data?.map((k) => (
            <option key={k.id} value={k.id}>
              {k.names[0]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {knot.data ? (
        <>
          <p className="mt-3 mb-2">
            Touch what is different on yours, on either face: a crossing that goes the other way round, or the part.
          </p>
          <TouchWhatDiffers knot={knot.data} chosen={chosen} onChosen={put} />
        </>
      ) : (
        <Loading what="Laying it out" />
      )}
    </div>
  );
}

const WAYS = [
  ['file', 'From a file'],
  ['hand', 'By hand, both faces'],
  ['touch', 'Touch what differs'],
] as const;

export function WhatIsThis() {
  const [search, setSearch] = useSearchParams();
  const by = WAYS.find(([id]) => id === search.get('by'))?.[0] ?? 'touch';
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>What is this?</h1>
        <Link to="/check" className="ms-auto">
          check a knot
        </Link>
      </div>
      <p className="quiet mt-1">
        It names what is entered, never a knot in a rope. What it does not know it does not guess.
      </p>
      <div className="seg wide" role="group" aria-label="How it is entered">
        {WAYS.map(([id, words]) => (
          <button key={id} type="button" aria-pressed={id === by} onClick={() => setSearch({ by: id })}>
            {words}
          </button>
        ))}
      </div>
      {by === 'file' ? <FromFile /> : by === 'hand' ? <ByHand /> : <ByTouch />}
      <p className="caution mt-4">{CAUTION}</p>
    </>
  );
}
