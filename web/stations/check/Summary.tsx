import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate } from 'react-router';
import type { JudgedPoint, Judgement } from '../../../core/inspect/judging';
import { entryById } from '../../../core/knots/catalogue/lookup';
import type { Profile } from '../../../core/profiles';
import {
  refusalText,
  useNewCheckMutation,
  usePeopleQuery,
  useRopesQuery,
  useSessionQuery,
  useTodayQuery,
  type Refusal,
} from '../../store/api';
import { useSend } from '../../store';
import { companionsToBegin, ropeTaken, walkChanged, walkEnded, type Walk } from '../../store/walks';
import { SignSecond } from './SignSecond';
import { localTime, missingOf, NOT_KNOWN, OUTSIDE, tierOf, WhoAndWhere, type WhoWhere } from './WhoAndWhere';
import { useKnotName } from '../../parts/CheckRows';
import { KnotPicture } from '../../parts/KnotPicture';
import { Points } from '../../parts/Points';
import { UseField } from '../../parts/UseField';
import { Verdict } from '../../parts/Verdict';
import { CAUTION, momentText, POINT_WORDS, USE_WORDS } from '../../parts/words';
import { Now } from '../../parts/now';

interface Props {
  readonly walk: Walk;
  /** the version that the walk began with */
  readonly profile: Profile;
  /** the version that is in force now */
  readonly inForce: number;
  readonly judgement: Judgement;
  readonly fist_mm: number;
  readonly onOpen: (point: string) => void;
}

/** What was left for later, as its fields have it. */
const restOf = (walk: Walk): WhoWhere => ({
  rope: walk.rope,
  place: walk.place,
  tiedBy: walk.tiedBySaid === false ? '' : (walk.tiedBy ?? (walk.tiedByOutside === undefined ? NOT_KNOWN : OUTSIDE)),
  outside: walk.tiedByOutside ?? '',
  notMe: walk.notMe ?? false,
  tiedAt: localTime(walk.tiedAt),
});

/** Rope, place and who tied it, asked before signing. */
function Rest({
  walk,
  values,
  wrong,
  me,
}: {
  readonly walk: Walk;
  readonly values: WhoWhere;
  readonly wrong: ReturnType<typeof missingOf> | null;
  readonly me: string;
}) {
  const send = useSend();
  const people = usePeopleQuery().data ?? [];
  const ropes = useRopesQuery().data ?? [];
  const places = [...new Set(useTodayQuery().data?.last_checks.map((c) => c.place) ?? [])];
  const set = (change: Partial<WhoWhere>) => {
    const all = { ...values, ...change };
    const when = new Date(all.tiedAt);
    send(
      walkChanged({
        id: walk.id,
        place: all.place,
        notMe: all.notMe,
        ...(change.tiedBy === OUTSIDE || (all.tiedBy === OUTSIDE && change.outside !== undefined)
          ? { tiedBy: null, tiedByOutside: all.outside }
          : tierOf(all)),
        tiedBySaid: all.tiedBy !== '',
        ...(Number.isNaN(when.getTime()) ? {} : { tiedAt: when.toISOString() }),
        ...(change.rope !== undefined && ropeTaken(walk, ropes, change.rope)),
      }),
    );
  };
  return (
    <div className="d-grid gap-2">
      <WhoAndWhere values={values} set={set} wrong={wrong} people={people} ropes={ropes} places={places} me={me} />
    </div>
  );
}

