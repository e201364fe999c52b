/** How much rope a knot takes, row by row: each part with its spread, rounded up, and where to start, in own measures too. */
import type { z } from 'zod';
import type { Person, ropeNeededReply } from '../../contract';
import type { Profile } from '../../core/profiles/types';
import { inOwnMeasures, rangeText, upTo, type OwnMeasures } from '../../core/units';

/** Rounded up to what a tape measure shows, mm. */
export const upTo10 = (mm: number): number => upTo(10, mm);

/** What a person has measured of their own; a fist that was never calibrated is no measure. */
export const ownMeasuresOf = (p: Person | null | undefined): OwnMeasures => ({
  arm: p?.arm_mm ?? null,
  hand: p?.hand_mm ?? null,
  foot: p?.foot_mm ?? null,
  fist: p?.calibrated ? p.fist_mm : null,
});

/** A length in the reader's own measures, where there are any. */
export function InOwnMeasures({ mm, person }: { readonly mm: number; readonly person: Person | null | undefined }) {
  const said = inOwnMeasures(mm, ownMeasuresOf(person));
  return said ? <p className="small quiet m-0">By your own measures: {said.text}.</p> : null;
}

interface Props {
  readonly needed: z.output<typeof ropeNeededReply>;
  readonly person: Person | null | undefined;
  readonly profile: Profile | undefined;
}

export function RopeRows({ needed, person, profile }: Props) {
  const unit = person?.length_unit === 'in' ? 'in' : 'mm';
  const text = (low: number, high: number) => rangeText(upTo10(low), upTo10(high), unit);
  const row = (label: string, low: number, high: number, cls = '') => (
    <div className={`measure ${cls}`}>
      <span>{label}</span>
      <b>{text(low, high)}</b>
    </div>
  );
  const inHand =
    needed.in_hand_mm === null
      ? null
      : row(`in hand before tying, ${profile?.name ?? 'the rules'}`, needed.in_hand_mm, needed.in_hand_mm);
  // both are told, the larger first
  const inHandFirst = needed.in_hand_mm !== null && needed.in_hand_mm >= needed.start_at_mm;
  return (
    <>
      {row('in the knot', needed.in_knot_mm_low, needed.in_knot_mm_high)}
      {needed.eye_mm > 0 ? row('in the eye', needed.eye_mm_low, needed.eye_mm_high) : null}
      {needed.tail_mm > 0 ? row('tail', needed.tail_mm_low, needed.tail_mm_high) : null}
      {needed.stopper_mm > 0 ? row('stopper', needed.stopper_mm_low, needed.stopper_mm_high) : null}
      {row('together', needed.total_mm_low, needed.total_mm_high, 'sum')}
      {needed.tail_mm === 0 ? null : (
        <>
          {inHandFirst ? inHand : null}
          {row('end to first turn, once set', needed.start_at_mm_low, needed.start_at_mm_high)}
          {inHandFirst ? null : inHand}
          <InOwnMeasures mm={Math.max(needed.start_at_mm_high, needed.in_hand_mm ?? 0)} person={person} />
        </>
      )}
    </>
  );
}
