/**
 * Reads a PDF from standard input with another library and prints, for each page, its size
 * in points, the boxes of its paths in points from the top left, and its text, as JSON.
 */
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { boxesOf } from "./pdfPaths.mjs";

const parts = [];
for await (const part of process.stdin) parts.push(part);
const data = new Uint8Array(Buffer.concat(parts));
const pdf = await getDocument({ data, verbosity: 0 }).promise;
const pages = [];
for (let n = 1; n <= pdf.numPages; n += 1) {
  const page = await pdf.getPage(n);
  const { width, height } = page.getViewport({ scale: 1 });
  const boxes = await boxesOf(page);
  const { items } = await page.getTextContent();
  const text = items.map(({ str, hasEOL }) => (hasEOL ? `${str}\n` : str)).join("");
  pages.push({ width, height, boxes, text });
}
process.stdout.write(JSON.stringify(pages));
