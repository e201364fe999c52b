/**
 * npm run verify: goes through the record of every organisation and says whether each entry is what was
 * written, in its place, and whether every column that a screen shows follows from the entries.
 *   --head H --count N   a head and length noted elsewhere: finds a tail that was cut off
 *   --organisation ID    one organisation only
 *   --key FILE           public half of the key that lies beside the data: what it signed is held against it
 *   --witness WHERE      file or address of a witness: each head that it was told has to be here
 * Exit 0: nothing found. 1: the first altered or missing entry is named. 2: could not be run.
 */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import {
  aboutOf,
  FIRST_PREVIOUS,
  isOfCheck,
  statusOf,
  type CheckBody,
  type CheckStatus,
  type Entry,
  type EntryOf,
} from '../core/records';
import { IdiomError } from '../core/errors';
import { canonicalBytes, sha256 } from './canonical';
import { judgingAgain } from './judgingAgain';
import { openPool, poolOptions, type Database } from './database';
import { heldOfEntry } from './record/baseline';
import { Claims } from './record/claims';
import {
  keyIdOf,
  signedHeads,
  signingKeys,
  statementHash,
  wrongInOne,
  wrongInSigned,
  type SignedHead,
} from './record/signing';
import { toldTo } from './record/witness';
import { chainsNamed, COVERED_TABLES, heldOf, keyOf, PROGRAM, rawRows } from './record/covered';
import { chainHead, countedChecks, entriesFrom, hasHead, storedStatuses, type StoredEntry } from './tables/entries';
import { organisationIds } from './tables/organisations';
import { isToMakeAnew } from './tables/toMakeAnew';
import { storedProfiles } from './tables/profiles';
import { firstLengthOf, ropeStatusOf, storedRopeStatuses } from './tables/ropes';
import { roundWalkById } from './tables/rounds';
import { dueOtherwise, storedTiedKnot } from './tables/tiedKnots';

export interface Verification {
  readonly organisation: string;
  readonly count: number;
  readonly head: string;
  /** judgements that cannot be computed again: what they were made by is not stored, or not known to this program */
  readonly cannotBeJudgedAgain: number;
  /** rows that only a baseline holds: it proves them from then on, not before */
  readonly sinceBaseline: number;
  /** the last head that was signed */
  readonly signed: SignedHead | null;
  /** what is wrong, first entry first; empty when nothing was found */
  readonly faults: readonly string[];
}

/** What is known of the record beside the database. */
export interface Outside {
  /** public half of the key that lies beside the data */
  readonly key?: string | undefined;
  /** what a witness was told, of whatever chain */
  readonly witness?: readonly SignedHead[] | undefined;
}

const BATCH = 500;

/** Faults of one stored entry against its place in the chain; the parsed entry when it can be read. */
export function verifyEntry(
  stored: StoredEntry,
  sequence: number,
  previous: string,
): { faults: string[]; entry: Entry | null } {
  const name = `entry ${stored.sequence} (${stored.id})`;
  if (stored.sequence !== sequence) return { faults: [`entry ${sequence} is missing`], entry: null };
  let entry: Entry;
  try {
    entry = JSON.parse(stored.bytes.toString('utf8')) as Entry;
    if (!canonicalBytes(entry).equals(stored.bytes))
      return { faults: [`${name}: its bytes are not canonical`], entry: null };
  } catch {
    return { faults: [`${name}: its bytes cannot be read`], entry: null };
  }
  const faults: string[] = [];
  const same = (what: string, a: unknown, b: unknown) => {
    if (a !== b) faults.push(`${name}: ${what} was altered`);
  };
  if (sha256(stored.bytes) !== stored.sha256) faults.push(`${name}: its content was altered (hash does not fit)`);
  same('the link to the entry before', entry.previous_sha256, previous);
  same('the column previous_sha256', stored.previous_sha256, entry.previous_sha256);
  same('the number', entry.sequence, sequence);
  same('the organisation', entry.organisation, stored.organisation);
  same('the id', entry.id, stored.id);
  same('the column kind', stored.kind, entry.kind);
  same('the column about', stored.about, aboutOf(entry));
  same('the column recorded_by', stored.recorded_by, entry.recorded_by);
  same('the column recorded_at', stored.recorded_at.toISOString(), entry.recorded_at);
  // what entries from before have beside their bytes is held by the baseline
  if (entry.format === 2) same('the column request_sha256', stored.request_sha256, entry.request_sha256);
  return { faults, entry };
}

