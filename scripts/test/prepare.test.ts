/** What is prepared before a command says so beside what the command answers: a pipe gets the answer alone. */
import { spawnSync } from "node:child_process";
import { chmodSync, cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

describe("packages that have to be installed first", () => {
  const copy = mkdtempSync(join(tmpdir(), "dragonet-prepare-"));
  afterAll(() => rmSync(copy, { recursive: true }));

  it("are told on the standard error, and nothing stands in the answer", () => {
    cpSync(join(__dirname, "../lib"), join(copy, "scripts/lib"), { recursive: true });
    writeFileSync(join(copy, "package-lock.json"), "{}");
    mkdirSync(join(copy, "node_modules"));
    mkdirSync(join(copy, "bin"));
    // Installs nothing: what is told before it is what is looked at.
    writeFileSync(join(copy, "bin/npm"), "#!/bin/sh\nexit 0\n");
    chmodSync(join(copy, "bin/npm"), 0o755);
    const prepare = join(copy, "scripts/lib/prepare.mjs");
    const script = `import { ensurePackages } from ${JSON.stringify(prepare)}; ensurePackages(); console.log("answer");`;
    const { stdout, stderr } = spawnSync(
      process.execPath,
      ["--input-type=module", "--eval", script],
      {
        encoding: "utf8",
        env: { ...process.env, PATH: `${join(copy, "bin")}:${process.env.PATH}` },
      },
    );
    expect(stdout).toBe("answer\n");
    expect(stderr).toContain("Installing packages");
  });
});
