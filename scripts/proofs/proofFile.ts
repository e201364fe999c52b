/**
 * What is proved of a knot, written beside it: figures, the hash of everything they came from, and a seal over both. A seal keeps nobody from
 * forging it: what a commit touched is proved anew in the run.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { SHELF } from './shelf';
import { root, sha256 } from './sources';

/**
 * A stored form is sound; what tells it for naming; a way of tying passes through nothing; where a wrong form differs; a form is named as what it
 * is; what a knot may be taken for.
 */
export const KINDS = ['form', 'figures', 'way', 'place', 'name', 'look-alikes'] as const;
export type Kind = (typeof KINDS)[number];

export interface Proof {
  /** hash of everything the figures came from */
  readonly from: string;
  readonly figures: unknown;
  readonly seal: string;
}
/** By kind, then by form or way. */
export type KnotProofs = Partial<Record<Kind, Record<string, Proof>>>;

export interface Item {
  readonly kind: Kind;
  readonly knot: string;
  readonly name: string;
}
/** How an item is called where it fails: `way bowline/loop`. */
export const called = ({ kind, knot, name }: Item): string => `${kind} ${knot}/${name}`;

export const sealOf = (item: Item, from: string, figures: unknown): string =>
  sha256(item.kind, item.knot, item.name, from, JSON.stringify(figures));
export const sealed = (item: Item, from: string, figures: unknown): Proof => ({
  from,
  figures,
  seal: sealOf(item, from, figures),
});

export const proofPath = (knot: string): string => `${SHELF}/${knot}/proof.json`;

/** @returns none where the text cannot be read: then every one is missing, by name */
export function parseProofs(text: string): KnotProofs {
  try {
    return JSON.parse(text) as KnotProofs;
  } catch {
    return {};
  }
}
export function readProofs(knot: string): KnotProofs {
  const file = join(root, proofPath(knot));
  return existsSync(file) ? parseProofs(readFileSync(file, 'utf8')) : {};
}

/** A line for each proof, so that a change of one is a change of one line. */
export function writeProofs(knot: string, proofs: KnotProofs): void {
  const kinds = KINDS.filter((k) => Object.keys(proofs[k] ?? {}).length > 0).map((kind) => {
    const lines = Object.entries(proofs[kind]!)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, proof]) => `    ${JSON.stringify(name)}: ${JSON.stringify(proof)}`);
    return `  ${JSON.stringify(kind)}: {\n${lines.join(',\n')}\n  }`;
  });
  writeFileSync(join(root, proofPath(knot)), `{\n${kinds.join(',\n')}\n}\n`);
}
