import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { usesOf, type Use } from '../../../core/knots/facts/uses';
import { shortLookAllowed } from '../../../core/inspect/judging';
import { refusalOf, rulesOf } from '../../../core/profiles';
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
import { companionsToBegin, freshWalk, UNTIL_KNOWN_MM, walkBegun } from '../../store/walks';
import { FindKnot } from './FindKnot';
import { Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { UseField } from '../../parts/UseField';
import { ruleSaid } from '../../parts/words';
import { localNow, localTime, missingOf, NOT_KNOWN, OUTSIDE, tierOf, WhoAndWhere } from './WhoAndWhere';

interface Stop {
  readonly walk: string;
  readonly stop: number;
  readonly place: string;
  readonly knot: string;
  readonly use: Use | undefined;
  readonly rope: string;
  readonly hangs: {
    readonly id: string;
    readonly rope: string;
    readonly tied_by: string | null;
    readonly tied_by_words: string | null;
    readonly tied_at: string;
    readonly use: Use | null;
  } | null;
}

/** Who tied what hangs there, as the field has it. */
const tierValue = (hangs: { readonly tied_by: string | null; readonly tied_by_words: string | null }): string =>
  hangs.tied_by ?? (hangs.tied_by_words === null ? NOT_KNOWN : OUTSIDE);

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
        use: s.use,
        rope: s.hangs_there?.rope ?? s.rope ?? '',
        hangs: s.hangs_there,
      }}
    />
  );
}

/** Which knot, and what for: then the walk. Rope, place and who tied it may follow before signing. */
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
    use: at?.use ?? at?.hangs?.use ?? (null as Use | null),
    rope: at?.rope ?? rope?.id ?? '',
    place: at?.place ?? '',
    tiedBy: at?.hangs ? tierValue(at.hangs) : '',
    outside: at?.hangs?.tied_by_words ?? '',
    notMe: false,
    tiedAt: at?.hangs ? localTime(at.hangs.tied_at) : localNow(),
    profile: job.profile.split('@')[0]!,
    hand: null as 'right' | 'left' | null,
    short: false,
    despite: '',
  });
  const own = usePersonByIdQuery(me.id);
  const [tried, setTried] = useState(false);
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
  const uses = chosen === '' ? [] : usesOf(entryById(chosen));
  // as the job asks it, where the knot is made for that; asked where that leaves a choice
  const use = uses.find((u) => u === values.use) ?? uses.find((u) => u === job.purpose) ?? uses[0];
  // at a stop of a round the whole is looked at
  const mayBeShort = !at && chosen !== '' && shortLookAllowed(rulesOf(profile), entryById(chosen));
  const refused = use ? refusalOf(rulesOf(profile), entryById(chosen), use) : null;
  const tier = people.data.find((p) => p.id === values.tiedBy);
  // as the one who tied it ties, until it is said otherwise
  const hand = values.hand ?? tier?.hand ?? 'right';
  const store = ropes.data.find((r) => r.id === values.rope);
  // the same knot still hangs there: it is that one which is looked at
  const hanging =
    at?.hangs && at.hangs.rope === values.rope && at.knot === chosen && tierValue(at.hangs) === values.tiedBy
      ? at.hangs
      : null;
  const notSignedOff =
    own.data !== undefined &&
    own.data.signed_off.length > 0 &&
    !own.data.signed_off.some((o) => o.knot === chosen && o.may === 'check');
  // what was begun to be said is said whole; what was not may follow before signing
  const missing = missingOf(values);
  const wrong = {
    knot: chosen === '' ? 'which knot is it?' : null,
    tiedBy: values.tiedBy === '' ? null : missing.tiedBy,
    tiedAt: missing.tiedAt,
    rope: null,
    place: null,
  };
  const inService = tieable(ropes.data);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    setTried(true);
    const first = (Object.keys(wrong) as (keyof typeof wrong)[]).find((k) => wrong[k]);
    if (first) return document.getElementById(first)?.focus();
    const r = inService.find((x) => x.id === values.rope);
    const id = newId();
    send(
      walkBegun({
        id,
        tiedKnot: hanging?.id ?? newId(),
        knot: chosen,
        rope: r?.id ?? '',
        ropeTag: r?.tag ?? '',
        rope_diameter_mm: r?.diameter_mm ?? UNTIL_KNOWN_MM,
        ropeKind: r?.kind,
        use,
        companions: companionsToBegin(profile, entryById(chosen), use, r?.kind),
        place: values.place.trim(),
        ...tierOf(values),
        tiedBySaid: values.tiedBy !== '',
        notMe: values.notMe,
        restLater: Object.values(missing).some((m) => m !== null),
        tiedAt: hanging?.tied_at ?? new Date(values.tiedAt).toISOString(),
        profile: profile.id,
        profileVersion: profile.version,
        stopper: false,
        ...(mayBeShort && values.short && { short: true as const }),
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
          {tried && wrong.knot ? (
            <p className="invalid-feedback d-block mb-0" id="knot-wrong">
              {wrong.knot}
            </p>
          ) : null}
          <FindKnot knots={checkable} onTake={(id) => set({ knot: id })} />
        </Form.Group>
        {chosen === '' ? null : <UseField knot={chosen} use={use} onUse={(u) => set({ use: u })} />}
        <WhoAndWhere
          values={values}
          set={set}
          wrong={tried ? wrong : null}
          people={people.data}
          ropes={ropes.data}
          places={places}
          me={me.id}
          placeIsFixed={at !== null}
        />
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
        {mayBeShort ? (
          <Form.Group controlId="short">
            <Form.Label>Look</Form.Label>
            <Form.Select
              value={values.short ? 'short' : 'whole'}
              onChange={(e) => set({ short: e.target.value === 'short' })}
            >
              <option value="whole">the whole knot</option>
              <option value="short">short: strands on both faces, tail, daylight, eye</option>
            </Form.Select>
            {values.short ? (
              <Form.Text>It never meets the rule, closes nothing and is no second look: not judged at best.</Form.Text>
            ) : null}
          </Form.Group>
        ) : null}
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
        {store && store.state !== 'in-service' && !(use === 'isolate-damage' && store.state === 'damaged') ? (
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
        {refused ? (
          <p className="notice bad wide m-0">
            {refused.text}. Whatever else is found: take it out and tie one that is made for that.{' '}
            <span className="rule-id">{ruleSaid(refused)}</span>
          </p>
        ) : null}
        {notSignedOff ? (
          <p className="notice wide m-0">You are not signed off to check this knot. It is taken down, and says so.</p>
        ) : null}
        <div className="wide begin-bar">
          <Button type="submit" size="lg">
            Begin the walk
          </Button>
          {Object.values(missing).some((m) => m !== null) ? (
            <p className="small quiet mt-2 mb-0">
              Look first if the knot is in your hand: rope, place and who tied it can follow before you sign.
            </p>
          ) : null}
        </div>
      </Form>
    </>
  );
}
