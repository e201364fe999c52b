import { createHash } from 'node:crypto';

/** A UUID (version 4 in form) that is the same every time for the same name. */
export function demoId(name: string): string {
  const h = createHash('sha256').update(`idiom demo ${name}`).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}
