import { spawnSync } from "node:child_process";
import { existsSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { Failure } from "./fail.mjs";
import { ROOT, fromRoot } from "./paths.mjs";
import { hashOf, whenStale } from "./stamp.mjs";

function run(what, command, args) {
  const { status, stdout, stderr } = spawnSync(command, args, {
    cwd: ROOT,
    encoding: "utf8",
    maxBuffer: 64 * 1024 * 1024,
  });
  if (status === 0) return;
  const said = `${stdout ?? ""}${stderr ?? ""}`;
  if (/ENOSPC/.test(said)) {
    throw new Failure("The disk is full: free some space and start again.");
  }
  throw new Failure(`${what} failed:\n${said.trim().split("\n").slice(-30).join("\n")}`);
}

const NODE_VERSION = process.versions.node;

/**
 * With the addresses of the lock, which save a look at each package's list of versions, a third of the time; and without
 * where a registry has its packages at other ones.
 */
function installPackages() {
  const install = () =>
    run("Installing packages", "npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]);
  const lock = fromRoot("package-lock.json");
  const text = readFileSync(lock, "utf8");
  try {
    install();
  } catch (error) {
    const bare = text.replace(/^ *"resolved": "https:.*",\n/gm, "");
    if (bare === text) throw error;
    writeFileSync(lock, bare);
    try {
      install();
    } finally {
      writeFileSync(lock, text);
    }
  }
}

/** Installs the packages of package-lock.json when they are not there as it says. */
export function ensurePackages() {
  const stamp = `${hashOf(["package-lock.json"])} ${NODE_VERSION}`;
  whenStale("node_modules/.dragonet-stamp", stamp, () => {
    process.stderr.write("Installing packages (a minute or two the first time) …\n");
    installPackages();
  });
}

const SOURCES = ["packages", "apps", "package-lock.json", "tsconfig.base.json"];

const BUILDS = ["apps/web", "apps/server", "apps/cli"];

/** What is worth squeezing: fonts and pictures are. */
const SQUEEZED = /\.(js|css|html|svg|json|webmanifest)$/;
/** Below it a file is one packet in any case, bytes. */
const WORTH = 1000;

/** Puts beside each file of the page what servers send of it, so that none squeezes it while somebody waits. */
function squeeze(folder) {
  for (const name of readdirSync(folder, { recursive: true })) {
    const file = join(folder, name);
    if (!SQUEEZED.test(name) || statSync(file).size < WORTH) continue;
    writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }));
  }
}

const STAMP = "node_modules/.dragonet-build-stamp";

/** Builds page, server and command line when a source has changed. */
export function ensureBuild() {
  const stamp = hashOf(SOURCES);
  if (!BUILDS.every((folder) => existsSync(fromRoot(folder, "dist")))) {
    rmSync(fromRoot(STAMP), { force: true });
  }
  whenStale(STAMP, stamp, () => {
    process.stderr.write("Building …\n");
    for (const folder of BUILDS) {
      run(`Building ${folder}`, process.execPath, [
        fromRoot("node_modules/vite/bin/vite.js"),
        "build",
        fromRoot(folder),
        "--logLevel",
        "warn",
      ]);
    }
    squeeze(fromRoot("apps/web/dist"));
  });
}
