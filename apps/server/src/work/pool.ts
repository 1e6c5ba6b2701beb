import { Injectable, Logger, type OnModuleDestroy } from "@nestjs/common";
import { Piscina } from "piscina";
import { busy, notValid } from "../http/refusal.ts";
import { paperPriority } from "./paperPriority.ts";
import { patience } from "./patience.ts";
import type { Answers, Task } from "./tasks.ts";

/** Longest that a save, or a file that came from outside, may take, in ms: a tenth of it is much. */
const LONGEST_MS = 20_000;
/**
 * Longest that may be drawn on paper, in ms: of documents that were checked before, so it is not what they
 * hold that takes long but what else the machine does. Below the minute that proxies wait.
 */
const LONGEST_PAPER_MS = 50_000;
/** What somebody sent, before it was looked at. */
const FROM_OUTSIDE: ReadonlySet<Task["kind"]> = new Set(["warm", "edits", "jobFile"]);
/** What each thread may hold, in MB. */
const MOST_MB = 192;

/** Threads of a lane, how long an idle one is kept, and how many tasks may wait for one. */
interface Lane {
  readonly minThreads: number;
  readonly maxThreads: number;
  readonly idleTimeout: number;
  readonly maxQueue: number;
}

/** Files and paper, now and then; saves, all day: none waits for somebody's paper. */
const LANES = {
  paper: { minThreads: 0, maxThreads: 2, idleTimeout: 60_000, maxQueue: 32 },
  saves: { minThreads: 0, maxThreads: 1, idleTimeout: 3_600_000, maxQueue: 256 },
} as const satisfies Readonly<Record<string, Lane>>;

const openLane = (lane: Lane): Piscina =>
  new Piscina({
    ...lane,
    filename: new URL("./work.js", import.meta.url).href,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });

/**
 * Threads for what would hold up every other request: files, paper, whole-job checks. A task
 * that takes too long or too much is ended with its thread, and said so.
 */
@Injectable()
export class WorkPool implements OnModuleDestroy {
  private readonly paper = openLane(LANES.paper);
  private readonly saves = openLane(LANES.saves);

  constructor() {
    // A wrong setting is told at the start, not with the first sheet.
    paperPriority();
    patience();
    for (const lane of [this.paper, this.saves]) {
      lane.on("error", (error: Error) => new Logger("work").warn(error.message));
    }
  }

  /** Starts the thread of saves, once the shop is open: nothing waits for it. */
  async warm(): Promise<void> {
    await this.run({ kind: "warm" });
  }

  async run<K extends Task["kind"]>(task: Extract<Task, { kind: K }>): Promise<Answers[K]> {
    const usualMs = FROM_OUTSIDE.has(task.kind) ? LONGEST_MS : LONGEST_PAPER_MS;
    const longestMs = usualMs * patience();
    try {
      const lane = task.kind === "edits" || task.kind === "warm" ? this.saves : this.paper;
      return (await lane.run(task, { signal: AbortSignal.timeout(longestMs) })) as Answers[K];
    } catch (error) {
      const { name, message, code } = error as Error & { code?: string };
      if (message.includes("Task queue is at limit")) {
        throw busy("too much is being worked on just now: try again in a moment");
      }
      if (name === "AbortError" || code === "ERR_WORKER_OUT_OF_MEMORY") {
        throw notValid(`this is too large or too tangled to be worked on in ${longestMs / 1000} s`);
      }
      throw error;
    }
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([this.paper.destroy(), this.saves.destroy()]);
  }
}
