import sharp from "sharp";
import { notValid } from "../http/refusal.ts";

/** What a phone's camera makes, and no more, in bytes and pixels. */
export const MOST_PHOTO_BYTES = 12 * 1024 * 1024;
const MOST_PIXELS = 60_000_000;
/** Longest edge as it is kept: a bolt can still be read, and a shop's disk lasts. */
const LONGEST_EDGE = 1600;
const FORMATS = ["jpeg", "png", "webp"] as const;

/**
 * A picture as it is kept: upright, at most 1600 px, JPEG, and bare of everything that the
 * camera wrote beside it, the place above all. Refuses what is no picture, by its content.
 */
export async function developPhoto(bytes: unknown): Promise<Buffer> {
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
