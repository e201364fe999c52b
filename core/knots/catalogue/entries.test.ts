/** What the entries say: every starred check of practice is asked, every fact has its source, nothing is derived. */
import { describe, expect, test } from '@jest/globals';
import { behaviour } from '../facts/behaviour';
import { ENTRIES } from './entries';
import { entryById } from './lookup';
import { generalFactsMarkdown, generalFactsOf } from '../../../scripts/docs/generalFacts';
import type { KnotEntry, Pull } from '../facts/types';

const PULLS: readonly Pull[] = ['standing-eye', 'tail-eye', 'through', 'cross', 'ring', 'all', 'up', 'down'];

/** All words of a knot's check points. */
const asked = (id: string): string =>
  entryById(id)
    .check_points.map((p) =>
      [p.question, p.help, p.right.label, p.count?.of, p.count?.is, ...p.wrong.map((w) => w.label)].join(' '),
    )
    .join('\n');
/** All words of an entry that are from practice and no check. */
const said = (e: KnotEntry): string => JSON.stringify(e);

/** The checks that practice insists on, knot by knot, and what must be asked for them. */
const STARRED: readonly (readonly [string, readonly RegExp[]])[] = [
  ['double-overhand-stopper', [/two wraps/i, /end through both/i]],
  ['figure-eight-stopper', [/one full turn/i]],
  ['figure-nine-stopper', [/one and a half turns/i]],
  ['trefoil-stopper', [/pulling the standing part shut the bight/i, /three even lobes/i, /round the back/i]],
  ['overhand-on-bight', [/side by side/i, /four/i]],
  ['figure-eight-on-bight', [/side by side at|two strands at every place/i, /four strands/i, /full turn/i]],
  ['figure-nine-on-bight', [/one and a half turns/i]],
  [
    'figure-eight-follow-through',
    [
      /never brought back/i,
      /neither may cross/i,
      /left the path|leaves the path/i,
      /both points|both harness points/i,
      /each leg/i,
      /small/i,
    ],
  ],
  ['bowline', [/collar/i, /nipping loop/i]],
  ['double-bowline', [/both turns/i]],
  ['bowline-yosemite', [/tells it from the double bowline/i, /small eye/i, /stopper/i]],
  ['bowline-locked', [/three strands/i, /between the two/i, /daylight|light/i, /tail/i]],
  [
    'barrel-noose',
    [/slide shut/i, /standing part and returning leg/i, /under both/i, /double overhand stopper in the tag/i],
  ],
  [
    'buntline-hitch',
    [
      /trapped between the hitch and the clip/i,
      /bounced? with body weight/i,
      /one rope thickness/i,
      /worked away from the clip/i,
    ],
  ],
  ['double-figure-eight-loop', [/folded over the whole/i]],
  ['bowline-on-bight', [/two even eyes/i, /round both/i]],
  [
    'alpine-butterfly',
    [
      /parallel/i,
      /a cross where a true one has none/i,
      /down inside its partner/i,
      /asking the one who tied it is no check/i,
      /both rope ends/i,
    ],
  ],
  ['butterfly-rewoven', [/nothing between them/i, /do the opposite/i, /loop closed/i]],
  ['inline-eight', [/out of the same place/i, /one way only/i]],
  ['figure-eight-bend', [/opposite sides/i]],
  [
    'flemish-bend-with-bight',
    [
      /three/i,
      /two of the first rope, one of the second/i,
      /enter where the eye comes out/i,
      /each rope end, then each leg/i,
    ],
  ],
  ['double-fishermans', [/nest/i, /two and two/i]],
  ['triple-fishermans', [/three and three/i]],
  ['offset-overhand', [/flat side to the rock/i, /long/i, /tidy/i]],
  ['water-knot', [/flat on flat/i, /webbing only/i, /creep/i, /backed on both sides/i]],
  ['square-knot', [/never be the only thing that holds/i]],
  ['clove-hitch', [/identical loops/i, /not mirror images/i, /locked/i]],
  ['munter-hitch', [/each time the hitch has flipped/i, /away from the gate/i]],
  ['munter-mule-overhand', [/in front of the load strand/i, /round everything/i]],
  ['half-hitches', [/security behind something else/i]],
  ['tension-free-hitch', [/three or four turns/i, /none crossing/i, /carries next to nothing/i]],
  ['slipped-eight', [/running side/i, /half hitch on the eye’s neck/i]],
  ['tie-in-stopper', [/no gap/i, /round what/i]],
  ['prusik', [/above the bridge as below/i, /slide by hand, then bite, then hold body weight/i, /joint/i]],
  ['klemheist', [/through the upper bight/i, /right way up/i]],
  ['autoblock', [/both bights/i, /joint/i]],
  ['schwabisch', [/one below the reversal and four above/i, /same side/i]],
  ['distel', [/five turns/i, /one leg leave over and one under/i]],
  ['michoacan', [/four turns and the tucked one/i, /up through the opened bottom turn/i]],
];

