/** What a writer of rows that the record holds is given. Apart from what gives it, so that tables need not know that. */
import type { Connection } from '../database';
import type { CoveredTable } from './covered';

/** A transaction that holds its organisation's chain. Who writes a row that the record holds, is given one. */
export interface Keeping {
  readonly c: Connection;
  readonly organisation: string;
  readonly now: Date;
  /** says that a row was made or changed; how it stands is read when the work is done */
  readonly changed: (table: CoveredTable, key: string) => void;
  /** whether it was seen already that nothing has this id */
  readonly isFree: (id: string) => boolean;
  /** says the same as `changed` of one that was made under an id from a device. @throws id-taken */
  readonly made: (table: CoveredTable, id: string) => Promise<void>;
}
