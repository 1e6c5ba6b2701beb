import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Task } from "../src/work/tasks.ts";

export type Box = readonly [left: number, top: number, right: number, bottom: number];
interface Word {
  readonly str: string;
  readonly box: Box;
}
export interface Page {
  readonly width: number;
  readonly height: number;
  readonly words: readonly Word[];
  /** Of what is drawn. */
  readonly boxes: readonly Box[];
}

export const textOf = (page: Page): string => page.words.map(({ str }) => str).join(" ");

/**
 * Pages of several PDFs, or of paper that is set for it, read in one go by a process of its own: it is
 * set there and not by a server's threads, which give way to everything else that runs. `wordsAlone` leaves
 * out the boxes of what is drawn, which is half of what reading takes.
 */
export function readWords(files: readonly (Buffer | Task)[], wordsAlone = false): Page[][] {
  const folder = mkdtempSync(join(tmpdir(), "dragonet-sheets-"));
  try {
    const names = files.map((file, i) => {
      const isSet = Buffer.isBuffer(file);
      const name = join(folder, isSet ? `${i}.pdf` : `${i}.json`);
      writeFileSync(name, isSet ? file : JSON.stringify(file));
      return name;
    });
    const script = join(__dirname, "readWords.mjs");
    const env = {
      ...process.env,
      ...{ DRAGONET_PAPER_PRIORITY: "0", WORDS_ALONE: wordsAlone ? "1" : "" },
    };
    const said = execFileSync(process.execPath, [script, ...names], { maxBuffer: 1e8, env });
    return JSON.parse(said.toString()) as Page[][];
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
