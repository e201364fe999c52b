/** What is drawn on a page is the picture, read back from the page's content. */
import { describe, expect, jest, test } from '@jest/globals';
import PDFDocument from 'pdfkit';
import { knotIds } from '../../core/knots/catalogue/catalogue';
import type { Picture, Shape } from '../../core/picture';
import { motionOf } from '../../core/knots/tying/motions';
import { framePicture } from '../wayPictures';
import { facePicture } from './knotFaces';
import { pictureOnPage } from './pictureOnPage';

const BOX = { x: 10, y: 20, width: 100, height: 50 };
/** All that is written into a page's content for a picture, an operator a line. */
function content(picture: Picture): string[] {
  const doc = new PDFDocument({ size: 'A4', margin: 0 });
  const said: string[] = [];
  const add = doc.addContent.bind(doc);
  jest.spyOn(doc, 'addContent').mockImplementation((text: string) => {
    said.push(text);
    return add(text);
  });
  pictureOnPage(doc, picture, BOX);
  doc.end();
  return said;
}
const painted = (said: readonly string[]) => said.filter((l) => /(^|\s)[SB]$/.test(l));
const shapesOf = (p: Picture): Shape[] => p.pieces.flatMap((piece) => piece.shapes);
const only = (p: Picture, ...shapes: Shape[]): Picture => ({
  ...p,
  pieces: [{ depth: 0, of: null, opacity: 1, shapes }],
});
const bowline = facePicture('bowline', 'front', 'right');

test('every face of every knot is drawn whole: as many shapes are painted as it has', () => {
  for (const id of knotIds())
    for (const face of ['front', 'back'] as const) {
      const picture = facePicture(id, face, 'right');
      const own = shapesOf(picture).filter((s) => s.shape !== 'cut end').length;
      const cut = shapesOf(picture).length - own;
      const said = content(picture);
      // of a cut end its edge, and its core, which is filled alone, as the ground is
      expect([id, face, painted(said).length]).toEqual([id, face, own + cut]);
      expect([id, face, said.filter((l) => l === 'f').length]).toEqual([id, face, cut + 1]);
      expect(own).toBeGreaterThan(100);
    }
});

describe('a shape', () => {
  test('a line keeps its places, its width, its colour and its ends', () => {
    const line = {
      shape: 'path',
      stroke: '#ff8000',
      width: 20,
      points: [
        { x: 1, y: -2 },
        { x: 30, y: 4 },
      ],
    } as const;
    const said = content(only(bowline, line, { ...line, round: true }));
    expect(said.slice(said.indexOf('1.000 0.502 0.000 RG'))).toEqual(
      expect.arrayContaining(['20 w', '0 J', '1 -2 m 30 4 l S', '1 J']),
    );
    // what is as before is not set again
    expect(said.filter((l) => l.endsWith(' RG'))).toHaveLength(1);
    expect(painted(said)).toHaveLength(2);
  });
  test('what is filled is closed and filled in its own colour', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 9, y: 0 },
      { x: 9, y: 9 },
    ];
    const said = content(
      only(bowline, { shape: 'path', points, closed: true, fill: '#000000', stroke: '#ffffff', width: 3 }),
    );
    expect(said).toContain('0 0 m 9 0 l 9 9 l h B');
    expect(said).toContain('0.000 0.000 0.000 rg');
  });
  test('a colour that is none is no silent black', () => {
    const line = { shape: 'path', stroke: 'red', width: 1, points: [] } as const;
    expect(() => content(only(bowline, line))).toThrow(/no colour/);
  });
});

test('it fills its box in one direction and stands in the middle of the other', () => {
  const [, , width, height] = bowline.box;
  const scale = Math.min(BOX.width / width, BOX.height / height);
  const [move] = content(bowline).filter((l) => l.endsWith(' cm'));
  const [, , , , x, y] = move!.split(' ').map(Number);
  expect(x).toBeCloseTo(BOX.x + (BOX.width - scale * width) / 2, 3);
  expect(y).toBeCloseTo(BOX.y + (BOX.height - scale * height) / 2, 3);
});

test('the other hand is another picture, and a hand in the rope is seen through', () => {
  expect(content(facePicture('bowline', 'front', 'left'))).not.toEqual(content(bowline));
  const keys = motionOf('alpine-butterfly', 'three-wrap').keys.length;
  const asked = { hand: 'right', theme: 'print', size: 240 } as const;
  const [first, last] = [0, keys - 1].map((k) => content(framePicture('alpine-butterfly', 'three-wrap', k, asked)));
  const through = (said: readonly string[]) => said.some((l) => / gs$/.test(l));
  expect([through(first!), through(last!)]).toEqual([true, false]);
});
