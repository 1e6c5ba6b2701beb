/** The page's worker in the page itself: the same functions, each with values of its own. */
import { planner as real } from "../../src/worker/plan.worker.ts";

type Called = (...args: unknown[]) => unknown;

/** What a message port does to a value: a copy, functions as they are. */
const posted = (value: unknown): unknown =>
  typeof value === "function" || value === undefined ? value : structuredClone(value);

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
