/**
 * Heads of chains, signed with a key that does not lie in the database: who holds the database alone cannot make one. Each says which head it
 * signs and the hash of the one signed before it.
 */
import { createHash, createPrivateKey, createPublicKey, sign, verify, type KeyObject } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { FIRST_PREVIOUS } from '../../core/records';
import { canonicalBytes, sha256 } from '../canonical';
import { inTransaction, rows, run, type Connection, type Database } from '../database';
import { lockHead } from '../tables/entries';
import { keepingOfProgram } from './keeping';

export type SignedWhy = 'start' | 'hour' | 'page' | 'file' | 'sign-off';
/** What is signed, in its canonical form. */
export interface Statement {
  readonly format: 1;
  readonly organisation: string;
  readonly number: number;
  readonly sequence: number;
  readonly sha256: string;
  readonly why: SignedWhy;
  readonly signed_at: string;
  readonly previous_sha256: string;
  readonly signing_key: string;
}
export interface SignedHead extends Statement {
  readonly signature: string;
}

export interface SigningKey {
  /** what it is called: the beginning of the hash of its public half */
  readonly id: string;
  readonly private: KeyObject;
  readonly public_pem: string;
}
const pemOf = (key: KeyObject): string => key.export({ type: 'spki', format: 'pem' }).toString();
export const keyIdOf = (public_pem: string): string =>
  createHash('sha256')
    .update(createPublicKey(public_pem).export({ type: 'spki', format: 'der' }))
    .digest('hex')
    .slice(0, 16);

/** @param file PEM of an ed25519 private key @throws where it is none */
export function signingKey(file: string): SigningKey {
  const key = createPrivateKey(readFileSync(file));
  if (key.asymmetricKeyType !== 'ed25519') throw new Error(`the key in ${file} is none of ed25519`);
  const public_pem = pemOf(createPublicKey(key));
  return { id: keyIdOf(public_pem), private: key, public_pem };
}

const statementOf = ({ signature: _, ...statement }: SignedHead): Statement => statement;
export const statementHash = (head: SignedHead): string => sha256(canonicalBytes(head));
export const isSignedBy = (head: SignedHead, public_pem: string): boolean => {
  try {
    const bytes = canonicalBytes(statementOf(head));
    return verify(null, bytes, createPublicKey(public_pem), Buffer.from(head.signature, 'hex'));
  } catch {
    return false;
  }
};

interface Raw extends Omit<SignedHead, 'signed_at' | 'format'> {
  readonly signed_at: Date;
}
const fromRaw = (r: Raw): SignedHead => ({
  format: 1,
  organisation: r.organisation,
  number: r.number,
  sequence: r.sequence,
  sha256: r.sha256,
  why: r.why,
  signed_at: Number.isNaN(r.signed_at.getTime()) ? 'no time' : r.signed_at.toISOString(),
  previous_sha256: r.previous_sha256,
  signing_key: r.signing_key,
  signature: r.signature,
});
export async function signedHeads(db: Database | Connection, organisation: string): Promise<SignedHead[]> {
  return (await rows<Raw>(db, 'SELECT * FROM signed_heads WHERE organisation = ? ORDER BY number', [organisation])).map(
    fromRaw,
  );
}
async function lastSigned(c: Connection | Database, organisation: string): Promise<SignedHead | null> {
  const [r] = await rows<Raw>(c, 'SELECT * FROM signed_heads WHERE organisation = ? ORDER BY number DESC LIMIT 1', [
    organisation,
  ]);
  return r ? fromRaw(r) : null;
}
export const signingKeys = (db: Database): Promise<{ id: string; public_key: string }[]> =>
  rows(db, 'SELECT id, public_key FROM signing_keys ORDER BY since, id');

