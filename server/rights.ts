/** Refuses to run with an account that could change or remove entries of the record. */
import { rows, type Database } from './database';

const FORBIDDEN = /\b(ALL PRIVILEGES|UPDATE|DELETE|DROP|ALTER|CREATE|TRIGGER|SUPER|GRANT OPTION)\b/;

/**
 * @param grants lines of SHOW GRANTS
 * @returns the first grant that reaches the table `entries` of `database` with more than reading and adding, or null
 */
export function excessiveGrant(grants: readonly string[], database: string): string | null {
  for (const grant of grants) {
    const match = /^GRANT (.+?) ON (?:TABLE )?(\S+) TO /i.exec(grant);
    if (!match) continue;
    const target = match[2]!.replaceAll('`', '');
    const [schema, table] = target.split('.');
    // a schema name in a grant may hold wildcards
    const pattern = new RegExp(
      `^${(schema ?? '')
        .replace(/[.+?^${}()|[\]]/g, '\\$&')
        .replaceAll('\\_', '_')
        .replaceAll('%', '.*')
        .replaceAll('*', '.*')}$`,
      'i',
    );
    const reaches = (schema === '*' || pattern.test(database)) && (table === '*' || table === 'entries');
    if (reaches && (FORBIDDEN.test(match[1]!) || / WITH GRANT OPTION/.test(grant)))
      return grant.replace(/ IDENTIFIED .*/, '');
  }
  return null;
}

export async function grantsOf(db: Database): Promise<{ grants: string[]; database: string }> {
  const found = await rows<Record<string, string>>(db, 'SHOW GRANTS');
  const [d] = await rows<{ name: string }>(db, 'SELECT DATABASE() AS name');
  return { grants: found.map((r) => Object.values(r)[0]!), database: d!.name };
}
