import { spawn, spawnSync } from "node:child_process";
import { accessSync, constants, existsSync, readdirSync, statfsSync } from "node:fs";
import { connect, createServer } from "node:net";
import { delimiter, join } from "node:path";
import { Failure } from "./fail.mjs";

const OLDEST_NODE = [20, 11];

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major > OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor >= OLDEST_NODE[1])) return;
  throw new Failure(
    `Dragonet needs Node.js ${OLDEST_NODE.join(".")} or newer; this is ${process.versions.node}.`,
  );
}

const MEBI = 1024 * 1024;

/** Refuses to begin on a disk so full that the database would be hurt. */
export function checkDisk(folder, neededMiB) {
  const { bavail, bsize } = statfsSync(folder);
  const free = Math.floor((bavail * bsize) / MEBI);
  if (free >= neededMiB) return;
  throw new Failure(
    `The disk is full: ${free} MiB free at ${folder}, ${neededMiB} MiB needed. Free some space and start again.`,
  );
}

export const isRoot = () => process.getuid?.() === 0;

const runs = (file) => {
  try {
    accessSync(file, constants.X_OK);
    return true;
  } catch {
    return false;
  }
};

/** A program's path, in PATH or in one of the folders given; null when it is not there. */
export function findProgram(name, folders = []) {
  const all = [...folders, ...(process.env.PATH ?? "").split(delimiter)];
  return all.map((folder) => join(folder, name)).find(runs) ?? null;
}

/** PostgreSQL's own folder of programs, newest version first. Debian keeps it out of PATH. */
export function postgresFolder() {
  const base = "/usr/lib/postgresql";
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  const folders = versions.map((v) => join(base, v, "bin"));
  return folders.find((f) => runs(join(f, "postgres")) && runs(join(f, "initdb"))) ?? null;
}

/** Installs Debian packages as root or through sudo; otherwise says exactly what to install. */
export async function installPackages(packages) {
  const list = packages.join(" ");
  const how = `Install it first: sudo apt-get install ${list}`;
  const apt = findProgram("apt-get");
  if (!apt)
    throw new Failure(`${list} missing, and this is no Debian. Install it by your own means.`);
  const sudo = isRoot() ? [] : ["sudo", "-n"];
  if (!isRoot() && spawnSync("sudo", ["-n", "true"]).status !== 0) {
    throw new Failure(`${list} missing, and this user may not install packages. ${how}`);
  }
  process.stderr.write(`Installing ${list} …\n`);
  // One child for both, so that it goes on while this process waits for something else.
  const script = `${apt} update -qq; ${apt} install -y -qq --no-install-recommends ${list}`;
  const [command, ...args] = [...sudo, "sh", "-c", script];
  const child = spawn(command, args, {
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
  });
  const status = await new Promise((done) => {
    child.once("error", () => done(1));
    child.once("close", done);
  });
  if (status !== 0) throw new Failure(`Installing ${list} failed. ${how}`);
}

/** Whether something listens on a port of the loopback address. */
export const portBusy = (port) =>
  new Promise((done) => {
    const socket = connect({ port, host: "127.0.0.1" });
    socket.once("connect", () => {
      socket.destroy();
      done(true);
    });
    socket.once("error", () => done(false));
  });

/** A port of the loopback address that nobody uses now. */
export const freePort = () =>
  new Promise((done, failed) => {
    const server = createServer();
    server.once("error", failed);
    server.listen(0, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });
