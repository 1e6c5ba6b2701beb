/** `npm run backup -- FILE`: everything a shop has, in one file and a manifest beside it. */
import { spawnSync } from "node:child_process";
import { existsSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { MANIFEST, countRows, hashOf } from "./lib/backup.mjs";
import { Failure, main } from "./lib/fail.mjs";
import { checkDisk, postgresFolder } from "./lib/machine.mjs";
import { holdsShop, runningPostgres, startPostgres } from "./lib/postgres.mjs";

const USAGE = `npm run backup -- FILE

Writes people, jobs, history, pictures, shelf, vehicles and settings to FILE (PostgreSQL's
custom format) and what is in it to FILE.json. The shop may go on working meanwhile.
DATABASE_URL=postgresql://…   backs that database up instead of the own one`;

await main(async () => {
  const { positionals } = parseArgs({ allowPositionals: true });
  const [name] = positionals;
  if (name === undefined || positionals.length > 1) throw new Failure(USAGE);
  const file = resolve(name);
  if (!existsSync(dirname(file))) throw new Failure(`There is no folder ${dirname(file)}.`);
  checkDisk(dirname(file), 100);
  const data = process.env.DRAGONET_DATA ?? ".data";
  const running = process.env.DATABASE_URL ?? runningPostgres(data);
  if (running === null && !holdsShop(data)) {
    throw new Failure("There is no shop here yet: start it once with npm start.");
  }
  const own = running === null ? await startPostgres(data) : null;
  const url = running ?? own.url;
  try {
    const rows = countRows(url);
    const made = `${file}.part`;
    const dump = spawnSync(
      join(postgresFolder(), "pg_dump"),
      ["--format=custom", "--no-owner", "--file", made, url],
      { encoding: "utf8" },
    );
    if (dump.status !== 0) {
      rmSync(made, { force: true });
      const full = /No space left/.test(dump.stderr);
      throw new Failure(
        full ? "The disk is full: no backup was made." : `No backup was made:\n${dump.stderr}`,
      );
    }
    // Whole or not at all: a backup that was cut short never has the name of one.
    renameSync(made, file);
    const manifest = {
      format: MANIFEST,
      made: new Date().toISOString(),
      bytes: statSync(file).size,
      sha256: hashOf(file),
      rows,
    };
    writeFileSync(`${file}.json`, `${JSON.stringify(manifest, null, 2)}\n`);
    process.stdout.write(
      `${file}: ${rows.job} jobs, ${rows.job_change} changes, ${rows.photo} pictures, ${rows.person} people.\n`,
    );
  } finally {
    await own?.stop();
  }
});
