import { useCallback } from "react";
import type { Job, Tool } from "@dragonet/core";
import { useOfJob } from "../job/useOfJob.ts";
import { planner } from "../worker/port/planner.ts";

/** One list of tools, before the first step. */
export function ToolsSheet() {
  const tools = useOfJob<readonly Tool[]>(useCallback((job: Job) => planner().tools(job), []));
  if (!tools) return null;
  return (
    <section aria-label="Tools" className="break-inside-avoid border-t-2 border-ink py-3">
      <h2 className="text-lead">Tools</h2>
      <ul className="gap-x-8 text-small md:columns-2 print:columns-2">
        {tools.map((tool) => (
          <li key={tool.name} className="break-inside-avoid py-0.5">
            <span className="mr-2 inline-block size-3 border border-edge" aria-hidden />
            <span className="font-bold">{tool.name}</span>: {tool.why}
          </li>
        ))}
      </ul>
    </section>
  );
}
