import { inflateSync } from "node:zlib";

/** Of a WOFF file, and of what it holds: W3C WOFF 1.0, sections 3 and 4; OpenType, "Font file". */
const [WOFF_HEADER, WOFF_ENTRY, SFNT_HEADER, SFNT_ENTRY] = [44, 20, 12, 16];
const SIGNATURE = 0x774f4646;

const padded = (length: number): number => (length + 3) & ~3;

/**
 * The font inside a WOFF file, its tables unpacked: what sets a page opens it anew for each document,
 * and unpacks what is packed each time it looks at it. Throws where it is no WOFF file.
 */
export function sfntOf(woff: Buffer): Buffer {
  if (woff.length < WOFF_HEADER || woff.readUInt32BE(0) !== SIGNATURE) {
    throw new Error("no WOFF file: it does not begin with “wOFF”");
  }
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = WOFF_HEADER + i * WOFF_ENTRY;
    const [offset, packed, length] = [4, 8, 12].map((n) => woff.readUInt32BE(at + n)) as [
      number,
      number,
      number,
    ];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      // A table that would not be smaller is kept as it is.
      bytes: packed < length ? inflateSync(bytes) : bytes,
    };
  });
  const head = SFNT_HEADER + count * SFNT_ENTRY;
  const size = tables.reduce((sum, { bytes }) => sum + padded(bytes.length), head);
  const sfnt = Buffer.alloc(size);
  woff.copy(sfnt, 0, 4, 8);
  const power = 2 ** Math.floor(Math.log2(count));
  sfnt.writeUInt16BE(count, 4);
  sfnt.writeUInt16BE(power * SFNT_ENTRY, 6);
  sfnt.writeUInt16BE(Math.log2(power), 8);
  sfnt.writeUInt16BE((count - power) * SFNT_ENTRY, 10);
  let offset = head;
  tables.forEach(({ tag, checksum, bytes }, i) => {
    const at = SFNT_HEADER + i * SFNT_ENTRY;
    tag.copy(sfnt, at);
    sfnt.writeUInt32BE(checksum, at + 4);
    sfnt.writeUInt32BE(offset, at + 8);
    sfnt.writeUInt32BE(bytes.length, at + 12);
    bytes.copy(sfnt, offset);
    offset += padded(bytes.length);
  });
  return sfnt;
}
