/** The answer in words. It speaks of what was entered, never of a knot in somebody's hands. */
import { knotById } from '../../knots/catalogue/catalogue';
import type { Name } from './forms';
import type { Identified } from './identify';

const NEEDS: Readonly<Record<Identified['needs'][number], string>> = {
  'eye-mark': 'where the eye is',
  'loaded-ends': 'which ends are loaded',
  object: 'what it is tied to',
  gate: 'where the gate of the karabiner is',
  'other-end-of-the-gripped-rope': 'which end of the gripped rope goes up to its anchor',
};

function called({ knot, fault }: Name): string {
  const { entry } = knotById(knot);
  const own = entry.faults.find((f) => f.id === fault);
  return own ? `${entry.names[0]} with a fault: ${own.name}` : `the ${entry.names[0]}`;
}

export function inWords({ matches, undecided, needs }: Identified): string {
  const asked = needs.length > 0 ? ` To decide it is needed: ${needs.map((n) => NEEDS[n]).join('; ')}.` : '';
  if (matches.length === 0) {
    const between = undecided.flatMap((u) => u.between);
    if (between.length > 0)
      return `What you entered is not decided. It could be: ${between.slice(0, 6).map(called).join('; or ')}. ${undecided.map((u) => `What decides: ${u.by}.`).join(' ')}${asked} Until it is decided it is unknown: take out and retie.`;
    return `What you entered is unknown: take out and retie.${asked}`;
  }
  const mirrored = matches.every((m) => m.relation === 'mirror') ? ', tied with the other hand' : '';
  return `What you entered is ${matches.map(called).join('; the same form is ')}${mirrored}.${undecided.map((u) => ` Not told by the rope: ${u.by}.`).join('')}${asked}`;
}
