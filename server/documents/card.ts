/**
 * Cards: one knot on one small page, to be laid in a pocket or beside the rope: how it is tied step by step, both faces, what is counted, tail and start
 * for this rope, faults to look for, cautions. Black on white; several knots make a booklet, a page each. What does not fit is set smaller, never left out.
 */
import { upTo } from '../../core/units';
import { ropeNeeded, type JobRope } from '../../core/choose';
import { goesOn } from '../../core/knots/facts/behaviour';
import { across_mm, acrossText } from '../../core/knots/shape/sizes';
import { knotById } from '../../core/knots/catalogue/catalogue';
import { motionOf } from '../../core/knots/tying/motions';
import type { KnotEntry } from '../../core/knots/facts/types';
import { lengthFor, type Profile } from '../../core/profiles';
import { COMPANION_WORDS, ruleSaid, USE_WORDS } from '../../core/profiles/words';
import { framePicture, lastFrames } from '../wayPictures';
import { facePicture } from './knotFaces';
import { newDocument, type Doc } from './page';
import type { Picture } from '../../core/picture';
import { pictureOnPage } from './pictureOnPage';

const PAPERS = { a5: [419.53, 595.28], 'half-letter': [396, 612] } as const;
const MARGIN = 22;
const GAP = 6;
const FOOT = 26;
const CAUTION =
  'A training aid; it gives no clearance to load. Rules of employer, scheme or country, the maker’s instructions and a competent person’s check always win.';

export interface CardAsked {
  readonly paper: keyof typeof PAPERS;
  readonly hand: 'right' | 'left';
  readonly profile: Profile;
  /** the rope of the job */
  readonly rope_diameter_mm: number;
  readonly rope_kind: JobRope['kind'];
  readonly way?: string | undefined;
  readonly now: Date;
}

interface Step {
  readonly picture: Picture;
  readonly number: string;
  readonly text: string;
}

