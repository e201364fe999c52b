import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { stopperAsked } from '../../../core/inspect/judging/verdict';
import {
  useKnotsQuery,
  usePeopleQuery,
  usePersonByIdQuery,
  useProfilesQuery,
  useRopesQuery,
  useRoundWalkQuery,
  useSessionQuery,
  useTodayQuery,
} from '../../store/api';
import { useApp, useSend } from '../../store';
import { tieable } from '../../store/tieable';
import { freshWalk, walkBegun } from '../../store/walks';
import { FindKnot } from './FindKnot';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { KIND_WORDS } from '../../parts/words';

const localNow = () => {
  const d = new Date(Date.now() - new Date().getTimezoneOffset() * 60_000);
  return d.toISOString().slice(0, 16);
};

/** Later than now: a knot cannot be looked at before it is tied. */
const liesAhead = (local: string) => new Date(local).getTime() > Date.now();

interface Stop {
  readonly walk: string;
  readonly stop: number;
  readonly place: string;
  readonly knot: string;
  readonly rope: string;
  readonly hangs: {
    readonly id: string;
    readonly rope: string;
    readonly tied_by: string;
    readonly tied_at: string;
  } | null;
}

/** At a stop of a round the form is filled in from what is expected, or known to hang, there. */
export function Begin() {
  const [params] = useSearchParams();
  const round = params.get('round');
  const walk = useRoundWalkQuery(round ?? '', { skip: round === null });
  if (round === null) return <BeginForm at={null} />;
  if (walk.error) return <Failed error={walk.error} again={walk.refetch} />;
  if (!walk.data) return <Loading what="Opening the round" />;
  const stop = Number(params.get('stop'));
  const s = walk.data.stops[stop];
  if (!s) return <Failed error={{ status: 404 }} />;
  return (
    <BeginForm
      key={`${round} ${stop}`}
      at={{
        walk: round,
        stop,
        place: s.place,
        knot: s.knot,
        rope: s.hangs_there?.rope ?? s.rope ?? '',
        hangs: s.hangs_there,
      }}
    />
  );
}

const localOf = (iso: string) => {
  const d = new Date(iso);
  return new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
};

