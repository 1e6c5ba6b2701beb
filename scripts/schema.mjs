/** Writes docs/job.schema.json from the built command line. */
import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { fromRoot } from "./lib/paths.mjs";

const text = execFileSync(process.execPath, [fromRoot("apps/cli/dist/dragonet.js"), "schema"], {
  encoding: "utf8",
});
writeFileSync(fromRoot("docs/job.schema.json"), text);
