import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { knotById, knotIds } from '../knots/catalogue/catalogue';
import { PROFILE_IDS, shippedProfile } from '../profiles';
import {
  choose,
  MUST_PASS,
  OBJECTS,
  PULLS,
  PURPOSES,
  ROPE_KINDS,
  SCORE_PARTS,
  TEAMS,
  UNTYING_WISHES,
  type Job,
} from './index';
import { untyingAsked } from './untying';
import { TIE_IN } from './testing/jobs';

const JOB: Job = { ...TIE_IN, rope: { kind: 'dynamic', diameter_mm: 10.2 } };
const ask = (change: Partial<Job> = {}) => {
  const job = { ...JOB, ...change };
  return choose(job, shippedProfile(job.profile));
};
const EIGHT = 'figure-eight-follow-through';
const suited = (change: Partial<Job> = {}) => ask(change).suited.map((s) => s.knot);

describe('tie-ins', () => {
  test.each(PROFILE_IDS)(
    '%s: with anyone the eight comes first whatever the untying wish, its untying said as the price',
    (profile) => {
      for (const untie of ['any', 'by-hand-after-load', 'after-hard-falls'] as const) {
        const [first] = ask({ profile, untie }).suited;
        expect(first!.knot).toBe(EIGHT);
        expect(first!.score_parts.find((p) => p.part === 'untying')!.text).toMatch(/3/);
      }
      expect(ask({ profile, untie: 'after-hard-falls' }).suited[0]!.cautions.some((c) => c.rule === 'U2')).toBe(true);
    },
  );

  test.each(PROFILE_IDS)('%s: trained people after hard falls take the locked bowline', (profile) =>
    expect(suited({ profile, team: 'trained', untie: 'after-hard-falls' })).toEqual(['bowline-locked', EIGHT]),
  );

  test.each(PROFILE_IDS)('%s: the simple bowline never without lock or stopper', (profile) => {
    const c = ask({ profile });
    expect(c.suited.map((s) => s.knot)).not.toContain('bowline');
    expect(c.nearly.find((n) => n.knot === 'bowline')).toMatchObject({ change: 'add-stopper', rule: 'B1' });
  });

  test('trained people without a wish for untying take what everybody knows', () => {
    const [first, second] = ask({ team: 'trained' }).suited;
    expect([first!.knot, second!.knot]).toEqual([EIGHT, 'bowline-locked']);
    expect(first!.score_parts.find((p) => p.part === 'known-to')!.value).toBe(0);
  });

  test('a rule set that is silent about a knot is said to be', () => {
    expect(
      ask({ profile: 'rope-access' })
        .suited.find((s) => s.knot === 'bowline-locked')!
        .cautions.map((c) => c.rule),
    ).toContain('S1');
    expect(
      ask()
        .suited.find((s) => s.knot === 'bowline-locked')!
        .cautions.map((c) => c.rule),
    ).not.toContain('S1');
  });

  test('a ring load, a pull on the tail of a bowline, tape and letting go under load rule out', () => {
    expect(suited({ pulls: ['standing-eye', 'ring'] })).toEqual([]);
    expect(
      ask({ pulls: ['standing-eye', 'ring'] }).excluded.find((x) => x.knot === 'bowline')!.because[0],
    ).toMatchObject({ rule: 'P1', text: expect.stringContaining('pulls out') as unknown as string });
    expect(suited({ pulls: ['standing-eye', 'tail-eye'] })).toEqual([EIGHT]);
    expect(suited({ rope: { kind: 'webbing', diameter_mm: 25 } })).toEqual([]);
    expect(suited({ untie: 'under-load' })).toEqual([]);
  });

  test('nearly names one change that can be made: without a free end the eight waits for one, the bowline needs two and is out', () => {
    const c = ask({ end_free: false });
    expect(c.nearly.map((n) => [n.knot, n.change])).toEqual([
      ['bowline-locked', 'free-an-end'],
      [EIGHT, 'free-an-end'],
    ]);
    expect(c.excluded.map((x) => x.knot)).toContain('bowline');
  });

  test('a danger comes before the purpose', () => {
    const x = ask({ purpose: 'midline', pulls: ['ring'] }).excluded.find((e) => e.knot === 'bowline')!;
    expect(x.because[0]!.rule).toBe('P1');
    expect(x.because.at(-1)!.rule).toBe('F1');
  });
});

