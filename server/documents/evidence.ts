/** Pages that are handed over: a check, a walked round, the life of a rope, a day. Each with a code by which it can be verified. */
import type { CheckRow, RopeRow } from '../../contract';
import {
  isByFist,
  pointsAsked,
  METHOD_WORDS,
  paceOf,
  VERDICT_WORDS,
  verdictSaid,
  type Judgement,
  type PointAnswer,
  type TailGiven,
} from '../../core/inspect/judging';
import { entryById } from '../../core/knots/catalogue/lookup';
import { shippedProfile } from '../../core/profiles';
import { COMPANION_WORDS, ruleSaid, USE_WORDS } from '../../core/profiles/words';
import {
  DONE_WORDS,
  ROPE_EVENT_WORDS,
  type CheckBody,
  type Entry,
  type EntryOf,
  type RopeLife,
} from '../../core/records';
import { facePicture } from './knotFaces';
import { MARGIN, momentText, Page, TEXT_WIDTH, type PageHead } from './page';
import { pictureOnPage } from './pictureOnPage';
import { knotName, signed, STATE_WORDS } from './words';

export interface Hashed<E extends Entry = Entry> {
  readonly entry: E;
  readonly sha256: string;
}
type NameOf = (person: string) => string;

const FACE = 118;

const howMeasured = (t: TailGiven): string =>
  isByFist(t) ? 'by a fist laid on' : `${METHOD_WORDS[t.method]}, give or take ${t.uncertainty_mm} mm`;

/** The points that a check asked, as they are asked. */
const askedIn = (body: CheckBody) =>
  pointsAsked(body, {
    profile: shippedProfile(`${body.profile}@${body.profile_version}`),
    entry: entryById(body.knot),
  });

/** What was found point by point, with what was asked there. */
function points(page: Page, body: CheckBody, judgement: Judgement, answers: readonly PointAnswer[]): void {
  const questions = new Map<string, string>([
    ['use', `For ${USE_WORDS[judgement.use ?? 'backup']}`],
    ...askedIn(body).map((p) => [p.id, p.question] as const),
  ]);
  page.table(
    [
      ['Point', 'Found', 'State'],
      ...judgement.points.map((p) => {
        const tails =
          p.point === 'tail'
            ? [answers.find((a) => a.point === 'tail')]
                .flatMap((a) => (a ? [a.tail, ...(a.more_tails ?? [])] : []))
                .filter((t) => t !== undefined)
            : [];
        const how = tails.length > 0 ? ` Measured ${[...new Set(tails.map(howMeasured))].join('; ')}.` : '';
        const margin =
          p.tail?.margin_mm === null || !p.tail
            ? ''
            : ` Margin ${signed(p.tail.margin_mm)}; rule ${p.tail.rule.profile} ${p.tail.rule.id}, version ${p.tail.rule.version}: ${p.tail.rule.text}`;
        const rule = margin === '' && p.rule ? ` Rule: ${ruleSaid(p.rule)}.` : '';
        return [
          questions.get(p.point) ?? 'The rope',
          `${p.text}.${how}${margin}${rule}${p.what_to_do ? ` To do: ${p.what_to_do}` : ''}`,
          STATE_WORDS[p.state],
        ];
      }),
    ],
    [4, 8, 2],
  );
}

function entryOnPage(page: Page, { entry, sha256 }: Hashed, nameOf: NameOf): void {
  const head = (title: string) =>
    page.heading(
      `${title}: no. ${entry.sequence}, recorded ${momentText(entry.recorded_at)} by ${nameOf(entry.recorded_by)}`,
    );
  switch (entry.kind) {
    case 'check':
      head('Check');
      points(page, entry.body, entry.body.judgement, entry.body.answers);
      if (entry.body.despite_open_finding)
        page.text(`Although another knot in this rope was to be taken out: ${entry.body.despite_open_finding}`);
      if (entry.body.note) page.text(`Note: ${entry.body.note}`);
      break;
    case 'signature':
      head('Second person');
      page.text(
        `${nameOf(entry.body.signer)} ${entry.body.answers ? 'looked before the first one’s answers were shown' : 'looked at both faces, having seen the first one’s answers,'} and ${entry.body.agrees ? 'agrees' : 'does not agree'}. Verdict after it: ${VERDICT_WORDS[entry.body.verdict_after]}.`,
      );
      for (const d of entry.body.differences ?? [])
        page.text(`Differs at ${d.point}: first “${d.first}”, second “${d.second}”.`, { indent: 12 });
      if (entry.body.note) page.text(`Note: ${entry.body.note}`);
      break;
    case 'correction':
      head('Correction');
      page.text(
        `Reason: ${entry.body.reason}. Verdict after it: ${VERDICT_WORDS[entry.body.verdict_after]}. What was written before stands above.`,
      );
      break;
    case 'finding-closed':
      head('Finding closed');
      page.text(`${DONE_WORDS[entry.body.what_was_done]}.${entry.body.note ? ` ${entry.body.note}` : ''}`);
      break;
    default:
      break;
  }
  page.text(`sha256 ${sha256}`, { style: 'figures', size: 7, colour: '#444' });
}

