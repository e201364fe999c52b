/** What the entries of a chain say of its rows: the last word on each column. */
import type { BaselineBody, RowsBody, RowValue } from '../../core/records';
import { COVERED, heldHash, isSealed, SEALED, type CoveredTable } from './covered';

interface OfRow {
  /** as an entry says it stands */
  row: Readonly<Record<string, RowValue>> | null;
  /** columns that a baseline holds beside it, with their hash */
  readonly based: { readonly columns: readonly string[]; readonly hash: string }[];
}

/** Of entries as they stood before rows were entries a baseline holds what they have beside their bytes. */
export type Held = CoveredTable | 'entries';
const isHeld = (table: string): table is Held => table in COVERED || table === 'entries';

export class Claims {
  private readonly of = new Map<Held, Map<string, OfRow>>();
  /** rows that a baseline holds, and no later entry */
  based = 0;

  private found(table: string, key: string): OfRow | null {
    if (!isHeld(table)) return null;
    const rows = this.of.get(table) ?? new Map<string, OfRow>();
    this.of.set(table, rows);
    const there = rows.get(key) ?? { row: null, based: [] };
    rows.set(key, there);
    return there;
  }
  /** @returns what is wrong with the entry itself, in words; null where nothing is */
  takeRows({ rows }: RowsBody): string | null {
    for (const { table, key, values, sealed } of rows) {
      const own = this.found(table, key);
      if (!own) return `it holds a row of ${table}, which is no table of the record`;
      own.row = sealed === undefined ? values : { ...values, [SEALED]: sealed };
      // an entry says all of a row: what a baseline held of it is past
      own.based.length = 0;
    }
    return null;
  }
  takeBaseline({ tables }: BaselineBody): string | null {
    for (const [table, { columns, rows }] of Object.entries(tables))
      for (const [key, hash] of Object.entries(rows)) {
        const own = this.found(table, key);
        if (!own) return `it holds rows of ${table}, which is no table of the record`;
        own.based.push({ columns, hash });
      }
    return null;
  }
  /** Columns of a row that no entry says anything of. */
  unheld(table: Held, key: string, columns: readonly string[]): string[] {
    const own = this.of.get(table)?.get(key);
    if (!own) return [...columns];
    return columns.filter((c) => !(own.row && c in own.row) && !own.based.some((b) => b.columns.includes(c)));
  }
  /** What does not fit of a row as it is; it counts as looked at. */
  compare(table: Held, key: string, held: Readonly<Record<string, RowValue>>): string[] {
    const rows = this.of.get(table);
    const own = rows?.get(key);
    if (!own) return [`the row ${key} of ${table} stands in no entry`];
    rows!.delete(key);
    const wrong: string[] = [];
    const columns = Object.keys(held);
    for (const [column, value] of Object.entries(own.row ?? {}))
      if (held[column] !== value)
        wrong.push(
          column === SEALED && isSealed(table as CoveredTable)
            ? `the names in the row ${key} of ${table} were altered${held[SEALED] === null ? ' or erased' : ''}`
            : `the column ${column} of the row ${key} of ${table} was altered`,
        );
    for (const { columns: own_columns, hash } of own.based)
      if (heldHash(held, own_columns) !== hash) wrong.push(`the row ${key} of ${table} was altered since its baseline`);
    for (const c of columns.filter((x) => !(own.row && x in own.row) && !own.based.some((b) => b.columns.includes(x))))
      wrong.push(`the column ${c} of the row ${key} of ${table} stands in no entry`);
    if (!own.row) this.based++;
    return wrong;
  }
  /** Rows that entries speak of and that were not looked at: they are not there. */
  missing(): string[] {
    return [...this.of].flatMap(([table, rows]) =>
      [...rows.keys()].map((key) => `the row ${key} of ${table} was removed`),
    );
  }
}