/** The steps as pictures; none where no way is known. */
function stepsOf(id: string, way: string | undefined, hand: CardAsked['hand']): Step[] {
  if (way === undefined) return [];
  const { steps, then, form } = motionOf(id, way);
  const made = lastFrames(id, way).map((frame, k): Step => ({
    picture: framePicture(id, way, frame, { hand, theme: 'print', size: 240 }),
    number: String(k + 1),
    text: steps[k]!.caption,
  }));
  return [
    ...made,
    ...then.map(({ upTo, caption }, k): Step => ({
      picture: facePicture(id, 'front', hand, upTo, form),
      number: String(steps.length + k + 1),
      text: caption,
    })),
  ];
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const upTo5 = (mm: number): string => `${upTo(5, mm)} mm`;
const ORDER = { 'take-out-and-retie': 0, 'put-right': 1, remark: 2 } as const;
const SIGN = { 'take-out-and-retie': 'Retie', 'put-right': 'Put right', remark: 'Remark' } as const;

/** What stands in words under the pictures, a heading and its lines each. */
function words(
  entry: KnotEntry,
  { profile, rope_kind, ...asked }: CardAsked,
): (readonly [string, readonly string[]])[] {
  const rope_diameter_mm = across_mm(entry, { kind: rope_kind, diameter_mm: asked.rope_diameter_mm });
  const text = acrossText(entry, rope_diameter_mm);
  const rope = text.endsWith('mm') ? `${text} rope` : text;
  const needed = ropeNeeded(profile, { knot: entry.id, rope_diameter_mm });
  const { use, companions } = needed;
  const tail = lengthFor(profile, { knot: entry.id, rope_diameter_mm, use });
  const inHand = needed.in_hand_mm;
  const computed = `begin ${upTo5(needed.start_at_mm)} from the end (${upTo5(needed.start_at_mm_low)} to ${upTo5(needed.start_at_mm_high)})`;
  // both are told, the larger first
  const start =
    inHand === null
      ? computed
      : inHand >= needed.start_at_mm
        ? `have ${inHand} mm in hand, as these rules ask; computed: ${computed}`
        : `${computed}; these rules ask ${inHand} mm in hand`;
  const counts = entry.check_points.flatMap((p) => (p.count ? [sentence(`${p.count.of}: ${p.count.is}`)] : []));
  const faults = [...entry.faults].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
  return [
    [
      'Start',
      [
        goesOn(entry)
          ? `Anywhere in the rope; in ${rope} the knot takes about ${upTo5(needed.in_knot_mm)}.`
          : `In ${rope} ${start}. ${sentence(needed.notes.join('; '))}.`,
      ],
    ],
    [
      'Tail',
      [
        `${sentence(tail.rule.text)}${tail.required_mm === null ? '' : `: here at least ${upTo(1, tail.required_mm)} mm${tail.max_mm === null ? '' : `, at most ${tail.max_mm} mm`}`}${tail.rule.layer === 'common' ? ` (${ruleSaid(tail.rule)})` : ''}. For ${USE_WORDS[use]}${companions.length > 0 ? `, with ${companions.map((c) => COMPANION_WORDS[c]).join(' and ')}` : ''}. Rules: ${profile.name}, version ${profile.version}.`,
      ],
    ],
    ['Set', [sentence(entry.set.text)]],
    ...(counts.length > 0 ? [['Count', counts] as const] : []),
    ['Look for', faults.map((f) => `${SIGN[f.verdict]}: ${f.name} (${f.shows})`)],
    ['Caution', entry.cautions.map((c) => sentence(c.text))],
  ].filter((w): w is [string, string[]] => w[1]!.length > 0);
}

/** So large are letters, points: what is tried one after the other. */
const LETTERS: readonly (readonly number[])[] = [[8.6, 8], [7.4], [6.8], [6.2], [5.7], [5.2]];
/** A picture is at least so high, as a share of the width it has. */
const LEAST_SIDE = 0.58;

interface Plan {
  readonly size: number;
  readonly columns: number;
  readonly side: number;
  readonly height: number;
}

class Card {
  private readonly width: number;
  private readonly height: number;
  constructor(
    private readonly doc: Doc,
    paper: CardAsked['paper'],
  ) {
    [this.width, this.height] = PAPERS[paper];
  }
  private get inner(): number {
    return this.width - 2 * MARGIN;
  }
  private heightOf(text: string, width: number, size: number, face: 'text' | 'bold' = 'text'): number {
    return this.doc.font(face).fontSize(size).heightOfString(text, { width });
  }
  private put(text: string, x: number, y: number, width: number, size: number, face: 'text' | 'bold' = 'text'): number {
    this.doc.font(face).fontSize(size).fillColor('#000').text(text, x, y, { width });
    return this.heightOf(text, width, size, face);
  }
  private rowsOf(pictures: readonly Step[], columns: number): Step[][] {
    return Array.from({ length: Math.ceil(pictures.length / columns) }, (_, r) =>
      pictures.slice(r * columns, (r + 1) * columns),
    );
  }
  private stepsHeight(pictures: readonly Step[], { size, columns, side }: Omit<Plan, 'height'>): number {
    const cell = (this.inner - (columns - 1) * GAP) / columns;
    return this.rowsOf(pictures, columns).reduce(
      (sum, row) => sum + side + Math.max(...row.map((p) => this.heightOf(`${p.number}  ${p.text}`, cell, size))) + GAP,
      0,
    );
  }
  private facesHeight(entry: KnotEntry, side: number, size: number): number {
    const beside = (this.inner - GAP) / 2 - side - 4;
    return (
      Math.max(
        side,
        ...entry.faces.map((f) => this.heightOf(`${f.face}, as it should look: ${f.shows}`, beside, size)),
      ) + GAP
    );
  }
  private wordsHeight(said: readonly (readonly [string, readonly string[]])[], size: number): number {
    return said.reduce(
      (sum, [, lines]) => sum + Math.max(size * 1.25, this.heightOf(lines.join('. '), this.inner - LABEL, size)) + 2,
      0,
    );
  }
  /** The largest pictures with letters that can well be read; where that does not leave enough for them, smaller letters. */
  private plan(entry: KnotEntry, pictures: readonly Step[], said: ReturnType<typeof words>, room: number): Plan {
    for (const sizes of LETTERS) {
      const plans = sizes.flatMap((size) =>
        (pictures.length <= 6 ? [3, 4] : [4, 5]).flatMap((columns): Plan[] => {
          const cell = (this.inner - (columns - 1) * GAP) / columns;
          const rows = Math.max(1, Math.ceil(pictures.length / columns));
          const left =
            room -
            this.stepsHeight(pictures, { size, columns, side: 0 }) -
            this.facesHeight(entry, FACE, size) -
            this.wordsHeight(said, size);
          const side = Math.min(cell, left / rows);
          return left >= 0 && (pictures.length === 0 || side >= LEAST_SIDE * cell)
            ? [{ size, columns, side, height: room }]
            : [];
        }),
      );
      if (plans.length > 0) return plans.reduce((best, p) => (p.side > best.side ? p : best));
    }
    const columns = 5;
    return { size: LETTERS.at(-1)![0]!, columns, side: 40, height: room };
  }

  draw(id: string, asked: CardAsked): void {
    const { entry } = knotById(id);
    const way = asked.way ?? entry.ways.find((w) => w.right)?.id;
    const told = entry.ways.find((w) => w.id === way);
    const pictures = stepsOf(id, way, asked.hand);
    const said = words(entry, asked);
    let y = MARGIN;
    y += this.put(entry.names[0], MARGIN, y, this.inner, 17, 'bold');
    y +=
      this.put(
        `${told ? `${told.right ? told.name : `WRONG ON PURPOSE. ${told.name}`}. ` : 'How it is tied is not shown yet. '}${asked.hand === 'left' ? 'Mirrored for left-handers. ' : ''}Needs ${entry.needs.text}.`,
        MARGIN,
        y,
        this.inner,
        8.4,
      ) + 4;
    const plan = this.plan(entry, pictures, said, this.height - MARGIN - FOOT - y);
    const cell = (this.inner - (plan.columns - 1) * GAP) / plan.columns;
    for (const row of this.rowsOf(pictures, plan.columns)) {
      let lowest = 0;
      row.forEach((p, k) => {
        const x = MARGIN + k * (cell + GAP);
        pictureOnPage(this.doc, p.picture, { x: x + (cell - plan.side) / 2, y, width: plan.side, height: plan.side });
        this.doc.lineWidth(0.4).rect(x, y, cell, plan.side).stroke('#999');
        this.doc
          .font('bold')
          .fontSize(plan.size)
          .fillColor('#000')
          .text(p.number, x, y + plan.side + 1, { width: cell, continued: true })
          .font('text')
          .text(`  ${p.text}`, { width: cell });
        lowest = Math.max(lowest, this.heightOf(`${p.number}  ${p.text}`, cell, plan.size));
      });
      y += plan.side + lowest + GAP;
    }
    // of a wrong way too: what is looked for is the right one
    const label = (face: string) => (told?.right === false ? `${face}, as it should look` : face);
    entry.faces.forEach((f, k) => {
      const half = (this.inner - GAP) / 2;
      const x = MARGIN + k * (half + GAP);
      pictureOnPage(this.doc, facePicture(id, f.face, asked.hand), { x, y, width: FACE, height: FACE });
      this.put(`${label(f.face)}: ${f.shows}`, x + FACE + 4, y, half - FACE - 4, plan.size);
    });
    y += this.facesHeight(entry, FACE, plan.size);
    for (const [label, lines] of said) {
      this.put(label, MARGIN, y, LABEL - 4, plan.size, 'bold');
      y += Math.max(plan.size * 1.25, this.put(lines.join('. '), MARGIN + LABEL, y, this.inner - LABEL, plan.size)) + 2;
    }
    const foot = this.height - FOOT;
    this.doc
      .lineWidth(0.4)
      .moveTo(MARGIN, foot - 2)
      .lineTo(this.width - MARGIN, foot - 2)
      .stroke('#666');
    this.put(`${CAUTION} Made ${asked.now.toISOString().slice(0, 10)}.`, MARGIN, foot, this.inner, 5.6);
  }
}
const LABEL = 42;
const FACE = 66;

/** @param ids knots, a page each @throws unknown-knot, unknown-way */
/** @param progress told after each; what it throws ends the work */
export async function cardsPdf(
  ids: readonly string[],
  asked: CardAsked,
  progress: (done: number, of: number) => void = () => {},
): Promise<Buffer> {
  const { doc, finished } = newDocument({
    title: ids.length === 1 ? knotById(ids[0]!).entry.names[0] : 'Knots',
    author: 'Idiom',
    made_at: asked.now,
    size: PAPERS[asked.paper],
  });
  const card = new Card(doc, asked.paper);
  for (const [k, id] of ids.entries()) {
    progress(k, ids.length);
    if (k > 0) doc.addPage({ size: [...PAPERS[asked.paper]], margin: 0 });
    card.draw(id, asked);
  }
  return finished();
}
