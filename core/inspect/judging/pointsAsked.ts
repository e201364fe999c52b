/** The points that a recorded check asks: those of the judging that it names. */
import { rulesOf, type Profile } from '../../profiles';
import { walkFor, type WalkEntry, type WalkPoint, type WalkQuestion } from './walk';

/** @param check of whatever version of judging; 1 where it names none */
export function pointsAsked(
  check: { readonly judging?: number; readonly stopper: boolean } & WalkQuestion,
  { profile, entry }: { readonly profile: Profile; readonly entry: WalkEntry },
): readonly WalkPoint[] {
  if ((check.judging ?? 1) > 1) return walkFor(rulesOf(profile), entry, check).points;
  // version 1: the stopper is a point where it is tied, or required
  const asked =
    profile.tieIn.find((k) => k.knot === entry.id)?.says === 'only-with-stopper' ||
    (profile.stopperBehindTieIn.asked === 'required' && profile.stopperBehindTieIn.knots.includes(entry.id));
  return entry.check_points
    .filter((p) => p.id !== 'stopper' || check.stopper || asked)
    .map((p) => ({ ...p, rule: null }));
}
