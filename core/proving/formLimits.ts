/** What the figures of a stored form must come to. Apart from where they are computed: a limit can be changed without proving anything anew. */
import { sameFigures } from '../knots/baking/figures';
import type { Allowed } from '../knots/shape/allowed';
import { READABLE_ROPE_DIAMETERS } from '../knots/shape/laidView';
import type { BakedForm } from '../knots/shape/stored';
import type { FormFigures } from './formProof';

const LEAST = {
  laid: 1.2,
  ever: 0.92,
  set: 0.97,
  dressed: 1,
  narrow: 0.65,
  straight: 0.96,
  bent: 0.7,
  clear: -0.01,
  clearNarrow: -0.08,
};
/** Points are stored to 1e-4. */
const SAME = 1e-6;

/** What of a form's figures is not as it must be; empty where all of it holds. */
export function formFaults(figures: FormFigures, form: BakedForm, allowed: Allowed = {}): string[] {
  const { invariants: told, presented } = figures;
  const faults: string[] = [];
  const least = (what: string, is: number | null, wanted: number) => {
    // written so that what is no number is a fault
    if (is !== null && !(is >= wanted)) faults.push(`${what}: ${is}, at least ${wanted} wanted`);
  };
  const laidLeast = allowed.narrow ? LEAST.narrow : LEAST.laid;
  least('strands as laid apart', figures.laidApart, laidLeast);
  if (figures.crossingsApart !== null)
    least('crossings as laid apart', figures.crossingsApart, allowed.narrow ? 0 : READABLE_ROPE_DIAMETERS);
  else if (form.objects.length === 0 && !form.laid.tape) faults.push('its crossings cannot be read as laid');
  least('rope from what it is tied to', figures.clearOfThings, allowed.narrow ? LEAST.clearNarrow : LEAST.clear);
  least('ends lead straight out', figures.endsStraight, allowed.bentEnds ? LEAST.bent : LEAST.straight);
  least('strands apart on the way', figures.everApart, allowed.closeOnTheWay ? LEAST.narrow : LEAST.ever);
  least('strands apart, dressed', figures.dressedApart, LEAST.dressed);
  least('strands apart, set', figures.setApart, LEAST.set);
  if (!(presented.asked > 0 && presented.same === presented.asked))
    faults.push(
      `turned, scaled, shaken or resampled it has other figures: ${presented.same} of ${presented.asked} the same`,
    );
  const held = allowed.fallsApart ? 1 : undefined;
  const compared = held ?? (allowed.endsPart ? (form.laid.second ? 2 : 1) : undefined);
  if (!sameFigures(told.dressed.slice(0, held), told.tight.slice(0, held)))
    faults.push('dressed and set it is not one knot');
  if (!sameFigures(told.laid.slice(0, compared), told.tight.slice(0, compared)))
    faults.push('laid and set it is not one knot');
  if (!(figures.bakedAgainOff <= SAME)) faults.push(`baked again it lies ${figures.bakedAgainOff} off what is stored`);
  if (!figures.measuresAgain) faults.push('baked again it has other measures');
  return faults;
}
