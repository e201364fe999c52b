/**
 * A printed page: A4, the faces of the application embedded, black on white; at the foot of every page whose it is, when it was
 * made, the record's count and head as they were then, and the page's number.
 */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import encodeQR from 'qr';
import { unpackedWoff } from './woff';

export type Doc = PDFKit.PDFDocument;

const find = createRequire(import.meta.url);
const face = (name: string) => unpackedWoff(readFileSync(find.resolve(`@fontsource/${name}`)));
let faces: Readonly<Record<string, Buffer>> | null = null;
/** The letters of most names, and the further Latin ones, which stand in files of their own. */
const facesRead = () =>
  (faces ??= {
    text: face('atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff'),
    bold: face('atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff'),
    figures: face('atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff'),
    more: face('atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff'),
  });

interface DocumentAsked {
  readonly title: string;
  readonly author: string;
  readonly made_at: Date;
  readonly size: 'A4' | readonly [number, number];
}
/** A document with our faces embedded, and how its bytes are had once it is drawn. */
export function newDocument({ title, author, made_at, size }: DocumentAsked): {
  readonly doc: Doc;
  readonly finished: () => Promise<Buffer>;
} {
  const doc = new PDFDocument({
    size: size === 'A4' ? size : [...size],
    margin: 0,
    bufferPages: true,
    compress: true,
    info: { Title: title, Author: author, Creator: 'Idiom', CreationDate: made_at },
  });
  for (const [name, bytes] of Object.entries(facesRead())) doc.registerFont(name, bytes);
  const chunks: Buffer[] = [];
  doc.on('data', (c: Buffer) => chunks.push(c));
  const ended = new Promise((done) => doc.on('end', done));
  return {
    doc,
    finished: async () => {
      doc.end();
      await ended;
      return Buffer.concat(chunks);
    },
  };
}

export interface PageHead {
  readonly title: string;
  readonly organisation: string;
  readonly demo: boolean;
  readonly made_at: Date;
  readonly count: number;
  readonly head_sha256: string;
  /** which signature over it, by which key; none where it was not signed */
  readonly signed?: string | null;
}

export const MARGIN = 48;
const WIDTH = 595.28;
const HEIGHT = 841.89;
export const TEXT_WIDTH = WIDTH - 2 * MARGIN;
const FOOT = 62;
const CAUTION =
  'A training and record-keeping aid; it gives no clearance to load. Each verdict is as it was seen then, under the rules named beside it. Rules of employer, scheme or country, the maker’s instructions and a competent person’s check always win.';

/** UTC, spelt so that it sorts and nobody has to guess a zone. */
export const momentText = (iso: string | Date): string =>
  (typeof iso === 'string' ? iso : iso.toISOString()).slice(0, 16).replace('T', ' ') + ' UTC';

type Style = 'text' | 'bold' | 'figures';
interface TextOptions {
  readonly style?: Style;
  readonly size?: number;
  readonly colour?: string;
  readonly indent?: number;
  readonly gap?: number;
}

/** What neither face has is shown as a question mark, never left out. */
const LATIN =
  /[\n\u0020-\u00ff\u0131\u0152\u0153\u02bb-\u02dc\u2000-\u206f\u2074\u20ac\u2122\u2191\u2193\u2212\u2215\ufeff\ufffd]/;
const LATIN_MORE = /[\u0100-\u02ba\u1e00-\u1eff\u20a0-\u20c0\u2113]/;

export class Page {
  readonly doc: Doc;
  private readonly finished: () => Promise<Buffer>;
  y = MARGIN;

  /** @param kind 'bare': a sheet without head and foot, as labels want it */
  constructor(
    private readonly head: PageHead,
    private readonly kind: 'page' | 'bare' = 'page',
  ) {
    ({ doc: this.doc, finished: this.finished } = newDocument({
      title: head.title,
      author: head.organisation,
      made_at: head.made_at,
      size: 'A4',
    }));
    if (kind === 'bare') return;
    this.text(head.organisation, { size: 9, colour: '#555' });
    this.text(head.title, { style: 'bold', size: 20, gap: 4 });
    if (head.demo)
      this.text('Demo data: made up, no evidence of anything', { style: 'bold', size: 10, colour: '#8a1f11', gap: 4 });
  }

