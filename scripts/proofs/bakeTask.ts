/** Bakes one form of a knot. */
import { bakeForm } from '../../core/knots/baking/baking';
import type { BakedForm } from '../../core/knots/shape/stored';
import { authored } from './shelf';

/** @throws where the knot has no such form, and what baking throws */
export async function bake(knot: string, form: string): Promise<BakedForm> {
  const found = (await authored(knot)).toBake.find((f) => f.name === form);
  if (!found) throw new Error(`${knot} has no form ${form}`);
  return bakeForm(found.make(), found.presentation, found.spread);
}
