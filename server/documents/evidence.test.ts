/**
 * How pages look: every text with its place, width, face, size and colour, and where the code and the pictures lie; not
 * the rules between rows. Places and sizes: points of the page. A change of a page is seen here as the lines that it changes, to be read (and the page to be looked at) by somebody
 * before it is kept (`npm run unit -- documents/evidence -u`). Made of rows and entries that stand here, with no server.
 */
import { describe, expect, jest, test } from '@jest/globals';
import PDFDocument from 'pdfkit';
import type { CheckRow, RopeRow } from '../../contract';
import { judge, type PointAnswer } from '../../core/inspect/judging';
import { shippedProfile } from '../../core/profiles';
import { ropeLife, type Entry, type EntryOf } from '../../core/records';
import { ropesCsv, tableCsv } from './csv';
import { checkPdf, dayPdf, roundPdf, ropePdf } from './evidence';
import { Page, type PageHead } from './page';

const KNOT = 'figure-eight-follow-through';
const HEAD: PageHead = {
  title: 'Check of a knot',
  organisation: 'Gull Head',
  demo: true,
  made_at: new Date('2026-05-14T10:00:00Z'),
  count: 12,
  head_sha256: 'a'.repeat(64),
};
const VERIFY = 'http://127.0.0.1:8080/verify#x';

const ROW: CheckRow = {
  id: 'c1',
  sequence: 7,
  seen_at: '2026-05-14T09:40:00.000Z',
  knot: KNOT,
  rope: 'r1',
  rope_tag: 'GH-04',
  place: 'Loft, station 3',
  tied_by: 'p1',
  tied_by_name: 'Ane Torv',
  checker: 'p2',
  checker_name: 'Bo Lind',
  signer: 'p3',
  signer_name: 'Cai Mire',
  verdict: 'put-right',
  points_verdict: 'put-right',
  open_finding: false,
  corrected: true,
  alone: false,
  faults: ['tail-short'],
  differs: true,
  tail_mm: 80.4,
  tail_margin_mm: -25,
  profile: 'rope-access',
  profile_version: 1,
  demo: true,
} as CheckRow;
const POINTS = ['name', 'front', 'back', 'path', 'set', 'eye', 'harness'] as const;
const answers = (tail_mm: number, seconds?: number): PointAnswer[] =>
  [
    ...POINTS.map((point) => ({ point, found: 'right', ...(seconds !== undefined && { seconds }) })),
    { point: 'tail', found: 'right', tail: { tail_mm, method: 'ruler', uncertainty_mm: 5 } },
  ] as PointAnswer[];
const judged = (given: readonly PointAnswer[]) =>
  judge(shippedProfile('rope-access@1'), {
    knot: KNOT,
    rope_diameter_mm: 10,
    use: 'tie-in',
    fist_mm: 100,
    answers: given,
    secondSigned: false,
  });
const entry = (sequence: number, kind: Entry['kind'], body: object): { entry: Entry; sha256: string } => ({
  entry: {
    format: 1,
    id: `e${sequence}`,
    organisation: 'o',
    sequence,
    previous_sha256: '0'.repeat(64),
    recorded_at: '2026-05-14T09:41:00.000Z',
    recorded_by: sequence % 2 ? 'p2' : 'p3',
    kind,
    body,
  } as unknown as Entry,
  sha256: String(sequence).repeat(64).slice(0, 64),
});
const check = (change: object = {}, given = answers(80, 1)) =>
  entry(7, 'check', {
    knot: KNOT,
    rope_diameter_mm: 10,
    tied_at: '2026-05-14T09:30:00.000Z',
    profile: 'rope-access',
    profile_version: 1,
    judging: 2,
    use: 'tie-in',
    companions: [],
    stopper: false,
    hand: 'left',
    answers: given,
    judgement: judged(given),
    note: '',
    ...change,
  });
const NAMES: Readonly<Record<string, string>> = { p1: 'Ane Torv', p2: 'Bo Lind', p3: 'Cai Mire' };
const nameOf = (id: string) => NAMES[id]!;

interface Drawing {
  _font: { name: string };
  _fontSize: number;
  _fillColor?: readonly [string, number];
  text(text: string, ...at: unknown[]): unknown;
  rect(x: number, y: number, w: number, h: number): unknown;
  addPage(...a: unknown[]): unknown;
  switchToPage(n: number): unknown;
  translate(x: number, y: number): unknown;
}
const r1 = (n: unknown) => (typeof n === 'number' ? Number(n.toFixed(1)) : '-');