const job = fc.record({
  purpose: fc.constantFrom(...PURPOSES),
  profile: fc.constantFrom(...PROFILE_IDS),
  rope: fc.record({ kind: fc.constantFrom(...ROPE_KINDS), diameter_mm: fc.double({ min: 4, max: 16, noNaN: true }) }),
  second_rope: fc.constant(null),
  pulls: fc.uniqueArray(fc.constantFrom(...PULLS), { minLength: 1 }),
  object: fc.constantFrom(...OBJECTS),
  end_free: fc.boolean(),
  untie: fc.constantFrom(...UNTYING_WISHES),
  must_pass: fc.uniqueArray(fc.constantFrom(...MUST_PASS)),
  team: fc.constantFrom(...TEAMS),
  life_load: fc.boolean(),
});

const wholeTens = (mm: number) => Math.ceil(mm / 10) * 10;

describe('of two that suit', () => {
  test('the first part that differs decides, and the parts are the same for all', () => {
    fc.assert(
      fc.property(job, (asked) => {
        const { suited } = choose(asked, shippedProfile(asked.profile));
        for (const s of suited)
          expect(s.score_parts.map((p) => p.part)).toEqual(SCORE_PARTS.filter((p) => p !== 'adjusts'));
        suited.slice(1).forEach((after, k) => {
          const [a, b] = [suited[k]!, after].map((s) => s.score_parts.map((p) => p.value)) as [number[], number[]];
          const first = a.findIndex((v, i) => v !== b[i]);
          expect(first < 0 ? suited[k]!.knot < after.knot : a[first]! < b[first]!).toBe(true);
        });
      }),
      { numRuns: 60 },
    );
  });

  test('rope used and bulk are those of the set form in this rope, up to whole centimetres', () => {
    const { suited } = ask({ purpose: 'stopper', object: 'none', rope: { kind: 'dynamic', diameter_mm: 10 } });
    expect(suited.length).toBeGreaterThan(3);
    for (const s of suited) {
      const { set } = knotById(s.knot).baked.forms['right']!;
      const of = (part: string) => s.score_parts.find((p) => p.part === part)!;
      // a stopper is the better the larger it is
      expect([of('rope-used').value, -of('bulk').value]).toEqual([
        wholeTens(set.inKnot_ropeDiameters.value * 10),
        wholeTens(set.girth_ropeDiameters.value * 10),
      ]);
      expect([of('rope-used').text, of('bulk').text]).toEqual([
        `${of('rope-used').value} mm of rope in the knot`,
        `${-of('bulk').value} mm round it`,
      ]);
    }
    // not one of them as long or as thick as all the others: there is something to decide
    for (const part of ['rope-used', 'bulk'])
      expect(new Set(suited.map((s) => s.score_parts.find((p) => p.part === part)!.value)).size).toBeGreaterThan(2);
  });

  test('what is hard to undo is warned of from four of five on, three is not, and nothing where nobody asked', () => {
    const graded = new Map<number, Set<boolean>>();
    for (const purpose of PURPOSES)
      for (const object of OBJECTS)
        for (const untie of UNTYING_WISHES)
          for (const s of ask({ purpose, object, untie, team: 'trained', life_load: false }).suited) {
            const { most } = untyingAsked(knotById(s.knot).entry, { ...JOB, untie });
            const warned = s.cautions.some((c) => c.rule === 'U2');
            if (untie === 'any') expect(warned).toBe(false);
            else graded.set(most, (graded.get(most) ?? new Set()).add(warned));
          }
    for (const [most, warned] of graded) expect([most, [...warned]]).toEqual([most, [most > 3]]);
    expect([graded.has(3), graded.has(4)]).toEqual([true, true]);
  });
});

