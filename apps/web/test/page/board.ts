/** The board as the stand-in of the server answers it: every word anywhere on a job, by stage and promise. */
import { STAGES } from "@dragonet/core";
import type { BoardAnswer, JobOnBoardAnswer, JobsPageAnswer } from "@dragonet/contract";

const FIRST = 25;
const A_PAGE = 50;

function seen(job: JobOnBoardAnswer, asked: URLSearchParams): boolean {
  const of = (name: string): string => asked.get(name) ?? "";
  const text = [job.title, job.customer, job.model, job.machine, job.bench].join(" ").toLowerCase();
  const waits = of("waits");
  return (
    of("q")
      .toLowerCase()
      .split(/\s+/)
      .every((word) => text.includes(word)) &&
    (waits === "" ||
      (waits === "nothing"
        ? job.waiting.length === 0
        : job.waiting.some((w) => w.kind === waits))) &&
    (of("bench") === "" || job.bench === of("bench")) &&
    (of("model") === "" || job.model === of("model")) &&
    (of("stage") === "" || job.stage === of("stage")) &&
    (of("before") === "" ||
      (job.promised !== "" && job.promised < of("before") && job.stage !== "handOver"))
  );
}

function inOrder(jobs: readonly JobOnBoardAnswer[], asked: URLSearchParams): JobOnBoardAnswer[] {
  const key = (job: JobOnBoardAnswer): string =>
    `${STAGES.indexOf(job.stage)} ${job.promised || "9"} ${job.id}`;
  return jobs.filter((job) => seen(job, asked)).sort((a, b) => (key(a) < key(b) ? -1 : 1));
}

export function boardOf(jobs: readonly JobOnBoardAnswer[], asked: URLSearchParams): BoardAnswer {
  const found = inOrder(jobs, asked);
  const onBenches = jobs.filter(({ bench }) => bench !== "");
  return {
    stages: STAGES.flatMap((stage) => {
      const here = found.filter((job) => job.stage === stage);
      if (here.length === 0) return [];
      return [{ stage, count: here.length, uncounted: false, jobs: here.slice(0, FIRST) }];
    }),
    onBenches,
    benches: [...new Set(onBenches.map(({ bench }) => bench))],
    any: jobs.length > 0,
  };
}

export function pageOf(jobs: readonly JobOnBoardAnswer[], asked: URLSearchParams): JobsPageAnswer {
  const found = inOrder(jobs, asked);
  const from = Number(asked.get("after") ?? 0);
  const next = from + A_PAGE < found.length ? String(from + A_PAGE) : "";
  return { jobs: found.slice(from, from + A_PAGE), next };
}