/** What is drawn while a page is made, a line each; rectangles that follow each other, as a code has them, are counted. */
async function drawn(make: () => Promise<Buffer>): Promise<string[]> {
  const said: string[] = [];
  const on = PDFDocument.prototype as unknown as Drawing;
  let cells: { n: number; x: number[]; y: number[]; side: number } | null = null;
  const after = () => {
    if (cells)
      said.push(
        `${cells.n} rectangles from ${r1(Math.min(...cells.x))},${r1(Math.min(...cells.y))} to ${r1(Math.max(...cells.x))},${r1(Math.max(...cells.y))}, each ${r1(cells.side)}`,
      );
    cells = null;
  };
  const spies = (['text', 'rect', 'addPage', 'switchToPage', 'translate'] as const).map((name) => {
    const real = on[name] as (...a: unknown[]) => unknown;
    return jest.spyOn(on, name).mockImplementation(function (this: Drawing, ...a: unknown[]) {
      if (name === 'rect') {
        cells ??= { n: 0, x: [], y: [], side: 0 };
        cells.n++;
        cells.x.push(a[0] as number);
        cells.y.push(a[1] as number);
        cells.side = a[2] as number;
      } else after();
      if (name === 'text') {
        const [at, options] = typeof a[1] === 'number' ? [`${r1(a[1])},${r1(a[2])}`, a[3]] : ['on', a[1]];
        const { width, continued } = (options ?? {}) as { width?: number; continued?: boolean };
        said.push(
          `${at} wide ${r1(width)} ${this._font.name} ${this._fontSize} ${this._fillColor?.[0] ?? ''}${continued ? ' and on' : ''}: ${String(a[0])}`,
        );
      } else if (name === 'translate') said.push(`moved ${r1(a[0])},${r1(a[1])}`);
      else if (name === 'switchToPage') said.push(`page ${String(a[0])}`);
      else if (name === 'addPage') said.push('a new page');
      return real.apply(this, a);
    } as never);
  });
  const file = await make().finally(() => {
    after();
    spies.forEach((s) => s.mockRestore());
  });
  expect(file.subarray(0, 5).toString()).toBe('%PDF-');
  return said.map((line) => line.replace(/^on wide/, 'goes on, wide'));
}

describe('a check', () => {
  test('short, quick, looked at by a second person who differs, corrected, closed, with notes', async () => {
    const lines = await drawn(() =>
      checkPdf(
        HEAD,
        ROW,
        [
          check({
            note: 'Rope wet.',
            despite_open_finding: 'the only way down',
            signed_off: { to_tie: true, to_check: false },
          }),
          entry(8, 'signature', {
            signer: 'p3',
            agrees: false,
            answers: answers(95),
            note: 'Longer by my ruler.',
            verdict_after: 'not-judged',
            differences: [{ point: 'Tail', first: '80 mm', second: '95 mm' }],
          }),
          entry(9, 'correction', { reason: 'measured again', verdict_after: 'put-right' }),
          entry(10, 'finding-closed', { what_was_done: 'retied', note: 'By Ane.' }),
          entry(11, 'finding-closed', { what_was_done: 'taken-out', note: '' }),
        ],
        nameOf,
        VERIFY,
      ),
    );
    expect(lines).toMatchSnapshot();
  });

  test('right, by one alone, with a point left out, and not recorded yet', async () => {
    const left = answers(130).filter((a) => a.point !== 'set');
    const lines = await drawn(() =>
      checkPdf(
        { ...HEAD, demo: false },
        { ...ROW, verdict: 'meets-the-rule', signer: null, signer_name: null, alone: true },
        [check({ hand: 'right', signed_off: { to_tie: true, to_check: true } }, left)],
        nameOf,
        null,
      ),
    );
    expect(lines).toMatchSnapshot();
  });

  test('a second person agrees, having seen the answers; nobody second where one is asked', async () => {
    const one = await drawn(() =>
      checkPdf(
        HEAD,
        ROW,
        [
          check({}, answers(130, 20)),
          entry(8, 'signature', { signer: 'p3', agrees: true, note: '', verdict_after: 'meets-the-rule' }),
        ],
        nameOf,
        VERIFY,
      ),
    );
    const other = await drawn(() =>
      checkPdf(HEAD, { ...ROW, signer: null, signer_name: null }, [check({}, answers(130))], nameOf, VERIFY),
    );
    expect([
      one.filter((l) => / agrees?[ .]|Looked for|Second/.test(l)),
      other.filter((l) => /Second/.test(l)),
    ]).toMatchSnapshot();
  });
});

test('a day: what was found, and each check; more than fit are said to be more', async () => {
  const rows = [
    ROW,
    { ...ROW, sequence: 6, verdict: 'take-out-and-retie', open_finding: true, tail_mm: null },
    { ...ROW, sequence: 5, verdict: 'not-judged', signer_name: null, tail_margin_mm: null },
    { ...ROW, sequence: 4, verdict: 'meets-the-rule', tail_mm: 131.6, tail_margin_mm: 12 },
  ] as CheckRow[];
  expect(await drawn(() => dayPdf(HEAD, '2026-05-14', rows, false, VERIFY))).toMatchSnapshot();
  const more = await drawn(() => dayPdf(HEAD, '2026-05-14', rows, true, null));
  expect(more.filter((l) => /2026-05-14:|To verify/.test(l))).toMatchSnapshot();
  expect(
    (await drawn(() => dayPdf(HEAD, '2026-05-14', [], false, null))).filter((l) => /No\.|checks/.test(l)),
  ).toMatchSnapshot();
});

