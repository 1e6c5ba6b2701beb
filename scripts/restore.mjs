/** `npm run restore -- FILE`: a backup into a new data folder, and a look whether all is there. */
import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { MANIFEST, countRows, hashOf } from "./lib/backup.mjs";
import { Failure, main } from "./lib/fail.mjs";
import { checkDisk, postgresFolder } from "./lib/machine.mjs";
import { ROOT } from "./lib/paths.mjs";
import { holdsShop, startPostgres } from "./lib/postgres.mjs";

const USAGE = `npm run restore -- FILE [--data .data]

Restores a backup into a data folder that holds no shop yet, and compares what is there with
the manifest beside FILE. Then: DRAGONET_DATA=FOLDER npm start`;

function manifestOf(file) {
  const beside = `${file}.json`;
  if (!existsSync(file)) throw new Failure(`There is no file ${file}.`);
  if (!existsSync(beside)) throw new Failure(`There is no manifest ${beside} beside it.`);
  let manifest;
  try {
    manifest = JSON.parse(readFileSync(beside, "utf8"));
  } catch (error) {
    throw new Failure(`${beside} is not JSON: ${error.message}`);
  }
  if (manifest.format !== MANIFEST) throw new Failure(`${beside} is not a backup's manifest.`);
  if (manifest.sha256 !== hashOf(file)) {
    throw new Failure(`${file} is not what its manifest says: it was changed or cut short.`);
  }
  return manifest;
}

await main(async () => {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { data: { type: "string", default: process.env.DRAGONET_DATA ?? ".data" } },
  });
  const [name] = positionals;
  if (name === undefined || positionals.length > 1) throw new Failure(USAGE);
  const file = resolve(name);
  const manifest = manifestOf(file);
  if (holdsShop(values.data)) {
    throw new Failure(
      `${values.data} holds a shop already: restore into another folder (--data FOLDER), look at it, then change them over.`,
    );
  }
  checkDisk(dirname(resolve(ROOT, values.data)), 300 + Math.ceil((4 * manifest.bytes) / 1048576));
  const postgres = await startPostgres(values.data);
  try {
    const restored = spawnSync(
      join(postgresFolder(), "pg_restore"),
      ["--no-owner", "--exit-on-error", "--single-transaction", "--dbname", postgres.url, file],
      { encoding: "utf8" },
    );
    if (restored.status !== 0) throw new Failure(`Nothing was restored:\n${restored.stderr}`);
    const rows = countRows(postgres.url);
    const wrong = Object.entries(manifest.rows).filter(([table, n]) => rows[table] !== n);
    if (wrong.length > 0) {
      const [[table, n]] = wrong;
      throw new Failure(`${table} has ${rows[table]} rows, the backup had ${n}.`);
    }
    process.stdout.write(
      `Restored into ${values.data}: ${rows.job} jobs, ${rows.job_change} changes, ${rows.photo} pictures, ${rows.person} people.\n`,
    );
  } finally {
    await postgres.stop();
  }
});
