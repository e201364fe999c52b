/** The record in sum, by what check_status shows. Read by the index on the time seen: it grows with the span asked for, not with the record. */
import type { Statistics } from '../../contract';
import { rows, type Database } from '../database';

interface Asked {
  readonly from: Date;
  readonly to: Date;
  readonly rope?: string | undefined;
  readonly person?: string | undefined;
}
const MOST_TAILS = 400;
const MOST_OPEN = 200;

export async function statisticsOf(db: Database, organisation: string, asked: Asked, now: Date): Promise<Statistics> {
  const also = `${asked.rope ? ' AND s.rope = ?' : ''}${asked.person ? ' AND (s.tied_by = ? OR s.checker = ?)' : ''}`;
  const of = [...(asked.rope ? [asked.rope] : []), ...(asked.person ? [asked.person, asked.person] : [])];
  const where = `s.organisation = ? AND s.seen_at >= ? AND s.seen_at < ?${also}`;
  const values = [organisation, asked.from, asked.to, ...of];
  const groups = await rows<{
    knot: string;
    verdict: Statistics['verdicts'][number]['verdict'];
    faults: string;
    n: number;
  }>(
    db,
    `SELECT s.knot, s.verdict, s.faults, COUNT(*) AS n FROM check_status s WHERE ${where} GROUP BY s.knot, s.verdict, s.faults`,
    values,
  );
  const tails = await rows<{
    check_id: string;
    seen_at: Date;
    knot: string;
    tag: string;
    profile: string;
    tail_mm: number;
    tail_margin_mm: number | null;
    verdict: Statistics['tails'][number]['verdict'];
  }>(
    db,
    `SELECT s.check_id, s.seen_at, s.knot, r.tag, s.profile, s.tail_mm, s.tail_margin_mm, s.verdict FROM check_status s JOIN ropes r ON r.id = s.rope WHERE ${where} AND s.tail_mm IS NOT NULL ORDER BY s.seen_at DESC LIMIT ?`,
    [...values, MOST_TAILS],
  );
  const open = await rows<{ check_id: string; knot: string; tag: string; place: string; seen_at: Date }>(
    db,
    `SELECT s.check_id, s.knot, r.tag, s.place, s.seen_at FROM check_status s JOIN ropes r ON r.id = s.rope WHERE s.organisation = ? AND s.open_finding = TRUE${also} ORDER BY s.sequence LIMIT ?`,
    [organisation, ...of, MOST_OPEN],
  );
  const sum = new Map<string, number>();
  const add = (key: string, n: number) => sum.set(key, (sum.get(key) ?? 0) + n);
  for (const g of groups) {
    add('all', g.n);
    add(`verdict ${g.verdict}`, g.n);
    add(`knot ${g.knot}`, g.n);
    if (g.faults !== '') add(`faulty ${g.knot}`, g.n);
    for (const f of g.faults.split(',').filter(Boolean)) add(`fault ${g.knot} ${f}`, g.n);
  }
  const under = (start: string) =>
    [...sum]
      .filter(([k]) => k.startsWith(`${start} `))
      .map(([k, n]) => [k.split(' ').slice(1), n] as const)
      .sort((a, b) => b[1] - a[1] || (a[0].join() < b[0].join() ? -1 : 1));
  return {
    from: asked.from.toISOString(),
    to: asked.to.toISOString(),
    checks: sum.get('all') ?? 0,
    verdicts: under('verdict').map(([[v], n]) => ({
      verdict: v as Statistics['verdicts'][number]['verdict'],
      checks: n,
    })),
    faults: under('fault').map(([[knot, f], n]) => ({ knot: knot!, fault: f!, checks: n })),
    by_knot: under('knot').map(([[knot], n]) => ({
      knot: knot!,
      checks: n,
      with_fault: sum.get(`faulty ${knot}`) ?? 0,
    })),
    tails: tails.reverse().map((t) => ({
      check: t.check_id,
      seen_at: t.seen_at.toISOString(),
      knot: t.knot,
      rope_tag: t.tag,
      profile: t.profile,
      tail_mm: t.tail_mm,
      margin_mm: t.tail_margin_mm,
      verdict: t.verdict,
    })),
    open_findings: open.map((o) => ({
      check: o.check_id,
      knot: o.knot,
      rope_tag: o.tag,
      place: o.place,
      seen_at: o.seen_at.toISOString(),
      days: Math.floor((now.getTime() - o.seen_at.getTime()) / 86_400_000),
    })),
  };
}