/** The code by which a page is verified, at the right of its head; none while nothing is recorded. */
function codeOnPage(page: Page, verifyUrl: string | null): void {
  if (verifyUrl === null) return;
  const side = 84;
  page.qr(verifyUrl, MARGIN + TEXT_WIDTH - side, MARGIN - 10, side);
}

export async function checkPdf(
  head: PageHead,
  row: CheckRow,
  entries: readonly Hashed[],
  nameOf: NameOf,
  verifyUrl: string | null,
): Promise<Buffer> {
  const page = new Page(head);
  codeOnPage(page, verifyUrl);
  const first = entries[0]!.entry as EntryOf<'check'>;
  const { body } = first;
  const profile = shippedProfile(`${row.profile}@${row.profile_version}`);
  const top = page.y;
  const wide = TEXT_WIDTH - 2 * FACE - 16;
  const line = (label: string, value: string) => {
    page.doc.font('text').fontSize(10.5);
    const height = page.doc.heightOfString(`${label}: ${value}`, { width: wide });
    page.put(`${label}: ${value}`, MARGIN, page.y, wide, 'text', 10.5, '#111');
    page.y += height + 2;
  };
  page.put(VERDICT_WORDS[row.verdict], MARGIN, page.y, wide, 'bold', 17, '#111');
  page.y += 26;
  line('As seen then', momentText(row.seen_at));
  line('Rope', `${row.rope_tag}, ${body.rope_diameter_mm} mm; ${row.place}`);
  line(
    'For',
    body.use
      ? `${USE_WORDS[body.use]}${body.companions?.length ? `, with ${body.companions.map((c) => COMPANION_WORDS[c]).join(' and ')}` : ''}`
      : 'not said then',
  );
  line('Tied by', `${row.tied_by_name}, ${momentText(body.tied_at)}`);
  if (body.not_tied_by_me) line('Stated', `${row.checker_name} did not tie it`);
  line('Looked at by', row.checker_name);
  line(
    'Second person',
    row.signer_name ??
      (row.alone ? 'none: tied and checked by the same one' : `none; these rules: ${profile.secondCheck.asked}`),
  );
  line('Rules', `${profile.name}, version ${row.profile_version}`);
  const pace = paceOf(body.answers);
  if (pace.timed > 0)
    line(
      'Looked for',
      `${Math.round(pace.seconds)} s over ${pace.timed} points${pace.quick ? ': quicker than one can look' : ''}`,
    );
  if (body.signed_off && !body.signed_off.to_check) line('Not signed off', `${row.checker_name}, to check this knot`);
  (['front', 'back'] as const).forEach((f, i) => {
    const x = MARGIN + TEXT_WIDTH - 2 * FACE + i * (FACE + 8) - 8;
    pictureOnPage(page.doc, facePicture(row.knot, f, body.hand), { x, y: top + 34, width: FACE, height: FACE });
    page.put(`${f}, as it should look`, x, top + 34 + FACE + 2, FACE, 'text', 7.5, '#444');
  });
  page.y = Math.max(page.y, top + 34 + FACE + 16);
  const missing = askedIn(body).filter((p) => !body.answers.some((a) => a.point === p.id));
  if (missing.length > 0) page.text(`Not looked at: ${missing.map((p) => p.question).join(' ')}`);
  for (const e of entries) entryOnPage(page, e, nameOf);
  if (verifyUrl !== null) page.text(`To verify: ${verifyUrl}`, { size: 7.5, colour: '#333' });
  return page.finish();
}

export async function dayPdf(
  head: PageHead,
  day: string,
  rows: readonly CheckRow[],
  more: boolean,
  verifyUrl: string | null,
): Promise<Buffer> {
  const page = new Page(head);
  codeOnPage(page, verifyUrl);
  const count = (v: CheckRow['verdict']) => rows.filter((r) => r.verdict === v).length;
  page.text(
    `${day}: ${more ? `the last ${rows.length} checks of more; the list as CSV has all of them` : `${rows.length} checks`}. Take out and retie ${count('take-out-and-retie')}, put right ${count('put-right')}, not judged ${count('not-judged')}, meets the rule ${count('meets-the-rule')}.`,
    { gap: 10 },
  );
  page.y = Math.max(page.y, MARGIN + 82);
  if (rows.length > 0) checksTable(page, rows);
  if (verifyUrl !== null) page.text(`To verify: ${verifyUrl}`, { size: 7.5, colour: '#333' });
  return page.finish();
}

