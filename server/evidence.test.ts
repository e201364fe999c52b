/** What is handed over: every page can be made, says what the record says, and its code leads to the entry it came from. */
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import decodeQR from 'qr/decode.js';
import encodeQR from 'qr';
import { ENDPOINTS } from '../contract';
import { unpackedWoff } from './documents/woff';
import { call, demoMember, member, organisation, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let tove: Member;
beforeAll(async () => {
  t = await testbed('evidence', { demo: true });
  tove = await demoMember(t, 'tove');
});
afterAll(() => t.close());

/** A page asked for, with every text that was put on it and how many pages it has. */
async function asked(path: string, headers: Record<string, string> = {}) {
  const said: string[] = [];
  const write = jest
    .spyOn(PDFDocument.prototype as unknown as { text: typeof realText }, 'text')
    .mockImplementation(function (this: unknown, ...given: unknown[]) {
      said.push(String(given[0]));
      return realText.apply(this, given);
    });
  const r = await t.app.inject({
    method: 'GET',
    url: `/api/v1${path}`,
    headers: { cookie: tove.cookie, host: 'loft.local:8080', ...headers },
  });
  write.mockRestore();
  return {
    status: r.statusCode,
    type: r.headers['content-type'],
    file: r.rawPayload,
    said: said.join('\n'),
    pages: (r.rawPayload.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length,
  };
}
const realText = (PDFDocument.prototype as unknown as { text: (...a: unknown[]) => unknown }).text;
const items = async (path: string) => (await call(t, 'GET', path, tove)).body['items'] as Record<string, unknown>[];

describe('pages', () => {
  test('of a check: both hashes, what it gives no clearance for, and where to verify it', async () => {
    const row = (await items('/checks?limit=50')).find((r) => r['signer'] !== null)!;
    const entries = (await call(t, 'GET', `/checks/${String(row['id'])}`, tove)).body['entries'] as {
      sha256: string;
      sequence: number;
    }[];
    const page = await asked(`/checks/${String(row['id'])}.pdf`);
    expect([page.status, page.type, page.file.subarray(0, 5).toString()]).toEqual([200, 'application/pdf', '%PDF-']);
    for (const e of entries) expect(page.said).toContain(e.sha256);
    const head = (await call(t, 'GET', '/record/head', tove)).body;
    expect(page.said).toContain(
      `The record then: ${String(head['count'])} entries, head ${String(head['head_sha256'])}`,
    );
    expect(page.said).toContain('Demo data: made up');
    expect(page.said).toContain('gives no clearance to load');
    const address = /To verify: (\S+)/.exec(page.said)![1]!;
    expect(address).toMatch(/^http:\/\/loft\.local:8080\/verify\?/);
    const q = new URL(address).searchParams;
    const verified = (
      await call(t, 'GET', `/record/verify?organisation=${q.get('o')}&sequence=${q.get('n')}&sha256=${q.get('h')}`)
    ).body;
    expect(verified).toMatchObject({ known: true, as_written: true });
    expect(
      (
        await call(
          t,
          'GET',
          `/record/verify?organisation=${q.get('o')}&sequence=${q.get('n')}&sha256=${'0'.repeat(64)}`,
        )
      ).body,
    ).toMatchObject({ known: false, recorded_at: null });
    expect(
      (await asked(`/checks/${String(row['id'])}`, { accept: 'application/pdf' })).file.subarray(0, 5).toString(),
    ).toBe('%PDF-');
  });

  test('of a day, of a rope and of a round; labels; none for what is not there', async () => {
    const [row] = await items('/checks?limit=1');
    const day = String(row!['seen_at']).slice(0, 10);
    const page = await asked(`/day.pdf?day=${day}`);
    expect(page.said).toContain(String(row!['place']));
    expect((await asked('/day.pdf?day=2020-01-01')).said).toContain('0 checks');
    const ropes = (await call(t, 'GET', '/ropes', tove)).body as unknown as { id: string; tag: string }[];
    const rope = await asked(`/ropes/${ropes[0]!.id}.pdf`);
    expect([rope.status, rope.said.includes(`${ropes[0]!.tag}: its life`)]).toEqual([200, true]);
    const labels = await asked('/ropes/labels.pdf');
    for (const r of ropes) expect(labels.said).toContain(r.tag);
    expect((await asked(`/ropes/labels.pdf?ids=${ropes[0]!.id}`)).pages).toBe(1);
    const [walk] = await items('/round-walks');
    expect((await asked(`/round-walks/${String(walk!['id'])}.pdf`)).said).toContain(
      'A place not reached is not judged',
    );
    for (const none of [
      '/checks/3f2b8a3e-1111-4222-8333-444455556666.pdf',
      '/ropes/3f2b8a3e-1111-4222-8333-444455556666.pdf',
      '/round-walks/3f2b8a3e-1111-4222-8333-444455556666.pdf',
      '/ropes/labels.pdf?ids=3f2b8a3e-1111-4222-8333-444455556666',
    ])
      expect([none, (await asked(none)).status]).toEqual([none, 404]);
  });

  test('while nothing is recorded a page has no code, and says so of its head', async () => {
    const other = await testbed('empty');
    const org = await organisation(other, 'New');
    const who = await member(other, org.id, ['owner']);
    const r = await call(other, 'GET', `/ropes/${org.rope}.pdf`, who);
    expect([r.status, r.text.startsWith('%PDF-')]).toEqual([200, true]);
    await other.close();
  });

  test('names of any letters do not break a page', async () => {
    await t.db.query('UPDATE people SET name = ? WHERE id = ?', ['Łukasz Ďábel 🪢 Ωmega', tove.id]);
    const [row] = await items('/checks?limit=1');
    expect((await asked(`/checks/${String(row!['id'])}.pdf`)).status).toBe(200);
    await t.db.query('UPDATE people SET name = ? WHERE id = ?', ['Tove Vannmark', tove.id]);
  });

  test('a code that is drawn can be read again', () => {
    const text = 'http://loft.local:8080/verify?o=3f2b8a3e-1111-4222-8333-444455556666&n=12&h=' + 'ab'.repeat(32);
    const cells = encodeQR(text, 'raw', { ecc: 'medium', border: 2 });
    const scale = 6;
    const side = cells.length * scale;
    const data = new Uint8Array(side * side * 4).fill(255);
    cells.forEach((row, j) =>
      row.forEach((dark, i) => {
        if (dark)
          for (let y = 0; y < scale; y++)
            for (let x = 0; x < scale; x++)
              data.fill(
                0,
                ((j * scale + y) * side + i * scale + x) * 4,
                ((j * scale + y) * side + i * scale + x) * 4 + 3,
              );
      }),
    );
    expect(decodeQR({ width: side, height: side, data })).toBe(text);
  });
});

test('a packed font is unpacked into what it holds', () => {
  const packed = readFileSync(
    createRequire(import.meta.url).resolve(
      '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
    ),
  );
  const font = unpackedWoff(packed);
  const tables = font.readUInt16BE(4);
  expect([tables, font.length >= packed.readUInt32BE(16)]).toEqual([packed.readUInt16BE(12), true]);
  // each table adds up to the sum that the file says of it
  for (let i = 0; i < tables; i++) {
    const at = 12 + 16 * i;
    const [tag, sum, offset, length] = [
      font.toString('latin1', at, at + 4),
      font.readUInt32BE(at + 4),
      font.readUInt32BE(at + 8),
      font.readUInt32BE(at + 12),
    ];
    let added = 0;
    for (let k = offset; k < offset + length; k += 4) added = (added + font.readUInt32BE(k)) >>> 0;
    if (tag !== 'head') expect([tag, added]).toEqual([tag, sum]);
  }
  expect(() => unpackedWoff(Buffer.from('OTTO, which is no WOFF'))).toThrow(/no WOFF/);
});

test('statistics are those of the rows', async () => {
  const a = await call(t, 'GET', '/checks/statistics', tove);
  expect(ENDPOINTS.statistics.reply.safeParse(a.body).error?.issues ?? []).toEqual([]);
  const s = a.body as unknown as {
    from: string;
    to: string;
    checks: number;
    verdicts: { verdict: string; checks: number }[];
    faults: { knot: string; fault: string; checks: number }[];
    tails: { seen_at: string }[];
    open_findings: { days: number }[];
  };
  const rows = (await items('/checks?limit=200')).filter(
    (r) => String(r['seen_at']) >= s.from && String(r['seen_at']) < s.to,
  );
  expect(s.checks).toBe(rows.length);
  for (const v of s.verdicts) expect(v.checks).toBe(rows.filter((r) => r['verdict'] === v.verdict).length);
  for (const f of s.faults)
    expect([f.fault, f.checks]).toEqual([
      f.fault,
      rows.filter((r) => r['knot'] === f.knot && (r['faults'] as string[]).includes(f.fault)).length,
    ]);
  expect(s.tails.map((x) => x.seen_at)).toEqual(s.tails.map((x) => x.seen_at).toSorted());
  expect(s.open_findings.length).toBe((await items('/checks?open=finding&limit=200')).length);
  const rope = String(rows[0]!['rope']);
  expect((await call(t, 'GET', `/checks/statistics?rope=${rope}`, tove)).body['checks']).toBe(
    rows.filter((r) => r['rope'] === rope).length,
  );
  const person = String(rows[0]!['checker']);
  const list = await items(`/checks?person=${person}&limit=200`);
  expect(list.map((r) => r['sequence'])).toEqual(
    (await items('/checks?limit=200'))
      .filter((r) => [r['checker'], r['tied_by'], r['signer']].includes(person))
      .map((r) => r['sequence']),
  );
});
