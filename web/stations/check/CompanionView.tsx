/** Whether another knot is tied to it, where that is left open: the knot without beside the knot with it. */
import { Button } from 'react-bootstrap';
import { companionPoint } from '../../../core/inspect/judging';
import type { KnotEntry } from '../../../core/knots/facts/types';
import type { Companion } from '../../../core/knots/facts/uses';
import { rulesOf, type CompanionAsked, type Profile } from '../../../core/profiles';
import { useKeys } from '../../parts/keys';
import { PairedPicture } from '../../parts/PairedPicture';
import { COMPANION_WORDS, ruleSaid } from '../../parts/words';
import type { Walk } from '../../store/walks';

export function CompanionView({
  walk,
  knot,
  profile,
  asked,
  onTake,
  onBack,
}: {
  readonly walk: Walk;
  readonly knot: KnotEntry;
  readonly profile: Profile;
  /** what may be tied to it, by which rule */
  readonly asked: readonly CompanionAsked[];
  readonly onTake: (companions: readonly Companion[]) => void;
  /** left out among other points on one screen */
  readonly onBack?: () => void;
}) {
  const may = [...new Set(asked.flatMap((a) => a.companions))];
  const choices = [
    { companion: null, label: 'none there', picture: { form: 'right', face: 'front', state: 'tight' } as const },
    ...may.map((companion) => ({
      companion,
      label: COMPANION_WORDS[companion],
      picture: companionPoint(rulesOf(profile), knot.id, companion)?.right.picture ?? null,
    })),
  ].map((c, i) => ({ ...c, key: String.fromCharCode(97 + i) }));
  const taken = walk.companions === undefined ? undefined : (walk.companions[0] ?? null);
  const take = (companion: Companion | null) => onTake(companion === null ? [] : [companion]);
  // among other points keys would answer those
  useKeys(
    onBack ? { ...Object.fromEntries(choices.map((c) => [c.key, () => take(c.companion)])), ArrowLeft: onBack } : {},
  );
  const Heading = onBack ? 'h1' : 'h2';
  const rule = asked.find((a) => a.rule !== null)?.rule;
  return (
    <>
      <Heading>Is there a knot tied behind it?</Heading>
      <p className="quiet mt-1 mb-3 fs-5">
        {rule ? (
          <>
            {rule.text[0]!.toUpperCase() + rule.text.slice(1)} <span className="rule-id">{ruleSaid(rule)}</span>
          </>
        ) : (
          'It may be tied; where it is, it is looked at.'
        )}
      </p>
      <div className={`pair${choices.length > 2 ? ' three' : ''}`}>
        {choices.map((c) => (
          <button
            key={c.key}
            type="button"
            className={`choice${c.picture ? '' : ' words'}`}
            aria-pressed={taken === c.companion}
            onClick={() => take(c.companion)}
          >
            <span className="cap d-flex justify-content-between gap-2 align-items-center">
              <span>{c.label}</span>
              <kbd className="hide-narrow">{c.key}</kbd>
            </span>
            <span className="pic">
              {c.picture ? (
                <PairedPicture
                  knot={walk.knot}
                  of={c.picture}
                  turnedOver={false}
                  hand={walk.hand}
                  partner={null}
                  alt={`${knot.names[0]}: ${c.label}`}
                />
              ) : (
                c.label
              )}
            </span>
          </button>
        ))}
      </div>
      {onBack ? (
        <div className="answers">
          <Button variant="outline-primary" className="back" onClick={onBack}>
            Back <kbd>←</kbd>
          </Button>
        </div>
      ) : null}
    </>
  );
}