  /** A new page when so much does not fit any more. */
  room(height: number): void {
    if (this.y + height <= HEIGHT - MARGIN - FOOT) return;
    this.doc.addPage({ size: 'A4', margin: 0 });
    this.y = MARGIN;
  }
  text(text: string, { style = 'text', size = 10.5, colour = '#111', indent = 0, gap = 2 }: TextOptions = {}): void {
    const width = TEXT_WIDTH - indent;
    this.doc.font(style).fontSize(size);
    const height = this.doc.heightOfString(text, { width });
    this.room(height);
    this.put(text, MARGIN + indent, this.y, width, style, size, colour);
    this.y += height + gap;
  }
  /** Text at a place, in runs of the face that has its letters. */
  put(text: string, x: number, y: number, width: number, style: Style, size: number, colour: string): void {
    const runs: { face: string; text: string }[] = [];
    for (const letter of text.normalize('NFC')) {
      const of = LATIN.test(letter) ? style : LATIN_MORE.test(letter) ? 'more' : 'none';
      const last = runs.at(-1);
      const shown = of === 'none' ? '?' : letter;
      const as = of === 'none' ? style : of;
      if (last?.face === as) last.text += shown;
      else runs.push({ face: as, text: shown });
    }
    this.doc.fillColor(colour).fontSize(size);
    runs.forEach((r, i) => {
      this.doc.font(r.face);
      const options = { width, continued: i < runs.length - 1, lineBreak: true };
      if (i === 0) this.doc.text(r.text, x, y, options);
      else this.doc.text(r.text, options);
    });
  }
  heading(text: string): void {
    this.room(44);
    this.y += 8;
    this.text(text, { style: 'bold', size: 13, gap: 3 });
  }
  rule(): void {
    this.doc
      .moveTo(MARGIN, this.y)
      .lineTo(WIDTH - MARGIN, this.y)
      .lineWidth(0.5)
      .stroke('#999');
    this.y += 4;
  }
  /** Rows of columns; the first row is the heading and stands again on each page. @param shares of the width */
  table(rows: readonly (readonly string[])[], shares: readonly number[]): void {
    const sum = shares.reduce((a, b) => a + b, 0);
    const widths = shares.map((s) => (TEXT_WIDTH * s) / sum);
    const size = 9;
    const draw = (row: readonly string[], style: Style) => {
      this.doc.font(style).fontSize(size);
      const height = Math.max(
        ...row.map((cell, i) => this.doc.heightOfString(cell === '' ? ' ' : cell, { width: widths[i]! - 6 })),
      );
      const before = this.y;
      this.room(height + 8);
      // a new page was begun
      if (this.y < before && style !== 'bold') draw(rows[0]!, 'bold');
      let x = MARGIN;
      row.forEach((cell, i) => {
        this.put(cell, x, this.y, widths[i]! - 6, style, size, '#111');
        x += widths[i]!;
      });
      this.y += height + 3;
      this.rule();
    };
    rows.forEach((r, i) => draw(r, i === 0 ? 'bold' : 'text'));
  }
  /** A QR code of an address, its upper left corner at the given place. */
  qr(text: string, x: number, y: number, side: number): void {
    const cells = encodeQR(text, 'raw', { ecc: 'medium', border: 2 });
    const cell = side / cells.length;
    this.doc.rect(x, y, side, side).fill('#fff');
    cells.forEach((row, j) =>
      row.forEach((dark, i) => dark && this.doc.rect(x + i * cell, y + j * cell, cell + 0.05, cell + 0.05)),
    );
    this.doc.fill('#000');
  }
  /** Puts the foot on every page. @returns the file */
  finish(): Promise<Buffer> {
    const { start, count } = this.doc.bufferedPageRange();
    for (let i = start; i < start + count && this.kind === 'page'; i++) {
      this.doc.switchToPage(i);
      const y = HEIGHT - MARGIN - FOOT + 14;
      this.doc
        .moveTo(MARGIN, y - 4)
        .lineTo(WIDTH - MARGIN, y - 4)
        .lineWidth(0.5)
        .stroke('#999');
      this.put(CAUTION, MARGIN, y, TEXT_WIDTH, 'text', 7.5, '#333');
      this.put(
        `Made ${momentText(this.head.made_at)} for ${this.head.organisation}. The record then: ${this.head.count} entries, head ${this.head.head_sha256}${this.head.signed ? `, signed: no. ${this.head.signed}` : ''}. Page ${i - start + 1} of ${count}.`,
        MARGIN,
        y + 26,
        TEXT_WIDTH,
        'text',
        7.5,
        '#333',
      );
    }
    return this.finished();
  }
}
