/** `npm start`: from a bare machine to a served shop. Node built-ins only. */
import { spawn } from "node:child_process";
import { isIP } from "node:net";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { checkDisk, checkNode, portBusy } from "./lib/machine.mjs";
import { ROOT, fromRoot } from "./lib/paths.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages } from "./lib/prepare.mjs";
import { keepRunning } from "./lib/supervise.mjs";
import { announce, demoPeople, ownAddresses, secretsFor } from "./lib/welcome.mjs";

const USAGE = `npm start -- [--port 4170] [--host 127.0.0.1] [--https] [--empty] [--reset]

  --port N   address to serve at (default 4170)
  --host A   whom it serves (default 127.0.0.1, this machine; 0.0.0.0 for the shop's phones too)
  --https    with a certificate of the shop's own authority, so that phones keep the application
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
        https: { type: "boolean", default: false },
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

/** By a package of the registry, so only once packages are there. */
async function certificateFor(data) {
  const { ensureCertificate } = await import("./lib/certificate.mjs");
  return ensureCertificate(fromRoot(join(data, "https")), ownAddresses());
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
  const foreign = process.env.DATABASE_URL || null;
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
    if (server && server.exitCode === null && server.signalCode === null) {
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
  const say = (line) => process.stderr.write(`${line}\n`);
  const data = process.env.DRAGONET_DATA ?? ".data";

  // The database starts while packages and build are looked at: neither needs the other.
  const starting = foreign ? null : startPostgres(data, { reset: args.reset });
  // It is waited for further down: meanwhile its failure is not one that nobody hears.
  starting?.catch(() => {});
  ensurePackages();
  ensureBuild();
  const demo = !args.empty;
  const people = demo ? await demoPeople() : null;
  const secrets = secretsFor(args, people);
  const certificate = args.https ? await certificateFor(data) : null;

  /** One life of the server; answers a promise of how it ended. */
  let announced = false;
  const startServer = () => {
    const child = spawn(process.execPath, [fromRoot("apps/server/dist/main.js")], {
      env: {
        ...process.env,
        NODE_ENV: "production",
        PORT: String(args.port),
        HOST: args.host,
        DRAGONET_DEMO: demo ? "1" : "0",
        ...secrets.env,
        ...(certificate && {
          TLS_KEY: certificate.key,
          TLS_CERTIFICATE: certificate.certificate,
          TLS_AUTHORITY: certificate.authority,
        }),
      },
      stdio: ["ignore", "inherit", "inherit", "ipc"],
      detached: true,
    });
    server = child;
    // It reads its own code while the database comes up, and waits for this word.
    void starting?.then(
      ({ url }) => child.send({ databaseUrl: url }, () => undefined),
      () => child.kill("SIGTERM"),
    );
    child.once("message", () => {
      if (!announced) announce(args, people, secrets, certificate);
      announced = true;
    });
    return new Promise((done) => {
      child.once("exit", (code, signal) => {
        // One that never was ready has said why; starting it again would say the same.
        if (!announced && !stopping) {
          if (signal) say(`The server was ended (${signal}) before it was ready.`);
          process.exitCode = code || 1;
          void stop();
        }
        done(signal ?? `code ${code}`);
      });
    });
  };
  const isStopping = () => stopping;
  void keepRunning({ name: "The server", start: startServer, stopping: isStopping, say });
  try {
    postgres = await starting;
  } catch (error) {
    stopping = true;
    throw error;
  }
  if (postgres) {
    let first = postgres;
    void keepRunning({
      name: "PostgreSQL",
      stopping: isStopping,
      say,
      start: async () => {
        const { port } = postgres;
        // The first life has begun already; later ones are looked for at the same port.
        postgres = first ?? (await startPostgres(data, { port }));
        first = null;
        return postgres.died.then((output) => {
          const [last = "no word"] = String(output).trim().split("\n").slice(-1);
          return last.slice(0, 200);
        });
      },
    });
  }
});