/** What the verdict comes from, in a sentence. */
function verdictText(judgement: Judgement, profile: Profile, isSecond: boolean): string {
  const { verdict, points, short } = judgement;
  const openAt = judgement.not_judged.map((p) => POINT_WORDS[p]).join(', ');
  const of = (state: JudgedPoint['state']) =>
    points
      .filter((p) => p.state === state)
      .map((p) => p.text)
      .join('; ');
  const looked = short ? ` Short look, ${short.points} of ${short.of} points.` : '';
  if (verdict === 'take-out-and-retie')
    return `${of('take-out-and-retie')}. It stays open until an entry says what was done.${looked}`;
  if (verdict === 'put-right')
    return `${of('put-right')}.${openAt === '' ? '' : ` Not judged: ${openAt}.`} Put it right, then look at those points again.${looked}`;
  if (openAt !== '') return `Not judged at: ${openAt}.${looked}`;
  if (short)
    return `Nothing wrong at ${short.points} of ${short.of} points. A short look never meets the rule: the rest was not looked at.`;
  if (verdict === 'not-judged')
    return judgement.points_verdict === 'meets-the-rule'
      ? `Every point meets the rule. ${profile.name} asks for a second person: until one has signed it stays not judged.`
      : 'No point of it can be judged.';
  if (judgement.second_signature === 'missing-advised')
    return `Every point meets the rule. ${profile.name} advises a second person.`;
  return isSecond
    ? 'You found that every point meets the rule. Whether the first one found the same is shown once you have signed.'
    : 'Every point meets the rule.';
}

