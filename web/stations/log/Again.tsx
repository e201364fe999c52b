/** Whether the look at a tied knot still stands; what happened to it since is noted here, and it is looked at again. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { strictestUse } from '../../../core/inspect/judging';
import { entryById } from '../../../core/knots/catalogue/lookup';
import { rulesOf, shippedProfile } from '../../../core/profiles';
import type { CheckBody } from '../../../core/records';
import { EVENT_WORDS, KNOT_EVENTS } from '../../../core/records/again';
import { refusalText, useKnotEventMutation, useRopesQuery, useTiedKnotQuery } from '../../store/api';
import { useSend } from '../../store';
import { companionsToBegin, freshWalk, walkBegun } from '../../store/walks';
import { newId } from '../../parts/newId';
import { Moved } from './Moved';

export function Again({
  body,
  version,
  unit,
}: {
  readonly body: CheckBody;
  readonly version: number;
  readonly unit: 'mm' | 'in' | 'fist';
}) {
  const knot = useTiedKnotQuery(body.tied_knot).data;
  const rope = useRopesQuery().data?.find((r) => r.id === body.rope);
  const [note, { error, isLoading }] = useKnotEventMutation();
  const [id, setId] = useState(newId);
  const send = useSend();
  const navigate = useNavigate();
  if (!knot || knot.ended_at)
    return knot?.ended_why ? <p className="quiet m-0">No longer in the rope: {knot.ended_why}.</p> : null;
  const again = () => {
    const profile = shippedProfile(`${body.profile}@${version}`);
    const use = knot.use ?? strictestUse(rulesOf(profile), entryById(knot.knot));
    const walk = newId();
    send(
      walkBegun({
        id: walk,
        tiedKnot: knot.id,
        knot: knot.knot,
        rope: knot.rope,
        ropeTag: rope?.tag ?? '',
        rope_diameter_mm: body.rope_diameter_mm,
        place: knot.place,
        tiedBy: knot.tied_by,
        tiedByOutside: knot.tied_by_words ?? undefined,
        notMe: true,
        tiedAt: knot.tied_at,
        profile: body.profile,
        profileVersion: version,
        stopper: false,
        use,
        companions: companionsToBegin(profile, entryById(knot.knot), use, rope?.kind ?? undefined),
        ropeKind: rope?.kind ?? undefined,
        hand: body.hand,
        ...freshWalk(unit),
      }),
    );
    void navigate(`/check/${walk}`);
  };
  return (
    <section
      className={`no-print ${knot.again.length > 0 ? 'notice bad' : 'sheet p-3'}`}
      aria-label="Does the look still stand?"
    >
      <h2>{knot.again.length > 0 ? 'To be looked at again' : 'The look still stands'}</h2>
      {knot.again.map((a) => (
        <p className="m-0 mt-1" key={a.why}>
          {a.text}.
        </p>
      ))}
      {knot.moved_to === null ? null : <p className="m-0 mt-1">Moved to {knot.moved_to}.</p>}
      <Button className="mt-2" onClick={again}>
        Look at it again
      </Button>
      <p className="small quiet mt-3 mb-1">Has anything happened to it since? Then it is unchecked.</p>
      <div className="d-flex flex-wrap gap-2">
        <Moved knot={knot.id} />
        {KNOT_EVENTS.filter((kind) => kind !== 'moved').map((kind) => (
          <Button
            key={kind}
            variant="outline-primary"
            disabled={isLoading}
            onClick={() =>
              void note({ of: knot.id, body: { id, kind } }).then((r) => {
                if (r.data) setId(newId());
              })
            }
          >
            {EVENT_WORDS[kind]}
          </Button>
        ))}
      </div>
      {error ? (
        <p className="invalid-feedback d-block" role="alert">
          {refusalText(error)}
        </p>
      ) : null}
    </section>
  );
}
