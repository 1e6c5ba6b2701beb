/** `npm run types`: checks every workspace with the fast compiler. */
import { spawnSync } from "node:child_process";
import { fromRoot } from "./lib/paths.mjs";

/** Those that must do without a page's types by themselves; then everything in one programme. */
const PROJECTS = ["packages/core/tsconfig.json", "apps/server/tsconfig.json", "tsconfig.lint.json"];

for (const project of PROJECTS) {
  const { status } = spawnSync(
    process.execPath,
    [fromRoot("node_modules/typescript7/bin/tsc"), "-p", fromRoot(project)],
    { stdio: "inherit" },
  );
  if (status !== 0) process.exitCode = 1;
}
