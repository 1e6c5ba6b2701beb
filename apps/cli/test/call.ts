import Papa from "papaparse";
import { printJob, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { run } from "../src/run.ts";

export const demo = (title: string): Job => demoJobs().find((j) => j.card.title === title)!;

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
