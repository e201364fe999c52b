/** What there is to prove, what each comes from, and the figures of each, made anew. */
import { lookalikesFound } from '../../core/inspect/naming/lookalikes/find';
import type { Lookalike } from '../../core/inspect/naming/lookalikes/lookalike';
import { figuresOfForm, type Figures } from '../../core/inspect/naming/figures/formFigures';
import { allForms } from '../../core/inspect/naming/forms';
import { namesOf } from '../../core/inspect/naming/namesOf';
import { faultsWithShape, knotById, knotIds, shapeOf } from '../../core/knots/catalogue/catalogue';
import { STATES } from '../../core/knots/facts/types';
import { proveWay, type WayFigures } from '../../core/knots/tying/proving';
import { wayFaults } from '../../core/knots/tying/wayLimits';
import { formFaults } from '../../core/proving/formLimits';
import { formFigures, type FormFigures } from '../../core/proving/formProof';
import { nameFaults } from '../../core/proving/nameLimits';
import { placeFaults } from '../../core/proving/placeLimits';
import { placeFigures, type PlaceFigures } from '../../core/proving/placeProof';
import { nameables, nameFigures, type NameFigures } from '../../core/proving/nameProof';
import { laidHash } from './cheap';
import type { Item, Kind } from './proofFile';
import { authored, SHELF, type Authored } from './shelf';
import { sha256, type Sources } from './sources';

/** Forms that can be named, by the knot in whose folder they are stored. */
const formsToName = (knot: string) => allForms().filter((f) => f.knot === knot);

export function itemsOf(knot: string): Item[] {
  const { baked, ways } = knotById(knot);
  const of = (kind: Kind, names: readonly string[]) => [...new Set(names)].map((name): Item => ({ kind, knot, name }));
  return [
    ...of('form', Object.keys(baked.forms)),
    ...of(
      'figures',
      formsToName(knot).map((f) => f.form),
    ),
    ...of('way', Object.keys(ways)),
    ...of('place', faultsWithShape(knot)),
    ...of(
      'name',
      nameables(knot).map((n) => n.form),
    ),
    ...of('look-alikes', ['all']),
  ];
}
export const allItems = (): Item[] => knotIds().flatMap(itemsOf);

/** What naming reads of an entry, besides its shapes. */
const namingFacts = (knot: string) => {
  const { family, faults, variants, usual_wraps } = knotById(knot).entry;
  return {
    knot,
    family,
    usual_wraps,
    variants: variants?.map((v) => v.form),
    faults: faults.map((f) => [f.id, f.made]),
  };
};

/** The hash of everything that an item's figures come from. */
export class Origins {
  private everything: string | null = null;
  private readonly shapes = new Map<string, string>();
  constructor(private readonly sources: Sources) {}

  private shapesOf(knot: string, form: string): string {
    const key = `${knot}/${form}`;
    if (!this.shapes.has(key))
      this.shapes.set(key, sha256(...STATES.map((s) => JSON.stringify(shapeOf(knot, form, s)))));
    return this.shapes.get(key)!;
  }
  /** All forms that can be named: a name is told apart from every other. */
  private catalogue(): string {
    this.everything ??= sha256(
      ...knotIds().map((k) => JSON.stringify(namingFacts(k))),
      ...allForms().map((f) => this.shapesOf(f.knot, f.form)),
    );
    return this.everything;
  }

  of({ kind, knot, name }: Item): string {
    const own = (file: string) => `${SHELF}/${knot}/${file}.ts`;
    switch (kind) {
      case 'form':
        return sha256(
          this.sources.hash('core/proving/formProof.ts', own('shape'), own('presentation')),
          JSON.stringify(knotById(knot).baked.forms[name]),
        );
      case 'figures':
        return sha256(this.sources.hash('core/inspect/naming/figures/formFigures.ts'), this.shapesOf(knot, name));
      case 'way': {
        const { form, hands } = knotById(knot).ways[name]!;
        const shape = JSON.stringify(knotById(knot).baked.forms[form ?? 'right']);
        // where hands led it to a lie of its own the end is named
        const named = hands ? [this.sources.hash('core/inspect/naming/namesOf.ts'), this.catalogue()] : [];
        return sha256(this.sources.hash('core/knots/tying/proving.ts', own('ways')), name, shape, ...named);
      }
      case 'place':
        return sha256(
          this.sources.hash('core/proving/placeProof.ts'),
          this.shapesOf(knot, 'right'),
          this.shapesOf(knot, name),
        );
      case 'name':
        return sha256(this.sources.hash('core/proving/nameProof.ts'), this.catalogue());
      case 'look-alikes':
        return sha256(this.sources.hash('core/inspect/naming/lookalikes/find.ts'), this.catalogue());
    }
  }
}

const known = new Map<string, Authored>();
async function authorsOf(knot: string): Promise<Authored> {
  if (!known.has(knot)) known.set(knot, await authored(knot));
  return known.get(knot)!;
}

/** Proves an item. @returns its figures; they are as JSON gives them back */
export async function prove({ kind, knot, name }: Item): Promise<unknown> {
  const plain = <T>(figures: T): T => JSON.parse(JSON.stringify(figures)) as T;
  switch (kind) {
    case 'form': {
      const toBake = (await authorsOf(knot)).toBake.find((f) => f.name === name);
      if (!toBake) throw new Error(`${knot} has no form ${name}`);
      return plain({ ...formFigures(knotById(knot).baked.forms[name]!, toBake), laidHash: laidHash(toBake) });
    }
    case 'figures':
      return plain(figuresOfForm(formsToName(knot).find((f) => f.form === name)!));
    case 'way':
      return plain(proveWay(knot, name, namesOf));
    case 'place':
      return plain(placeFigures(knot, name));
    case 'name':
      return plain(nameFigures(nameables(knot).find((n) => n.form === name)!));
    case 'look-alikes':
      return plain(lookalikesFound(knot));
  }
}

/** What of an item's figures is not as it must be. */
export async function faultsOf({ kind, knot, name }: Item, figures: unknown): Promise<string[]> {
  switch (kind) {
    case 'form':
      return formFaults(
        figures as FormFigures,
        knotById(knot).baked.forms[name]!,
        (await authorsOf(knot)).allowed[name] ?? {},
      );
    case 'figures':
      return Object.keys(figures as Figures).length > 0 ? [] : ['no figure is the same in all three states'];
    case 'way':
      return wayFaults(figures as WayFigures);
    case 'place':
      return placeFaults(figures as PlaceFigures[]);
    case 'name':
      return nameFaults(figures as NameFigures);
    case 'look-alikes':
      return (figures as Lookalike[]).some((l) => l.knot === knot && l.fault === null)
        ? ['a knot is its own look-alike']
        : [];
  }
}
