/** Draws a picture of a knot on a page. Written straight into the page's content: there are thousands of lines on it. */
import { CUT_END, UNITS, type Picture, type Shape } from '../../core/picture';

type Doc = PDFKit.PDFDocument;
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const HEX = /^#(..)(..)(..)$/;
/** A colour as a page's content names it. */
function colour(hex: string): string {
  const [, ...parts] = HEX.exec(hex) ?? [];
  if (parts.length !== 3) throw new Error(`no colour: ${hex}`);
  return parts.map((p) => (parseInt(p, 16) / 255).toFixed(3)).join(' ');
}

/** Draws shapes one after another; a colour or width is set only where it is another than before. */
class Brush {
  private readonly set = new Map<string, string>();
  constructor(private readonly doc: Doc) {}

  private use(operator: string, value: string): void {
    if (this.set.get(operator) === value) return;
    this.set.set(operator, value);
    this.doc.addContent(`${value} ${operator}`);
  }
  draw(s: Shape): void {
    if (s.shape === 'cut end') {
      this.cutEnd(s);
      return;
    }
    this.use('RG', colour(s.stroke));
    this.use('w', String(s.width));
    if (s.fill !== undefined) this.use('rg', colour(s.fill));
    if (s.shape === 'circle') {
      this.doc.circle(s.centre.x, s.centre.y, s.radius).addContent('B');
      return;
    }
    this.use('J', s.round ? '1' : '0');
    let path = '';
    for (const p of s.points) path += `${p.x} ${p.y} ${path === '' ? 'm ' : 'l '}`;
    this.doc.addContent(`${path}${s.closed ? 'h ' : ''}${s.fill === undefined ? 'S' : 'B'}`);
  }
  private cutEnd({ at, turned_deg, sheath, casing, core }: Shape & { readonly shape: 'cut end' }): void {
    const { doc } = this;
    doc.save().translate(at.x, at.y).rotate(turned_deg).scale(UNITS).lineWidth(CUT_END.casing);
    doc.ellipse(0, 0, ...CUT_END.sheath).fillAndStroke(sheath, casing);
    doc.ellipse(0, 0, ...CUT_END.core).fill(core);
    doc.restore();
  }
}

/** @param box where on the page, points: the picture fills it in one direction and stands in its middle in the other */
export function pictureOnPage(doc: Doc, { box: [x, y, width, height], ground, pieces, mark }: Picture, box: Box): void {
  const s = Math.min(box.width / width, box.height / height);
  doc.save();
  doc
    .translate(box.x + (box.width - s * width) / 2, box.y + (box.height - s * height) / 2)
    .scale(s)
    .translate(-x, -y);
  doc.rect(x, y, width, height).clip();
  if (ground !== null) doc.rect(x, y, width, height).fill(ground);
  doc
    .save()
    .scale(1 / UNITS)
    .lineJoin('round');
  const brush = new Brush(doc);
  for (const piece of pieces) {
    if (piece.opacity === 1) {
      piece.shapes.forEach((shape) => brush.draw(shape));
      continue;
    }
    doc.save().opacity(piece.opacity);
    const through = new Brush(doc);
    piece.shapes.forEach((shape) => through.draw(shape));
    doc.restore();
  }
  doc.restore();
  if (mark)
    mark.colours.forEach((c, k) =>
      doc
        .lineWidth(k === 0 ? 0.34 : 0.16)
        .circle(mark.x, mark.y, mark.radius)
        .stroke(c),
    );
  doc.restore();
}
