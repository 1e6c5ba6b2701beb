/**
 * Reads PDFs with another library and prints, for each of the files named and each of its pages, its
 * size in points, its pieces of text with the boxes of their letters and the boxes of what is drawn,
 * in points from the top left.
 */
import { readFileSync } from "node:fs";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { boxesOf } from "./pdfPaths.mjs";

/** A file of JSON is a task for who sets paper: done first, as the built server does it. */
async function bytesOf(file) {
  const bytes = readFileSync(file);
  if (!file.endsWith(".json")) return bytes;
  const { default: work } = await import("../dist/work.js");
  return work(JSON.parse(bytes.toString()));
}

/** Share of a line's height that its letters take above and below their baseline. */
const [ABOVE, BELOW] = [0.62, 0.06];

async function pagesOf(file) {
  const data = new Uint8Array(await bytesOf(file));
  const pdf = await getDocument({ data, verbosity: 0 }).promise;
  const pages = [];
  for (let n = 1; n <= pdf.numPages; n += 1) {
    const page = await pdf.getPage(n);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const words = items
      .filter(({ str }) => str.trim() !== "")
      .map(({ str, transform, width: wide }) => {
        const [, , , size, x, y] = transform;
        const line = height - y;
        return { str, box: [x, line - ABOVE * size, x + wide, line + BELOW * size] };
      });
    pages.push({ width, height, words, boxes: process.env.WORDS_ALONE ? [] : await boxesOf(page) });
  }
  return pages;
}

const read = [];
for (const file of process.argv.slice(2)) read.push(await pagesOf(file));
process.stdout.write(JSON.stringify(read));
