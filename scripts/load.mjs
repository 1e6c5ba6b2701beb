/** `npm run load`: 200 people at work on one shop, what they wait for, and what the server holds meanwhile. */
import { rmSync } from "node:fs";
import { setTimeout as sleep } from "node:timers/promises";
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { startOwnShop } from "./lib/ownShop.mjs";
import { Load, heldMb, printFigures } from "./lib/load.mjs";
import { freePort } from "./lib/machine.mjs";
import { fromRoot } from "./lib/paths.mjs";

const DATA = ".data-test-load";
const USAGE = `npm run load -- [--people 200] [--minutes 10] [--url http://127.0.0.1:4170]

So many people, each with one request every five seconds: a quarter saves, the others look at
the board, jobs, searches, the shelf and histories. A sheet is printed now and then and timed
apart. Without --url on a demo shop of its own, which is forgotten afterwards.`;

/** Somebody who prints a sheet every half a minute. */
async function print(load) {
  const cookie = await load.signIn();
  const { text } = await load.ask("look", "jobs?size=1", { headers: { cookie } });
  const [{ id }] = JSON.parse(text);
  load.times.delete("look");
  while (load.working) {
    await load.ask("sheet", `jobs/${id}/wiring-sheet.pdf`, { headers: { cookie } });
    for (let i = 0; i < 60 && load.working; i += 1) await sleep(500);
  }
}

await main(async () => {
  const { values } = parseArgs({
    options: {
      people: { type: "string", default: "200" },
      minutes: { type: "string", default: "10" },
      url: { type: "string" },
      help: { type: "boolean", short: "h", default: false },
    },
  });
  if (values.help) return void process.stdout.write(`${USAGE}\n`);
  const [people, minutes] = [Number(values.people), Number(values.minutes)];
  if (!(Number.isInteger(people) && people > 0 && people <= 2000)) {
    throw new Failure(`invalid --people: ${values.people} (a whole number, 1 to 2000)`);
  }
  if (!(minutes > 0 && minutes <= 600)) {
    throw new Failure(`invalid --minutes: ${values.minutes} (more than 0, up to 600)`);
  }
  const port = values.url ? null : await freePort();
  const shop = port === null ? null : await startOwnShop(port, DATA);
  const url = values.url ?? `http://127.0.0.1:${port}`;
  try {
    const load = new Load(url, { people });
    await load.begin();
    process.stdout.write(`${people} people are in, ${minutes} minutes of work\n`);
    const printing = print(load);
    const held = [];
    const ends = Date.now() + minutes * 60_000;
    // What is held after a tenth of the time is compared with what is held at the end.
    while (Date.now() < ends) {
      held.push(await heldMb(url));
      await sleep(Math.min(5000, Math.max(0, ends - Date.now())));
    }
    await load.end();
    await printing;
    const settled = held[Math.floor(held.length / 10)] ?? 0;
    const last = held[held.length - 1] ?? 0;
    process.stdout.write(`${printFigures(load.figures())}\n`);
    process.stdout.write(
      `held ${settled.toFixed(0)} MB after a tenth of the time, ${last.toFixed(0)} MB at the end\n`,
    );
    for (const [line, n] of load.refused) process.stdout.write(`refused ${n} times: ${line}\n`);
    if (load.refused.size > 0) process.exitCode = 1;
  } finally {
    if (shop) {
      const gone = new Promise((done) => shop.once("exit", done));
      shop.kill("SIGTERM");
      await gone;
      rmSync(fromRoot(DATA), { recursive: true, force: true });
    }
  }
  process.exit();
});
