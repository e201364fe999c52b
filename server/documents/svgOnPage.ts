/**
 * Draws our own vector pictures on a page: rect, path of straight lines, circle, ellipse, and groups with scale, translate and rotate. Just
 * what core/picture writes, a test holds it to that; no general SVG.
 */
type Doc = PDFKit.PDFDocument;
type Attributes = Readonly<Record<string, string>>;

const TAG = /<(\/?)(\w+)([^>]*?)(\/?)>/g;
const attributesOf = (text: string): Attributes =>
  Object.fromEntries([...text.matchAll(/([\w-]+)="([^"]*)"/g)].map((m) => [m[1]!, m[2]!]));
const SKIPPED = new Set(['title', 'desc']);
export const DRAWN_TAGS = ['svg', 'g', 'rect', 'path', 'circle', 'ellipse'] as const;

function transformed(doc: Doc, transform: string): void {
  for (const [, name, values] of transform.matchAll(/(\w+)\(([^)]*)\)/g)) {
    const [a = 0, b = a] = values!.split(/[\s,]+/).map(Number);
    if (name === 'scale') doc.scale(a, b);
    else if (name === 'rotate') doc.rotate(a);
    else if (name === 'translate') doc.translate(a, b);
    else throw new Error(`unknown transform ${name}`);
  }
}

function paint(doc: Doc, a: Attributes): void {
  const fill = a['fill'] !== undefined && a['fill'] !== 'none' ? a['fill'] : null;
  const stroke = a['stroke'] !== undefined && a['stroke'] !== 'none' ? a['stroke'] : null;
  if (stroke)
    doc
      .lineWidth(Number(a['stroke-width'] ?? 1))
      .lineCap(a['stroke-linecap'] === 'round' ? 'round' : 'butt')
      .lineJoin(a['stroke-linejoin'] === 'round' ? 'round' : 'miter');
  if (fill && stroke) doc.fillAndStroke(fill, stroke);
  else if (fill) doc.fill(fill);
  else if (stroke) doc.stroke(stroke);
}

/** Lines and closings of a path, without the general parser: there are thousands of them on a page. */
function trace(doc: Doc, d: string): void {
  for (const [, command, values] of d.matchAll(/([MLZ])([^MLZ]*)/g)) {
    if (command === 'Z') {
      doc.closePath();
      continue;
    }
    const numbers = values!.match(/-?[\d.]+(?:e-?\d+)?/g)?.map(Number) ?? [];
    for (let k = 0; k + 1 < numbers.length; k += 2) {
      if (command === 'M' && k === 0) doc.moveTo(numbers[k]!, numbers[k + 1]!);
      else doc.lineTo(numbers[k]!, numbers[k + 1]!);
    }
  }
}

/**
 * @param box where on the page, points
 * @throws Error for a tag that core/picture does not write
 */
export function svgOnPage(
  doc: Doc,
  svg: string,
  box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
): void {
  const groups: Attributes[] = [];
  let quiet = 0;
  doc.save();
  for (const [, end, tag, text, empty] of svg.matchAll(TAG)) {
    if (SKIPPED.has(tag!)) {
      quiet += end ? -1 : empty ? 0 : 1;
      continue;
    }
    if (quiet > 0) continue;
    if (end) {
      if (tag === 'g') doc.restore();
      if (tag === 'g') groups.pop();
      continue;
    }
    const own = attributesOf(text!);
    if (tag === 'svg') {
      const [x = 0, y = 0, width = 1, height = 1] = own['viewBox']!.split(' ').map(Number);
      const s = Math.min(box.width / width, box.height / height);
      doc
        .translate(box.x + (box.width - s * width) / 2, box.y + (box.height - s * height) / 2)
        .scale(s)
        .translate(-x, -y);
      doc.rect(x, y, width, height).clip();
      continue;
    }
    const a = Object.assign({}, ...groups, own) as Attributes;
    if (tag === 'g') {
      doc.save();
      if (own['transform']) transformed(doc, own['transform']);
      groups.push(own);
      if (empty) {
        doc.restore();
        groups.pop();
      }
      continue;
    }
    const n = (name: string) => Number(a[name] ?? 0);
    // spots for touching are not for the page
    if (a['pointer-events'] !== undefined) continue;
    if (tag === 'rect') doc.rect(n('x'), n('y'), n('width'), n('height'));
    else if (tag === 'circle') doc.circle(n('cx'), n('cy'), n('r'));
    else if (tag === 'ellipse') doc.ellipse(n('cx'), n('cy'), n('rx'), n('ry'));
    else if (tag === 'path') trace(doc, a['d']!);
    else throw new Error(`no drawing of <${tag}>`);
    paint(doc, a);
  }
  doc.restore();
}
