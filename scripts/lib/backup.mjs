import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { closeSync, openSync, readSync } from "node:fs";
import { join } from "node:path";
import { Failure } from "./fail.mjs";
import { postgresFolder } from "./machine.mjs";

export const MANIFEST = "dragonet-backup/1";

/** What a backup is counted by. */
const TABLES = ["shop", "person", "part", "vehicle_profile", "job", "job_change", "photo", "audit"];

/** Rows by table, asked for with the server's own tools. */
export function countRows(url) {
  const query = TABLES.map((t) => `select '${t}', count(*) from "${t}"`).join(" union all ");
  const asked = spawnSync(
    join(postgresFolder(), "psql"),
    ["--no-align", "--tuples-only", "--command", query, url],
    { encoding: "utf8" },
  );
  if (asked.status !== 0) throw new Failure(`The database does not answer:\n${asked.stderr}`);
  return Object.fromEntries(
    asked.stdout
      .trim()
      .split("\n")
      .map((line) => {
        const [table, count] = line.split("|");
        return [table, Number(count)];
      }),
  );
}

const CHUNK = 1 << 20;

/** The SHA-256 of a file, read in pieces. */
export function hashOf(file) {
  const hash = createHash("sha256");
  const handle = openSync(file, "r");
  const buffer = Buffer.alloc(CHUNK);
  try {
    for (let n = readSync(handle, buffer); n > 0; n = readSync(handle, buffer)) {
      hash.update(buffer.subarray(0, n));
    }
  } finally {
    closeSync(handle);
  }
  return hash.digest("hex");
}
