/**
 * `npm test`: everything, from a bare machine, beside a running `npm start`.
 * `npm test -- unit page`: only these groups: checks (lint, types, format, unused, layers, names),
 * unit (core, contract, loom, template, command line, stores), page (pages without a browser),
 * api (the server over its database), scripts (start, restore), browser.
 */
import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { parseArgs } from "node:util";
import { headless } from "./lib/chromium.mjs";
import { Failure, main } from "./lib/fail.mjs";
import {
  checkDisk,
  checkNode,
  findProgram,
  freePort,
  installPackages,
  postgresFolder,
} from "./lib/machine.mjs";
import { ROOT, fromRoot } from "./lib/paths.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages } from "./lib/prepare.mjs";

const CHECKS = ["lint", "types", "format", "unused", "layers", "names"];
const TYPED = ["--type-aware", "--tsconfig", "tsconfig.lint.json"];
/** No test fails on time alone, whatever else the machine does. */
const PATIENCE = "30";
/** What of Jest's projects a group runs. */
const PROJECTS = {
  unit: ["core", "contract", "loom", "template", "cli", "web"],
  page: ["page"],
  api: ["server"],
  scripts: ["scripts"],
};
const GROUPS = ["checks", ...Object.keys(PROJECTS), "browser"];

const { positionals: asked } = parseArgs({ allowPositionals: true });

const bin = (path) => fromRoot("node_modules", path);

/** Debian packages that the tests need, by the program that shows they are there. */
async function ensureMachine() {
  const missing = [
    ...(postgresFolder() ? [] : ["postgresql"]),
    ...(findProgram("ngspice") ? [] : ["ngspice"]),
  ];
  const isPressed = existsSync(headless().executablePath);
  if (isPressed) {
    if (missing.length > 0) await installPackages(missing);
    return;
  }
  // Half of what the whole browser is, which does as well where a Debian has no shell of it.
  await installPackages([...missing, "chromium-headless-shell"]).catch(() =>
    installPackages([...missing, "chromium"]),
  );
}

const tally = { passed: 0, failed: 0 };
/** Whether a group, or a single check of the text, was left out by who asked for others. */
const skips = (name) =>
  asked.length > 0 && !asked.includes(name) && !(CHECKS.includes(name) && asked.includes("checks"));

function say(name, ok, started) {
  const seconds = ((Date.now() - started) / 1000).toFixed(1);
  process.stdout.write(`${ok ? "ok  " : "FAIL"} ${name} (${seconds} s)\n`);
}

/** A check that passes or fails as one; what it prints is shown when it fails. */
async function check(name, args) {
  if (skips(name)) return;
  const started = Date.now();
  const child = spawn(args[0], args.slice(1), { cwd: ROOT, stdio: ["ignore", "pipe", "pipe"] });
  const printed = [];
  for (const stream of [child.stdout, child.stderr]) stream.on("data", (d) => printed.push(d));
  const code = await new Promise((done) => {
    child.once("error", () => done(1));
    child.once("close", (status) => done(status ?? 1));
  });
  const ok = code === 0;
  if (!ok) process.stdout.write(Buffer.concat(printed));
  tally[ok ? "passed" : "failed"] += 1;
  say(name, ok, started);
}

/** Checks of the text itself, one after the other, beside what waits more than it computes. */
async function checks(list) {
  for (const next of list) await check(...next);
}

/** Runs a suite; what it prints comes when it has ended, so that two do not talk at once. */
const runQuietly = (command, args, env) =>
  new Promise((done) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: ["ignore", "pipe", "pipe"],
    });
    const printed = [];
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (d) => printed.push(d));
    child.once("close", (code) => {
      process.stdout.write(Buffer.concat(printed));
      done(code ?? 1);
    });
  });

async function jest(env) {
  const groups = Object.keys(PROJECTS).filter((group) => !skips(group));
  if (groups.length === 0) return;
  const started = Date.now();
  const file = fromRoot("test-results/jest.json");
  const code = await runQuietly(
    process.execPath,
    [
      ...[bin("jest/bin/jest.js"), "--json", `--outputFile=${file}`, "--silent=false"],
      // Beside the browser at first, and then on both cores.
      ...["--maxWorkers=2", "--selectProjects", ...groups.flatMap((group) => PROJECTS[group])],
    ],
    env,
  );
  const report = existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : null;
  tally.passed += report?.numPassedTests ?? 0;
  tally.failed += (report?.numFailedTests ?? 0) + (report?.numRuntimeErrorTestSuites ?? 0);
  if (code !== 0 && tally.failed === 0) tally.failed += 1;
  say("jest", code === 0, started);
}

