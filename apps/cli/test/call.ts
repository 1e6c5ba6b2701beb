import Papa from "papaparse";
import { printJob, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { run } from "../src/run.ts";

/** A job of the demo by what is in it. */
export function demoThat(has: (job: Job) => boolean): Job {
  const found = demoJobs().find(has);
  if (!found) throw new Error(`no job of the demo has ${String(has)}`);
  return found;
}

/** A motorcycle with pods in front, turn lamps, and a brake lamp that flashes. */
export const flashingBrake = (): Job => demoThat((job) => job.options.length > 0);

/** Calls a verb on a job with the files that it may read; keeps what it writes. */
export async function call(job: Job, args: readonly string[], files: Record<string, string> = {}) {
  const said = { out: "", err: "" };
  const written = new Map<string, string>();
  const code = await run(args, {
    read: (path) => {
      const text = path === "job.json" ? printJob(job) : files[path];
      if (text === undefined) throw new Error("no such file");
      return text;
    },
    write: (path, text) => {
      if (path.startsWith("/full/")) throw new Error("no space left on device");
      written.set(path, text);
    },
    out: (text) => void (said.out += text),
    err: (text) => void (said.err += text),
    serveLines: () => 0,
  });
  return { code, written, ...said };
}

export const rowsOf = (csv: string) =>
  Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;
