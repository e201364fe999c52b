/**
 * What is to be looked at again, with ever more knots hanging in ropes, half of them due: milliseconds for the twenty most
 * overdue, for a page of the list from its middle, and as multiples of the same with a thousand.
 */
import { openPool, poolOptions } from '../server/database';
import { tiedKnotsPage, toLookAtAgain } from '../server/tables/tiedKnots';
import { signedIn, timed } from './measure';

const { organisation, person } = await signedIn(process.env['IDIOM_TEST_URL']!);
const db = openPool(poolOptions(process.env['IDIOM_TEST_DATABASE']!));
const [[rope]] = (await db.query('SELECT id FROM ropes WHERE organisation = ? LIMIT 1', [
  organisation.id,
])) as unknown as [[{ id: string }]];
const now = new Date();
const AT_ONCE = 20_000;

/** So many more, tied within the last two months and due within a month of now. */
async function hang(from: number, to: number): Promise<void> {
  for (let n = from; n < to; n += AT_ONCE)
    await db.query(
      `INSERT INTO tied_knots (id, organisation, knot, rope, place, tied_by, tied_at, request_sha256, due_at)
       SELECT CONCAT(LPAD(HEX(seq), 8, '0'), '-0000-4000-a000-000000000000'), ?, 'figure-eight-follow-through', ?, CONCAT('stance ', seq), ?,
              ? - INTERVAL (seq * 7919 % 86400) MINUTE, REPEAT('0', 64), ? + INTERVAL 30 DAY - INTERVAL (seq * 104729 % 86400) MINUTE
       FROM seq_${n}_to_${Math.min(to, n + AT_ONCE) - 1}`,
      [organisation.id, rope.id, person.id, now, now],
    );
}

let there = 0;
const first: number[] = [];
const middle = { at: new Date(now.getTime() - 30 * 86_400_000), id: 'f' };
for (const count of [1_000, 10_000, 100_000, 1_000_000]) {
  await hang(there, count);
  there = count;
  const again = await timed(100, () => toLookAtAgain(db, organisation.id, 20, now));
  const page = await timed(100, () => tiedKnotsPage(db, organisation.id, 50, middle, now));
  if (first.length === 0) first.push(again.p50_ms, page.p50_ms);
  const said = (ms: { p50_ms: number; p95_ms: number }, of: number) =>
    `half within ${ms.p50_ms.toFixed(2)} ms, 95 of 100 within ${ms.p95_ms.toFixed(2)} ms (${(ms.p50_ms / of).toFixed(2)} times the first)`;
  console.log(
    `${String(count).padStart(8)} knots: most overdue ${said(again, first[0]!)}; a page ${said(page, first[1]!)}`,
  );
}
await db.end();
