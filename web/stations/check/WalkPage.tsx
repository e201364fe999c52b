import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import {
  pointsAsked,
  shortLookAllowed,
  type Judgement,
  type PointAnswer,
  type WalkPoint,
} from '../../../core/inspect/judging';
import { judgedBy, JUDGING_VERSION } from '../../../core/judgings';
import { entryById } from '../../../core/knots/catalogue/lookup';
import type { KnotEntry } from '../../../core/knots/facts/types';
import {
  COMMON_PRACTICE,
  companionsAsked,
  rulesOf,
  shippedProfile,
  type CompanionAsked,
  type Profile,
} from '../../../core/profiles';
import { usePeopleQuery, useProfilesQuery, useRopesQuery, useSessionQuery } from '../../store/api';
import { useApp, useSend } from '../../store';
import { isTierUnknown, pointAnswered, walkChanged, type Walk } from '../../store/walks';
import { Empty, Failed, Loading } from '../../parts/States';
import { POINT_WORDS } from '../../parts/words';
import { secondsSince } from './useOnScreen';
import { CompanionView } from './CompanionView';
import { FastLane } from './FastLane';
import { PointView } from './PointView';
import { Summary } from './Summary';
import { TailView } from './TailView';

const BAR = {
  meets: 'done',
  remark: 'done',
  'put-right': 'mend',
  'take-out-and-retie': 'no',
  'not-judged': 'open',
} as const;

/** Keeps since when what it shows has been on screen. */
function Timed({ children }: { readonly children: (seconds: (before: number | undefined) => number) => ReactNode }) {
  const [since] = useState(() => Date.now());
  return children((before) => secondsSince(since, before));
}

const profileOf = (walk: Walk): Profile => shippedProfile(`${walk.profile}@${walk.profileVersion}`);

/** What may be tied to the knot and need not be: that is asked by picture; nothing where it is known, or has to be there. */
function companionsOpen(walk: Walk, knot: KnotEntry, profile: Profile): readonly CompanionAsked[] {
  if (walk.second || walk.short || walk.use === undefined) return [];
  const all = companionsAsked(rulesOf(profile), knot, walk.use, walk.ropeKind);
  if (all.some((a) => a.how === 'required')) return [];
  return all.filter((a) => a.rule !== null || walk.use === 'tie-in');
}

/** A step of the walk: a point, or the question whether another knot is tied to it. */
type Step = Pick<WalkPoint, 'id'> | { readonly id: 'companion' };

function stepsOf(points: readonly WalkPoint[], asks: boolean): readonly Step[] {
  if (!asks) return points;
  const at = points.findIndex((p) => p.id === 'stopper' || p.id === 'tail' || p.id === 'set');
  return at < 0 ? [...points, { id: 'companion' }] : [...points.slice(0, at), { id: 'companion' }, ...points.slice(at)];
}

