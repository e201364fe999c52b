/** The knots of the catalogue as options of a select, family by family. */
import type { z } from 'zod';
import type { knotListReply } from '../../contract';
import { FAMILIES } from '../../core/knots/facts/types';

export function KnotOptions({ knots }: { readonly knots: z.output<typeof knotListReply> | undefined }) {
  return (
    <>
      {Object.entries(FAMILIES).map(([family, name]) => (
        <optgroup key={family} label={name}>
          {knots
            ?.filter((k) => k.family === family)
            .map((k) => (
              <option key={k.id} value={k.id}>
                {k.names[0]}
              </option>
            ))}
        </optgroup>
      ))}
    </>
  );
}
