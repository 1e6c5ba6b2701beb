import { wrap, type Remote } from "comlink";
import "./onceTransfer.ts";
import type { Planner } from "./plan.worker.ts";

let made: Remote<Planner> | null = null;

/** The one worker of the page, started when it is first asked. */
export function planner(): Remote<Planner> {
  made ??= wrap<Planner>(
    new Worker(new URL("./plan.worker.ts", import.meta.url), { type: "module", name: "planner" }),
  );
  return made;
}