/** As below; what cannot be read at all is a fault too. */
export async function verifyOrganisation(
  db: Database,
  organisation: string,
  expected?: { head: string; count: number },
  outside: Outside = {},
): Promise<Verification> {
  const faults: string[] = [];
  try {
    return await lookThrough(db, organisation, faults, expected, outside);
  } catch (error) {
    const isAway = (error instanceof IdiomError && error.status === 503) || 'errno' in (error as object);
    if (isAway || !(error instanceof Error)) throw error;
    faults.push(`something in it cannot be read: ${error.message}`);
    return { organisation, count: 0, head: '', cannotBeJudgedAgain: 0, sinceBaseline: 0, signed: null, faults };
  }
}

async function lookThrough(
  db: Database,
  organisation: string,
  faults: string[],
  expected: { head: string; count: number } | undefined,
  outside: Outside,
): Promise<Verification> {
  const byCheck = new Map<string, Entry[]>();
  const byRope = new Map<string, EntryOf<'rope-event'>[]>();
  const profiles = new Map((await storedProfiles(db)).map((p) => [`${p.profile}@${p.version}`, p]));
  for (const p of profiles.values())
    if (sha256(p.content) !== p.sha256) faults.push(`rule set ${p.profile}@${p.version}: its content was altered`);
  const judged = await judgingAgain(db, profiles);
  faults.push(...judged.faults);
  let cannotBeJudgedAgain = 0;
  const checks = new Map<string, CheckBody>();
  const claims = new Claims();
  const entriesBefore: { id: string; request_sha256: string }[] = [];
  let last: Entry | null = null;
  const signed = await signedHeads(db, organisation);
  const witnessed = (outside.witness ?? []).filter((h) => h.organisation === organisation);
  const asked = new Set([...signed, ...witnessed].map((h) => h.sequence));
  const hashes = new Map<number, string>();
  let previous = FIRST_PREVIOUS;
  let sequence = 0;
  let atCount: string | null = expected?.count === 0 ? FIRST_PREVIOUS : null;
  reading: for (;;) {
    const batch = await entriesFrom(db, organisation, sequence, BATCH);
    if (batch.length === 0) break;
    for (const stored of batch) {
      const { faults: found, entry } = verifyEntry(stored, sequence + 1, previous);
      faults.push(...found);
      if (stored.sequence !== sequence + 1) break reading;
      sequence = stored.sequence;
      previous = stored.sha256;
      if (asked.has(sequence)) hashes.set(sequence, stored.sha256);
      if (expected && sequence === expected.count) atCount = stored.sha256;
      if (!entry) continue;
      if (entry.format === 1) entriesBefore.push({ id: stored.id, request_sha256: stored.request_sha256 });
      const order: string | null = last && inOrder(last, entry);
      if (order) faults.push(`entry ${sequence}: ${order}`);
      last = entry;
      const claimed =
        entry.kind === 'rows'
          ? claims.takeRows(entry.body)
          : entry.kind === 'baseline'
            ? claims.takeBaseline(entry.body)
            : null;
      if (claimed) faults.push(`entry ${sequence}: ${claimed}`);
      const about = aboutOf(entry);
      if (entry.kind === 'rope-event') byRope.set(about, [...(byRope.get(about) ?? []), entry]);
      if (entry.kind === 'round-finished' && (await roundWalkById(db, about))?.row.finished_at !== entry.recorded_at)
        faults.push(`entry ${sequence}: the walked round ${about} was altered or removed`);
      if (isOfCheck(entry)) byCheck.set(about, [...(byCheck.get(about) ?? []), entry]);
      if (entry.kind === 'check') checks.set(entry.id, entry.body);
      const again = isOfCheck(entry) ? judged.again(entry, checks.get(about)) : 'same';
      if (again === 'cannot') cannotBeJudgedAgain++;
      else if (again !== 'same') faults.push(`entry ${sequence}: ${again}`);
      if (entry.kind !== 'check') continue;
      const profile = profiles.get(`${entry.body.profile}@${entry.body.profile_version}`);
      if (profile?.sha256 !== entry.body.profile_sha256 || sha256(profile.content) !== profile.sha256)
        faults.push(
          `entry ${sequence}: the rules ${entry.body.profile}@${entry.body.profile_version} are not those it was judged by`,
        );
      const knot = await storedTiedKnot(db, entry.body.tied_knot);
      const { knot: k, rope, place, tied_by, tied_by_outside = null, tied_at } = entry.body;
      if (
        !knot ||
        knot.knot !== k ||
        knot.rope !== rope ||
        knot.place !== place ||
        knot.tied_by !== tied_by ||
        knot.tied_by_words !== tied_by_outside ||
        knot.tied_at !== tied_at
      )
        faults.push(`entry ${sequence}: the tied knot ${entry.body.tied_knot} was altered or removed`);
    }
  }
  if (!(await hasHead(db, organisation))) faults.push('the chain has no head');
  const head = await chainHead(db, organisation);
  if (head.sequence !== sequence || (sequence > 0 && head.sha256 !== previous))
    faults.push(`the chain's head says ${head.sequence} entries, ${sequence} are there`);
  if (expected) {
    if (sequence < expected.count)
      faults.push(`entry ${sequence + 1} is missing: ${expected.count} entries were noted, ${sequence} are there`);
    else if (atCount !== expected.head) faults.push(`entry ${expected.count} is not the one that was noted as head`);
  }
  const keys = new Map((await signingKeys(db)).map((k) => [k.id, k.public_key]));
  const beside = outside.key ?? null;
  if (beside !== null && keys.size > 0 && !keys.has(keyIdOf(beside)))
    faults.push('the key that lies beside the data is not one that the record was signed by');
  faults.push(...wrongInSigned(signed, (n) => hashes.get(n), keys, beside));
  for (const head of witnessed)
    faults.push(
      ...wrongInOne(head, `the head ${head.number} that the witness was told`, (n) => hashes.get(n), keys, beside),
      ...(signed.some((s) => statementHash(s) === statementHash(head))
        ? []
        : [`the signed head ${head.number} that the witness was told is not here`]),
    );
  faults.push(...compareStatuses(byCheck, await storedStatuses(db, organisation)));
  if ((await countedChecks(db, organisation)) !== checks.size)
    faults.push(`the head says another number of checks than the ${checks.size} that are there`);
  faults.push(...(await compareRopes(db, organisation, byRope)));
  faults.push(...(await compareRows(db, organisation, claims, entriesBefore)));
  return {
    organisation,
    count: sequence,
    head: previous,
    cannotBeJudgedAgain,
    sinceBaseline: claims.based,
    signed: signed.at(-1) ?? null,
    faults,
  };
}

