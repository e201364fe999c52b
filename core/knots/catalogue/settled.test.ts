/**
 * A form that is called settled is the knot that was settled. What tells it as that knot (its invariants in its three states, ends joined, eyes held
 * fast, with what it is tied to) is written here by hand, apart from its proof: whoever settles a form, by an independent figure or by a second
 * derivation (invariants.test.ts), adds its line; whoever changes a shape so that it becomes another knot is stopped here, however it is proved anew.
 */
import { expect, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ENTRIES } from './entries';

/** By knot, the beginning of the hash of its invariants. */
const SETTLED: Readonly<Record<string, string>> = {
  'alpine-butterfly': '8e6cd80a960f6a44',
  autoblock: '2fa8073dccbc708f',
  'barrel-noose': '5380d5748cbd97ce',
  bowline: 'caf90725e6fd55ec',
  'bowline-locked': '9dd6c62d8ab036e7',
  'bowline-on-bight': '8065837ec8f4f433',
  'buntline-hitch': '73a0c7d2dad3c7f2',
  'butterfly-bend': 'f82d920a4b1916a8',
  'butterfly-rewoven': '8e6cd80a960f6a44',
  'clove-hitch': '28829682d34ebc47',
  distel: '0fe92e32a618e386',
  'double-bowline': '45b284fded2da81c',
  'double-figure-eight-loop': '8065837ec8f4f433',
  'double-fishermans': '455cdec6494d313e',
  'double-overhand-stopper': '49141f22716a315f',
  'figure-eight-bend': 'e30f35ad5353db30',
  'figure-eight-follow-through': '192807efadfc4f23',
  'figure-eight-on-bight': '192807efadfc4f23',
  'figure-eight-stopper': '084f0c20d751a3b4',
  'figure-nine-on-bight': '98ba8527b77bf6b5',
  'figure-nine-stopper': '1ad32fb5a648301e',
  'flemish-bend-with-bight': '94a7a50a3d018e13',
  'girth-hitch': '86cf15b3d95dd983',
  'half-hitches': 'dadaa00ddcd83cb2',
  'inline-eight': '215bab0c2ea3480c',
  klemheist: '71a435073f4f4733',
  'munter-hitch': '97616093ee455a24',
  'offset-double-overhand': '6a5ee89d1d59b63b',
  'offset-overhand': 'fdb91a86e26b274c',
  'overhand-on-bight': 'e0bc13e8dacbecdf',
  'overhand-stopper': 'fa13efeaefa26b36',
  prusik: 'ce8ba100cb1d953a',
  schwabisch: '2e15d3a0a28084c8',
  'slipped-eight': '04770697aa0d1351',
  'square-knot': '9a17c2e654dbc6b4',
  'tension-free-hitch': 'a7129b05ad332c17',
  'tie-in-stopper': 'eeb5667b4bde3fac',
  'trefoil-stopper': '791d0e08cb8cd967',
  'triple-fishermans': '539da3683715f7a9',
  'water-knot': '9e3d43458f1fbe7b',
};

/** As it was proved; that the shape has these invariants is computed anew in every run, with the proofs. */
function told(knot: string): string {
  const file = join(import.meta.dirname, '../shelf', knot, 'proof.json');
  const { form } = JSON.parse(readFileSync(file, 'utf8')) as { form: { right: { figures: { invariants: unknown } } } };
  return createHash('sha256').update(JSON.stringify(form.right.figures.invariants)).digest('hex').slice(0, 16);
}

test('what is called settled has its line here, and what has a line is called settled', () => {
  const called = ENTRIES.filter((e) => e.form_certainty === 'settled').map((e) => e.id);
  expect(called.sort()).toEqual(Object.keys(SETTLED).sort());
});

test.each(Object.entries(SETTLED))('%s is still the knot that was settled', (knot, is) => expect(told(knot)).toBe(is));
