import { readFileSync } from "node:fs";
import pdfmake from "pdfmake";
import type { TDocumentDefinitions } from "pdfmake/interfaces.js";
import { PAPERS, type Paper, type UnitSystem } from "@dragonet/core";
import { sheetFonts } from "./fonts.ts";
import { documentInLetters } from "./letters.ts";
import { sfntOf } from "./sfnt.ts";

/** What stands on every paper of a job beside the job itself. */
export interface PaperOptions {
  readonly shop: string;
  readonly revision: number;
  readonly units: UnitSystem;
  /** What it is printed on; A4 where nobody says. */
  readonly paper?: Paper;
  /** Where the job opens, for a phone; none without one. */
  readonly url?: string;
  /** Pictures that go on it, JPEG, by their ids. */
  readonly pictures?: ReadonlyMap<string, Uint8Array>;
}

/** A JPEG as a page takes it: its own bytes, nothing that has to be fetched. */
export const jpegUrl = (bytes: Uint8Array): string =>
  `data:image/jpeg;base64,${Buffer.from(bytes).toString("base64")}`;

export const MM = 72 / 25.4;

/** Whether a word names a paper that sheets are set for. */
export const isPaper = (text: string): text is Paper => Object.hasOwn(PAPERS, text);

/** Files that it finds before those of the disk; its types leave them out. */
const { virtualfs } = pdfmake as unknown as {
  readonly virtualfs: { writeFileSync(name: string, bytes: Buffer): void };
};

let isReady = false;

/** Hands the application's own faces to what sets pages, unpacked, once a thread. */
function bringFaces(): void {
  if (isReady) return;
  const fonts = sheetFonts();
  for (const file of new Set(Object.values(fonts).flatMap((family) => Object.values(family)))) {
    virtualfs.writeFileSync(file, sfntOf(readFileSync(file)));
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
