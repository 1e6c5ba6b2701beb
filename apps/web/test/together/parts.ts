/**
 * Page tests, several files in one: what they all load is loaded once, which is most of what a small file takes.
 * The whole test command runs these; a file by its own name runs alone as ever.
 */
import { readdirSync, statSync } from "node:fs";
import { join } from "node:path";

/** As many as let two cores end at about the same time. */
const PARTS = 4;

const FOLDER = join(__dirname, "..");

/** The files of one part: the largest are dealt out first, there and back, so that all parts have as much. */
function filesOf(part: number): string[] {
  return readdirSync(FOLDER)
    .filter((file) => file.endsWith(".test.tsx"))
    .map((file) => ({ file, size: statSync(join(FOLDER, file)).size }))
    .sort((a, b) => b.size - a.size || (a.file < b.file ? -1 : 1))
    .filter((_, i) => {
      const turn = i % (2 * PARTS);
      return (turn < PARTS ? turn : 2 * PARTS - 1 - turn) === part;
    })
    .map(({ file }) => file);
}

/** Runs one part: each file in a block of its own, with its hooks to itself. */
export function runPart(part: number): void {
  for (const file of filesOf(part)) {
    describe(file, () => {
      jest.requireActual(join(FOLDER, file));
    });
  }
}
