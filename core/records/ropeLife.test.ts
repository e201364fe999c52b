import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { openDamages, refusedEvent, ropeLife, type RopeHappening } from './index';

let n = 0;
const at = (e: Omit<RopeHappening, 'id' | 'note' | 'happened_at'> & { note?: string }): RopeHappening => ({
  id: `e${n++}`,
  note: e.note ?? '',
  happened_at: '2026-05-14T09:00:00.000Z',
  ...e,
});
const cut = (end: 'tagged' | 'other', cut_m: number) => at({ event: 'end-cut', end, cut_m });
const damage = (at_m?: number, over_m?: number) =>
  at({
    event: 'damaged',
    note: 'sheath cut',
    ...(at_m !== undefined && { at_m }),
    ...(over_m !== undefined && { over_m }),
  });

describe('the life of a rope', () => {
  test('its length is what came less the ends cut off', () => {
    expect(ropeLife(60, [cut('tagged', 1.3), cut('other', 2.2)])).toMatchObject({ length_m: 56.5, cut_m: 3.5 });
    expect(ropeLife(null, [cut('tagged', 1)])).toMatchObject({ length_m: null, cut_m: 1 });
  });

  test('a cut at the tagged end moves every place, one at the other end none', () => {
    expect(ropeLife(60, [damage(12), cut('tagged', 4)]).damages[0]).toMatchObject({ at_m: 8, settled: null });
    expect(ropeLife(60, [damage(12), cut('other', 4)]).damages[0]).toMatchObject({ at_m: 12, settled: null });
  });

  test('damage is gone with the piece cut off, only where it lay wholly in it', () => {
    expect(ropeLife(60, [damage(2, 0.3), cut('tagged', 2.5)]).damages[0]!.settled).toBe('cut-off');
    expect(ropeLife(60, [damage(2, 0.3), cut('tagged', 2.2)]).damages[0]).toMatchObject({ settled: null, at_m: 0 });
    expect(ropeLife(60, [damage(2), cut('tagged', 2)]).damages[0]!.settled).toBeNull();
    // where it lay is kept of what is gone, and of what the other end's cut did not reach
    expect(ropeLife(60, [damage(2, 0.3), cut('tagged', 2.5)]).damages[0]!.at_m).toBe(-0.5);
    expect(ropeLife(60, [damage(58), cut('other', 3)]).damages[0]).toMatchObject({ settled: 'cut-off', at_m: 58 });
    expect(ropeLife(60, [damage(57), cut('other', 3)]).damages[0]!.settled).toBeNull();
    // how long it is is not known: what was at the far end may still be there
    expect(ropeLife(null, [damage(57), cut('other', 3)]).damages[0]!.settled).toBeNull();
    expect(ropeLife(60, [damage(), cut('tagged', 30), cut('other', 29)]).damages[0]!.settled).toBeNull();
  });

  test('looked into it may stay in use; retired is final', () => {
    const d = damage(12);
    const life = ropeLife(60, [d, at({ event: 'damage-settled', damage: d.id, note: 'core whole' })]);
    expect([openDamages(life), life.damages[0]!.settled]).toEqual([[], 'looked-into']);
    expect(refusedEvent(life, at({ event: 'damage-settled', damage: d.id }))!.path).toBe('damage');
    const gone = ropeLife(60, [at({ event: 'retired', note: 'ten years' })]);
    expect(gone.retired!.note).toBe('ten years');
    expect(refusedEvent(gone, at({ event: 'hard-fall' }))).toMatchObject({ path: 'event' });
  });

  test('what cannot be is refused', () => {
    const life = ropeLife(10, [cut('tagged', 4)]);
    expect(refusedEvent(life, damage(6))).toBeNull();
    expect(refusedEvent(life, damage(6.1))!.path).toBe('at_m');
    expect(refusedEvent(life, cut('other', 6))!.path).toBe('cut_m');
    expect(refusedEvent(life, at({ event: 'end-cut' }))!.path).toBe('cut_m');
    // which end, and how much: both are needed
    expect(refusedEvent(life, at({ event: 'end-cut', end: 'tagged' }))!.message).toMatch(/^needs which end/);
    expect(refusedEvent(life, at({ event: 'end-cut', cut_m: 1 }))!.message).toMatch(/^needs which end/);
    expect(refusedEvent(life, cut('tagged', 1))).toBeNull();
    expect(refusedEvent(life, at({ event: 'damage-settled', damage: 'nothing' }))!.path).toBe('damage');
  });

  test('never gets longer, and no open damage ever lies beyond its ends', () => {
    const event = fc.oneof(
      fc
        .record({
          end: fc.constantFrom('tagged' as const, 'other' as const),
          cut: fc.double({ min: 0.01, max: 3, noNaN: true }),
        })
        .map((c) => cut(c.end, c.cut)),
      fc.double({ min: 0, max: 40, noNaN: true }).map((m) => damage(m)),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 20 }), (events) => {
        const kept: RopeHappening[] = [];
        let before = 40;
        for (const e of events) {
          if (refusedEvent(ropeLife(40, kept), e)) continue;
          kept.push(e);
          const life = ropeLife(40, kept);
          expect(life.length_m!).toBeLessThanOrEqual(before);
          before = life.length_m!;
          for (const d of openDamages(life)) expect([d.at_m! >= 0, d.at_m! <= life.length_m!]).toEqual([true, true]);
        }
      }),
    );
  });
});
