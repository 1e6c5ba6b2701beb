/** `npm run fill -- --jobs 100000 --parts 20000`: a shop of many years, out of the jobs and parts that it has. */
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { fillJobs, fillParts } from "./lib/fillShop.mjs";
import { postgresFolder } from "./lib/machine.mjs";
import { holdsShop, runningPostgres, startPostgres } from "./lib/postgres.mjs";

const USAGE = `npm run fill -- [--jobs 100000] [--parts 20000]

Makes the shop's jobs and parts into so many, for trying how it does with many: jobs are copies of
those that there are, under other titles, customers and days; one in two hundred has work left.
Only for a shop of nobody's: nothing tells the copies from what people did.
DATABASE_URL=postgresql://…   fills that database instead of the own one`;

const count = (name, said) => {
  const value = Number(said);
  if (!Number.isInteger(value) || value < 0 || value > 2_000_000) {
    throw new Failure(`invalid --${name}: ${said} (a whole number, 0 to 2000000)`);
  }
  return value;
};

await main(async () => {
  const { values } = parseArgs({
    options: {
      jobs: { type: "string", default: "100000" },
      parts: { type: "string", default: "20000" },
      help: { type: "boolean", short: "h", default: false },
    },
  });
  if (values.help) {
    process.stdout.write(`${USAGE}\n`);
    return;
  }
  const [jobs, parts] = [count("jobs", values.jobs), count("parts", values.parts)];
  const data = process.env.DRAGONET_DATA ?? ".data";
  const running = process.env.DATABASE_URL ?? runningPostgres(data);
  if (running === null && !holdsShop(data)) {
    throw new Failure("There is no shop here yet: start it once with npm start.");
  }
  const own = running === null ? await startPostgres(data) : null;
  const url = running ?? own.url;
  const run = (sql) => {
    const { status, stdout, stderr } = spawnSync(
      join(postgresFolder(), "psql"),
      [url, "-v", "ON_ERROR_STOP=1", "-At", "-q", "-c", sql],
      { encoding: "utf8" },
    );
    if (status !== 0) throw new Failure(`It could not be filled: ${stderr.trim()}`);
    return stdout.trim();
  };
  try {
    // Some at a time, so that a stopped run loses nothing and says how far it is.
    const STEP = 5000;
    const began = Date.now();
    for (let left = jobs - Number(run("select count(*) from job")); left > 0; left -= STEP) {
      run(fillJobs(Math.min(STEP, left)));
      process.stdout.write(`${run("select count(*) from job")} jobs\n`);
    }
    const more = parts - Number(run("select count(*) from part"));
    if (more > 0) run(fillParts(more));
    run("analyze");
    const has = run(
      "select (select count(*) from job) || ' jobs, ' || (select count(*) from part) || ' parts'",
    );
    process.stdout.write(`${has}, ${Math.round((Date.now() - began) / 1000)} s\n`);
  } finally {
    await own?.stop();
  }
});
