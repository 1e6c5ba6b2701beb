import pLimit from "p-limit";
import sharp from "sharp";
import { notValid } from "../http/refusal.ts";

/** What a phone's camera makes, and no more, in bytes and pixels. */
export const MOST_PHOTO_BYTES = 12 * 1024 * 1024;
const MOST_PIXELS = 40_000_000;
/** Longest edge as it is kept: a bolt can still be read, and a shop's disk lasts. */
const LONGEST_EDGE = 1600;
/** One at a time: each may hold all its pixels. */
const inTurn = pLimit(1);
sharp.concurrency(1);
sharp.cache(false);
const FORMATS = ["jpeg", "png", "webp"] as const;

/**
 * A picture as it is kept: upright, at most 1600 px, JPEG, and bare of everything that the
 * camera wrote beside it, the place above all. Refuses what is no picture, by its content.
 */
export const developPhoto = (bytes: unknown): Promise<Buffer> => inTurn(() => develop(bytes));

async function develop(bytes: unknown): Promise<Buffer> {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) {
    throw notValid("no picture was sent (JPEG, PNG or WebP, 12 MB at most)");
  }
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" });
    const { format } = await picture.metadata();
    if (!FORMATS.some((f) => f === format)) {
      throw notValid(`this is ${format}, not a picture that is taken in (JPEG, PNG or WebP)`);
    }
    // Without keepMetadata the coder writes none: no place, no camera, no time.
    return await picture
      .rotate()
      .resize({
        width: LONGEST_EDGE,
        height: LONGEST_EDGE,
        fit: "inside",
        withoutEnlargement: true,
      })
      .jpeg({ quality: 80 })
      .toBuffer();
  } catch (error) {
    if (error instanceof Error && "getStatus" in error) throw error;
    const why = error instanceof Error ? error.message.split("\n")[0] : String(error);
    throw notValid(`this picture cannot be read: ${why}`);
  }
}

/** The segments of a JPEG that hold nothing but the picture: tables, frames, scans, density. */
const PLAIN_SEGMENTS = new Set([0xe0, 0xdb, 0xc0, 0xc1, 0xc2, 0xc4, 0xdd, 0xda]);

/** Whether a JPEG is nothing but its picture: no place, no camera, no note, nothing behind it. */
function isBare(bytes: Buffer): boolean {
  if (bytes.length < 4 || bytes.readUInt16BE(0) !== 0xffd8) return false;
  if (bytes.readUInt16BE(bytes.length - 2) !== 0xffd9) return false;
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] ?? 0;
    if (!PLAIN_SEGMENTS.has(marker)) return false;
    at += 2 + bytes.readUInt16BE(at + 2);
    if (marker === 0xda) return bytes.indexOf(Buffer.from([0xff, 0xd9]), at) === bytes.length - 2;
  }
  return false;
}

/**
 * A picture from an archive: one that was developed before goes through byte for byte, so that
 * it does not wear with every move; any other is developed as from a camera.
 */
export async function keepPhoto(bytes: Buffer): Promise<Buffer> {
  if (!isBare(bytes)) return developPhoto(bytes);
  const { format, width, height } = await sharp(bytes)
    .metadata()
    .catch(() => ({ format: "none", width: 0, height: 0 }));
  const fits = format === "jpeg" && Math.max(width, height) <= LONGEST_EDGE;
  return fits ? bytes : developPhoto(bytes);
}
