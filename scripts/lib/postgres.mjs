import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import {
  accessSync,
  chmodSync,
  chownSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  rmSync,
  statSync,
} from "node:fs";
import { dirname, join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import { Failure } from "./fail.mjs";
import { freePort, installPackages, isRoot, postgresFolder } from "./machine.mjs";
import { ROOT } from "./paths.mjs";

const USER = "dragonet";
const DATABASE = "dragonet";

/** PostgreSQL refuses to run as root: as root it runs as the user that Debian made for it. */
export function serverUser() {
  if (!isRoot()) return {};
  const line = readFileSync("/etc/passwd", "utf8")
    .split("\n")
    .find((l) => l.startsWith("postgres:"));
  if (!line)
    throw new Failure("There is no user postgres: reinstall the Debian package postgresql.");
  const [, , uid, gid] = line.split(":");
  return { uid: Number(uid), gid: Number(gid) };
}

/** Whether a user other than root may walk down to a folder. */
function reachable(folder) {
  for (let at = folder; ; at = dirname(at)) {
    if (existsSync(at) && (statSync(at).mode & 0o001) === 0) return false;
    if (at === dirname(at)) return true;
  }
}

/**
 * The data folder: in the project, or below /var/lib when the project lies below a closed
 * home that the postgres user cannot enter.
 */
export function dataFolder(name) {
  const own = join(ROOT, name, "postgres");
  if (!isRoot() || reachable(ROOT)) return own;
  const tag = createHash("sha256").update(own).digest("hex").slice(0, 12);
  return join("/var/lib", `dragonet-${tag}`);
}

export function makeFolder(folder, user) {
  // The parent must let the postgres user through; the folder itself is closed to all others.
  mkdirSync(dirname(folder), { recursive: true, mode: 0o755 });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (user.uid !== undefined) {
    chownSync(folder, user.uid, user.gid);
    chmodSync(folder, 0o700);
  }
  accessSync(folder, constants.W_OK);
}

const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === "EPERM";
  }
};

/** The URL of a server that runs in a data folder just now, or null. */
export function runningPostgres(name) {
  const file = join(dataFolder(name), "postmaster.pid");
  if (!existsSync(file)) return null;
  // Its fourth line is the port; the first its process.
  const [pid, , , port] = readFileSync(file, "utf8").split("\n");
  return alive(Number(pid)) ? `postgresql://${USER}@127.0.0.1:${port}/${DATABASE}` : null;
}

/** Whether a data folder holds a shop. */
export const holdsShop = (name) => existsSync(join(dataFolder(name), "PG_VERSION"));

/** Stops a server that a killed start left behind in this data folder. */
async function takeOver(data) {
  const file = join(data, "postmaster.pid");
  if (!existsSync(file)) return;
  const pid = Number(readFileSync(file, "utf8").split("\n")[0]);
  const ours =
    pid > 1 &&
    alive(pid) &&
    existsSync(`/proc/${pid}/cmdline`) &&
    readFileSync(`/proc/${pid}/cmdline`, "utf8").includes(data);
  if (!ours) {
    rmSync(file, { force: true });
    return;
  }
  process.kill(pid, "SIGINT");
  for (let i = 0; i < 100 && alive(pid); i += 1) await sleep(100);
  if (alive(pid)) process.kill(pid, "SIGKILL");
}

function explain(said) {
  if (/No space left on device/.test(said)) {
    return "The disk is full: PostgreSQL could not start. Free some space and start again.";
  }
  return `PostgreSQL did not start:\n${said.trim().split("\n").slice(-8).join("\n")}`;
}

function initialise(bin, data, user) {
  if (existsSync(join(data, "PG_VERSION"))) return;
  const made = spawnSync(
    join(bin, "initdb"),
    ["-D", data, "-U", USER, "--auth=trust", "--encoding=UTF8", "--locale=C.UTF-8", "--no-sync"],
    { ...user, cwd: data, encoding: "utf8" },
  );
  if (made.status !== 0) {
    rmSync(data, { recursive: true, force: true });
    throw new Failure(explain(`${made.stdout}${made.stderr}`));
  }
}

async function waitReady(bin, port, child, said) {
  const ready = () =>
    spawnSync(join(bin, "pg_isready"), ["-q", "-h", "127.0.0.1", "-p", String(port)]).status === 0;
  for (let i = 0; i < 600; i += 1) {
    if (child.exitCode !== null) throw new Failure(explain(said()));
    if (ready()) return;
    await sleep(50);
  }
  throw new Failure(explain(`not ready after 30 s\n${said()}`));
}

/** The database is made with the server's own tools, before any package is installed. */
function ensureDatabase(bin, port, user) {
  const args = ["-h", "127.0.0.1", "-p", String(port), "-U", USER];
  const { status, stderr } = spawnSync(join(bin, "createdb"), [...args, DATABASE], {
    ...user,
    cwd: "/",
    encoding: "utf8",
  });
  if (status !== 0 && !/already exists/.test(stderr)) throw new Failure(explain(stderr));
}

/**
 * Starts PostgreSQL on loopback in a data folder of the project. `fast` gives up safety on
 * power loss for speed: for tests. `port` is for one that is started again, where its clients
 * look for it, `settings` are of PostgreSQL's own kind (`name=value`). Answers its URL and how to stop it.
 */
export async function startPostgres(
  name,
  { reset = false, fast = false, port: wanted, settings = [] } = {},
) {
  let bin = postgresFolder();
  if (!bin) {
    await installPackages(["postgresql"]);
    bin = postgresFolder();
    if (!bin)
      throw new Failure(
        "PostgreSQL was installed but its programs are not where Debian puts them.",
      );
  }
  const user = serverUser();
  const data = dataFolder(name);
  await takeOver(data);
  if (reset) rmSync(data, { recursive: true, force: true });
  makeFolder(data, user);
  initialise(bin, data, user);
  const port = wanted ?? (await freePort());
  const options = ["-D", data, "-p", String(port), "-k", "", "-h", "127.0.0.1"];
  if (fast)
    options.push("-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off");
  options.push(...settings.flatMap((one) => ["-c", one]));
  let output = "";
  const child = spawn(join(bin, "postgres"), options, {
    ...user,
    cwd: data,
    stdio: ["ignore", "pipe", "pipe"],
    // A group of its own: Ctrl-C is for us, and we stop it in order.
    detached: true,
  });
  const keep = (chunk) => {
    output = (output + chunk).slice(-8000);
  };
  child.stdout.on("data", keep);
  child.stderr.on("data", keep);
  await waitReady(bin, port, child, () => output);
  // A standby has what its primary has, and takes nothing of its own.
  if (!existsSync(join(data, "standby.signal"))) ensureDatabase(bin, port, user);
  return {
    url: `postgresql://${USER}@127.0.0.1:${port}/${DATABASE}`,
    port,
    pid: child.pid,
    died: new Promise((done) => child.once("exit", () => done(output))),
    async stop() {
      if (child.exitCode !== null) return;
      const gone = new Promise((done) => child.once("exit", done));
      child.kill("SIGINT");
      const late = setTimeout(() => child.kill("SIGQUIT"), 10_000);
      await gone;
      clearTimeout(late);
    },
  };
}