describe('checks that practice insists on', () => {
  test.each(STARRED)('%s asks for each', (id, checks) => {
    for (const check of checks) expect(asked(id)).toMatch(check);
  });

  test('every knot can be walked through: it is named, both its faces are asked for, and what else could load it', () => {
    for (const e of ENTRIES) {
      const faces = new Set(
        e.check_points.flatMap((p) => [
          p.right.picture.face,
          ...p.wrong.flatMap((w) => (w.picture ? [w.picture.face] : [])),
        ]),
      );
      expect([e.id, [...faces].sort()]).toEqual([e.id, ['back', 'front']]);
      expect([e.id, e.check_points.length >= 4]).toEqual([e.id, true]);
      expect(new Set(e.check_points.map((p) => p.id)).size).toBe(e.check_points.length);
    }
  });

  test('every fault of an entry can be found at one of its points; tails are measured', () => {
    for (const e of ENTRIES) {
      // what is left in a rope after untying is found then, at no point of a walk
      const found = new Set(e.check_points.flatMap((p) => p.wrong.map((w) => w.fault)));
      expect([
        e.id,
        e.faults
          .map((f) => f.id)
          .filter(
            (f) =>
              !found.has(f) &&
              f !== 'tail-short' &&
              f !== 'tail-long' &&
              f !== 'first-eight-left' &&
              !(
                f === 'other-ends-loaded' &&
                e.id.includes('bowline') &&
                e.check_points.every((p) => p.id !== 'otherwise')
              ),
          ),
      ]).toEqual([e.id, []]);
      if (e.faults.some((f) => f.id === 'tail-short'))
        expect([e.id, e.check_points.some((p) => p.id === 'tail')]).toEqual([e.id, true]);
    }
  });

  test('the most dangerous wrong form comes first', () => {
    const grave = { 'take-out-and-retie': 0, 'put-right': 1, remark: 2 } as const;
    for (const e of ENTRIES)
      for (const p of e.check_points) {
        const order = p.wrong.map((w) => grave[e.faults.find((f) => f.id === w.fault)!.verdict]);
        expect([e.id, p.id, order]).toEqual([e.id, p.id, order.slice().sort()]);
      }
  });
});

/** Pulls under which a knot fails, and those to be avoided: what an entry may not lose by a slip. */
const NOT_TO_BE_LOADED: Readonly<Record<string, readonly [fails: string, avoid: string]>> = {
  'barrel-noose': ['', 'tail-eye'],
  bowline: ['tail-eye ring', ''],
  'bowline-on-bight': ['', 'through all'],
  'bowline-yosemite': ['tail-eye ring', ''],
  'buntline-hitch': ['', 'tail-eye'],
  'butterfly-bend': ['', 'cross'],
  'clove-hitch': ['', 'through'],
  distel: ['up', ''],
  'double-figure-eight-loop': ['', 'ring'],
  'double-fishermans': ['', 'cross'],
  'figure-eight-bend': ['ring', 'cross'],
  'figure-eight-follow-through': ['', 'through ring'],
  'figure-eight-on-bight': ['', 'through ring'],
  'figure-nine-on-bight': ['', 'through ring'],
  'flemish-bend-with-bight': ['', 'ring'],
  'girth-hitch': ['', 'ring'],
  'half-hitches': ['tail-eye', 'standing-eye'],
  'inline-eight': ['cross tail-eye', 'through'],
  klemheist: ['up', ''],
  michoacan: ['up', ''],
  'munter-hitch': ['', 'through'],
  'munter-mule-overhand': ['', 'tail-eye'],
  'offset-double-overhand': ['', 'cross'],
  'offset-overhand': ['', 'cross'],
  'overhand-on-bight': ['', 'through ring'],
  schwabisch: ['up', ''],
  'slipped-eight': ['through', 'tail-eye'],
  'square-knot': ['ring', 'through'],
  'tension-free-hitch': ['', 'tail-eye'],
  'tie-in-stopper': ['', 'through'],
  'triple-fishermans': ['', 'cross'],
  'two-strand-backup': ['', 'through'],
};

