/**
 * `npm run mutants -- FOLDER [--most 500] [--seed 1] [--tests a,b] [--only x.ts,y] [--all]`: breaks the lines of a folder one at a
 * time and runs the tests that reach them; prints the share that was noticed, and every
 * survivor with its place. `--tests solver,network` runs only those files of tests: what they notice is
 * a lower bound, and told in minutes. `--only` takes some files or rooms of the folder. Without `--all` the core's long tests are left out, so that a score is
 * what the brief ones notice: at most what all would. One workspace's folder at a time: packages/core/src/solve.
 * The server's tests try the built server: it is built once with every mutant in it, and the tests are run anew for
 * each, against the database of DATABASE_URL. `--again` tries those that survived the last run of the folder by other
 * tests, and counts both runs together.
 */
import { spawnSync } from "node:child_process";
import { existsSync, readFileSync, readdirSync, writeFileSync, mkdirSync } from "node:fs";
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { checkNode } from "./lib/machine.mjs";
import { ROOT, fromRoot } from "./lib/paths.mjs";
import { ensurePackages } from "./lib/prepare.mjs";

/** A line of this code holds nearly one mutant: counted over the core's folders. */
const MUTANTS_A_LINE = 0.9;

const linesIn = (folder) =>
  readdirSync(fromRoot(folder), { recursive: true })
    .filter((file) => /\.tsx?$/.test(file))
    .reduce((sum, f) => sum + readFileSync(fromRoot(folder, f), "utf8").split("\n").length, 0);

const readReport = (file) => JSON.parse(readFileSync(file, "utf8"));

const mutantsOf = ({ files }) =>
  Object.entries(files).flatMap(([path, { mutants }]) =>
    mutants.map((mutant) => ({ path, ...mutant })),
  );

const survived = ({ status }) => status === "Survived" || status === "NoCoverage";

/** The same break of the same place, in whatever run. */
const nameOf = ({ path, location, mutatorName, replacement }) =>
  JSON.stringify([path, location, mutatorName, replacement]);

/** Where a mutant is, as Stryker is told to look at nothing else; its columns begin at 0 there. */
const rangeOf = ({ path, location: { start, end } }) =>
  `${path}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;

/** An earlier run with what a later one noticed of its survivors. */
function together(before, after) {
  const later = new Map(mutantsOf(after).map((m) => [nameOf(m), m.status]));
  for (const [path, file] of Object.entries(before.files)) {
    file.mutants = file.mutants.map((m) => {
      const status = survived(m) && later.get(nameOf({ path, ...m }));
      return status ? { ...m, status } : m;
    });
  }
  return before;
}

function report(all) {
  const count = (...states) => all.filter((m) => states.includes(m.status)).length;
  const noticed = count("Killed", "Timeout");
  const judged = noticed + count("Survived", "NoCoverage");
  for (const m of all) {
    if (!survived(m)) continue;
    const what = `${m.mutatorName} → ${(m.replacement ?? "").replace(/\s+/g, " ").slice(0, 80)}`;
    process.stdout.write(`${m.status}: ${m.path}:${m.location.start.line} ${what}\n`);
  }
  const score = judged === 0 ? 0 : (100 * noticed) / judged;
  process.stdout.write(`${noticed} of ${judged} noticed: ${score.toFixed(1)} %\n`);
}

const SAMPLE = "./scripts/lib/sampleMutants.mjs";

const IN_JEST = {
  testRunner: "jest",
  plugins: ["@stryker-mutator/jest-runner", SAMPLE],
  jest: { configFile: "jest.config.cjs", enableFindRelatedTests: false },
  coverageAnalysis: "perTest",
};

/** A mutant is chosen by a variable of the environment, which the server under test inherits. */
const BUILT_SERVER = {
  testRunner: "command",
  plugins: [SAMPLE],
  // The packages of the folder above: Stryker links them into its copy only afterwards.
  buildCommand: `node ${fromRoot("node_modules/vite/bin/vite.js")} build apps/server --logLevel warn`,
  commandRunner: { command: "node node_modules/jest/bin/jest.js --bail --forceExit --silent" },
  coverageAnalysis: "off",
};

await main(() => {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      most: { type: "string", default: "500" },
      seed: { type: "string", default: "1" },
      all: { type: "boolean", default: false },
      tests: { type: "string", default: "" },
      only: { type: "string", default: "" },
      again: { type: "boolean", default: false },
    },
  });
  const folder = positionals[0]?.replace(/\/$/, "");
  const workspace = /^(packages|apps)\/([a-z]+)\/src/.exec(folder ?? "");
  if (!folder || !workspace) {
    throw new Failure("Say which folder: npm run mutants -- packages/core/src/solve");
  }
  const only =
    values.only === ""
      ? ["**/*.{ts,tsx}"]
      : values.only
          .split(",")
          .map((name) => (/\.tsx?$/.test(name) ? name : `${name}/**/*.{ts,tsx}`));
  const server = workspace[2] === "server";
  if (server && !process.env.DATABASE_URL) {
    throw new Failure("Say where PostgreSQL is: DATABASE_URL=postgresql://… npm run mutants -- …");
  }
  checkNode();
  ensurePackages();
  mkdirSync(fromRoot("test-results"), { recursive: true });
  const name = folder.replaceAll("/", "-");
  const out = fromRoot("test-results", `mutants-${name}.json`);
  const config = fromRoot("test-results", `stryker-${name}.json`);
  if (values.again && !existsSync(out)) {
    throw new Failure(`No run of ${folder} is there to go on with: leave out --again.`);
  }
  const before = values.again ? readReport(out) : { files: {} };
  const left = mutantsOf(before).filter(survived);
  if (values.again && left.length === 0) throw new Failure("Nothing survived the last run.");
  const settings = {
    mutate: values.again
      ? [...new Set(left.map(rangeOf))]
      : only.map((name) => `${folder}/${name}`),
    ...(server ? BUILT_SERVER : IN_JEST),
    // What tests work out while they are described counts as well, where few of them are run.
    ignoreStatic: !server && values.tests === "",
    ignorers: ["sample"],
    reporters: ["json"],
    jsonReporter: { fileName: out },
    tempDirName: ".stryker-tmp",
    ignorePatterns: [
      ...(server ? ["packages/*/dist", "apps/cli/dist"] : ["**/dist/**"]),
      ".data*",
      "docs/screenshots",
      "test-results",
    ],
    concurrency: 2,
    timeoutMS: 20000,
    logLevel: "warn",
  };
  writeFileSync(config, JSON.stringify(settings, null, 2));
  const share = values.again
    ? 1
    : Math.min(1, Number(values.most) / Math.max(1, linesIn(folder) * MUTANTS_A_LINE));
  const { status } = spawnSync(
    process.execPath,
    [fromRoot("node_modules/@stryker-mutator/core/bin/stryker.js"), "run", config],
    {
      cwd: ROOT,
      stdio: ["ignore", "inherit", "inherit"],
      env: {
        ...process.env,
        DRAGONET_JEST_PROJECT: workspace[2],
        ...(values.all ? {} : { DRAGONET_BRIEF: "1" }),
        ...(values.tests === "" ? {} : { DRAGONET_TESTS: values.tests }),
        DRAGONET_MUTANT_SHARE: String(share),
        DRAGONET_MUTANT_SEED: values.seed,
      },
    },
  );
  if (status !== 0) throw new Failure("The mutants could not be run: see above.");
  if (values.again) writeFileSync(out, JSON.stringify(together(before, readReport(out))));
  report(mutantsOf(readReport(out)));
});
