import { describe, expect, test } from '@jest/globals';
import { ENTRIES } from '../catalogue/entries';
import { AMBIGUOUS, ambiguity, normalised, searchKnots } from './search';

const find = (text: string) => searchKnots(ENTRIES, text);

describe('searching by name', () => {
  test('every usual name of every knot finds it, typed any way', () => {
    for (const e of ENTRIES)
      for (const name of e.names) {
        expect([name, find(name).knots.includes(e.id)]).toEqual([name, true]);
        expect([name, find(`  ${name.toUpperCase().replaceAll('-', ' ')} `).knots.includes(e.id)]).toEqual([
          name,
          true,
        ]);
        expect([name, find(name.slice(0, -2)).knots.includes(e.id)]).toEqual([name, true]);
      }
  });

  test('nothing typed shows all, nonsense shows none', () => {
    expect(find('').knots).toHaveLength(ENTRIES.length);
    expect(find('sheepdog').knots).toEqual([]);
  });

  test('figures written as numbers or in other words', () => {
    expect(normalised('Figure-of-8 on a bight')).toBe('figure eight on a bight');
    for (const text of ['fig 8 on a bight', 'figure of eight loop', 'Figure 8 bight'])
      expect(find(text).knots).toContain('figure-eight-on-bight');
    expect(find('scaffold').knots).toEqual(['barrel-noose']);
    expect(find('poachers knot').knots).toEqual(['barrel-noose']);
  });

  test('the family finds its knots', () => expect(find('noose').knots).toEqual(['barrel-noose', 'buntline-hitch']));
});

describe('names that are not a knot’s own here', () => {
  test.each([
    ['European death knot', 'offset-overhand'],
    ['edk', 'offset-overhand'],
    ['french prusik', 'autoblock'],
    ['classic prusik', 'prusik'],
    ['prusik loop', 'prusik'],
    ['three wrap prusik', 'prusik'],
    ['tensionless', 'tension-free-hitch'],
    ['rethreaded alpine butterfly', 'butterfly-rewoven'],
    ['rewoven alpine butterfly', 'butterfly-rewoven'],
    ['double fisherman’s bend', 'double-fishermans'],
  ])('“%s” leads to the %s alone, and it is said by which name', (text, knot) => {
    const { knots, called } = find(text);
    expect(knots).toEqual([knot]);
    expect(called.map((c) => c.knot)).toEqual([knot]);
    expect(normalised(called[0]!.name)).toContain(normalised(text));
  });

  test('as it is often written', () => {
    for (const text of ['prussic', 'prussik', 'Prusic']) expect(find(text).knots).toContain('prusik');
  });

  test('a knot’s own name, and nothing typed, is not told as another one', () => {
    for (const e of ENTRIES)
      for (const name of e.names) expect(find(name).called.map((c) => c.knot)).not.toContain(e.id);
    expect(find('')).toMatchObject({ called: [], faults: [], ways: [] });
  });
});

describe('faults and ways', () => {
  test('every fault and every way of the catalogue is found by its name', () => {
    for (const e of ENTRIES) {
      for (const f of e.faults)
        if (f.name.length > 3) expect(find(f.name).faults).toContainEqual({ knot: e.id, fault: f.id, name: f.name });
      for (const w of e.ways) expect(find(w.name).ways).toContainEqual({ knot: e.id, way: w.id, name: w.name });
    }
  });

  test('a fault is found by another word for it, and is no knot', () => {
    for (const text of ['false butterfly', 'dragonfly'])
      expect(find(text)).toMatchObject({
        knots: [],
        faults: [{ knot: 'alpine-butterfly', fault: 'false-butterfly' }],
      });
  });

  test('three letters find none, four may', () => {
    expect(find('twi')).toMatchObject({ faults: [], ways: [] });
    expect(find('twis').faults.length + find('twis').ways.length).toBeGreaterThan(0);
  });
});

describe('names that stand for several', () => {
  const asked = [
    'double overhand',
    'Double-Overhand knot',
    'double eight',
    'double figure-eight',
    'barrel',
    'barrel knot',
    'overhand bend',
    'follow-through',
    'safety knot',
    'stopper',
    'stopper knot',
    'backup knot',
    'back-up knot',
    'bunny ears',
    'ears',
    'rabbit',
    'double fisherman',
    'double fisherman’s knot',
    'half fisherman’s',
    'fisherman’s bend',
    'post-eye',
  ];
  test.each(asked)('"%s" asks', (text) => {
    const { ask, knots } = find(text);
    expect(ask!.meanings.length).toBeGreaterThan(0);
    for (const m of ask!.meanings) if (m.knot) expect(knots).toContain(m.knot);
  });

  test('a name that says which is not asked about', () => {
    for (const text of [
      'double overhand stopper',
      'barrel noose',
      'figure-eight follow-through',
      'bowline',
      'figure-eight stopper',
    ])
      expect(ambiguity(text)).toBeNull();
  });

  test('every meaning that names a knot names one of the catalogue', () => {
    const ids = ENTRIES.map((e) => e.id);
    for (const a of AMBIGUOUS) for (const m of a.meanings) if (m.knot) expect(ids).toContain(m.knot);
  });
});
