/** What the figures of a name must come to. */
import type { NameFigures } from './nameProof';

/** What is not as it must be: another name, or none in any state. Now and then noise hides a form in one state: that is no fault. */
export function nameFaults({ asked, named, leftOpen, otherwise }: NameFigures): string[] {
  return [
    ...otherwise.map((o) => `named as another: ${o}`),
    ...(named > 0 ? [] : [`named in none of ${asked} states, left open in ${leftOpen}`]),
  ];
}