async function browser(env) {
  if (skips("browser")) return;
  const started = Date.now();
  const code = await runQuietly(
    process.execPath,
    [bin("@playwright/test/cli.js"), "test", "--config", fromRoot("e2e/playwright.config.ts")],
    env,
  );
  const file = fromRoot("test-results/e2e.json");
  const stats = existsSync(file) ? JSON.parse(readFileSync(file, "utf8")).stats : null;
  tally.passed += stats?.expected ?? 0;
  tally.failed += (stats?.unexpected ?? 0) + (stats?.flaky ?? 0);
  if (code !== 0 && (stats?.unexpected ?? 0) === 0) tally.failed += 1;
  say("browser", code === 0, started);
}

async function browserSuite(postgres) {
  if (skips("browser")) return;
  const demo = await startServer(postgres, "browser_demo", true);
  const empty = await startServer(postgres, "browser_empty", false);
  await browser({ BASE_URL: demo.url, EMPTY_URL: empty.url });
  await Promise.all([demo.stop(), empty.stop()]);
}

/** The built server on a database of its own. */
async function startServer(postgres, name, demo) {
  const { port: databasePort, username } = new URL(postgres.url);
  spawnSync(`${postgresFolder()}/createdb`, [
    ...["-h", "127.0.0.1", "-p", databasePort, "-U", username],
    name,
  ]);
  const port = await freePort();
  const child = spawn(process.execPath, [fromRoot("apps/server/dist/main.js")], {
    env: {
      ...process.env,
      NODE_ENV: "production",
      DATABASE_URL: postgres.url.replace(/\/[^/]*$/, `/${name}`),
      PORT: String(port),
      DRAGONET_DEMO: demo ? "1" : "0",
      DRAGONET_SIGN_IN_LIMIT: "10000",
      DRAGONET_PATIENCE: PATIENCE,
      // Nothing listens there: a meter that happens to be on belongs to no test.
      DRAGONET_METER: "127.0.0.1:9",
    },
    stdio: ["ignore", "inherit", "inherit", "ipc"],
  });
  await new Promise((done, failed) => {
    child.once("message", done);
    child.once("exit", (code) => failed(new Failure(`the server under test ended with ${code}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    stop: () =>
      new Promise((done) => {
        child.once("exit", done);
        child.kill("SIGTERM");
      }),
  };
}

await main(async () => {
  const began = Date.now();
  const unknown = asked.find((name) => ![...GROUPS, ...CHECKS].includes(name));
  if (unknown !== undefined) {
    throw new Failure(`There is no group "${unknown}": ${[...GROUPS, ...CHECKS].join(", ")}.`);
  }
  checkNode();
  checkDisk(ROOT, 600);
  // What Debian has comes in while the rest is installed, built and read.
  const machine = ensureMachine();
  machine.catch(() => {});
  ensurePackages();
  ensureBuild();
  rmSync(fromRoot("test-results"), { recursive: true, force: true });
  mkdirSync(fromRoot("test-results"));

  const node = (path, ...more) => [process.execPath, path, ...more];
  const cruise = bin("dependency-cruiser/bin/dependency-cruise.mjs");
  // The list of names that must not appear is kept beside the project, where there is one.
  const names = fromRoot("../shared/tools/names-check");
  const checking = checks([
    ["lint", node(bin("oxlint/bin/oxlint"), ...TYPED, "--deny-warnings", ".")],
    ["types", node(fromRoot("scripts/types.mjs"))],
    ["format", node(bin("oxfmt/bin/oxfmt"), "--check", ".")],
    ["unused", node(bin("knip/bin/knip.js"))],
    ["layers", node(cruise, "packages", "apps", "--config", ".dependency-cruiser.cjs")],
    ...(existsSync(names) ? [["names", [names, "."]]] : []),
  ]);

  await machine;
  const postgres = await startPostgres(".data-test", { reset: true, fast: true });
  try {
    // Side by side: suites wait for servers and pages as often as they compute.
    await Promise.all([
      checking,
      jest({
        ...{ DATABASE_URL: postgres.url, DRAGONET_TOGETHER: "1" },
        ...{ DRAGONET_PAPER_PRIORITY: "0", DRAGONET_PATIENCE: PATIENCE },
      }),
      browserSuite(postgres),
    ]);
  } finally {
    await postgres.stop();
  }
  process.stdout.write(`took ${Math.round((Date.now() - began) / 1000)} s\n`);
  process.stdout.write(`${tally.passed} passed, ${tally.failed} failed\n`);
  if (tally.failed > 0 || tally.passed === 0) process.exitCode = 1;
});
