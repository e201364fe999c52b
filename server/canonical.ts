/** Canonical bytes of JSON (RFC 8785) and their SHA-256. */
import { createHash } from 'node:crypto';
import canonicalizeModule from 'canonicalize';

// the package is CommonJS with a default export: what arrives here depends on the loader
const canonicalize =
  typeof canonicalizeModule === 'function'
    ? canonicalizeModule
    : (canonicalizeModule as { default: typeof canonicalizeModule }).default;

export function canonicalBytes(value: unknown): Buffer {
  const text = canonicalize(value);
  if (text === undefined) throw new TypeError('no canonical form');
  return Buffer.from(text, 'utf8');
}

export function sha256(bytes: Buffer | string): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/** Hash of a value's canonical form: profiles, knot entries and requests are named by it. */
export function contentHash(value: unknown): string {
  return sha256(canonicalBytes(value));
}

const hashes = new WeakMap<object, string>();
/** `contentHash` of a constant that ships with the program, which nothing changes: worked out once. */
export function constantHash(value: object): string {
  const there = hashes.get(value) ?? contentHash(value);
  hashes.set(value, there);
  return there;
}
