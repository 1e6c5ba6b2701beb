import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Plugin } from "vite";
import { sfntOf } from "./sfnt.ts";

const require = createRequire(import.meta.url);

const FAMILY = "atkinson-hyperlegible-next";

/** A face for paper as its package has it, and as it is called unpacked. */
export const FACES = ["latin", "latin-ext"].flatMap((letters) =>
  [400, 700].map((weight) => ({
    packed: require.resolve(
      `@fontsource/${FAMILY}/files/${FAMILY}-${letters}-${weight}-normal.woff`,
    ),
    name: `${FAMILY}-${letters}-${weight}.ttf`,
  })),
);

/** Unpacks the faces once, when the server is built: whoever sets pages opens them anew for each. */
export const unpackFaces = (): Plugin => ({
  name: "unpack-faces",
  generateBundle() {
    for (const { packed, name } of FACES) {
      const source = sfntOf(readFileSync(packed));
      this.emitFile({ type: "asset", fileName: `fonts/${name}`, source });
    }
  },
});
