/** A document is read back, word by word, against what the record says. The words of the page stand here by themselves. */
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import Papa from 'papaparse';
import PDFDocument from 'pdfkit';
import { randomUUID } from 'node:crypto';
import {
  call,
  checkBody,
  demoMember,
  member,
  organisation,
  testbed,
  type Member,
  type Testbed,
} from './testing/harness';

let t: Testbed;
let tove: Member;
beforeAll(async () => {
  t = await testbed('read_back', { demo: true });
  tove = await demoMember(t, 'tove');
});
afterAll(() => t.close());

const VERDICTS: Readonly<Record<string, string>> = {
  'meets-the-rule': 'Meets the rule',
  'put-right': 'Put right',
  'take-out-and-retie': 'Take out and retie',
  'not-judged': 'Not judged',
};
interface Row extends Record<string, unknown> {
  readonly id: string;
  readonly verdict: string;
}
interface Judged {
  readonly text: string;
  readonly what_to_do: string | null;
  readonly tail: { readonly margin_mm: number | null } | null;
}
interface Told {
  readonly kind: string;
  readonly body: {
    readonly judgement?: { readonly points: readonly Judged[] };
    readonly agrees?: boolean;
    readonly verdict_after?: string;
    readonly reason?: string;
  };
}
const checks = async () => (await call(t, 'GET', '/checks?limit=200', tove)).body['items'] as Row[];
const entriesOf = async (id: string) =>
  ((await call(t, 'GET', `/checks/${id}`, tove)).body['entries'] as { entry: Told }[]).map((e) => e.entry);

/** Every text that was put on a page, in order. */
async function paper(path: string): Promise<string[]> {
  const said: string[] = [];
  const real = (PDFDocument.prototype as unknown as { text: (...a: unknown[]) => unknown }).text;
  const write = jest
    .spyOn(PDFDocument.prototype as unknown as { text: typeof real }, 'text')
    .mockImplementation(function (this: unknown, ...given: unknown[]) {
      said.push(String(given[0]));
      return real.apply(this, given);
    });
  const r = await t.app.inject({ method: 'GET', url: `/api/v1${path}`, headers: { cookie: tove.cookie } });
  write.mockRestore();
  expect(r.statusCode).toBe(200);
  return said;
}

describe('a check on paper', () => {
  test('every verdict of the record is on its page as that and as no other', async () => {
    const rows = await checks();
    const seen = new Set<string>();
    for (const row of rows) {
      if (seen.has(row.verdict)) continue;
      seen.add(row.verdict);
      const said = await paper(`/checks/${row.id}.pdf`);
      const onPage = said.filter((s) => Object.values(VERDICTS).includes(s));
      expect([row.verdict, onPage]).toEqual([row.verdict, [VERDICTS[row.verdict]]]);
    }
    expect(seen.size).toBeGreaterThanOrEqual(3);
  });

  test('each point as it was judged, with what to do and by how much', async () => {
    let todo = 0;
    let margins = 0;
    for (const row of (await checks())
      .filter((r) => ['put-right', 'take-out-and-retie'].includes(r.verdict))
      .slice(0, 6)) {
      const text = (await paper(`/checks/${row.id}.pdf`)).join('\n');
      for (const p of (await entriesOf(row.id))[0]!.body.judgement!.points) {
        expect(text).toContain(`${p.text}.`);
        if (p.what_to_do) {
          todo++;
          expect(text).toContain(`To do: ${p.what_to_do}`);
        }
        const margin = p.tail?.margin_mm;
        if (margin !== null && margin !== undefined) {
          margins++;
          expect(text).toContain(`Margin ${margin > 0 ? '+' : ''}${margin} mm`);
        }
      }
    }
    expect([todo > 0, margins > 0]).toEqual([true, true]);
  });

  test('who agrees agrees, who does not does not, and what the verdict then was', async () => {
    const seen = new Set<boolean>();
    for (const row of await checks()) {
      const signed = (await entriesOf(row.id)).filter((e) => e.kind === 'signature');
      const [one] = signed;
      if (!one || seen.has(one.body.agrees!)) continue;
      seen.add(one.body.agrees!);
      const text = (await paper(`/checks/${row.id}.pdf`)).join('\n');
      expect(text.includes(' and agrees. Verdict after it: ')).toBe(one.body.agrees);
      expect(text.includes(' and does not agree. Verdict after it: ')).toBe(!one.body.agrees);
      expect(text).toContain(`Verdict after it: ${VERDICTS[one.body.verdict_after!]}.`);
    }
    expect([...seen].sort()).toEqual([false, true]);
  });
});

