/** Pictures that are taken in: what phones make, but for what no browser shows everywhere. */
export const PHOTO_TYPES = ["image/jpeg", "image/png", "image/webp"] as const;
const MOST_BYTES = 40 * 1024 * 1024;

/** Why a file cannot be taken, or null. */
export function photoFault(file: Blob): string | null {
  if (!PHOTO_TYPES.some((type) => type === file.type)) {
    return `${file.type === "" ? "this file" : file.type} is no picture that is taken in (JPEG, PNG or WebP)`;
  }
  return file.size > MOST_BYTES
    ? `${Math.round(file.size / 1048576)} MB is too large (40 MB at most)`
    : null;
}
