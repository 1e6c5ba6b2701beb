/** `npm run fill -- --jobs 100000 --parts 20000`: a shop of many years, out of the jobs and parts that it has. */
import { parseArgs } from "node:util";
import { Failure, main } from "./lib/fail.mjs";
import { fillTo } from "./lib/fillTo.mjs";
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
  try {
    const began = Date.now();
    const has = await fillTo(running ?? own.url, jobs, parts, (so) =>
      process.stdout.write(`${so} jobs\n`),
    );
    const seconds = Math.round((Date.now() - began) / 1000);
    process.stdout.write(`${has.jobs} jobs, ${has.parts} parts, ${seconds} s\n`);
  } finally {
    await own?.stop();
  }
});
