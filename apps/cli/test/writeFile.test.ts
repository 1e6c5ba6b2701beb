/** Files of the command line: into folders that are not there yet, and refused where a file stands in their way. */
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { writeFile } from "../src/writeFile.ts";

describe("a file that is written", () => {
  const folder = mkdtempSync(join(tmpdir(), "dragonet-cli-"));
  afterAll(() => rmSync(folder, { recursive: true }));

  it("makes the folders it lies in, and takes the place of one that is there", () => {
    const file = join(folder, "a/b/sheet.html");
    writeFile(file, "one");
    writeFile(file, "two");
    expect(readFileSync(file, "utf8")).toBe("two");
  });

  it("is refused where a folder would have to be what is a file", () => {
    writeFile(join(folder, "file"), "");
    expect(() => writeFile(join(folder, "file/x"), "")).toThrow(/EEXIST|ENOTDIR/);
  });
});
