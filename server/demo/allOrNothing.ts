/** Writes many things as one: all of it stands, or nothing. */
import { asFault, type Connection, type Database } from '../database';

/**
 * @param work is given a database on which every transaction is a part of the one; one after the other, never two at once
 * @throws what `work` throws; then nothing of it was written
 */
export async function allOrNothing<T>(db: Database, work: (one: Database) => Promise<T>): Promise<T> {
  const connection = await db.getConnection();
  let depth = 0;
  const mark = () => `part_${depth}`;
  const part: Partial<Connection> = {
    beginTransaction: async () => {
      depth += 1;
      await connection.query(`SAVEPOINT ${mark()}`);
    },
    commit: async () => {
      await connection.query(`RELEASE SAVEPOINT ${mark()}`);
      depth -= 1;
    },
    rollback: async () => {
      await connection.query(`ROLLBACK TO SAVEPOINT ${mark()}`);
      depth -= 1;
    },
    release: () => {},
    destroy: () => {},
  };
  const own = new Proxy(connection, {
    get(target, key) {
      if (key in part) return part[key as keyof typeof part];
      const value: unknown = Reflect.get(target, key);
      return typeof value === 'function' ? (value.bind(target) as unknown) : value;
    },
  });
  const one = {
    query: (sql: string, values?: unknown) => connection.query(sql, values as unknown[]),
    getConnection: () => Promise.resolve(own),
  } as unknown as Database;
  try {
    await connection.beginTransaction();
    const result = await work(one);
    await connection.commit();
    connection.release();
    return result;
  } catch (error) {
    // a connection that is gone took its transaction with it
    connection.destroy();
    throw asFault(error);
  }
}
