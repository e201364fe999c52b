/**
 * The list of checks, the statistics and the day's page as the record grows from 10^3 to 10^6 checks: p95 over HTTP, and as a multiple of a
 * fixed piece of arithmetic. The rows are made by the database itself, spread over people, ropes, verdicts and ten years.
 */
import { openPool, poolOptions } from '../server/database';
import { reference_ms, signedIn, timed } from './measure';

const url = process.env['IDIOM_TEST_URL']!;
const { cookie, organisation, person } = await signedIn(url);
const get = (path: string) => async () => {
  const r = await fetch(`${url}/api/v1${path}`, { headers: { cookie } });
  const text = await r.text();
  if (!r.ok) throw new Error(`${path}: ${r.status} ${text.slice(0, 200)}`);
  return text;
};
const db = openPool(poolOptions(process.env['IDIOM_TEST_DATABASE']!));
const ids = async (table: string, also = '') =>
  (
    (await db.query(`SELECT id FROM ${table} WHERE organisation = ?${also} ORDER BY id`, [
      organisation.id,
    ])) as unknown as [{ id: string }[]]
  )[0].map((r) => r.id);
const [ropes, people] = [await ids('ropes', ' AND kind IS NOT NULL'), await ids('people')];
const pick = (list: readonly string[], salt: number) =>
  `ELT(1 + (seq * ${salt}) % ${list.length}, ${list.map((v) => `'${v}'`).join(', ')})`;

/** Fills up to so many rows; of 200 000 at once the log stays small. */
async function fillTo(count: number, from: number): Promise<void> {
  for (let a = from; a < count; a += 200_000) {
    const b = Math.min(count, a + 200_000);
    await db.query(
      `INSERT INTO check_status (check_id, organisation, sequence, tied_knot, seen_at, knot, rope, place, tied_by, checker, signer, verdict, points_verdict, open_finding, awaits_signature, corrected, alone, faults, differs, tail_mm, tail_margin_mm, profile, profile_version, demo)
       SELECT INSERT(INSERT(INSERT(INSERT(LPAD(HEX(seq), 32, '0'), 9, 0, '-'), 14, 0, '-'), 19, 0, '-'), 24, 0, '-'), ?, 100000 + seq, UUID(), '2016-01-01' + INTERVAL seq * 315 SECOND,
         ELT(1 + seq % 3, 'bowline-locked', 'figure-eight-follow-through', 'clove-hitch'), ${pick(ropes, 7)}, CONCAT('place ', seq % 500), ${pick(people, 5)}, ${pick(people, 11)}, IF(seq % 3 = 0, NULL, ${pick(people, 17)}),
         ELT(1 + (seq % 50 = 0) + 2 * (seq % 97 = 0), 'meets-the-rule', 'put-right', 'not-judged', 'take-out-and-retie'), 'meets-the-rule', seq % 20000 = 0, seq % 900 = 0, 0, 0, IF(seq % 50 = 0, 'loose', ''), 0, 120, 20, 'rope-access', 1, 1
       FROM seq_${a + 1}_to_${b}`,
      [organisation.id],
    );
  }
  await db.query('ANALYZE TABLE check_status');
}

const reference = Math.min(...Array.from({ length: 5 }, reference_ms));
console.log(`one reference: ${reference.toFixed(0)} ms`);
let there = 0;
for (const count of [1_000, 10_000, 100_000, 1_000_000]) {
  await fillTo(count, there);
  there = count;
  const second = (JSON.parse(await get('/checks?limit=1')()) as { next: string }).next;
  const questions: readonly (readonly [string, string])[] = [
    ['first page', '/checks?limit=50'],
    ['second page', `/checks?limit=50&cursor=${second}`],
    ['one rope', `/checks?rope=${ropes[3]!}`],
    ['one person', `/checks?person=${person.id}`],
    ['one verdict', '/checks?verdict=take-out-and-retie'],
    ['open findings', '/checks?open=finding'],
    ['one day', '/checks?from=2016-01-02&to=2016-01-02'],
    ['one month', '/checks?from=2016-01-01&to=2016-01-31'],
    ['today', '/today'],
    ['statistics, a month', '/checks/statistics?from=2016-01-01&to=2016-01-31'],
  ];
  console.log(`${count} checks`);
  for (const [name, path] of questions) {
    const t = await timed(120, get(path));
    console.log(
      `  ${name.padEnd(22)} p50 ${t.p50_ms.toFixed(1).padStart(6)} ms   p95 ${t.p95_ms.toFixed(1).padStart(6)} ms   (${(t.p95_ms / reference).toFixed(3)} references)`,
    );
  }
}
await db.end();
