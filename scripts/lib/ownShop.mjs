import { spawn } from "node:child_process";
import { Failure } from "./fail.mjs";
import { ROOT, fromRoot } from "./paths.mjs";

/** A demo shop of one's own in a folder, begun anew at a port by the command that people start it with. */
export function startOwnShop(port, data) {
  const rest = { ...process.env };
  delete rest.DATABASE_URL;
  const child = spawn(
    process.execPath,
    [fromRoot("scripts/start.mjs"), "--port", String(port), "--reset"],
    { cwd: ROOT, env: { ...rest, DRAGONET_DATA: data }, stdio: ["ignore", "pipe", "ignore"] },
  );
  return new Promise((done, fail) => {
    child.stdout.on("data", (said) => String(said).includes("Ctrl-C") && done(child));
    child.once("exit", () => fail(new Failure("the shop did not start")));
  });
}