test('a list as CSV is the list, cell by cell', async () => {
  const rows = await checks();
  const text = (await call(t, 'GET', '/checks.csv', tove)).text;
  const parsed = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  expect(parsed.errors).toEqual([]);
  const plain = (v: unknown) =>
    v === null || v === undefined ? '' : Array.isArray(v) ? v.join(' ') : String(v as string | number | boolean);
  const unguarded = (s: string) => s.replace(/^'(?=[=+\-@\t\r])/, '');
  expect(parsed.data.length).toBeGreaterThanOrEqual(rows.length);
  for (const row of rows) {
    const line = parsed.data.find((l) => l['id'] === row.id)!;
    for (const column of parsed.meta.fields!)
      expect([row.id, column, unguarded(line[column]!)]).toEqual([row.id, column, plain(row[column])]);
  }
});

describe('what a spreadsheet would take for a formula', () => {
  test('is guarded on its way out, and the guard is taken off on its way in', async () => {
    const org = await organisation(t, 'Formula');
    const who = await member(t, org.id, ['instructor']);
    const csv = "tag,kind,diameter_mm,length_m,in_service_since,note\r\nF-1,low-stretch,10,40,2026-01-01,'=1+1\r\n";
    const body = { id: randomUUID(), what: 'ropes', csv, commit: true };
    expect((await call(t, 'POST', '/imports', who, body)).status).toBe(200);
    const ropes = (await call(t, 'GET', '/ropes', who)).body as unknown as { tag: string; note: string }[];
    expect(ropes.find((r) => r.tag === 'F-1')!.note).toBe('=1+1');
    expect((await call(t, 'GET', '/ropes.csv', who)).text).toContain("'=1+1");
  });
});

describe('what is asked twice', () => {
  test('by the same person is recorded once; by another, or with another text, it is refused', async () => {
    const org = await organisation(t, 'Twice');
    const [a, b] = [await member(t, org.id, ['assessor']), await member(t, org.id, ['assessor'])];
    const body = checkBody({ tier: b.id, rope: org.rope });
    const first = await call(t, 'POST', '/checks', a, body);
    expect([first.status, first.body['again']]).toEqual([200, false]);
    const again = await call(t, 'POST', '/checks', a, body);
    expect([again.status, again.body['again'], again.body['sha256']]).toEqual([200, true, first.body['sha256']]);
    for (const [who, sent] of [
      [b, body],
      [a, { ...body, note: 'another text' }],
    ] as const)
      expect((await call(t, 'POST', '/checks', who, sent)).body.code).toBe('id-taken');
    const correction = { id: randomUUID(), reason: 'looked again', answers: body.answers };
    const corrected = async (who: Member) =>
      (await call(t, 'POST', `/checks/${body.id}/corrections`, who, correction)).body;
    expect((await corrected(a))['again']).toBe(false);
    expect((await corrected(a))['again']).toBe(true);
    expect((await corrected(b)).code).toBe('id-taken');
  });

  test('two entries of the same content have different hashes: the bytes carry place and time', async () => {
    const org = await organisation(t, 'Hashes');
    const who = await member(t, org.id, ['assessor']);
    const sent = [checkBody({ tier: who.id, rope: org.rope }), checkBody({ tier: who.id, rope: org.rope })];
    const hashes = [];
    for (const body of sent) hashes.push((await call(t, 'POST', '/checks', who, body)).body['sha256']);
    expect(new Set(hashes).size).toBe(2);
  });
});