test('a table that runs over: its heading stands again on the next page, the foot on each', async () => {
  const rows = Array.from({ length: 40 }, (_, i) => ({ ...ROW, sequence: 100 - i })) as CheckRow[];
  const lines = await drawn(() => dayPdf(HEAD, '2026-05-14', rows, false, null));
  expect(lines.filter((l) => /a new page|: No\.$|: \d+$|page \d|Page \d/.test(l))).toMatchSnapshot();
});

test('a round: reached with the knot that was expected, with another, not reached', async () => {
  const stop = { place: 'North edge', knot: KNOT, rope_tag: 'GH-04', why_not: '' };
  const walk = (finished_at: string | null, note: string) => ({
    begun_at: '2026-05-14T08:00:00.000Z',
    begun_by_name: 'Bo Lind',
    finished_at,
    note,
    stops: [
      { ...stop, check: ROW },
      { ...stop, place: 'South edge', rope_tag: null, check: { ...ROW, knot: 'bowline', sequence: 8 } },
      { ...stop, place: 'Ladder', check: null, why_not: 'shut off' },
      { ...stop, place: 'Winch', check: null },
    ],
  });
  expect(await drawn(() => roundPdf(HEAD, walk('2026-05-14T09:00:00.000Z', 'Windy.'), VERIFY))).toMatchSnapshot();
  const open = await drawn(() => roundPdf(HEAD, walk(null, ''), null));
  expect(open.filter((l) => /finished|Note|To verify/.test(l))).toMatchSnapshot();
});

describe('the life of a rope', () => {
  const rope = {
    id: 'r1',
    tag: 'GH-04',
    thing: 'rope',
    kind: 'dynamic',
    diameter_mm: 10,
    length_m: 57.5,
    first_length_m: 60,
    in_service_since: '2026-01-02',
    state: 'damaged',
    note: '',
    open_damages: 1,
    hard_falls: 1,
    open_findings: 0,
    knots_in_it: 2,
  } as unknown as RopeRow;
  const events = [
    { event: 'hard-fall', note: '' },
    { event: 'damaged', at_m: 12, note: 'Sheath worn.' },
    { event: 'cut', cut_m: 2.5, end: 'tagged', note: '' },
    { event: 'looked-over', note: '' },
  ].map((e, i) => entry(i + 1, 'rope-event', { rope: 'r1', happened_at: `2026-04-0${i + 1}T08:00:00.000Z`, ...e }));
  const life = ropeLife(
    60,
    events.map(({ entry: e }) => ({ id: e.id, ...(e as EntryOf<'rope-event'>).body })),
  );
  const page = (of: RopeRow, happened: typeof events, lived: typeof life, checks: CheckRow[], verify: string | null) =>
    drawn(() => ropePdf(HEAD, of, lived, happened as never, checks, nameOf, verify));

  test('with damage, cut, after a hard fall', async () => {
    expect(await page(rope, events, life, [ROW], VERIFY)).toMatchSnapshot();
  });
  test('new, or retired, or no rope at all', async () => {
    const none = ropeLife(null, []);
    const bare = {
      ...rope,
      state: 'in-service',
      thing: 'karabiner',
      kind: null,
      diameter_mm: null,
      length_m: null,
      in_service_since: null,
    } as unknown as RopeRow;
    const said = (lines: string[]) => lines.map((l) => l.replace(/^.*?: /, ''));
    expect(said(await page(bare, [], none, [], null))).toMatchSnapshot();
    expect(
      said(await page({ ...rope, state: 'retired' } as RopeRow, [], { ...none, hard_falls: 2 }, [], null))[3],
    ).toMatchSnapshot();
  });
});

test('names of several letters go on in the face that has them; a bare sheet has neither head nor foot', async () => {
  const lines = await drawn(() => {
    const page = new Page(HEAD, 'bare');
    page.text('Łucja of 千 place', { indent: 20, gap: 30, size: 12, colour: '#333', style: 'bold' });
    page.text('next');
    return page.finish();
  });
  expect(lines).toMatchSnapshot();
});

test('lists for other programs: cells that would be formulas are guarded, lines end as the format says', () => {
  expect(
    tableCsv(
      ['a', 'b'],
      [
        ['=1+1', 'x,y'],
        ['"q"', null],
      ],
    ),
  ).toBe('a,b\r\n"\'=1+1","x,y"\r\n"""q""",\r\n');
  const [head, row] = ropesCsv([
    { id: 'r', tag: '=x', thing: 'rope', kind: 'dynamic', diameter_mm: 10, state: 'in-service' } as unknown as RopeRow,
  ]).split('\r\n');
  expect(head).toMatch(/^tag,thing,kind,/);
  expect(row).toMatch(/^"'=x",rope,dynamic,10,/);
});