/** What is checked, where, who tied it. Then the walk. */
function BeginForm({ at }: { readonly at: Stop | null }) {
  const navigate = useNavigate();
  const send = useSend();
  const { job, rope, knot } = useApp((s) => s.job);
  const me = useSessionQuery().data!.person!;
  const people = usePeopleQuery();
  const ropes = useRopesQuery();
  const profiles = useProfilesQuery();
  const knots = useKnotsQuery();
  const places = [...new Set(useTodayQuery().data?.last_checks.map((c) => c.place) ?? [])];
  const [values, setValues] = useState({
    knot: at?.knot ?? knot ?? 'figure-eight-follow-through',
    rope: at?.rope ?? rope?.id ?? '',
    place: at?.place ?? '',
    tiedBy: at?.hangs?.tied_by ?? '',
    tiedAt: at?.hangs ? localOf(at.hangs.tied_at) : localNow(),
    profile: job.profile.split('@')[0]!,
    stopper: false,
    hand: null as 'right' | 'left' | null,
    despite: '',
  });
  const own = usePersonByIdQuery(me.id);
  const [tried, setTried] = useState(false);
  const [future, setFuture] = useState(false);
  const broken = [people, ropes, profiles, knots].find((q) => q.error);
  if (broken) return <Failed error={broken.error} again={broken.refetch} />;
  if (!people.data || !ropes.data || !profiles.data || !knots.data) return <Loading what="Getting ropes and people" />;
  if (!me.roles.some((r) => r !== 'learner'))
    return (
      <Failed
        error={{
          status: 403,
          data: {
            title: 'Learners practise; they do not record checks',
            detail: 'A recorded check is evidence.',
            code: 'role-missing',
          },
        }}
      />
    );

  const set = (change: Partial<typeof values>) => setValues({ ...values, ...change });
  const profile = profiles.data.find((p) => p.id === values.profile) ?? profiles.data[0]!;
  const checkable = knots.data.filter((k) => k.can_be_checked);
  const taken = knots.data.find((k) => k.id === values.knot);
  // never another knot than the one that was taken: then it is to be chosen
  const chosen = taken?.can_be_checked ? taken.id : '';
  const stopperForced = stopperAsked(chosen, profile);
  const tier = people.data.find((p) => p.id === values.tiedBy);
  // as the one who tied it ties, until it is said otherwise
  const hand = values.hand ?? tier?.hand ?? 'right';
  const store = ropes.data.find((r) => r.id === values.rope);
  // the same knot still hangs there: it is that one which is looked at
  const hanging =
    at?.hangs && at.hangs.rope === values.rope && at.knot === chosen && at.hangs.tied_by === values.tiedBy
      ? at.hangs
      : null;
  const notSignedOff =
    own.data !== undefined &&
    own.data.signed_off.length > 0 &&
    !own.data.signed_off.some((o) => o.knot === chosen && o.may === 'check');
  const wrong = {
    knot: chosen === '' ? 'which knot is it?' : null,
    rope: values.rope === '' ? 'which rope is it in?' : null,
    place: values.place.trim() === '' ? 'where is it?' : null,
    tiedBy: values.tiedBy === '' ? 'who tied it?' : null,
    tiedAt:
      values.tiedAt === '' || Number.isNaN(new Date(values.tiedAt).getTime())
        ? 'when was it tied?'
        : future
          ? 'lies in the future'
          : null,
  };
  const inService = tieable(ropes.data);
  const say = (key: keyof typeof wrong) =>
    tried && wrong[key] ? (
      <p className="invalid-feedback d-block mb-0" id={`${key}-wrong`}>
        {wrong[key]}
      </p>
    ) : null;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    const late = liesAhead(values.tiedAt);
    setFuture(late);
    if (late) return document.getElementById('tiedAt')?.focus();
    const first = (Object.keys(wrong) as (keyof typeof wrong)[]).find((k) => wrong[k]);
    if (first) return document.getElementById(first)?.focus();
    const r = inService.find((x) => x.id === values.rope)!;
    const id = newId();
    send(
      walkBegun({
        id,
        tiedKnot: hanging?.id ?? newId(),
        knot: chosen,
        rope: r.id,
        ropeTag: r.tag,
        rope_diameter_mm: r.diameter_mm,
        place: values.place.trim(),
        tiedBy: values.tiedBy,
        tiedAt: hanging?.tied_at ?? new Date(values.tiedAt).toISOString(),
        profile: profile.id,
        profileVersion: profile.version,
        stopper: values.stopper || stopperForced,
        hand,
        ...freshWalk(me.length_unit),
        ...(at && { round: { walk: at.walk, stop: at.stop } }),
        ...(values.despite.trim() !== '' && { despite: values.despite.trim() }),
      }),
    );
    void navigate(`/check/${id}`);
  };
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1>{at ? `Stop ${at.stop + 1}: ${at.place}` : 'Which knot do you look at?'}</h1>
        {at ? (
          <Link to={`/check/rounds/${at.walk}`} className="ms-auto">
            Back to the round
          </Link>
        ) : (
          <span className="ms-auto">
            <Link to="/check/rounds">Rounds</Link> · <Link to="/check/what-is-this">A knot I do not know</Link>
          </span>
        )}
      </div>
      {at?.hangs && !hanging ? (
        <p className="notice mt-2">Another knot than the one known to hang there: it is taken down as a new one.</p>
      ) : null}
      <Form noValidate onSubmit={submit} className="form-grid mt-3">
        <Form.Group controlId="knot">
          <Form.Label>Knot</Form.Label>
          <Form.Select value={chosen} onChange={(e) => set({ knot: e.target.value })}>
            {chosen === '' ? <option value="">choose</option> : null}
            {checkable.map((k) => (
              <option key={k.id} value={k.id}>
                {k.names[0]}
              </option>
            ))}
          </Form.Select>
          {taken && !taken.can_be_checked ? (
            <Form.Text>
              {taken.names[0]}: its check points are not stored yet, so it cannot be walked through here.
            </Form.Text>
          ) : null}
          {say('knot')}
          <FindKnot knots={checkable} onTake={(id) => set({ knot: id })} />
        </Form.Group>
        <Form.Group controlId="rope">
          <Form.Label>In which rope</Form.Label>
          <Form.Select
            value={values.rope}
            onChange={(e) => set({ rope: e.target.value })}
            isInvalid={tried && Boolean(wrong.rope)}
            aria-describedby="rope-wrong"
          >
            <option value="">choose</option>
            {inService.map((r) => (
              <option key={r.id} value={r.id}>
                {r.tag}, {r.diameter_mm} mm {KIND_WORDS[r.kind]}
                {r.state === 'in-service' ? '' : `: ${r.state}, never for a life load`}
              </option>
            ))}
          </Form.Select>
          {say('rope')}
          {inService.length === 0 ? <Form.Text>There is no rope yet: add one under Log, Ropes.</Form.Text> : null}
        </Form.Group>
        <Form.Group controlId="tiedBy">
          <Form.Label>Tied by</Form.Label>
          <Form.Select
            value={values.tiedBy}
            onChange={(e) => set({ tiedBy: e.target.value })}
            isInvalid={tried && Boolean(wrong.tiedBy)}
            aria-describedby="tiedBy-wrong"
          >
            <option value="">choose</option>
            {people.data.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
                {p.id === me.id ? ' (me: then nobody else has looked)' : ''}
              </option>
            ))}
          </Form.Select>
          {say('tiedBy')}
        </Form.Group>
        <Form.Group controlId="tiedAt">
          <Form.Label>Tied when</Form.Label>
          <Form.Control
            type="datetime-local"
            value={values.tiedAt}
            onChange={(e) => set({ tiedAt: e.target.value })}
            isInvalid={tried && Boolean(wrong.tiedAt)}
            aria-describedby="tiedAt-wrong"
          />
          {say('tiedAt')}
        </Form.Group>
        <Form.Group controlId="place">
          <Form.Label>Where</Form.Label>
          <Form.Control
            value={values.place}
            onChange={(e) => set({ place: e.target.value })}
            list="places"
            maxLength={160}
            readOnly={at !== null}
            autoComplete="off"
            isInvalid={tried && Boolean(wrong.place)}
            aria-describedby="place-wrong"
          />
          <datalist id="places">
            {places.map((p) => (
              <option key={p} value={p} />
            ))}
          </datalist>
          {say('place')}
        </Form.Group>
        <Form.Group controlId="profile">
          <Form.Label>Rules</Form.Label>
          <Form.Select value={profile.id} onChange={(e) => set({ profile: e.target.value })}>
            {profiles.data.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}, version {p.version}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="hand">
          <Form.Label>Tied with the</Form.Label>
          <Form.Select value={hand} onChange={(e) => set({ hand: e.target.value as 'right' })}>
            <option value="right">right hand</option>
            <option value="left">left hand: pictures mirrored</option>
          </Form.Select>
          {values.hand === null && tier ? (
            <Form.Text>
              {tier.name.split(' ')[0]} ties with the {tier.hand} hand.
            </Form.Text>
          ) : null}
        </Form.Group>
        <div className="d-flex align-items-end">
          <Form.Check
            type="checkbox"
            id="stopper"
            checked={values.stopper || stopperForced}
            disabled={stopperForced}
            onChange={(e) => set({ stopper: e.target.checked })}
            label={stopperForced ? 'A stopper is asked by these rules' : 'A stopper is tied behind it'}
          />
        </div>
        {store && store.state !== 'in-service' ? (
          <p className="notice bad wide m-0">
            {store.tag} is {store.state === 'retired' ? 'retired' : 'damaged, and nothing was done about it'}: never for
            a life load. What is found is taken down; it cannot meet the rule.{' '}
            <Link to={`/log/ropes/${store.id}`}>Its life</Link>
          </p>
        ) : null}
        {store && store.open_findings > 0 ? (
          <Form.Group controlId="despite" className="wide notice bad">
            <Form.Label>A knot in {store.tag} is to be taken out. Why is the rest of the rope used?</Form.Label>
            <Form.Control value={values.despite} maxLength={400} onChange={(e) => set({ despite: e.target.value })} />
            <Form.Text>
              Goes into the record. Not needed for the knot that was tied again at the same place.{' '}
              <Link to={`/log/ropes/${store.id}`}>What is open</Link>
            </Form.Text>
          </Form.Group>
        ) : null}
        {notSignedOff ? (
          <p className="notice wide m-0">You are not signed off to check this knot. It is taken down, and says so.</p>
        ) : null}
        <div className="wide">
          <Button type="submit" size="lg">
            Begin the walk
          </Button>
        </div>
      </Form>
    </>
  );
}
