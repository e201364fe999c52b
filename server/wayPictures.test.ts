import { describe, expect, test } from '@jest/globals';
import { CATALOGUE } from '../core/knots/catalogue/shelved';
import { motionOf } from '../core/knots/tying/motions';
import { cameraAt } from '../core/knots/tying/looking';
import { frameSvg, lastFrames } from './wayPictures';

const PAPER = { hand: 'right', theme: 'paper', size: 240 } as const;
const viewBox = (svg: string) =>
  /viewBox="([^"]+)"/.exec(svg)![1]!.split(' ').map(Number) as [number, number, number, number];
const pieces = (svg: string, name: string) => svg.split(`data-component="${name}"`).length - 1;
const WAYS = CATALOGUE.flatMap(({ entry, ways }) => Object.keys(ways).map((way) => [entry.id, way] as const));

describe('pictures of a way of tying', () => {
  test.each(WAYS)('%s, %s: each step has one, square, drawn in whole numbers, with its rope in it', (knot, way) => {
    for (const frame of lastFrames(knot, way)) {
      const svg = frameSvg(knot, way, frame, PAPER);
      const [, , width, height] = viewBox(svg);
      expect([svg.startsWith('<svg'), svg.includes('NaN'), svg.includes('undefined'), width === height]).toEqual([
        true,
        false,
        false,
        true,
      ]);
      expect(pieces(svg, 'rope')).toBeGreaterThan(8);
    }
  });

  test('a step that is seen near is drawn larger, and about where the knot is', () => {
    const [whole, near] = [lastFrames('bowline', 'loop')[0]!, lastFrames('bowline', 'loop')[2]!].map((frame) =>
      viewBox(frameSvg('bowline', 'loop', frame, PAPER)),
    ) as [ReturnType<typeof viewBox>, ReturnType<typeof viewBox>];
    expect(whole[2] / near[2]).toBeGreaterThan(1.3);
    // y runs down on the page, and the knot is above the middle of the whole
    expect(near[1] + near[3] / 2).toBeLessThan(whole[1] + whole[3] / 2);
    const motion = motionOf('bowline', 'loop');
    const unit = whole[2] / Math.max(cameraAt(motion, 0).width_ropeDiameters, cameraAt(motion, 0).height_ropeDiameters);
    expect(near[2] / unit).toBeCloseTo(cameraAt(motion, lastFrames('bowline', 'loop')[2]!).width_ropeDiameters, 1);
  });

  test('by the left hand the shape is mirrored about the same place, turned views and all', () => {
    for (const [knot, way, step] of [
      ['alpine-butterfly', 'lay', 3],
      ['bowline', 'loop', 2],
      ['water-knot', 'retrace', 4],
    ] as const) {
      const frame = lastFrames(knot, way)[step]!;
      const [right, left] = [frameSvg(knot, way, frame, PAPER), frameSvg(knot, way, frame, { ...PAPER, hand: 'left' })];
      const [a, b] = [viewBox(right), viewBox(left)];
      expect([Math.abs(a[0] + b[0] + b[2]) <= 1, a[1], a[2], a[3]]).toEqual([true, b[1], b[2], b[3]]);
      expect(left).not.toBe(right);
      // as many pieces of rope, give or take those at the rim
      expect(Math.abs(pieces(left, 'rope') - pieces(right, 'rope'))).toBeLessThan(4);
    }
  });

  test('the hand and the joint are in it while they are there', () => {
    const first = frameSvg('alpine-butterfly', 'lay', 0, PAPER);
    const last = frameSvg('alpine-butterfly', 'lay', motionOf('alpine-butterfly', 'lay').keys.length - 1, PAPER);
    expect([first.includes('data-palm'), last.includes('data-palm')]).toEqual([true, false]);
    const [loop, legs] = [0, motionOf('prusik', 'through-the-loop').keys.length - 1].map((frame) =>
      frameSvg('prusik', 'through-the-loop', frame, PAPER),
    ) as [string, string];
    expect([pieces(loop, 'joint') > 0, pieces(legs, 'joint')]).toEqual([true, 0]);
    // no part of the shape: what reads shapes out of pictures does not find it among the components of a frame
    expect(
      motionOf('prusik', 'through-the-loop')
        .componentsAt([0])
        .map((c) => c.name),
    ).toEqual(['rope', 'host']);
  });

  test('drawn once and kept: the same text again; otherwise for another theme, size or frame', () => {
    const asked = () => frameSvg('overhand-stopper', 'by-the-end', 5, PAPER);
    expect(asked()).toBe(asked());
    const others = [
      frameSvg('overhand-stopper', 'by-the-end', 6, PAPER),
      frameSvg('overhand-stopper', 'by-the-end', 5, { ...PAPER, theme: 'print' }),
      frameSvg('overhand-stopper', 'by-the-end', 5, { ...PAPER, size: 480 }),
    ];
    expect(new Set([asked(), ...others]).size).toBe(4);
    expect(() => frameSvg('overhand-stopper', 'no-such', 0, PAPER)).toThrow();
  });

  test('the last frames of the steps are in order, one each, the very last among them', () => {
    for (const [knot, way] of WAYS) {
      const frames = lastFrames(knot, way);
      expect([...frames].sort((a, b) => a - b)).toEqual(frames);
      expect([frames.length, frames.at(-1)]).toEqual([
        motionOf(knot, way).steps.length,
        motionOf(knot, way).keys.length - 1,
      ]);
    }
  });
});