/** The walk: one point a screen; which one stands in the address, so that Back goes back a point. */
export function WalkPage() {
  const { walk: id = '' } = useParams();
  const navigate = useNavigate();
  const send = useSend();
  const [params] = useSearchParams();
  const walk = useApp((s) => s.walks.find((w) => w.id === id));
  const profiles = useProfilesQuery();
  const session = useSessionQuery().data!.person!;
  const people = usePeopleQuery().data;
  const ropes = useRopesQuery().data;
  if (!walk)
    return (
      <Empty title="This check is not on this device">
        <p className="m-0">It was recorded or thrown away, or begun on another device.</p>
        <Link className="btn btn-primary" to="/log">
          To the log
        </Link>
      </Empty>
    );
  if (profiles.error) return <Failed error={profiles.error} again={profiles.refetch} />;
  if (!profiles.data) return <Loading what="Getting the rules" />;
  // handed over, another one looks: with their own fist
  const me = people?.find((p) => p.id === walk.second?.signer) ?? session;
  const rule_fist_mm = walk.second?.rule_fist_mm ?? me.fist_mm;
  // a walk is judged to its end under the version that it began with, a second look under that of the check
  const profile = profileOf(walk);
  const inForce = profiles.data.find((p) => p.id === walk.profile)?.version ?? profile.version;
  const knot = entryById(walk.knot);
  // where the rules no longer allow a short look the whole is looked at
  const short = (walk.short && shortLookAllowed(rulesOf(profile), knot)) || undefined;
  const asked_by = { ...walk, short, judging: walk.judging ?? JUDGING_VERSION, rope_kind: walk.ropeKind };
  const points = pointsAsked(asked_by, { profile, entry: knot });
  const open = companionsOpen(walk, knot, profile);
  const steps = stepsOf(points, open.length > 0);
  const isDone = (step: Step) =>
    step.id === 'companion' ? walk.companions !== undefined : walk.answers.some((a) => a.point === step.id);
  const firstOpen = steps.findIndex((p) => !isDone(p));
  const asked = params.get('p');
  const at =
    asked === null
      ? firstOpen < 0
        ? steps.length
        : firstOpen
      : Math.min(steps.length, Math.max(0, Number.parseInt(asked, 10) || 0));
  const go = (to: number) => void navigate(`/check/${id}?p=${to}`);
  const back = () => (at === 0 ? void navigate('/check') : go(at - 1));
  const answer = (given: PointAnswer, seconds: (before: number | undefined) => number) => {
    // what the point took before goes along
    const a = { ...given, seconds: seconds(walk.answers.find((x) => x.point === given.point)?.seconds) };
    send(pointAnswered({ id, answer: a }));
    // coming back from the summary to one point leads back to it
    const rest = steps.findIndex((p, i) => i > at && !isDone(p));
    go(rest < 0 && !steps.some((p) => p.id !== a.point && !isDone(p)) ? steps.length : at + 1);
  };
  const judgement = judgedBy(
    asked_by.judging,
    { profile, entry: knot, practice: COMMON_PRACTICE },
    {
      knot: walk.knot,
      use: walk.use,
      companions: walk.companions,
      rope_kind: walk.ropeKind,
      rope_diameter_mm: walk.rope_diameter_mm,
      stopper: walk.stopper,
      fist_mm: rule_fist_mm,
      answers: walk.answers.filter((a) => points.some((p) => p.id === a.point)),
      secondSigned: walk.second !== undefined,
      rope_state: walk.second ? undefined : ropes?.find((r) => r.id === walk.rope)?.state,
      tied_by_unknown: isTierUnknown(walk) || undefined,
      short,
    },
  ) as Judgement;
  const step = steps[at];
  const point = points.find((p) => p.id === step?.id);
  if (params.get('lane') === 'fast' && asked === null)
    return (
      <>
        <p className="text-end m-0">
          <Link to={`/check/${id}?p=0`}>one point a screen</Link>
        </p>
        {open.length > 0 && walk.companions === undefined ? (
          <CompanionView
            walk={walk}
            knot={knot}
            profile={profile}
            asked={open}
            onTake={(companions) => send(walkChanged({ id, companions }))}
          />
        ) : null}
        <FastLane
          walk={walk}
          knot={knot}
          points={points}
          judgement={judgement}
          fist_mm={me.fist_mm}
          onAnswer={(a) => send(pointAnswered({ id, answer: a }))}
          onChange={(c) => send(walkChanged({ id, ...c }))}
          onDone={() => go(steps.length)}
        />
      </>
    );
  return (
    <>
      {step ? (
        <p className="text-end m-0">
          <Link to={`/check/${id}?lane=fast`}>all points on one screen</Link>
        </p>
      ) : null}
      <ol className="steps" aria-label="Points of the walk">
        {steps.map((p, i) => {
          const judged = judgement.points.find((j) => j.point === p.id);
          const state = !isDone(p) ? '' : judged ? BAR[judged.state] : 'done';
          return (
            <li key={p.id} className={i === at ? 'now' : state}>
              <button
                type="button"
                onClick={() => go(i)}
                aria-current={i === at ? 'step' : undefined}
                aria-label={`${POINT_WORDS[p.id]}${state ? ', answered' : ', open'}`}
              >
                <i />
              </button>
            </li>
          );
        })}
        <li className={at === steps.length ? 'now' : ''}>
          <button
            type="button"
            onClick={() => go(steps.length)}
            aria-current={at === steps.length ? 'step' : undefined}
            aria-label="Verdict"
          >
            <i />
          </button>
        </li>
      </ol>
      {step?.id === 'companion' ? (
        <CompanionView
          walk={walk}
          knot={knot}
          profile={profile}
          asked={open}
          onTake={(companions) => {
            send(walkChanged({ id, companions }));
            go(at + 1);
          }}
          onBack={back}
        />
      ) : !point ? (
        <Summary
          walk={walk}
          profile={profile}
          inForce={inForce}
          judgement={judgement}
          fist_mm={rule_fist_mm}
          onOpen={(p) => go(steps.findIndex((x) => x.id === p))}
        />
      ) : (
        <Timed key={point.id}>
          {(seconds) =>
            point.id === 'tail' ? (
              <TailView
                walk={walk}
                knot={knot}
                profile={profile}
                fist_mm={me.fist_mm}
                rule_fist_mm={rule_fist_mm}
                calibrated={me.calibrated}
                onChange={(c) => send(walkChanged({ id, ...c }))}
                onBack={back}
                onMeasured={(a) => answer({ point: 'tail', ...a }, seconds)}
                onCannotSee={() => answer({ point: 'tail', found: 'cannot-see' }, seconds)}
              />
            ) : (
              <PointView
                walk={walk}
                knot={knot}
                point={point}
                next={points.slice(points.indexOf(point) + 1).find((p) => p.id !== 'tail')}
                onAnswer={(found, touched) =>
                  answer(
                    { point: point.id, found: found as PointAnswer['found'], ...(touched && { touched }) },
                    seconds,
                  )
                }
                onBack={back}
              />
            )
          }
        </Timed>
      )}
    </>
  );
}