describe('other purposes', () => {
  const why = (knot: string, change: Partial<Job>) =>
    ask(change)
      .excluded.find((x) => x.knot === knot)
      ?.because.map((b) => b.rule) ?? [];
  const loop: Partial<Job> = { purpose: 'end-loop', object: 'clip', life_load: false };

  test('a stopper for a stopper, a butterfly for the middle of the rope, a noose to make fast', () => {
    expect(suited({ purpose: 'stopper', object: 'none', life_load: true })).toEqual(
      expect.arrayContaining(['figure-eight-stopper', 'double-overhand-stopper', 'trefoil-stopper']),
    );
    for (const pull of ['ring', 'cross', 'tail-eye'] as const)
      expect(suited({ purpose: 'stopper', object: 'none', pulls: ['standing-eye', pull] })).toEqual([]);
    expect(
      suited({
        purpose: 'midline',
        object: 'clip',
        end_free: false,
        pulls: ['standing-eye', 'tail-eye', 'through'],
        life_load: true,
      }),
    ).toEqual(['alpine-butterfly']);
    expect(suited({ purpose: 'hitch-object', object: 'clip', life_load: false })).toContain('barrel-noose');
  });

  test('an eye that is made first goes on a clip, not on a closed ring', () => {
    expect(suited(loop)).toContain('figure-eight-on-bight');
    expect(why('figure-eight-on-bight', { ...loop, object: 'closed-ring' })).toContain('N5');
    expect(
      ask({ ...loop, object: 'post' })
        .suited.find((s) => s.knot === 'figure-eight-on-bight')!
        .cautions.map((c) => c.rule),
    ).toContain('N6');
  });

  test('what goes on one thing only is not offered for another: a Munter on a karabiner, turns round a post', () => {
    const fast: Partial<Job> = { purpose: 'hitch-object', team: 'trained' };
    for (const object of ['clip', 'post', 'closed-ring'] as const) {
      const here = suited({ ...fast, object });
      expect([
        object,
        here.includes('tension-free-hitch'),
        here.includes('munter-mule-overhand'),
        here.includes('clove-hitch'),
        here.includes('buntline-hitch'),
      ]).toEqual([object, object === 'post', object === 'clip', object !== 'closed-ring', object !== 'post']);
    }
    expect(why('munter-mule-overhand', { ...fast, object: 'post' })).toContain('N8');
    expect(suited({ purpose: 'belay', object: 'post' })).toEqual([]);
  });

  test('a friction hitch grips another rope, which may be named; both ways only the prusik is offered to climb', () => {
    const grip: Partial<Job> = {
      purpose: 'friction',
      object: 'rope',
      rope: { kind: 'accessory-cord', diameter_mm: 7 },
      second_rope: { kind: 'low-stretch', diameter_mm: 11 },
      pulls: ['down'],
    };
    expect(suited(grip)).toEqual(expect.arrayContaining(['prusik', 'klemheist', 'distel', 'schwabisch']));
    expect(suited({ ...grip, pulls: ['down', 'up'] })).not.toContain('klemheist');
    expect(suited({ ...grip, pulls: ['down', 'up'] })).toContain('prusik');
    expect(suited({ ...grip, object: 'post' })).toEqual([]);
    expect(suited({ ...grip, untie: 'under-load' })).not.toContain('prusik');
  });

  test('the Yosemite finish never carries a life without a stopper, and its unsettled form is said first', () => {
    expect(ask({ ...loop, life_load: true }).nearly.find((n) => n.knot === 'bowline-yosemite')).toMatchObject({
      rule: 'L1',
      change: 'add-stopper',
    });
    const things = ask(loop).suited.find((s) => s.knot === 'bowline-yosemite')!;
    expect(things.cautions[0]!.rule).toBe('S3');
  });

  test('a reason names what the knot is', () => {
    const text = (knot: string) =>
      ask()
        .excluded.find((x) => x.knot === knot)!
        .because.find((b) => b.rule === 'F1')!.text;
    expect([text('overhand-stopper'), text('alpine-butterfly'), text('barrel-noose')]).toEqual([
      expect.stringContaining('a stopper'),
      expect.stringContaining('a midline loop'),
      expect.stringContaining('a noose'),
    ]);
  });

  test('what a sling of tape takes is told by its width, whatever its thickness is', () => {
    const job = {
      purpose: 'sling',
      object: 'none',
      pulls: ['through'],
      rope: { kind: 'webbing', diameter_mm: 25 },
    } as const;
    expect(ask(job).suited[0]!.score_parts.find((p) => p.part === 'rope-used')!.value).toBeLessThan(250);
  });
});

