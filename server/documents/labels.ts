/** Labels for ropes, cords, slings and karabiners: a sheet of three by eight, each with its tag large and a code that opens its life. */
import type { RopeRow } from '../../contract';
import { Page, type PageHead } from './page';

const [COLUMNS, ROWS] = [3, 8];
const [WIDTH, HEIGHT] = [170, 92];
const [LEFT, TOP] = [42, 44];

export async function labelsPdf(
  head: PageHead,
  ropes: readonly RopeRow[],
  urlOf: (rope: RopeRow) => string,
): Promise<Buffer> {
  const page = new Page(head, 'bare');
  ropes.forEach((r, i) => {
    const at = i % (COLUMNS * ROWS);
    if (i > 0 && at === 0) page.doc.addPage({ size: 'A4', margin: 0 });
    const x = LEFT + (at % COLUMNS) * WIDTH;
    const y = TOP + Math.floor(at / COLUMNS) * HEIGHT;
    page.doc
      .rect(x, y, WIDTH - 6, HEIGHT - 6)
      .lineWidth(0.4)
      .stroke('#bbb');
    page.qr(urlOf(r), x + 4, y + 5, HEIGHT - 18);
    const tx = x + HEIGHT - 10;
    const tw = WIDTH - HEIGHT - 2;
    page.put(r.tag, tx, y + 10, tw, 'bold', r.tag.length > 8 ? 11 : 17, '#000');
    page.put(
      [
        r.diameter_mm === null ? '' : `${r.diameter_mm} mm`,
        r.kind ?? r.thing,
        r.length_m === null ? '' : `${r.length_m} m`,
      ]
        .filter(Boolean)
        .join('\n'),
      tx,
      y + 36,
      tw,
      'text',
      8,
      '#000',
    );
    if (r.state === 'retired') page.put('RETIRED', tx, y + 72, tw, 'bold', 8, '#000');
  });
  return page.finish();
}
