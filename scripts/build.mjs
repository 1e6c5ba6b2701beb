import { main } from "./lib/fail.mjs";
import { ensureBuild, ensurePackages } from "./lib/prepare.mjs";

await main(async () => {
  ensurePackages();
  ensureBuild();
});
