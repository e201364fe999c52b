/** One rope: how it stands, what hangs in it, what happened to it, and noting what happened. */
import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { RopeLifePage as Life } from '../../../contract';
import { ROPE_EVENT_WORDS, ROPE_EVENTS, type EntryOf, type RopeEventKind } from '../../../core/records';
import { CheckRows, useKnotName } from '../../parts/CheckRows';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { KIND_WORDS, momentText, ROPE_STATE_WORDS, THING_WORDS } from '../../parts/words';
import {
  fieldMessage,
  refusalText,
  usePeopleQuery,
  useRopeEventMutation,
  useRopeQuery,
  useSessionQuery,
} from '../../store/api';
import { Moved } from './Moved';
import { RopeLine } from './RopeLine';

const BLANK = { at: '', over: '', cut: '', end: 'tagged' as 'tagged' | 'other', damage: '', note: '' };

/** Noting what happened. Retiring is final and asked for twice. */
function Note({ of }: { readonly of: Life }) {
  const [note, { error, isLoading, isSuccess }] = useRopeEventMutation();
  const [id, setId] = useState(newId);
  const [event, setEvent] = useState<RopeEventKind | null>(null);
  const [v, setV] = useState(BLANK);
  const [sure, setSure] = useState(false);
  const open = of.life.damages.filter((d) => d.settled === null);
  const isRope = of.rope.thing !== 'karabiner';
  const offered = ROPE_EVENTS.filter((e) =>
    e === 'damage-settled'
      ? open.length > 0
      : e === 'end-cut'
        ? of.rope.thing === 'rope' || of.rope.thing === 'cord'
        : e === 'hard-fall'
          ? of.rope.thing !== 'sling'
          : true,
  );
  const num = (t: string) => Number(t.replace(',', '.'));
  const wrong = (path: string) => fieldMessage(error, path);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (!event) return;
    if (event === 'retired' && !sure) return setSure(true);
    const more =
      event === 'damaged'
        ? { ...(v.at.trim() && { at_m: num(v.at) }), ...(v.over.trim() && { over_m: num(v.over) }) }
        : event === 'end-cut'
          ? { end: v.end, cut_m: num(v.cut || 'x') }
          : event === 'damage-settled'
            ? { damage: v.damage || open[0]!.id }
            : {};
    void note({
      of: of.rope.id,
      body: { id, event, happened_at: new Date().toISOString(), note: v.note, ...more },
    }).then((r) => {
      if (!r.data) return;
      setId(newId());
      setEvent(null);
      setV(BLANK);
      setSure(false);
    });
  };
  const text = (key: 'at' | 'over' | 'cut', label: string, path: string) => (
    <Form.Group controlId={`rope-${key}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        value={v[key]}
        inputMode="decimal"
        isInvalid={Boolean(wrong(path))}
        onChange={(e) => setV({ ...v, [key]: e.target.value })}
      />
      {wrong(path) ? (
        <p className="invalid-feedback d-block mb-0" role="alert">
          {wrong(path)}
        </p>
      ) : null}
    </Form.Group>
  );
  return (
    <section className="no-print" aria-label="What happened to it?">
      <h2 className="mb-2">What happened to it?</h2>
      <div className="d-flex flex-wrap gap-2">
        {offered.map((e) => (
          <Button
            key={e}
            variant={event === e ? 'primary' : 'outline-primary'}
            aria-pressed={event === e}
            onClick={() => {
              setEvent(event === e ? null : e);
              setSure(false);
            }}
          >
            {ROPE_EVENT_WORDS[e][0]!.toUpperCase() + ROPE_EVENT_WORDS[e].slice(1)}
          </Button>
        ))}
      </div>
      <span role="status" className="quiet">
        {isSuccess && !event ? 'Recorded.' : ''}
      </span>
      {event ? (
        <Form noValidate onSubmit={submit} className="sheet p-3 mt-2">
          <div className="form-grid">
            {event === 'damaged' && isRope ? (
              <>
                {text('at', 'Where, metres from the tagged end', 'at_m')}
                {text('over', 'Over how much, metres (may be left out)', 'over_m')}
              </>
            ) : null}
            {event === 'end-cut' ? (
              <>
                <Form.Group controlId="rope-end">
                  <Form.Label>Which end</Form.Label>
                  <Form.Select value={v.end} onChange={(e) => setV({ ...v, end: e.target.value as 'tagged' })}>
                    <option value="tagged">the tagged end: put the tag on again</option>
                    <option value="other">the other end</option>
                  </Form.Select>
                </Form.Group>
                {text('cut', 'How much was cut off, metres', 'cut_m')}
              </>
            ) : null}
            {event === 'damage-settled' ? (
              <Form.Group controlId="rope-damage">
                <Form.Label>Which damage</Form.Label>
                <Form.Select value={v.damage || open[0]?.id} onChange={(e) => setV({ ...v, damage: e.target.value })}>
                  {open.map((d) => (
                    <option key={d.id} value={d.id}>
                      {d.at_m === null ? 'somewhere' : `at ${d.at_m} m`}: {d.note}
                    </option>
                  ))}
                </Form.Select>
              </Form.Group>
            ) : null}
            <Form.Group controlId="rope-note" className="wide">
              <Form.Label>
                {event === 'damaged'
                  ? 'What was seen'
                  : event === 'damage-settled'
                    ? 'What was looked into, by whom, and why it may stay in use'
                    : event === 'retired'
                      ? 'Why'
                      : 'Note'}
              </Form.Label>
              <Form.Control
                value={v.note}
                maxLength={2000}
                isInvalid={Boolean(wrong('note'))}
                onChange={(e) => setV({ ...v, note: e.target.value })}
              />
              {wrong('note') ? (
                <p className="invalid-feedback d-block mb-0" role="alert">
                  {wrong('note')}
                </p>
              ) : null}
            </Form.Group>
          </div>
          {event === 'retired' ? (
            <p className="notice bad mt-3 mb-0">
              Retired is final: nothing more is noted of it, and no knot in it meets a rule.
              {sure ? ' Press again to retire it.' : ''}
            </p>
          ) : null}
          {event === 'damage-settled' ? (
            <p className="caution mt-3 mb-0">
              A competent person decides that, by the maker’s instructions. Where in doubt: retire it, or cut it off.
            </p>
          ) : null}
          {error && !wrong('note') && !wrong('at_m') && !wrong('cut_m') ? (
            <p className="invalid-feedback d-block" role="alert">
              {refusalText(error)}
            </p>
          ) : null}
          <Button type="submit" className="mt-3" disabled={isLoading}>
            {event === 'retired' ? (sure ? 'Retire it for good' : 'Retire it') : 'Record it'}
          </Button>
        </Form>
      ) : null}
    </section>
  );
}

export function RopePage() {
  const { id = '' } = useParams();
  const { data, error, isLoading, refetch } = useRopeQuery(id, { refetchOnMountOrArgChange: true });
  const people = usePeopleQuery().data ?? [];
  const roles = useSessionQuery().data!.person!.roles;
  const name = useKnotName();
  if (isLoading) return <Loading what="Opening its life" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const { rope, life } = data;
  const entries = data.entries.map((e) => ({ sha256: e.sha256, entry: e.entry as unknown as EntryOf<'rope-event'> }));
  const nameOf = (person: string) => people.find((p) => p.id === person)?.name ?? person;
  return (
    <>
      <p className="no-print mb-1">
        <Link to="/log/ropes">All ropes</Link>
      </p>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>
          <span className="figure">{rope.tag}</span>
        </h1>
        <span className={`fs-4 fw-bold ${rope.state === 'in-service' ? '' : 'v-take-out-and-retie'}`}>
          {ROPE_STATE_WORDS[rope.state]}
        </span>
        <span className="ms-auto no-print">
          <a href={`/api/v1/ropes/${id}.pdf`} target="_blank" rel="noreferrer">
            PDF
          </a>{' '}
          ·{' '}
          <a href={`/api/v1/ropes/labels.pdf?ids=${id}`} target="_blank" rel="noreferrer">
            Label
          </a>{' '}
          · <Link to={`/log?rope=${id}`}>Checks</Link>
        </span>
      </div>
      <p className="quiet fs-5 mt-1 mb-2">
        {[
          THING_WORDS[rope.thing],
          rope.diameter_mm === null ? '' : `${rope.diameter_mm} mm`,
          rope.kind ? KIND_WORDS[rope.kind] : '',
          rope.in_service_since ? `in service since ${rope.in_service_since}` : '',
          `${life.hard_falls} hard ${life.hard_falls === 1 ? 'fall' : 'falls'}`,
          life.last_looked_over ? `last looked over ${momentText(life.last_looked_over)}` : 'never looked over here',
          rope.note,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {rope.length_m !== null && rope.first_length_m !== null ? (
        <div className="sheet p-2 mb-3">
          <p className="m-0 ms-2">
            <b className="figure">{rope.length_m}</b> m now{life.cut_m > 0 ? <>, {life.cut_m} m cut off</> : ''}
          </p>
          <RopeLine length_m={rope.length_m} first_length_m={rope.first_length_m} damages={life.damages} />
        </div>
      ) : null}
      {rope.state !== 'in-service' ? (
        <p className="notice bad">
          {rope.state === 'retired'
            ? `Retired${life.retired ? `: ${life.retired.note}` : ''}.`
            : 'Damage was noted that nothing was done about.'}{' '}
          Never for a life load: no knot in it meets a rule.
        </p>
      ) : null}
      {data.open_findings.length > 0 ? (
        <>
          <h2 className="mb-2">To be taken out</h2>
          <div className="mb-3">
            <CheckRows rows={data.open_findings} label="To be taken out" />
          </div>
        </>
      ) : null}
      {roles.some((r) => r !== 'learner') && rope.state !== 'retired' ? <Note of={data} /> : null}
      <h2 className="mt-4 mb-2">Knots in it now</h2>
      {data.knots_in_it.length === 0 ? (
        <p className="quiet">None that is known.</p>
      ) : (
        <ul className="rows" aria-label="Knots in it now">
          {data.knots_in_it.map((k) => (
            <li key={k.id}>
              <Link className="row-link" to={k.last_check ? `/log/${k.last_check}` : '/check'}>
                <span />
                <span>
                  <b>{name(k.knot)}</b>, {k.moved_to === null ? k.place : `${k.moved_to}, moved from ${k.place}`}
                  <br />
                  <span className="sub">
                    tied {momentText(k.tied_at)} by{' '}
                    {k.tied_by === null ? (k.tied_by_words ?? 'nobody knows whom') : nameOf(k.tied_by)}
                  </span>
                </span>
                <span className="sub text-end">
                  {k.again[0] ? <b className="v-put-right">{k.again[0].text}</b> : 'looked at'}
                </span>
              </Link>
              {roles.some((r) => r !== 'learner') ? (
                <div className="px-2 pb-2 no-print">
                  <Moved knot={k.id} />
                </div>
              ) : null}
            </li>
          ))}
        </ul>
      )}
      <h2 className="mt-4 mb-2">Its life</h2>
      {entries.length === 0 ? (
        <p className="quiet">Nothing is noted yet.</p>
      ) : (
        <ul className="rows" aria-label="Its life">
          {[...entries].reverse().map(({ entry: e, sha256 }) => (
            <li key={sha256}>
              <div className="row-line">
                <span className="figure">{e.sequence}</span>
                <span>
                  <b>{ROPE_EVENT_WORDS[e.body.event]}</b>
                  {e.body.at_m === undefined ? '' : ` at ${e.body.at_m} m`}
                  {e.body.cut_m === undefined ? '' : `: ${e.body.cut_m} m off the ${e.body.end} end`}
                  {e.body.note ? `. ${e.body.note}` : ''}
                  <br />
                  <span className="sub">
                    {nameOf(e.recorded_by)} · <span className="hash">{sha256.slice(0, 16)}…</span>
                  </span>
                </span>
                <span className="sub text-end">{momentText(e.body.happened_at)}</span>
              </div>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
