import { readFileSync } from "node:fs";
import pdfmake from "pdfmake";
import type { TDocumentDefinitions } from "pdfmake/interfaces.js";
import { sheetFonts } from "./fonts.ts";
import { documentInLetters } from "./letters.ts";

/** A JPEG as a page takes it: its own bytes, nothing that has to be fetched. */
export const jpegUrl = (bytes: Uint8Array): string =>
  `data:image/jpeg;base64,${Buffer.from(bytes).toString("base64")}`;

export const MM = 72 / 25.4;

/** Files that it finds before those of the disk; its types leave them out. */
const { virtualfs } = pdfmake as unknown as {
  readonly virtualfs: { writeFileSync(name: string, bytes: Buffer): void };
};

let isReady = false;

/** Hands the application's own faces to what sets pages, once a thread. */
function bringFaces(): void {
  if (isReady) return;
  const fonts = sheetFonts();
  for (const file of new Set(Object.values(fonts).flatMap((family) => Object.values(family)))) {
    virtualfs.writeFileSync(file, readFileSync(file));
  }
  pdfmake.setFonts(fonts);
  isReady = true;
}

/** Sets a document. It reads nothing but the application's own faces, whatever its text holds. */
export function setPdf(document: TDocumentDefinitions): Promise<Buffer> {
  bringFaces();
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy(() => false);
  return pdfmake.createPdf(documentInLetters(document)).getBuffer();
}
