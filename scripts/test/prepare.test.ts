/** What is prepared before a command says so beside what the command answers: a pipe gets the answer alone. */
import { spawnSync } from "node:child_process";
import {
  chmodSync,
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

describe("packages that have to be installed first", () => {
  let copy: string;
  beforeEach(() => {
    copy = mkdtempSync(join(tmpdir(), "dragonet-prepare-"));
    cpSync(join(__dirname, "../lib"), join(copy, "scripts/lib"), { recursive: true });
    for (const folder of ["node_modules", "bin"]) mkdirSync(join(copy, folder));
    writeFileSync(join(copy, "package-lock.json"), LOCK);
  });
  afterEach(() => rmSync(copy, { recursive: true }));

  const NAMED = '    "resolved": "https://registry.npmjs.org/a/-/a-1.0.0.tgz",\n';
  const LOCK = `{\n  "node_modules/a": {\n    "version": "1.0.0",\n${NAMED}    "license": "MIT"\n  }\n}\n`;

  /** What a command says whose packages are installed by a stand-in, which keeps the lock that it saw. */
  const prepared = (npm: string) => {
    writeFileSync(join(copy, "bin/npm"), `#!/bin/sh\ncat package-lock.json >> seen\n${npm}\n`);
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
    return { stdout, stderr, seen: readFileSync(join(copy, "seen"), "utf8") };
  };

  it("are told on the standard error, and nothing stands in the answer", () => {
    const { stdout, stderr, seen } = prepared("exit 0");
    expect(stdout).toBe("answer\n");
    expect(stderr).toContain("Installing packages");
    expect(seen).toBe(LOCK);
  });

  it("are looked for by name where they are not at the addresses of the lock, which stays as it was", () => {
    const { stdout, seen } = prepared("! grep -q resolved package-lock.json");
    expect(stdout).toBe("answer\n");
    expect(seen).toBe(LOCK + LOCK.replace(NAMED, ""));
    expect(readFileSync(join(copy, "package-lock.json"), "utf8")).toBe(LOCK);
  });

  it("are told not to be there where neither helps, and the lock stays as it was", () => {
    const { stdout, stderr } = prepared("echo no such package; exit 1");
    expect(stdout).toBe("");
    expect(stderr).toContain("Installing packages failed:\nno such package");
    expect(readFileSync(join(copy, "package-lock.json"), "utf8")).toBe(LOCK);
  });
});

describe("a project that was moved or copied", () => {
  const folders = ["one", "another/place"].map((name) =>
    join(mkdtempSync(join(tmpdir(), "dragonet-moved-")), name),
  );
  afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true })));

  /** What `hashOf` says of two things of the project that is in a folder. */
  const hashIn = (folder: string): string => {
    const stamp = JSON.stringify(join(folder, "scripts/lib/stamp.mjs"));
    const script = `import { hashOf } from ${stamp}; console.log(hashOf(["package-lock.json", "apps"]));`;
    const args = ["--input-type=module", "--eval", script];
    return spawnSync(process.execPath, args, { encoding: "utf8" }).stdout;
  };

  it("has the same stamp, and another by any change of what is in it or how it is named", () => {
    for (const folder of folders) {
      cpSync(join(__dirname, "../lib"), join(folder, "scripts/lib"), { recursive: true });
      mkdirSync(join(folder, "apps"));
      writeFileSync(join(folder, "package-lock.json"), "{}");
      writeFileSync(join(folder, "apps/a.ts"), "1");
    }
    const [one, another] = folders as [string, string];
    const before = hashIn(one);
    expect(before).toMatch(/^[0-9a-f]{64}\n$/);
    expect(hashIn(another)).toBe(before);
    writeFileSync(join(another, "apps/a.ts"), "2");
    expect(hashIn(another)).not.toBe(before);
    writeFileSync(join(another, "apps/a.ts"), "1");
    expect(hashIn(another)).toBe(before);
    renameSync(join(another, "apps/a.ts"), join(another, "apps/b.ts"));
    expect(hashIn(another)).not.toBe(before);
  });
});
