import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { checkPointsFor, judge, type PointAnswer } from '../../../core/inspect/judging';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { shippedProfile, type Profile } from '../../../core/profiles';
import { usePeopleQuery, useProfilesQuery, useRopesQuery, useSessionQuery } from '../../store/api';
import { useApp, useSend } from '../../store';
import { pointAnswered, walkChanged, type Walk } from '../../store/walks';
import { Empty, Failed, Loading } from '../../parts/States';
import { POINT_WORDS } from '../../parts/words';
import { secondsSince } from './useOnScreen';
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

const rulesOf = (walk: Walk): Profile => shippedProfile(`${walk.profile}@${walk.profileVersion}`);

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
  const profile = rulesOf(walk);
  const inForce = profiles.data.find((p) => p.id === walk.profile)?.version ?? profile.version;
  const knot = entryById(walk.knot);
  const points = checkPointsFor(knot, profile, walk.stopper);
  const firstOpen = points.findIndex((p) => !walk.answers.some((a) => a.point === p.id));
  const asked = params.get('p');
  const at =
    asked === null
      ? firstOpen < 0
        ? points.length
        : firstOpen
      : Math.min(points.length, Math.max(0, Number.parseInt(asked, 10) || 0));
  const go = (to: number) => void navigate(`/check/${id}?p=${to}`);
  const back = () => (at === 0 ? void navigate('/check') : go(at - 1));
  const answer = (given: PointAnswer, seconds: (before: number | undefined) => number) => {
    // what the point took before goes along
    const a = { ...given, seconds: seconds(walk.answers.find((x) => x.point === given.point)?.seconds) };
    send(pointAnswered({ id, answer: a }));
    // coming back from the summary to one point leads back to it
    const rest = points.findIndex((p, i) => i > at && !walk.answers.some((x) => x.point === p.id));
    go(
      rest < 0
        ? points.some((p) => p.id !== a.point && !walk.answers.some((x) => x.point === p.id))
          ? at + 1
          : points.length
        : at + 1,
    );
  };
  const judgement = judge(profile, {
    knot: walk.knot,
    rope_diameter_mm: walk.rope_diameter_mm,
    stopper: walk.stopper,
    fist_mm: rule_fist_mm,
    answers: walk.answers,
    secondSigned: walk.second !== undefined,
    rope_state: walk.second ? undefined : ropes?.find((r) => r.id === walk.rope)?.state,
  });
  const point = points[at];
  if (params.get('lane') === 'fast' && asked === null)
    return (
      <>
        <p className="text-end m-0">
          <Link to={`/check/${id}?p=0`}>one point a screen</Link>
        </p>
        <FastLane
          walk={walk}
          knot={knot}
          points={points}
          judgement={judgement}
          fist_mm={me.fist_mm}
          onAnswer={(a) => send(pointAnswered({ id, answer: a }))}
          onChange={(c) => send(walkChanged({ id, ...c }))}
          onDone={() => go(points.length)}
        />
      </>
    );
  return (
    <>
      {point ? (
        <p className="text-end m-0">
          <Link to={`/check/${id}?lane=fast`}>all points on one screen</Link>
        </p>
      ) : null}
      <ol className="steps" aria-label="Points of the walk">
        {points.map((p, i) => {
          const state = walk.answers.some((a) => a.point === p.id)
            ? BAR[judgement.points.find((j) => j.point === p.id)!.state]
            : '';
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
        <li className={at === points.length ? 'now' : ''}>
          <button
            type="button"
            onClick={() => go(points.length)}
            aria-current={at === points.length ? 'step' : undefined}
            aria-label="Verdict"
          >
            <i />
          </button>
        </li>
      </ol>
      {!point ? (
        <Summary
          walk={walk}
          profile={profile}
          inForce={inForce}
          judgement={judgement}
          fist_mm={rule_fist_mm}
          onOpen={(p) => go(points.findIndex((x) => x.id === p))}
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
                next={points.slice(at + 1).find((p) => p.id !== 'tail')}
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