/** Notes the public half of a key in the record, once. */
export async function noteKey(db: Database, key: SigningKey, now: Date): Promise<void> {
  if ((await signingKeys(db)).some((k) => k.id === key.id)) return;
  await keepingOfProgram(db, now, async (k) => {
    await run(k.c, 'INSERT INTO signing_keys (id, public_key, since) VALUES (?)', [[key.id, key.public_pem, now]]);
    k.changed('signing_keys', key.id);
  });
}

/** What keeps heads in a place of its own. */
export interface Witness {
  readonly note: (head: SignedHead) => void;
}

export class Signer {
  constructor(
    private readonly db: Database,
    private readonly key: SigningKey,
    private readonly now: () => Date,
    private readonly witness: Witness | null,
  ) {}

  /** The head of a chain as it is now, signed: anew where it has grown since. @returns null where the chain is empty */
  async sign(organisation: string, why: SignedWhy): Promise<SignedHead | null> {
    const made = await inTransaction(this.db, async (c) => {
      const { head } = await lockHead(c, organisation);
      if (head.sequence === 0) return null;
      const last = await lastSigned(c, organisation);
      if (last?.sequence === head.sequence && last.sha256 === head.sha256) return { signed: last, isNew: false };
      const statement: Statement = {
        format: 1,
        organisation,
        number: (last?.number ?? 0) + 1,
        sequence: head.sequence,
        sha256: head.sha256,
        why,
        signed_at: this.now().toISOString(),
        previous_sha256: last ? statementHash(last) : FIRST_PREVIOUS,
        signing_key: this.key.id,
      };
      const signature = sign(null, canonicalBytes(statement), this.key.private).toString('hex');
      const { format: _, signed_at, ...columns } = statement;
      await run(c, 'INSERT INTO signed_heads SET ?', [{ ...columns, signed_at: new Date(signed_at), signature }]);
      return { signed: { ...statement, signature }, isNew: true };
    });
    if (made?.isNew) this.witness?.note(made.signed);
    return made?.signed ?? null;
  }
}

/**
 * What is wrong with the signed heads of a chain.
 * @param hashAt the hash of the entry with a number, as the chain has it; undefined where there is none
 * @param keys public halves by their ids, as the record has them
 * @param beside the public half of the key that lies beside the data, where it was given
 */
export function wrongInSigned(
  signed: readonly SignedHead[],
  hashAt: (sequence: number) => string | undefined,
  keys: ReadonlyMap<string, string>,
  beside: string | null,
): string[] {
  const faults: string[] = [];
  let previous = FIRST_PREVIOUS;
  for (const [i, head] of signed.entries()) {
    const name = `the signed head ${head.number}`;
    if (head.number !== i + 1) {
      faults.push(`a signed head is missing before ${head.number}`);
      break;
    }
    faults.push(...wrongInOne(head, name, hashAt, keys, beside));
    if (head.previous_sha256 !== previous) faults.push(`${name}: it does not follow the one before`);
    previous = statementHash(head);
  }
  return faults;
}

/** The same of one head, told from elsewhere or stored here. */
export function wrongInOne(
  head: SignedHead,
  name: string,
  hashAt: (sequence: number) => string | undefined,
  keys: ReadonlyMap<string, string>,
  beside: string | null,
): string[] {
  const key = keys.get(head.signing_key);
  if (!key) return [`${name}: it was signed by a key that is not in the record`];
  if (keyIdOf(key) !== head.signing_key) return [`${name}: the key it was signed by was exchanged`];
  if (beside !== null && head.signing_key === keyIdOf(beside) && !isSignedBy(head, beside))
    return [`${name}: its signature does not fit`];
  if (!isSignedBy(head, key)) return [`${name}: its signature does not fit`];
  const there = hashAt(head.sequence);
  if (there === undefined)
    return [`entry ${head.sequence} is missing: ${name} was signed over it at ${head.signed_at}`];
  if (there !== head.sha256)
    return [`entry ${head.sequence} is not the one that ${name} was signed over at ${head.signed_at}`];
  return [];
}
