/**
 * Every form that can be named: the right one of each knot, its other right forms, and the wrong ones that have a shape of their own. A
 * form may have several names (a double overhand a turn short is an overhand). Faults that change a length alone are told by measuring.
 */
import { knotById, knotIds, storedForm, wrapsOf } from '../../knots/catalogue/catalogue';
import type { BakedForm } from '../../knots/shape/stored';
import type { FaultId } from '../../knots/facts/faultTable';

export interface Name {
  readonly knot: string;
  /** null where it is right */
  readonly fault: FaultId | null;
}

export interface Form {
  /** `knot/form`, as it is stored */
  readonly id: string;
  readonly knot: string;
  readonly form: string;
  readonly names: readonly Name[];
}

/** Faults by which the form stays what it is: told by a length, by what hangs in the eye, or by how loosely it lies. */
export const MEASURED: readonly string[] = ['not-set', 'tail-cut', 'tail-lengthened', 'leg-lengthened', 'one-point'];

/** All forms, in the order of the catalogue. */
export function allForms(): Form[] {
  const found = new Map<string, { knot: string; form: string; names: Name[] }>();
  const put = (knot: string, form: string, name: Name) => {
    const id = `${knot}/${form}`;
    const there = found.get(id);
    if (!there) found.set(id, { knot, form, names: [name] });
    else if (!there.names.some((n) => n.knot === name.knot && n.fault === name.fault)) there.names.push(name);
  };
  for (const id of knotIds()) {
    const { entry, baked } = knotById(id);
    put(id, 'right', { knot: id, fault: null });
    for (const n of wrapsOf(id).slice(1)) put(id, `wraps-${n}`, { knot: id, fault: null });
    for (const v of entry.variants ?? []) put(id, v.form, { knot: id, fault: null });
    if (baked.forms['on-post']) put(id, 'on-post', { knot: id, fault: null });
  }
  for (const id of knotIds()) {
    const { entry, baked } = knotById(id);
    for (const { id: fault, made } of entry.faults) {
      if (made?.by === 'knot') put(made.knot, made.form ?? 'right', { knot: id, fault });
      else if (made ? !MEASURED.includes(made.by) : fault in baked.forms) put(id, fault, { knot: id, fault });
    }
  }
  return [...found].map(([id, f]) => ({ id, ...f }));
}

export const storedOf = ({ knot, form }: Pick<Form, 'knot' | 'form'>): BakedForm => storedForm(knot, form);

/** Forms that are one: nothing in the rope tells them apart, only how it was tied or what it is for. */
export const ONE_FORM: readonly { readonly forms: readonly string[]; readonly told_by: string }[] = [
  {
    forms: ['figure-eight-follow-through/right', 'figure-eight-on-bight/right'],
    told_by: 'how it was tied: followed through with the end, or on a bight',
  },
  {
    forms: ['figure-eight-follow-through/pair-crossed', 'figure-eight-on-bight/pair-twisted'],
    told_by: 'how it was tied: followed through with the end, or on a bight',
  },
  {
    forms: ['figure-eight-follow-through/eye-too-large', 'figure-eight-on-bight/eye-too-large'],
    told_by: 'how it was tied: followed through with the end, or on a bight',
  },
  {
    forms: ['figure-eight-stopper/right', 'figure-eight-follow-through/half-finished'],
    told_by: 'what it is for: a stopper at an end, or the first half of a tie-in whose end never came back',
  },
  {
    forms: ['alpine-butterfly/right', 'butterfly-rewoven/right'],
    told_by: 'how it was tied: in the bight, or rewoven with the end through a ring',
  },
  {
    forms: ['girth-hitch/right', 'clove-hitch/mirrored-loops'],
    told_by: 'what was meant: a girth hitch with both strands loaded, or a clove hitch',
  },
  {
    forms: ['figure-eight-bend/offset-eight', 'figure-eight-bend/other-ends-loaded'],
    told_by: 'how it came about: entered from the wrong side, or loaded by the wrong ends',
  },
  {
    forms: ['flemish-bend-with-bight/offset-eight', 'flemish-bend-with-bight/other-ends-loaded'],
    told_by: 'how it came about: entered from the wrong side, or loaded by the wrong ends',
  },
  {
    forms: ['square-knot/thief', 'square-knot/other-ends-loaded'],
    told_by: 'how it came about: tied with the wrong ends, or loaded by the wrong ends',
  },
];