describe('facts and their sources', () => {
  test('what fails and what is to be avoided is kept as it is, knot by knot', () => {
    const of = (e: (typeof ENTRIES)[number], grade: string) =>
      e.pulls
        .filter((p) => p.grade === grade)
        .map((p) => p.pull)
        .join(' ');
    const all = Object.fromEntries(
      ENTRIES.filter((e) => of(e, 'fails') + of(e, 'avoid') !== '').map((e) => [
        e.id,
        [of(e, 'fails'), of(e, 'avoid')],
      ]),
    );
    expect(all).toEqual(NOT_TO_BE_LOADED);
    for (const e of ENTRIES) expect(new Set(e.pulls.map((p) => p.pull)).size).toBe(e.pulls.length);
  });

  test('pulls that practice grades are kept as they are', () => {
    const grade = (id: string, pull: Pull) => behaviour(entryById(id), pull).grade;
    expect([grade('figure-eight-on-bight', 'standing-eye'), grade('figure-eight-on-bight', 'through')]).toEqual([
      'made',
      'avoid',
    ]);
    expect([grade('bowline', 'tail-eye'), grade('bowline', 'ring')]).toEqual(['fails', 'fails']);
    expect([grade('alpine-butterfly', 'all'), grade('alpine-butterfly', 'ring')]).toEqual(['made', 'ok']);
    expect([grade('inline-eight', 'standing-eye'), grade('inline-eight', 'cross')]).toEqual(['made', 'fails']);
    expect([grade('klemheist', 'down'), grade('klemheist', 'up'), grade('prusik', 'up')]).toEqual([
      'made',
      'fails',
      'made',
    ]);
    expect(grade('square-knot', 'through')).toBe('avoid');
  });

  test('a pull that an entry does not name is not known, with no source', () => {
    for (const e of ENTRIES)
      for (const pull of PULLS.filter((p) => !e.pulls.some((g) => g.pull === p)))
        expect(behaviour(e, pull)).toEqual({
          grade: 'not-known',
          condition: '',
          what_happens: 'not known',
          source: null,
        });
  });

  test('untying by condition: the double fisherman’s 5, the butterfly 2, the bowline 1; only what can be let go says so', () => {
    const undo = (id: string, condition: string) => entryById(id).untying.find((u) => u.condition === condition);
    expect([
      undo('double-fishermans', 'ordinary-load')!.most,
      undo('alpine-butterfly', 'ordinary-load')!.most,
      undo('bowline', 'ordinary-load')!.most,
    ]).toEqual([5, 2, 1]);
    expect(
      ENTRIES.filter((e) => e.untying.some((u) => u.condition === 'under-load' && u.most <= 3))
        .map((e) => e.id)
        .sort(),
    ).toEqual(['autoblock', 'distel', 'michoacan', 'munter-hitch', 'munter-mule-overhand', 'schwabisch']);
    for (const e of ENTRIES) for (const u of e.untying) expect(u.least).toBeLessThanOrEqual(u.most);
  });

  test('the list of general facts holds every one of them, and none from practice', () => {
    const page = generalFactsMarkdown();
    for (const e of ENTRIES) {
      const facts = generalFactsOf(e);
      for (const f of facts) expect(page).toContain(f.text.replaceAll('|', '\\|'));
      for (const p of e.pulls)
        expect([e.id, p.pull, facts.some((f) => f.about === `pull ${p.pull}`)]).toEqual([
          e.id,
          p.pull,
          p.source === 'general',
        ]);
    }
  });

  test('no entry names a profile: which knots a rule set accepts stands in the rule set', () => {
    for (const e of ENTRIES)
      expect(said(e)).not.toMatch(/sport crag|rope access|rescue team|tree work|river and expedition/i);
  });
});
