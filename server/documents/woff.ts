/** A WOFF 1.0 file unpacked into the font it holds (https://www.w3.org/TR/WOFF/): the PDF writer would unpack it anew for every page, slowly. */
import { inflateSync } from 'node:zlib';

const [HEADER, ENTRY] = [44, 20];
const [SFNT_HEADER, SFNT_ENTRY] = [12, 16];
const padded = (n: number): number => (n + 3) & ~3;

/** @throws Error for what is no WOFF 1.0 */
export function unpackedWoff(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('no WOFF 1.0 file');
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = HEADER + i * ENTRY;
    const [offset, packed, length] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      bytes: packed < length ? inflateSync(bytes) : bytes,
      length,
    };
  });
  const out = Buffer.alloc(SFNT_HEADER + count * SFNT_ENTRY + tables.reduce((sum, t) => sum + padded(t.length), 0));
  const power = Math.floor(Math.log2(count));
  woff.copy(out, 0, 4, 8);
  out.writeUInt16BE(count, 4);
  out.writeUInt16BE(16 * 2 ** power, 6);
  out.writeUInt16BE(power, 8);
  out.writeUInt16BE(16 * (count - 2 ** power), 10);
  let offset = SFNT_HEADER + count * SFNT_ENTRY;
  tables.forEach((t, i) => {
    const at = SFNT_HEADER + i * SFNT_ENTRY;
    t.tag.copy(out, at);
    out.writeUInt32BE(t.checksum, at + 4);
    out.writeUInt32BE(offset, at + 8);
    out.writeUInt32BE(t.length, at + 12);
    t.bytes.copy(out, offset);
    offset += padded(t.length);
  });
  return out;
}
