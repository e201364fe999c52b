/**
 * A knot entered as a signed Gauss code: one face, noted by hand. Of a code only the rope itself is known, neither where its eye is nor what
 * it is tied to, so that often several forms share it; by hand both faces are noted, and have to agree.
 */
import { fault } from '../../errors';
import { gaussCodeOf, isPlanar, parseGaussCode, reduced, renumbered, type Diagram } from '../../topology';
import { figureOf, type Figure } from './evidence';
import { type Identified } from './identify';
import { knownForms } from './known';

const FROM_CODE = { crossings: 0, matches: [], near: [], needs: [], undecided: [], invariants: {} } as const;

/** The same diagram seen from behind: over and under change places, the signs stay. */
export const fromBehind = (d: Diagram): Diagram => ({
  components: d.components.map((c) => c.map((p) => ({ ...p, over: !p.over }))),
  signs: d.signs,
});

/**
 * Whether the code of one face is that of the other: numbered in the order met, over and under changed. The back is noted as it is seen, from
 * the same end on.
 * @throws bad-code, code-not-planar
 */
export function facesAgree(front: string, back: string): boolean {
  const [f, b] = [parseGaussCode(front).diagram, parseGaussCode(back).diagram];
  const text = (d: Diagram) => gaussCodeOf(renumbered(d)).join('\n');
  return text(fromBehind(f)) === text(b);
}

/** @throws bad-code, code-not-planar, too-many-crossings */
export function identifyCode(code: string): Identified {
  const { diagram, open } = parseGaussCode(code);
  if (!isPlanar(diagram)) throw fault('code-not-planar');
  if (diagram.signs.length > 60) throw fault('too-many-crossings', { most: 60 });
  const own = figureOf(reduced(diagram));
  const invariants = { [diagram.components.length > 1 ? 'together' : 'alone']: [own.as] };
  const answer = (found: Partial<Identified>): Identified => ({
    ...FROM_CODE,
    crossings: diagram.signs.length,
    invariants,
    ...found,
  });
  // a closed line is no rope with two ends; of two ropes a code does not say which ends meet
  if (diagram.components.length !== 1 || !open[0]) return answer({ needs: ['eye-mark', 'loaded-ends', 'object'] });
  const has = (values: readonly Figure[] | undefined, mirrored: boolean) =>
    values?.some((v) => (mirrored ? v.mirrored : v.as) === own.as) ?? false;
  const fitting = knownForms().flatMap((k) => {
    const alone = k.figures['alone'];
    if (k.states.tight.laid.ropes.length !== 1 || !(has(alone, false) || has(alone, true))) return [];
    return [{ k, mirror: !has(alone, false) }];
  });
  // a plain rope is in every knot that is tied in the bight, and in none
  if (/^\|1\|/.test(own.as)) return answer({ needs: ['eye-mark', 'object'] });
  if (fitting.length === 0) return answer({});
  const names = fitting.flatMap(({ k }) => k.form.names);
  const withEye = fitting.filter(({ k }) => k.states.tight.laid.eyes.length > 0 || k.things.length > 0);
  const stoppers = fitting.filter(({ k }) => k.states.tight.laid.eyes.length === 0 && k.things.length === 0);
  if (withEye.length > 0)
    return answer({
      needs: ['eye-mark', 'object'],
      undecided: [{ between: names, by: 'whether there is an eye, and what it is tied to' }],
    });
  return answer({
    matches: stoppers.flatMap(({ k, mirror }) =>
      k.form.names.map((n) => ({
        ...n,
        relation: mirror ? ('mirror' as const) : ('same' as const),
        certainty: 'by-its-crossings' as const,
      })),
    ),
  });
}
