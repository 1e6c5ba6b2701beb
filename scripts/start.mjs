/** `npm start`: from a bare machine to a served shop. Node built-ins only. */
import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { isIP } from "node:net";
import { networkInterfaces } from "node:os";
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { checkDisk, checkNode, portBusy } from "./lib/machine.mjs";
import { ROOT, fromRoot } from "./lib/paths.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages } from "./lib/prepare.mjs";

const USAGE = `npm start -- [--port 4170] [--host 127.0.0.1] [--empty] [--reset]

  --port N   address to serve at (default 4170)
  --host A   whom it serves (default 127.0.0.1, this machine; 0.0.0.0 for the shop's phones too)
  --empty    no demo shop: the first page asks for the first owner
  --reset    forget everything and begin anew
  DATABASE_URL=postgresql://…   use that PostgreSQL instead of an own one`;

function readArgs() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: "string", default: process.env.PORT ?? "4170" },
        // Not from HOST: some shells keep the machine's name in it.
        host: { type: "string", default: "127.0.0.1" },
        empty: { type: "boolean", default: false },
        reset: { type: "boolean", default: false },
        help: { type: "boolean", short: "h", default: false },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65535) {
      throw new Failure(`invalid port: ${values.port} (needs 1 to 65535)`);
    }
    if (isIP(values.host) === 0) {
      throw new Failure(`invalid host: ${values.host} (needs an address, such as 0.0.0.0)`);
    }
    return { ...values, port };
  } catch (error) {
    if (error instanceof Failure) throw error;
    throw new Failure(`${error.message}\n\n${USAGE}`);
  }
}

/** The demo's sign-ins, read from the source that seeds them, before anything is built. */
function demoPeople() {
  const text = readFileSync(fromRoot("packages/core/src/demo/people.ts"), "utf8");
  const pattern = /name: "([^"]+)",\s*signIn: "([^"]+)",\s*password: "([^"]+)",\s*role: "([^"]+)"/g;
  return [...text.matchAll(pattern)].map(([, name, signIn, password, role]) => ({
    name,
    signIn,
    password,
    role,
  }));
}

/** Addresses at which others on the network find a server on any address. */
const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((a) => a && a.family === "IPv4" && !a.internal)
    .map((a) => a.address);

function announce({ port, host }, demo) {
  const everywhere = host === "0.0.0.0";
  const [first, ...others] = everywhere ? ["127.0.0.1", ...ownAddresses()] : [host];
  const lines = ["", `  Dragonet is ready:  http://${first}:${port}`];
  for (const address of others) lines.push(`  On this network:    http://${address}:${port}`);
  if (demo && host !== "127.0.0.1") {
    lines.push("  Everybody knows the demo's passwords: for real work use --empty.");
  }
  lines.push("");
  if (demo) {
    lines.push("  Demo shop. Sign in as");
    for (const p of demoPeople()) {
      lines.push(`    ${p.signIn.padEnd(6)} password ${p.password}   ${p.name}, ${p.role}`);
    }
  } else {
    lines.push("  The first page asks for the first owner if there is none yet.");
  }
  lines.push("", "  Ctrl-C stops it.", "");
  process.stdout.write(`${lines.join("\n")}\n`);
}

await main(async () => {
  const args = readArgs();
  if (args.help) {
    process.stdout.write(`${USAGE}\n`);
    return;
  }
  checkNode();
  checkDisk(ROOT, 300);
  if (await portBusy(args.port)) {
    throw new Failure(
      `Port ${args.port} is busy: stop what uses it, or choose another with --port.`,
    );
  }
  const foreign = process.env.DATABASE_URL;
  if (foreign && args.reset) {
    throw new Failure(
      "--reset does not touch somebody else's PostgreSQL: empty that database yourself.",
    );
  }

  let stopping = false;
  let server = null;
  let postgres = null;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    if (server && server.exitCode === null) {
      const gone = new Promise((done) => server.once("exit", done));
      server.kill("SIGTERM");
      const late = setTimeout(() => server.kill("SIGKILL"), 8000);
      await gone;
      clearTimeout(late);
    }
    await postgres?.stop();
  };
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) {
    process.on(signal, () => void stop().then(() => process.exit(process.exitCode ?? 0)));
  }

  // The database starts while packages and build are looked at: neither needs the other.
  const starting = foreign
    ? Promise.resolve({ url: foreign, stop: async () => {}, died: new Promise(() => {}) })
    : startPostgres(process.env.DRAGONET_DATA ?? ".data", { reset: args.reset });
  ensurePackages();
  ensureBuild();
  postgres = await starting;

  const demo = !args.empty;
  server = spawn(process.execPath, ["--enable-source-maps", fromRoot("apps/server/dist/main.js")], {
    env: {
      ...process.env,
      NODE_ENV: "production",
      DATABASE_URL: postgres.url,
      PORT: String(args.port),
      HOST: args.host,
      DRAGONET_DEMO: demo ? "1" : "0",
    },
    stdio: ["ignore", "inherit", "inherit", "ipc"],
    detached: true,
  });
  let ready = false;
  server.once("message", () => {
    ready = true;
    announce(args, demo);
  });
  void postgres.died.then(async (said) => {
    if (stopping) return;
    process.stderr.write(`PostgreSQL ended unexpectedly.\n${String(said).slice(-800)}\n`);
    process.exitCode = 1;
    await stop();
  });
  server.once("exit", async (code) => {
    if (stopping) return;
    if (ready) process.stderr.write("The server ended unexpectedly; see above.\n");
    process.exitCode = code || 1;
    await stop();
  });
});