/** What is wrong in how an entry follows the one before; null where nothing is. */
function inOrder(before: Entry, entry: Entry): string | null {
  if (entry.format < before.format) return 'it has the form of earlier entries';
  if (entry.format === 2 && entry.recorded_at < before.recorded_at) return 'it was recorded before the entry before it';
  return null;
}

/** Every row as it is against what the entries say of it. */
async function compareRows(
  db: Database,
  chain: string,
  claims: Claims,
  entriesBefore: readonly { id: string; request_sha256: string }[],
): Promise<string[]> {
  const faults: string[] = [];
  for (const table of COVERED_TABLES)
    for await (const batch of rawRows(db, table, chain))
      for (const raw of batch) faults.push(...claims.compare(table, keyOf(table, raw), heldOf(table, raw)));
  for (const e of entriesBefore) faults.push(...claims.compare('entries', e.id, heldOfEntry(e)));
  faults.push(...claims.missing());
  for (const { id, is, should } of await dueOtherwise(db, chain))
    faults.push(
      `the column due_at of the row ${id} of tied_knots was altered: ${is ?? 'none'}, worked out again ${should}`,
    );
  return faults;
}

/** What lists show against what the entries say. */
export function compareStatuses(
  byCheck: ReadonlyMap<string, readonly Entry[]>,
  stored: readonly CheckStatus[],
): string[] {
  const faults: string[] = [];
  const rows = new Map(stored.map((s) => [s.check_id, s]));
  for (const [check, entries] of byCheck) {
    const should = statusOf(entries);
    const is = rows.get(check);
    rows.delete(check);
    if (!should) faults.push(`check ${check}: entries without their check`);
    else if (!is) faults.push(`entry ${should.sequence} (check ${check}): its row in the list is missing`);
    else
      for (const key of Object.keys(should) as (keyof CheckStatus)[])
        if (should[key] !== is[key])
          faults.push(`entry ${should.sequence} (check ${check}): the shown column ${key} was altered`);
  }
  for (const check of rows.keys()) faults.push(`check ${check}: shown in the list, but there is no entry`);
  return faults;
}

