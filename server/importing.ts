/** Reading a CSV of ropes or people: what is in it, what is wrong in which row and column; all of it goes in, or nothing. */
import { randomBytes } from 'node:crypto';
import Papa from 'papaparse';
import { z } from 'zod';
import { handle, newRopeBody, password, ROLES, type importBody, type importReply, type Role } from '../contract';
import { day, diameter_mm, fist_mm, line } from '../contract/common';
import { ROPE_KINDS } from '../core/choose';
import { fault, IdiomError } from '../core/errors';
import { LENGTH_UNITS } from '../core/units';
import { contentHash } from './canonical';
import type { Context } from './context';
import { derivedId } from './derivedId';
import { isDuplicate, rows as queried, run, type Connection } from './database';
import { hashPassword } from './plugins/session';
import { keepingFor } from './record/keeping';
import { changePerson, handlesTaken, insertPerson, personById } from './tables/people';
import { noteCredential } from './tables/credentials';
import { heldAs, insertRope, tagsHeld } from './tables/ropes';
import { isAfterToday } from './recording/entry';
import type { SessionPerson } from './tables/sessions';

type Body = z.output<typeof importBody>;
type Reply = z.output<typeof importReply>;
type Row = Reply['rows'][number];

export const IMPORT_COLUMNS = {
  ropes: ['tag', 'thing', 'kind', 'diameter_mm', 'length_m', 'in_service_since', 'note'],
  people: ['name', 'handle', 'roles', 'hand', 'length_unit', 'fist_mm', 'first_password'],
} as const;
const NEEDED = { ropes: ['tag'], people: ['name', 'handle', 'roles'] } as const;
const MOST_ROWS = { ropes: 2000, people: 200 } as const;

/** A decimal comma is a comma of numbers, where no thousands are written. */
const number = z.string().transform((v, c) => {
  const n = Number(v.trim().replace(',', '.'));
  if (v.trim() === '' || !Number.isFinite(n)) {
    c.addIssue({ code: 'custom', message: 'is no number' });
    return z.NEVER;
  }
  return n;
});
const oneOf = <T extends string>(values: readonly T[]) =>
  z
    .string()
    .transform((v) => v.trim().toLowerCase())
    .pipe(z.enum(values as [T, ...T[]], { error: `is none of: ${values.join(', ')}` }));

const cellOf = (schema: z.ZodType, text: string): { value?: unknown; message?: string } => {
  const r = schema.safeParse(text);
  return r.success ? { value: r.data } : { message: r.error.issues[0]!.message };
};

const ROPE_CELLS: Record<(typeof IMPORT_COLUMNS)['ropes'][number], z.ZodType> = {
  tag: line(40),
  thing: oneOf(['rope', 'cord', 'sling', 'karabiner']),
  kind: oneOf(ROPE_KINDS),
  diameter_mm: number.pipe(diameter_mm),
  length_m: number.pipe(z.number().min(0.1).max(2000)),
  in_service_since: day,
  note: z.string().max(2000),
};
const PERSON_CELLS: Record<(typeof IMPORT_COLUMNS)['people'][number], z.ZodType> = {
  name: line(120),
  handle: z
    .string()
    .transform((v) => v.trim().toLowerCase())
    .pipe(handle),
  roles: z
    .string()
    .transform((v) =>
      v
        .toLowerCase()
        .split(/[\s;,/]+/)
        .filter(Boolean),
    )
    .pipe(z.array(z.enum(ROLES, { error: `roles are: ${ROLES.join(', ')}` })).min(1, 'at least one role')),
  hand: oneOf(['right', 'left']),
  length_unit: oneOf(LENGTH_UNITS),
  fist_mm: number.pipe(fist_mm),
  first_password: password,
};

const firstPassword = (): string => randomBytes(9).toString('base64url');
/** An id for a row that is the same however often the same file is sent under the same id. */
const rowId = (file: string, row: number): string => derivedId(`${file} ${row}`);

