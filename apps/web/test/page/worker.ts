/** The page's worker in the page itself: the same functions, each with values of its own. */
import type { Job } from "@dragonet/core";
import { OnceReceiver, OnceSender, isJob } from "../../src/worker/port/oncePort.ts";
import { planner as real } from "../../src/worker/plan.worker.ts";

type Called = (...args: unknown[]) => unknown;

const sender = new OnceSender<Job>();
const receiver = new OnceReceiver<Job>();

/** What a message port does to a value: a copy, functions as they are, a job once. */
function posted(value: unknown): unknown {
  if (isJob(value)) return receiver.take(structuredClone(sender.post(value)));
  return typeof value === "function" || value === undefined ? value : structuredClone(value);
}

const inPage = new Proxy(real as unknown as Record<string, Called>, {
  get:
    (target, name: string): Called =>
    async (...args) => {
      const call = target[name];
      if (!call) throw new Error(`the worker has no ${name}`);
      return posted(await call.apply(target, args.map(posted)));
    },
});

export const planner = () => inPage;
