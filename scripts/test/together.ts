/**
 * Several files of tests in one: what they all load is loaded once, which is most of what a small
 * file takes. The whole test command runs these; a file by its own name runs alone as ever.
 */
import { readdirSync, statSync } from "node:fs";
import { join } from "node:path";

/** As many as let two cores end at about the same time. */
const PARTS = 4;

/** The files of one part: the largest are dealt out first, there and back, so that all parts have as much. */
function filesOf(folder: string, ending: string, part: number): string[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith(ending))
    .map((file) => ({ file, size: statSync(join(folder, file)).size }))
    .sort((a, b) => b.size - a.size || (a.file < b.file ? -1 : 1))
    .filter((_, i) => {
      const turn = i % (2 * PARTS);
      return (turn < PARTS ? turn : 2 * PARTS - 1 - turn) === part;
    })
    .map(({ file }) => file);
}

/** Runs one part of a folder's files: each in a block of its own, with its hooks to itself. */
export function runPart(folder: string, ending: string, part: number): void {
  for (const file of filesOf(folder, ending, part)) {
    describe(file, () => {
      jest.requireActual(join(folder, file));
    });
  }
}