/** What rope lists show against what the entries say. */
async function compareRopes(
  db: Database,
  organisation: string,
  byRope: ReadonlyMap<string, readonly EntryOf<'rope-event'>[]>,
): Promise<string[]> {
  const rows = new Map((await storedRopeStatuses(db, organisation)).map((s) => [s.rope, s]));
  const faults: string[] = [];
  for (const [rope, entries] of byRope) {
    const should = ropeStatusOf(organisation, rope, await firstLengthOf(db, rope), entries);
    const is = rows.get(rope);
    rows.delete(rope);
    if (!is) faults.push(`rope ${rope}: what its list shows is missing`);
    else
      for (const key of Object.keys(should) as (keyof typeof should)[])
        if (should[key] !== is[key]) faults.push(`rope ${rope}: the shown column ${key} was altered`);
  }
  for (const rope of rows.keys()) faults.push(`rope ${rope}: something is shown of it, but there is no entry`);
  return faults;
}

/** Every chain there is, with the name it is told by: organisations, what rows or entries name beside them, and the program's own. */
export async function chainsToVerify(db: Database): Promise<{ id: string; name: string }[]> {
  const names = new Map((await organisationIds(db)).map((o) => [o.id, o.name]));
  return (await chainsNamed(db)).map((id) => ({
    id,
    name: names.get(id) ?? (id === PROGRAM ? 'The program' : `An organisation that is not there (${id})`),
  }));
}

/**
 * The command as above.
 * @param say told line by line
 * @returns 0 where nothing was found, else 1
 * @throws what cannot be run, in one sentence
 */
export async function verifyCommand(args: string[], databaseUrl: string, say: (line: string) => void): Promise<number> {
  const { values } = parseArgs({
    args,
    options: {
      head: { type: 'string' },
      count: { type: 'string' },
      organisation: { type: 'string' },
      key: { type: 'string' },
      witness: { type: 'string' },
    },
  });
  if ((values.head === undefined) !== (values.count === undefined))
    throw new Error('--head and --count belong together.');
  if (values.count !== undefined && !/^\d+$/.test(values.count)) throw new Error('--count is a whole number.');
  const outside: Outside = {
    ...(values.key !== undefined && { key: readFileSync(values.key, 'utf8') }),
    ...(values.witness !== undefined && { witness: await toldTo(values.witness) }),
  };
  const db = openPool(poolOptions(databaseUrl));
  let bad = 0;
  try {
    if (await isToMakeAnew(db, 'rows'))
      throw new Error('The data are older than the program, or an upgrade was interrupted: start the program first.');
    const all = await chainsToVerify(db);
    const told = new Set((outside.witness ?? []).map((h) => h.organisation));
    for (const { id } of all) told.delete(id);
    // what a witness was told of and is not there at all
    const gone = [...told].map((id) => ({ id, name: `An organisation that is not there (${id})` }));
    const organisations = [...all, ...gone].filter(
      (o) => values.organisation === undefined || o.id === values.organisation,
    );
    if (organisations.length === 0) throw new Error('There is no such organisation.');
    if (values.head !== undefined && values.organisation === undefined)
      throw new Error('--head needs --organisation: each has a chain of its own.');
    for (const o of organisations) {
      const v = await verifyOrganisation(
        db,
        o.id,
        values.head === undefined ? undefined : { head: values.head, count: Number(values.count) },
        outside,
      );
      if (v.faults.length === 0)
        say(
          `${o.name}: ${v.count} entries, each as written${v.cannotBeJudgedAgain > 0 ? `; ${v.cannotBeJudgedAgain} judgements cannot be computed again: what they were made by is lost` : ', each judgement computed again'}${v.sinceBaseline > 0 ? `; ${v.sinceBaseline} rows from before are as they were when they were taken into the record` : ''}.\n  --organisation ${o.id} --head ${v.head} --count ${v.count}`,
        );
      else {
        bad++;
        say(`${o.name}: ${v.faults[0]}`);
        for (const f of v.faults.slice(1, 20)) say(`  also: ${f}`);
        if (v.faults.length > 20) say(`  and ${v.faults.length - 20} more`);
      }
    }
  } finally {
    await db.end();
  }
  return bad > 0 ? 1 : 0;
}

if (process.env['IDIOM_RUN_VERIFY'] === '1')
  verifyCommand(process.argv.slice(2), process.env['IDIOM_DATABASE_URL']!, console.log).then(
    (code) => process.exit(code),
    (error: unknown) => {
      console.error((error as Error).message);
      process.exit(2);
    },
  );
