import { execFileSync } from "node:child_process";
import { join } from "node:path";

export interface PdfPage {
  readonly width: number;
  readonly height: number;
  readonly boxes: readonly (readonly [number, number, number, number])[];
  readonly text: string;
}

/** Pages of a PDF as another library reads them. */
export const readPdf = (bytes: Buffer): PdfPage[] =>
  JSON.parse(
    execFileSync(process.execPath, [join(__dirname, "readPdf.mjs")], { input: bytes }).toString(),
  ) as PdfPage[];
