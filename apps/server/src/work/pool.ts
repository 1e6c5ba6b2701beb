import { Injectable, Logger, type OnModuleDestroy } from "@nestjs/common";
import { Piscina } from "piscina";
import { busy, notValid } from "../http/refusal.ts";
import type { Answers, Task } from "./tasks.ts";

/** Longest that one task may take, in ms; the largest job's sheet takes a tenth of it. */
const LONGEST_MS = 20_000;
/** Threads, what each may hold, and how many tasks may wait for one. */
const THREADS = 2;
const MOST_MB = 192;
const MOST_WAITING = 32;

/**
 * Threads for what would hold up every other request: files, paper, whole-job checks. A task
 * that takes too long or too much is ended with its thread, and said so.
 */
@Injectable()
export class WorkPool implements OnModuleDestroy {
  private readonly pool = new Piscina({
    filename: new URL("./work.js", import.meta.url).href,
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: 60_000,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });

  constructor() {
    this.pool.on("error", (error: Error) => new Logger("work").warn(error.message));
  }

  async run<K extends Task["kind"]>(task: Extract<Task, { kind: K }>): Promise<Answers[K]> {
    try {
      return (await this.pool.run(task, { signal: AbortSignal.timeout(LONGEST_MS) })) as Answers[K];
    } catch (error) {
      const { name, message, code } = error as Error & { code?: string };
      if (message.includes("Task queue is at limit")) {
        throw busy("too much is being worked on just now: try again in a moment");
      }
      if (name === "AbortError" || code === "ERR_WORKER_OUT_OF_MEMORY") {
        throw notValid("this is too large or too tangled to be worked on in 20 s");
      }
      throw error;
    }
  }

  async onModuleDestroy(): Promise<void> {
    await this.pool.destroy();
  }
}
