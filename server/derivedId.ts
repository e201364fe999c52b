import { createHash } from 'node:crypto';

/** A UUID (version 4 in form) that is the same every time for the same text. */
export function derivedId(text: string): string {
  const h = createHash('sha256').update(text).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}