function checksTable(page: Page, rows: readonly CheckRow[]): void {
  page.table(
    [
      ['No.', 'As seen then', 'Knot', 'Rope, place', 'Tied, looked at, signed', 'Tail', 'Verdict'],
      ...rows.map((r) => [
        String(r.sequence),
        momentText(r.seen_at),
        knotName(r.knot),
        `${r.rope_tag}, ${r.place}`,
        [r.tied_by_name, r.checker_name, r.signer_name ?? 'no second person'].join('; '),
        r.tail_mm === null
          ? ''
          : `${Math.round(r.tail_mm)} mm${r.tail_margin_mm === null ? '' : ` (${signed(r.tail_margin_mm)})`}`,
        `${verdictSaid(r)}${r.open_finding ? ', open' : ''}`,
      ]),
    ],
    [1, 2.2, 2.6, 3, 3.2, 1.8, 2],
  );
}

export interface WalkedStop {
  readonly place: string;
  readonly knot: string;
  readonly rope_tag: string | null;
  readonly check: CheckRow | null;
  readonly why_not: string;
}
export async function roundPdf(
  head: PageHead,
  walk: {
    readonly begun_at: string;
    readonly begun_by_name: string;
    readonly finished_at: string | null;
    readonly note: string;
    readonly stops: readonly WalkedStop[];
  },
  verifyUrl: string | null,
): Promise<Buffer> {
  const page = new Page(head);
  codeOnPage(page, verifyUrl);
  const reached = walk.stops.filter((s) => s.check).length;
  page.text(
    `Begun ${momentText(walk.begun_at)} by ${walk.begun_by_name}; ${walk.finished_at ? `finished ${momentText(walk.finished_at)}` : 'not finished'}.`,
  );
  page.text(
    `${reached} of ${walk.stops.length} places reached. A place not reached is not judged: nothing is said of its knot.`,
    { gap: 8 },
  );
  page.y = Math.max(page.y, MARGIN + 82);
  page.table(
    [
      ['', 'Place', 'Expected', 'Rope', 'Found', 'Verdict'],
      ...walk.stops.map((s, i) => [
        String(i + 1),
        s.place,
        knotName(s.knot),
        s.rope_tag ?? 'any',
        s.check
          ? `${s.check.knot === s.knot ? '' : `${knotName(s.check.knot)} instead; `}no. ${s.check.sequence}, ${momentText(s.check.seen_at)}, ${s.check.checker_name}`
          : `not reached${s.why_not ? `: ${s.why_not}` : ''}`,
        s.check ? verdictSaid(s.check) : VERDICT_WORDS['not-judged'],
      ]),
    ],
    [0.6, 3, 3, 1.4, 4, 2],
  );
  if (walk.note) page.text(`Note: ${walk.note}`);
  if (verifyUrl !== null) page.text(`To verify: ${verifyUrl}`, { size: 7.5, colour: '#333' });
  return page.finish();
}

export async function ropePdf(
  head: PageHead,
  rope: RopeRow,
  life: RopeLife,
  entries: readonly Hashed<EntryOf<'rope-event'>>[],
  checks: readonly CheckRow[],
  nameOf: NameOf,
  verifyUrl: string | null,
): Promise<Buffer> {
  const page = new Page(head);
  codeOnPage(page, verifyUrl);
  const state = {
    'in-service': 'In service',
    damaged: 'With damage that nothing was done about: never for a life load',
    retired: 'Retired: never for a life load',
  }[rope.state];
  page.text(state, { style: 'bold', size: 14, gap: 4 });
  page.text(
    [
      rope.diameter_mm === null ? '' : `${rope.diameter_mm} mm`,
      rope.kind ?? '',
      rope.length_m === null ? '' : `${rope.length_m} m now, ${rope.first_length_m} m as it came`,
      rope.in_service_since ? `in service since ${rope.in_service_since}` : '',
    ]
      .filter(Boolean)
      .join(', ') || rope.thing,
  );
  page.text(
    `${life.hard_falls} hard ${life.hard_falls === 1 ? 'fall' : 'falls'}. ${life.last_looked_over ? `Last looked over ${momentText(life.last_looked_over)}.` : 'Never looked over from end to end here.'}`,
  );
  page.y = Math.max(page.y, MARGIN + 82);
  page.heading('What happened to it');
  if (entries.length === 0) page.text('Nothing is noted.');
  else
    page.table(
      [
        ['No.', 'When', 'What', 'By'],
        ...entries.map(({ entry: e }) => [
          String(e.sequence),
          momentText(e.body.happened_at),
          `${ROPE_EVENT_WORDS[e.body.event]}${e.body.at_m === undefined ? '' : ` at ${e.body.at_m} m from the tagged end`}${e.body.cut_m === undefined ? '' : `: ${e.body.cut_m} m off the ${e.body.end} end`}${e.body.note ? `. ${e.body.note}` : ''}`,
          nameOf(e.recorded_by),
        ]),
      ],
      [1, 3, 8, 3],
    );
  page.heading(`Checks of knots in it, ${checks.length === 0 ? 'none' : `the last ${checks.length}`}`);
  if (checks.length > 0) checksTable(page, checks);
  if (verifyUrl !== null) page.text(`To verify: ${verifyUrl}`, { size: 7.5, colour: '#333' });
  return page.finish();
}
