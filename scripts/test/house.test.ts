/** What holds of the whole house: sizes of files, components and folders. */
import { readFileSync, readdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { firstPageKb } from "../lib/firstPage.mjs";

const ROOT = join(__dirname, "../..");

/** Longest file without a reason at its top, longest component, and most files of a folder without rooms. */
const MOST_LINES = 350;
const MOST_OF_COMPONENT = 120;
const MOST_FILES = 12;

const code = ["packages", "apps", "e2e", "bench", "scripts"].flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: "utf8" })
    .map((file) => `${folder}/${file}`)
    .filter((file) => /\.tsx?$/.test(file) && !/\/(node_modules|dist)\//.test(file)),
);
const textOf = (file: string): string => readFileSync(join(ROOT, file), "utf8");

/** The functions of a file that begin a line, by the name and the lines of each. */
function functionsOf(text: string): { readonly name: string; readonly lines: number }[] {
  const lines = text.split("\n");
  return lines.flatMap((line, at) => {
    const name = /^(?:export )?(?:async )?function (\w+)/.exec(line)?.[1];
    if (name === undefined) return [];
    return [{ name, lines: lines.slice(at).findIndex((l) => l === "}") + 1 }];
  });
}

describe("the house", () => {
  it("has no file over 350 lines, half of them under 100", () => {
    expect(code.length).toBeGreaterThan(500);
    const lines = code.map((file) => ({ file, lines: textOf(file).split("\n").length - 1 }));
    expect(lines.filter((l) => l.lines > MOST_LINES)).toEqual([]);
    const sorted = lines.map((l) => l.lines).sort((a, b) => a - b);
    expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(100);
  });

  it("has no component of the page over 120 lines", () => {
    const long = code
      .filter((file) => file.startsWith("apps/web/src/") && file.endsWith(".tsx"))
      .flatMap((file) => functionsOf(textOf(file)).map((f) => ({ file, ...f })))
      .filter((f) => f.lines > MOST_OF_COMPONENT);
    expect(long).toEqual([]);
  });

  it("has at most twelve files in a folder of core and page that is no room of rooms", () => {
    const count = new Map<string, number>();
    for (const file of code.filter((f) => /^(packages\/core|apps\/web)\/src\//.test(f))) {
      count.set(dirname(file), (count.get(dirname(file)) ?? 0) + 1);
    }
    expect([...count].filter(([, n]) => n > MOST_FILES)).toEqual([]);
  });

  it("is tested by more than a quarter of its lines", () => {
    const lines = (files: readonly string[]): number =>
      files.reduce((sum, file) => sum + textOf(file).split("\n").length - 1, 0);
    const tests = code.filter((file) => /\/test\/|^e2e\//.test(file));
    expect(lines(tests) / lines(code)).toBeGreaterThan(0.27);
  });

  it("makes an edit of something else in one file of the heart, and nowhere else", () => {
    const casts = code.filter(
      (file) => /\/src\//.test(file) && /\bas (unknown as )?(Edit|AddEdit)\b/.test(textOf(file)),
    );
    const [heart, door] = ["packages/core/src/job/edit", "apps/server/src/jobs/jobs.controller.ts"];
    // The reducer turns edits round; the controller has them as the contract checked them.
    expect(casts.sort()).toEqual([door, `${heart}/edit.ts`, `${heart}/makers.ts`]);
  });

  it("leaves out no rule of the linter without a reason", () => {
    const bare = code
      .filter((file) => /\/src\//.test(file))
      .flatMap((file) =>
        textOf(file)
          .split("\n")
          .filter((line) => line.includes("oxlint-disable") && !/ -- \w/.test(line))
          .map((line) => `${file}: ${line.trim()}`),
      );
    expect(bare).toEqual([]);
  });

  it("asks for at most 160 kB of script and style before the board stands", () => {
    // More comes when it is wanted; a static import of a dialog or a form brings it all.
    expect(firstPageKb()).toBeLessThanOrEqual(160);
    expect(firstPageKb()).toBeGreaterThan(50);
  });
});
