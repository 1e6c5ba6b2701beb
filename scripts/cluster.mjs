/** `npm run cluster`: three servers, a standby, pgBouncer and nginx on this machine, to try; or a trial of all of it. */
import { setTimeout as sleep } from "node:timers/promises";
import { parseArgs } from "node:util";
import { Cluster } from "./lib/cluster.mjs";
import { Failure, main } from "./lib/fail.mjs";
import { holding } from "./lib/holding.mjs";
import { Load, printFigures } from "./lib/load.mjs";
import { checkDisk, checkNode } from "./lib/machine.mjs";
import { ROOT } from "./lib/paths.mjs";
import { ensureBuild, ensurePackages } from "./lib/prepare.mjs";

const USAGE = `npm run cluster -- [--servers 3] [--port 4180] [--trial] [--people 200] [--minutes 4]
npm run cluster -- --hold [--servers 3]

Starts a demo shop on PostgreSQL with a standby, pgBouncer, so many servers and nginx, all on
loopback and all forgotten when it ends. kill -USR2 PID puts the standby in the other's place.
--trial   so many people at work for so many minutes; meanwhile a switch-over, a server killed,
          a new standby, every server of a next version, one after the other; then each acknowledged save is looked for
--hold    how many answers a second one server gives, and so many, and what binds them: five minutes`;

const ENDS = ["SIGINT", "SIGTERM", "SIGHUP"];

async function trial(cluster, people, minutes) {
  const say = (line) => process.stdout.write(`${line}\n`);
  const load = new Load(cluster.url, { people });
  await load.begin();
  const part = (minutes * 60_000) / 5;
  say(`${people} people are in`);
  await sleep(part);
  const quiet = load.figures();
  say(`before anything happens:\n${printFigures(quiet)}`);
  say(`switched over: saves waited ${(await cluster.switchOver()).toFixed(1)} s`);
  await sleep(part);
  await cluster.addStandby();
  say("a new standby has everything, and saves wait for it");
  await cluster.killServer(0);
  say("a server was killed and started again");
  await sleep(part);
  let saved = load.acknowledged.length;
  await cluster.upgrade(async () => {
    await sleep(part / 3);
    say(
      `a server of the next version beside older ones: ${load.acknowledged.length - saved} saves meanwhile`,
    );
    saved = load.acknowledged.length;
  });
  say("every server is of the next version; every document was brought up");
  say(`switched back: saves waited ${(await cluster.switchOver()).toFixed(1)} s`);
  await sleep(part);
  await load.end();
  const lost = await load.lost();
  say(`all of it:\n${printFigures(load.figures())}`);
  say(`asked again ${load.later} times`);
  say(`acknowledged ${load.acknowledged.length} saves, lost ${lost}`);
  for (const [line, n] of load.refused) say(`refused ${n} times: ${line}`);
  if (lost > 0 || load.refused.size > 0) process.exitCode = 1;
}

/** A cluster for as long as something is done with it: it ends with that, or by a signal, and is forgotten. */
async function withCluster(options, work) {
  const cluster = new Cluster(options);
  let ending = null;
  const end = () =>
    (ending ??= cluster
      .stop()
      .catch((error) => process.stderr.write(`${error.message}\n`))
      .then(() => cluster.remove()));
  const leave = () => void end().then(() => process.exit(process.exitCode ?? 0));
  for (const signal of ENDS) process.on(signal, leave);
  try {
    await cluster.start();
    return await work(cluster);
  } finally {
    await end();
    for (const signal of ENDS) process.off(signal, leave);
  }
}

const whole = (name, said, least, most) => {
  const value = Number(said);
  if (Number.isInteger(value) && value >= least && value <= most) return value;
  throw new Failure(`invalid --${name}: ${said} (a whole number, ${least} to ${most})`);
};

await main(async () => {
  const { values } = parseArgs({
    options: {
      servers: { type: "string", default: "3" },
      port: { type: "string" },
      trial: { type: "boolean", default: false },
      hold: { type: "boolean", default: false },
      people: { type: "string", default: "200" },
      minutes: { type: "string", default: "4" },
      help: { type: "boolean", short: "h", default: false },
    },
  });
  if (values.help) return void process.stdout.write(`${USAGE}\n`);
  const size = whole("servers", values.servers, 1, 12);
  const port = values.port === undefined ? undefined : whole("port", values.port, 1024, 65535);
  const people = whole("people", values.people, 1, 2000);
  const minutes = Number(values.minutes);
  if (!(minutes > 0)) throw new Failure(`invalid --minutes: ${values.minutes} (more than 0)`);
  checkNode();
  checkDisk(ROOT, 1000);
  ensurePackages();
  ensureBuild();
  if (values.hold) {
    process.stdout.write(`${await holding(withCluster, size)}\n`);
    process.exit();
  }
  await withCluster({ data: ".data-test-cluster", size, port }, async (cluster) => {
    process.stdout.write(
      `${size} servers, a standby, pgBouncer and nginx: ${cluster.url}\n` +
        `  kill -USR2 ${process.pid} puts the standby in the other's place. Ctrl-C stops it.\n`,
    );
    if (values.trial) return trial(cluster, people, minutes);
    process.on("SIGUSR2", () => {
      cluster
        .switchOver()
        .then((seconds) => process.stdout.write(`switched over in ${seconds.toFixed(1)} s\n`))
        .then(() => cluster.addStandby())
        .then(() => process.stdout.write("a new standby has everything\n"))
        .catch((error) => process.stderr.write(`${error.message}\n`));
    });
    return new Promise(() => setInterval(() => undefined, 1e9));
  });
  process.exit();
});