describe('any job', () => {
  test('every catalogue knot appears exactly once, each no with a reason', () => {
    fc.assert(
      fc.property(job, (j) => {
        const c = choose(j, shippedProfile(j.profile));
        expect([...c.suited, ...c.nearly, ...c.excluded].map((x) => x.knot).sort()).toEqual([...knotIds()].sort());
        for (const x of c.excluded) expect(x.because.length).toBeGreaterThan(0);
        for (const s of c.suited) expect(s.reasons.length).toBeGreaterThan(0);
      }),
      { numRuns: 300 },
    );
  });

  test('another pull or another thing to pass never makes a knot suited that was not', () => {
    fc.assert(
      fc.property(job, fc.constantFrom(...PULLS), fc.constantFrom(...MUST_PASS), (j, pull, pass) => {
        const before = new Set(choose(j, shippedProfile(j.profile)).suited.map((s) => s.knot));
        const more = { ...j, pulls: [...new Set([...j.pulls, pull])], must_pass: [...new Set([...j.must_pass, pass])] };
        for (const s of choose(more, shippedProfile(j.profile)).suited) expect(before.has(s.knot)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });

  test('a life on a ring-loaded eye, or a bare simple bowline, is never suited', () => {
    fc.assert(
      fc.property(job, (j) => {
        const s = choose({ ...j, life_load: true }, shippedProfile(j.profile)).suited.map((x) => x.knot);
        expect(s).not.toContain('bowline');
        // only the butterfly is known to stand it
        if (j.pulls.includes('ring'))
          expect(['alpine-butterfly', 'butterfly-rewoven']).toEqual(expect.arrayContaining(s));
      }),
      { numRuns: 300 },
    );
  });
});

describe('joints, hitches and friction hitches', () => {
  const webbing = { kind: 'webbing', diameter_mm: 25 } as const;
  const cord = { kind: 'accessory-cord', diameter_mm: 6 } as const;
  const because = (knot: string, change: Partial<Job>) =>
    ask(change)
      .excluded.find((x) => x.knot === knot)
      ?.because.map((b) => b.rule) ?? [];
  const join: Partial<Job> = {
    purpose: 'join',
    pulls: ['through'],
    object: 'none',
    second_rope: { kind: 'dynamic', diameter_mm: 10.2 },
    profile: 'rope-access',
  };
  const grip: Partial<Job> = {
    purpose: 'friction',
    rope: cord,
    pulls: ['down'],
    object: 'rope',
    profile: 'rope-access',
  };

  test('a second rope is joined by a joint, by nothing else; never by a square knot or a tape knot', () => {
    const offered = suited(join);
    expect(offered).toEqual(expect.arrayContaining(['figure-eight-bend', 'double-fishermans', 'butterfly-bend']));
    for (const id of ['square-knot', 'water-knot', 'bowline', 'prusik', 'clove-hitch'])
      expect(offered).not.toContain(id);
    expect(because('bowline', join)).toContain('R5');
    expect(because('square-knot', join)).toContain('L2');
    expect(because('water-knot', join)[0]).toBe('R7');
  });

  test('tape takes the water knot; whatever is not for tape says so first', () => {
    expect(
      suited({
        purpose: 'sling',
        rope: webbing,
        pulls: ['through'],
        object: 'none',
        life_load: true,
        profile: 'rescue-team',
      }),
    ).toEqual(['water-knot']);
    expect(
      because('double-fishermans', { purpose: 'sling', rope: webbing, pulls: ['through'], object: 'none' })[0],
    ).toBe('R1');
  });

  test('what grips another rope: both ways only the prusik and weakly the autoblock; a one-way hitch pulled the other way never', () => {
    expect(suited(grip)).toEqual(expect.arrayContaining(['prusik', 'klemheist', 'schwabisch', 'distel', 'michoacan']));
    expect(suited({ ...grip, pulls: ['down', 'up'] }).sort()).toEqual(['prusik']);
    expect(suited({ ...grip, pulls: ['down', 'up'], life_load: false }).sort()).toEqual(['autoblock', 'prusik']);
    for (const id of ['klemheist', 'schwabisch', 'distel', 'michoacan'])
      expect(because(id, { ...grip, pulls: ['up'] })[0]).toBe('P1');
    expect(because('prusik', { ...grip, object: 'post' })).toContain('N7');
    expect(because('bowline', grip)).toContain('N3');
  });

  test('let go while loaded: never the prusik; the hitches with a tender are', () => {
    const offered = suited({ ...grip, untie: 'under-load' });
    expect(offered).toEqual(expect.arrayContaining(['schwabisch', 'distel', 'michoacan']));
    expect(offered).not.toContain('prusik');
    expect(
      suited({
        purpose: 'releasable',
        pulls: ['standing-eye'],
        object: 'clip',
        untie: 'under-load',
        profile: 'rope-access',
      }),
    ).toEqual(expect.arrayContaining(['munter-mule-overhand']));
    expect(
      because('figure-eight-on-bight', {
        purpose: 'releasable',
        pulls: ['standing-eye'],
        object: 'clip',
        untie: 'under-load',
      }),
    ).toContain('U1');
  });

  test('half hitches and the square knot never hold a life, nothing added makes them', () => {
    for (const id of ['half-hitches', 'square-knot']) {
      const c = ask({ purpose: 'hitch-object', object: 'post', profile: 'rope-access' });
      expect(c.nearly.map((n) => n.knot)).not.toContain(id);
      expect(c.suited.map((n) => n.knot)).not.toContain(id);
    }
  });
});
