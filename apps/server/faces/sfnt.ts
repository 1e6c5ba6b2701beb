import { inflateSync } from "node:zlib";
import fonts from "fonteditor-core";

/**
 * The font inside a WOFF file, its tables unpacked: what sets a page opens it anew for each document,
 * and unpacks what is packed each time it looks at it. Throws where it is no WOFF file.
 */
export const sfntOf = (woff: Uint8Array): Buffer =>
  Buffer.from(
    fonts.woff2ttf(Uint8Array.from(woff).buffer, {
      inflate: (packed) => [...inflateSync(Uint8Array.from(packed))],
    }),
  );
