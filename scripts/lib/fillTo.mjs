/** A shop of very many jobs, out of those that it has. */
import { execFile } from "node:child_process";
import { join } from "node:path";
import { promisify } from "node:util";
import { Failure } from "./fail.mjs";
import { fillJobs, fillParts } from "./fillShop.mjs";
import { postgresFolder } from "./machine.mjs";

/** Jobs made at a time, so that a stopped run loses nothing and says how far it is. */
const STEP = 5000;

/** Makes the jobs and parts of a database as many as are asked for; `told` hears how many jobs there are. */
export async function fillTo(database, jobs, parts, told = () => {}) {
  const run = async (sql) => {
    const options = [database, "-v", "ON_ERROR_STOP=1", "-At", "-q", "-c", sql];
    const { stdout } = await promisify(execFile)(join(postgresFolder(), "psql"), options).catch(
      ({ stderr }) => {
        throw new Failure(`It could not be filled: ${String(stderr).trim()}`);
      },
    );
    return Number(stdout.trim());
  };
  const [jobsOf, partsOf] = ["job", "part"].map((table) => `select count(*) from ${table}`);
  let has = await run(jobsOf);
  if (has === 0 && jobs > 0) throw new Failure("There is no job here to make copies of.");
  while (has < jobs) {
    await run(fillJobs(Math.min(STEP, jobs - has)));
    has = await run(jobsOf);
    told(has);
  }
  const more = parts - (await run(partsOf));
  if (more > 0) await run(fillParts(more));
  // As a shop of years has been: its indexes are in order.
  await run("vacuum analyze");
  return { jobs: has, parts: await run(partsOf) };
}
