/** Forms that a specimen may be: as which it lies, and whose figures it has. */
import { STATES, type ShapeState } from '../../knots/facts/types';
import type { Evidence } from './evidence';
import { apartAllAlong } from './apart';
import { beginningsOf, fitOf, type Fit, type Template } from './fit';
import { agrees, type Figures, type Prepared } from './figures/formFigures';
import { type Known, knownForms, couldBe, fallsApart, ringsOf } from './known';

/** As near as this to a stored form a shape lies as it does: on the whole, and everywhere, less than half of what strands are apart. Diameters. */
const LIES_AS = { mean: 0.2, most: 0.485 };

/** Not much farther than that it lies nearly as the stored form does, and something differs: then figures alone name nothing. */
const NEARLY = { mean: 0.3, most: 1.6 };

export interface Candidate {
  readonly known: Known;
  readonly mirror: boolean;
  readonly state: ShapeState;
  readonly fit: Fit;
  /** the specimen's ropes stand in the other order than the form's */
  readonly turned: boolean;
  readonly apart: number;
}

const inOrder = (p: Prepared, turned: boolean) => (turned ? p.template.gauges.slice().reverse() : p.template.gauges);

const orders = (k: Known) =>
  k.states.tight.laid.ropes.length === 2 && k.states.tight.laid.eyes.length === 0 ? [false, true] : [false];

/** Farther apart than this at first sight a form is not laid on the specimen more closely: diameters, and a share of the rope that is compared. */
const AT_FIRST_SIGHT = { by: 1.2, share: 0.009 };

const knotLength = ({ gauges, places }: Template): number =>
  gauges.reduce(
    (sum, _, rope) =>
      sum + (places.findLast((q) => q.rope === rope)?.s ?? 0) - (places.find((q) => q.rope === rope)?.s ?? 0),
    0,
  );

/** Ropes whose lengths differ by no more than this may be one form's whole ropes, as a share and in diameters. */
const AS_LONG = { share: 0.03, by: 1.5 };

const asLong = (form: Prepared, gauges: Prepared['template']['gauges']): boolean =>
  form.lengths.every((length, k) => Math.abs(length - gauges[k]!.s.at(-1)!) <= AS_LONG.by + AS_LONG.share * length);

type Nearly = Pick<Candidate, 'known' | 'mirror'>;

/** Forms as which the specimen lies, nearest first. Those whose ropes are as long are looked at first; the others where none of them is it. */
export function lyingAs(p: Prepared): { lying: Candidate[]; nearly: Nearly[] } {
  const nearly: Nearly[] = [];
  const looked = (wanted: boolean) =>
    knownForms()
      .filter((k) => couldBe(k, p))
      .flatMap((k): Candidate[] =>
        orders(k).flatMap((turned) => {
          const gauges = inOrder(p, turned);
          return STATES.flatMap((state): Candidate[] => {
            if (asLong(k.states[state], gauges) !== wanted) return [];
            const { template } = k.states[state];
            const unless = AT_FIRST_SIGHT.by + AT_FIRST_SIGHT.share * knotLength(template);
            const begun = beginningsOf(template, gauges, unless);
            return [false, true].flatMap((mirror): Candidate[] => {
              const fit = fitOf(template, gauges, mirror, unless, begun);
              if (!fit || fit.apart > NEARLY.mean) return [];
              const all = apartAllAlong(template, gauges, fit, mirror);
              if (all.mean <= NEARLY.mean && all.most <= NEARLY.most) nearly.push({ known: k, mirror });
              return all.mean <= LIES_AS.mean && all.most <= Math.max(LIES_AS.most, k.states[state].closest / 2)
                ? [{ known: k, mirror, state, fit: all.fit, turned, apart: all.mean }]
                : [];
            });
          });
        }),
      )
      .sort((a, b) => a.apart - b.apart);
  const found = looked(true);
  return { lying: found.length > 0 ? found : looked(false), nearly };
}

/** Forms that differ from the right one by the size of an eye alone: a drawing's eye may have any size. */
const SIZES: readonly string[] = ['eye-too-large', 'ears-unequal'];

export const withoutRings = (figures: Figures): Figures =>
  Object.fromEntries(Object.entries(figures).filter(([name]) => !name.includes('ring')));

/** Figures that every form has to have which is named by its figures. */
const TELLING: readonly string[] = [
  'alone',
  'second alone',
  'eye',
  'each with itself',
  'standing with tail',
  'standing with standing',
  'with the bar',
  'all together',
];

/** Forms whose figures the specimen has, nearest first. */
export function byFigures(p: Prepared, evidence: Evidence): Candidate[] {
  return knownForms()
    .filter((k) => couldBe(k, p) && !k.plain && !fallsApart(k.form) && !SIZES.includes(k.form.form))
    .flatMap((k): Candidate[] => {
      const wanted = ringsOf(k);
      if (wanted === 0 && p.laid.rings.some((_, n) => Number(evidence[`turns in ring ${n + 1}`]?.[0]?.as ?? 0) > 1))
        return [];
      const figures = wanted > 0 && wanted === p.laid.rings.length ? k.figures : withoutRings(k.figures);
      // a form that has no figure of its own where the specimen has one is not told by figures
      if (Object.keys(evidence).some((name) => TELLING.includes(name) && !figures[name])) return [];
      return [false, true].flatMap((mirror): Candidate[] => {
        if (!agrees(evidence, figures, mirror)) return [];
        const all = orders(k).flatMap((turned) =>
          STATES.map((state): Candidate => {
            const fit = fitOf(k.states[state].template, inOrder(p, turned), mirror)!;
            return { known: k, mirror, state, turned, fit, apart: fit.apart };
          }),
        );
        return [all.reduce((x, y) => (y.apart < x.apart ? y : x))];
      });
    })
    .sort((a, b) => a.apart - b.apart);
}

/** Of each form the best of its states and hands. */
export const bestOfEach = (all: readonly Candidate[]): Candidate[] =>
  all.filter((c, i) => all.findIndex((d) => d.known === c.known) === i);
