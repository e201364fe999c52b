/** What is cheap to compute of every stored form, and so is computed in every run. */
import { knotById } from '../../core/knots/catalogue/catalogue';
import type { FormToBake } from '../../core/knots/shape/eye-variants';
import { identityOf, type FormIdentity } from '../../core/proving/formProof';
import { authored } from './shelf';
import { sha256 } from './sources';

/** Hash of a form as its author lays it, before anything is drawn up: to a millionth of a diameter. */
export const laidHash = ({ make, presentation }: FormToBake): string =>
  sha256(
    JSON.stringify([make(), presentation], (_, v: unknown) =>
      typeof v === 'number' ? Math.round(v * 1e6) / 1e6 + 0 : v,
    ),
  );

export interface CheapFigures extends FormIdentity {
  readonly laidHash: string;
}

/** Of each stored form of a knot that its author lays. */
export async function cheapFigures(knot: string): Promise<Record<string, CheapFigures>> {
  const { forms } = knotById(knot).baked;
  const { toBake } = await authored(knot);
  return Object.fromEntries(
    toBake.flatMap((made) => {
      const form = forms[made.name];
      return form ? [[made.name, { ...identityOf(form), laidHash: laidHash(made) }]] : [];
    }),
  );
}