interface Read {
  readonly columns: string[];
  readonly rows: Row[];
  readonly values: Record<string, unknown>[];
}

/** @throws bad-input where the file itself cannot be read */
function readFile(what: Body['what'], csv: string): Read {
  const parsed = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase().replaceAll(' ', '_'),
  });
  const columns = parsed.meta.fields ?? [];
  const wrong = (message: string) => new IdiomError('bad-input', {}, [{ path: 'csv', message }]);
  const known: readonly string[] = IMPORT_COLUMNS[what];
  const missing = NEEDED[what].filter((c) => !columns.includes(c));
  if (missing.length > 0)
    throw wrong(`the first row has no column ${missing.join(', ')}; known are ${known.join(', ')}`);
  if (parsed.data.length === 0) throw wrong('has no rows below its heading');
  if (parsed.data.length > MOST_ROWS[what])
    throw wrong(`has ${parsed.data.length} rows; at most ${MOST_ROWS[what]} are read at once`);
  const cells = (what === 'ropes' ? ROPE_CELLS : PERSON_CELLS) as Readonly<Record<string, z.ZodType>>;
  const values: Record<string, unknown>[] = [];
  const rows = parsed.data.map((given, i): Row => {
    const errors: Row['errors'][number][] = parsed.errors
      .filter((e) => e.row === i)
      .map((e) => ({
        column: '',
        message:
          e.code === 'TooManyFields'
            ? 'has more cells than the heading'
            : e.code === 'TooFewFields'
              ? 'has fewer cells than the heading'
              : e.message,
      }));
    const value: Record<string, unknown> = {};
    for (const column of columns) {
      // our own lists have more columns than are read in: those are left aside
      const schema = cells[column];
      const text = (given[column] ?? '').trim().replace(/^'(?=[=+\-@＝＋－＠])/, '');
      if (!schema || (text === '' && !(NEEDED[what] as readonly string[]).includes(column))) continue;
      const { value: v, message } = cellOf(schema, text);
      if (message !== undefined) errors.push({ column, message: text === '' ? 'is empty' : message });
      else value[column] = v;
    }
    values.push(value);
    return {
      row: i + 2,
      values: Object.fromEntries(
        columns.filter((c) => c in cells && c !== 'first_password').map((c) => [c, given[c] ?? '']),
      ),
      errors,
    };
  });
  return { columns: columns.filter((c) => c in cells), rows, values };
}

/** Rows that name the same thing twice, or one that is there already. */
async function alreadyThere(c: Connection, organisation: string, what: Body['what'], read: Read): Promise<void> {
  const key = what === 'ropes' ? 'tag' : 'handle';
  const texts = read.values.map((v) => (typeof v[key] === 'string' ? v[key] : null));
  // ropes are told apart as the database does it, names to sign in letter by letter
  const named = what === 'ropes' ? await heldAs(c, texts) : texts;
  const there = new Set(
    what === 'ropes'
      ? await tagsHeld(c, organisation)
      : await handlesTaken(
          c,
          named.filter((n) => n !== null),
        ),
  );
  const rows = read.rows as (Row & { errors: { column: string; message: string }[] })[];
  rows.forEach((row, i) => {
    const own = named[i];
    if (own === null || own === undefined) return;
    const before = named.indexOf(own);
    if (before < i) row.errors.push({ column: key, message: `stands in row ${before + 2} already` });
    else if (there.has(own)) row.errors.push({ column: key, message: 'is taken' });
  });
}

const ropeOf = (id: string, v: Record<string, unknown>) =>
  newRopeBody.safeParse({
    id,
    tag: v['tag'],
    thing: v['thing'] ?? 'rope',
    kind: v['kind'] ?? null,
    diameter_mm: v['diameter_mm'] ?? null,
    length_m: v['length_m'] ?? null,
    in_service_since: v['in_service_since'] ?? null,
    note: v['note'] ?? '',
  });