/** The verdict as it would be recorded, and the signature of the one who looked. */
export function Summary({ walk, profile, inForce, judgement, fist_mm, onOpen }: Props) {
  const send = useSend();
  const navigate = useNavigate();
  const name = useKnotName();
  const me = useSessionQuery().data!.person!;
  const tier = usePeopleQuery().data?.find((p) => p.id === walk.tiedBy);
  const [record, { error, isLoading }] = useNewCheckMutation();
  const alone = walk.tiedBy === me.id;
  const [tried, setTried] = useState(false);
  const rest = walk.restLater ? restOf(walk) : null;
  const restMissing = rest ? missingOf(rest) : null;
  // what was answered before the use or a companion was changed, and is no longer asked, is not recorded
  const asked = new Set<string>(judgement.points.map((p) => p.point));
  const sign = async () => {
    setTried(true);
    const first = Object.entries(restMissing ?? {}).find(([, why]) => why !== null);
    if (first) return document.getElementById(first[0])?.focus();
    const seenAt = walk.seenAt ?? new Date().toISOString();
    send(walkChanged({ id: walk.id, seenAt }));
    const result = await record({
      id: walk.id,
      tied_knot: {
        id: walk.tiedKnot,
        knot: walk.knot,
        rope: walk.rope,
        place: walk.place,
        ...(walk.tiedBy !== null
          ? { tied_by: walk.tiedBy }
          : walk.tiedByOutside !== undefined
            ? { tied_by_outside: { words: walk.tiedByOutside } }
            : { tied_by_unknown: true as const }),
        tied_at: walk.tiedAt,
      },
      profile: walk.profile,
      profile_version: profile.version,
      rope_diameter_mm: walk.rope_diameter_mm,
      ...(judgement.use && { use: judgement.use }),
      companions: [...(walk.companions ?? [])],
      ...(judgement.short && { short: true }),
      fist_mm,
      hand: walk.hand,
      seen_at: seenAt,
      answers: walk.answers.filter((a) => asked.has(a.point)).map((a) => ({ ...a })),
      note: walk.note,
      ...(walk.round && { round: walk.round }),
      ...(walk.despite?.trim() && { despite_open_finding: walk.despite.trim() }),
    });
    if (!result.data) {
      // refused, so not stored: a wrong clock may be put right and the time taken anew
      if ((result.error as Refusal).data?.code === 'bad-input') send(walkChanged({ id: walk.id, seenAt: null }));
      return;
    }
    await navigate(walk.round ? `/check/rounds/${walk.round.walk}` : `/log/${walk.id}?just=recorded`, {
      replace: true,
    });
    send(walkEnded(walk.id));
  };
  const code = (error as Refusal | undefined)?.data?.code;
  const taken = code === 'id-taken';
  return (
    <div className="verdict-page">
      <div>
        <h1 className="visually-hidden">Verdict</h1>
        <Verdict of={judgement.verdict} big />
        <p className="mt-2 mb-0 fs-5">{verdictText(judgement, profile, walk.second !== undefined)}</p>
        <p className="quiet mt-1 mb-0">
          {name(walk.knot)}
          {judgement.use ? ` for ${USE_WORDS[judgement.use]}` : ''}
          {walk.rope === '' ? '' : ` in ${walk.ropeTag} (${walk.rope_diameter_mm} mm)`}
          {walk.place === '' ? '' : `, ${walk.place}`}. Tied by{' '}
          {tier?.name ?? walk.tiedByOutside ?? (walk.tiedBySaid === false ? '…' : 'nobody knows whom')}. Rules:{' '}
          {profile.name}, version {profile.version}. As seen then:{' '}
          <Now say={(now) => momentText(walk.seenAt ?? now.toISOString())} />.
        </p>
        <Points points={judgement.points} onOpen={onOpen} />
      </div>
      <aside className="d-grid gap-3">
        <div className="sheet faces">
          {(['front', 'back'] as const).map((f) => (
            <KnotPicture
              key={f}
              knot={walk.knot}
              face={f}
              crop="knot"
              size={190}
              alt={`${name(walk.knot)}, ${f}, as it should look`}
            />
          ))}
        </div>
        <p className="small quiet m-0">Front and back as they should look, computed.</p>
        {walk.second ? <SignSecond walk={walk} second={walk.second} /> : null}
        {walk.second ? null : (
          <>
            {walk.round ? null : (
              <UseField
                knot={walk.knot}
                use={judgement.use}
                onUse={(use) => {
                  const companions = companionsToBegin(profile, entryById(walk.knot), use, walk.ropeKind);
                  send(walkChanged({ id: walk.id, use, companions }));
                }}
              />
            )}
            {rest ? <Rest walk={walk} values={rest} wrong={tried ? restMissing : null} me={me.id} /> : null}
            {alone ? (
              <div className="notice">
                <b>No second person.</b> You tied it and you look at it alone: the record says so.
              </div>
            ) : null}
            <Form.Group controlId="note">
              <Form.Label>Note (goes into the record)</Form.Label>
              <Form.Control
                as="textarea"
                rows={2}
                maxLength={2000}
                value={walk.note}
                onChange={(e) => send(walkChanged({ id: walk.id, note: e.target.value }))}
              />
            </Form.Group>
            {inForce === profile.version ? null : (
              <div className="notice bad" role="alert">
                <p>
                  <b>These rules have a newer version.</b> This walk began under version {profile.version} of{' '}
                  {profile.name}; version {inForce} is in force, and only under that can it be recorded. Your answers
                  stay.
                </p>
                <Button onClick={() => send(walkChanged({ id: walk.id, profileVersion: inForce }))}>
                  Judge it under version {inForce}
                </Button>
              </div>
            )}
            <Button size="lg" disabled={isLoading || inForce !== profile.version} onClick={() => void sign()}>
              {isLoading ? 'Recording …' : `Sign as ${me.name} and record`}
            </Button>
            {code === 'reason-needed' || walk.despite !== undefined ? (
              <Form.Group controlId="despite">
                <Form.Label>Why the rest of the rope is used all the same</Form.Label>
                <Form.Control
                  as="textarea"
                  rows={2}
                  maxLength={400}
                  value={walk.despite ?? ''}
                  onChange={(e) => send(walkChanged({ id: walk.id, despite: e.target.value }))}
                />
                <Form.Text>
                  Another knot in {walk.ropeTag} is to be taken out. The reason goes into the record.
                </Form.Text>
              </Form.Group>
            ) : null}
            {error ? (
              <p className="notice bad m-0" role="alert">
                {taken ? (
                  <>
                    This check was recorded already, with another text. <Link to={`/log/${walk.id}`}>Open it</Link> and
                    correct it there.
                  </>
                ) : (
                  refusalText(error)
                )}
              </p>
            ) : null}
          </>
        )}
        <p className="caution m-0">{CAUTION}</p>
      </aside>
    </div>
  );
}
