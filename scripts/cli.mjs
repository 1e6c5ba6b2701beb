/** `npm run -s dragonet -- VERB FILE`: the command line, built when stale. */
import { spawnSync } from "node:child_process";
import { main } from "./lib/fail.mjs";
import { fromRoot } from "./lib/paths.mjs";
import { ensureBuild, ensurePackages } from "./lib/prepare.mjs";

await main(async () => {
  ensurePackages();
  ensureBuild();
  const { status } = spawnSync(
    process.execPath,
    [fromRoot("apps/cli/dist/dragonet.js"), ...process.argv.slice(2)],
    { stdio: "inherit", cwd: process.env.INIT_CWD ?? process.cwd() },
  );
  process.exitCode = status ?? 2;
});