/**
 * @returns what is in the file with what is wrong; `read_in` only where nothing is wrong and it was asked for
 * @throws bad-input, id-taken
 */
export async function readIn(context: Context, who: SessionPerson, body: Body): Promise<Reply> {
  const request = contentHash({ what: body.what, csv: body.csv, by: who.id });
  const read = readFile(body.what, body.csv);
  if (body.what === 'ropes')
    read.values.forEach((v, i) => {
      const row = read.rows[i]!;
      if (row.errors.length > 0) return;
      const r = ropeOf(rowId(body.id, i), v);
      if (!r.success)
        row.errors.push(...r.error.issues.map((x) => ({ column: String(x.path[0] ?? ''), message: x.message })));
      else if (isAfterToday(r.data.in_service_since, context.now()))
        row.errors.push({ column: 'in_service_since', message: 'lies in the future' });
    });
  const passwords =
    body.what === 'people' ? read.values.map((v) => (v['first_password'] as string | undefined) ?? null) : [];
  const told: { handle: string; password: string }[] = [];
  const answer = (read_in: boolean): Reply => ({
    columns: read.columns,
    rows: read.rows,
    errors: read.rows.reduce((n, r) => n + r.errors.length, 0),
    read_in,
    first_passwords: read_in ? told : [],
  });
  const hashes = new Map<number, string>();
  return keepingFor(context, who, async (k) => {
    const { c } = k;
    const [there] = await queried<{ organisation: string; request_sha256: string }>(
      c,
      'SELECT organisation, request_sha256 FROM imports WHERE id = ?',
      [body.id],
    );
    if (there) {
      if (there.organisation !== who.organisation || there.request_sha256 !== request) throw fault('id-taken');
      // the answer with the first passwords may have been lost: who has not come in with theirs is given another
      for (const [i, v] of read.values.entries()) {
        const person =
          body.what === 'people' && !passwords[i] ? await personById(c, who.organisation, rowId(body.id, i)) : null;
        if (!person?.must_change) continue;
        const given = firstPassword();
        told.push({ handle: String(v['handle']), password: given });
        await changePerson(k, person.id, { password_hash: await hashPassword(given) });
        await noteCredential(k, person.id, 'password', who.id);
      }
      return answer(true);
    }
    await alreadyThere(c, who.organisation, body.what, read);
    if (!body.commit || read.rows.some((r) => r.errors.length > 0)) return answer(false);
    // a conflict makes this run anew
    told.length = 0;
    try {
      await k.made('imports', body.id);
      await run(
        c,
        'INSERT INTO imports (id, organisation, what, rows_read, read_by, read_at, request_sha256) VALUES (?)',
        [[body.id, who.organisation, body.what, read.rows.length, who.id, k.now, request]],
      );
      for (const [i, v] of read.values.entries()) {
        const id = rowId(body.id, i);
        if (body.what === 'ropes') await insertRope(k, ropeOf(id, v).data!);
        else {
          const given = passwords[i] ?? firstPassword();
          if (!passwords[i]) told.push({ handle: String(v['handle']), password: given });
          if (!hashes.has(i)) hashes.set(i, await hashPassword(given));
          await insertPerson(k, {
            id,
            organisation: who.organisation,
            handle: String(v['handle']),
            name: String(v['name']),
            password_hash: hashes.get(i)!,
            roles: v['roles'] as never,
            must_change: true,
            ...(v['fist_mm'] !== undefined && { fist_mm: v['fist_mm'] as number }),
            ...(v['length_unit'] !== undefined && { length_unit: v['length_unit'] as 'mm' }),
            ...(v['hand'] !== undefined && { hand: v['hand'] as 'right' }),
          });
          await noteCredential(k, id, 'made', who.id, { roles: v['roles'] as Role[] });
        }
      }
    } catch (error) {
      // somebody else took a name in this moment: nothing of the file goes in
      if (isDuplicate(error)) throw fault('busy');
      throw error;
    }
    return answer(true);
  });
}
