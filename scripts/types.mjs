/** `npm run types`: checks every workspace with the fast compiler. */
import { spawnSync } from "node:child_process";
import { fromRoot } from "./lib/paths.mjs";

const PROJECTS = [
  "packages/core",
  "packages/contract",
  "packages/loom",
  "packages/template",
  "apps/server",
  "apps/web",
  "apps/cli",
  "e2e",
  "bench",
];

for (const project of PROJECTS) {
  const { status } = spawnSync(
    process.execPath,
    [fromRoot("node_modules/typescript7/bin/tsc"), "-p", fromRoot(project, "tsconfig.json")],
    { stdio: "inherit" },
  );
  if (status !== 0) process.exitCode = 1;
}
