import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import fc from 'fast-check';
import { keepAlong, keptAlong, leastHelp, shownAt } from './tie/along';
import { TieAlong, useAlong } from './tie/TieAlong';
import { handsIn, wayMotion } from './tie/wayMotion';
import type { WayData } from './tie/steps';

afterEach(cleanup);
beforeEach(() => localStorage.clear());

describe('help that fades', () => {
  test('goes picture by picture, then caption by caption, until the name alone is left', () => {
    const all = (level: number) => [0, 1, 2].map((step) => shownAt(level, step, 3));
    expect([0, 1, 3, 4, 6].map(all)).toEqual([
      ['picture', 'picture', 'picture'],
      ['caption', 'picture', 'picture'],
      ['caption', 'caption', 'caption'],
      ['name', 'caption', 'caption'],
      ['name', 'name', 'name'],
    ]);
  });
  test('never gives back what it took, at whatever level and step', () => {
    const order = ['picture', 'caption', 'name'];
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.nat(24), fc.nat(11), (steps, level, step) => {
        fc.pre(step < steps);
        expect(order.indexOf(shownAt(level + 1, step, steps))).toBeGreaterThanOrEqual(
          order.indexOf(shownAt(level, step, steps)),
        );
        expect(shownAt(leastHelp(steps), step, steps)).toBe('name');
      }),
    );
  });
  test('is kept on this device, and rubbish that stands there is not taken', () => {
    keepAlong('bowline', 'loop', { level: 2, stopped: [1] });
    expect([keptAlong('bowline', 'loop'), keptAlong('bowline', 'other')]).toEqual([
      { level: 2, stopped: [1] },
      { level: 0, stopped: [] },
    ]);
    for (const rubbish of ['{', '3', '{"level":-1,"stopped":[]}', '{"level":1}']) {
      localStorage.setItem('idiom.along.bowline.loop', rubbish);
      expect(keptAlong('bowline', 'loop')).toEqual({ level: 0, stopped: [] });
    }
  });

  const Try = ({ onNext }: { onNext: () => void }) => {
    const along = useAlong('bowline', 'loop', 4);
    return <TieAlong along={along} steps={4} shown={1} onNext={onNext} onAgain={() => undefined} />;
  };
  test('the step at which one stopped is marked and stays marked; a timer goes on by itself', () => {
    jest.useFakeTimers();
    const next = jest.fn();
    render(<Try onNext={next} />);
    fireEvent.click(screen.getByRole('button', { name: 'Tie along' }));
    fireEvent.click(screen.getByRole('button', { name: 'Less help' }));
    expect(screen.getByText(/1 of 4 pictures gone/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'I stopped here' }));
    expect(keptAlong('bowline', 'loop')).toEqual({ level: 1, stopped: [1] });
    fireEvent.click(screen.getByRole('radio', { name: '8 s' }));
    act(() => void jest.advanceTimersByTime(7900));
    expect(next).not.toHaveBeenCalled();
    act(() => void jest.advanceTimersByTime(200));
    expect(next).toHaveBeenCalledTimes(1);
    jest.useRealTimers();
  });
});

/** Seen straight on, no hand in it, no joint. */
const PLAINLY = {
  camera: {
    yaw_deg: 0,
    pitch_deg: 0,
    right_ropeDiameters: 0,
    up_ropeDiameters: 0,
    width_ropeDiameters: 12,
    height_ropeDiameters: 8,
  },
  palm: null,
  joint: null,
};
/** A rope of five points that hands lead: its end is lifted. */
const DATA = {
  path: 'changes',
  making: 'end',
  box_ropeDiameters: [-4, -2, 12, 8],
  then: [],
  right: true,
  ends_in: null,
  frames: [0, 1, 2].map((k) => ({
    key: true,
    step: k === 0 ? 0 : k - 1,
    come_ropeDiameters: [k],
    caption: `c${k}`,
    hands: { left: 'holds', right: 'lifts' },
    moving: 'the end',
    ...PLAINLY,
    components: [
      {
        name: 'rope',
        role: 'rope',
        closed: false,
        diameter: 1,
        points: [0, 1, 2, 3, 4].map((x) => [x, x === 4 ? 2 * k : 0, 0]),
      },
    ],
  })),
} as unknown as WayData;

