import { wrap, type Remote } from "comlink";
import { forgetSent } from "./onceTransfer.ts";
import type { Planner } from "../plan.worker.ts";
import { whileAlive } from "./whileAlive.ts";

let made: Remote<Planner> | null = null;

/** The one worker of the page, started when it is first asked, and another when it is gone. */
export function planner(): Remote<Planner> {
  if (made) return made;
  const worker = new Worker(new URL("../plan.worker.ts", import.meta.url), {
    type: "module",
    name: "planner",
  });
  made = whileAlive(wrap<Planner>(worker), worker, () => {
    worker.terminate();
    forgetSent();
    made = null;
  });
  return made;
}