describe('a way that is worked out here', () => {
  test('goes through its key frames and smoothly between them, in the middle of the stage', () => {
    const m = wayMotion(DATA, false);
    expect([m.most, m.frame]).toEqual([2, { centreY: 2, height: 8, width: 12 }]);
    expect(m.at(1)[0]!.points[4]).toEqual([2, 2, 0]);
    const half = m.at(0.5)[0]!.points[4]!;
    expect(half[1]).toBeGreaterThan(0.5);
    expect(half[1]).toBeLessThan(1.5);
    expect(m.strides_ropeDiameters).toEqual([2, 2]);
  });
  test('is mirrored for the left hand about the middle of what is looked at', () => {
    const [right, left] = [wayMotion(DATA, false).at(1)[0]!.points, wayMotion(DATA, true).at(1)[0]!.points];
    right.forEach((p, i) => expect(left[i]).toEqual([-p[0] === 0 ? expect.closeTo(0) : -p[0], p[1], p[2]]));
  });
  test('the hand that leads is at what moves farthest, the other holds what lies still', () => {
    const m = wayMotion(DATA, false);
    const hands = handsIn(m, [0, 2], m.at(1), false);
    const leads = hands.find((h) => h.moves)!;
    expect([leads.letter, leads.at]).toEqual(['R', [2, 2, 0]]);
    expect(hands.find((h) => !h.moves)!.letter).toBe('L');
    expect(handsIn(m, [0, 2], m.at(1), true).find((h) => h.moves)!.letter).toBe('L');
  });
  test('the view goes from that of one key frame to that of the next; by the left hand it is turned, and looks aside, the other way', () => {
    const near = {
      yaw_deg: 40,
      pitch_deg: -10,
      right_ropeDiameters: 1,
      up_ropeDiameters: 3,
      width_ropeDiameters: 6,
      height_ropeDiameters: 6,
    };
    const data = { ...DATA, frames: DATA.frames.map((f, k) => (k === 1 ? { ...f, camera: near } : f)) } as WayData;
    const seen = wayMotion(data, false).cameraAt(0.5);
    expect(
      [seen.yaw_rad, seen.pitch_rad, seen.width, seen.height, seen.right, seen.up].map(
        (v) => Math.round(1000 * v) / 1000,
      ),
    ).toEqual([0.349, -0.087, 9, 7, 0.5, 1.5]);
    const left = wayMotion(data, true).cameraAt(1);
    expect([left.yaw_rad, left.right]).toEqual([-(40 * Math.PI) / 180, -1]);
    expect(wayMotion(data, false).cameraAt(9)).toMatchObject({ width: 12, height: 8, up: 0 });
  });
  test('a hand in the rope, and the joint of a loop, move with it; where one of the two key frames has none there is none', () => {
    const palm = (y: number) => ({ wrist: [0, y, 0], fingertips: [4, y, 0], width_ropeDiameters: 5 });
    const joint = (y: number) => [0, 1, 2, 3].map((x) => [x, y, 0]);
    const data = {
      ...DATA,
      frames: DATA.frames.map((f, k) => ({ ...f, palm: k === 2 ? null : palm(k), joint: k === 2 ? null : joint(k) })),
    } as unknown as WayData;
    const m = wayMotion(data, false);
    expect(m.palmAt(0.5)).toEqual({ wrist: [-2, 0.5, 0], fingertips: [2, 0.5, 0], width: 5 });
    expect(m.jointAt(0.5)).toMatchObject({
      role: 'rope',
      closed: false,
      points: [
        [-2, 0.5, 0],
        [-1, 0.5, 0],
        [0, 0.5, 0],
        [1, 0.5, 0],
      ],
    });
    expect(m.jointAt(0.5)!.diameter).toBeGreaterThan(1);
    expect([m.palmAt(1.5), m.jointAt(1.5), m.palmAt(2), m.jointAt(2)]).toEqual([null, null, null, null]);
    expect(wayMotion(data, true).palmAt(0)!.wrist).toEqual([2, 0, 0]);
  });
  test('where an end ties it is the end that is led, not the rope that slides along behind it; so is the tip of a bight', () => {
    // the whole of it slides a long way; most at its standing part
    const frames = DATA.frames.map((f, k) => ({
      ...f,
      come_ropeDiameters: [4 * k],
      components: [
        {
          ...f.components[0]!,
          points: [0, 1, 2, 3, 4].map((x): [number, number, number] => [x, 0, 0]),
          marks: { eye: 2 },
        },
      ],
    }));
    const end = wayMotion(
      { ...DATA, path: 'stays', frames: frames.map((f, k) => ({ ...f, come_ropeDiameters: [2 + k] })) } as WayData,
      false,
    );
    const now = end.at(2);
    expect(handsIn(end, [0, 2], now, false).find((h) => h.moves)!.at).toEqual(now[0]!.points.at(-1));
    const joined = {
      ...DATA,
      frames: DATA.frames.map((f) => ({
        ...f,
        joint: [
          [0, 0, 0],
          [0, 0, 0],
          [0, 0, 0],
          [0, 0, 0],
        ],
      })),
    } as unknown as WayData;
    const loop = wayMotion(joined, false);
    expect(handsIn(loop, [0, 2], loop.at(1), false).find((h) => h.moves)!.at).toEqual(loop.at(1)[0]!.points[0]);
  });
  test('gone near to it, hands are marked only where they are seen', () => {
    const at = {
      ...PLAINLY.camera,
      width_ropeDiameters: 4,
      height_ropeDiameters: 8 / 3,
      right_ropeDiameters: -1,
      up_ropeDiameters: -2,
    };
    const m = wayMotion({ ...DATA, frames: DATA.frames.map((f) => ({ ...f, camera: at })) } as WayData, false);
    for (const {
      at: [x, y],
    } of handsIn(m, [0, 2], m.at(1), false))
      expect([Math.abs(x + 1) < 2, Math.abs(y) < 4 / 3]).toEqual([true, true]);
  });
});
